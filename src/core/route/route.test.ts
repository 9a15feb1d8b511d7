import fc from 'fast-check';
import { plannerFor, type JobHead } from '../job/plan-in-job';
import { BLANK_FORM, type AskForm } from '../hole/form';
import type { Part } from '../layout/part';
import type { Place } from '../layout/place';
import { shop } from '../tests/bench-shop';
import { tapShop } from '../tests/bench-taps';
import { tell } from '../units/show';
import { writeRouteCsv } from '../formats/route-csv';
import { againstDeadline, changePoints, firstArticle, fluidMl, nameOfSetUp, savings, timeShares } from './batch';
import { compareRoutes } from './compare-routes';
import { likeHoles } from './first-through';
import { holdingOf } from './holding';
import { machineChoices } from './machine-choices';
import { timesOf } from './machine-times';
import { moveVisit, planRoute, type Route, type RouteEdits } from './route';
import { parcelsOf, unpacked } from './route-parcels';
import { runSteps } from './run-steps';
import { respects, secondsOf, sequencesOf } from './sequence';
import { pathLength, shortestTree, shortPath } from './short-path';
import { USUAL_HABITS } from '../shop/habits';
import { holeName, type RoutedFeature, type SetUp, type WorkItem } from './work-item';
import { workOfJob } from './work-of-job';

const plate: Part = {
  stock: { shape: 'plate', widthMm: 200, heightMm: 150, thicknessMm: 16 },
  condition: '',
  datums: {},
};
const head = (over: Partial<JobHead> = {}): JobHead => ({
  materialId: 'aluminium-wrought-6000',
  quantity: 1,
  part: plate,
  ...over,
});
const feature = (
  letter: string,
  callout: string,
  place: Place,
  over: Partial<AskForm> = {},
  more: Partial<RoutedFeature> = {},
): RoutedFeature => ({
  id: `feature-${letter}`,
  letter,
  name: letter,
  face: 'top',
  place,
  question: { ...BLANK_FORM, drills: 'metric-1-13-by-0.1', machine: 'press', callout, ...over },
  ...more,
});
const circle = (divisions: number, diameter: number): Place => ({
  kind: 'circle',
  x: 100,
  y: 75,
  diameter,
  divisions,
  startDeg: 0,
  skip: [],
});
const at = tapShop();
const work = (features: RoutedFeature[], job = head()): SetUp[] => {
  const found = workOfJob(features, job, at, plannerFor(at));
  if (!found.ok) throw new Error(found.problems.map((p) => tell(p, 'mm')).join(' '));
  return found.value;
};
const route = (
  features: RoutedFeature[],
  job = head(),
  order: 'quicker' | 'hole-by-hole' | 'tool-by-tool' = 'quicker',
  edits: RouteEdits = {},
): Route => planRoute(work(features, job), job.quantity, { order, firstHole: 'all' }, edits);
const tools = (r: Route, n: number): string[] => r.setUps[n].visits.map((v) => `${v.tool} ×${v.items.length}`);

test('from the bench to a machine, and on to the next, takes 90 s each; a lathe needs no marks; a dial is turned in 5 s', () => {
  const two = route([
    feature('A', 'M6 THRU', { kind: 'point', x: 20, y: 20 }),
    feature('B', 'M6 THRU', { kind: 'point', x: 60, y: 20 }, { machine: 'mill' }),
  ]);
  const machines = two.setUps.flatMap((s) => (s.machine ? [s.machine.id] : []));
  expect(new Set(machines).size).toBe(2);
  expect(two.seconds - two.setUps.reduce((sum, s) => sum + s.seconds, 0)).toBeCloseTo(2 * 90, 6);
  const keys = (machine: string) =>
    work([feature('A', 'M6 THRU', { kind: 'point', x: 0, y: 0 }, { machine })]).map((s) => s.key);
  expect([keys('press').includes('bench|before'), keys('lathe').includes('bench|before')]).toEqual([true, false]);
  const [press] = at.machines;
  const dialled = timesOf({ ...press, speeds: { kind: 'range', minRpm: 100, maxRpm: 2000 }, times: undefined });
  expect([dialled.speedChangeS, timesOf({ ...press, times: undefined }).speedChangeS > 5]).toEqual([5, true]);
});

describe('the route of a job, by hand', () => {
  test('pier plate on the press: laid out, each tool once over its holes, checked', () => {
    const r = route([
      feature('A', '3x M10 x 8 DEEP', circle(3, 130)),
      feature('B', '4x M5 THRU', { kind: 'grid', x: 20, y: 20, columns: 2, rows: 2, dx: 160, dy: 110 }),
    ]);
    expect(r.setUps.map((s) => s.key)).toEqual(['bench|before', 'press|top', 'bench|after']);
    expect(tools(r, 0)).toEqual(['layout tools ×7']);
    const main = tools(r, 1);
    // Seven holes are begun with one centre drill; every tool comes once at each of its speeds.
    expect(main[0]).toMatch(/^centre drill ×7$/);
    expect(main).toEqual(expect.arrayContaining(['8.5 mm ×3', '4.2 mm ×4']));
    expect(new Set(r.setUps[1].visits.map((v) => `${v.tool} ${v.rpm}`)).size).toBe(main.length);
    expect(r.seconds).toBeGreaterThanOrEqual(r.boundS);
  });

  test('collar on the mill: two holes on the side, spotted and drilled in one clamping', () => {
    const collar: Part = { stock: { shape: 'bar', diameterMm: 60, lengthMm: 25 }, condition: '', datums: {} };
    const two = ['A', 'B'].map((letter, i) =>
      feature(letter, 'M6 x 12 DEEP', { kind: 'point', x: 10 + 30 * i, y: 12 }, { machine: 'mill' }, { face: 'side' }),
    );
    const r = route(two, head({ part: collar, materialId: 'stainless-free-machining' }));
    const mill = r.setUps.find((s) => s.machine?.id === 'mill');
    expect(mill?.visits.filter((v) => v.tool === '90° spot drill').map((v) => v.items.length)).toEqual([2]);
    expect(mill?.visits.every((v) => v.items.length <= 2)).toBe(true);
  });

  test('spreader bars, eighteen, both ends, on the lathe: two set-ups, each end in one, one operation or one part as is quicker', () => {
    const bar: Part = { stock: { shape: 'bar', diameterMm: 30, lengthMm: 480 }, condition: '', datums: {} };
    const ends = (['top', 'bottom'] as const).map((face, i) =>
      feature('AB'[i], 'M10 x 20 DEEP', { kind: 'point', x: 0, y: 0 }, { machine: 'lathe' }, { face }),
    );
    const r = route(ends, head({ part: bar, quantity: 18, materialId: 'steel-alloy-annealed' }));
    const lathe = r.setUps.filter((s) => s.machine);
    expect(lathe.map((s) => s.face)).toEqual(['top', 'bottom']);
    for (const s of lathe) expect(s.seconds).toBe(Math.min(...s.weighed.map((w) => w.seconds)));
    // Every operation of both ends of all bars, once each.
    expect(r.setUps.flatMap((s) => s.visits.flatMap((v) => v.items)).length).toBe(
      work(ends, head({ part: bar, quantity: 18 })).flatMap((s) => s.items).length,
    );
  });

  test('a rod is fitted to its tapped hole, which is cut first', () => {
    const setUps = work([
      feature('A', 'M10 x 30 OUTSIDE', { kind: 'point', x: 0, y: 0 }, { machine: '' }),
      feature('B', 'M10 THRU', { kind: 'point', x: 0, y: 0 }, { machine: '' }),
    ]);
    const items = setUps.flatMap((s) => s.items);
    const close = items.find((i) => i.opKey === 'die-close');
    const tap = items.filter((i) => i.code === 'tap').at(-1);
    expect(close?.after).toContain(tap?.id);
  });

  test('one tool that does three things to a hole is at one hole, not at three', () => {
    const r = route([feature('A', 'M10 x 30 OUTSIDE', { kind: 'point', x: 0, y: 0 }, { machine: 'lathe' })]);
    const dies = runSteps(r).filter((s) => s.item?.opKey.startsWith('die-'));
    expect(dies.map((s) => [s.item?.opKey, s.place?.n, s.place?.of])).toEqual([
      ['die-open', 1, 1],
      ['die-close', 1, 1],
      ['die-run', 1, 1],
    ]);
  });

  test('habits decide where the shop has one; nothing to make, or what cannot be made, says so', () => {
    const holes = [feature('A', '6x M6 THRU', circle(6, 100))];
    expect(route(holes, head(), 'hole-by-hole').setUps[1].strategy).toBe('hole-by-hole');
    const bad = workOfJob([feature('C', 'M8 x 99 DEEP', circle(1, 10))], head(), at, plannerFor(at));
    expect(bad.ok || bad.problems[0].code).toBe('route-feature');
    const none = workOfJob([], head(), at, plannerFor(at));
    expect(none.ok || none.problems[0].code).toBe('route-empty');
  });
});

describe('the user’s changes', () => {
  const holes = [
    feature('A', '4x M6 THRU', circle(4, 100)),
    feature('B', '2x ø9 THRU', { kind: 'row', x: 20, y: 20, count: 2, pitch: 60, angleDeg: 0 }),
  ];

  test('a visit is moved within what precedence allows, refused with the reason, and stays when planned again', () => {
    const { setUps } = route(holes);
    const [, main] = setUps;
    const drill = main.visits.findIndex((v) => v.tool === '5.0 mm');
    const tap = main.visits.findIndex((v) => v.items[0].code === 'tap');
    const wrong = moveVisit(main, main.visits[tap].key, drill);
    expect(wrong.ok ? '' : tell(wrong.problems[0], 'mm')).toMatch(/comes before M6x1 .*: hole A\d needs it first/);
    const nine = main.visits.find((v) => v.tool === '9.0 mm');
    const moved = moveVisit(main, nine?.key ?? '', main.visits.length - 1);
    if (!moved.ok) throw new Error('refused');
    const again = route(holes, head(), 'quicker', { order: { [main.key]: moved.value }, pinned: [nine?.key ?? ''] });
    expect(again.setUps[1].visits.at(-1)?.tool).toBe('9.0 mm');
    expect(again.setUps[1].visits.at(-1)?.pinned).toBe(true);
    const more = route([...holes, feature('C', 'ø4 THRU', { kind: 'point', x: 50, y: 50 })], head(), 'quicker', {
      order: { [main.key]: moved.value },
    });
    expect(more.setUps[1].visits.map((v) => v.tool)).toContain('4.0 mm');
    expect(more.problems).toEqual([]);
  });

  test('a split clamps anew, a joined face does not; a mode is kept', () => {
    const one = route(holes);
    const split = route(holes, head(), 'quicker', { splits: [one.setUps[1].visits[0].key] });
    expect(split.seconds - one.seconds).toBeCloseTo(timesOf(at.machines[0]).clampS, 6);
    const faces = [holes[0], { ...holes[1], face: 'bottom' as const }];
    const apart = route(faces);
    const joined = route(faces, head(), 'quicker', { joined: ['press|bottom'] });
    const { clampS, turnOverS } = timesOf(at.machines[0]);
    expect(apart.seconds - joined.seconds).toBeCloseTo(clampS + turnOverS, 6);
    const ten = head({ quantity: 10 });
    expect(route(holes, ten, 'quicker', { mode: { 'press|top': 'part' } }).setUps[1].mode).toBe('part');
  });
});

describe('what holds for every route', () => {
  const point = fc.record({ x: fc.integer({ min: 0, max: 200 }), y: fc.integer({ min: 0, max: 150 }) });
  const t = timesOf(at.machines[0]);
  const items = fc
    .array(fc.record({ at: point, ops: fc.integer({ min: 1, max: 4 }) }), { minLength: 1, maxLength: 14 })
    .map((holes) => {
      const list: WorkItem[] = [];
      holes.forEach(({ at: { x, y }, ops }, hole) => {
        for (let op = 0; op < ops; op++)
          list.push({
            id: list.length,
            featureId: 'f',
            letter: 'A',
            hole: hole + 1,
            opKey: `op-${op}`,
            code: 'drill',
            order: { text: '' },
            tool: `tool ${(op * 2 + (hole % 2)) % 5}`,
            inCrib: true,
            rpm: 500,
            seconds: 5,
            x,
            y,
            after: op > 0 ? [list.length - 1] : [],
          });
      });
      return list;
    });

  test('every operation once, nothing before what it needs, never under the bound, the same again', () => {
    fc.assert(
      fc.property(items, fc.integer({ min: 1, max: 20 }), (list, quantity) => {
        const setUps: SetUp[] = [{ key: 'press|top', machine: at.machines[0], face: 'top', items: list }];
        const r = planRoute(setUps, quantity, { order: 'quicker' });
        const order = r.setUps[0].visits.flatMap((v) => v.items);
        expect(order.map((i) => i.id).sort((a, b) => a - b)).toEqual(list.map((i) => i.id));
        expect(respects(order)).toBe(true);
        expect(r.seconds).toBeGreaterThanOrEqual(r.boundS - 1e-6);
        expect(planRoute(setUps, quantity, { order: 'quicker' })).toEqual(r);
        // A change that takes less never makes the best route slower.
        const quick = planRoute(
          [{ ...setUps[0], machine: { ...at.machines[0], times: { toolChangeS: 5 } } }],
          quantity,
          { order: 'quicker' },
        );
        expect(quick.seconds).toBeLessThanOrEqual(r.seconds + 1e-6);
      }),
      { numRuns: 25 },
    );
  });

  test('a drag is either refused or leaves everything after what it needs', () => {
    fc.assert(
      fc.property(items, fc.nat(20), fc.nat(20), (list, from, to) => {
        const [s] = planRoute([{ key: 'k', items: list }], 1, { order: 'quicker' }).setUps;
        const moved = moveVisit(s, s.visits[from % s.visits.length].key, to % s.visits.length);
        if (!moved.ok) return;
        const order = moved.value.flatMap((key) => s.visits.find((v) => v.key === key)?.items ?? []);
        expect(respects(order)).toBe(true);
      }),
      { numRuns: 25 },
    );
  });

  test('a path of up to nine is the shortest; no path is shorter than the tree; the quickest sequence comes first', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 2, maxLength: 7 }), (points) => {
        const permutations = (list: number[]): number[][] =>
          list.length <= 1
            ? [list]
            : list.flatMap((x, i) => permutations([...list.slice(0, i), ...list.slice(i + 1)]).map((p) => [x, ...p]));
        const best = Math.min(...permutations([...points.keys()]).map((p) => pathLength(points, p)));
        const ours = pathLength(points, shortPath(points));
        expect(ours).toBeCloseTo(best, 6);
        expect(ours).toBeGreaterThanOrEqual(shortestTree(points, (mm) => mm, Infinity) - 1e-6);
      }),
      { numRuns: 40 },
    );
    fc.assert(
      fc.property(items, (list) => {
        const seconds = sequencesOf(list, t).map((s) => secondsOf(s.order, t));
        expect(seconds).toEqual([...seconds].sort((a, b) => a - b));
      }),
      { numRuns: 30 },
    );
  });

  test('a row of forty is walked from end to end', () => {
    const row = Array.from({ length: 40 }, (_, i) => ({ x: 10 * ((i * 17) % 40), y: 0 }));
    expect(pathLength(row, shortPath(row))).toBeCloseTo(390, 6);
  });
});

test('the bench shop without known taps plans too', () => {
  const found = workOfJob([feature('A', 'M8 THRU', circle(1, 10))], head(), shop, plannerFor(shop));
  expect(found.ok).toBe(true);
});

describe('the batch', () => {
  const job = head({ quantity: 40, materialId: 'steel-low-carbon' });
  const many = [feature('A', '6x M6 THRU', circle(6, 100), {}, {})];
  const mild = at.materials.find((m) => m.id === 'steel-low-carbon') as (typeof at.materials)[number];

  test('tools are changed in time: a drill after 250 holes in mild steel, a tap by what it has done', () => {
    const r = route(many, job);
    const points = changePoints(r, mild, at);
    // 240 holes: under the life of a drill; a tap that has done 400 of 500 is due after 100.
    expect(points).toEqual([]);
    const tap = r.setUps.flatMap((s) => s.visits).find((v) => v.items[0].code === 'tap');
    const worn = (at.taps ?? []).map((t) => (t.id === tap?.items[0].tapKey ? { ...t, holesDone: 400 } : t));
    expect(changePoints(r, mild, { taps: worn })).toMatchObject([{ uses: 240, life: 500, changeAt: [100] }]);
    // Three like it broke at 60: in its 46th hole one in fifty would, and it is changed before.
    const record = { typical: 500, squares: 9 * 60 ** 2, failures: 40, done: 0 };
    const [soon] = changePoints(r, mild, { taps: at.taps, lives: { [`tap ${tap?.items[0].tapKey}`]: record } });
    expect(soon.changeAt[0]).toBeLessThan(60);
    const stainless = at.materials.find((m) => m.id === 'stainless-austenitic') as typeof mild;
    expect(changePoints(r, stainless, at).find((c) => c.tool === '5.0 mm')).toMatchObject({
      life: 100,
      changeAt: [100, 200],
    });
  });

  test('the first part is measured; fluid; time against the deadline, and what would save most', () => {
    const r = route(many, job);
    expect(firstArticle(r).map((p) => tell(p, 'mm'))).toEqual([
      expect.stringMatching(/^A: Clean, then check: go gauge/),
    ]);
    expect(firstArticle(route(many))).toEqual([]);
    // 6 ml a minute in each cut of a hole, 1 ml for its tap; 240 holes. Cast iron runs dry.
    const cutS = r.setUps
      .flatMap((s) => s.visits.flatMap((v) => v.items))
      .filter((i) => i.rpm && i.code !== 'tap' && i.hole === 1);
    const each = cutS.reduce((sum, i) => sum + (6 * i.seconds) / 60, 1);
    expect(fluidMl(r) / 240).toBeCloseTo(each, 6);
    expect(fluidMl(route(many, head({ materialId: 'iron-grey' })))).toBe(0);
    const late = againstDeadline(r, 1, 1);
    expect([late.daysNeeded, late.spareDays]).toEqual([Math.ceil(r.seconds / 3600), 1 - Math.ceil(r.seconds / 3600)]);
    expect(late.saves.length).toBeGreaterThan(0);
    // Scribing takes 45 s a hole; a jig 20 min, 3 min a bushing and 20 s a part: for one hole 25 s a part against 1380: from 58 parts on.
    const jig = (quantity: number): string | undefined =>
      savings(route([feature('A', 'ø6 THRU', circle(1, 1))], head({ quantity })))
        .map((p) => tell(p, 'mm'))
        .find((p) => p.startsWith('A drill jig'));
    expect([jig(1), jig(57), jig(58)?.slice(-6)]).toEqual([undefined, undefined, '1 min.']);
    expect(jig(100)).toBe('A drill jig with a bushing takes 23 min to make; then nothing is scribed: saves 19 min.');
    const { cuttingS, changesS, clampingS, otherS } = timeShares(r);
    expect(cuttingS + changesS + clampingS + otherS).toBeCloseTo(r.seconds, 6);
  });

  test('a route against another: added, gone, and changed figure by figure', () => {
    const before = route(many, job);
    expect(compareRoutes(before, before)).toEqual([]);
    const now = route(
      [
        feature('A', '6x M6 THRU', circle(6, 100), { drill: '5.1' }),
        feature('B', 'ø4 THRU', { kind: 'point', x: 9, y: 9 }),
      ],
      head({ ...job, quantity: 41 }),
    );
    const said = compareRoutes(before, now).map((c) => `${c.kind} ${tell(c.text, 'mm')}`);
    expect(said).toEqual(expect.arrayContaining(['changed Parts: 40, now 41.']));
    expect(said.join('\n')).toMatch(/added press, top: 5.1 mm on A ×6/);
    expect(said.join('\n')).toMatch(/gone press, top: 5.0 mm on A ×6/);
    expect(said.join('\n')).toMatch(/changed Bench, before: layout tools, holes: A ×6, now A ×6, B/);
  });

  test('in parcels and out again it is the same', () => {
    const r = route(many, job);
    const parcels = parcelsOf(r);
    const items = parcels.flatMap((p) => ('items' in p ? p.items : []));
    const last = parcels[parcels.length - 1];
    expect('route' in last && unpacked(last, items)).toEqual(r);
    expect('route' in last && last.route.setUps.every((s) => s.visits.every((v) => v.items.length === 0))).toBe(true);
  });

  test('as a table: a row for every operation on every hole', () => {
    const r = route(many);
    const rows = writeRouteCsv(r, 'mm').trim().split('\n');
    expect(rows.length - 1).toBe(r.setUps.flatMap((s) => s.visits.flatMap((v) => v.items)).length);
    expect(rows[1]).toMatch(/^"?Bench, before"?,1,layout tools,yes,,,A\d,/);
  });
});

describe('what comes first, and on which machine', () => {
  const two = [
    feature('A', 'ø5 THRU', { kind: 'point', x: 20, y: 20 }),
    feature('B', 'M6 THRU', { kind: 'point', x: 60, y: 20 }),
  ];
  const [a, b] = two.map((f) => f.id);
  const placeOf = (r: Route, letter: string): number[] =>
    r.setUps
      .flatMap((s) => s.visits.flatMap((v) => v.items))
      .flatMap((item, i) => (item.letter === letter && item.rpm !== undefined ? [i] : []));

  test('a feature that waits for another begins after it is bored; both ways round can’t be', () => {
    const found = workOfJob(two, head(), at, plannerFor(at), { after: [{ first: b, then: a, why: 'guides' }] });
    if (!found.ok) throw new Error('refused');
    const r = planRoute(found.value, 1, { order: 'quicker' });
    expect(Math.min(...placeOf(r, 'A'))).toBeGreaterThan(Math.max(...placeOf(r, 'B')));
    const both = workOfJob(two, head(), at, plannerFor(at), {
      after: [
        { first: b, then: a, why: 'guides' },
        { first: a, then: b, why: 'cut' },
      ],
    });
    expect(both.ok ? '' : tell(both.problems[0], 'mm')).toBe('B is to come before A, and A before B.');
  });

  test('sawn apart between: bored and begun before, then the cut, then the last tap and what is only then there', () => {
    const sawn = { id: 'c1', name: 'Saw apart', minutes: 6, finish: [b], then: [a] };
    const found = workOfJob(two, head(), at, plannerFor(at), { cuts: [sawn] });
    if (!found.ok) throw new Error('refused');
    const r = planRoute(found.value, 2, { order: 'quicker' });
    expect(r.setUps.map(nameOfSetUp)).toEqual([
      'Bench, before',
      'press, top',
      'Cut',
      'press, top, after Saw apart',
      'Bench, after',
    ]);
    const [, before, cut, after] = r.setUps.map((s) => s.visits.flatMap((v) => v.items));
    expect(before.every((i) => i.letter === 'B' && i.code !== 'tap')).toBe(true);
    expect(cut).toHaveLength(1);
    expect(after.filter((i) => i.letter === 'B').map((i) => i.code)).toEqual(['tap']);
    expect(after.some((i) => i.letter === 'A' && i.rpm !== undefined)).toBe(true);
    // Six minutes for each of two parts.
    expect(r.setUps[2].seconds).toBeGreaterThanOrEqual(720);
    const both = workOfJob(two, head(), at, plannerFor(at), { cuts: [{ ...sawn, first: [a] }] });
    expect(both.ok ? '' : tell(both.problems[0], 'mm')).toBe('A is both before and after “Saw apart”.');
  });

  test('a set-up whose feature waits for one of another comes after it', () => {
    const faces = [two[0], { ...two[1], face: 'bottom' as const }];
    const found = workOfJob(faces, head(), at, plannerFor(at), { after: [{ first: b, then: a, why: 'matched' }] });
    expect(found.ok && found.value.filter((s) => s.machine).map((s) => s.face)).toEqual(['bottom', 'top']);
  });

  test('another machine is offered where the whole is done sooner, and is as quick as it says', () => {
    const many = [feature('A', '12x M6 THRU', { kind: 'grid', x: 20, y: 20, columns: 4, rows: 3, dx: 40, dy: 40 })];
    const job = head({ quantity: 10 });
    const now = route(many, job).seconds;
    const choices = machineChoices(many, job, at, plannerFor(at), {}, now);
    expect(choices.length).toBeGreaterThan(0);
    for (const choice of choices) {
      const moved = many.map((f) => ({ ...f, question: { ...f.question, machine: choice.machines[f.id] } }));
      expect(planRoute(work(moved, job), job.quantity, at.habits).seconds).toBeCloseTo(choice.seconds, 6);
      expect(choice.seconds).toBeLessThan(now);
    }
  });

  test('no machine is offered on which a hole can’t be made, nor any for very many features', () => {
    const offered = (features: RoutedFeature[], nowS = Infinity) =>
      machineChoices(features, head(), at, plannerFor(at), {}, nowS);
    const [reamed, drilled] = [
      feature('A', 'ø8 H7 REAM THRU', { kind: 'point', x: 20, y: 20 }),
      feature('B', 'ø5 THRU', { kind: 'point', x: 60, y: 20 }),
    ];
    // Neither lies on the axis of a lathe, and nothing is moved to a drill that is held by hand. On the mill, which is
    // where each is made soonest, it is all once.
    expect(offered([reamed, drilled]).map((c) => c.label)).toEqual(['All on the mill', 'All on the press']);
    const [onMill, onPress] = offered([reamed, drilled]);
    expect(offered([reamed, drilled], onPress.seconds + 60)).toEqual([onMill]);
    // Only the mill turns slowly enough for it.
    const slow = [feature('C', 'ø25 THRU', { kind: 'point', x: 60, y: 60 }, { machine: 'mill' })];
    const inNickel = machineChoices(slow, head({ materialId: 'nickel-alloy' }), at, plannerFor(at), {}, Infinity);
    expect(inNickel.map((c) => c.label)).toEqual(['All on the mill']);
    const many = Array.from({ length: 61 }, (_, i) => ({ ...drilled, id: `f${i}` }));
    expect(offered(many)).toEqual([]);
    expect(offered(many.slice(1))).not.toEqual([]);
  });
});

describe('one hole through first', () => {
  test('the same hole on another face is another group: its drill is set up anew there', () => {
    const on = (letter: string, face: 'top' | 'bottom') =>
      feature(letter, 'M6 x 8 DEEP', { kind: 'point', x: 20, y: 20 }, {}, { face });
    const groups = likeHoles([on('A', 'top'), on('B', 'bottom'), on('C', 'top')]);
    expect(groups.map((g) => [g.features, g.decides])).toEqual([
      [['feature-A', 'feature-C'], true],
      [['feature-B'], true],
    ]);
  });

  const four = [feature('A', '4x M6 THRU', circle(4, 100))];
  const run = (
    features: RoutedFeature[],
    job = head(),
    edits: RouteEdits = {},
    firstHole: 'through' | 'all' = 'through',
  ): Route => planRoute(work(features, job), job.quantity, { order: 'quicker', firstHole }, edits);
  const steps = (r: Route) =>
    runSteps(r).flatMap((s) => (s.item ? [`${s.item.letter}${s.item.hole}/${s.part} ${s.item.opKey}`] : []));
  const gaugedAt = (list: string[], of: string) => list.indexOf(`${of} check`);

  test('it is gauged before any of the others is drilled, and everything is done once', () => {
    const list = steps(run(four));
    const others = list.filter((s) => /^A[2-4].1 drill$/.test(s));
    expect(others).toHaveLength(3);
    for (const drilled of others) expect(list.indexOf(drilled)).toBeGreaterThan(gaugedAt(list, 'A1/1'));
    expect(new Set(list).size).toBe(list.length);
    expect([...list].sort()).toEqual([...steps(run(four, head(), {}, 'all'))].sort());
    expect(gaugedAt(steps(run(four, head(), {}, 'all')), 'A1/1')).toBeGreaterThan(
      list.filter((s) => s.endsWith(' drill')).length,
    );
  });

  test('in a batch one hole of the first part, in either mode; the part stays clamped, and nothing is made twice', () => {
    for (const mode of ['part', 'operation'] as const) {
      const r = run(four, head({ quantity: 3 }), { mode: { 'press|top': mode } });
      const list = steps(r);
      const drilled = list.flatMap((s, i) => (/ drill$/.test(s) && !s.startsWith('A1/1') ? [i] : []));
      expect([mode, drilled.length, Math.min(...drilled) > gaugedAt(list, 'A1/1')]).toEqual([mode, 11, true]);
      expect(new Set(list).size).toBe(list.length);
      const clampings = runSteps(r).filter((s) => s.kind === 'clamp' && s.part === 1).length;
      const rest = r.setUps.find((s) => s.key === 'press|top');
      expect(clampings).toBe(mode === 'part' ? 1 : (rest?.visits.length ?? 0));
    }
  });

  test('what it costs in changes; left out, what is at risk; habits and the user decide', () => {
    const first = run(four).setUps.find((s) => s.isFirst);
    const all = run(four, head(), {}, 'all');
    const [told] = first?.firsts ?? [];
    // Every tool once more; the gauge is picked up anyway.
    const fetched = (first?.visits ?? []).filter((v) => v.items[0].code !== 'check');
    expect(told).toMatchObject({ hole: 'A1', waits: 3, leftOut: false, changes: fetched.length });
    expect(told.costS).toBeCloseTo(
      fetched.reduce((sum, v) => sum + v.changeS, 0),
      9,
    );
    expect(run(four).seconds).toBeGreaterThan(all.seconds);
    const out = run(four, head(), { first: { 'feature-A': false } });
    expect(out.setUps.some((s) => s.isFirst)).toBe(false);
    expect(out.setUps.flatMap((s) => s.firsts ?? [])).toMatchObject([{ leftOut: true, waits: 3, costS: 0 }]);
    expect(out.seconds).toBeCloseTo(all.seconds, 6);
    // A plain clearance hole is sent first only where somebody asks for it; a single hole waits for nobody.
    const plain = [feature('P', '4x ø9 THRU', circle(4, 100))];
    expect(run(plain).setUps.some((s) => s.isFirst)).toBe(false);
    expect(run(plain, head(), { first: { 'feature-P': true } }).setUps.some((s) => s.isFirst)).toBe(true);
    expect(run([feature('Q', 'M6 THRU', circle(1, 1))]).setUps.flatMap((s) => s.firsts ?? [])).toEqual([]);
  });

  test('a part that one hole finishes is a part like the others: going first costs nothing but picking up the gauge', () => {
    const one = [feature('A', 'M6 THRU', circle(1, 1))];
    const job = head({ quantity: 9 });
    const edits: RouteEdits = { mode: { 'press|top': 'part' } };
    const through = run(one, job, edits);
    expect(through.setUps.flatMap((s) => s.firsts ?? [])).toMatchObject([{ waits: 8, changes: 0, costS: 0 }]);
    const more = through.seconds - run(one, job, edits, 'all').seconds;
    // 5 s for the gauge; the speed that is set back between the first two parts is not counted.
    const { speedChangeS } = timesOf(at.machines.find((m) => m.id === 'press'));
    expect(more).toBeLessThanOrEqual(5 + 1e-6);
    expect(more).toBeGreaterThanOrEqual(5 - speedChangeS - 1e-6);
    const list = runSteps(through);
    expect(list.filter((s) => s.kind === 'clamp').map((s) => s.part)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9]);
    const over = runSteps(run(one, job, { mode: { 'press|top': 'operation' } }));
    expect(over.filter((s) => s.kind === 'clamp' && s.part === 1)).toHaveLength(1);
    expect(new Set(over.map((s) => s.key)).size).toBe(over.length);
  });

  test('like holes of several features are one group; the first bound holds with it, and shares add up', () => {
    const two = ['A', 'B'].map((letter, i) => feature(letter, 'M6 THRU', { kind: 'point', x: 20 + 60 * i, y: 20 }));
    const r = run(two);
    expect(r.setUps.flatMap((s) => s.firsts ?? [])).toMatchObject([{ hole: 'A1', waits: 1 }]);
    for (const job of [head(), head({ quantity: 7 })]) {
      const batch = run([...two, ...four.map((f) => ({ ...f, id: 'feature-C', letter: 'C' }))], job);
      expect(batch.seconds).toBeGreaterThanOrEqual(batch.boundS - 1e-6);
      const { cuttingS, changesS, clampingS, otherS } = timeShares(batch);
      expect(cuttingS + changesS + clampingS + otherS).toBeCloseTo(batch.seconds, 6);
      expect(Math.min(cuttingS, changesS, clampingS)).toBeGreaterThan(0);
    }
  });
});

test('a hole that this machine cannot drill is not issued; a tap that a spindle turns has its speed', () => {
  const tooLarge = workOfJob(
    [feature('A', 'ø16 THRU', circle(1, 1), { machine: 'cordless', drills: 'all' })],
    head({ materialId: 'steel-low-carbon' }),
    at,
    plannerFor(at),
  );
  expect(tooLarge.ok || tooLarge.problems[0].code).toBe('route-feature');
  const [use] = work([feature('A', 'M10 THRU', circle(1, 1), { machine: 'mill', way: 'reversing-spindle' })])
    .flatMap((s) => s.items)
    .filter((i) => i.code === 'tap');
  const mill = at.machines.find((m) => m.id === 'mill');
  const lowest = mill?.speeds.kind === 'steps' ? Math.min(...mill.speeds.steps.map((s) => s.rpm)) : 0;
  expect([use.rpm, use.speedLabel]).toEqual([lowest, expect.any(String)]);
  const [byHand] = work([feature('A', 'M10 THRU', circle(1, 1), { machine: 'mill', way: 'hand-guided' })])
    .flatMap((s) => s.items)
    .filter((i) => i.code === 'tap');
  expect(byHand.rpm).toBeUndefined();
});

test('a trial in air, where the shop makes one: once before the first hole that is tapped so', () => {
  const habits = { ...USUAL_HABITS, airTrial: 'on' as const };
  const careful = { ...at, habits };
  const two = [
    feature('A', 'M10 THRU', circle(3, 80), { machine: 'mill', way: 'reversing-spindle' }),
    feature('B', 'M10 THRU', circle(2, 40), { machine: 'mill', way: 'reversing-spindle' }),
  ];
  const found = workOfJob(two, head(), careful, plannerFor(careful));
  const items = found.ok ? found.value.flatMap((s) => s.items) : [];
  expect(items.filter((i) => i.opKey === 'trial').map(holeName)).toEqual(['A1']);
  expect(items.filter((i) => i.code === 'tap')).toHaveLength(5);
});

describe('tilting is a set-up of its own', () => {
  const angled = (letter: string, x: number, exit = { dx: 6, dy: 0 }, over: Partial<AskForm> = {}) =>
    feature(letter, 'ø6 THRU', { kind: 'point', x, y: 40 }, over, { exit });
  const square = feature('S', '2x ø5 THRU', { kind: 'row', x: 20, y: 20, count: 2, pitch: 30, angleDeg: 0 });
  const keysOf = (setUps: SetUp[]) => setUps.map((s) => s.key);

  test('square holes first, then one tilt for all that lean alike, before anything is begun in it; another lean is another set-up', () => {
    // 6 across in 16: 20.56 degrees, to the right.
    const setUps = work([angled('A', 60), square, angled('B', 90), angled('C', 120, { dx: 0, dy: 6 })]);
    expect(keysOf(setUps)).toEqual([
      'bench|before',
      'press|top',
      'press|top|tilted 20.6 to 0',
      'press|top|tilted 20.6 to 90',
      'bench|after',
    ]);
    const [, flat, right] = setUps;
    expect(flat.items.every((i) => i.letter === 'S')).toBe(true);
    const order = planRoute(setUps, 1, { order: 'quicker' }).setUps[2].visits.flatMap((v) => v.items);
    expect(order.map((i) => i.opKey).filter((k) => k === 'tilt')).toHaveLength(1);
    expect([order[0].opKey, order.length]).toEqual(['tilt', right.items.length]);
    // A part that is tilted is clamped anew, whatever is asked.
    const joined = planRoute(setUps, 1, { order: 'quicker' }, { joined: [right.key] });
    expect(joined.seconds).toBeCloseTo(planRoute(setUps, 1, { order: 'quicker' }).seconds, 9);
    expect(
      savings(joined)
        .map((p) => tell(p, 'mm'))
        .join(' '),
    ).not.toMatch(/tilted.*reached in the clamping/);
    expect(tell(order[0].order, 'mm')).toBe(
      'Turn the part until the right lies along the tilt, tilt it 20.56°, lock the quill and sight along the drill.',
    );
    expect(nameOfSetUp(planRoute(setUps, 1, { order: 'quicker' }).setUps[2])).toMatch(/, top, tilted 20.6°$/);
  });

  test('on a mill the place is found after tilting, and a flat is milled', () => {
    const [mill] = work([angled('A', 60, undefined, { machine: 'mill' })]).filter((s) => s.tiltDeg !== undefined);
    expect(mill.items.map((i) => i.opKey).slice(0, 3)).toEqual(['tilt', 'lay-out', 'flat']);
  });
});

test('an old thread is gauged before it is chased: only where the gauge binds', () => {
  const old = feature('A', '1/2-12 BSW THRU', circle(2, 60), { existing: 'thread' });
  for (const firstHole of ['all', 'through'] as const) {
    const order = runSteps(planRoute(work([old]), 1, { order: 'quicker', firstHole })).flatMap(
      (s) => s.item?.code ?? [],
    );
    expect([
      firstHole,
      order.indexOf('chase') > order.indexOf('check'),
      order.filter((c) => c === 'chase').length,
    ]).toEqual([firstHole, true, 2]);
  }
});

test('a part is held as its machine and stock need it; a drill that goes through has no stop', () => {
  const held = (machine: string, part: Part, face: 'top' | 'side' | 'front', grabN: number, tilted = false) => {
    const on = at.machines.find((m) => m.id === machine);
    if (!on) throw new Error(machine);
    return tell(holdingOf(on, part, face, grabN, tilted), 'mm');
  };
  const bar: Part = { stock: { shape: 'bar', diameterMm: 20, lengthMm: 200 }, condition: '', datums: {} };
  expect(held('lathe', bar, 'top', 0)).toMatch(/^In the chuck.*no more than 60\.0 mm out/);
  expect(held('press', bar, 'side', 0)).toMatch(/^Lying in V-blocks.*on top\.$/);
  expect(held('lathe', bar, 'front', 0)).toMatch(/^Sawn 200\.0 mm long.*Face this end before its holes/);
  expect(held('press', bar, 'side', 40)).toMatch(/^Lying in V-blocks.*pulls with 40 N/);
  expect(held('press', plate, 'top', 300)).toContain('Hold it in a vise bolted down, or better: it pulls with 300 N');
  expect(held('press', plate, 'top', 300, true)).toContain('tilting vise');
  const items = work([feature('A', 'M6 x 8 DEEP', circle(1, 1)), feature('B', 'ø5 THRU', circle(1, 50))]).flatMap(
    (s) => s.items,
  );
  const drilled = items.filter((i) => i.opKey === 'drill');
  expect(drilled.map((i) => [i.letter, i.stopOff, i.stopMm === undefined])).toEqual([
    ['A', undefined, false],
    ['B', true, true],
  ]);
  expect(work([feature('A', 'M6 THRU', circle(1, 1))]).find((s) => s.machine)?.holding?.text).toMatch(/^Datum edges/);
});
