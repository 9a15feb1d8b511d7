import type { Result } from '../answer/answer';
import type { CheckKind, CheckSetting } from '../gauging/checks-of';
import type { Choice } from '../gauging/verdict';
import type { HolePlan } from '../hole/hole-plan';
import type { Planner } from '../job/plan-in-job';
import { expandPlaces, type Expanded } from '../layout/place';
import { likeHoles } from '../route/first-through';
import { runSteps, type IsDue } from '../route/run-steps';
import { holeKey, type BenchRecord, type HoleAt, type RemedyChange } from './bench-record';
import type { BenchStep } from './bench-step';
import { changeOfChoice, type ChoiceChange } from './choice-change';
import { dueParts } from './due-parts';
import { alikeOf, firstHere, type FirstHere } from './first-hole';
import { nextHoles } from './gauge-again';
import type { IssuedWork } from './issued-work';
import { layingOfRun } from './laying-of-run';
import { lazily } from './lazily';
import { isRedone } from './plan-at-bench';
import { plansOfRun } from './plans-of-run';
import { changeFor, settledAtOf, stepsOfRun, type Run } from './run';
import { countRecord, noRecords, type Checked, type Decision, type RunRecords } from './run-records';
import { withLines, withoutOldLines } from './scribe-steps';
import { settingAt } from './setting-at';

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

/** Whether a record changes which steps there are, beside what it settles. */
function changesSteps(
  r: BenchRecord,
  isKnown: (step: string) => boolean,
  isLineOpen: (step: string) => boolean,
): boolean {
  if (r.kind === 'drill-dull' || r.kind === 'tap-broken' || isChange(r)) return true;
  if (!r.kind.startsWith('step-') || !('step' in r.body)) return false;
  const { step } = r.body;
  // A crossing that is punched needs its lines no more; a line that its crossings need no more stands there as long as it is scribed.
  return (isLineOpen(step) && step.includes('/lay-out/')) || !isKnown(step) || r.kind === 'step-undone';
}

/** What changes how holes are made from here on. */
const isChange = ({ kind }: BenchRecord): boolean =>
  kind === 'remedy' || kind === 'decision' || kind === 'decision-undone';

/** The steps of a run, worked out anew only where a record changes them, and how far it is. */
function cursorOf(recorded: RunRecords, make: () => readonly BenchStep[]) {
  const { settled, scrapped } = recorded;
  let steps: readonly BenchStep[] | undefined;
  /** Parts with lines that are still to be scribed. */
  let openLines = new Set<number>();
  /** Part of each step, by its key. */
  let keys = new Map<string, number>();
  let nextAt = 0;
  let done = 0;
  function now(): readonly BenchStep[] {
    if (steps) return steps;
    steps = make();
    openLines = new Set(steps.filter((s) => s.line && !settled.has(s.key)).map((s) => s.part));
    keys = new Map(steps.map((s) => [s.key, s.part]));
    done = steps.reduce((n, s) => n + Number(settled.has(s.key)), 0);
    nextAt = 0;
    return steps;
  }
  const isOpen = (s: BenchStep): boolean => !settled.has(s.key) && !scrapped.has(s.part);
  return {
    isKnown: (step: string): boolean => !steps || keys.has(step),
    isLineOpen: (step: string): boolean => openLines.has(keys.get(step) ?? 0),
    /** A step became settled, or is so no more. */
    settle: (step: string, by: number): void => {
      if (steps && keys.has(step)) done += by;
    },
    forget: (): void => void (steps = undefined),
    /** What was passed may be open again. */
    lookAgain: (): void => void (nextAt = 0),
    at: (): Pick<Run, 'steps' | 'next' | 'nextAt' | 'done' | 'open'> => {
      const all = now();
      while (nextAt < all.length && !isOpen(all[nextAt])) nextAt += 1;
      const open = scrapped.size === 0 ? all.length - done : all.filter(isOpen).length;
      return { steps: all, next: all[nextAt], nextAt, done, open };
    },
  };
}

/** Follows an issued route from its first record on: one more record costs the same however many there are. */
export function followRun(work: IssuedWork, planner: Planner): FollowedRun {
  const { route, job, shop } = work;
  const samples = (job.route?.checkEvery ?? 1) > 1;
  const recorded = noRecords();
  const { remedies, settled, scrapped } = recorded;
  const features = new Map(job.holes.map((f) => [f.id, f]));
  const likes = lazily(
    () => new Map(likeHoles(job.holes).flatMap((like) => like.features.map((id) => [id, like.features] as const))),
  );
  const points = lazily((): Expanded['points'] => expandPlaces(job.holes.filter((f) => f.place)).points);
  const laying = lazily(() => layingOfRun(work));
  const due = dueParts(work, recorded);
  const routed = lazily(() => withLines(runSteps(route), laying()));
  const plans = plansOfRun(work, planner, remedies);
  const { made, at: planAt } = plans;
  /** Where the shop samples, holes that a changed tool made next are gauged besides. */
  function sampled(): readonly BenchStep[] {
    const again = nextHoles(routed(), recorded.toolsChanged, settledAtOf(recorded));
    const isDue: IsDue = ({ featureId, hole }, part) =>
      due.has(featureId, hole, part) || again.has(holeKey({ featureId, holeNumber: hole, part }));
    return withLines(runSteps(route, isDue), laying());
  }
  const cursor = cursorOf(recorded, () =>
    withoutOldLines(
      stepsOfRun(
        samples ? sampled() : routed(),
        recorded,
        ({ opKey, featureId }, _part, before, after) =>
          isRedone(opKey, made(featureId, before), made(featureId, after)),
        (hole) => {
          const plan = made(hole.featureId, changeFor(remedies, hole));
          return plan?.ok ? plan.value.operations : [];
        },
      ),
      (s) => settled.has(s.key),
    ),
  );
  const settingFor = (hole: HoleAt, plan: HolePlan): CheckSetting => {
    const { zoneMm, meets } = features.get(hole.featureId) ?? {};
    return settingAt(points(), hole, plan, shop, { zoneMm, meets: meets && laying().letters.get(meets) });
  };
  /** Forgets what a record changes, and moves on what it settles. */
  function moveOn(r: BenchRecord): void {
    if (isChange(r)) {
      const [last] = remedies.slice(-1);
      if (last?.id === r.id) last.alike = likes().get(last.at.featureId);
      plans.forgetRemedied();
    }
    if (r.kind === 'step-undone' || r.kind === 'decision-undone') cursor.lookAgain();
    const isFound = samples && (r.kind === 'checked' || r.kind.startsWith('decision'));
    if (isFound) due.forget();
    // Where a step that is done once more stands follows what is done of its hole.
    const follows = r.kind.startsWith('step-') && remedies.length + recorded.decisions.length > 0;
    if (isFound || follows || changesSteps(r, cursor.isKnown, cursor.isLineOpen)) cursor.forget();
  }
  function add(records: readonly BenchRecord[]): void {
    for (const r of records) {
      const step = 'step' in r.body ? r.body.step : undefined;
      const was = step !== undefined && settled.has(step);
      countRecord(recorded, r);
      if (step !== undefined) cursor.settle(step, Number(settled.has(step)) - Number(was));
      moveOn(r);
    }
  }
  const canBeMade =
    (hole: HoleAt) =>
    (change: RemedyChange): boolean =>
      made(hole.featureId, { ...changeFor(remedies, hole), ...change })?.ok === true;
  function now(): RunOfIssue {
    const run: Run = {
      ...cursor.at(),
      settled,
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
      duePartsOf: due.of,
      planAt,
      changeOf: (choice, hole, plan) => {
        const found = changeOfChoice(choice, plan, shop.taps ?? []);
        return found && canBeMade(hole)(found.change) ? found : undefined;
      },
      decidedThread: (hole, plan) =>
        changeFor(remedies, hole).callout === undefined ? undefined : plan.thread?.thread.designation,
      firstHere: (hole, plan, gauged) => {
        const alike = alikeOf(route, likes(), hole);
        return alike && firstHere(run, alike, hole, plan, gauged, canBeMade(hole));
      },
      settingFor,
    };
  }
  return { add, now, planAt, settingFor };
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
