import type { Machine } from '../cutting/machine';
import type { Material } from '../materials/material';
import { MATERIALS } from '../materials/materials';
import { THREADS } from '../threads/find-thread';
import type { Thread } from '../threads/thread';
import { blindDepth, spiralPointChipRoom, thinWallMm } from './blind-depth';
import { formedMinor, formingHole, formingHoleForMinor, formingPercent, formingVerdict } from './forming';
import { biteTurns, handTappingSeconds, machineTappingSeconds, totalTurns } from './rhythm';
import { highestTappingRpm, turnsToStop } from './stopping-room';
import { handTap, machineTap, usualFlutes, type Tap } from './tap';
import { breakingTorque, safetyLevel } from './tap-strength';
import {
  gripFactor,
  packingFactor,
  rubFactor,
  tappingTorque,
  toothLoad,
  toothLoadLimit,
  type TappingConditions,
} from './tapping-torque';
import { tappingFeed, tappingSpeed } from './tapping-speed';
import { targetPercent } from './target-percent';
import { tapLoad } from './tap-load';
import type { HoleToTap, TappingHabits, TappingQuestion } from './tapping-question';
import { waysOfTapping } from './ways-of-tapping';

const thread = (name: string): Thread => THREADS.find((t) => t.designation === name) as Thread;
const material = (id: string): Material => MATERIALS.find((m) => m.id === id) as Material;
const m8 = thread('M8x1.25');
const mild = material('steel-low-carbon');
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
    ['worn out', { wear: 1.6 }, 4.31 * 1.6],
    ['spiral point through', { tap: { ...plug, geometry: 'spiral-point' } }, 4.31 * 0.8],
    ['two diameters deep, chips packing', { depthMm: 16 }, 4.31 * 1.12],
    ['two diameters deep, not reversed', { depthMm: 16, reversing: false }, 4.31 * 1.24],
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
    ).toEqual([2, 1.6, 1.3, 1.3, 1, 1]);
    const deep = { depthMm: 16, material: material('stainless-austenitic') };
    expect(packingFactor(at(deep))).toBeCloseTo(1.25, 9);
    expect(packingFactor(at({ ...deep, tap: { ...plug, geometry: 'spiral-flute' } }))).toBeCloseTo(1 + 0.25 / 3, 9);
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
  expect(breakingTorque(thread(name), 'straight').value / nm).toBeCloseTo(1, 2);
  expect(breakingTorque(thread(name), 'straight', true).value / nm).toBeCloseTo(0.8, 2);
  expect(breakingTorque(thread(name), 'form').value).toBeGreaterThan(
    breakingTorque(thread(name), 'spiral-flute').value,
  );
});

test('what a safety factor means', () => {
  expect([3, 2.9, 2, 1.9, 1.3, 1.29].map(safetyLevel)).toEqual(['calm', 'careful', 'careful', 'warn', 'warn', 'stop']);
});

describe('blind holes', () => {
  test('M8, 16 deep, plug of 4: 21.0 and 23.04 without chip room, one pitch more with it', () => {
    const d = blindDepth(m8, 16, plug, 6.8, 118);
    expect(d.fullDiameter.value).toBeCloseTo(21 + 1.25, 9);
    expect(d.total.value).toBeCloseTo(23.04 + 1.25, 2);
    const bottoming = blindDepth(m8, 16, { ...plug, chamferThreads: 2 }, 6.8, 118);
    expect(bottoming.fullDiameter.value).toBeCloseTo(18.5 + 1.25, 9);
    expect(bottoming.total.value).toBeCloseTo(20.54 + 1.25, 2);
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
    expect(formedMinor(m8, formingHole(m8, 68))).toBeCloseTo(6.896, 3);
    expect(formingPercent(m8, 7.4)).toBeCloseTo(70.6, 1);
    expect(formingHoleForMinor(m8, formedMinor(m8, 7.4))).toBeCloseTo(7.4, 9);
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
  const bite = (name: string, id: string): number => biteTurns(thread(name), plug, material(id), false);
  test('bites by size and chip', () => {
    expect(['M4x0.7', 'M8x1.25', 'M12x1.75', 'M16x2'].map((n) => bite(n, 'steel-low-carbon'))).toEqual([
      0.25, 0.5, 0.75, 1,
    ]);
    expect(bite('M8x1.25', 'stainless-austenitic')).toBeCloseTo(0.3, 9);
    expect(bite('M8x1.25', 'iron-grey')).toBeCloseTo(0.75, 9);
    for (const geometry of ['spiral-point', 'form'] as const)
      expect(biteTurns(m8, { ...plug, geometry }, mild, false)).toBe(0);
    expect(biteTurns(m8, { ...plug, geometry: 'spiral-flute' }, mild, true)).toBe(0);
  });

  test('turns and seconds', () => {
    expect(totalTurns(m8, plug, 16).value).toBeCloseTo(16.8, 9);
    expect(handTappingSeconds(thread('M3x0.5'), 10, false)).toBeCloseTo(55, 9);
    expect(handTappingSeconds(thread('M12x1.75'), 10, true)).toBeCloseTo(85, 9);
    expect(machineTappingSeconds(16.8, 65)).toBeCloseTo(31, 1);
  });

  test('tapping speed and feed', () => {
    const rpm = tappingSpeed(m8, mild).value;
    expect(rpm).toBeCloseTo((1000 * 30 * 0.3048) / (Math.PI * 8), 6);
    expect(tappingFeed(m8, 100)).toBeCloseTo(125, 9);
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

test.each([
  ['by material', 'M8x1.25', 'steel-low-carbon', 8, 20, 75],
  ['small tap', 'M3x0.5', 'steel-low-carbon', 4, 20, 70],
  ['deeper than two diameters', 'M8x1.25', 'steel-low-carbon', 17, 30, 70],
  ['small and deep, kept at the low end', 'M3x0.5', 'stainless-austenitic', 7, 20, 58],
  ['thin plate', 'M8x1.25', 'steel-low-carbon', 4, 4, 80],
  ['55 degrees, counted on full depth', '1/4-20 BSW', 'steel-low-carbon', 6, 20, 80],
] as const)('percent to aim at, %s', (_, name, id, depth, thickness, expected) => {
  expect(targetPercent(thread(name), material(id), depth, thickness).value).toBe(expected);
});

describe('ways of tapping', () => {
  const press: Machine = {
    id: 'press',
    name: 'bench press',
    kind: 'drill-press',
    speeds: {
      kind: 'steps',
      steps: [
        { rpm: 140, label: 'a' },
        { rpm: 980, label: 'b' },
      ],
    },
    reversible: false,
    tappingHead: false,
    coastRevolutions: 1.5,
    coastAtRpm: 140,
    chuckMm: 13,
  };
  const mill: Machine = {
    ...press,
    name: 'mill',
    kind: 'mill',
    reversible: true,
    speeds: { kind: 'steps', steps: [{ rpm: 65, label: 'low' }] },
  };
  const lathe: Machine = { ...mill, name: 'lathe', kind: 'lathe' };
  const cordless: Machine = { ...press, name: 'cordless', kind: 'hand-drill' };
  type Over = Partial<Omit<TappingQuestion, 'hole' | 'habits'> & HoleToTap & TappingHabits>;
  const ask = ({ thread: t = m8, material: m = mild, forming = false, holes = 1, dry = false, ...over }: Over) =>
    waysOfTapping({
      thread: t,
      material: m,
      machine: 'machine' in over ? over.machine : press,
      forming,
      holes,
      dry,
      hole: {
        through: true,
        depthMm: 12,
        fromMm: 0,
        thicknessMm: 12,
        drillMm: 6.8,
        pointAngleDeg: 118,
        minorMm: 6.87,
        ...over,
      },
      habits: { tapNames: 'taper-plug-bottoming', firstTap: 'by-hole', neverBlind: false, tailstock: 'free', ...over },
    });
  const possible = (over: Over): string[] =>
    ask(over)
      .filter((w) => w.possible)
      .map((w) => w.id);
  const lost = (id: string, over: Over): string =>
    ask(over).find((w) => w.id === id && !w.possible)?.reason.text ?? 'possible';

  test('a press that does not reverse leaves hand and chuck; freehand comes last for its lean', () => {
    const ids = possible({});
    expect(ids).toHaveLength(3);
    expect(ids[2]).toBe('hand-free');
    expect(lost('reversing-spindle', {})).toContain('does not reverse');
    expect(lost('lathe', {})).toContain('Needs a lathe');
  });

  test('a batch of through holes on a reversing mill goes under power with a spiral point', () => {
    const [best] = ask({ machine: mill, holes: 60 });
    expect([best.id, best.taps[0].geometry, best.biteTurns, best.rpm]).toEqual([
      'reversing-spindle',
      'spiral-point',
      0,
      65,
    ]);
  });

  test('a blind hole is not run to its bottom under power: the spindle cannot stop in one turn', () => {
    expect(lost('reversing-spindle', { machine: mill, through: false, thicknessMm: 40 })).toContain('to stand still');
    expect(lost('reversing-head', { machine: { ...press, tappingHead: true }, through: false })).toContain(
      'through holes',
    );
  });

  test('a fast slowest speed rules power out; grey iron is tapped with straight flutes', () => {
    expect(
      lost('reversing-spindle', { machine: { ...mill, speeds: { kind: 'range', minRpm: 900, maxRpm: 3000 } } }),
    ).toContain('above the tapping speed');
    expect(ask({ machine: mill, material: material('iron-grey'), holes: 60 })[0].taps[0].geometry).toBe('straight');
  });

  test('lathe: on its axis; cordless: by hand only; no machine: by hand with a block', () => {
    expect(possible({ machine: lathe })[0]).toBe('lathe');
    expect(possible({ machine: cordless }).sort()).toEqual(['hand-free', 'hand-guided']);
    expect(ask({ machine: undefined })[0].label).toContain('block');
  });

  test('taps in order: one taper through; plug blind; bottoming only when the bottom is near', () => {
    const taps = (over: Over): string =>
      ask(over)[0]
        .taps.map((t) => t.name)
        .join('+');
    expect(taps({})).toBe('taper');
    expect(taps({ through: false, thicknessMm: 40 })).toBe('plug');
    expect(taps({ through: false, depthMm: 16, thicknessMm: 25 })).toBe('plug+bottoming');
    expect(taps({ forming: true, minorMm: 6.9 })).toContain('forming');
  });

  test('no room at the bottom rules every way out, and says by how much', () => {
    const ways = ask({ through: false, depthMm: 16, thicknessMm: 18 });
    expect(ways.some((w) => w.possible)).toBe(false);
    expect(ways[0].reason.text).toContain('comes out at the back');
  });

  test('a small tap in a bad metal warns of breaking; a tapered thread carries no torque', () => {
    const [best] = ask({
      thread: thread('M3x0.5'),
      material: material('titanium-6al4v'),
      depthMm: 6,
      thicknessMm: 6,
      drillMm: 2.5,
      minorMm: 2.54,
    });
    expect(best.load?.level).toMatch(/warn|stop/);
    expect(best.cautions.map((c) => c.code)).toContain('tap-safety');
    const taper = ask({ thread: thread('1/8-27 NPT'), drillMm: 8.6, minorMm: 8.7 });
    expect(taper[0].load).toBeUndefined();
    expect(taper.find((w) => w.id === 'chuck-start')?.possible).toBe(true);
  });

  test('every way has a reason in words, the winner the least cost', () => {
    for (const machine of [press, mill, lathe, cordless, undefined]) {
      const ways = ask({ machine });
      expect(ways).toHaveLength(6);
      const costs = ways.filter((w) => w.possible).map((w) => w.cost.total);
      expect([...costs].sort((a, b) => a - b)).toEqual(costs);
    }
  });
});
