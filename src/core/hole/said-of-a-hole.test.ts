import { machineFigures } from './compare-machines';
import { findDrill } from './find-drill';
import { BLANK_FORM, type AskForm } from './form';
import { planForm } from './read-form';
import { safetyCautions } from './safety-cautions';
import { machineOf, material, METRIC_INDEX, planned, pool, shop } from '../tests/bench-shop';
import { tell } from '../units/show';

const assumed = (over: Partial<AskForm>): string[] =>
  planned(over)
    .assumptions.map((a) => tell(a, 'mm'))
    .filter((a) => !a.includes('read as mm'));
const refusal = (over: Partial<AskForm>): string[] => {
  const result = planForm({ ...BLANK_FORM, machine: 'press', ...over }, shop);
  return result.ok ? [] : result.problems.map((p) => `${p.field}: ${tell(p, 'mm')} ${tell(p.remedy, 'mm')}`);
};

describe('what was not said is taken, and said', () => {
  const TAKEN_THROUGH = 'No depth given: assumed through.';
  test.each([
    [{ callout: 'ø9' }, [TAKEN_THROUGH, 'No thickness given: assumed two diameters, 18.0 mm.']],
    [{ callout: 'ø9', thickness: '30', depth: '30' }, [TAKEN_THROUGH]],
    [{ callout: 'ø9', thickness: '30', depth: '10' }, []],
    [{ callout: 'ø9', thickness: '30', hole: 'through' }, []],
    [{ callout: 'ø9', thickness: '30', hole: 'blind' }, ['No depth given: assumed one and a half diameters, 13.5 mm.']],
    [
      { callout: 'M8 THRU', thickness: '30', hole: 'blind', depth: '10' },
      ['The callout says through; you chose blind, so that is used.'],
    ],
    [
      { callout: 'M8 x 10 DEEP', thickness: '30', depth: '12' },
      ['The callout says 10.0 mm deep; you typed 12.0 mm, so that is used.'],
    ],
    [{ callout: 'M8 x 10 DEEP', thickness: '30', depth: '10' }, []],
    [{ callout: 'M8 x 10 DEEP' }, ['No thickness given: the wall left under the hole is not checked.']],
    [{ callout: 'M8', thickness: '10' }, ['Through or blind not given: assumed through.']],
    [{ callout: 'M8', thickness: '30', depth: '8' }, ['Through or blind not given: assumed blind.']],
    [{ callout: 'M8', thickness: '30', depth: '30' }, ['Through or blind not given: assumed through.']],
    [
      { callout: 'ø9 x 4 DEEP M8 THRU', thickness: '20' },
      ['Depths are from the face: the thread starts below the larger part, at 4.0 mm.'],
    ],
    [{ callout: 'M8 THRU', depth: '9' }, ['No thickness given: assumed a plate as thick as the thread, 9.0 mm.']],
    // 1/8 NPT: 0.1615 in by hand and three threads of 27 to the inch are 6.92.
    [
      { callout: '1/8 NPT THRU', drills: 'inch-index-115' },
      [
        'No depth given: assumed the hand-tight length and three threads, 6.9 mm.',
        'No thickness given: assumed a plate as thick as the thread, 6.9 mm.',
      ],
    ],
  ] as [Partial<AskForm>, string[]][])('%j', (over, expected) => expect(assumed(over)).toEqual(expected));
});

describe('what cannot be says where, what, and what to do', () => {
  test.each([
    [
      { callout: 'ø9 x 20 DEEP M8 THRU', thickness: '20' },
      'callout: The larger part of 20.0 mm goes right through the 20.0 mm plate: nothing is left to tap. Make the larger part shallower.',
    ],
    [
      { callout: 'ø9 x 10 DEEP M8 x 22 DEEP', thickness: '20' },
      'threadDepth: A thread of 12.0 mm does not fit in the 10.0 mm that the larger part leaves of the plate. Tap at most 10.0 mm, go through, or use thicker stock.',
    ],
    [
      { callout: 'M8 x 22 DEEP', thickness: '20' },
      'threadDepth: A thread 22.0 mm deep does not fit in a plate of 20.0 mm. Tap at most 20.0 mm, go through, or use thicker stock.',
    ],
    [
      { callout: 'M8 THRU', thickness: '1' },
      'thickness: 1.0 mm is less than one pitch (1.25 mm): that is no thread. Check the unit, or use a finer thread.',
    ],
    [
      { callout: 'M8 x 1 DEEP', thickness: '20' },
      'threadDepth: 1.0 mm is less than one pitch (1.25 mm): that is no thread. Check the unit, or use a finer thread.',
    ],
    [
      { callout: 'M8 THRU', thickness: '20', width: '8' },
      'stockWidth: The tap is 8.0 mm and the stock only 8.0 mm across: nothing would be left around it. Use a smaller thread or wider stock.',
    ],
    [
      { callout: 'M10 THRU ø5 H7 REAM', thickness: '20' },
      'callout: A bore of 5.0 mm lies inside M10x1.5, which goes through: nothing of it would be left. Give the thread its depth, or leave the smaller bore out.',
    ],
    [
      { callout: 'M8 THRU', thickness: '2500' },
      'thickness: The thickness of 2500.0 mm is over the 2000.0 mm that a part may have. Check the unit.',
    ],
    [
      { callout: 'M8 THRU', thickness: '20', percent: '95' },
      'targetPercent: 95 % of thread is out of range: 40 % to 90 %. Enter a percentage in that range, or auto.',
    ],
    [
      { callout: 'M8 THRU', thickness: '20', drill: '8.0' },
      'drill: A 8.0 mm drill (8.0 mm) is as large as the thread (8.0 mm) or larger: no thread would be left. Use a drill smaller than the major diameter.',
    ],
    // M8 x 20 blind in 22: bottoming of 2 and one pitch of room over a flat floor: 23.75. Wall of 1.6 at least.
    [
      { callout: 'M8 x 20 DEEP', thickness: '22' },
      'threadDepth: A blind thread 20.0 mm deep needs a hole 23.8 mm deep to the tip; the plate is 22.0 mm. Thread at most 16.6 mm deep, or go through.',
    ],
    [
      { callout: 'M8 x 3 DEEP', thickness: '6' },
      'threadDepth: A blind thread 3.0 mm deep needs a hole 6.8 mm deep to the tip; the plate is 6.0 mm. Go through, or use thicker stock: no room for a usable blind thread.',
    ],
  ] as [Partial<AskForm>, string][])('%j', (over, expected) => expect(refusal(over)).toEqual([expected]));

  test('the edges of reason themselves are answered', () => {
    for (const over of [{ percent: '40' }, { percent: '90' }, { width: '8.1' }, { parts: '100000' }])
      expect([over, refusal({ callout: 'M8 THRU', thickness: '20', drills: 'all', ...over })]).toEqual([over, []]);
    expect(refusal({ callout: 'M8 THRU', thickness: '1.25' })).toEqual([]);
  });
});

test('what holds at every machine, and what the metal does', () => {
  const steel = material('steel-low-carbon');
  const codes = (...of: Parameters<typeof safetyCautions>): string[] => safetyCautions(...of).map((c) => c.code);
  const always = ['eyes', 'clamp', 'chips', 'responsible'];
  const besides = (...of: Parameters<typeof safetyCautions>): string[] =>
    codes(...of).filter((c) => !always.includes(c) && c !== 'material');
  const ranged = machineOf('r', 'drill-press', { minRpm: 100, maxRpm: 900 });
  expect(besides(steel, undefined, false)).toEqual([]);
  expect(besides(steel, machineOf('p', 'drill-press', [140]), true)).toEqual(['belts', 'breakthrough']);
  expect(besides(steel, ranged, false)).toEqual(['drive']);
  expect(besides(steel, machineOf('h', 'hand-drill', [450]), false)).toEqual(['hand-drill']);
  expect(besides(steel, machineOf('h', 'hand-drill', { minRpm: 0, maxRpm: 900 }), false)).toEqual(['hand-drill']);
  expect(besides(material('iron-grey'), undefined, false)).toContain('dust');
  expect(besides(material('brass-free-cutting'), undefined, false)).toContain('grabs');
  expect(besides(material('stainless-austenitic'), undefined, false)).toContain('work-hardens');
  const magnesium = safetyCautions(material('magnesium'), ranged, true);
  expect(tell(magnesium.find((c) => c.code === 'material-hazard') ?? { text: '' }, 'mm')).toMatch(/^[A-Z].*\.$/);
  expect(magnesium.filter((c) => c.standing).map((c) => c.code)).toEqual([
    'eyes',
    'clamp',
    'drive',
    'breakthrough',
    'chips',
    'responsible',
  ]);
});

test('a drill is found by what is stamped on it, with or without its unit, the pool’s own first', () => {
  const found = (text: string) => findDrill(text, METRIC_INDEX)?.diameterMm.toFixed(3);
  expect(['6.8', ' 6.8 mm ', '6.80', '17/64', '17/64 in', '17/64"', '#7', 'f', 'F'].map(found)).toEqual([
    '6.800',
    '6.800',
    '6.800',
    '6.747',
    '6.747',
    '6.747',
    '5.105',
    '6.528',
    '6.528',
  ]);
  expect(['', 'xx', '-6.8', '6.81', '0', '1e9'].map(found)).toEqual(Array(6).fill(undefined));
  const mine = { series: 'metric' as const, label: '6.8', diameterMm: 6.8, material: 'cobalt' as const };
  expect(findDrill('6.8', { id: 'mine', label: 'mine', drills: [mine] })).toBe(mine);
  expect(pool('all').drills.length).toBeGreaterThan(200);
});

test('machines side by side: what each makes of a hole, or why it makes none', () => {
  const at = (machine: string, over: Partial<AskForm> = {}) => {
    const found = shop.machines.find((m) => m.id === machine);
    if (!found) throw new Error(machine);
    const form = { ...BLANK_FORM, callout: 'M8 THRU', thickness: '12', machine, ...over };
    return machineFigures(found, planForm(form, shop));
  };
  const press = at('press');
  expect([press.start, press.stop, press.tapping, press.rpm]).toEqual([
    'centre-drill',
    'scale',
    'By hand, guided by a spring centre',
    1250,
  ]);
  // 17/64 from a centre drill comes out 0.072 larger.
  expect([press.oversizeMm?.toFixed(2), press.percentOfIdeal && Math.round(press.percentOfIdeal)]).toEqual([
    '0.07',
    97,
  ]);
  expect([at('press', { existing: '5' }).start, press.problems, at('mill').operations > 4]).toEqual([
    undefined,
    [],
    true,
  ]);
  expect(press.warnings.every((c) => c.level !== 'note')).toBe(true);
  expect(at('press', { thickness: '0.5' })).toMatchObject({
    operations: 0,
    seconds: 0,
    warnings: [],
    problems: [{ code: 'thread-under-pitch' }],
  });
  expect(at('press', { callout: 'ø9 THRU' })).toMatchObject({ tapping: undefined, oversizeMm: undefined });
});
