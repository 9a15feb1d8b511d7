import { findDrill } from '../hole/find-drill';
import { ALL_DRILLS } from '../drills/drill';
import { expectedHoleMm } from '../drills/expected-hole';
import { material } from '../tests/bench-shop';
import { readCallout } from '../threads/read-callout';
import { TAP_LEVELS } from '../tests/tap-levels.table';
import { usualFlutes } from './tap';
import { tapLoad } from './tap-load';
import { causeOf, riskLevel } from './tap-risk';
import type { TappingConditions } from './tapping-torque';

type Row = readonly [string, string, string, string, number, string, string, string, string];
const pool = { id: 'all', label: 'all', drills: [...ALL_DRILLS] };
function conditionsOf([name, metal, kind, tap, depthD, condition, drill]: Row): TappingConditions {
  const read = readCallout(name);
  const [feature] = read.ok ? read.value.features : [];
  const thread = feature?.kind === 'thread' ? feature.thread : undefined;
  const found = findDrill(drill, pool);
  if (!thread) throw new Error(name);
  const m = material(metal);
  const hole = /\(hole ([\d.]+)\)/.exec(drill)?.[1];
  const minorMm = hole
    ? Number(hole)
    : found
      ? expectedHoleMm({ drill: found, start: 'centre-drill', material: m }).mean
      : NaN;
  const depthMm = depthD * thread.majorMm;
  const geometry = tap.startsWith('spiral point') ? 'spiral-point' : 'straight';
  return {
    thread,
    material: m,
    minorMm,
    depthMm,
    through: kind === 'through',
    thicknessMm: kind === 'through' ? depthMm : undefined,
    reversing: geometry === 'straight',
    tap: {
      geometry,
      name: tap,
      chamferThreads: Number(/\d+$/.exec(tap)?.[0]),
      flutes: usualFlutes(geometry, thread.majorMm),
      wear: condition.startsWith('worn') ? 1.6 : 1,
    },
    fluid: condition === 'dry' ? 'dry' : 'right',
    byHand: true,
  };
}

describe('how close a tap is to breaking', () => {
  test('nineteen of twenty holes stand where an experienced machinist puts them', () => {
    const wrong = TAP_LEVELS.filter((row) => {
      const { level } = tapLoad(conditionsOf(row));
      return level !== row[7] && level !== row[8];
    });
    expect(TAP_LEVELS.length).toBeGreaterThan(75);
    expect(wrong.length).toBeLessThanOrEqual(0.05 * TAP_LEVELS.length);
  });

  const m6 = conditionsOf(['M6', 'steel-low-carbon', 'through', 'hand taper 8', 1.5, '', '5.0', '', '']);
  const inMetal = (id: string, callout: string, drill: string, over: Partial<TappingConditions> = {}) =>
    tapLoad({ ...conditionsOf([callout, id, 'through', 'hand taper 8', 1.5, '', drill, '', '']), ...over }).level;

  test('size and metal set the best that it can be called; freehand to M3 is one worse', () => {
    expect([inMetal('stainless-austenitic', 'M12', '10.3'), inMetal('stainless-austenitic', 'M16', '14.0')]).toEqual([
      'careful',
      'calm',
    ]);
    expect([inMetal('titanium-6al4v', 'M2.5', '2.1'), inMetal('nickel-alloy', 'M8', '7.0')]).toEqual(['warn', 'warn']);
    expect([inMetal('iron-grey', 'M2', '1.7'), inMetal('brass-free-cutting', 'M2', '1.7')]).toEqual([
      'careful',
      'calm',
    ]);
    const free = { freehand: true };
    expect([
      inMetal('brass-free-cutting', 'M3', '2.5', free),
      inMetal('brass-free-cutting', 'M4', '3.3', free),
    ]).toEqual(['careful', 'calm']);
    expect([riskLevel(m6, 3, 46), riskLevel(m6, 3, 45), riskLevel({ ...m6, byHand: false }, 3, 46)]).toEqual([
      'careful',
      'calm',
      'calm',
    ]);
    expect([1.85, 1.84, 1.3, 1.29, 0.9, 0.89].map((s) => riskLevel(m6, s, 1))).toEqual([
      'calm',
      'careful',
      'careful',
      'warn',
      'warn',
      'stop',
    ]);
  });

  test('the cause that is named is the one that loads it most', () => {
    const cause = (over: Partial<TappingConditions>) => causeOf({ ...m6, ...over });
    expect([
      cause({}),
      cause({ fluid: 'dry' }),
      cause({ tap: { ...m6.tap, wear: 1.4 } }),
      cause({ minorMm: 4.8 }),
      cause({ depthMm: 24, material: material('stainless-austenitic') }),
      cause({ fluid: 'poor', tap: { ...m6.tap, wear: 1.3 } }),
    ]).toEqual(['metal', 'dry', 'worn', 'small-hole', 'deep', 'worn']);
  });
});
