import { CHOICES } from '../gauging/verdict';
import {
  decidesThread,
  holeKey,
  holeOf,
  toolChanged,
  type BenchRecord,
  type HoleAt,
  type RemedyChange,
  type ToolChanged,
  type RemedyScope,
} from './bench-record';
import type { CheckKind } from '../gauging/checks-of';
import type { PartResult } from './sampling';

export type Checked = Extract<BenchRecord, { kind: 'checked' }>;
export type Decision = Extract<BenchRecord, { kind: 'decision' }>;

/** A remedy found at the bench: for one hole, or from it on for all holes of its feature. */
export interface Remedy {
  id: string;
  at: HoleAt;
  scope: RemedyScope;
  label: string;
  change: RemedyChange;
  /** Features with the same hole, its own among them, in their order: it reaches those that come after it. */
  alike?: readonly string[];
  /** Came of a decision, which says itself what is done once more. */
  decided?: true;
}

/** A hole on which somebody has to decide. */
export interface Waiting {
  at: HoleAt;
  because: Extract<BenchRecord, { kind: 'checked' | 'tap-broken' }>;
}

/** What a decision put aside. */
interface Before {
  waiting?: Map<string, Waiting>;
  latest?: Map<CheckKind, Checked>;
  result?: { bad: boolean; fault: boolean };
}

/** What the records of a run come to. It grows with each of them, so that one more costs the same however many there are. */
export interface RunRecords {
  /** How many were counted. */
  count: number;
  /** Place in the order of the first record of each id that others ask after: what settled a step, remedies, decisions. */
  order: Map<string, number>;
  /** Steps that are done or skipped, with the record that says so. */
  settled: Map<string, BenchRecord>;
  takenBack: Set<string>;
  /** Remedies and what was decided, in the order in which they were found. */
  remedies: Remedy[];
  decisions: Decision[];
  toolsChanged: ToolChanged[];
  /** Holes whose last gauging failed, or whose tap broke, and nobody has decided since: by hole, then by what is against it. */
  waiting: Map<string, Map<string, Waiting>>;
  scrapped: Set<number>;
  /** The latest gauging of each kind, by hole key; what was gauged of a thread that was given up counts no more. */
  latest: Map<string, Map<CheckKind, Checked>>;
  /** What was decided first after a gauging, by the id of that. */
  decisionAfter: Map<string, Decision>;
  /** Taps that broke, the latest of each hole, by hole key. */
  broken: Map<string, Extract<BenchRecord, { kind: 'tap-broken' }>>;
  /** What stood before a decision, by its id: what it takes to take it back. */
  before: Map<string, Before>;
  /** By feature and hole, then by part. */
  results: Map<string, Map<number, { bad: boolean; fault: boolean }>>;
}

export const noRecords = (): RunRecords => ({
  count: 0,
  order: new Map(),
  settled: new Map(),
  takenBack: new Set(),
  remedies: [],
  decisions: [],
  toolsChanged: [],
  waiting: new Map(),
  scrapped: new Set(),
  latest: new Map(),
  decisionAfter: new Map(),
  broken: new Map(),
  before: new Map(),
  results: new Map(),
});

/** The map under a key, made where there is none yet. */
function under<K, L, V>(map: Map<K, Map<L, V>>, key: K): Map<L, V> {
  const there = map.get(key) ?? new Map<L, V>();
  map.set(key, there);
  return there;
}

function countStep(into: RunRecords, r: BenchRecord): void {
  if (r.kind === 'step-undone') {
    // It takes back the step, however many had recorded it by then; its own record also where that comes after it.
    if (r.corrects) into.takenBack.add(r.corrects);
    into.settled.delete(r.body.step);
  } else if ((r.kind === 'step-done' || r.kind === 'step-skipped') && !into.takenBack.has(r.id)) {
    into.settled.set(r.body.step, r);
    into.order.set(r.id, into.count);
  }
}

function countRemedy(into: RunRecords, r: BenchRecord, at: HoleAt): void {
  if (r.kind === 'remedy')
    into.remedies.push({ id: r.id, at, scope: r.body.scope, label: r.body.label, change: r.body.change });
  else if (r.kind === 'decision' && r.body.change)
    into.remedies.push({
      id: r.id,
      at,
      scope: 'hole',
      label: CHOICES[r.body.choice].label,
      change: r.body.change,
      decided: true,
    });
  else return;
  into.order.set(r.id, into.count);
}

function countCheck(into: RunRecords, r: Checked, at: HoleAt, hole: string): void {
  under(into.latest, hole).set(r.body.check, r);
  if (r.body.verdict === 'bad') under(into.waiting, hole).set(r.body.check, { at, because: r });
  else if (r.body.verdict === 'good') into.waiting.get(hole)?.delete(r.body.check);
  if (r.body.verdict === 'open') return;
  const parts = under(into.results, `${at.featureId}/${at.holeNumber}`);
  const before = parts.get(at.part);
  parts.set(at.part, { bad: (before?.bad ?? false) || r.body.verdict === 'bad', fault: before?.fault ?? false });
}

function countDecision(into: RunRecords, r: Decision, at: HoleAt, hole: string): void {
  into.decisions.push(r);
  into.order.set(r.id, into.count);
  const broken = into.broken.get(hole);
  for (const { id } of [...(into.latest.get(hole)?.values() ?? []), ...(broken ? [broken] : [])])
    if (!into.decisionAfter.has(id)) into.decisionAfter.set(id, r);
  const parts = into.results.get(`${at.featureId}/${at.holeNumber}`);
  const before = parts?.get(at.part);
  into.before.set(r.id, { waiting: into.waiting.get(hole), latest: into.latest.get(hole), result: before });
  into.waiting.delete(hole);
  if (decidesThread(r)) into.latest.delete(hole);
  if (parts && before?.bad) parts.set(at.part, { bad: false, fault: before.fault || r.body.choice !== 'clean' });
}

/** A decision that is taken back: what waited for it waits again, and what it asked for is asked no more. */
function countUndone(into: RunRecords, { corrects, body }: BenchRecord, at: HoleAt, hole: string): void {
  const was = into.decisions.find((d) => d.id === corrects);
  const before = was && into.before.get(was.id);
  if (!was || !before) return;
  into.decisions.splice(into.decisions.indexOf(was), 1);
  const remedy = into.remedies.findIndex((m) => m.id === was.id);
  if (remedy >= 0) into.remedies.splice(remedy, 1);
  for (const [id, by] of into.decisionAfter) if (by === was) into.decisionAfter.delete(id);
  const isScrap = (d: Decision): boolean => d.body.choice === 'scrap' && d.body.part === body.part;
  if (isScrap(was) && !into.decisions.some(isScrap)) into.scrapped.delete(body.part);
  if (before.latest && !into.latest.has(hole)) into.latest.set(hole, before.latest);
  if (before.waiting) into.waiting.set(hole, new Map([...before.waiting, ...(into.waiting.get(hole) ?? [])]));
  if (before.result) under(into.results, `${at.featureId}/${at.holeNumber}`).set(at.part, before.result);
}

/** Counts one more record, the next in the order in which they happened. */
export function countRecord(into: RunRecords, r: BenchRecord): void {
  into.count += 1;
  countStep(into, r);
  const changed = toolChanged(r, into.count);
  if (changed) into.toolsChanged.push(changed);
  if (r.kind === 'decision' && r.body.choice === 'scrap') into.scrapped.add(r.body.part);
  const at = holeOf(r);
  if (!at) return;
  const hole = holeKey(at);
  countRemedy(into, r, at);
  if (r.kind === 'tap-broken') {
    under(into.waiting, hole).set('broken', { at, because: r });
    into.broken.set(hole, r);
  }
  if (r.kind === 'checked') countCheck(into, r, at, hole);
  if (r.kind === 'decision') countDecision(into, r, at, hole);
  if (r.kind === 'decision-undone') countUndone(into, r, at, hole);
}

/** What records come to, all at once. */
export function countRecords(records: readonly BenchRecord[]): RunRecords {
  const into = noRecords();
  for (const r of records) countRecord(into, r);
  return into;
}

/** Parts in which a hole of some features came out bad, or was mended. */
export function faultyParts({ results }: RunRecords, features: ReadonlySet<string>): Set<number> {
  const faulty = new Set<number>();
  for (const [hole, parts] of results) {
    if (!features.has(hole.slice(0, hole.lastIndexOf('/')))) continue;
    for (const [part, { bad, fault }] of parts) if (bad || fault) faulty.add(part);
  }
  return faulty;
}

/**
 * Of each part whose hole was gauged, whether it came out good. One that was mended is still a fault for those made beside
 * it; one that only had to be cleaned is none.
 */
export const resultsOf = ({ results }: RunRecords, featureId: string, holeNumber: number): PartResult[] =>
  [...(results.get(`${featureId}/${holeNumber}`) ?? [])].map(([part, { bad, fault }]) => ({
    part,
    good: !bad && !fault,
  }));
