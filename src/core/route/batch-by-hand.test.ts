import { tell } from '../units/show';
import { firstArticle, fluidMl, nameOfSetUp, savings, timeShares } from './batch';
import type { Route, RouteSetUp, Visit } from './route';
import type { WorkItem } from './work-item';

let id = 0;
const item = (code: string, seconds: number, over: object = {}): WorkItem =>
  ({ id: id++, code, letter: 'A', seconds, order: { text: `${code} it` }, ...over }) as never;
const visit = (changeS: number, waysS: number, ...items: WorkItem[]): Visit =>
  ({ tool: items[0].code, changeS, items, workS: waysS + items.reduce((sum, i) => sum + i.seconds, 0) }) as never;
/** All parts together: changes once, or for each part, and clamped work for each. */
function setUp(
  machine: string | undefined,
  clampS: number,
  parts: number,
  visits: Visit[],
  over: object = {},
): RouteSetUp {
  const change = visits.reduce((sum, v) => sum + v.changeS, 0);
  const work = visits.reduce((sum, v) => sum + v.workS, 0);
  return {
    key: 's',
    ...(machine ? { machine: { id: machine, name: machine }, face: 'top' } : {}),
    mode: 'operation',
    visits,
    clampS,
    weighed: [],
    seconds: change + parts * (work + clampS),
    ...over,
  } as never;
}
const route = (quantity: number, ...setUps: RouteSetUp[]): Route =>
  ({ quantity, setUps, seconds: setUps.reduce((sum, s) => sum + s.seconds, 0) + 90 }) as never;
const words = (list: ReturnType<typeof savings>): string[] => list.map((p) => tell(p, 'mm'));

// Three parts: 20 s to change, 40 s of cutting and 10 s of ways, clamped in 15 s: 20 + 3 (50 + 15) = 215 s.
test('where the time goes: cutting and ways, changes, clamping, and what lies between set-ups', () => {
  const visits = [visit(20, 10, item('drill', 30), item('drill', 10))];
  expect(timeShares(route(3, setUp('mill', 15, 3, visits)))).toEqual({
    cuttingS: 150,
    changesS: 20,
    clampingS: 45,
    otherS: 90,
  });
  // One part finished before the next: two tools are changed for each.
  const both = [...visits, visit(5, 0, item('tap', 12))];
  const one = setUp('mill', 15, 3, both, { mode: 'part', seconds: 3 * (25 + 62 + 15) });
  expect(timeShares(route(3, one))).toMatchObject({ cuttingS: 186, changesS: 75, clampingS: 45 });
  const single = setUp('mill', 15, 3, visits, { mode: 'part' });
  expect(timeShares(route(3, single)).changesS).toBe(20);
});

test('what went through first on one part is made on one part fewer after it', () => {
  const hole = item('drill', 30, { wet: true });
  const first = setUp('mill', 15, 1, [visit(20, 0, hole)], { isFirst: true, parts: 1 });
  const rest = setUp('mill', 15, 4, [visit(20, 0, hole)]);
  expect(timeShares(route(4, first, rest)).cuttingS).toBe(30 + 3 * 30);
  // 6 ml a minute, 30 s a hole, four parts.
  expect(fluidMl(route(4, first, rest))).toBeCloseTo(12, 9);
});

test('the first part is measured: the first check of each hole, by letter; of one part alone nothing is said', () => {
  const checks = visit(0, 0, item('check', 15, { letter: 'B' }), item('drill', 9), item('check', 15), item('check', 9));
  expect(words(firstArticle(route(2, setUp(undefined, 0, 2, [checks]))))).toEqual(['A: check it', 'B: check it']);
  expect(firstArticle(route(1, setUp(undefined, 0, 1, [checks])))).toEqual([]);
});

// 30 parts of four marks at 60 s are 7,200 s; a jig takes 1,200 + 4 x 180 to make and 20 s a part to load: 4,680 s less.
test('what would save most comes first: a jig, a quicker order, a face reached in the clamping before it', () => {
  const marks = setUp(undefined, 0, 30, [visit(0, 0, ...Array.from({ length: 4 }, () => item('lay-out', 60)))]);
  const drilled = setUp('mill', 40, 30, [visit(20, 0, item('drill', 30))], {
    weighed: [{ strategy: 'tool-by-tool', mode: 'operation', seconds: 1000 }],
  });
  const quicker = (seconds: number): RouteSetUp => ({
    ...drilled,
    weighed: [{ strategy: 'hole-by-hole', mode: 'part', seconds: drilled.seconds - seconds }],
  });
  const turned = quicker(61);
  const all = words(savings(route(30, marks, drilled, turned)));
  expect(all).toEqual([
    'A drill jig with 4 bushings takes 32 min to make; then nothing is scribed: saves 78 min.',
    'mill, top: reached in the clamping before it, saves 20 min.',
    'mill, top: tool by tool, one operation over all parts, saves 19 min.',
  ]);
  const alone = words(savings(route(30, turned)));
  expect(alone[0]).toBe('mill, top: hole by hole, one part finished before the next, saves 1 min.');
  expect(alone[1]).toMatch(/^Clamping takes 20 min/);
  // Under a minute nothing is worth saying; a tilted part is clamped anew whatever comes before it.
  const near = quicker(60);
  expect(words(savings(route(30, near, { ...near, tiltDeg: 5 })))).toHaveLength(1);
});

test('a set-up is called by its machine and face, how it is tilted, after what it comes, and whether it goes first', () => {
  const named = (over: object): string => nameOfSetUp(setUp('mill', 0, 1, [], over));
  expect([
    named({}),
    named({ tiltDeg: 12.25, isFirst: true }),
    named({ afterCut: 'saw' }),
    nameOfSetUp(setUp(undefined, 0, 1, [visit(0, 0, item('cut-between', 9))])),
    nameOfSetUp(setUp(undefined, 0, 1, [visit(0, 0, item('lay-out', 9))])),
    nameOfSetUp(setUp(undefined, 0, 1, [], { key: 'bench|before' })),
  ]).toEqual([
    'mill, top',
    'mill, top, tilted 12.3°, one through first',
    'mill, top, after saw',
    'Cut',
    'Bench',
    'Bench, before',
  ]);
});
