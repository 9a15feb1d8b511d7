import { DRILL_SETS } from '../drills/drill-sets';
import type { Machine } from '../cutting/machine';
import { farEdgeMm } from '../layout/far-edge';
import { USUAL_PART, type Part } from '../layout/part';
import type { Place } from '../layout/place';
import { MATERIALS } from '../materials/materials';
import { tell } from '../units/show';
import { BLANK_FORM } from './ask-form';
import { USUAL_HABITS } from './habits';
import { planInJob, type JobFeature } from './job-questions';
import type { Shop } from './read-form';

const shop: Shop = {
  materials: MATERIALS,
  machines: [],
  pools: [{ id: 'crib', label: 'crib', drills: DRILL_SETS[2].drills }],
  habits: USUAL_HABITS,
};
const at: Place = { kind: 'point', x: 30, y: 20 };
function plan(feature: Partial<JobFeature>, callout = 'ø6 THRU', part: Part = USUAL_PART) {
  const result = planInJob(
    { question: { ...BLANK_FORM, callout }, face: 'top', ...feature },
    { materialId: 'aluminium-wrought-6000', quantity: 3, part },
    shop,
  );
  if (!result.ok) throw new Error(result.problems.map((p) => tell(p, 'mm')).join(' '));
  return result.value;
}

test('the part gives thickness and lever once the feature has a place; what is typed goes before', () => {
  expect(plan({ place: at }).thicknessMm).toBe(16);
  expect(plan({}).thicknessMm).toBeUndefined();
  expect(plan({ place: at, face: 'front' }).thicknessMm).toBe(80);
  expect(plan({ place: at, question: { ...BLANK_FORM, callout: 'ø6 THRU', thickness: '9' } }).thicknessMm).toBe(9);
  expect(plan({ place: at }).material.id).toBe('aluminium-wrought-6000');
});

test('the far edge: of a plate its furthest corner, of a disc across its centre; by the datum chosen', () => {
  expect(farEdgeMm(USUAL_PART, 'top', at)).toBeCloseTo(Math.hypot(90, 60), 9);
  const fromRight: Part = { ...USUAL_PART, datums: { top: { x: 'right', y: 'bottom' } } };
  expect(farEdgeMm(fromRight, 'top', { kind: 'point', x: 90, y: 20 })).toBeCloseTo(Math.hypot(90, 60), 9);
  const disc: Part = { ...USUAL_PART, stock: { shape: 'disc', diameterMm: 100, thicknessMm: 5 } };
  expect(farEdgeMm(disc, 'top', { kind: 'point', x: 30, y: 40 })).toBeCloseTo(100, 9);
  expect(farEdgeMm(USUAL_PART, 'top', { kind: 'offset', of: 'x', dx: 1, dy: 1 })).toBeUndefined();
  expect(farEdgeMm(USUAL_PART, 'top', undefined)).toBeUndefined();
});

test('a lathe drills on its axis only; a round side is centred and slid off', () => {
  const bar: Part = { ...USUAL_PART, stock: { shape: 'bar', diameterMm: 30, lengthMm: 90 } };
  const lathe: Machine = {
    id: 'lathe',
    name: 'lathe',
    kind: 'lathe',
    speeds: { kind: 'range', minRpm: 45, maxRpm: 2000 },
    reversible: true,
    tappingHead: false,
    coastRevolutions: 1,
    coastAtRpm: 45,
    chuckMm: 13,
  };
  const codes = (place: Place | undefined, face: JobFeature['face'], part = bar): string[] => {
    const r = planInJob(
      { question: { ...BLANK_FORM, callout: 'M5 x 8 DEEP', machine: 'lathe' }, face, place },
      { materialId: 'steel-low-carbon', quantity: 1, part },
      { ...shop, machines: [lathe] },
    );
    if (!r.ok) throw new Error(r.problems.map((p) => tell(p, 'mm')).join(' '));
    return r.value.operations[0].cautions.map((c) => `${c.level} ${c.code}`);
  };
  expect(codes({ kind: 'point', x: 0, y: 0 }, 'top')).toEqual([]);
  expect(codes({ kind: 'point', x: 8, y: 0 }, 'top')).toEqual(['stop off-axis']);
  expect(codes({ kind: 'point', x: 40, y: 15 }, 'side')).toEqual(['stop off-axis', 'note round-side']);
  expect(codes(at, 'top', USUAL_PART)).toEqual(['stop off-axis']);
  expect(codes(undefined, 'top')).toEqual([]);
  expect(
    plan({ place: { kind: 'point', x: 40, y: 15 }, face: 'side' }, 'ø6 x 9 DEEP', bar).operations[0].order.text,
  ).toContain('V-blocks');
});

test('10 across in 24 down: tilt 22.62 degrees, 26 mm along the hole, and a slope to start on', () => {
  const part: Part = { ...USUAL_PART, stock: { shape: 'plate', widthMm: 120, heightMm: 80, thicknessMm: 24 } };
  const p = plan({ place: at, exit: { dx: 6, dy: 8 } }, 'ø6 THRU', part);
  expect(p.thicknessMm).toBeCloseTo(26, 9);
  const tilt = p.operations.find((op) => op.key === 'tilt');
  expect(tilt && tell(tilt.order, 'mm')).toContain('Tilt the vise 22.62°');
  expect(tilt?.cautions.map((c) => c.code)).toEqual(['slope']);
  expect(plan({ place: at, exit: { dx: 0, dy: 0 } }, 'ø6 THRU', part).operations.map((op) => op.key)).not.toContain(
    'tilt',
  );
});
