import type { Learned, LearnedLevel } from '../answer/estimate';
import type { Operation } from '../operation/operation';
import type { TappingWay } from '../tapping/ways-of-tapping';
import { planned, shop } from '../tests/bench-shop';
import { WAY_FACTS } from '../tapping/ways';
import { tell } from '../units/show';
import type { HolePlan, ThreadPart } from './hole-plan';

const level = (mean: number, sigma: number, n: number): LearnedLevel => ({
  mean,
  sigma,
  n,
  own: mean,
  range: [mean - 2 * sigma, mean + 2 * sigma],
});
const M8 = { callout: 'M8 x 16 DEEP', thickness: '25', start: 'punch' } as const;
const learnedOf = (learned: Learned | undefined, drill = '6.9'): HolePlan =>
  planned({ ...M8, drill }, { at: { ...shop, learned } });
const METAL = 'steel-low-carbon';
const threadOf = ({ thread }: HolePlan): ThreadPart => thread as ThreadPart;
const hole = (p: HolePlan) => threadOf(p).tapDrill.hole;

test('a hole is expected as this shop measured it: by kind and metal, then by the start, then by the very drill', () => {
  const typical = learnedOf(undefined);
  const { value, sigma } = hole(typical);
  const kind = `hss|to 10|${METAL}`;
  const of = (levels: Record<string, LearnedLevel>) => hole(learnedOf({ oversize: levels }));
  // Two typical sigmas larger, scattered by half.
  const wide = of({ [kind]: level(2, 0.5, 9) });
  expect(wide).toMatchObject({
    value: expect.closeTo(value + 2 * sigma, 9),
    sigma: expect.closeTo(sigma / 2, 9),
    n: 9,
  });
  const started = of({ [kind]: level(2, 1, 9), [`${kind}|punch`]: level(1, 0.4, 4) });
  expect([started.value, started.n]).toEqual([expect.closeTo(value + sigma, 9), 4]);
  const ofDrill = of({ [`${kind}|punch`]: level(2, 1, 9), 'drill 6.9 mm': level(-1, 1, 3) });
  expect(ofDrill.value).toBeCloseTo(value - sigma, 9);
  expect(ofDrill.working.source.name).toBe('measured in this shop');
  expect(of({ 'drill 6.9 mm': level(-1, 1, 3), [`${kind}|punch|drill 6.9 mm`]: level(3, 1, 2) }).n).toBe(2);
  // Of another metal, or another start, nothing was measured.
  for (const other of ['hss|to 10|brass', `${kind}|spot`])
    expect(of({ [other]: level(2, 1, 9) })).toEqual(hole(typical));
});

test('what was learned reaches every figure: torque of the tap, its drill, lean, time, turns and coasting', () => {
  const typical = learnedOf(undefined, '');
  const wide = learnedOf({ oversize: { [`hss|to 10|${METAL}`]: level(5, 0.5, 20) } }, '');
  const usedMm = (p: HolePlan) => threadOf(p).tapDrill.used.drill.diameterMm;
  // 17/64 is used; five sigmas over it would come out at 7.04, over the class, which ends at 6.912: a smaller one is.
  expect(usedMm(typical)).toBeCloseTo(6.747, 3);
  expect(usedMm(wide)).toBeLessThanOrEqual(6.6);
  const way = (p: HolePlan, id: string) => threadOf(p).tapping.ways.find((w) => w.id === id) as TappingWay;
  const slow = learnedOf(
    {
      lean: { 'hand-free': level(-1, 0.5, 6) },
      // Ratios by their logarithms: twice and half again the usual time, 1.1 times the turns, 1.4 times the torque.
      seconds: { 'tap|hand-free': level(Math.log(2) / 0.3, 0.5, 5), drill: level(Math.log(1.5) / 0.3, 0.5, 7) },
      turns: { straight: level(Math.log(1.1) / 0.05, 0.5, 8) },
      coast: { press: level(-3, 0.5, 3) },
      torque: { [METAL]: level(Math.log(1.4) / 0.15, 0.5, 5) },
    },
    '',
  );
  const [was, is] = [way(typical, 'hand-free'), way(slow, 'hand-free')];
  expect(is.leanDeg).toBeCloseTo(was.leanDeg - WAY_FACTS['hand-free'].leanSigmaDeg, 9);
  expect((is.load?.torque.value ?? 0) / (was.load?.torque.value ?? 1)).toBeCloseTo(1.4, 9);
  expect(is.turns.value / was.turns.value).toBeCloseTo(1.1, 9);
  expect(is.secondsAll / was.secondsAll).toBeGreaterThan(2);
  const drilling = (p: HolePlan) => (p.operations.find((o) => o.key === 'drill') as Operation).time;
  expect(drilling(slow).value / drilling(typical).value).toBeCloseTo(1.5, 9);
  expect(tell({ text: drilling(slow).working.formula }, 'mm')).toBe('usual × what this shop takes of it');
  const [coasted, coasts] = [way(typical, 'power-start'), way(slow, 'power-start')];
  expect(coasts.stopping?.turnsNeeded).toBeLessThan(coasted.stopping?.turnsNeeded ?? 0);
});
