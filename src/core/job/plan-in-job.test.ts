import { mainCut } from '../hole/hole-plan';
import { BLANK_FORM, type AskForm } from '../hole/form';
import { farEdgeMm } from '../layout/far-edge';
import { boresOf, checkBores } from '../layout/bores';
import { layOutFace, type LaidFeature } from '../layout/lay-out';
import { USUAL_PART, type Part } from '../layout/part';
import type { Place } from '../layout/place';
import type { Shop } from '../shop/shop';
import { machineOf, METRIC_INDEX, shop as plainShop } from '../tests/bench-shop';
import { tell } from '../units/show';
import { equalFeatures } from './equal-features';
import { plannerFor, questionInJob, type JobFeature } from './plan-in-job';

const shop: Shop = { ...plainShop, machines: [], pools: [{ ...METRIC_INDEX, id: 'crib' }] };
const at: Place = { kind: 'point', x: 30, y: 20 };
function plan(feature: Partial<JobFeature>, callout = 'ø6 THRU', part: Part = USUAL_PART) {
  const result = plannerFor(shop).plan(
    { question: { ...BLANK_FORM, callout }, face: 'top', ...feature },
    { materialId: 'aluminium-wrought-6000', quantity: 3, part },
  );
  if (!result.ok) throw new Error(result.problems.map((p) => tell(p, 'mm')).join(' '));
  return result.value;
}

test('the part gives thickness and lever once the feature has a place; what is typed goes before', () => {
  expect(plan({ place: at }).hole.thicknessMm).toBe(16);
  expect(plan({}).hole.thicknessMm).toBeUndefined();
  expect(plan({ place: at, face: 'front' }).hole.thicknessMm).toBe(80);
  expect(plan({ place: at, question: { ...BLANK_FORM, callout: 'ø6 THRU', thickness: '9' } }).hole.thicknessMm).toBe(9);
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
  const lathe = machineOf('lathe', 'lathe', { minRpm: 45, maxRpm: 2000 });
  const codes = (place: Place | undefined, face: JobFeature['face'], part = bar): string[] => {
    const r = plannerFor({ ...shop, machines: [lathe] }).plan(
      { question: { ...BLANK_FORM, callout: 'M5 x 8 DEEP', machine: 'lathe' }, face, place },
      { materialId: 'steel-low-carbon', quantity: 1, part },
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
  expect(p.hole.thicknessMm).toBeCloseTo(26, 9);
  const tilt = p.operations.find((op) => op.key === 'tilt');
  expect(tilt && tell(tilt.order, 'mm')).toContain('tilt it 22.62°');
  expect(tilt?.cautions.map((c) => c.code)).toEqual(['slope']);
  expect(plan({ place: at, exit: { dx: 0, dy: 0 } }, 'ø6 THRU', part).operations.map((op) => op.key)).not.toContain(
    'tilt',
  );
});

describe('what the plate is told of each hole', () => {
  const part: Part = { ...USUAL_PART, stock: { shape: 'plate', widthMm: 120, heightMm: 80, thicknessMm: 25 } };
  const job = { materialId: 'steel-low-carbon', quantity: 1, part };
  const feature = (callout: string, over: Partial<JobFeature> = {}, question: Partial<AskForm> = {}): JobFeature => ({
    question: { ...BLANK_FORM, callout, ...question },
    face: 'top',
    place: at,
    ...over,
  });
  const planner = plannerFor(shop);
  const bored = (callout: string, question: Partial<AskForm> = {}) => {
    const made = planner.made(feature(callout, {}, question), job);
    return made.ok ? made.value : made.problems.map((p) => p.code);
  };

  test('as deep as it is drilled: the bores of a face and the plan of the hole are one', () => {
    // 16 + 2 × 1.25 + 1.25 and the tip of 6.8: 21.79.
    expect(bored('M8 x 16 DEEP')).toEqual({ boredMm: expect.closeTo(21.793, 3), through: false, threadEndMm: 16 });
    expect(bored('M8 THRU')).toEqual({ boredMm: 25, through: true, threadEndMm: 25 });
    expect(bored('ø9 x 12 DEEP')).toEqual({ boredMm: expect.closeTo(12 + 2.704, 3), through: false });
    expect(bored('M10 x 12 DEEP', { existing: 'thread' })).toEqual({ boredMm: 12, through: false, threadEndMm: 12 });
  });

  test('a hole that cannot be made says so on the face, and is no bore', () => {
    expect(bored('M8 x 24 DEEP')).toEqual(['wall-zero']);
    const laid = ['3/8-16 UNC x 8 mm DEEP', 'M5 THRU', 'M99'].map((callout, i): LaidFeature => {
      const f = feature(callout, { place: { kind: 'point', x: 20 + 30 * i, y: 20 } });
      return { ...f, id: `f${i}`, name: '', callout, place: f.place, made: planner.made(f, { ...job, part: thin }) };
    });
    const face = layOutFace(thin, 'top', laid);
    expect(face.problems.map((p) => `${p.code}@${p.field}`)).toEqual(['wall-zero@f0', 'size@f2']);
    expect(face.holes.map((h) => h.impossible)).toEqual([true, false, true]);
    expect(boresOf(thin, laid).map((b) => b.featureId)).toEqual(['f1']);
    expect(checkBores(boresOf(thin, laid), () => false).count).toBe(0);
  });
  const thin: Part = { ...USUAL_PART, stock: { shape: 'plate', widthMm: 120, heightMm: 80, thicknessMm: 12 } };

  test('equal questions are planned once; a lever of its own gives a plan of its own and the same bore', () => {
    const one = planner.plan(feature('M6 THRU'), job);
    expect(planner.plan(feature('M6 THRU'), job)).toBe(one);
    const other = planner.plan(feature('M6 THRU', { place: { kind: 'point', x: 60, y: 20 } }), job);
    const force = (r: typeof one) => (r.ok ? (mainCut(r.value)?.grab?.force.value ?? 0) : 0);
    expect(force(other) / force(one)).toBeCloseTo(Math.hypot(90, 60) / Math.hypot(60, 60), 9);
    expect(planner.plan(feature('M6 THRU'), { ...job, materialId: 'copper' })).not.toBe(one);
  });

  test('a job rules its holes; features alike but for place and count are one group', () => {
    expect(questionInJob(BLANK_FORM, { materialId: 'copper', quantity: 4 })).toMatchObject({
      material: 'copper',
      parts: '4',
    });
    const groups = equalFeatures([
      feature('2x M8 THRU'),
      feature('ø9 THRU'),
      feature('M8x1.25 THRU', { place: { kind: 'point', x: 1, y: 1 } }),
      feature('M8 THRU', {}, { dry: true }),
      feature('ø8 H7 REAM THRU'),
      feature('ø9 THRU CSK 18'),
      feature('ø9 THRU CBORE ø15'),
      feature('cheese'),
    ]);
    expect(groups.map((g) => `${g.kind} ${g.count} in ${g.features.length}`)).toEqual([
      'tapped 3 in 2',
      'plain 1 in 1',
      'tapped 1 in 1',
      'reamed 1 in 1',
      'countersunk 1 in 1',
      'counterbored 1 in 1',
      'unread 1 in 1',
    ]);
    expect(groups[0].callout).toBe('M8x1.25 THRU');
  });
});
