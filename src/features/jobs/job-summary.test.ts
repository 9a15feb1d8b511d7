import type { Job } from '@/contracts/job';
import { BLANK_FORM } from '@/core/hole/form';
import { inUnits } from '@/core/hole/form-in-units';
import { USUAL_HABITS } from '@/core/shop/habits';
import type { Shop } from '@/core/shop/shop';
import { DRILL_SETS } from '@/core/drills/drill-sets';
import { MATERIALS } from '@/core/materials/materials';
import { USUAL_PART } from '@/core/layout/part';
import { holeLine } from '@/core/job/hole-line';
import { plannerFor } from '@/core/job/plan-in-job';
import { kindsOfHoles, summaryOf } from '@/core/job/summary';
import { lineText } from './job-summary';

const shop: Shop = {
  materials: MATERIALS,
  machines: [
    {
      id: 'press',
      name: 'press',
      kind: 'drill-press',
      speeds: { kind: 'steps', steps: [{ rpm: 980, label: 'row 2' }] },
      reversible: false,
      tappingHead: false,
      coastRevolutions: 1,
      coastAtRpm: 140,
      chuckMm: 13,
    },
  ],
  pools: [{ id: 'crib', label: 'crib', drills: DRILL_SETS[2].drills }],
  habits: USUAL_HABITS,
};
const job: Job = {
  id: 'job-00001',
  version: 3,
  headVersion: 1,
  nextLetter: 'C',
  name: 'Bracket',
  materialId: 'steel-low-carbon',
  quantity: 5,
  notes: '',
  part: USUAL_PART,
  createdAt: '',
  updatedAt: '',
  holes: [
    {
      id: 'hole-0001',
      letter: 'A',
      position: 0,
      version: 1,
      face: 'top',
      name: 'feet',
      question: { ...BLANK_FORM, callout: '4x M8 x 10 DEEP', thickness: '30', machine: 'press', material: 'copper' },
    },
    {
      face: 'top',
      id: 'hole-0002',
      letter: 'B',
      position: 1,
      version: 1,
      name: 'bad',
      question: { ...BLANK_FORM, callout: 'M8 x 40 DEEP', thickness: '30' },
    },
  ],
};

const planner = plannerFor(shop);
const lines = (of: Job) => of.holes.map((hole) => holeLine(hole, of, planner));

test('a line says what to do for each hole, in the job’s own metal and number', () => {
  const [feet, bad] = lines(job);
  expect([feet.count, feet.steps]).toEqual([4, ['lay-out', 'start', 'drill', 'chamfer', 'tap', 'check']]);
  expect(lineText(feet, 'mm')).toMatchObject({
    drill: '6.8 mm',
    speed: '980 rev/min, row 2',
    depth: '16.3 mm, stop 18.5 mm',
    then: expect.stringContaining('plug (4)'),
  });
  // Steel, not the copper that the hole was asked in: 6.8 in copper would go faster than 980.
  const copper = lines({ ...job, materialId: 'copper' })[0];
  expect(copper).not.toEqual(feet);
  const text = lineText(bad, 'mm');
  expect(text.drill).toBeUndefined();
  expect(text.troubles.join()).toContain('does not fit in a plate of 30.0 mm');
});

test('a line holds every warning, the worst first, and none for a hole that needs none', () => {
  const [hole] = job.holes;
  const of = (over: Partial<typeof hole.question>) =>
    lineText(holeLine({ ...hole, question: { ...hole.question, ...over } }, job, planner), 'mm').troubles;
  const deep = of({ callout: 'M6 THRU', thickness: '80' });
  expect(deep.filter((t) => /tap has to go|does not reach|flutes/.test(t))).toHaveLength(2);
  expect(new Set(deep).size).toBe(deep.length);
  expect(of({ callout: 'ø9 THRU', thickness: '16' })).toEqual([]);
});

test('a job in short: equal features are one line with all of their holes, the first twelve kinds, the rest counted', () => {
  const [feet, bad] = job.holes;
  const again = { ...feet, id: 'hole-0003', question: { ...feet.question, callout: '2x M8 x 10 DEEP' } };
  const summary = (holes: Job['holes']) => summaryOf([...kindsOfHoles(holes, job, planner, { pools: [] })], job, holes);
  const { lines: kinds, more, holes, troubled, work, seconds } = summary([feet, bad, again]);
  expect([kinds.map((l) => [l.callout, l.count]), more, holes, troubled]).toEqual([
    [
      ['6x M8 x 10 DEEP', 6],
      ['M8 x 40 DEEP', 1],
    ],
    0,
    7,
    1,
  ]);
  expect(work.find((w) => w.code === 'tap')).toEqual({ code: 'tap', times: 6 });
  expect(seconds).toBeCloseTo(1.5 * summary([feet]).seconds, 6);
  const many = Array.from({ length: 15 }, (_, i) => ({
    ...bad,
    id: `hole-1${i}`,
    question: { ...bad.question, callout: `ø${i + 2} THRU` },
  }));
  expect([summary(many).lines.length, summary(many).more]).toEqual([12, 3]);
});

test('switching units keeps the meaning of what was typed', () => {
  const form = { ...BLANK_FORM, depth: '16', thickness: '3/4', width: '1 in' };
  expect(inUnits(form, 'inch')).toMatchObject({ units: 'inch', depth: '16 mm', thickness: '3/4', width: '1 in' });
  expect(inUnits(inUnits(form, 'inch'), 'mm')).toMatchObject({ units: 'mm', depth: '16 mm' });
  expect(inUnits(form, 'mm')).toBe(form);
});
