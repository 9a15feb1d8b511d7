import fc from 'fast-check';
import { remedyFor } from '../hole/remedies';
import { plannerFor } from '../job/plan-in-job';
import { BLANK_FORM } from '../hole/form';
import { planRoute } from '../route/route';
import { runSteps, workKey } from '../route/run-steps';
import type { WorkItem } from '../route/work-item';
import { workOfJob } from '../route/work-of-job';
import { tapShop } from '../tests/bench-taps';
import type { BenchKind, BenchRecord, BodyOf } from './bench-record';
import { holesWaiting, partInHand, stepsOfRun } from './run';
import { checksOf } from '../gauging/checks-of';
import type { Tool } from '../shop/tool';
import { inspectionRows } from './inspection-rows';
import { notGauged } from './not-gauged';
import { feelOf } from './bench-words';
import { recordWords } from './record-words';
import { tell } from '../units/show';
import { gaugeStill, gaugingOf, keptVerdict } from './kept-verdict';
import { observationsOf } from './observations';
import { countRecords, type Checked } from './run-records';
import { largerThread } from './choice-change';
import { followRun, runOfIssue, type RunOfIssue } from './run-of-issue';
import { usualOwnTap } from '../tapping/own-tap';
import { threadBySize } from '../threads/find-thread';
import type { ThreadSeries } from '../threads/thread';
import { threadNamed } from '../threads/thread-named';

const shop = tapShop();
const planner = plannerFor(shop);
const job = {
  materialId: 'steel-low-carbon',
  quantity: 3,
  part: { stock: { shape: 'plate' as const, widthMm: 80, heightMm: 40, thicknessMm: 12 }, condition: '', datums: {} },
  holes: [
    {
      id: 'f',
      letter: 'A',
      name: '',
      face: 'top' as const,
      place: { kind: 'row' as const, x: 20, y: 20, count: 2, pitch: 40, angleDeg: 0 },
      question: { ...BLANK_FORM, callout: 'M6 THRU', machine: 'press', drills: 'metric-1-13-by-0.1' },
    },
  ],
};
const work = workOfJob(job.holes, job, shop, planner);
const route = planRoute(work.ok ? work.value : [], job.quantity, shop.habits);
const item = (code: WorkItem['code'], hole: number): WorkItem => {
  const items = route.setUps.flatMap((s) => s.visits.flatMap((v) => v.items));
  return items.find((i) => i.code === code && i.hole === hole) ?? items[0];
};
const key = (code: WorkItem['code'], hole: number, part: number): string => workKey(item(code, hole), part);

let next = 0;
const record = <K extends BenchKind>(
  kind: K,
  body: BodyOf<K>,
  over: Partial<BenchRecord> & { hole?: number } = {},
): BenchRecord => {
  const { hole = 1, ...rest } = over;
  return {
    id: `r${String(next++).padStart(4, '0')}`,
    kind,
    body,
    happenedAt: '',
    featureId: 'f',
    holeNumber: hole,
    ...rest,
  } as BenchRecord;
};
const did = (code: WorkItem['code'], hole: number, part: number): BenchRecord =>
  record('step-done', { step: key(code, hole, part), part }, { hole });
const run = (records: BenchRecord[]): RunOfIssue => runOfIssue({ route, job, shop }, records, planner);
/** What is still to be done on the first hole of the first part once it is started. */
const openOf = ({ run: { steps, settled } }: RunOfIssue): (string | undefined)[] =>
  steps
    .filter((s) => s.part === 1 && s.item?.hole === 1 && !settled.has(s.key))
    .map((s) => s.item?.code)
    .filter((code) => code !== 'lay-out' && code !== 'start');
const again = (at: RunOfIssue): string[] =>
  at.run.steps.flatMap((s) => (s.again ? [`${s.item?.code} ${s.item?.hole}/${s.part}`] : []));

test('every operation of every hole of every part once, in the order of the route; a clamping before each', () => {
  const steps = runSteps(route);
  const keys = steps.map((s) => s.key);
  expect(new Set(keys).size).toBe(keys.length);
  const items = new Set(route.setUps.flatMap((s) => s.visits.flatMap((v) => v.items.map((i) => i.id))));
  expect(steps.filter((s) => s.item)).toHaveLength(3 * items.size);
  const firstOnMachine = steps.findIndex((s) => s.item?.code === 'start');
  expect(steps[firstOnMachine - 1]).toMatchObject({ kind: 'clamp', part: 1 });
  expect(runSteps(route, (i, part) => i.hole === 1 && part !== 2).filter((s) => s.item?.code === 'check')).toHaveLength(
    2,
  );
});

test('done and taken back, whatever the order in which they arrive; the next open step', () => {
  const first = did('lay-out', 1, 1);
  const back = record('step-undone', { step: key('lay-out', 1, 1), part: 1 }, { corrects: first.id });
  expect([run([]), run([first]), run([first, back]), run([back, first])].map((at) => at.run.settled.size)).toEqual([
    0, 1, 0, 0,
  ]);
  const skipped = record('step-skipped', { step: run([]).run.steps[0].key, part: 1, reason: 'not needed' });
  expect(run([skipped]).run.next?.key).toBe(run([]).run.steps[1].key);
});

test('one step that two tablets recorded is open once it is taken back; done once more after that it is done', () => {
  const [one, two, later] = [1, 2, 3].map(() => did('lay-out', 1, 1));
  const back = record('step-undone', { step: key('lay-out', 1, 1), part: 1 }, { corrects: one.id });
  expect([run([one, two, back]), run([one, two, back, later])].map((at) => at.run.settled.size)).toEqual([0, 1]);
});

const drillAt = (at: RunOfIssue, hole: number, part: number): string | undefined => {
  const made = at.planAt({ featureId: 'f', holeNumber: hole, part });
  return made?.ok ? made.value.operations.find((o) => o.code === 'drill')?.cut?.spec.drill?.label : undefined;
};

test('followed record by record a run is what it is of all at once', () => {
  const keys = run([]).run.steps.map((s) => s.key);
  const part = fc.integer({ min: 1, max: 3 });
  const step = fc.constantFrom(...keys.slice(0, 12));
  const change = fc.constantFrom({ drill: '5.1' }, { dry: true }, { callout: 'M8 THRU' });
  const one = fc.oneof(
    fc.record({
      kind: fc.constantFrom('step-done', 'step-done', 'step-undone'),
      body: fc.record({ step, part: fc.constant(1) }),
    }),
    fc.record({ kind: fc.constant('drill-dull'), body: fc.record({ part, tool: fc.constant('5.0 mm') }) }),
    fc.record({
      kind: fc.constantFrom('tap-broken', 'decision-undone'),
      body: fc.record({ part, tap: fc.constant('x') }),
    }),
    fc.record({
      kind: fc.constant('checked'),
      body: fc.record({
        part,
        check: fc.constant('go'),
        values: fc.constant({ turns: 9 }),
        verdict: fc.constantFrom('good', 'bad'),
      }),
    }),
    fc.record({
      kind: fc.constant('decision'),
      body: fc.record({
        part,
        choice: fc.constantFrom('redrill', 'larger', 'scrap', 'accept'),
        change: fc.option(change, { nil: undefined }),
      }),
    }),
    fc.record({
      kind: fc.constant('remedy'),
      body: fc.record({ part, scope: fc.constantFrom('hole', 'rest'), label: fc.constant('x'), change }),
    }),
  );
  const said = (at: RunOfIssue) => {
    const {
      run: { steps, next, nextAt, done, open, waiting },
      latest,
    } = at;
    return [
      steps.map((s) => s.key),
      [1, 2].map((hole) => [drillAt(at, hole, 1), drillAt(at, hole, 3)]),
      [...at.broken.keys()],
      [...(at.duePartsOf('f', 1) ?? [])],
      [next?.key, nextAt, done, open],
      waiting.map((w) => w.because.id),
      [...latest].map(([hole, checks]) => [hole, ...[...checks.values()].map((c) => c.id)]),
    ];
  };
  for (const checkEvery of [1, 2])
    fc.assert(
      fc.property(
        fc.array(fc.tuple(one, fc.nat(3)), { maxLength: 14 }),
        fc.integer({ min: 1, max: 2 }),
        (list, hole) => {
          const records: BenchRecord[] = [];
          // What is taken back is one of the records before it.
          for (const [{ kind, body }, back] of list) {
            const corrects = kind.endsWith('-undone') ? records.at(-1 - back)?.id : undefined;
            records.push(
              record(kind as BenchKind, body as BodyOf<BenchKind>, { hole, ...(corrects ? { corrects } : {}) }),
            );
          }
          const work = { route, job: { ...job, route: { checkEvery } }, shop };
          const followed = followRun(work, planner);
          for (const r of records) {
            followed.add([r]);
            followed.now();
          }
          expect(said(followed.now())).toEqual(said(runOfIssue(work, records, planner)));
        },
      ),
      { numRuns: 60 },
    );
});

test('what is held against a hole where the shop says nothing else; a smaller drill has nothing to do in a larger hole', () => {
  const hole = { featureId: 'f', holeNumber: 1, part: 1 };
  const made = run([]).planAt(hole);
  const usual = { route, job, shop: { ...shop, habits: { ...shop.habits, notGoTurns: undefined as never } } };
  expect(made?.ok && runOfIssue(usual, [], planner).settingFor(hole, made.value).notGoTurns).toBe(2);
  const drilled = did('drill', 1, 1);
  const to = (drill: string) => record('remedy', { part: 1, scope: 'hole', label: drill, change: { drill } });
  expect([again(run([drilled, to('4.8')])), again(run([drilled, to('5.2')]))]).toEqual([[], ['drill 1/1']]);
});

describe('a remedy found at hole 1 of part 1', () => {
  const plan = planner.plan(job.holes[0], job);
  const change = (plan.ok && remedyFor('next-drill', plan.value)?.change) || {};
  const before = [did('drill', 1, 1), did('tap', 1, 1), did('drill', 2, 1), did('tap', 2, 1), did('drill', 1, 2)];
  const remedy = (scope: 'hole' | 'rest'): BenchRecord =>
    record('remedy', { part: 1, scope, label: 'next up', change });

  test('for this hole: it is drilled and tapped once more, no other changes', () => {
    const at = run([...before, remedy('hole')]);
    expect(again(at)).toEqual(['drill 1/1', 'tap 1/1']);
    expect([drillAt(at, 1, 1), drillAt(at, 2, 1)]).toEqual(['5.1', '5.0']);
  });
  test('and the rest: what is drilled is drilled on, what is tapped stays, what is open takes the new drill', () => {
    const at = run([...before, remedy('rest')]);
    expect(again(at).sort()).toEqual(['drill 1/1', 'drill 1/2', 'tap 1/1']);
    expect([drillAt(at, 2, 1), drillAt(at, 1, 3)]).toEqual(['5.1', '5.1']);
  });
  test('a speed leaves no trace: nothing is done once more', () => {
    const slower = record('remedy', {
      part: 1,
      scope: 'rest',
      label: 'slower',
      change: { overrides: { [item('drill', 1).opKey]: { rpm: 560 } } },
    });
    const at = run([...before, slower]);
    expect(again(at)).toEqual([]);
    const rpmAt = (of: RunOfIssue): number | false | undefined => {
      const made = of.planAt({ featureId: 'f', holeNumber: 1, part: 3 });
      const speed = made?.ok ? made.value.operations.find((o) => o.code === 'drill')?.cut?.speed : undefined;
      return speed?.ok && speed.value.rpm;
    };
    expect([rpmAt(run(before)) === 560, rpmAt(at)]).toEqual([false, 560]);
  });
});

test('a hole of the part in hand is made when nothing is left to cut in it; kinds are counted once a hole', () => {
  const cuts = route.setUps
    .flatMap((s) => s.visits.flatMap((v) => v.items))
    .filter((i) => i.hole === 1 && i.code !== 'check');
  const all = cuts.map((i) => record('step-done', { step: workKey(i, 1), part: 1 }));
  expect(partInHand(run([]).run)).toBeUndefined();
  expect(partInHand(run([did('drill', 1, 1), did('drill', 2, 1)]).run)).toEqual({
    part: 1,
    made: {},
    done: { drill: 2 },
  });
  expect(partInHand(run(all).run)).toMatchObject({ part: 1, made: { f: [1] }, done: { drill: 1, tap: 1 } });
  expect(partInHand(run(all.filter((r) => r.id !== all.at(-1)?.id)).run)?.done).not.toEqual(
    partInHand(run(all).run)?.done,
  );
});

describe('what waits for a decision', () => {
  const failed = record('checked', { part: 1, check: 'go', values: { turns: 3 }, verdict: 'bad' });
  const all = [did('drill', 1, 1), did('tap', 1, 1), did('check', 1, 1)];
  test('a hole waits once, however much is against it, until somebody decides or it is gauged good', () => {
    const pins = record('checked', { part: 1, check: 'minor', values: { in: 9 }, verdict: 'bad' });
    const broken = record('tap-broken', { part: 1, tap: 'plug' }, { hole: 2 });
    expect(holesWaiting(run([failed, pins, broken]).run)).toBe(2);
    const decided = record('decision', { part: 1, choice: 'accept' });
    expect(holesWaiting(run([failed, pins, broken, decided]).run)).toBe(1);
    const better = record('checked', { part: 1, check: 'go', values: { turns: 12 }, verdict: 'good' });
    expect(holesWaiting(run([failed, better]).run)).toBe(0);
  });
  test('chase: the last tap and the gauge once more, where they were done by then', () => {
    const chase = record('decision', { part: 1, choice: 'chase' });
    expect(again(run([...all, failed, chase]))).toEqual(['tap 1/1', 'check 1/1']);
    expect(again(run([failed, chase, ...all]))).toEqual([]);
    const redrill = record('decision', { part: 1, choice: 'redrill', change: { drill: '5.2' } });
    const at = run([...all, failed, redrill]);
    expect(again(at)).toEqual(['drill 1/1', 'tap 1/1', 'check 1/1']);
    expect(drillAt(at, 1, 1)).toBe('5.2');
  });
  test('larger: drilled, chamfered, tapped and gauged as the larger thread is, each once, whatever was done of the smaller', () => {
    const hole = { featureId: 'f', holeNumber: 1, part: 1 };
    const was = run(all).planAt(hole);
    const { change, says } = (was?.ok && run(all).changeOf('larger', hole, was.value)) || {};
    expect([change?.callout, says?.values?.thread]).toEqual(['M8x1.25 THRU', 'M8x1.25']);
    const larger = record('decision', { part: 1, choice: 'larger', change });
    const broke = record('tap-broken', { part: 1, tap: 'plug' });
    for (const before of [all, [did('drill', 1, 1), broke]]) {
      const at = run([...before, larger]);
      expect(again(at)).toEqual(['drill 1/1', 'chamfer 1/1', 'tap 1/1', 'deburr 1/1', 'check 1/1']);
      const open = at.run.steps.filter((s) => s.part === 1 && s.item?.hole === 1 && !at.run.settled.has(s.key));
      expect(open.filter((s) => s.item?.code === 'tap')).toHaveLength(1);
      const now = at.planAt(hole);
      expect([now?.ok && now.value.thread?.thread.designation, drillAt(at, 1, 1), drillAt(at, 2, 1)]).toEqual([
        'M8x1.25',
        '6.8',
        '5.0',
      ]);
      expect(now?.ok && at.decidedThread(hole, now.value)).toBe('M8x1.25');
      expect(holesWaiting(at.run)).toBe(0);
    }
    expect(was?.ok && run(all).decidedThread(hole, was.value)).toBeUndefined();
    // A second tap that the smaller thread did not need has a step of its own.
    const taps = [item('tap', 1).opKey, 'tap-2'].map((opKey) => ({ key: opKey, code: 'tap' as const }));
    const steps = stepsOfRun(
      runSteps(route),
      countRecords([...all, larger]),
      () => false,
      () => taps,
    );
    expect(steps.flatMap((s) => (s.again ? [s.key.split('~')[0]] : []))).toEqual([key('tap', 1, 1), 'f/1/tap-2/1']);
    // What is decided after that is about the larger thread: its own steps come once more, those of the smaller never.
    const stepOf = (code: WorkItem['code']): string =>
      run([...all, larger]).run.steps.find((s) => s.again && s.item?.code === code)?.key ?? '';
    const made = ['drill', 'chamfer', 'tap', 'deburr', 'check'].map((code) =>
      record('step-done', { step: stepOf(code as WorkItem['code']), part: 1 }),
    );
    const chase = record('decision', { part: 1, choice: 'chase' });
    expect(openOf(run([...all, larger, ...made]))).toEqual([]);
    expect(openOf(run([...all, larger, ...made, chase]))).toEqual(['tap', 'check']);
    const largest = record('decision', { part: 1, choice: 'larger', change: { callout: 'M10 THRU' } });
    expect(openOf(run([...all, larger, largest]))).toEqual(['drill', 'chamfer', 'tap', 'deburr', 'check']);
    // What was gauged of the smaller thread says nothing of the larger; a remedy of the others is not for it.
    expect([...countRecords([failed, larger]).latest]).toEqual([]);
    const rest = record('remedy', { part: 1, scope: 'rest', label: 'next up', change: { drill: '5.1' } });
    const other = record('decision', { part: 2, choice: 'larger', change });
    expect([drillAt(run([other, rest]), 1, 2), drillAt(run([other, rest]), 1, 3)]).toEqual(['6.8', '5.1']);
    // For those after it alone: the hole itself stays as it was made. One that cannot be planned changes nothing.
    const others = record('remedy', { part: 1, scope: 'others', label: 'next up', change: { drill: '5.1' } });
    const tooSmall = record('remedy', { part: 1, scope: 'rest', label: 'under', change: { drill: '4.6' } });
    expect([drillAt(run([others]), 1, 1), drillAt(run([others]), 1, 3), drillAt(run([tooSmall]), 1, 1)]).toEqual([
      '5.0',
      '5.1',
      '5.0',
    ]);
    // For an insert nothing here is known: it is gauged once more.
    expect(again(run([...all, failed, record('decision', { part: 1, choice: 'larger' })]))).toEqual(['check 1/1']);
  });
  test('a scrapped part is left: the work goes on with the others, and nothing of it waits', () => {
    const scrap = record('decision', { part: 1, choice: 'scrap' });
    const { run: at } = run([failed, scrap]);
    expect([at.next?.part, holesWaiting(at), [...at.scrapped]]).toEqual([2, 0, [1]]);
  });
});

test('a hole is held against the zone of its drawing, else against what its joint leaves: M6 under 6.6', () => {
  const zones = [{}, { zoneMm: 0.12 }].map((own) => {
    const at = runOfIssue({ route, job: { ...job, holes: [{ ...job.holes[0], ...own }] }, shop }, [], planner);
    const hole = { featureId: 'f', holeNumber: 1, part: 1 };
    const plan = at.planAt(hole);
    return plan?.ok && at.settingFor(hole, plan.value).zoneMm;
  });
  expect(zones).toEqual([expect.closeTo(0.3), 0.12]);
});

test('the next thread whose hole takes the old one away: a tap of the crib goes before one to buy', () => {
  const next = (series: ThreadSeries, size: string, ...taps: string[]) => {
    const old = threadBySize(series, size);
    const own = taps.flatMap((name) => threadNamed(name) ?? []).map((t) => usualOwnTap(t.designation, t, 'plug'));
    const found = old && largerThread(old, own);
    return found && [found.thread.designation, found.inCrib];
  };
  expect(next('UNC', '1/4')).toEqual(['5/16-18 UNC', false]);
  // #10-24 leaves 3.96 mm at the most in its class, of a thread of 4.17.
  expect(next('UNC', '#8')).toEqual(['#12-24 UNC', false]);
  expect(next('UNC', '1/4', '3/8-16')).toEqual(['3/8-16 UNC', true]);
  expect(next('UNC', '1/4', '1/2-13')).toEqual(['5/16-18 UNC', false]);
  expect([next('NPT', '1/8'), next('UNC', '4')]).toEqual([undefined, undefined]);
});

describe('what was observed', () => {
  const gauged = (kind: 'minor' | 'not-go', values: Record<string, number>, verdict: 'good' | 'bad', hole = 1) =>
    record('checked', { part: 1, check: kind, values, verdict }, { hole });

  test('each reading, time, feel and breakage with its drill, taps, machine and metal by then, through a remedy', () => {
    const drilled = record('step-done', { step: key('drill', 1, 1), part: 1, seconds: 30 });
    const before = gauged('minor', { in: 5.02, out: 5.06 }, 'good');
    const remedy = record('remedy', { part: 1, scope: 'rest', label: 'Use 5.2', change: { drill: '5.2' } });
    const after = gauged('minor', { in: 5.24, out: 5.28 }, 'bad', 2);
    const broken = record('tap-broken', { part: 1, tap: 'usual', turns: 3 }, { hole: 2 });
    const records = [drilled, before, remedy, record('note', { part: 1, text: 'x' }), after, broken];
    const seen = observationsOf({ route, job, shop }, records, planner);
    expect(seen.map((o) => [o.recordId, o.observed.what, o.drill?.diameterMm, o.material, o.machine])).toEqual([
      [drilled.id, 'made', 5, 'steel-low-carbon', 'press'],
      [before.id, 'gauged', 5, 'steel-low-carbon', 'press'],
      [after.id, 'gauged', 5.2, 'steel-low-carbon', 'press'],
      [broken.id, 'broken', 5.2, 'steel-low-carbon', 'press'],
    ]);
    expect(seen[0].observed).toMatchObject({ operation: 'drill', seconds: 30 });
    expect(seen[1]).toMatchObject({
      thread: 'M6x1',
      start: 'centre-drill',
      depthMm: 12,
      at: { holeNumber: 1, part: 1 },
    });
    expect(seen[1].taps.length).toBeGreaterThan(0);
  });

  test('one verdict: the one that was recorded counts for the list, the line and the sheet; another now is said', () => {
    const at = { featureId: 'f', holeNumber: 1, part: 1 };
    // Three turns were allowed when it was gauged; two are now.
    const passed = gauged('not-go', { turns: 2.5 }, 'good');
    const here = run([passed]);
    const plan = here.planAt(at);
    if (!plan?.ok) throw new Error('no plan');
    const setting = here.settingFor(at, plan.value);
    const check = checksOf(plan.value, setting).find((c) => c.kind === 'not-go');
    const verdict = check && keptVerdict(check, passed as Checked);
    expect([check?.judge({ turns: 2.5 }).state, verdict?.state, gaugingOf(here, at)]).toEqual(['bad', 'good', 'good']);
    expect(verdict?.reason.text).toMatch(/^Recorded as good; .* not good/);
    const gauge: Tool = { id: 'g', kind: 'thread-gauge', name: 'Plug gauge', thread: 'M6x1', number: 'G-06' };
    const known = { name: 'A1', plan: plan.value, setting, tools: [gauge], isFirst: true };
    const rows = [...inspectionRows(here, () => known)];
    expect(rows).toMatchObject([{ verdict: 'good', instrument: 'Plug gauge, no. G-06', isFirst: true }]);
    expect(tell(rows[0].limits, 'mm')).toBe('2 turns or less');
    const failed = gauged('not-go', { turns: 5 }, 'bad');
    expect(gaugingOf(run([failed]), at)).toBe('wait');
    expect(gaugingOf(run([failed, record('decision', { part: 1, choice: 'accept' })]), at)).toBe('bad');
    expect(gaugingOf(run([]), at)).toBe('open');
    // Two holes in each of three parts; one was gauged, and failed.
    expect(
      notGauged(run([]))
        .map((n) => `${n.hole} of ${n.at.part}`)
        .sort(),
    ).toEqual(['A1 of 1', 'A1 of 2', 'A1 of 3', 'A2 of 1', 'A2 of 2', 'A2 of 3']);
    expect(notGauged(run([failed]))).toHaveLength(5);
  });

  test('a decision that is taken back: what waited waits again, and its work is asked no more; a break stays on the sheet', () => {
    const at = { featureId: 'f', holeNumber: 1, part: 1 };
    const failed = gauged('not-go', { turns: 5 }, 'bad');
    const broke = record('tap-broken', { part: 1, tap: 'plug', turns: 4 });
    const scrap = record('decision', { part: 1, choice: 'scrap' });
    const back = { ...record('decision-undone', { part: 1 }), corrects: scrap.id };
    const decided = run([failed, broke, scrap]);
    expect([decided.run.waiting.length, [...decided.run.scrapped]]).toEqual([0, [1]]);
    const undone = run([failed, broke, scrap, back]);
    expect([undone.run.waiting.length, undone.run.scrapped.size, undone.decisionAfter.size]).toEqual([2, 0, 0]);
    expect(undone.run.steps.map((s) => s.key)).toEqual(run([failed, broke]).run.steps.map((s) => s.key));
    const plan = decided.planAt(at);
    if (!plan?.ok) throw new Error('no plan');
    const known = {
      name: 'A1',
      plan: plan.value,
      setting: decided.settingFor(at, plan.value),
      tools: [],
      isFirst: false,
    };
    expect([...inspectionRows(decided, () => known)].map((r) => [r.check, r.verdict, r.decision])).toEqual([
      ['Tap', 'bad', 'Scrap the part'],
      ['Not-go gauge', 'bad', 'Scrap the part'],
    ]);
  });
});

describe('one hole through first', () => {
  const four = {
    ...job,
    quantity: 1,
    holes: ['f', 'g'].map((id, i) => ({
      ...job.holes[0],
      id,
      letter: 'AB'[i],
      place: { ...job.holes[0].place, y: 10 + 20 * i },
    })),
  };
  const found = workOfJob(four.holes, four, shop, planner);
  const issued = { route: planRoute(found.ok ? found.value : [], 1, shop.habits), job: four, shop };
  const at = (records: BenchRecord[]): RunOfIssue => runOfIssue(issued, records, planner);
  const first = { featureId: 'f', holeNumber: 1, part: 1 };
  const small = record('checked', { part: 1, check: 'minor', values: {}, verdict: 'bad' });

  test('where it fails the next drill is offered for those that are not drilled, of like features too, and reaches only them', () => {
    const now = at([small]);
    const plan = now.planAt(first);
    if (!plan?.ok) throw new Error('no plan');
    const by = (check: Checked['body']['check'], values: Record<string, number> = {}) =>
      now.firstHere(first, plan.value, { part: 1, check, values, verdict: 'bad' });
    const used = plan.value.thread?.tapDrill.used.drill.diameterMm ?? NaN;
    // M6-6H is 4.917 to 5.153. Pinned at 4.80, that is 0.24 under its middle: 5.2 leaves about 5.0 this time.
    const here = by('minor', { in: 4.79, out: 4.81 });
    expect(here?.left).toBe(3);
    const drill = here?.remedy?.change.drill;
    expect(Number(drill)).toBeCloseTo(used + 0.2, 6);
    // As much too large takes one as much smaller; pins go before what the model would have inside.
    expect(Number(by('minor', { in: 5.29, out: 5.31 })?.remedy?.change.drill)).toBeLessThan(used);
    expect(Number(by('go', { turns: 0 })?.remedy?.change.drill ?? 99)).toBeGreaterThan(used);
    expect(by('square')?.remedy).toBeUndefined();
    expect(
      now.firstHere({ ...first, holeNumber: 2 }, plan.value, { part: 1, check: 'go', values: {}, verdict: 'bad' }),
    ).toBeUndefined();
    // What the pins said goes before the model: no red line for the drill that they asked for.
    expect(here?.remedy?.change.pinnedOffMm).toBeCloseTo(
      4.8 - (plan.value.thread?.tapDrill.used.finishedMinorMm ?? 0),
      6,
    );
    const pinned = record('remedy', { part: 1, scope: 'others', label: 'next', change: here?.remedy?.change ?? {} });
    const second = at([small, pinned]).planAt({ ...first, holeNumber: 2 });
    const saidOfDrill = second?.ok ? second.value.operations.find((o) => o.key === 'drill')?.cautions : [];
    expect(saidOfDrill?.map((c) => c.code)).toEqual(['by-pins']);
    const rest = record('remedy', { part: 1, scope: 'rest', label: 'next', change: { drill } });
    const after = at([small, rest]);
    const drillOf = (featureId: string, holeNumber: number) => {
      const made = after.planAt({ featureId, holeNumber, part: 1 });
      return made?.ok ? made.value.thread?.tapDrill.used.drill.label : '';
    };
    expect([drillOf('f', 2), drillOf('g', 1), drillOf('g', 2)]).toEqual([drill, drill, drill]);
  });

  test('it is left at the gauge only with a verdict: a reading, or a decision that leaves it as it is', () => {
    const good = record('checked', { part: 1, check: 'mating', values: { yes: 1 }, verdict: 'good' });
    const placed = record('checked', { part: 1, check: 'position', values: {}, verdict: 'good' });
    expect(gaugeStill(at([placed]), first)).toBe('reading');
    const decide = (choice: 'accept' | 'redrill') => record('decision', { part: 1, choice });
    expect(
      [[], [good], [small], [small, decide('redrill')], [small, decide('accept')]].map((r) => gaugeStill(at(r), first)),
    ).toEqual(['reading', undefined, 'decision', 'reading', undefined]);
  });

  test('after a drill was sharpened the next hole that it makes is gauged before the others go on', () => {
    const steps = at([]).run.steps;
    const tool = steps.find((s) => s.item?.opKey === 'drill')?.visit?.tool ?? '';
    const order = (records: BenchRecord[]) =>
      at(records).run.steps.flatMap((s) => (s.item ? [`${s.item.letter}${s.item.hole} ${s.item.code}`] : []));
    const made = steps
      .filter((s) => s.item?.letter === 'A' && s.item.hole === 1 && s.item.code !== 'check')
      .map((s) => record('step-done', { step: s.key, part: 1 }));
    const dull = record('drill-dull', { part: 1, tool });
    const after = order([...made, dull]);
    const next = after.filter((s) => s.endsWith(' drill'))[1].split(' ')[0];
    const others = ['A2', 'B1', 'B2'].filter((h) => h !== next);
    for (const other of others) expect(after.indexOf(`${other} tap`)).toBeGreaterThan(after.indexOf(`${next} check`));
    expect([...after].sort()).toEqual([...order(made)].sort());
    // Followed record by record it is the same, and so it is where the shop gauges one part in many.
    const followed = followRun(issued, planner);
    for (const r of [...made, dull]) {
      followed.add([r]);
      followed.now();
    }
    const [stepOf] = at([...made, dull]).run.steps.filter(
      (s) => `${s.item?.letter}${s.item?.hole} ${s.item?.code}` === `${next} drill`,
    );
    const on = record('step-done', { step: stepOf.key, part: 1 });
    followed.add([on]);
    expect(followed.now().run.steps.map((s) => s.key)).toEqual(at([...made, dull, on]).run.steps.map((s) => s.key));
    expect(order(made).indexOf(`${next} check`)).toBeGreaterThan(order(made).indexOf(`${others[0]} tap`));
  });
});

test('what the hand does while it cuts: out at the readings of the stop, ease before it comes through, square after two turns', () => {
  const feel = (callout: string, materialId: string, opKey: string): string => {
    const made = planner.plan(
      { ...job.holes[0], question: { ...job.holes[0].question, callout } },
      { ...job, materialId },
    );
    const op = made.ok && made.value.operations.find((o) => o.key === opKey);
    return made.ok && op
      ? feelOf(op, made.value)
          .map((p) => tell(p, 'mm'))
          .join(' ')
      : '';
  };
  // 3 mm through 12: out at 9, and 12 is within half a diameter of the end; eased a millimetre before the back.
  expect(feel('ø3 THRU', 'steel-low-carbon', 'drill')).toBe(
    'Out at 9.0 mm on the stop. Ease at 11.0 mm; if it catches there, back it a moment, then on.',
  );
  expect(feel('ø8 x 6 DEEP', 'steel-low-carbon', 'drill')).toBe('');
  expect(feel('ø8 THRU', 'stainless-austenitic', 'drill')).toContain('Never dwell');
  expect(feel('M6 THRU', 'steel-low-carbon', 'tap-1')).toMatch(/^Flutes clean, then oil.*square from two sides/);
  expect(feel('M6 THRU', 'iron-grey', 'tap-1')).toMatch(/^Flutes clean\. After turn 1/);
});

test('a record in a line: what was done, by the operation that its step names', () => {
  const said = (r: BenchRecord): string => tell(recordWords(r), 'mm');
  expect(said(record('step-done', { step: 'f/1/tap-1/1', part: 1 }))).toBe('Done: tap 1');
  expect(said(record('step-done', { step: 'scribe/top x 30.000/1', part: 1 }))).toBe('Done: scribe top x 30.000');
  expect(said(record('checked', { part: 1, check: 'not-go', values: { turns: 5 }, verdict: 'bad' }))).toBe(
    'Gauged not-go gauge: not good',
  );
  expect(said(record('decision', { part: 1, choice: 'accept', by: 'mount group', why: 'no load' }))).toBe(
    'Decided: Accept as it is, mount group, no load',
  );
  expect(tell(recordWords({ kind: 'punch-mark', body: { dxMm: 0.3, dyMm: 0.4 } }), 'mm')).toBe('Punched, 0.5 mm off');
});

test('as many things are gauged as the time for it counts', () => {
  const gauged = (callout: string): [number, number] => {
    const made = planner.plan({ ...job.holes[0], question: { ...job.holes[0].question, callout } }, job);
    if (!made.ok) throw new Error(callout);
    const seconds = made.value.operations.find((o) => o.code === 'check')?.time.value ?? 0;
    const setting = { drawn: { x: 10, y: 10 }, zoneMm: 0.5, notGoTurns: 2 };
    return [(seconds - 20) / 15, checksOf(made.value, setting).length];
  };
  for (const callout of ['M6 THRU', 'M6 x 5 DEEP']) {
    const [counted, checks] = gauged(callout);
    expect([callout, counted]).toEqual([callout, checks]);
  }
});
