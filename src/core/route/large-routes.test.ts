import { BLANK_FORM } from '../hole/form';
import { plannerFor, type JobHead } from '../job/plan-in-job';
import { shop } from '../tests/bench-shop';
import { tell } from '../units/show';
import { planRoute, type Route } from './route';
import { countSteps, tooManySteps } from './run-steps';
import type { SetUp } from './work-item';
import { workOfJob } from './work-of-job';

const visit = (items: number) => ({ items: { length: items } });
const route = (quantity: number, ...setUps: object[]): Route => ({ quantity, setUps }) as never;

// Three things at the bench; two tools, two holes and one, clamped for each; one hole through first, once.
test('steps: everything on every part, a clamping for each tool of a machine, and once what goes through first', () => {
  const bench = { visits: [visit(3)] };
  const mill = { machine: {}, visits: [visit(2), visit(1)] };
  expect(countSteps(route(4, bench, mill))).toBe(4 * 3 + 4 * (3 + 2));
  expect(countSteps(route(4, { ...mill, isFirst: true }, bench))).toBe(5 + 12);
});

test('more steps than a bench follows: how many parts at a time would do, or that one part is too many', () => {
  expect(tooManySteps(route(100_000, { visits: [visit(2)] }))).toBeUndefined();
  const many = tooManySteps(route(100_000, { visits: [visit(3)] }));
  expect(many && [many.code, many.field, tell(many.remedy, 'mm')]).toEqual([
    'steps-many',
    'quantity',
    'Split the batch: at most 66666 parts at a time.',
  ]);
  const one = tooManySteps(route(1, { visits: [visit(200_001)] }));
  expect(one && [one.field, tell(one.remedy, 'mm')]).toEqual(['route', 'Split the job into several.']);
  // Half of the parts would do: one of two is not none.
  expect(tooManySteps(route(2, { visits: [visit(200_000)] }))?.field).toBe('quantity');
});

const job: JobHead = {
  materialId: 'aluminium-wrought-6000',
  quantity: 1,
  part: { stock: { shape: 'plate', widthMm: 200, heightMm: 150, thicknessMm: 8 }, condition: '', datums: {} },
};
function tapped(columns: number, rows: number): SetUp[] {
  const many = {
    id: 'many',
    letter: 'A',
    name: 'A',
    face: 'top' as const,
    place: { kind: 'grid' as const, x: 20, y: 20, columns, rows, dx: 12, dy: 12 },
    question: { ...BLANK_FORM, machine: 'mill', callout: `${columns * rows}x M3 THRU` },
  };
  const work = workOfJob([many], job, shop, plannerFor(shop));
  if (!work.ok) throw new Error('refused');
  return work.value;
}

test('over very many holes each tool begins where the one before it ended, and is at each once', () => {
  const { setUps } = planRoute(tapped(13, 10), 1, { order: 'tool-by-tool', firstHole: 'all' });
  const visits = setUps.flatMap((s) => (s.machine ? s.visits.map((v) => v.items.map((i) => i.hole)) : []));
  expect(visits.length).toBeGreaterThan(2);
  for (const [n, holes] of visits.entries()) {
    expect(new Set(holes).size).toBe(130);
    if (n > 0) expect(holes[0]).toBe(visits[n - 1][129]);
  }
});

test('what was weighed stands the quickest first, and that one is used', () => {
  for (const quantity of [2, 40]) {
    const { setUps } = planRoute(tapped(2, 2), quantity, { order: 'quicker', firstHole: 'all' });
    for (const { weighed, seconds, strategy, mode } of setUps.filter((s) => s.machine)) {
      expect(weighed.length).toBeGreaterThan(3);
      expect(weighed.map((w) => w.seconds)).toEqual(weighed.map((w) => w.seconds).sort((a, b) => a - b));
      expect({ strategy, mode }).toEqual({ strategy: weighed[0].strategy, mode: weighed[0].mode });
      expect(seconds).toBeCloseTo(weighed[0].seconds, 6);
    }
  }
});

test('an order that no longer works is said, of one hole that goes through first as well, and the proposed one stays', () => {
  const habits = { order: 'quicker', firstHole: 'through' } as const;
  const plain = planRoute(tapped(2, 2), 2, habits);
  const first = plain.setUps.find((s) => s.isFirst);
  if (!first) throw new Error('none first');
  const order = { [first.key]: first.visits.map((v) => v.key).reverse() };
  const wrong = planRoute(tapped(2, 2), 2, habits, { order });
  expect(wrong.problems.map((p) => [p.code, p.field])).toEqual([['route-order', first.key]]);
  expect(wrong.setUps).toEqual(plain.setUps);
});
