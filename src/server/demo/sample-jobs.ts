import type { KeptQuestion } from '@/contracts/question';
import type { JobInput } from '@/contracts/job';
import { BLANK_FORM, OLD_THREAD } from '@/core/hole/form';
import type { FaceId, Stock } from '@/core/layout/part';
import type { Place } from '@/core/layout/place';

type Hole = JobInput['holes'][number];

export const hole = (
  id: string,
  name: string,
  question: Partial<KeptQuestion>,
  place: Place,
  face: FaceId = 'top',
): Hole => ({
  id: `sample-hole-${id}`,
  name,
  question: { ...BLANK_FORM, ...question },
  face,
  place,
});
export const row = (x: number, y: number, count: number, pitch: number, angleDeg = 0): Place => ({
  kind: 'row',
  x,
  y,
  count,
  pitch,
  angleDeg,
});
export const point = (x: number, y: number): Place => ({ kind: 'point', x, y });
export const circle = (x: number, y: number, diameter: number, divisions: number, startDeg: number): Place => ({
  kind: 'circle',
  x,
  y,
  diameter,
  divisions,
  startDeg,
  skip: [],
});

interface Common {
  material: string;
  machine: string;
  stock: Stock;
  condition: string;
  quantity?: number;
  /** After the first part every so many are gauged. */
  checkEvery?: number;
}

export function job(
  id: string,
  name: string,
  { material, machine, stock, condition, quantity = 1, checkEvery }: Common,
  notes: string,
  holes: Hole[],
): JobInput {
  return {
    id: `sample-job-${id}`,
    name,
    materialId: material,
    quantity,
    notes,
    part: { stock, condition, datums: {} },
    ...(checkEvery === undefined ? {} : { route: { checkEvery } }),
    holes: holes.map((h) => ({
      ...h,
      question: { ...h.question, material, machine, parts: String(quantity) },
    })),
  };
}

/** What is on the bench of the observatory's workshop, newest last. */
export const SAMPLE_JOBS: JobInput[] = [
  job(
    'mirror-cell-studs',
    'Mirror-cell studs',
    {
      material: 'stainless-free-machining',
      machine: 'lathe',
      stock: { shape: 'bar', diameterMm: 12, lengthMm: 90 },
      condition: 'drawn rod',
      quantity: 6,
    },
    'M10 outside, by die, one end; the other end is tapped on the axis for the locking screw.',
    [
      hole('stud-axis', 'Locking screw', { callout: 'M5 x 12 DEEP', thickness: '90', width: '12' }, point(0, 0)),
      hole('stud-thread', 'Outer thread', { callout: 'M10 x 30 OUTSIDE' }, point(0, 0), 'bottom'),
    ],
  ),
  job(
    'fork-trunnion',
    'Fork trunnion',
    {
      material: 'iron-ductile',
      machine: 'knee-mill',
      stock: { shape: 'plate', widthMm: 140, heightMm: 70, thicknessMm: 22 },
      condition: 'as cast',
    },
    'Casting bought with two old Whitworth holes: keep them, chase only if the gauge asks for it.',
    [
      hole(
        'trunnion-whitworth',
        'Old feet holes, to match',
        { callout: '2x 1/2-12 BSW THRU', thickness: '22', existing: OLD_THREAD },
        row(25, 35, 2, 90),
      ),
      hole('trunnion-lock', 'Lock screw', { callout: 'M8 x 12 DEEP', thickness: '22' }, point(70, 35)),
    ],
  ),
  job(
    'spreader-bars',
    'Spreader bars',
    {
      material: 'steel-alloy-annealed',
      machine: 'lathe',
      stock: { shape: 'bar', diameterMm: 30, lengthMm: 480 },
      condition: 'annealed',
      quantity: 18,
    },
    'From 3 m lengths; both ends alike.',
    [
      hole('spreader-end', 'One end', { callout: 'M16 x 32 DEEP', width: '30' }, point(0, 0)),
      hole('spreader-other-end', 'Other end', { callout: 'M16 x 32 DEEP', width: '30' }, point(0, 0), 'bottom'),
    ],
  ),
  job(
    'dust-cap-ring',
    'Dust-cap ring',
    {
      material: 'brass-cartridge',
      machine: 'bench-drill-press',
      stock: { shape: 'disc', diameterMm: 180, thicknessMm: 4 },
      condition: 'soft',
    },
    'Twelve on one circle, formed: no chips near the mirror.',
    [
      hole(
        'ring-circle',
        'Circle of twelve',
        { callout: '12x M2.5 THRU', thickness: '4', tap: 'form' },
        circle(0, 0, 166, 12, 15),
      ),
    ],
  ),
  job(
    'counterweight-collar',
    'Counterweight collar',
    {
      material: 'stainless-free-machining',
      machine: 'knee-mill',
      stock: { shape: 'tube', diameterMm: 70, boreMm: 42, lengthMm: 40 },
      condition: 'annealed',
    },
    'Two clamp screws at an angle into the bore.',
    [
      {
        ...hole('collar-clamp', 'Clamp screws', { callout: '2x M6 THRU' }, row(12, 35, 2, 16), 'side'),
        exit: { dx: 0, dy: 4 },
      },
      hole(
        'collar-stop',
        'Stop screw',
        { callout: '#10-32 UNF-2B x 3/8 DEEP', thickness: '40 mm' },
        circle(0, 0, 56, 1, 0),
      ),
    ],
  ),
  job(
    'bearing-block',
    'Azimuth bearing block',
    {
      material: 'iron-grey',
      machine: 'bench-drill-press',
      stock: { shape: 'plate', widthMm: 90, heightMm: 60, thicknessMm: 38 },
      condition: 'as cast, skin removed',
      quantity: 2,
    },
    'A cross bore passes under the blind hole.',
    [
      hole('block-clamp', 'Clamp bolt', { callout: '3/8-16 UNC-2B THRU', thickness: '38' }, point(20, 30)),
      hole('block-adjust', 'Adjuster', { callout: '5/16-18 UNC-2B x .5 DEEP', thickness: '38' }, point(66, 30)),
      hole('block-cross', 'Cross bore to miss', { callout: 'ø8 THRU' }, point(66, 5.5), 'front'),
    ],
  ),
  job(
    'pier-adapter-plate',
    'Pier adapter plate',
    {
      material: 'aluminium-wrought-6000',
      machine: 'bench-drill-press',
      stock: { shape: 'plate', widthMm: 180, heightMm: 180, thicknessMm: 16 },
      condition: 'rolled plate',
    },
    'Three blind holes on the 130 mm circle; four small ones near the edge.',
    [
      hole(
        'plate-circle',
        'Circle of 130',
        { callout: '3x M10 x 8 DEEP', thickness: '16' },
        circle(90, 90, 130, 3, 90),
      ),
      hole(
        'plate-through',
        'Pier bolts',
        { callout: '4x ø9 THRU CBORE ø15 x 8.6', thickness: '16' },
        {
          kind: 'grid',
          x: 50,
          y: 50,
          columns: 2,
          rows: 2,
          dx: 80,
          dy: 80,
        },
      ),
      {
        ...hole('plate-dowels', 'Dowels', { callout: '2x ø8 H7 REAM THRU', thickness: '16' }, row(60, 90, 2, 60)),
        zoneMm: 0.1,
      },
      hole('plate-edge', 'Edge holes', { callout: '4x M5 THRU', thickness: '16' }, row(30, 7, 4, 40)),
    ],
  ),
];
