import type { Answer } from '../answer/answer';
import type { Material } from '../materials/material';
import { MATERIALS } from '../materials/materials';
import { THREADS } from '../threads/standards';
import type { Thread } from '../threads/thread';
import { inputsOf } from '../tests/inputs-of';
import { blindDepth, spiralPointChipRoom, thinWallMm, wallLeft } from './blind-depth';
import {
  expectedMinor,
  formingHole,
  formingHoleForMinor,
  formingPercent,
  formingTarget,
  formingVerdict,
} from '../tap-drill/forming';
import { biteTurns, handTappingSeconds, machineTappingSeconds, taperTurns, totalTurns } from './rhythm';
import { highestTappingRpm, turnsToStop } from './stopping-room';
import { handTap, machineTap, usualFlutes, type Tap } from './tap';
import { breakingTorque } from './tap-strength';
import {
  gripFactor,
  packingFactor,
  rubFactor,
  tappingTorque,
  toothLoad,
  toothLoadLimit,
  type TappingConditions,
} from './tapping-torque';
import { tappingSpeed } from './tapping-speed';
import { tell } from '../units/show';
import { percentRange, reasonablePercent, targetOf } from '../tap-drill/target-percent';
import { tapLoad } from './tap-load';

const thread = (name: string): Thread => THREADS.find((t) => t.designation === name) as Thread;
const material = (id: string): Material => MATERIALS.find((m) => m.id === id) as Material;
const m8 = thread('M8x1.25');
const mild = material('steel-low-carbon');
const m8InMild = { thread: m8, material: mild };
const plug: Tap = { geometry: 'straight', chamferThreads: 4, flutes: 4, name: 'plug' };
const at = (over: Partial<TappingConditions>): TappingConditions => ({
  thread: m8,
  material: mild,
  tap: plug,
  minorMm: 6.8,
  depthMm: 8,
  through: true,
  reversing: true,
  ...over,
});

describe('torque to turn a tap, M8', () => {
  test.each([
    ['hole 6.8 in mild steel', {}, 4.31],
    ['hole 6.4, a full thread rubs', { minorMm: 6.4 }, 13.2],
    ['formed to a minor of 6.896', { minorMm: 6.896, tap: { ...plug, geometry: 'form' } }, 6.16],
    ['dry', { fluid: 'dry' }, 4.31 * 1.5],
    ['worn out', { tap: { ...plug, wear: 1.6 } }, 4.31 * 1.6],
    ['spiral point through', { tap: { ...plug, geometry: 'spiral-point' } }, 4.31 * 0.8],
    ['two diameters deep, chips packing', { depthMm: 16 }, 4.31 * 1.08],
    ['two diameters deep, not reversed', { depthMm: 16, reversing: false }, 4.31 * 1.16],
  ] as [string, Partial<TappingConditions>, number][])('%s', (_, over, nm) => {
    expect(tappingTorque(at(over)).value / nm).toBeCloseTo(1, 2);
  });

  test('a full thread takes about three times the torque of three quarters', () => {
    const ratio = tappingTorque(at({ minorMm: 6.376 })).value / tappingTorque(at({ minorMm: 6.782 })).value;
    expect(ratio).toBeGreaterThan(2.7);
    expect(ratio).toBeLessThan(3.5);
    expect([60, 75, 100].map(rubFactor)).toEqual([1, 1, 2.2]);
  });

  test('grip and packing by metal', () => {
    expect(
      [
        'titanium-6al4v',
        'nickel-alloy',
        'stainless-austenitic',
        'stainless-precipitation',
        'stainless-free-machining',
        'copper',
      ].map((id) => gripFactor(material(id))),
    ).toEqual([1.8, 1.6, 1.2, 1.2, 1, 1]);
    const deep = { depthMm: 16, material: material('stainless-austenitic') };
    expect(packingFactor(at(deep))).toBeCloseTo(1.15, 9);
    expect(packingFactor(at({ ...deep, tap: { ...plug, geometry: 'spiral-flute' } }))).toBeCloseTo(1 + 0.15 / 3, 9);
    expect(packingFactor(at({ ...deep, through: false, tap: { ...plug, geometry: 'spiral-point' } }))).toBe(1.5);
    expect(
      packingFactor(at({ ...deep, through: false, chipRoom: true, tap: { ...plug, geometry: 'spiral-point' } })),
    ).toBe(1);
  });

  test('tooth load: bottoming taps alone and thin plates carry it on few teeth', () => {
    expect(toothLoad(at({}))).toBeCloseTo(0.6 / 16, 9);
    expect(toothLoad(at({ tap: { ...plug, chamferThreads: 2 } }))).toBeCloseTo(0.6 / 8, 9);
    expect(toothLoad(at({ thicknessMm: 2.5 }))).toBeCloseTo(0.6 / 8, 9);
    expect([mild, material('stainless-austenitic'), material('steel-alloy-prehard')].map(toothLoadLimit)).toEqual([
      0.1, 0.06, 0.06,
    ]);
    const stainless = at({ material: material('stainless-austenitic'), tap: { ...plug, chamferThreads: 2 } });
    expect([tapLoad(stainless), tapLoad(at({}))].map((l) => l.cautions.map((c) => c.code))).toEqual([
      ['tooth-load'],
      [],
    ]);
  });
});

test.each([
  ['M8x1.25', 18.2],
  ['M3x0.5', 0.92],
  ['M12x1', 80.8],
  ['M12x1.75', 64.1],
])('a straight-flute %s tap breaks at about %d Nm', (name, nm) => {
  expect(breakingTorque(thread(name), { geometry: 'straight' }).value / nm).toBeCloseTo(1, 2);
  expect(breakingTorque(thread(name), { geometry: 'straight', steel: 'carbon' }).value / nm).toBeCloseTo(0.8, 2);
  expect(breakingTorque(thread(name), { geometry: 'form' }).value).toBeGreaterThan(
    breakingTorque(thread(name), { geometry: 'spiral-flute' }).value,
  );
});

describe('blind holes', () => {
  test('M8, 16 deep, plug of 4: 21.0 and 23.04 without chip room, one pitch more with it', () => {
    const d = blindDepth(m8, 16, plug, 6.8, 118);
    expect(d.fullDiameter.value).toBeCloseTo(21 + 1.25, 9);
    expect(d.total.value).toBeCloseTo(23.04 + 1.25, 2);
    const bottoming = blindDepth(m8, 16, { ...plug, chamferThreads: 2 }, 6.8, 118);
    expect(bottoming.fullDiameter.value).toBeCloseTo(18.5 + 1.25, 9);
    expect(bottoming.total.value).toBeCloseTo(20.54 + 1.25, 2);
    expect(inputsOf(d.fullDiameter)).toBe(
      'full thread 16 mm, chamfer threads of the last tap (plug) 4 count, pitch 1.25 mm, chip room, one pitch 1.25 mm',
    );
    expect(inputsOf(d.total)).toBe('full-diameter depth 22.25 mm, drill 6.8 mm, point angle 118 deg, tip 2.0429 mm');
    const below = blindDepth(thread('M6x1'), 10, { ...plug, geometry: 'spiral-point' }, 5, 118, 3);
    expect(inputsOf(below.fullDiameter)).toMatch(
      /^larger part above the thread 3 mm, .*chip room, four times the chips/,
    );
    const shown = [d, below].map(({ fullDiameter: { working: w } }) => [
      w.formula.startsWith('larger part + '),
      w.source.kind,
      w.assumptions.length,
    ]);
    expect(shown).toEqual([
      [false, 'trade rule', 0],
      [true, 'model', 1],
    ]);
    expect(d.fullDiameter.working.formula).toBe('full thread + chamfer threads × pitch + chip room');
    expect([wallLeft(25, 22).value, inputsOf(wallLeft(25, 22))]).toEqual([
      3,
      'thickness 25 mm, depth from touch 22 mm',
    ]);
  });

  test('a spiral point wants about 9.9 mm for its chips', () => {
    expect(spiralPointChipRoom(m8, 6.8, 16)).toBeCloseTo(9.9, 1);
    expect(blindDepth(m8, 16, { ...plug, geometry: 'spiral-point' }, 6.8, 118).chipRoomMm).toBeCloseTo(9.9, 1);
  });

  test('thin is under 1.5 mm or a fifth of the diameter', () => expect([4, 20].map(thinWallMm)).toEqual([1.5, 4]));
});

describe('forming', () => {
  test.each([
    ['M8x1.25', 7.4475],
    ['M6x1', 5.558],
    ['M5x0.8', 4.6464],
    ['1/4-20 UNC', 0.2279 * 25.4],
  ])('%s at 65 percent wants %d', (name, hole) => expect(formingHole(thread(name), 65)).toBeCloseTo(hole, 2));

  test('the finished minor and its inverse', () => {
    expect(expectedMinor(m8InMild, formingHole(m8, 68)).mean).toBeCloseTo(6.896, 3);
    expect(formingPercent(m8, 7.4)).toBeCloseTo(70.6, 1);
    expect(formingHoleForMinor(m8InMild, expectedMinor(m8InMild, 7.4).mean)).toBeCloseTo(7.4, 9);
  });

  test.each([
    // 55 % of stretch: the most, 0.04 of a pitch of 1.25 smaller; 14 %: 0.012 of it larger.
    ['stainless-austenitic', 6.896 - 0.05],
    ['aluminium-wrought-6000', 6.896 + 0.015],
  ])('the flow of %s moves the minor, and the drill with it', (id, minor) => {
    const formed = { thread: m8, material: material(id) };
    expect(expectedMinor(formed, formingHole(m8, 68)).mean).toBeCloseTo(minor, 3);
    expect(formingHoleForMinor(formed, minor)).toBeCloseTo(formingHole(m8, 68), 3);
    const [target] = formingTarget(formed, 6.8);
    expect(expectedMinor(formed, formingHole(m8, target)).mean).toBeCloseTo(6.8, 6);
  });

  test.each([
    ['aluminium-wrought-6000', 'good'],
    ['steel-free-machining', 'marginal'],
    ['iron-grey', 'forming-brittle'],
    ['brass-free-cutting', 'forming-brittle'],
    ['aluminium-cast-high-silicon', 'forming-brittle'],
    ['steel-alloy-prehard', 'forming-hard'],
  ])('%s: %s', (id, expected) => {
    const v = formingVerdict(m8, material(id));
    expect(v.allowed ? v.level : v.code).toBe(expected);
  });

  test('not for tapered, 55-degree or BA threads', () => {
    for (const name of ['1/8-27 NPT', 'G 1/4', '2 BA'])
      expect(formingVerdict(thread(name), material('copper')).allowed).toBe(false);
  });
});

describe('stopping room', () => {
  test('with a fixed coast: 60 (turns left − coast) ÷ 0.5', () => {
    expect(highestTappingRpm(3, { revolutions: 1.5 }).value).toBeCloseTo(180, 9);
    expect(highestTappingRpm(1, { revolutions: 1.5 }).value).toBe(0);
    expect(highestTappingRpm(0, { revolutions: 1.5, atRpm: 140 }).value).toBe(0);
    expect(highestTappingRpm(1, { revolutions: 0, atRpm: 140 }).value).toBeCloseTo(120, 9);
    expect(inputsOf(highestTappingRpm(3, { revolutions: 1.5, atRpm: 140 }))).toBe(
      'turns left 3 turns, coasting 1.5 turns, measured at 140 rpm, reaction 0.5 s',
    );
    expect(inputsOf(highestTappingRpm(3, { revolutions: 1.5 }))).not.toContain('measured');
  });

  test('with a coast that grows with speed, the highest speed just uses the turns up', () => {
    const coast = { revolutions: 1.5, atRpm: 140 };
    for (const turns of [0.5, 2, 5, 12]) {
      const rpm = highestTappingRpm(turns, coast).value;
      expect(turnsToStop(rpm, coast)).toBeCloseTo(turns, 9);
    }
    expect(turnsToStop(280, coast)).toBeCloseTo(280 / 120 + 6, 9);
  });
});

describe('rhythm, time and speed', () => {
  const bite = (name: string, id: string): number => biteTurns(thread(name), plug, material(id), 'hand');
  test('bites by size and chip', () => {
    expect(['M4x0.7', 'M8x1.25', 'M12x1.75', 'M16x2'].map((n) => bite(n, 'steel-low-carbon'))).toEqual([
      0.25, 0.5, 0.75, 1,
    ]);
    expect(bite('M8x1.25', 'stainless-austenitic')).toBeCloseTo(0.3, 9);
    expect(bite('M8x1.25', 'iron-grey')).toBeCloseTo(0.75, 9);
    for (const geometry of ['spiral-point', 'form'] as const)
      expect(biteTurns(m8, { ...plug, geometry }, mild, 'hand')).toBe(0);
    expect(biteTurns(m8, { ...plug, geometry: 'spiral-flute' }, mild, 'power')).toBe(0);
  });

  test('turns and seconds', () => {
    expect(totalTurns(m8, plug, 16).value).toBeCloseTo(16.8, 9);
    expect(inputsOf(totalTurns(m8, plug, 16))).toBe('full thread 16 mm, chamfer threads, plug 4 count, pitch 1.25 mm');
    // 1/8 NPT goes 0.1615 in together by hand, 27 to the inch.
    expect(taperTurns(thread('1/8-27 NPT'), plug).value).toBeCloseTo(0.1615 * 27 + 4, 6);
    expect(inputsOf(taperTurns(thread('1/8-27 NPT'), plug))).toBe(
      'hand-tight length 4.1021 mm, pitch 0.9407 mm, chamfer threads, plug 4 count',
    );
    expect([biteTurns(m8, plug, mild, 'hand', 2), biteTurns(m8, plug, mild, 'power', 2)]).toEqual([2, 0]);
    expect(handTappingSeconds(thread('M3x0.5'), 10, false)).toBeCloseTo(55, 9);
    expect(handTappingSeconds(thread('M12x1.75'), 10, true)).toBeCloseTo(85, 9);
    expect(machineTappingSeconds(16.8, 65)).toBeCloseTo(31, 1);
  });

  test('tapping speed and feed', () => {
    const rpm = tappingSpeed(m8, mild).value;
    expect(rpm).toBeCloseTo((1000 * 30 * 0.3048) / (Math.PI * 8), 6);
    expect(inputsOf(tappingSpeed(m8, mild))).toMatch(/low end 9.144 m\/min, high end .* m\/min, major diameter 8 mm$/);
  });

  test('flutes and names', () => {
    expect([
      usualFlutes('straight', 5),
      usualFlutes('straight', 6),
      usualFlutes('spiral-point', 4),
      usualFlutes('spiral-point', 5),
      usualFlutes('spiral-flute', 8),
    ]).toEqual([3, 4, 2, 3, 3]);
    expect(handTap('plug', 8, 'taper-second-plug').name).toBe('second');
    expect(handTap('bottoming', 8, 'taper-second-plug')).toMatchObject({ name: 'plug', chamferThreads: 2 });
    expect(machineTap('form', 8, true).chamferThreads).toBe(2.5);
  });
});

const targetPercent = (of: Thread, metal: Material, depthMm: number, thicknessMm?: number): Answer =>
  targetOf({ thread: of, material: metal, forming: false, depthMm, thicknessMm }).target;

test.each([
  ['by material', 'M8x1.25', 'steel-low-carbon', 8, 20, 75],
  ['small tap', 'M3x0.5', 'steel-low-carbon', 4, 20, 70],
  ['two and a half diameters deep', 'M8x1.25', 'steel-low-carbon', 20, 30, 72.5],
  ['deeper than three diameters', 'M8x1.25', 'steel-low-carbon', 25, 30, 70],
  ['deep where chips fall out as powder', 'M8x1.25', 'iron-grey', 25, 30, 76],
  ['small and deep, kept at the low end', 'M3x0.5', 'stainless-austenitic', 9, 20, 58],
  ['plate of nine tenths', 'M8x1.25', 'steel-low-carbon', 7.2, 7.2, 77.5],
  ['thin plate', 'M8x1.25', 'steel-low-carbon', 4, 4, 80],
  ['55 degrees, counted on full depth', '1/4-20 BSW', 'steel-low-carbon', 6, 20, 80],
  ['on every edge: 3.5, two diameters, one thick', 'M3.5x0.6', 'steel-low-carbon', 7, 3.5, 75],
  ['thickness not known', 'M8x1.25', 'steel-low-carbon', 8, undefined, 75],
] as const)('percent to aim at, %s', (_, name, id, depth, thickness, expected) => {
  expect(targetPercent(thread(name), material(id), depth, thickness).value).toBeCloseTo(expected, 9);
});

test('percent: what is reasonable by form, the range by metal, each step shown, and where it was held back', () => {
  expect([reasonablePercent(m8), reasonablePercent(thread('1/4-20 BSW'))]).toEqual([
    { low: 40, high: 90 },
    { low: 40, high: 100 },
  ]);
  const { low, high } = mild.threadPercent;
  expect([percentRange(m8, mild), percentRange(thread('1/4-20 BSW'), mild)]).toEqual([
    { low, high },
    { low: low + 5, high: high + 5 },
  ]);
  const held = targetPercent(thread('M3x0.5'), material('stainless-austenitic'), 9, 20);
  expect(inputsOf(held)).toMatch(
    / 65 percent, small tap -5 percent, deeper than two diameters, all of it from three -5 percent$/,
  );
  expect([held.working.assumptions.length, targetPercent(m8, mild, 8, 20).working.assumptions.length]).toEqual([1, 0]);
});

test('torque shows the factors that count, and the fluid it takes for granted', () => {
  const { working } = tappingTorque(at({}));
  expect(inputsOf(tappingTorque(at({})))).toMatch(/predicted hole 6.8 mm/);
  expect(inputsOf(tappingTorque(at({})))).not.toMatch(/ 1 ratio/);
  expect(inputsOf(tappingTorque(at({ fluid: 'dry' })))).toContain('1.5 ratio');
  expect(inputsOf(tappingTorque(at({ minorMm: 6.896, tap: { ...plug, geometry: 'form' } })))).toContain(
    'finished minor 6.896 mm',
  );
  expect([
    tell(working.assumptions[0], 'mm'),
    tell(tappingTorque(at({ fluid: 'dry' })).working.assumptions[0], 'mm'),
  ]).toEqual([`Sharp tap, ${mild.lubricant}.`, 'Sharp tap, dry.']);
});
