import { BLANK_FORM, type AskForm } from '../hole/form';
import { allCautions, type HolePlan } from '../hole/hole-plan';
import { planForm } from '../hole/read-form';
import type { Shop } from '../shop/shop';
import { machineOf, METRIC_INDEX, PRESS_STEPS, shop as plainShop } from '../tests/bench-shop';
import { tell } from '../units/show';
import type { Setting } from './context';

const shop: Shop = {
  ...plainShop,
  machines: [
    machineOf('press', 'drill-press', PRESS_STEPS),
    machineOf('mill', 'mill', [65, 110, 180, 300, 590, 1000, 1640, 2720], { coastAtRpm: 65 }),
    machineOf('lathe', 'lathe', [45, 75, 120, 190, 300, 470, 740, 1150, 1800]),
  ],
  pools: [{ ...METRIC_INDEX, id: 'crib' }],
  tools: [
    { id: 'c', kind: 'centre-drill', name: 'centre drill 2.5', smallMm: 2.5, diameterMm: 6.3 },
    { id: 's', kind: 'spot-drill', name: 'spot drill 10', diameterMm: 10, angleDeg: 90 },
  ],
};
const aluminium = 'aluminium-wrought-6000';
const plan = (over: Partial<AskForm>, setting: Setting = {}, at: Shop = shop): HolePlan => {
  const result = planForm({ ...BLANK_FORM, machine: 'press', ...over }, at, setting);
  if (!result.ok) throw new Error(result.problems.map((p) => tell(p, 'mm')).join(' '));
  return result.value;
};
const op = (key: string, ...of: Parameters<typeof plan>) => {
  const found = plan(...of).operations.find((o) => o.key === key);
  return found
    ? {
        order: tell(found.order, 'mm'),
        details: found.details.map((d) => tell(d, 'mm')),
        seconds: found.time.value,
        cut: found.cut,
      }
    : undefined;
};
const order = (...of: Parameters<typeof op>): string => op(...of)?.order ?? 'none';
const said = (code: string, ...of: Parameters<typeof plan>): string[] =>
  allCautions(plan(...of))
    .filter((c) => c.code === code)
    .map((c) => `${c.level}: ${tell(c, 'mm')}`);

describe('finding the place', () => {
  const through9 = { callout: 'ø9 THRU', material: aluminium, thickness: '16' };
  test.each([
    ['press', {}, {}, 'Scribe, prick-punch, check, then centre-punch once.', 45],
    ['mill', {}, {}, 'Find two edges and go to the place by dial or readout.', 12],
    ['lathe', {}, {}, 'Face the end; the tailstock is on the axis.', 12],
    [
      'press',
      {},
      { curved: true },
      'Set it in V-blocks, scribe its centre line, then along it; prick-punch, check, centre-punch once.',
      45,
    ],
    [
      'mill',
      {},
      { curved: true },
      'Touch both sides of the round, go to its middle, then along from the end, by dial or readout.',
      12,
    ],
    [
      'press',
      { existing: '5' },
      {},
      'Bring the spindle over the existing hole: indicate it, or find it with a cone.',
      45,
    ],
  ] as [string, Partial<AskForm>, Setting, string, number][])(
    'on the %s %#',
    (machine, over, setting, words, seconds) => {
      const found = op('lay-out', { ...through9, machine, ...over }, setting);
      expect([found?.order, found?.seconds]).toEqual([words, seconds]);
      expect(said('round-side', { ...through9, machine, ...over }, setting)).toHaveLength(setting.curved ? 1 : 0);
    },
  );

  test('the dimple takes the chisel edge and a tenth: 1.25 of the web; a punch makes no more than 2.6', () => {
    // Web of 9 is 0.305 + 1.125; times 1.25 times 1.1 is 1.97.
    expect(op('lay-out', through9)?.details).toEqual([
      'The dimple must take the chisel edge of the 9.0 mm drill: at least 2.0 mm across.',
    ]);
    const wander = (mm: number, start: AskForm['start']) =>
      said('wander', { ...through9, callout: `ø${mm} THRU`, start }).length;
    // 12.5: 2.57; 13: 2.65. In aluminium neither has a pilot.
    expect([
      wander(12.5, 'punch'),
      wander(13, 'punch'),
      wander(13, 'hand'),
      wander(13, 'centre-drill'),
      wander(13, 'bushing'),
    ]).toEqual([0, 1, 1, 0, 0]);
  });

  test('a lathe drills on its axis', () => {
    const off = (offAxisMm: number | undefined, machine = 'lathe') =>
      said('off-axis', { ...through9, machine }, { offAxisMm });
    expect([off(undefined), off(0.05), off(9, 'mill')]).toEqual([[], [], []]);
    expect(off(9)[0]).toMatch(/^stop: A lathe drills on its axis; this hole is 9\.0 mm off it/);
    expect(off(Infinity)[0]).toMatch(/^stop: .*this face has none/);
  });

  test('a slope is told before the start', () => {
    const tilted = plan(through9, { tiltDeg: 20 }).operations.map((o) => o.key);
    expect(tilted.slice(0, 3)).toEqual(['lay-out', 'tilt', 'start']);
    expect(order('tilt', through9, { tiltDeg: 20 })).toMatch(/^Tilt the work 20(\.0+)?°/);
    expect([said('slope', through9, { tiltDeg: 20 }).length, order('tilt', through9, {})]).toEqual([1, 'none']);
  });
});

describe('starting', () => {
  test('a centre drill goes one and a half tips deep, in thin stock six tenths', () => {
    const start = (thickness: string, at?: Shop) =>
      op('start', { callout: 'ø5 THRU', thickness, start: 'centre-drill' }, { thicknessMm: +thickness }, at);
    expect([start('20')?.order, start('20')?.cut?.spec.fullMm]).toEqual([
      'Start with centre drill 2.5 on the punch mark.',
      3.75,
    ]);
    expect(start('4')?.cut?.spec.fullMm).toBeCloseTo(2.4, 9);
    expect(start('20', { ...shop, tools: [] })?.order).toBe('Start with a centre drill on the punch mark.');
    for (const by of ['punch', 'hand', 'bushing'] as const)
      expect(order('start', { callout: 'ø5 THRU', thickness: '20', start: by })).toBe('none');
  });

  test('a spot leaves the chamfer where it is wide enough and the plate thick enough, else it only guides', () => {
    const spot = (callout: string, thickness: string) => {
      const asked = { callout, thickness, machine: 'mill', start: 'spot' as const };
      const { cut, order: words } = op('start', asked, { thicknessMm: +thickness }) ?? {};
      return [words, cut?.spec.diameterMm.toFixed(2), order('chamfer', asked, { thicknessMm: +thickness }) === 'none'];
    };
    expect(spot('M6 THRU', '10')).toEqual([
      'Spot with a 90° spot drill, 3.1 mm deep: it leaves the chamfer of 6.2 mm too.',
      '6.20',
      true,
    ]);
    // 3.1 deep is more than 0.6 of 4; half of the 5.0 guides it. In 1.5 there is room for 1.8 across, under half of 4.2.
    expect(spot('M6 THRU', '4')).toEqual(['Spot with spot drill 10, 1.3 mm deep, 2.5 mm across.', '2.50', false]);
    expect(spot('M5 THRU', '1.5').slice(1)).toEqual(['1.80', false]);
    // A chamfer of 12.4 is wider than the spot; half of the pilot of 3.0.
    expect(spot('M12 THRU', '12').slice(1)).toEqual(['1.50', false]);
    // Under a larger part there is no chamfer to leave: half of the 9.0 that comes first.
    expect(spot('ø9 x 4 DEEP M6 THRU', '20')[1]).toBe('4.50');
    expect(spot('ø6.6 THRU CBORE ø11 x 6', '20')[1]).toBe('3.30');
  });
});

describe('drilling, in the imperative', () => {
  test.each([
    ['drill', { callout: 'ø9 THRU', thickness: '16' }, 'Drill 9.0 mm through; the tip passes 2.7 mm beyond the back.'],
    [
      'drill',
      { callout: 'ø9 x 10 DEEP', thickness: '30' },
      'Drill 9.0 mm to 10.0 mm; set the stop at 13.0 mm from touch.',
    ],
    ['pilot-1', { callout: 'ø12 THRU', thickness: '16' }, 'Pilot with 3.0 mm, through.'],
    [
      'pilot-1',
      { callout: 'ø12 x 10 DEEP', thickness: '30' },
      'Pilot with 3.0 mm to 10.0 mm; stop at 11.0 mm from touch.',
    ],
    [
      'open',
      { callout: 'ø9 x 10 DEEP M8 THRU', thickness: '25' },
      'Open to 9.0 mm, 10.0 mm deep first; set the stop at 13.0 mm from touch.',
    ],
    ['drill', { callout: 'M10 THRU', thickness: '12', existing: '8' }, 'Open the hole of 8.0 mm with 8.5 mm, through.'],
    [
      'drill',
      { callout: 'M10 THRU', thickness: '12', existing: '8.6' },
      'Leave the existing hole of 8.6 mm: it is tapped as it is. Pin it before tapping.',
    ],
    ['ream', { callout: 'ø8 H7 REAM THRU', thickness: '16' }, 'Ream 8.0 mm H7, through; never turn it back.'],
    ['ream', { callout: 'ø8 REAM x 12 DEEP', thickness: '30' }, 'Ream 8.0 mm, 12.0 mm deep; never turn it back.'],
    [
      'counterbore',
      { callout: 'ø9 THRU CBORE ø15 x 8.6', thickness: '16' },
      'Counterbore 15.0 mm, 8.6 mm deep: touch with the edges, set the stop 8.6 mm on.',
    ],
    [
      'countersink',
      { callout: 'ø6.6 THRU CSK 12.6 x 90°', thickness: '16' },
      'Countersink 90° to 12.6 mm: 3.0 mm from where it touches the rim.',
    ],
    [
      'chamfer',
      { callout: 'M8 THRU', thickness: '16' },
      'Countersink the mouth to 8.4 mm, 0.8 mm from touching the rim, before tapping.',
    ],
  ] as [string, Partial<AskForm>, string][])('%s of %j', (key, over, words) =>
    expect(order(key, { ...over, start: 'centre-drill' })).toBe(words),
  );

  test('withdrawals, breakthrough, fluid and hold are said where they apply', () => {
    const details = (over: Partial<AskForm>, key = 'drill') => op(key, over)?.details.join('\n') ?? '';
    // 5 mm in mild steel, tip 1.5: first at 15, then every 5: at 15, 20, 25 of 27.5; 13 deep ends at 14.5.
    expect(details({ callout: 'ø5 x 26 DEEP', thickness: '40' })).toContain(
      'at 15.0 mm, then every 5.0 mm: 3 times in all',
    );
    expect(details({ callout: 'ø5 x 16 DEEP', thickness: '40' })).toContain('Withdraw fully once, at 15.0 mm');
    expect(details({ callout: 'ø5 x 13 DEEP', thickness: '40' })).not.toContain('Withdraw');
    const deep = { callout: 'ø9 x 10 DEEP', thickness: '30' };
    expect([
      details({ ...deep, dry: true }).includes('Fluid: dry, as asked'),
      /Fluid: dry/.test(details(deep)),
    ]).toEqual([true, false]);
    expect([
      /comes through/.test(details({ callout: 'ø9 THRU', thickness: '16' })),
      /comes through/.test(details(deep)),
    ]).toEqual([true, false]);
    expect(details({ callout: 'ø9 THRU', thickness: '16' })).toMatch(/If it grabs, it pulls with \d+ N at the edge/);
  });
});

describe('tapping, tap by tap', () => {
  test('how many turns, turned back or not, and which tap of how many', () => {
    const tap = (over: Partial<AskForm>, key = 'tap-1') => op(key, over);
    // 25 of 1.25 and 8 threads of chamfer.
    expect([
      tap({ callout: 'M8 THRU', thickness: '25' })?.order,
      tap({ callout: 'M8 THRU', thickness: '25' })?.details[1],
    ]).toEqual([
      'Tap M8x1.25: taper, 8 chamfer threads.',
      '1/2 turn forward, back until the chip snaps; 28 turns in all.',
    ]);
    const two = { callout: '3x M10 x 8 DEEP', material: aluminium, thickness: '16', taps: 'plug,bottoming' };
    expect(tap(two, 'tap-2')?.details[0]).toBe('To the bottom, 7 1/4 turns, counting the turns.');
    expect(tap(two)?.details).toContain('All 3 holes with this tap before the next: one change.');
    expect(tap({ callout: 'M10x1 LH THRU', thickness: '12' })?.details[0]).toMatch(/turn anticlockwise/);
    expect(tap(two)?.seconds).toBeCloseTo(tap(two, 'tap-2')?.seconds ?? NaN, 9);
    expect(tap({ callout: '4x M8 THRU', thickness: '12', machine: 'mill', parts: '20' })?.details[1]).toMatch(
      /turns in all, without reversing/,
    );
    const npt = { callout: '1/8 NPT THRU', thickness: '12' };
    expect(tap(npt)?.details[1]).toMatch(/^About .* turns: stop at the gauge, not at a depth/);
    expect([said('taper', npt).length, said('taper', two).length, said('tap-reach', npt).length]).toEqual([1, 0, 0]);
  });

  test('a usual M6 reaches 30: its thread of 19 and neck of 11; and eight threads of chamfer under it, count from the face', () => {
    const reach = (callout: string, thickness: number) =>
      said('tap-reach', { callout, thickness: String(thickness), taps: 'taper' });
    expect([reach('M6 THRU', 22), reach('ø9 x 10 DEEP M6 THRU', 22)]).toEqual([[], []]);
    for (const callout of ['M6 THRU', 'ø9 x 10 DEEP M6 THRU'])
      expect(reach(callout, 23)[0]).toMatch(
        /^warn: The tap has to go 31\.0 mm below the face; .* reaches about 30\.0 mm/,
      );
  });

  test('an old thread is cleaned, gauged, and chased by hand where the gauge binds', () => {
    const old = { callout: '1/2-12 BSW THRU', thickness: '22', existing: 'thread' };
    expect(plan(old).operations.map((o) => [o.key, o.time.value])).toEqual([
      ['clean', 60],
      // 20 to clean it, six things to gauge at 15.
      ['check', 110],
      ['chase', 0],
    ]);
    expect(op('chase', old)?.details).toHaveLength(2);
    expect(said('old-thread', old)).toHaveLength(1);
  });
});
