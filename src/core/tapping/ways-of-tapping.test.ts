import type { Machine } from '../cutting/machine';
import type { Material } from '../materials/material';
import { MATERIALS } from '../materials/materials';

import { THREADS } from '../threads/standards';
import type { Thread } from '../threads/thread';
import { tell } from '../units/show';
import { reachOf, usualTapFigures } from './tap-lengths.table';
import {
  tappingConditions,
  type HoleToTap,
  type TappingAids,
  type TappingHabits,
  type TappingQuestion,
} from './tapping-question';
import { usualOwnTap, type OwnTap } from './own-tap';
import { handTap, type TapToUse } from './tap';
import { tapSequences } from './tap-sequence';
import { breakingCost } from './tapping-cost';
import { waysOfTapping, type TappingWay } from './ways-of-tapping';

const thread = (name: string): Thread => THREADS.find((t) => t.designation === name) as Thread;
const material = (id: string): Material => MATERIALS.find((m) => m.id === id) as Material;
const m8 = thread('M8x1.25');
const mild = material('steel-low-carbon');

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
  const questionOf = ({
    thread: t = m8,
    material: m = mild,
    forming = false,
    holes = 1,
    dry = false,
    aids: own,
    asked,
    ...over
  }: Over): TappingQuestion => ({
    thread: t,
    material: m,
    machine: 'machine' in over ? over.machine : press,
    forming,
    holes,
    dry,
    aids: own,
    asked,
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
  const ask = (over: Over): TappingWay[] => {
    const q = questionOf(over);
    return waysOfTapping(q, tapSequences(q));
  };
  const possible = (over: Over): string[] =>
    ask(over)
      .filter((w) => w.possible)
      .map((w) => w.id);
  const lost = (id: string, over: Over): string =>
    ask(over).find((w) => w.id === id && !w.possible)?.reason.text ?? 'possible';

  test('a press that does not reverse leaves hand and chuck; freehand comes last for its lean', () => {
    const ids = possible({});
    expect(ids).toEqual(['hand-guided', 'chuck-start', 'hand-block', 'power-start', 'loose-chuck', 'hand-free']);
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

  test('a blind hole is drilled deeper where there is stock for the spindle to stop in; where not, it is not tapped under power', () => {
    expect(
      lost('reversing-spindle', { machine: mill, through: false, thicknessMm: 19, asked: ['bottoming'] }),
    ).toContain('to stop and only');
    // Four pitches deeper: five turns left, of which 3.5 may be used; at 65 it needs 0.54 and 1.5 of coasting.
    const { stopping, depth } = way('reversing-spindle', { machine: mill, through: false, thicknessMm: 40 });
    expect([stopping?.turnsLeft, depth?.chipRoomMm]).toEqual([5, 6.25]);
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
    expect(possible({ machine: cordless }).sort()).toEqual(['hand-block', 'hand-free']);
    expect(ask({ machine: undefined })[0].label).toContain('block');
  });

  test('taps in order: one taper through; plug blind; bottoming only when the bottom is near', () => {
    const taps = (over: Over): string =>
      ask(over)[0]
        .taps.map((t) => t.name)
        .join('+');
    expect(taps({})).toBe('taper');
    expect(taps({ through: false, thicknessMm: 40 })).toBe('plug');
    expect(taps({ through: false, depthMm: 16, thicknessMm: 25, mostChamfer: 2.5 })).toBe('plug+bottoming');
    expect(taps({ forming: true, minorMm: 6.9 })).toContain('forming');
  });

  test('no room at the bottom rules every way out, and says by how much', () => {
    const ways = ask({ through: false, depthMm: 16, thicknessMm: 18 });
    expect(ways.some((w) => w.possible)).toBe(false);
    expect(ways[0].reason.text).toContain('would break through by');
  });

  test('a small tap in a bad metal takes care, freehand it warns; a tapered thread carries no torque', () => {
    const [best] = ask({
      thread: thread('M3x0.5'),
      material: material('titanium-6al4v'),
      depthMm: 6,
      thicknessMm: 6,
      drillMm: 2.5,
      minorMm: 2.54,
    });
    // Guided it wants care, said quietly; freehand the lean breaks it sooner.
    expect([best.load?.level, best.cautions.find((c) => c.code === 'tap-safety')?.level]).toEqual(['careful', 'note']);
    const asked = { thread: thread('M3x0.5'), material: material('titanium-6al4v'), depthMm: 6, thicknessMm: 6 };
    expect(way('hand-free', { ...asked, drillMm: 2.5, minorMm: 2.54 }).load?.level).toBe('warn');
    const taper = ask({ thread: thread('1/8-27 NPT'), drillMm: 8.6, minorMm: 8.7 });
    expect(taper[0].load).toBeUndefined();
    expect(taper.find((w) => w.id === 'chuck-start')?.possible).toBe(true);
  });

  test('every way has a reason in words, the winner the least cost', () => {
    for (const machine of [press, mill, lathe, cordless, undefined]) {
      const ways = ask({ machine });
      expect(ways).toHaveLength(13);
      const costs = ways.filter((w) => w.possible).map((w) => w.cost.total);
      expect([...costs].sort((a, b) => a - b)).toEqual(costs);
    }
  });

  const head: Machine = { ...press, tappingHead: true };
  const aids = (over: Partial<TappingAids>): TappingAids => ({
    springCentre: false,
    block: false,
    wrenches: [],
    holders: [],
    heads: [],
    ...over,
  });
  const clutch = (fromMm: number, toMm: number, fromNm: number, toNm: number) => ({
    name: 'head',
    fromMm,
    toMm,
    fromNm,
    toNm,
    deepStop: false,
  });
  test('straight flutes under power are turned back: the chips do not pack, and each turning back takes its time', () => {
    const over: Over = { machine: mill, depthMm: 24, thicknessMm: 24, taps: [plug], asked: ['plug'] };
    const [plain, back] = ['reversing-spindle', 'spindle-bites'].map((id) => way(id, over));
    expect([plain.biteTurns, back.biteTurns]).toEqual([0, 3]);
    // Three diameters deep in mild steel: 1 + 0.08 x 2 turned back, 1 + 0.16 x 2 straight in.
    expect((plain.load?.torque.value ?? 0) / (back.load?.torque.value ?? 1)).toBeCloseTo(1.32 / 1.16, 6);
    // 24 / 1.25 + 4 = 23.2 turns, seven times back at 4 s.
    expect(back.secondsAll - plain.secondsAll).toBeCloseTo(7 * 4, 6);
    expect(lost('spindle-bites', { machine: mill, forming: true })).toContain('Only straight flutes');
  });

  test('a shank over the chuck goes into a collet of the crib, else one to get; neither rules the machine out', () => {
    const m20: Over = { thread: thread('M20x2.5'), drillMm: 17.5, minorMm: 17.6, depthMm: 20, machine: mill };
    const said = (holders: TappingAids['holders']) =>
      way('reversing-spindle', { ...m20, aids: aids({ holders }) }).cautions.map((c) => c.code);
    expect(said([{ name: 'collets', fromMm: 3, toMm: 20 }])).toContain('holder');
    expect(said([{ name: 'collets', fromMm: 3, toMm: 10 }])).toContain('holder-to-buy');
    expect(lost('loose-chuck', m20)).toContain('nothing else slips');
  });

  test('a loose chuck under M5 is never proposed, and warns where it is chosen', () => {
    const m4: Over = { thread: thread('M4x0.7'), drillMm: 3.3, minorMm: 3.36, depthMm: 6, thicknessMm: 6 };
    const all = ask(m4).filter((w) => w.possible);
    expect(all.at(-1)?.id).toBe('loose-chuck');
    expect(all.at(-1)?.cautions.map((c) => `${c.level} ${c.code}`)).toContain('warn chuck-slips-late');
    expect(way('loose-chuck', {}).cautions.map((c) => c.code)).not.toContain('chuck-slips-late');
  });

  const npt: Over = { thread: thread('1/8-27 NPT'), drillMm: 8.6, minorMm: 8.7 };
  const plug: OwnTap = usualOwnTap('plug', m8, 'plug');
  const blind: Over = { through: false, thicknessMm: 40 };
  const way = (id: string, over: Over): TappingWay => ask(over).find((w) => w.id === id) as TappingWay;

  test.each([
    ['chuck-start', { machine: undefined }, 'turned by hand over the hole'],
    ['chuck-start', { machine: lathe }, 'turned by hand over the hole'],
    ['chuck-start', { machine: cordless }, 'turned by hand over the hole'],
    ['chuck-start', { machine: mill }, 'possible'],
    ['lathe', { machine: mill }, 'Needs a lathe'],
    ['lathe-start', { machine: mill }, 'Needs a lathe'],
    ['lathe-start', { machine: lathe }, 'possible'],
    ['loose-chuck', { machine: lathe }, 'Needs a drill press or mill over the hole'],
    ['spindle-bites', { machine: press }, 'does not reverse'],
    ['spindle-bites', { machine: lathe }, 'possible'],
    ['spindle-bites', { machine: lathe, offAxisMm: 12 }, 'off the axis'],
    ['lathe', { machine: lathe, ...blind, neverBlind: true }, 'never taps blind holes'],
    ['lathe', { machine: lathe, offAxisMm: 12 }, 'off the axis'],
    ['lathe-hand', { machine: lathe, offAxisMm: Infinity }, 'not on the axis'],
    ['lathe-hand', { machine: lathe, ...blind, neverBlind: true }, 'possible'],
    ['lathe', { machine: lathe, ...npt }, 'possible'],
    ['reversing-spindle', { machine: undefined }, 'Needs a drill press or mill that reverses'],
    ['reversing-spindle', { machine: lathe }, 'Needs a drill press or mill that reverses'],
    ['reversing-spindle', { machine: cordless }, 'cannot hold the tap square'],
    ['reversing-spindle', { machine: mill, neverBlind: true }, 'possible'],
    ['reversing-spindle', { machine: mill, ...blind, neverBlind: true }, 'never taps blind holes'],
    ['reversing-spindle', { machine: mill, ...npt }, 'stopped by gauge'],
    ['reversing-head', { machine: undefined }, 'has no reversing tapping head'],
    ['reversing-head', { machine: press }, 'has no reversing tapping head'],
    ['reversing-head', { machine: { ...head, speeds: mill.speeds } }, 'possible'],
    ['reversing-head', { machine: head, ...blind }, 'needs a depth stop and float'],
    ['reversing-head', { machine: head, ...npt }, 'stopped by gauge'],
    ['hand-guided', { machine: undefined, ...npt }, 'stays over the hole'],
    ['hand-block', { machine: undefined, ...npt }, 'possible'],
    ['hand-bore', {}, 'No larger bore'],
    ['hand-bore', { fromMm: 6, upperMm: 9 }, 'possible'],
    ['hand-bore', { fromMm: 6, upperMm: 12 }, 'too wide or too short'],
    ['power-start', { thread: thread('M4x0.7'), drillMm: 3.3, minorMm: 3.37 }, 'Under M5'],
    ['power-start', { machine: lathe }, 'over the hole'],
    ['power-start', npt, 'stopped by gauge'],
    ['hand-guided', { aids: aids({}) }, 'No spring centre'],
    ['hand-block', { aids: aids({}) }, 'No tapping block'],
    ['reversing-head', { machine: head, aids: aids({}) }, 'No tapping head in the crib'],
    ['reversing-head', { machine: head, aids: aids({ heads: [clutch(2, 6, 1, 40)] }) }, 'takes'],
    ['reversing-head', { machine: head, aids: aids({ heads: [clutch(5, 12, 1, 2)] }) }, 'The clutch of the head'],
    ['reversing-head', { machine: head, aids: aids({ heads: [clutch(5, 12, 1, 40)] }) }, 'possible'],
    ['hand-free', { behindMm: 3 }, 'behind the hole'],
    ['hand-free', { forming: true, minorMm: 6.9, depthMm: 2, thicknessMm: 2 }, 'Too thin to form'],
  ] as [string, Over, string][])('%s %#: %s', (id, over, expected) => expect(lost(id, over)).toContain(expected));

  test.each([
    [355, 'hand-free', press, 'possible'],
    [356, 'hand-free', press, 'no tap is turned by hand'],
    [356, 'reversing-spindle', { ...mill, kind: 'drill-press' }, 'takes a rigid machine: a mill or a lathe'],
    [356, 'reversing-spindle', mill, 'possible'],
  ] as [number, string, Machine, string][])('at %d HB %s: %s', (hardnessHb, id, machine, expected) =>
    expect(lost(id, { machine, material: { ...mild, hardnessHb } })).toContain(expected),
  );

  test('heads of the crib: the sizes of all of them are named, each needs its clutch to reach', () => {
    const two = aids({ heads: [clutch(2, 4, 1, 40), clutch(5, 6, 1, 40)] });
    const { ruledOut } = way('reversing-head', { machine: head, aids: two });
    expect(ruledOut?.values).toMatchObject({ from: { value: 2 }, to: { value: 6 } });
    const load = way('reversing-head', { machine: { ...head, speeds: mill.speeds } }).load?.torque.value ?? 0;
    const reach = (fromNm: number, toNm: number) =>
      lost('reversing-head', { machine: head, aids: aids({ heads: [clutch(5, 12, fromNm, toNm)] }) });
    expect([reach(1, load), reach(1, load - 0.01), reach(20, 40)].map((r) => r.slice(0, 22))).toEqual([
      'possible',
      'The clutch of the head',
      'The clutch of the head',
    ]);
  });

  test('the longest chamfer that leaves room at the bottom', () => {
    const last = (mostChamfer: number) => way('hand-free', { ...blind, mostChamfer }).taps.at(-1)?.chamferThreads;
    expect([last(4), last(3.9)]).toEqual([4, 2]);
  });

  test('depth that only this tap needs costs; so does a wrench to buy', () => {
    const room = (depthMm: number, asked: string) =>
      way('hand-free', { ...blind, depthMm, thicknessMm: 200, asked: [asked] }).cost.room;
    // M8: a plug adds 5 + 1.25 mm, 0.78 D; a taper 10 + 1.25, 1.41 D: 40 and 20 for each diameter over 1.15.
    expect([room(16, 'plug'), room(16, 'taper')]).toEqual([0, expect.closeTo(40 + 20 * (11.25 / 8 - 1.15), 6)]);
    // 36 + 6.25 is over 5 D, which the thread alone is not; at 40 and over the thread asks for it itself.
    expect([room(33, 'plug'), room(36, 'plug'), room(41, 'plug')]).toEqual([0, 40, 0]);
  });

  test('the lathe names how its tailstock follows, the hand its guide', () => {
    const tailstock = (t: TappingHabits['tailstock'], id = 'lathe') => way(id, { machine: lathe, tailstock: t }).label;
    expect(['free', 'cranked', 'locked'].map((t) => tailstock(t as TappingHabits['tailstock']))).toEqual([
      'In the lathe under power, tailstock free to follow',
      'In the lathe under power, tailstock cranked after the tap',
      'In the lathe under power, tailstock locked and the barrel cranked',
    ]);
    expect(tailstock('locked', 'hand-free')).toBe('By hand, freehand');
  });

  test('the wrench goes by the torque; under power a chuck that slips', () => {
    const wrench = (over: Over, id = 'hand-free') => way(id, over).wrench.text.slice(0, 16);
    // M8 at 12 deep: about 4.5 Nm; M16 some five times the chip: under 45; M20 with a full thread: over.
    expect(wrench({})).toBe('T-handle or smal');
    expect(wrench({ thread: thread('M16x2'), drillMm: 14, minorMm: 14.1 })).toBe('Two-handed wrenc');
    const long = way('hand-free', { thread: thread('M20x2.5'), drillMm: 16.9, minorMm: 16.95 });
    // 45 Nm is what two hands put on 250 mm: so much longer for so much more, to the next 50.
    const torque = long.load?.torque.value ?? 0;
    expect(torque).toBeGreaterThan(45);
    expect(long.wrench.values?.long).toMatchObject({ value: Math.ceil((250 * torque) / 45 / 50) * 50 });
    expect(wrench({ thread: thread('M30x3.5'), drillMm: 25.5, minorMm: 25.6 })).toBe('Too much torque ');
    expect(way('hand-free', npt).wrench.text).toBe('Two-handed wrench; stop at the gauge.');
    expect(wrench({ machine: mill }, 'reversing-spindle')).toBe('Keyed chuck, snu');
  });

  test('time: every hole by hand, tap after tap; set up once under power', () => {
    // A taper of 8: 17.6 turns of 2.333 s, half as long again for turning back, 40 to set the tap: 101.6 s.
    const hand = (id: string, over: Over = {}) => way(id, over).secondsAll;
    expect([hand('hand-guided'), hand('chuck-start'), hand('hand-free')].map((s) => +s.toFixed(1))).toEqual([
      116.6, 131.6, 121.6,
    ]);
    expect(hand('hand-guided', { holes: 10 })).toBeCloseTo(1166, 6);
    // Brass powders in a bite of three quarters; bites never 0 by hand. Spiral point of 4: 13.6 turns in and out at 65.
    expect(hand('reversing-spindle', { machine: mill, holes: 60 })).toBeCloseTo(
      90 + 60 * ((2 * 60 * 13.6) / 65 + 15),
      6,
    );
    // Blind against the tailstock centre: a plug of 4, 20 to set up and 15 besides.
    expect(hand('lathe-hand', { machine: lathe, ...blind })).toBeCloseTo(13.6 * 2.33333 * 1.5 + 40 + 35, 2);
    expect([way('lathe-hand', { machine: lathe }).rpm, way('lathe', { machine: lathe }).rpm]).toEqual([undefined, 65]);
  });

  test('a spindle stops within seven tenths of the turns left, and is not above 1.3 of the tapping speed', () => {
    // Half a second at 65 is 0.542 turns; one pitch of chip room is one turn.
    const coasting = (coastRevolutions: number): Over => ({
      machine: { ...mill, coastRevolutions, coastAtRpm: 65 },
      ...blind,
      thicknessMm: 20,
      asked: ['bottoming'],
    });
    expect(lost('reversing-spindle', coasting(0.15))).toBe('possible');
    expect(lost('reversing-spindle', coasting(0.17))).toContain('to stop and only');
    const { stopping } = way('reversing-spindle', coasting(0.15));
    expect([stopping?.turnsLeft, stopping?.turnsNeeded]).toEqual([1, 65 / 120 + 0.15]);
    expect([way('hand-free', blind).stopping, way('reversing-spindle', { machine: mill }).stopping]).toEqual([
      undefined,
      undefined,
    ]);
    const fastest = (1000 * 0.3048 * mild.tapSfmCut.high) / (Math.PI * 8);
    const at = (share: number): string =>
      lost('reversing-spindle', {
        machine: { ...mill, speeds: { kind: 'range', minRpm: share * fastest, maxRpm: 9000 } },
      });
    expect(at(1.29)).toBe('possible');
    expect(at(1.31)).toContain('above the tapping speed');
  });

  test('points for breaking, lean and time add up, and say why a way loses', () => {
    expect([undefined, 3, 1.85, 1.575, 1.3, 1.1, 0.9, 0.7].map((s) => +breakingCost(s).toFixed(6))).toEqual([
      0, 0, 0, 5, 10, 55, 100, 110,
    ]);
    const lean = (depthMm: number) => +way('hand-free', { depthMm, thicknessMm: depthMm }).cost.lean.toFixed(6);
    // 8 points a degree at one diameter, 1.5 degrees; half at least, three times at most.
    expect([2, 8, 12, 40].map(lean)).toEqual([6, 12, 18, 36]);
    for (const { cost } of ask({ machine: mill, holes: 4 }))
      expect(cost.total).toBeCloseTo(cost.breaking + cost.lean + cost.time + cost.room + cost.suit, 9);
    // Against a plain plug by hand: 9.6 and 4 turns of 2.333 s, half as long again, 60 to set up.
    const usual = (12 / 1.25 + 4) * 2.33333 * 1.5 + 60;
    expect([way('hand-guided', {}).cost.time, way('chuck-start', {}).cost.time]).toEqual(
      [6 * Math.log2(116.6 / usual), 6 * Math.log2(131.6 / usual)].map((x) => expect.closeTo(x, 3)),
    );
    const why = (id: string, over: Over) => tell(way(id, over).reason, 'mm');
    expect(why('hand-free', {})).toMatch(/^Leans about 1.5.* against 0.3/);
    expect(why('hand-guided', {})).toMatch(/^Best on breaking.*Next is “Started in the chuck.*: (Takes|As good)/);
    expect(why('hand-guided', { machine: mill, holes: 200 })).toMatch(/^Takes about 388.7 min, against 13\d/);
    const weak: Over = {
      thread: thread('M8x1.25'),
      depthMm: 24,
      thicknessMm: 24,
      machine: mill,
      material: material('stainless-austenitic'),
      minorMm: 6.65,
    };
    const broken = ask(weak).map((w) => tell(w.reason, 'mm'));
    expect(broken.join()).toMatch(/Safety against breaking \d\.\d+, against \d\.\d+/);
  });

  test('a load over what the tap holds is a caution of its own level', () => {
    const level = (minorMm: number) => {
      const w = way('hand-free', {
        minorMm,
        drillMm: minorMm,
        material: material('titanium-6al4v'),
        depthMm: 16,
        thicknessMm: 16,
        asked: ['taper'],
      });
      return [
        w.load?.level,
        ...w.cautions.filter((c) => c.code === 'tap-safety').map((c) => `${c.level} ${/tap goes first/.test(c.text)}`),
      ];
    };
    expect([7.3, 6.55, 6.45].map(level)).toEqual([
      ['careful', 'note false'],
      ['warn', 'warn false'],
      ['stop', 'stop true'],
    ]);
  });

  test('conditions: a plate counts from where the thread begins, a blind hole has none; dry only where fluid is wanted', () => {
    const plug = handTap('plug', 8, 'taper-plug-bottoming');
    const of = (over: Over) => {
      const { thicknessMm, fluid, depthMm, reversing } = tappingConditions(
        questionOf(over),
        { ...plug, key: 'plug', owned: false } as TapToUse,
        true,
      );
      return [thicknessMm, fluid, depthMm, reversing];
    };
    expect(of({ fromMm: 2 })).toEqual([10, 'right', 12, true]);
    expect(of({ ...blind, dry: true })).toEqual([undefined, 'dry', 12, true]);
    expect(of({ thicknessMm: undefined, dry: true, material: material('iron-grey') })).toEqual([
      undefined,
      'right',
      12,
      true,
    ]);
  });

  test('which hand tap first: by the hole, or as the shop does', () => {
    const names = (over: Over) =>
      way('hand-free', over)
        .taps.map((t) => t.name)
        .join('+');
    expect(names({ firstTap: 'plug' })).toBe('plug');
    expect(names({ ...blind, firstTap: 'taper' })).toBe('taper+plug');
    // A plug of 4 on 4 flutes takes 0.6 / 16 a tooth: 0.0375; M16x2 0.06; in stainless at most 0.06, M24x3 takes more.
    const coarse: Over = {
      thread: thread('M24x3'),
      drillMm: 21,
      minorMm: 21.1,
      ...blind,
      thicknessMm: 90,
      material: material('stainless-austenitic'),
    };
    expect([names({ ...coarse }), names({ ...coarse, firstTap: 'plug' })]).toEqual(['taper+plug', 'plug']);

    const flutes = (id: string, over: Over = {}) =>
      way('reversing-spindle', { machine: mill, material: material(id), ...over }).taps[0].geometry;
    // Chips that crumble do not run along a spiral.
    const ids = ['brass-free-cutting', 'aluminium-cast-high-silicon', 'iron-grey', 'steel-low-carbon'];
    expect(ids.map((id) => flutes(id))).toEqual(['straight', 'straight', 'straight', 'spiral-point']);
    expect(flutes('steel-low-carbon', blind)).toBe('spiral-flute');
  });
});

test('how deep a hand tap reaches: thread and neck, or all but the square where the shank is thin', () => {
  const reach = (name: string) => reachOf(usualTapFigures(thread(name)), thread(name)).reachMm;
  // M12 and 7/16 have a shank thinner than the hole: all but 10 of 89 and 80.2.
  expect([reach('M6x1'), reach('M8x1.25'), reach('3/8-16 UNC'), reach('M12x1.75'), reach('7/16-14 UNC')]).toEqual(
    [30, 35, 31.8, 79, 70.2].map((x) => expect.closeTo(x, 6)),
  );
  expect(reach('1/2-13 UNC')).toBeCloseTo(75.7, 6);
});
