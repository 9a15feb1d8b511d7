import { ownTap, TAPS, tapShop } from '../tests/bench-taps';
import { METRIC_INDEX, planned, shop } from '../tests/bench-shop';
import { BLANK_FORM, type AskForm } from './form';
import { findDrill } from './find-drill';
import { allCautions } from './hole-plan';
import { planForm } from './read-form';
import { remedyFor } from './remedies';

const problemsOf = (form: Partial<AskForm>) => {
  const result = planForm({ ...BLANK_FORM, machine: 'press', ...form }, shop);
  return result.ok ? [] : result.problems;
};
const question = (form: Partial<AskForm>) => {
  const plan = planned(form);
  return plan.thread?.tapDrill;
};

test('an angled hole meets its plate along its own axis: 25 at 30 degrees is 28.87', () => {
  const { hole } = planned({ callout: 'M8 x 16 DEEP', thickness: '25' }, { setting: { tiltDeg: 30 } });
  expect(hole.thicknessMm).toBeCloseTo(25 / Math.cos(Math.PI / 6), 6);
});

test('a plain hole whose tip comes through is refused with what is left for it: 20 thick, tip 3.0, wall 1.5: 15.5', () => {
  expect(problemsOf({ callout: 'ø10 x 19 DEEP', thickness: '20' })[0]).toMatchObject({
    code: 'wall-zero',
    remedy: { values: { most: { value: expect.closeTo(15.496, 2) } } },
  });
  expect(problemsOf({ callout: 'ø10 x 15.4 DEEP', thickness: '20' })).toEqual([]);
});

test('gauging a hole: 20 s to clean it, 15 s for each of go, not-go, minor, square, place, mate, and depth where it is blind', () => {
  const seconds = (callout: string): number | undefined =>
    planned({ callout, thickness: '30' }).operations.find((o) => o.code === 'check')?.time.value;
  expect(['M8 THRU', 'M8 x 16 DEEP', 'ø8 THRU', '1/8 NPT'].map(seconds)).toEqual([110, 125, 50, 50]);
});

test('a drill by what stands on it, by its name, or by its size in millimetres; nothing else is one', () => {
  const label = (text: string): string | undefined => findDrill(text, METRIC_INDEX)?.label;
  expect(['6.8', ' 6.80 mm', '#7', '17/64 in', 'f'].map(label)).toEqual(['6.8', '6.8', '#7', '17/64', 'F']);
  expect(['', '0', '-6.8', 'q9', 'Infinity', '6.83'].map(label)).toEqual(Array(6).fill(undefined));
});

test('a percentage with or without its sign, or auto; what is none is said', () => {
  const asked = (percent: string) => question({ callout: 'M8 THRU', thickness: '12', percent })?.target.value;
  expect(['65', '65 %', '65%', '65,0'].map(asked)).toEqual([65, 65, 65, 65]);
  expect(['', 'auto', 'AUTO'].map(asked)).toEqual(Array(3).fill(asked('auto')));
  for (const percent of ['%65', '65 % %', 'much'])
    expect(problemsOf({ callout: 'M8 THRU', percent }).map((p) => p.code)).toEqual(['percent-unreadable']);
});

test('a worn tap gives way to a sharp one of the same way: of the crib before one to buy, never to a worn one', () => {
  const worn = TAPS.map((t) => (t.thread === 'M8x1.25' ? { ...t, condition: 'worn' as const } : t));
  const remedyAt = (taps: Parameters<typeof tapShop>[0]) => {
    const plan = planned({ callout: 'M8 THRU', thickness: '12', taps: 'M8x1.25 taper' }, { at: tapShop(taps) });
    const remedy = remedyFor('sharp-tap', plan);
    const other = plan.thread?.tapping.best.others.find((o) => o.key === remedy?.change.taps);
    return { owned: other?.owned, wear: Math.max(...(other?.way.taps.map((t) => t.wear ?? 1) ?? [])) };
  };
  expect(remedyAt([...worn, ownTap('M8x1.25', 'second-taper', 'straight', 8)])).toEqual({ owned: true, wear: 1 });
  expect(remedyAt(worn)).toEqual({ owned: false, wear: 1 });
});

test('no remedy where nothing helps: no drill in class above the loosest, no other way but freehand', () => {
  const plan = planned({ callout: 'M8 THRU', thickness: '12', drill: '6.6', drills: 'metric-1-13-by-0.1' });
  expect(remedyFor('next-drill', plan)?.change).toEqual({ drill: '6.7' });
  // 6.5 comes out at about 6.58: under the 6.647 of the class.
  expect(remedyFor('smaller-drill', plan)).toBeUndefined();
  const loose = planned({ callout: 'M8 THRU', thickness: '12', drill: '6.9', drills: 'metric-1-13-by-0.1' });
  expect(remedyFor('smaller-drill', loose)?.change).toEqual({ drill: '6.8' });
  expect(remedyFor('next-drill', planned({ callout: 'M8 THRU', thickness: '12', drill: '7.2' }))).toBeUndefined();
  expect(remedyFor('proposed-drill', planned({ callout: 'M8 THRU', thickness: '12' }))).toBeUndefined();
  const other = remedyFor('other-way', plan)?.change.way;
  expect(other).not.toBe(plan.thread?.tapping.best.id);
  expect(plan.thread?.tapping.ways.find((w) => w.id === other)?.possible).toBe(true);
  expect(other).not.toBe('hand-free');
});

test('no depth given in a plastic: one and a half diameters, as no bolt is the measure there', () => {
  const deep = (material: string) => planned({ callout: 'M8', hole: 'blind', thickness: '60', material }).hole.thread;
  expect(deep('acetal')?.lengthMm).toBe(12);
  expect(deep('steel-low-carbon')?.lengthMm).not.toBe(12);
});

// M8 goes 1.25 a turn: 1.875 are one thread and a half, which still is a thread.
test('a sheet holds by the threads in it: under one and a half nothing, of a tapered thread its wall is the measure', () => {
  const said = (callout: string, thickness: string) =>
    allCautions(planned({ callout, thickness }))
      .filter((c) => c.code === 'threads-in-sheet')
      .map((c) => c.level);
  expect([said('M8 THRU', '1.87'), said('M8 THRU', '1.875'), said('M8 THRU', '12')]).toEqual([['stop'], ['note'], []]);
  expect(said('1/8 NPT', '3')).toEqual([]);
});
