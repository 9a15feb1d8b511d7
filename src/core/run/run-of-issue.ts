import type { Result } from '../answer/answer';
import type { HolePlan } from '../hole/hole-plan';
import type { JobFeature, JobHead, Planner } from '../job/plan-in-job';
import { layOutFace, type LaidFace } from '../layout/lay-out';
import type { FaceId } from '../layout/part';
import { expandPlaces, type Expanded } from '../layout/place';
import { runSteps, type IsDue } from '../route/run-steps';
import type { Route } from '../route/route';
import type { Shop } from '../shop/shop';
import { likeHoles } from '../route/first-through';
import { alikeOf, firstHere, type FirstHere } from './first-hole';
import { holeKey, type BenchRecord, type HoleAt, type RemedyChange } from './bench-record';
import type { BenchStep } from './bench-step';
import type { CheckKind, CheckSetting } from '../gauging/checks-of';
import { changeOfChoice, type ChoiceChange } from './choice-change';
import { isRedone, planAtBench } from './plan-at-bench';
import { nextHoles } from './gauge-again';
import { changeFor, settledAtOf, stepsOfRun, type Run } from './run';
import { countRecord, faultyParts, noRecords, resultsOf, type Checked, type Decision } from './run-records';
import type { Choice } from '../gauging/verdict';
import { partsToGauge } from './sampling';
import { featuresByTool } from './same-tool';
import { withLines, withoutOldLines } from './scribe-steps';
import { settingAt } from './setting-at';

/** An issued route with the job and the shop as they were frozen. */
export interface IssuedWork {
  route: Route;
  job: JobHead & { holes: readonly (JobFeature & { id: string })[]; route?: { checkEvery?: number } };
  shop: Pick<Shop, 'habits' | 'taps' | 'tools' | 'learned'> & Partial<Pick<Shop, 'machines'>>;
}

/** How far an issued route is, and how each of its holes is made by now. */
export interface RunOfIssue {
  run: Run;
  /** The latest gauging of each kind, by hole key. */
  latest: ReadonlyMap<string, ReadonlyMap<CheckKind, Checked>>;
  /** Taps that broke, the latest of each hole, by hole key. */
  broken: ReadonlyMap<string, Extract<BenchRecord, { kind: 'tap-broken' }>>;
  /** What was decided first after a gauging or a break, by the id of that. */
  decisionAfter: ReadonlyMap<string, Decision>;
  /** With every remedy so far; undefined for a feature that the issue does not have. */
  planAt: (hole: HoleAt) => Result<HolePlan> | undefined;
  /** What a choice changes of a hole of this plan; undefined where nothing, or where it can’t be made so. */
  changeOf: (choice: Choice, hole: HoleAt, plan: HolePlan) => ChoiceChange | undefined;
  /** Thread that was decided for a hole of this plan in place of the drawing’s; undefined where it is as drawn. */
  decidedThread: (hole: HoleAt, plan: HolePlan) => string | undefined;
  /** What a hole of this plan is held against. */
  settingFor: (hole: HoleAt, plan: HolePlan) => CheckSetting;
  /** What a gauging of a hole that went through first and failed means for those that wait; undefined for any other hole. */
  firstHere: (hole: HoleAt, plan: HolePlan, gauged: Checked['body']) => FirstHere | undefined;
  /** Parts in which a hole is gauged, by what was found so far. */
  duePartsOf: (featureId: string, hole: number) => number[];
}

/** A run that is followed record by record. */
export interface FollowedRun {
  /** Counts records that come after those before, in the order in which they happened. */
  add: (records: readonly BenchRecord[]) => void;
  /** How far it is by now. */
  now: () => RunOfIssue;
  /** How a hole is made by now; undefined for a feature that the issue does not have. */
  planAt: (hole: HoleAt) => Result<HolePlan> | undefined;
  /** What a hole of this plan is held against. */
  settingFor: (hole: HoleAt, plan: HolePlan) => CheckSetting;
}

/** Follows an issued route from its first record on: one more record costs the same however many there are. */
export function followRun({ route, job, shop }: IssuedWork, planner: Planner): FollowedRun {
  const every = job.route?.checkEvery ?? 1;
  const recorded = noRecords();
  const { remedies, settled, scrapped } = recorded;
  const features = new Map(job.holes.map((f) => [f.id, f]));
  const likes = lazily(
    () => new Map(likeHoles(job.holes).flatMap((like) => like.features.map((id) => [id, like.features] as const))),
  );
  const points = lazily((): Expanded['points'] => expandPlaces(job.holes.filter((f) => f.place)).points);
  const laying = lazily(() => {
    const faces = new Map<FaceId, LaidFace>();
    const placed = job.holes.map((f) => ({ ...f, name: '', callout: f.question.callout }));
    return {
      letters: lettersOf(route),
      // Where a machine finds the place by its scales, or a hole is there already, nothing is scribed; a round side has no edge to count from.
      faceOf: (id: string) => {
        const feature = features.get(id);
        if (!feature?.place || feature.face === 'side' || feature.question.existing.trim() !== '') return undefined;
        return isScribed(feature.question.machine) ? feature.face : undefined;
      },
      laid: (face: FaceId) => {
        const known = faces.get(face) ?? layOutFace(job.part, face, placed);
        faces.set(face, known);
        return known;
      },
    };
  });
  const isScribed = (machineId: string): boolean => {
    const kind = shop.machines?.find((m) => m.id === machineId)?.kind;
    return kind !== 'mill' && kind !== 'lathe';
  };
  const routed = lazily(() => withLines(runSteps(route), laying()));
  const sameTools = lazily(() => featuresByTool(route));
  let due = new Map<string, { parts: number[]; set: Set<number> }>();
  const dueOf = (featureId: string, hole: number) => {
    const key = `${featureId}/${hole}`;
    const known = due.get(key);
    if (known) return known;
    const own = resultsOf(recorded, featureId, hole);
    const gauged = new Set(own.map((r) => r.part));
    // What spoiled one hole may have spoiled every other that the same tool makes.
    const others = [...faultyParts(recorded, sameTools().get(featureId) ?? new Set())].filter((p) => !gauged.has(p));
    const parts = partsToGauge(job.quantity, every, [...own, ...others.map((part) => ({ part, good: false }))]);
    const made = { parts, set: new Set(parts) };
    due.set(key, made);
    return made;
  };
  const isDue: IsDue = (item, part) => dueOf(item.featureId, item.hole).set.has(part);
  const made = (featureId: string, change: RemedyChange): Result<HolePlan> | undefined => {
    const feature = features.get(featureId);
    return feature && planAtBench(feature, job, planner, change);
  };
  /** A remedy that cannot be made, sent by another program, changes nothing: the work goes on as it was. */
  const madeOrAsDrawn = (featureId: string, change: RemedyChange): Result<HolePlan> | undefined => {
    const result = made(featureId, change);
    return result?.ok ? result : made(featureId, {});
  };
  const settingFor = (hole: HoleAt, plan: HolePlan): CheckSetting => {
    const { zoneMm, meets } = features.get(hole.featureId) ?? {};
    return settingAt(points(), hole, plan, shop, { zoneMm, meets: meets && laying().letters.get(meets) });
  };
  const asDrawn = new Map<string, Result<HolePlan> | undefined>();
  /** Plans of holes that a remedy reaches, until there is another remedy. */
  let remedied = new Map<string, Result<HolePlan> | undefined>();
  const planAt = (hole: HoleAt): Result<HolePlan> | undefined => {
    const change = changeFor(remedies, hole);
    const [plans, key] = Object.keys(change).length === 0 ? [asDrawn, hole.featureId] : [remedied, holeKey(hole)];
    if (!plans.has(key)) plans.set(key, madeOrAsDrawn(hole.featureId, change));
    return plans.get(key);
  };

  let steps: readonly BenchStep[] | undefined;
  /** Parts with lines that are still to be scribed. */
  let openLines = new Set<number>();
  /** Part of each step, by its key. */
  let keys = new Map<string, number>();
  let nextAt = 0;
  let done = 0;
  /** Forgets what a record changes of the steps, and moves on what it settles. */
  function moveOn(r: BenchRecord): void {
    if (r.kind === 'drill-dull' || r.kind === 'tap-broken') steps = undefined;
    if (r.kind === 'remedy' || r.kind === 'decision' || r.kind === 'decision-undone') {
      const [last] = remedies.slice(-1);
      if (last?.id === r.id) last.alike = likes().get(last.at.featureId);
      steps = undefined;
      remedied = new Map();
    }
    if (r.kind === 'step-undone') nextAt = 0;
    if (r.kind === 'decision-undone') nextAt = 0;
    if (every > 1 && (r.kind === 'checked' || r.kind.startsWith('decision'))) {
      due = new Map();
      steps = undefined;
    }
    // A crossing that is punched needs its lines no more.
    if (
      r.kind.startsWith('step-') &&
      'step' in r.body &&
      openLines.has(keys.get(r.body.step) ?? 0) &&
      r.body.step.includes('/lay-out/')
    )
      steps = undefined;
    // A line that its crossings need no more stands there as long as it is scribed.
    if (r.kind.startsWith('step-') && 'step' in r.body && steps && (!keys.has(r.body.step) || r.kind === 'step-undone'))
      steps = undefined;
    // Where a step that is done once more stands follows what is done of its hole.
    if (r.kind.startsWith('step-') && remedies.length + recorded.decisions.length > 0) steps = undefined;
    // Which hole a changed tool made next is settled by then, unless it is taken back.
    if (r.kind === 'step-undone' && recorded.toolsChanged.length > 0) steps = undefined;
  }
  function add(records: readonly BenchRecord[]): void {
    for (const r of records) {
      const step = 'step' in r.body ? r.body.step : undefined;
      const was = step !== undefined && settled.has(step);
      countRecord(recorded, r);
      if (step !== undefined && steps && keys.has(step)) done += Number(settled.has(step)) - Number(was);
      moveOn(r);
    }
  }
  /** Where the shop samples, holes that a changed tool made next are gauged besides. */
  function dueNow(): IsDue {
    const again = nextHoles(routed(), recorded.toolsChanged, settledAtOf(recorded));
    return again.size === 0
      ? isDue
      : ({ featureId, hole }, part) =>
          dueOf(featureId, hole).set.has(part) || again.has(holeKey({ featureId, holeNumber: hole, part }));
  }
  function stepsNow(): readonly BenchStep[] {
    if (steps) return steps;
    const all = withoutOldLines(
      stepsOfRun(
        every <= 1 ? routed() : withLines(runSteps(route, dueNow()), laying()),
        recorded,
        ({ opKey, featureId }, _part, before, after) =>
          isRedone(opKey, made(featureId, before), made(featureId, after)),
        (hole) => {
          const plan = made(hole.featureId, changeFor(remedies, hole));
          return plan?.ok ? plan.value.operations : [];
        },
      ),
      (s) => settled.has(s.key),
    );
    openLines = new Set(all.filter((s) => s.line && !settled.has(s.key)).map((s) => s.part));
    steps = all;
    keys = new Map(all.map((s) => [s.key, s.part]));
    done = all.reduce((n, s) => n + Number(settled.has(s.key)), 0);
    nextAt = 0;
    return all;
  }
  const isOpen = (s: BenchStep): boolean => !settled.has(s.key) && !scrapped.has(s.part);
  function now(): RunOfIssue {
    const all = stepsNow();
    while (nextAt < all.length && !isOpen(all[nextAt])) nextAt += 1;
    const run: Run = {
      steps: all,
      settled,
      next: all[nextAt],
      nextAt,
      done,
      open: scrapped.size === 0 ? all.length - done : all.filter(isOpen).length,
      remedies,
      waiting: [...recorded.waiting.values()]
        .flatMap((against) => [...against.values()])
        .filter((w) => !scrapped.has(w.at.part)),
      scrapped,
    };
    return {
      run,
      latest: recorded.latest,
      broken: recorded.broken,
      decisionAfter: recorded.decisionAfter,
      duePartsOf: (featureId, hole) => dueOf(featureId, hole).parts,
      planAt,
      changeOf: (choice, hole, plan) => {
        const found = changeOfChoice(choice, plan, shop.taps ?? []);
        return found && made(hole.featureId, { ...changeFor(remedies, hole), ...found.change })?.ok ? found : undefined;
      },
      decidedThread: (hole, plan) =>
        changeFor(remedies, hole).callout === undefined ? undefined : plan.thread?.thread.designation,
      firstHere: (hole, plan, gauged) => {
        const alike = alikeOf(route, likes(), hole);
        const canBeMade = (change: RemedyChange): boolean =>
          made(hole.featureId, { ...changeFor(remedies, hole), ...change })?.ok === true;
        return alike && firstHere(run, alike, hole, plan, gauged, canBeMade);
      },
      settingFor,
    };
  }
  return { add, now, planAt, settingFor };
}

/** Letters of the features of a route. */
const lettersOf = ({ setUps }: Route): Map<string, string> =>
  new Map(setUps.flatMap((s) => s.visits.flatMap((v) => v.items.map((i) => [i.featureId, i.letter] as const))));

/** What is worked out when it is first asked for. */
function lazily<T extends object>(make: () => T): () => T {
  let made: T | undefined;
  return () => (made ??= make());
}

/**
 * Judges an issued route by what was recorded.
 * @param records of the job, in the order in which they happened
 */
export function runOfIssue(work: IssuedWork, records: readonly BenchRecord[], planner: Planner): RunOfIssue {
  const run = followRun(work, planner);
  run.add(records);
  return run.now();
}
