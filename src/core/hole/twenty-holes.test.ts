import fc from 'fast-check';
import type { AskForm } from './form';
import { MATERIALS } from '../materials/materials';
import { codesOf, planned } from '../tests/bench-shop';
import { TAPS, tapShop } from '../tests/bench-taps';
import type { OwnTap } from '../tapping/own-tap';
import { wearOf } from '../tapping/own-tap';
import { LEVELS } from '../tapping/tap-strength';

/** As a good machinist would tap it with what hangs in this crib: the taps in order, and what turns them. */
type Expected = readonly [callout: string, over: Partial<AskForm>, taps: string, way: string];

const SPIRAL_POINT = 'spiral-point (gun) tap 4';
const SPIRAL_FLUTE = 'spiral-flute tap 2.5';
const HOLES: readonly Expected[] = [
  ['M6 THRU', { thickness: '12' }, SPIRAL_POINT, 'hand-guided'],
  ['M4 THRU', { thickness: '6', material: 'stainless-austenitic' }, SPIRAL_POINT, 'hand-guided'],
  ['4x M5 x 10 DEEP', { thickness: '25', material: 'aluminium-wrought-6000' }, SPIRAL_FLUTE, 'hand-guided'],
  ['M8 x 16 DEEP', { thickness: '40' }, 'plug 4', 'hand-guided'],
  ['M8 x 16 DEEP', { thickness: '24' }, 'plug 4 + bottoming 2', 'hand-guided'],
  ['M10 x 15 DEEP', { thickness: '40', material: 'stainless-austenitic' }, 'taper 8 + plug 4', 'hand-guided'],
  ['M12 THRU', { thickness: '18', material: 'iron-grey' }, 'taper 8', 'hand-guided'],
  [
    '6x M5 x 10 DEEP',
    { thickness: '25', material: 'aluminium-wrought-6000', parts: '4', machine: 'mill' },
    'forming tap 2.5',
    'reversing-spindle',
  ],
  [
    '6x M5 x 10 DEEP',
    { thickness: '25', material: 'brass-free-cutting', parts: '4', machine: 'mill' },
    'plug 4',
    'reversing-spindle',
  ],
  ['M4 THRU', { thickness: '1.5' }, SPIRAL_POINT, 'hand-guided'],
  [
    'M16 x 24 DEEP',
    { thickness: '300', material: 'steel-alloy-annealed', parts: '36', machine: 'lathe' },
    `${SPIRAL_FLUTE} (to buy)`,
    'lathe',
  ],
  ['M20 THRU', { thickness: '30', machine: 'mill', drills: 'all-metric' }, 'taper 8 (to buy)', 'hand-guided'],
  ['M1.6 THRU', { thickness: '3', material: 'brass-free-cutting' }, 'taper 8 (to buy)', 'hand-guided'],
  ['1/4-20 THRU', { thickness: '3/8 in', material: 'aluminium-wrought-6000' }, 'taper 8', 'hand-guided'],
  ['2 BA x 8 DEEP', { thickness: '20', material: 'brass-free-cutting' }, 'plug 4', 'hand-guided'],
  ['1/8 NPT THRU', { thickness: '12' }, 'taper pipe tap 2.5 (to buy)', 'hand-guided'],
  ['M8 THRU', { thickness: '12', parts: '200', machine: 'head' }, SPIRAL_POINT, 'reversing-head'],
  ['M10x1 LH THRU', { thickness: '15' }, 'taper 8 (to buy)', 'hand-guided'],
  ['M10 x 20 DEEP', { thickness: '29' }, 'plug 4 + bottoming 2 (to buy)', 'hand-guided'],
  ['M10 x 15 DEEP', { thickness: '40', material: 'titanium-6al4v' }, 'taper 8 + plug 4', 'hand-guided'],
  ['M8 THRU', { thickness: '9', behind: '8' }, 'plug 4', 'hand-guided'],
  ['M12 THRU', { thickness: '20', machine: 'lathe' }, 'taper 8', 'lathe-hand'],
  ['M5 THRU', { thickness: '8', machine: '' }, SPIRAL_POINT, 'hand-block'],
  ['M2.5 THRU', { thickness: '4', material: 'brass-cartridge', parts: '12' }, 'forming tap 2.5', 'hand-guided'],
];

function tapped(callout: string, over: Partial<AskForm>, taps: readonly OwnTap[] = TAPS) {
  const plan = planned({ callout, drills: 'metric-1-13-by-0.1', ...over }, { at: tapShop(taps) });
  const best = plan.thread?.tapping.best;
  const names = best?.taps.map((t) => `${t.name} ${t.chamferThreads}${t.owned ? '' : ' (to buy)'}`).join(' + ');
  return { plan, best, line: `${names}, ${best?.id}` };
}

test.each(HOLES)('%s %j: %s, %s', (callout, over, taps, way) => {
  expect(tapped(callout, over).line).toBe(`${taps}, ${way}`);
});

test('what the crib lacks is named to buy; what is worn or broken says so; left hand is said in every step', () => {
  const { plan } = tapped('M10x1 LH THRU', { thickness: '15' });
  expect(codesOf(plan)).toContain('tap-to-buy');
  expect(plan.operations.filter((o) => o.tap).every((o) => o.details[0].text.includes('anticlockwise'))).toBe(true);
  const marked = (condition: OwnTap['condition']) =>
    TAPS.map((t) => (t.id === 'M8x1.25 plug' ? { ...t, condition } : t));
  const m8 = { thickness: '40' };
  expect(codesOf(tapped('M8 x 16 DEEP', { ...m8, taps: 'M8x1.25 plug' }, marked('worn')).plan)).toContain('tap-worn');
  expect(codesOf(tapped('M8 x 16 DEEP', { ...m8, taps: 'M8x1.25 plug' }, marked('broken')).plan)).toContain(
    'taps-unknown',
  );
  expect(codesOf(tapped('M8 x 16 DEEP', { thickness: '24', taps: 'M8x1.25 plug' }).plan)).toContain('taps-impossible');
  expect(codesOf(tapped('M24 THRU', { thickness: '30', drills: 'all-metric' }).plan)).toContain('wrench-to-buy');
  const carbide = TAPS.map((t) => ({ ...t, steel: 'carbide' as const }));
  const asked = { thickness: '12', taps: 'M8x1.25 taper', way: 'hand-guided' as const };
  expect(tapped('M8 THRU', asked, carbide).line).toMatch(/to buy/);
});

test('taps and room as the user takes them; forming and cutting stand beside each other', () => {
  const deep = { thickness: '40', taps: 'M8x1.25 taper,M8x1.25 bottoming' };
  expect(tapped('M8 x 16 DEEP', deep).line).toBe('taper 8 + bottoming 2, hand-guided');
  const flat = tapped('M8 x 16 DEEP', { thickness: '40', room: 'flat' }).plan;
  // 16 of thread, 2 threads of chamfer and one pitch of room: 19.75 and no tip.
  expect([flat.thread?.room?.totalMm, flat.operations.some((o) => o.key === 'flatten')]).toEqual([19.75, true]);
  const batch = { thickness: '25', material: 'aluminium-wrought-6000', parts: '4', machine: 'mill' };
  const { plan } = tapped('6x M5 x 10 DEEP', batch);
  expect([plan.thread?.kind, plan.thread?.other?.kind, plan.thread?.other?.drill.label]).toEqual([
    'form',
    'cut',
    '4.2',
  ]);
  expect(tapped('6x M5 x 10 DEEP', { ...batch, taps: 'M5x0.8 plug' }).plan.thread?.kind).toBe('cut');
});

describe('what holds for every tapped hole', () => {
  const holes = fc.record({
    callout: fc.constantFrom('M5 THRU', 'M5 x 10 DEEP', 'M8 x 12 DEEP', 'M2.5 THRU', 'M10 x 14 DEEP', '1/4-20 THRU'),
    thickness: fc.constantFrom('12', '20', '27', '40'),
    material: fc.constantFrom(...MATERIALS.map((m) => m.id)),
    machine: fc.constantFrom('press', 'mill', 'lathe', 'head', ''),
    parts: fc.constantFrom('1', '30'),
  });
  const best = (over: Partial<AskForm>, taps: readonly OwnTap[]) => {
    try {
      return tapped(over.callout ?? '', { ...over, drills: 'all' }, taps).plan.thread;
    } catch {
      return undefined;
    }
  };

  test('another tap in the crib never makes the best plan worse, and nothing is formed that may not be', () => {
    fc.assert(
      fc.property(holes, fc.subarray([...TAPS]), fc.constantFrom(...TAPS), (hole, few, more) => {
        const [before, after] = [best(hole, few), best(hole, [...few, more])];
        if (before) expect(after?.tapping.best.cost.total).toBeLessThanOrEqual(before.tapping.best.cost.total + 1e-9);
        if (after?.kind === 'form') expect(after.forming.verdict.allowed).toBe(true);
      }),
      { numRuns: 60 },
    );
  });

  test('a duller tap never lowers the risk; a deeper thread never takes fewer turns', () => {
    const taps = (holesDone: number) => TAPS.map((t) => ({ ...t, holesDone }));
    fc.assert(
      fc.property(holes, fc.nat(600), fc.nat(600), (hole, a, b) => {
        const [few, many] = [Math.min(a, b), Math.max(a, b)];
        expect(wearOf({ condition: 'sharp', steel: 'hss', holesDone: many })).toBeGreaterThanOrEqual(
          wearOf({ condition: 'sharp', steel: 'hss', holesDone: few }),
        );
        const asked = best(hole, taps(few))?.tapping.best;
        if (!asked?.load) return;
        const same = { ...hole, taps: asked.sequenceKey, way: asked.id };
        const duller = best(same, taps(many))?.tapping.best;
        if (duller?.load && duller.sequenceKey === asked.sequenceKey)
          expect(LEVELS.indexOf(duller.load.level)).toBeGreaterThanOrEqual(LEVELS.indexOf(asked.load.level));
        const deeper = best({ ...same, callout: hole.callout.replace(/1(\d) DEEP/, '13 DEEP'), thickness: '40' }, TAPS);
        if (deeper && hole.callout.includes('10 DEEP'))
          expect(deeper.tapping.best.turns.value).toBeGreaterThanOrEqual(asked.turns.value);
      }),
      { numRuns: 60 },
    );
  });
});
