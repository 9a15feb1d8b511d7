import type { LearnedLevel } from '../answer/estimate';
import { pointAngleOf } from '../drills/drill';
import { findDrill } from '../hole/find-drill';
import { machineOf, METRIC_INDEX, planned, shop } from '../tests/bench-shop';
import { tapShop } from '../tests/bench-taps';
import { tell } from '../units/show';
import { handledTime } from './handling-time';
import type { CutSpec, Operation } from './operation';
import { overriddenSpec } from './override';
import { withdrawals } from './withdrawals';

const told = (ps: readonly Parameters<typeof tell>[0][]): string => ps.map((p) => tell(p, 'mm')).join(' ');
const opsOf = (form: Parameters<typeof planned>[0], over: Parameters<typeof planned>[1] = {}): Map<string, Operation> =>
  new Map(planned(form, over).operations.map((o) => [o.key, o]));
const op = (ops: Map<string, Operation>, key: string): Operation => {
  const found = ops.get(key);
  if (!found) throw new Error(`${key} of ${[...ops.keys()].join()}`);
  return found;
};
const detailsOf = (ops: Map<string, Operation>, key: string): string => told(op(ops, key).details);

describe('a thread on a rod', () => {
  // 1.5 s and an eighth of a second for each millimetre of diameter a turn: 2.75 s at M10. 30 ÷ 1.5 and the lead of 3: 23 turns.
  test('M10 x 30: times of the trial, of fitting and of each run; turned on the lathe, else bought as rod', () => {
    const lathe = opsOf({ callout: 'M10 x 30 OUTSIDE', machine: 'lathe' });
    const seconds = (key: string) => op(lathe, key).time.value;
    expect(['blank', 'die-open', 'die-close', 'die-run', 'chase-rod'].map(seconds)).toEqual([
      90,
      5 * 2.75 + 60,
      10 * 2.75 + 30,
      23 * 2.75,
      23 * 2.75,
    ]);
    expect(told([op(lathe, 'blank').order])).toBe('Turn the end to 9.85 mm over 33.0 mm.');
    expect(detailsOf(lathe, 'die-open')).toContain('tailstock barrel, 45 rev/min at most');
    const press = opsOf({ callout: 'M10 x 30 OUTSIDE' });
    expect(told([op(press, 'blank').order])).toBe('Use rod of 9.85 mm, a shade under 10.0 mm.');
    expect([op(press, 'blank').time.value, detailsOf(press, 'die-open')]).toEqual([
      10,
      expect.stringContaining('with a die guide'),
    ]);
  });

  test('under M6, or where the lathe is too fast, the chuck is turned by hand; longer than two and a half diameters it is chased', () => {
    const rpm = (callout: string, slowest = 45): number | undefined =>
      planned(
        { callout, machine: 'lathe' },
        { at: { ...shop, machines: [machineOf('lathe', 'lathe', [slowest, 200])] } },
      ).outside?.rpm;
    expect([rpm('M6 x 10 OUTSIDE'), rpm('M5 x 10 OUTSIDE'), rpm('M6 x 10 OUTSIDE', 46)]).toEqual([
      45,
      undefined,
      undefined,
    ]);
    const isChased = (callout: string): boolean => planned({ callout }).outside?.chaser !== undefined;
    expect([isChased('M10 x 25 OUTSIDE'), isChased('M10 x 26 OUTSIDE')]).toEqual([false, true]);
    const left = opsOf({ callout: 'M10 LH x 20 OUTSIDE' });
    expect([detailsOf(left, 'die-open'), detailsOf(left, 'die-run')]).toEqual(
      Array(2).fill(expect.stringContaining('anticlockwise')),
    );
    expect(detailsOf(opsOf({ callout: 'M10 x 20 OUTSIDE' }), 'die-run')).not.toContain('anticlockwise');
    const first = (callout: string): string => detailsOf(opsOf({ callout }), 'check');
    expect([first('3x M10 x 20 OUTSIDE'), first('M10 x 20 OUTSIDE')]).toEqual([
      expect.stringContaining('first of 3'),
      '',
    ]);
  });
});

test('the working of a time says each part of it: in and out of a reamer, holding back, looking', () => {
  const more = (family: CutSpec['family'], through: boolean): string[] =>
    handledTime(2, { spec: { family, through } } as never, undefined)
      .working.inputs.slice(4)
      .map((i) => i.label);
  expect([more('drill', false), more('drill', true), more('ream', true), more('counterbore', false)]).toEqual([
    [],
    ['to hold back where it comes through'],
    ['in and out, turning'],
    ['to clear and look'],
  ]);
});

test('a drilled hole says where its point comes through, what it pulls, and what is known of it here', () => {
  const level = (mean: number): LearnedLevel => ({ mean, sigma: 0.5, n: 7, own: mean, range: [mean - 1, mean + 1] });
  const form = { callout: 'ø8 THRU', thickness: '20', drills: 'metric-1-13-by-0.1' } as const;
  const plain = opsOf(form);
  // The tip of 8 at 118° is 2.40: it shows at 20, and is through when the stop has gone on by it.
  const tip = 4 / Math.tan((59 * Math.PI) / 180);
  const cut = op(plain, 'drill').cut;
  expect(cut?.breaksThroughMm).toBeCloseTo(20, 1);
  expect(detailsOf(plain, 'drill')).toContain(`hold back until ${(20 + tip).toFixed(1)} mm`);
  expect(detailsOf(plain, 'drill')).not.toContain('of your own');
  const learned = {
    oversize: { 'hss|to 10|steel-low-carbon': level(0) },
    seconds: { drill: level(Math.log(1.5) / 0.3) },
  };
  const known = opsOf(form, { at: { ...shop, learned } });
  expect(detailsOf(known, 'drill')).toContain('from 7 of your own holes');
  expect(detailsOf(known, 'start')).not.toContain('of your own');
  expect(op(known, 'drill').time.value / op(plain, 'drill').time.value).toBeCloseTo(1.5, 6);
  expect(op(known, 'start').time.value).toBe(op(plain, 'start').time.value);
});

describe('figures that are set on one operation', () => {
  const find = (label: string) => findDrill(label, METRIC_INDEX);
  const drill = find('6.8');
  if (!drill) throw new Error('no drill');
  const spec = {
    family: 'drill',
    drill,
    diameterMm: 6.8,
    pointAngleDeg: pointAngleOf(drill),
    fromMm: 4,
    inHoleMm: 3,
    fullMm: 12,
    through: false,
  } as CutSpec;
  const why = (
    over: Parameters<typeof overriddenSpec>[2],
    base = spec,
    plate: { thicknessMm?: number } = { thicknessMm: 20 },
  ): string => {
    const made = overriddenSpec('drill', base, over, plate.thicknessMm, find);
    return made.ok ? 'ok' : tell(made.problems[0], 'mm');
  };
  test('a drill must be made, and larger than the hole before it; it brings its own point', () => {
    expect([why({ drill: '3.0' }), why({ drill: '3.1' }), why({ drill: 'q9' })]).toEqual([
      expect.stringContaining('not larger than the hole before it, 3.0 mm'),
      'ok',
      expect.stringContaining('q9'),
    ]);
    expect(why({ drill: '7.0' }, { ...spec, family: 'ream' })).not.toBe('ok');
    const made = overriddenSpec('drill', spec, { drill: '7.0' }, 20, find);
    expect(made).toMatchObject({ ok: true, value: { diameterMm: 7, tool: { name: '7.0 mm' } } });
  });
  // The tip of 6.8 is 2.04: 17.9 of full diameter still leaves something of 20, 18.0 does not.
  test('a depth must meet metal, and a blind one must not come out, nor a through one stop', () => {
    expect([why({ fullMm: 4 }), why({ fullMm: 4.1 }), why({ fullMm: 17.9 }), why({ fullMm: 18 })]).toEqual([
      expect.stringContaining('not yet met metal, which starts at 4.0 mm'),
      'ok',
      'ok',
      expect.stringContaining('break through the back'),
    ]);
    const through = { ...spec, through: true };
    expect([why({ fullMm: 19 }, through), why({ fullMm: 20 }, through), why({ fullMm: 99 }, spec, {})]).toEqual([
      expect.stringContaining('does not go through 20.0 mm'),
      'ok',
      'ok',
    ]);
  });
  test('a feed up to 2 mm a turn, above zero', () => {
    expect(
      [why({ feed: 0 }), why({ feed: 0.01 }), why({ feed: 2 }), why({ feed: 2.01 })].map((w) => w === 'ok'),
    ).toEqual([false, true, true, false]);
  });
});

describe('the steps of a bore', () => {
  test('large holes are piloted; the tools that could cut one are offered beside the drill', () => {
    const keys = [...opsOf({ callout: 'ø20 THRU', thickness: '12', machine: 'mill' }).keys()];
    expect(keys.filter((k) => k.startsWith('pilot')).length).toBeGreaterThan(0);
    expect(keys.indexOf('pilot-1')).toBeLessThan(keys.indexOf('drill'));
    expect(
      [...opsOf({ callout: 'ø8 THRU', thickness: '12', machine: 'mill' }).keys()].some((k) => k.startsWith('pilot')),
    ).toBe(false);
    expect(op(opsOf({ callout: 'ø8 THRU', thickness: '12' }), 'drill').choices).toBeUndefined();
  });
  test('over a flat floor a pilot stays above it by its own point', () => {
    const flat = opsOf({ callout: 'M20 x 20 DEEP', thickness: '40', machine: 'mill', room: 'flat' });
    const [pilot, main] = ['pilot-1', 'drill'].map((key) => op(flat, key).cut?.spec);
    const point = (pilot?.diameterMm ?? 0) / 2 / Math.tan(((pilot?.pointAngleDeg ?? 0) * Math.PI) / 360);
    expect(pilot?.fullMm).toBeCloseTo((main?.fullMm ?? 0) - point, 9);
  });
  test('the wider, shallower part comes first and says why; what is deepened from its floor does not', () => {
    const stepped = planned({ callout: 'ø9 x 10 DEEP M8 THRU', thickness: '30' });
    const [open, main] = ['open', 'drill'].map((key) => stepped.operations.findIndex((o) => o.key === key));
    expect(open).toBeLessThan(main);
    expect(stepped.operations[open].cautions.map((c) => c.code)).toContain('larger-first');
    const lower = planned({ callout: 'M10 x 12 DEEP, ø8 H7 REAM THRU', thickness: '30' });
    const deepen = lower.operations.find((o) => o.key === 'deepen');
    expect(deepen?.cautions.map((c) => c.code)).not.toContain('larger-first');
    expect(deepen?.cut?.spec).toMatchObject({
      fromMm: lower.operations.find((o) => o.key === 'drill')?.cut?.spec.fullMm,
    });
  });
  test('an existing hole is followed, and says so; where it serves nothing is drilled', () => {
    const opened = planned({ callout: 'M8 THRU', thickness: '12', existing: '5' });
    const drill = opened.operations.find((o) => o.key === 'drill');
    expect([drill?.cut?.spec.inHoleMm, drill?.cautions.map((c) => c.code)]).toEqual([
      5,
      expect.arrayContaining(['follows']),
    ]);
    const wide = planned({ callout: 'ø12 THRU', thickness: '12', existing: '8' }).operations.find(
      (o) => o.key === 'drill',
    );
    expect(wide?.cautions.find((c) => c.code === 'pilot-large')?.values).toMatchObject({
      share: { value: expect.closeTo(66.67, 2) },
      limit: { value: 50 },
    });
    const serves = planned({ callout: 'M8 THRU', thickness: '12', existing: '6.8' }).operations.find(
      (o) => o.key === 'drill',
    );
    expect([serves?.cut, serves?.time.value, told(serves ? [serves.order] : [])]).toEqual([
      undefined,
      15,
      expect.stringContaining('Leave the existing hole of 6.8 mm'),
    ]);
  });
});

describe('the taps of a hole', () => {
  const two = { callout: '4x M8 x 16 DEEP', thickness: '40', taps: 'M8x1.25 plug, M8x1.25 bottoming' } as const;
  const at = tapShop();
  // Plug of 4: 16 and 5 are 16.8 pitches; bottoming of 2 goes on to the same depth.
  test('the first says how it is turned, each how far; all holes with one before the next', () => {
    const taps = opsOf(two, { at });
    const [first, last] = ['tap-1', 'tap-2'].map((key) => detailsOf(taps, key));
    expect(first).toMatch(/back until the chip snaps.*All 4 holes with this tap before the next/);
    expect(last).toMatch(/^To the bottom, .* turns, counting the turns\. It takes about [\d.]+ Nm\.$/);
    expect(first).not.toContain('Left-hand');
    expect(detailsOf(opsOf({ ...two, callout: 'M8 x 16 DEEP' }, { at }), 'tap-1')).not.toContain('before the next');
    const alone = opsOf({ ...two, taps: 'M8x1.25 plug' }, { at });
    expect(detailsOf(alone, 'tap-1')).not.toContain('before the next');
    const seconds = (ops: Map<string, Operation>) =>
      [...ops.values()].reduce((sum, o) => sum + (o.code === 'tap' ? o.time.value : 0), 0);
    const { thread } = planned(two, { at });
    expect(seconds(taps)).toBeCloseTo((thread?.tapping.best.secondsAll ?? 0) / 4, 6);
    expect(told([op(alone, 'tap-1').order])).toBe('Tap M8x1.25: plug, 4 chamfer threads.');
  });
  test('left hand is said in each, and in the name; a spiral point is not turned back; a taper stops at the gauge, said once', () => {
    const left = opsOf({ callout: 'M8 LH x 16 DEEP', thickness: '40' });
    const firstLeft = op(left, 'tap-1');
    expect([told([firstLeft.order]), detailsOf(left, 'tap-1')]).toEqual([
      expect.stringContaining('Tap M8x1.25 LH'),
      expect.stringContaining('anticlockwise'),
    ]);
    expect(
      detailsOf(opsOf({ callout: 'M8 THRU', thickness: '12', taps: 'M8x1.25 spiral-point' }, { at }), 'tap-1'),
    ).toContain('in all, without reversing');
    const taper = opsOf({ callout: '1/8 NPT', thickness: '20' });
    expect(detailsOf(taper, 'tap-1')).toContain('stop at the gauge, not at a depth');
    expect(op(taper, 'tap-1').cautions.map((c) => c.code)).toContain('taper');
    expect(firstLeft.cautions.map((c) => c.code)).not.toContain('taper');
  });
  test('under power its speed is as it is set on the machine: the label of the step, or variable', () => {
    const drive = (machine: string, from = at) =>
      op(opsOf({ callout: 'M8 THRU', thickness: '16', machine, way: 'reversing-spindle' }, { at: from }), 'tap-1').tap
        ?.drive;
    expect(drive('mill')).toEqual({ rpm: 65, label: 'step 65' });
    const free = machineOf('free', 'mill', { minRpm: 60, maxRpm: 2000 }, { reversible: true });
    expect(drive('free', { ...at, machines: [free] })?.label).toBe('variable');
    expect(op(opsOf({ callout: 'M8 THRU', thickness: '16' }, { at }), 'tap-1').tap?.drive).toBeUndefined();
  });
});

test('withdrawals are named up to six, more by the first and the step; none where it goes down in one', () => {
  const said = (pecks: number[]): string => tell(withdrawals({ pecks, peckEveryMm: 8 }) ?? { text: 'none' }, 'mm');
  expect([said([]), said([24, 32]), said([1, 2, 3, 4, 5, 6])]).toEqual([
    'none',
    'Out at 24.0 mm, 32.0 mm on the stop.',
    'Out at 1.0 mm, 2.0 mm, 3.0 mm, 4.0 mm, 5.0 mm, 6.0 mm on the stop.',
  ]);
  expect(said([24, 32, 40, 48, 56, 64, 72])).toBe('Out at 24.0 mm on the stop, then every 8.0 mm.');
});

test('an angled hole is tilted toward a side, or by degrees from X; a mill finds its edges again and makes a flat, a press is warned', () => {
  const tilted = (towardsDeg: number | undefined, machine = 'press') =>
    opsOf({ callout: 'ø6 x 10 DEEP', thickness: '30', machine }, { setting: { tiltDeg: 20, towardsDeg } });
  const way = (deg: number | undefined): string => told([op(tilted(deg), 'tilt').order]);
  expect([0, 90, 180, 270, 360].map(way).map((w) => /until (the \w+) lies/.exec(w)?.[1])).toEqual([
    'the right',
    'the back',
    'the left',
    'the front',
    'the right',
  ]);
  expect([way(45), way(undefined)]).toEqual([
    expect.stringContaining('45° from X lies along the tilt'),
    expect.stringMatching(/^Tilt the work 20/),
  ]);
  expect(op(tilted(0), 'tilt').cautions.map((c) => c.code)).toContain('slope');
  const mill = tilted(0, 'mill');
  expect([op(mill, 'tilt').cautions.length, detailsOf(mill, 'tilt')]).toEqual([
    0,
    expect.stringContaining('Find the edges again'),
  ]);
  expect([mill.has('flat'), tilted(0).has('flat'), op(mill, 'tilt').time.value + op(mill, 'flat').time.value]).toEqual([
    true,
    false,
    300,
  ]);
});

test('a small hole is only touched by a centre drill, seven tenths as wide; from 3 mm its cone opens the mouth', () => {
  const start = (callout: string) => op(opsOf({ callout, thickness: '20', drills: 'metric-1-13-by-0.1' }), 'start');
  expect([told([start('ø2.9 THRU').order]), told([start('ø6 THRU').order])]).toEqual([
    expect.stringMatching(/^Only touch with .*: a mark 2\.0 mm across/),
    expect.stringMatching(/^Start with/),
  ]);
  expect(start('ø6 THRU').cut?.spec.fullMm).toBeCloseTo(1.5 * (start('ø6 THRU').cut?.spec.diameterMm ?? 0), 9);
});
