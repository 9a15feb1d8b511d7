import type { OperationCode } from '../operation/operation';
import type { RunStep } from '../route/run-steps';
import type { WorkItem } from '../route/work-item';
import { holeKey, holeOf, type BenchRecord, type HoleAt, type RemedyChange } from './bench-record';
import { onceMore, stepHole, type BenchStep } from './bench-step';
import { toThreadsDecided, type OperationsNow } from './thread-decided';
import { CHOICES, isGaugedAgain, type Choice } from './verdict';

/** A remedy found at the bench: for one hole, or from it on for all holes of its feature. */
export interface Remedy {
  id: string;
  at: HoleAt;
  scope: 'hole' | 'rest';
  label: string;
  change: RemedyChange;
  /** Came of a decision, which says itself what is done once more. */
  decided?: true;
}

/** A hole on which somebody has to decide. */
export interface Waiting {
  at: HoleAt;
  because: Extract<BenchRecord, { kind: 'checked' | 'tap-broken' }>;
}

/** How far a run is. */
export interface Run {
  steps: BenchStep[];
  /** Steps that are done or skipped, with the record that says so. */
  settled: ReadonlyMap<string, BenchRecord>;
  /** First step that is open; undefined when all is done. */
  next?: BenchStep;
  remedies: Remedy[];
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
};

/** Whether a hole comes after another of its feature in a batch, or is it. */
const isFrom = (hole: HoleAt, at: HoleAt): boolean =>
  hole.featureId === at.featureId &&
  (hole.part > at.part || (hole.part === at.part && hole.holeNumber >= at.holeNumber));

/** Remedies and what was decided, in the order in which they were found. */
export const remediesIn = (records: readonly BenchRecord[]): Remedy[] =>
  records.flatMap((r): Remedy[] => {
    const at = holeOf(r);
    if (!at) return [];
    if (r.kind === 'remedy') return [{ id: r.id, at, scope: r.body.scope, label: r.body.label, change: r.body.change }];
    if (r.kind !== 'decision' || !r.body.change) return [];
    const { choice, change } = r.body;
    return [{ id: r.id, at, scope: 'hole', label: CHOICES[choice].label, change, decided: true }];
  });

/** The callout that was decided for a hole in place of the drawing’s. */
const calloutOf = (remedies: readonly Remedy[], at: HoleAt): string | undefined =>
  remedies.findLast((r) => r.decided && r.change.callout !== undefined && holeKey(r.at) === holeKey(at))?.change
    .callout;

/** What the remedies so far change of a hole. One found on another hole counts only where both have the same thread. */
export const changeFor = (remedies: readonly Remedy[], hole: HoleAt): RemedyChange =>
  remedies.reduce<RemedyChange>((all, { at, scope, change }, n) => {
    const isOwn = holeKey(at) === holeKey(hole);
    const reaches =
      isOwn || (scope === 'rest' && isFrom(hole, at) && calloutOf(remedies.slice(0, n), at) === all.callout);
    if (!reaches) return all;
    const overrides = all.overrides || change.overrides ? { overrides: { ...all.overrides, ...change.overrides } } : {};
    return { ...all, ...change, ...overrides };
  }, {});

/** Done and skipped steps, what was taken back left out; whatever the order in which the records came. */
function settledIn(records: readonly BenchRecord[]): Map<string, BenchRecord> {
  const back = new Set(records.flatMap((r) => (r.kind === 'step-undone' && r.corrects ? [r.corrects] : [])));
  const settled = new Map<string, BenchRecord>();
  for (const r of records)
    if ((r.kind === 'step-done' || r.kind === 'step-skipped') && !back.has(r.id)) settled.set(r.body.step, r);
  return settled;
}

/** Holes whose last gauging failed, or whose tap broke, and nobody has decided since. */
function waitingIn(records: readonly BenchRecord[]): Waiting[] {
  const waiting = new Map<string, Waiting>();
  for (const r of records) {
    const at = holeOf(r);
    if (!at) continue;
    const hole = holeKey(at);
    if (r.kind === 'tap-broken') waiting.set(`${hole} broken`, { at, because: r });
    if (r.kind === 'checked') {
      const key = `${hole} ${r.body.check}`;
      if (r.body.verdict === 'bad') waiting.set(key, { at, because: r });
      else if (r.body.verdict === 'good') waiting.delete(key);
    }
    if (r.kind === 'decision')
      for (const key of [...waiting.keys()]) if (key.startsWith(`${hole} `)) waiting.delete(key);
  }
  return [...waiting.values()];
}

/** How many holes wait, however much is against each. */
export const holesWaiting = ({ waiting }: Run): number => new Set(waiting.map((w) => holeKey(w.at))).size;

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
      if (!hole || !(own || (remedy.scope === 'rest' && isFrom(hole, remedy.at)))) return [];
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
  records: readonly BenchRecord[],
  isDoneBy: DoneBy,
): Again[] {
  return records.flatMap((r): Again[] => {
    const at = holeOf(r);
    const { choice } = r.kind === 'decision' ? r.body : {};
    if (!at || !choice || !isGaugedAgain(choice)) return [];
    const { codes, lastTap } = REDONE[choice] ?? { codes: ['check'] };
    const steps = (byHole.get(holeKey(at)) ?? []).filter((s) => codes.includes(s.item?.code as OperationCode));
    const last = steps.findLast((s) => s.item?.code === 'tap');
    return steps
      .filter((s) => isDoneBy(s, r.id) && (!lastTap || s.item?.code !== 'tap' || s === last))
      .map((of) => ({ of, id: r.id, why: CHOICES[choice].label }));
  });
}

/** Steps to do once more stand before the first open step of their hole, or after its last. */
function withAgain(
  steps: readonly RunStep[],
  again: readonly Again[],
  settled: ReadonlyMap<string, BenchRecord>,
): BenchStep[] {
  const at = new Map<RunStep, { before: BenchStep[]; after: BenchStep[] }>();
  const slot = (step: RunStep) => {
    const there = at.get(step) ?? { before: [], after: [] };
    at.set(step, there);
    return there;
  };
  for (const { of, id, why } of again) {
    const hole = stepHole(of);
    if (!hole) continue;
    const own = steps.filter((s) => {
      const h = stepHole(s);
      return h !== undefined && holeKey(h) === holeKey(hole);
    });
    const open = own.find((s) => !settled.has(s.key));
    if (open) slot(open).before.push(onceMore(of, id, why));
    else slot(own[own.length - 1]).after.push(onceMore(of, id, why));
  }
  return steps.flatMap((s) => [...(at.get(s)?.before ?? []), s, ...(at.get(s)?.after ?? [])]);
}

/**
 * How far a run is, from its steps and what was recorded.
 * @param routed every step that the route asks for
 * @param records of the job, in the order in which they happened
 */
export function runOf(
  routed: readonly RunStep[],
  records: readonly BenchRecord[],
  redoneBy: RedoneBy,
  operationsNow: OperationsNow,
): Run {
  const settled = settledIn(records);
  const remedies = remediesIn(records);
  const byHole = new Map<string, RunStep[]>();
  const { steps, superseded } = toThreadsDecided(routed, records, settled, operationsNow);
  for (const step of steps) {
    const hole = stepHole(step);
    if (hole && !superseded.has(step)) byHole.set(holeKey(hole), [...(byHole.get(holeKey(hole)) ?? []), step]);
  }
  const order = new Map(records.map((r, i) => [r.id, i]));
  const isDoneBy: DoneBy = (step, recordId) => {
    const done = settled.get(step.key);
    return done?.kind === 'step-done' && (order.get(done.id) ?? 0) < (order.get(recordId) ?? 0);
  };
  const again = [
    ...againByRemedies(byHole, remedies, isDoneBy, redoneBy),
    ...againByDecisions(byHole, records, isDoneBy),
  ];
  const scrapped = new Set(
    records.flatMap((r) => (r.kind === 'decision' && r.body.choice === 'scrap' ? [r.body.part] : [])),
  );
  const all = withAgain(steps, again, settled);
  return {
    steps: all,
    settled,
    next: all.find((s) => !settled.has(s.key) && !scrapped.has(s.part)),
    remedies,
    waiting: waitingIn(records).filter((w) => !scrapped.has(w.at.part)),
    scrapped,
  };
}
