import type { Learned } from '../answer/estimate';
import type { Operation } from '../operation/operation';
import type { TappingWay } from '../tapping/ways-of-tapping';
import { planned, shop } from '../tests/bench-shop';
import { tell } from '../units/show';
import type { HolePlan, ThreadPart } from './hole-plan';

const M8 = { callout: 'M8 x 16 DEEP', thickness: '25', start: 'punch' } as const;
const learnedOf = (learned: Learned | undefined, drill = '6.9'): HolePlan =>
  planned({ ...M8, drill }, { at: { ...shop, learned } });
const METAL = 'steel-low-carbon';
const threadOf = ({ thread }: HolePlan): ThreadPart => thread as ThreadPart;
const hole = (p: HolePlan) => threadOf(p).tapDrill.hole;

test('a hole is expected as this shop measured it: by kind and metal, then by the start, then by the very drill', () => {
  const typical = learnedOf(undefined);
  const kind = `hss|to 10|${METAL}`;
  const measured = { mean: 0.2, sigma: 0.02, n: 9 };
  expect(hole(learnedOf({ oversize: { [kind]: measured } }))).toMatchObject({
    value: expect.closeTo(7.1, 9),
    sigma: 0.02,
    n: 9,
  });
  const closer = learnedOf({ oversize: { [kind]: measured, [`${kind}|punch`]: { mean: 0.05, sigma: 0.01, n: 4 } } });
  expect([hole(closer).sigma, hole(closer).n]).toEqual([0.01, 4]);
  const ofDrill = learnedOf({ oversize: { [`${kind}|punch`]: measured, 'drill 6.9 mm ': { ...measured, mean: 0 } } });
  expect(hole(ofDrill).value).toBe(6.9);
  expect(hole(ofDrill).working.source.name).toBe('measured in this shop');
  // Of another metal, or another start, nothing was measured.
  for (const other of ['hss|to 10|brass', `${kind}|spot`])
    expect(hole(learnedOf({ oversize: { [other]: measured } }))).toEqual(hole(typical));
});

test('what was learned reaches every figure: torque of the tap, its drill, lean, time, turns and coasting', () => {
  const typical = learnedOf(undefined, '');
  const wide = learnedOf({ oversize: { [`hss|to 10|${METAL}`]: { mean: 0.3, sigma: 0.02, n: 20 } } }, '');
  const usedMm = (p: HolePlan) => threadOf(p).tapDrill.used.drill.diameterMm;
  // 17/64 is used; at 0.3 over it would come out at 7.05, over the class, which ends at 6.912: a smaller one is.
  expect(usedMm(typical)).toBeCloseTo(6.747, 3);
  expect(usedMm(wide)).toBeLessThanOrEqual(6.6);
  const way = (p: HolePlan, id: string) => threadOf(p).tapping.ways.find((w) => w.id === id) as TappingWay;
  const slow = learnedOf(
    {
      lean: { 'hand-free': { mean: 0.4, sigma: 0.1, n: 6 } },
      seconds: { 'tap|hand-free': { mean: 2, sigma: 0.2, n: 5 }, drill: { mean: 1.5, sigma: 0.3, n: 7 } },
      turns: { straight: { mean: 1.1, sigma: 0.02, n: 8 } },
      coast: { press: { mean: 0.5, sigma: 0.1, n: 3 } },
    },
    '',
  );
  const [was, is] = [way(typical, 'hand-free'), way(slow, 'hand-free')];
  expect([was.leanDeg, is.leanDeg]).toEqual([1.5, 0.4]);
  expect(is.turns.value / was.turns.value).toBeCloseTo(1.1, 9);
  expect(is.secondsAll / was.secondsAll).toBeGreaterThan(2);
  const drilling = (p: HolePlan) => (p.operations.find((o) => o.key === 'drill') as Operation).time;
  expect(drilling(slow).value / drilling(typical).value).toBeCloseTo(1.5, 9);
  expect(tell({ text: drilling(slow).working.formula }, 'mm')).toBe('usual × what this shop takes of it');
  const [coasted, coasts] = [way(typical, 'power-start'), way(slow, 'power-start')];
  expect(coasts.stopping?.turnsNeeded).toBeLessThan(coasted.stopping?.turnsNeeded ?? 0);
});
