import type { OperationCode } from '../operation/operation';
import { KINDS } from '../operation/kinds';
import type { RunStep } from '../route/run-steps';
import type { WorkItem } from '../route/work-item';
import { holeKey, holeOf, type BenchRecord, type HoleAt, type RemedyChange } from './bench-record';
import type { Decision, Remedy, RunRecords, Waiting } from './run-records';
import { onceMore, stepHole, type BenchStep } from './bench-step';
import { gaugedAgain } from './gauge-again';
import { toThreadsDecided, type OperationsNow } from './thread-decided';
import { CHOICES, isGaugedAgain, type Choice } from '../gauging/verdict';

/** How far a run is. */
export interface Run {
  steps: readonly BenchStep[];
  /** Steps that are done or skipped, with the record that says so. */
  settled: ReadonlyMap<string, BenchRecord>;
  /** First step that is open; undefined when all is done. */
  next?: BenchStep;
  /** Where that stands; as many as there are steps when all is done. */
  nextAt: number;
  /** How many steps are settled, and how many are left to do: those of scrapped parts are neither. */
  done: number;
  open: number;
  remedies: readonly Remedy[];
  waiting: Waiting[];
  /** Parts that were scrapped. */
  scrapped: ReadonlySet<number>;
}

/** Whether a remedy changes an operation so that what was done by then has to be done once more. */
export type RedoneBy = (item: WorkItem, part: number, before: RemedyChange, after: RemedyChange) => boolean;

/** Operations that are done once more after a choice, in the order of the work. */
const REDONE: Partial<Record<Choice, { codes: OperationCode[]; lastTap?: boolean }>> = {
  clean: { codes: ['check'] },
  redrill: { codes: ['drill', 'deepen', 'tap', 'check'] },
  deepen: { codes: ['drill', 'deepen', 'tap', 'check'] },
  chase: { codes: ['tap', 'check'], lastTap: true },
  'next-tap': { codes: ['tap', 'check'], lastTap: true },
  open: { codes: ['drill', 'check'] },
  'drill-again': { codes: ['drill', 'deepen', 'check'] },
  'ream-again': { codes: ['ream', 'check'] },
  oversize: { codes: ['ream', 'check'] },
  bush: { codes: ['ream', 'check'] },
};

/** Whether a hole comes after another of its feature, or of one like it, in a batch, or is it. */
function isFrom(hole: HoleAt, { at, alike }: Pick<Remedy, 'at' | 'alike'>): boolean {
  const own = hole.featureId === at.featureId;
  if (!own && !alike?.includes(hole.featureId)) return false;
  if (hole.part !== at.part) return hole.part > at.part;
  return own
    ? hole.holeNumber >= at.holeNumber
    : (alike ?? []).indexOf(hole.featureId) > (alike ?? []).indexOf(at.featureId);
}

/** The callout that was decided for a hole in place of the drawing’s. */
const calloutOf = (remedies: readonly Remedy[], at: HoleAt): string | undefined =>
  remedies.findLast((r) => r.decided && r.change.callout !== undefined && holeKey(r.at) === holeKey(at))?.change
    .callout;

/** Whether a remedy is meant for a hole. */
const reaches = (remedy: Remedy, hole: HoleAt): boolean =>
  holeKey(remedy.at) === holeKey(hole) ? remedy.scope !== 'others' : remedy.scope !== 'hole' && isFrom(hole, remedy);

/** What the remedies so far change of a hole. One found on another hole counts only where both have the same thread. */
export const changeFor = (remedies: readonly Remedy[], hole: HoleAt): RemedyChange =>
  remedies.reduce<RemedyChange>((all, remedy, n) => {
    const { at, change } = remedy;
    if (!reaches(remedy, hole)) return all;
    if (holeKey(at) !== holeKey(hole) && calloutOf(remedies.slice(0, n), at) !== all.callout) return all;
    const overrides = all.overrides || change.overrides ? { overrides: { ...all.overrides, ...change.overrides } } : {};
    return { ...all, ...change, ...overrides };
  }, {});

/** How many holes wait, however much is against each. */
export const holesWaiting = ({ waiting }: Run): number => new Set(waiting.map((w) => holeKey(w.at))).size;

/** What is made of the part in hand, the last one where all are made. */
export interface PartInHand {
  part: number;
  /** Numbers of the holes in which nothing is left to cut, by feature. */
  made: Record<string, number[]>;
  /** Operations done, by kind; one that was done once more counts once. */
  done: Partial<Record<OperationCode, number>>;
}

/** How far the part in hand is, hole by hole; undefined where nothing was done to it. */
export function partInHand({ steps, settled, next }: Pick<Run, 'steps' | 'settled' | 'next'>): PartInHand | undefined {
  const part = next?.part ?? steps.at(-1)?.part ?? 1;
  const left = new Map<string, { hole: HoleAt; isLeft: boolean }>();
  const done: PartInHand['done'] = {};
  for (const step of steps) {
    const hole = step.part === part ? stepHole(step) : undefined;
    if (!hole || !step.item) continue;
    const { code } = step.item;
    if (code === 'cut-between') continue;
    const isOpen = !settled.has(step.key);
    if (!isOpen && !step.again) done[code] = (done[code] ?? 0) + 1;
    if (KINDS[code].removes === 'nothing') continue;
    const key = holeKey(hole);
    left.set(key, { hole, isLeft: isOpen || left.get(key)?.isLeft === true });
  }
  if (Object.keys(done).length === 0) return undefined;
  const made: PartInHand['made'] = {};
  for (const { hole, isLeft } of left.values()) if (!isLeft) (made[hole.featureId] ??= []).push(hole.holeNumber);
  return { part, made, done };
}

interface Again {
  of: RunStep;
  id: string;
  why: string;
}

/** Whether a step was done before a record was made. */
type DoneBy = (step: RunStep, recordId: string) => boolean;

function againByRemedies(
  byHole: ReadonlyMap<string, RunStep[]>,
  remedies: readonly Remedy[],
  isDoneBy: DoneBy,
  redoneBy: RedoneBy,
): Again[] {
  return remedies.flatMap((remedy, n) =>
    [...byHole.values()].flatMap((steps): Again[] => {
      const hole = stepHole(steps[0]);
      if (remedy.decided) return [];
      const own = hole !== undefined && holeKey(hole) === holeKey(remedy.at);
      if (!hole || !reaches(remedy, hole)) return [];
      const before = changeFor(remedies.slice(0, n), hole);
      const after = changeFor(remedies.slice(0, n + 1), hole);
      const done = steps.filter((s) => s.item && isDoneBy(s, remedy.id));
      // A hole that is tapped already stays as it is, unless it is the one that the remedy was found for.
      if (!own && done.some((s) => s.item?.code === 'tap')) return [];
      const redone = done.filter((s) => s.item && redoneBy(s.item, hole.part, before, after));
      const drilled = redone.some((s) => s.item?.code !== 'tap');
      const taps = drilled ? done.filter((s) => s.item?.code === 'tap' && !redone.includes(s)) : [];
      return [...redone, ...taps].map((of) => ({ of, id: remedy.id, why: remedy.label }));
    }),
  );
}

/** What was done by then and a choice asks for once more; what is open still comes anyway. */
function againByDecisions(
  byHole: ReadonlyMap<string, RunStep[]>,
  decisions: readonly Decision[],
  isDoneBy: DoneBy,
): Again[] {
  return decisions.flatMap((r): Again[] => {
    const at = holeOf(r);
    const { choice } = r.body;
    if (!at || !isGaugedAgain(choice)) return [];
    const { codes, lastTap } = REDONE[choice] ?? { codes: ['check'] };
    const steps = (byHole.get(holeKey(at)) ?? []).filter((s) => codes.includes(s.item?.code as OperationCode));
    const last = steps.findLast((s) => s.item?.code === 'tap');
    return steps
      .filter((s) => isDoneBy(s, r.id) && (!lastTap || s.item?.code !== 'tap' || s === last))
      .map((of) => ({ of, id: r.id, why: CHOICES[choice].label }));
  });
}

/** Steps of each hole, in their order. */
export function stepsByHole(steps: readonly RunStep[]): Map<string, RunStep[]> {
  const byHole = new Map<string, RunStep[]>();
  for (const step of steps) {
    const hole = stepHole(step);
    if (!hole) continue;
    const key = holeKey(hole);
    const own = byHole.get(key);
    if (own) own.push(step);
    else byHole.set(key, [step]);
  }
  return byHole;
}

/** Steps to do once more stand before the first open step of their hole, or after its last. */
function withAgain(
  steps: readonly RunStep[],
  again: readonly Again[],
  settled: ReadonlyMap<string, BenchRecord>,
): readonly BenchStep[] {
  if (again.length === 0) return steps;
  const at = new Map<RunStep, { before: BenchStep[]; after: BenchStep[] }>();
  const slot = (step: RunStep) => {
    const there = at.get(step) ?? { before: [], after: [] };
    at.set(step, there);
    return there;
  };
  const byHole = stepsByHole(steps);
  for (const { of, id, why } of again) {
    const hole = stepHole(of);
    const own = hole && byHole.get(holeKey(hole));
    if (!own) continue;
    const open = own.find((s) => !settled.has(s.key));
    if (open) slot(open).before.push(onceMore(of, id, why));
    else slot(own[own.length - 1]).after.push(onceMore(of, id, why));
  }
  return steps.flatMap((s) => [...(at.get(s)?.before ?? []), s, ...(at.get(s)?.after ?? [])]);
}

/** Place in the order of records of what settled a step; undefined while it is open. */
export const settledAtOf =
  ({ settled, order }: Pick<RunRecords, 'settled' | 'order'>) =>
  ({ key }: RunStep): number | undefined => {
    const done = settled.get(key);
    return done && (order.get(done.id) ?? 0);
  };

/**
 * The steps of a run: those that the route asks for, with what remedies and decisions ask for besides.
 * @param routed every step that the route asks for
 */
export function stepsOfRun(
  routed: readonly RunStep[],
  recorded: RunRecords,
  redoneBy: RedoneBy,
  operationsNow: OperationsNow,
): readonly BenchStep[] {
  const { settled, remedies, decisions, order, toolsChanged } = recorded;
  if (remedies.length + decisions.length + toolsChanged.length === 0) return routed;
  const gauged = gaugedAgain(routed, toolsChanged, settledAtOf(recorded));
  const { steps, superseded } = toThreadsDecided(gauged, decisions, settled, operationsNow);
  const byHole = stepsByHole(superseded.size === 0 ? steps : steps.filter((s) => !superseded.has(s)));
  const isDoneBy: DoneBy = (step, recordId) => {
    const done = settled.get(step.key);
    return done?.kind === 'step-done' && (order.get(done.id) ?? 0) < (order.get(recordId) ?? 0);
  };
  const again = [
    ...againByRemedies(byHole, remedies, isDoneBy, redoneBy),
    ...againByDecisions(byHole, decisions, isDoneBy),
  ];
  return withAgain(steps, again, settled);
}
