import { phrase, type Phrase } from '../answer/answer';
import { toolNamed } from '../shop/instrument-off';
import type { HolePlan } from '../hole/hole-plan';
import { holeOf, type BenchRecord, type HoleAt } from './bench-record';
import { checksOf, type Check, type CheckSetting } from '../gauging/checks-of';
import { instrumentFor, instrumentName } from '../gauging/instrument-for';
import type { Tool } from '../shop/tool';
import { keptVerdict } from './kept-verdict';
import type { RunOfIssue } from './run-of-issue';
import type { Checked, Decision } from './run-records';
import { CHOICES, type Choice, type VerdictState } from '../gauging/verdict';

/** One thing that was gauged, as the sheet says it. */
export interface InspectionRow {
  hole: string;
  part: number;
  check: string;
  /** Figures as they were read, by label, mm or turns. */
  read: { label: string; value: number; unit: 'mm' | 'turns' }[];
  verdict: VerdictState;
  reason: Phrase;
  /** What it has to be. */
  limits: Phrase;
  decision?: string;
  /** Who answered for a hole that was accepted as it is, and why. */
  accepted?: string;
  /** It went through before the others like it. */
  isFirst?: true;
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
  /** Gauges and instruments of the crib. */
  tools: readonly Tool[];
  isFirst: boolean;
}

/** Rows in the order of parts and, in each, of holes by name. */
export const byPartAndHole = (a: InspectionRow, b: InspectionRow): number =>
  a.part - b.part || byHoleName.compare(a.hole, b.hole);

function rowOf(
  check: Check,
  record: Checked,
  { name, plan, tools, isFirst }: HoleKnown,
  part: number,
  decided: Decision | undefined,
): InspectionRow {
  const { values, instrument } = record.body;
  const tool = instrument ? toolNamed(tools, instrument) : instrumentFor(tools, check.kind, plan);
  const by = tool ? instrumentName(tool) : instrument;
  const { choice, by: acceptedBy, why } = decided?.body ?? {};
  const { state, reason } = keptVerdict(check, record);
  return {
    hole: name,
    part,
    check: check.title,
    read: check.fields.flatMap((f) =>
      values[f.id] === undefined ? [] : [{ label: f.label, value: values[f.id], unit: f.unit }],
    ),
    verdict: state,
    reason,
    limits: check.limits,
    ...(choice ? { decision: CHOICES[choice].label } : {}),
    ...(acceptedBy ? { accepted: [acceptedBy, why].filter(Boolean).join(': ') } : {}),
    ...(isFirst ? { isFirst } : {}),
    ...(by ? { instrument: by } : {}),
    ...(record.who ? { who: record.who } : {}),
    at: record.happenedAt,
  };
}

/** A tap that broke in a hole: it stands on the sheet whatever was gauged. */
function brokenRow(
  { body, who, happenedAt }: Extract<BenchRecord, { kind: 'tap-broken' }>,
  { name, isFirst }: HoleKnown,
  part: number,
  decided: Decision | undefined,
): InspectionRow {
  return {
    hole: name,
    part,
    check: 'Tap',
    read: body.turns === undefined ? [] : [{ label: 'broke after', value: body.turns, unit: 'turns' }],
    verdict: 'bad',
    reason: phrase('A tap broke in it.'),
    limits: phrase('whole'),
    ...(decided ? { decision: AFTER_BREAK[decided.body.choice] ?? CHOICES[decided.body.choice].label } : {}),
    ...(isFirst ? { isFirst } : {}),
    ...(who ? { who } : {}),
    at: happenedAt,
  };
}

/** What a choice is called after a tap broke. */
export const AFTER_BREAK: Partial<Record<Choice, string>> = { clean: 'It is out: carry on' };
/** What can be decided then. */
export const CHOICES_AFTER_BREAK: readonly Choice[] = ['clean', 'larger', 'scrap'];

/** Everything gauged on a job, the latest of each kind at each hole, row by row, so that a server can do other work between two. */
export function* inspectionRows(
  { latest, broken, decisionAfter }: Pick<RunOfIssue, 'latest' | 'broken' | 'decisionAfter'>,
  known: (at: HoleAt) => HoleKnown | undefined,
): Generator<InspectionRow, void> {
  for (const record of broken.values()) {
    const at = holeOf(record);
    const hole = at && known(at);
    if (hole) yield brokenRow(record, hole, at.part, decisionAfter.get(record.id));
  }
  for (const byKind of latest.values()) {
    const [first] = byKind.values();
    const at = first && holeOf(first);
    const hole = at && known(at);
    if (!hole) continue;
    const checks = new Map(checksOf(hole.plan, hole.setting).map((c) => [c.kind, c]));
    for (const record of byKind.values()) {
      const check = checks.get(record.body.check);
      if (check) yield rowOf(check, record, hole, at.part, decisionAfter.get(record.id));
    }
  }
}
