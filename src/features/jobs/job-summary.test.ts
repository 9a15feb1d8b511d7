import type { Job } from '@/contracts/job';
import { BLANK_FORM, fromAddress, inUnits } from '@/core/hole/form';
import { USUAL_HABITS } from '@/core/shop/habits';
import type { Shop } from '@/core/shop/shop';
import { DRILL_SETS } from '@/core/drills/drill-sets';
import { MATERIALS } from '@/core/materials/materials';
import { USUAL_PART } from '@/core/layout/part';
import { holeLines } from './job-summary';

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
      face: 'top',
      name: 'feet',
      question: { ...BLANK_FORM, callout: '4x M8 x 10 DEEP', thickness: '30', machine: 'press', material: 'copper' },
    },
    {
      face: 'top',
      id: 'hole-0002',
      name: 'bad',
      question: { ...BLANK_FORM, callout: 'M8 x 40 DEEP', thickness: '30' },
    },
  ],
};

test('a line says what to do for each hole, in the job’s own metal and number', () => {
  const [feet, bad] = holeLines(job, shop, 'mm');
  expect(feet).toMatchObject({
    count: 4,
    drill: '6.8 mm',
    speed: '980 rev/min, row 2',
    depth: '16.3 mm, stop 18.3 mm',
  });
  expect(feet.tapping).toContain('plug (4)');
  expect(feet.steps).toEqual(['lay-out', 'start', 'drill', 'chamfer', 'tap', 'check']);
  const address = new URL(feet.address, 'http://shop');
  expect(fromAddress(Object.fromEntries(address.searchParams))).toMatchObject({
    material: 'steel-low-carbon',
    parts: '5',
    thickness: '30',
  });
  expect([address.searchParams.get('job'), address.searchParams.get('jobHole')]).toEqual(['job-00001', 'hole-0001']);
  expect(bad.drill).toBeUndefined();
  expect(bad.troubles.join()).toContain('does not fit in a plate of 30.0 mm');
});

test('a line holds every warning, the worst first, and none for a hole that needs none', () => {
  const [hole] = job.holes;
  const of = (over: Partial<typeof hole.question>) =>
    holeLines({ ...job, holes: [{ ...hole, question: { ...hole.question, ...over } }] }, shop, 'mm')[0].troubles;
  const deep = of({ callout: 'M6 THRU', thickness: '80' });
  expect(deep.filter((t) => /tap has to go|does not reach|flutes/.test(t))).toHaveLength(2);
  expect(new Set(deep).size).toBe(deep.length);
  expect(of({ callout: 'ø9 THRU', thickness: '16' })).toEqual([]);
});

test('switching units keeps the meaning of what was typed', () => {
  const form = { ...BLANK_FORM, depth: '16', thickness: '3/4', width: '1 in' };
  expect(inUnits(form, 'inch')).toMatchObject({ units: 'inch', depth: '16 mm', thickness: '3/4', width: '1 in' });
  expect(inUnits(inUnits(form, 'inch'), 'mm')).toMatchObject({ units: 'mm', depth: '16 mm' });
  expect(inUnits(form, 'mm')).toBe(form);
});
