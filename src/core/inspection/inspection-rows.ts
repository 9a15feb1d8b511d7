import type { Phrase } from '../answer/answer';
import type { HolePlan } from '../hole/hole-plan';
import { holeOf, isOfHole, type BenchRecord, type HoleAt } from './bench-record';
import { checksOf, type CheckSetting } from './checks-of';
import { latestChecks } from './progress';
import { CHOICES, type VerdictState } from './verdict';

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

/** How a hole is called, made and held against. */
export interface HoleKnown {
  name: string;
  plan: HolePlan;
  setting: CheckSetting;
}

/** Everything gauged on a job, the latest of each kind at each hole, in the order of parts and holes as given. */
export function inspectionRows(
  records: readonly BenchRecord[],
  known: (at: HoleAt) => HoleKnown | undefined,
): InspectionRow[] {
  return [...latestChecks(records).values()]
    .flatMap((byKind) => [...byKind.values()])
    .flatMap((record): InspectionRow[] => {
      const at = holeOf(record);
      const hole = at && known(at);
      const check = hole && checksOf(hole.plan, hole.setting).find((c) => c.kind === record.body.check);
      if (!hole || !check) return [];
      const { state, reason } = check.judge(record.body.values);
      const decision = records
        .slice(records.indexOf(record) + 1)
        .find((r): r is Extract<BenchRecord, { kind: 'decision' }> => r.kind === 'decision' && isOfHole(r, at));
      return [
        {
          hole: hole.name,
          part: at.part,
          check: check.title,
          read: check.fields.flatMap((f) =>
            record.body.values[f.id] === undefined
              ? []
              : [{ label: f.label, value: record.body.values[f.id], unit: f.unit }],
          ),
          verdict: state,
          reason,
          ...(decision ? { decision: CHOICES[decision.body.choice].label } : {}),
          ...(record.body.instrument ? { instrument: record.body.instrument } : {}),
          ...(record.who ? { who: record.who } : {}),
          at: record.happenedAt,
        },
      ];
    })
    .sort((a, b) => a.part - b.part || a.hole.localeCompare(b.hole, undefined, { numeric: true }));
}
