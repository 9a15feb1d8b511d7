import { featuresByTool } from './same-tool';
import type { IssuedWork } from './issued-work';
import { lazily } from './lazily';
import { faultyParts, resultsOf, type RunRecords } from './run-records';
import { partsToGauge } from './sampling';

/** Parts in which each hole is gauged, by what was found so far. */
export interface DueParts {
  of: (featureId: string, hole: number) => number[];
  has: (featureId: string, hole: number, part: number) => boolean;
  /** Something was found: it is worked out anew. */
  forget: () => void;
}

/** @param recorded what was recorded so far; looked at as it is when a hole is asked for */
export function dueParts({ route, job }: IssuedWork, recorded: RunRecords): DueParts {
  const every = job.route?.checkEvery ?? 1;
  const sameTools = lazily(() => featuresByTool(route));
  const due = new Map<string, { parts: number[]; set: Set<number> }>();
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
  return {
    of: (featureId, hole) => dueOf(featureId, hole).parts,
    has: (featureId, hole, part) => dueOf(featureId, hole).set.has(part),
    forget: () => due.clear(),
  };
}
