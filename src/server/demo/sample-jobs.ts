import type { KeptQuestion } from '@/contracts/question';
import type { JobInput } from '@/contracts/job';
import { BLANK_FORM } from '@/core/ask/ask-form';

const hole = (id: string, name: string, question: Partial<KeptQuestion>): JobInput['holes'][number] => ({
  id: `sample-hole-${id}`,
  name,
  question: { ...BLANK_FORM, ...question },
});

function job(
  id: string,
  name: string,
  quantity: number,
  common: Partial<KeptQuestion>,
  notes: string,
  holes: JobInput['holes'],
): JobInput {
  return {
    id: `sample-job-${id}`,
    name,
    materialId: common.material ?? BLANK_FORM.material,
    quantity,
    notes,
    holes: holes.map((h) => ({
      ...h,
      question: { ...h.question, ...common, parts: String(quantity) },
    })),
  };
}

/** What is on the bench of the observatory's workshop, newest last. */
export const SAMPLE_JOBS: JobInput[] = [
  job(
    'fork-trunnion',
    'Fork trunnion',
    1,
    { material: 'iron-ductile', machine: 'knee-mill' },
    'Casting bought with two old Whitworth holes: keep them, chase only if the gauge asks for it.',
    [
      hole('trunnion-whitworth', 'Old feet holes, to match', { callout: '2x 1/2-12 BSW THRU', thickness: '22' }),
      hole('trunnion-lock', 'Lock screw', { callout: 'M8 x 14 DEEP', thickness: '22' }),
    ],
  ),
  job(
    'spreader-bars',
    'Spreader bars',
    18,
    { material: 'steel-alloy-annealed', machine: 'lathe' },
    'Bar 30 mm across, from 3 m lengths; both ends alike.',
    [hole('spreader-end', 'Both ends', { callout: '2x M16 x 32 DEEP', width: '30' })],
  ),
  job(
    'dust-cap-ring',
    'Dust-cap ring',
    1,
    { material: 'brass-cartridge', machine: 'bench-drill-press' },
    'Twelve on one circle, formed: no chips near the mirror.',
    [hole('ring-circle', 'Circle of twelve', { callout: '12x M2.5 THRU', thickness: '4', tap: 'form' })],
  ),
  job(
    'counterweight-collar',
    'Counterweight collar',
    1,
    { material: 'stainless-free-machining', machine: 'knee-mill' },
    'Two clamp screws at an angle into the bore.',
    [
      hole('collar-clamp', 'Clamp screws', { callout: '2x M6 THRU', thickness: '14' }),
      hole('collar-stop', 'Stop screw', { callout: '#10-32 UNF-2B x 3/8 DEEP', thickness: '16 mm' }),
    ],
  ),
  job(
    'bearing-block',
    'Azimuth bearing block',
    2,
    { material: 'iron-grey', machine: 'bench-drill-press' },
    'A cross bore passes under the blind hole.',
    [
      hole('block-clamp', 'Clamp bolt', { callout: '3/8-16 UNC-2B THRU', thickness: '28' }),
      hole('block-adjust', 'Adjuster', { callout: '5/16-18 UNC-2B x .625 DEEP', thickness: '28' }),
    ],
  ),
  job(
    'pier-adapter-plate',
    'Pier adapter plate',
    1,
    { material: 'aluminium-wrought-6000', machine: 'bench-drill-press', thickness: '16' },
    'Three blind holes on the 130 mm circle; four small ones near the edge.',
    [
      hole('plate-circle', 'Circle of 130', { callout: '3x M10 x 8 DEEP' }),
      hole('plate-edge', 'Edge holes', { callout: '4x M5 THRU' }),
      hole('plate-cover', 'Cover screw', { callout: 'M8 x 8 DEEP' }),
    ],
  ),
];
