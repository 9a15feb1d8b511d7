import type { Phrase } from '../answer/answer';
import type { HolePlan } from '../hole/hole-plan';
import { holeOf, type HoleAt } from './bench-record';
import { checksOf, type Check, type CheckSetting } from '../gauging/checks-of';
import { keptVerdict } from './kept-verdict';
import type { RunOfIssue } from './run-of-issue';
import type { Checked } from './run-records';
import { CHOICES, type VerdictState } from '../gauging/verdict';

/** One thing that was gauged, as the sheet says it. */
export interface InspectionRow {
  hole: string;
  part: number;
  check: string;
  /** Figures as they were read, by label, mm or turns. */
  read: { label: string; value: number; unit: 'mm' | 'turns' }[];
  verdict: VerdictState;
  reason: Phrase;
  decision?: string;
  instrument?: string;
  who?: string;
  at: string;
}

/** B2 before B10. */
const byHoleName = new Intl.Collator('en', { numeric: true });

/** How a hole is called, made and held against. */
export interface HoleKnown {
  name: string;
  plan: HolePlan;
  setting: CheckSetting;
}

/** Rows in the order of parts and, in each, of holes by name. */
export const byPartAndHole = (a: InspectionRow, b: InspectionRow): number =>
  a.part - b.part || byHoleName.compare(a.hole, b.hole);

function rowOf(
  check: Check,
  record: Checked,
  { hole, part, decision }: Pick<InspectionRow, 'hole' | 'part' | 'decision'>,
): InspectionRow {
  const { values, instrument } = record.body;
  const { state, reason } = keptVerdict(check, record);
  return {
    hole,
    part,
    check: check.title,
    read: check.fields.flatMap((f) =>
      values[f.id] === undefined ? [] : [{ label: f.label, value: values[f.id], unit: f.unit }],
    ),
    verdict: state,
    reason,
    ...(decision ? { decision } : {}),
    ...(instrument ? { instrument } : {}),
    ...(record.who ? { who: record.who } : {}),
    at: record.happenedAt,
  };
}

/** Everything gauged on a job, the latest of each kind at each hole, row by row, so that a server can do other work between two. */
export function* inspectionRows(
  { latest, decisionAfter }: Pick<RunOfIssue, 'latest' | 'decisionAfter'>,
  known: (at: HoleAt) => HoleKnown | undefined,
): Generator<InspectionRow, void> {
  for (const byKind of latest.values()) {
    const [first] = byKind.values();
    const at = first && holeOf(first);
    const hole = at && known(at);
    if (!hole) continue;
    const checks = new Map(checksOf(hole.plan, hole.setting).map((c) => [c.kind, c]));
    for (const record of byKind.values()) {
      const check = checks.get(record.body.check);
      const decided = decisionAfter.get(record.id);
      const decision = decided && CHOICES[decided.body.choice].label;
      if (check) yield rowOf(check, record, { hole: hole.name, part: at.part, decision });
    }
  }
}
