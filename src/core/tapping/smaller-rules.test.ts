import { machineOf, material } from '../tests/bench-shop';
import { THREADS } from '../threads/standards';
import { tell } from '../units/show';
import { clutchSetting } from './clutch-setting';
import type { LoadFigures } from './tap-load';
import { usualOwnTap } from './own-tap';
import { expectedCoast } from './stopping-room';
import { substitutesFor } from './substitutes';
import { tapSurface } from './tools-for-metal';
import { turnStrip } from './turn-strip';
import type { TapUse } from './turning';
import type { WayOfTapping } from './way-of-tapping';

const thread = (name: string) => THREADS.find((t) => t.designation === name) as (typeof THREADS)[number];
const m8 = thread('M8x1.25');

test('the clutch: 1.3 of the torque, at least what the head allows, at most 0.6 of what the tap holds', () => {
  const set = (torqueNm: number, breakingNm: number, fromNm?: number) =>
    clutchSetting({ torqueNm, breakingNm } as LoadFigures, fromNm === undefined ? undefined : { fromNm }).value;
  expect([set(2, 10), set(2, 3), set(2, 10, 4), set(2, 5, 4)].map((nm) => +nm.toFixed(6))).toEqual([2.6, 1.8, 4, 3]);
});

test('what another thread would mean in the hole: so much of it left, too small a hole, or too large', () => {
  const said = (name: string) =>
    substitutesFor(m8, [usualOwnTap(name, thread(name), 'plug')])[0]?.meaning.map((m) => tell(m, 'mm'));
  // Hole for 75 % of M8: 6.782. 5/16-18: (7.9375 − 6.782) ÷ (1.299 × 1.4111) = 63 %.
  expect(said('5/16-18 UNC')).toEqual([
    '−0.8 % on the diameter and +12.9 % on the pitch: another screw.',
    'In a hole drilled for M8x1.25 it leaves 63 % of thread.',
  ]);
  expect(said('3/8-24 UNF')?.[1]).toBe('A hole drilled for M8x1.25 is too small for it: drill larger.');
  expect(said('1/4-20 UNC')?.[1]).toBe('A hole drilled for M8x1.25 is too large for it.');
  // 2 × 25 % on the diameter and 20 % on the pitch are over the 60 that are near.
  expect(said('M6x1')).toBeUndefined();
});

test('a spindle that must run on far is switched off early, at the earliest at once; a range shows its ends and middle', () => {
  const use = {
    tap: { ...usualOwnTap('plug', m8, 'plug'), reachMm: 35 },
    turns: { value: 16 },
    biteTurns: 0,
    tipMm: 20,
  } as unknown as TapUse;
  const at = (turnsNeeded: number) =>
    turnStrip(
      { id: 'reversing-spindle', rpm: 100, depth: { chipRoomMm: 6.25 }, stopping: { turnsNeeded } } as WayOfTapping,
      use,
      m8,
      material('steel-low-carbon'),
      machineOf('mill', 'mill', { minRpm: 100, maxRpm: 500 }),
    );
  // Five turns of room under 16; of the turns left seven tenths are used.
  expect([at(7).power?.switchOff, at(700).power?.switchOff]).toEqual([expect.closeTo(16 + 5 - 10, 9), 0]);
  expect(at(7).power?.speeds.map((s) => s.rpm)).toEqual([100, 300, 500]);
  expect([at(7).reversals, at(7).hardStop]).toEqual([[], 21]);
});

test('coasting: as it was typed until it was counted; a spread of 15 %', () => {
  expect(expectedCoast(machineOf('mill', 'mill', [65], { coastRevolutions: 2, coastAtRpm: 65 }))).toEqual({
    revolutions: 2,
    atRpm: 65,
  });
});

test('surface of a tap: what wears it, what sticks to it', () => {
  const mild = material('steel-low-carbon');
  const of = (over: object) => tapSurface({ ...mild, ...over });
  expect([of({}), of({ hardnessHb: 300 }), of({ group: 'nickel' }), of({ group: 'stainless' })]).toEqual([
    'steam-oxide',
    'coated against wear',
    'coated against wear',
    'steam-oxide',
  ]);
  expect([of({ group: 'plastic' }), of({ group: 'copper-alloy' })]).toEqual(['nitrided', 'bright']);
});
