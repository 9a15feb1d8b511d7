import { holeName } from '../route/work-item';
import { holeKey, type HoleAt } from './bench-record';
import { stepHole } from './bench-step';
import type { RunOfIssue } from './run-of-issue';

/** A hole that no gauge has spoken of. */
export interface NotGauged {
  hole: string;
  at: HoleAt;
  /** Why it was skipped; undefined while it is still to come. */
  why?: string;
}

/** Holes whose gauging was due and that nothing was gauged on, in the order of the work. Parts that are sampled out or scrapped are not due. */
export function notGauged({ run, latest }: Pick<RunOfIssue, 'run' | 'latest'>): NotGauged[] {
  const seen = new Set<string>();
  return run.steps.flatMap((step): NotGauged[] => {
    const at = step.item?.code === 'check' ? stepHole(step) : undefined;
    if (!at || !step.item || run.scrapped.has(at.part) || seen.has(holeKey(at))) return [];
    seen.add(holeKey(at));
    if ((latest.get(holeKey(at))?.size ?? 0) > 0) return [];
    const settled = run.settled.get(step.key);
    const why = settled?.kind === 'step-skipped' ? settled.body.reason : undefined;
    return [{ hole: holeName(step.item), at, ...(why ? { why } : {}) }];
  });
}
