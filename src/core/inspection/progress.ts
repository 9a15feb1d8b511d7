import type { CheckKind } from './checks-of';
import { decidesThread, holeKey, holeOf, type BenchRecord } from './bench-record';
import type { PartResult } from './sampling';

export type Checked = Extract<BenchRecord, { kind: 'checked' }>;

/** The latest gauging of each kind, by hole key; what was gauged of a thread that was given up counts no more. */
export function latestChecks(records: readonly BenchRecord[]): Map<string, Map<CheckKind, Checked>> {
  const latest = new Map<string, Map<CheckKind, Checked>>();
  for (const r of records) {
    const at = holeOf(r);
    if (!at) continue;
    const key = holeKey(at);
    if (decidesThread(r)) latest.delete(key);
    if (r.kind !== 'checked') continue;
    latest.set(key, (latest.get(key) ?? new Map<CheckKind, Checked>()).set(r.body.check, r));
  }
  return latest;
}

/**
 * Of each part whose hole was gauged, whether it came out good. One that was mended is still a fault for those made beside
 * it; one that only had to be cleaned is none.
 */
export function resultsOf(records: readonly BenchRecord[], featureId: string, holeNumber: number): PartResult[] {
  const byPart = new Map<number, { bad: boolean; fault: boolean }>();
  for (const r of records) {
    if (r.featureId !== featureId || r.holeNumber !== holeNumber) continue;
    const { part } = r.body;
    const before = byPart.get(part);
    if (r.kind === 'checked' && r.body.verdict !== 'open')
      byPart.set(part, { bad: (before?.bad ?? false) || r.body.verdict === 'bad', fault: before?.fault ?? false });
    if (r.kind === 'decision' && before?.bad)
      byPart.set(part, { bad: false, fault: before.fault || r.body.choice !== 'clean' });
  }
  return [...byPart].map(([part, { bad, fault }]) => ({ part, good: !bad && !fault }));
}
