'use client';

import type { HolePlan } from '@/core/hole/hole-plan';
import { holeKey, type BenchKind, type BodyOf, type HoleAt } from '@/core/run/bench-record';
import { checksOf, isComplete, type Check, type CheckKind, type CheckSetting } from '@/core/gauging/checks-of';
import type { RunOfIssue } from '@/core/run/run-of-issue';
import type { ChoiceChange } from '@/core/run/choice-change';
import type { FirstHere } from '@/core/run/first-hole';
import { AFTER_BREAK, CHOICES_AFTER_BREAK } from '@/core/run/inspection-rows';
import type { Checked } from '@/core/run/run-records';
import { type Choice } from '@/core/gauging/verdict';
import { keptVerdict } from '@/core/run/kept-verdict';
import { instrumentOff } from '@/core/shop/instrument-off';
import type { Shop } from '@/core/shop/shop';
import { tell, type Display } from '@/core/units/show';
import { useReadings } from '@/ui/instruments/use-readings';
import { Decided, ForTheRest } from './decided';
import { Readings } from './readings';
import { VerdictLine } from './verdict-line';
import { lengthText, useEntries } from './use-entries';

interface Props {
  jobId: string;
  plan: HolePlan;
  setting: CheckSetting;
  at: HoleAt;
  /** The run that it is a hole of. */
  here: Pick<RunOfIssue, 'latest' | 'broken' | 'decisionAfter'>;
  record: <K extends BenchKind>(kind: K, body: BodyOf<K>, corrects?: string) => void;
  display: Display;
  /** What a choice changes of how this hole is made. */
  changeOf: (choice: Choice) => ChoiceChange | undefined;
  /** What a failed gauging of a hole that went through first means for those that wait. */
  firstHere?: (gauged: Checked['body']) => FirstHere | undefined;
  /** Of the crib: instruments that are off are named. */
  tools: Shop['tools'];
  /** What somebody came for: it stands first. */
  first?: CheckKind;
  /** Its headings stand under that of the view. */
  heading?: 'h2' | 'h3';
}

/** Nothing gauged yet. */
const NONE: ReadonlyMap<CheckKind, Checked> = new Map();
/** What to gauge on one hole, one after the other: readings typed or sent by an instrument, the verdict, and what to do. */
export function HoleCheck({
  jobId,
  plan,
  setting,
  at,
  here,
  record,
  display,
  changeOf,
  firstHere,
  tools,
  first,
  heading: Heading = 'h3',
}: Props) {
  const latest = here.latest.get(holeKey(at)) ?? NONE;
  const waits = ({ kind }: Check): boolean => {
    const kept = latest.get(kind);
    return kept?.body.verdict === 'bad' && !here.decisionAfter.has(kept.id);
  };
  // What somebody came for, then what waits for a decision.
  const rank = (c: Check): number => (c.kind === first ? 2 : Number(waits(c)));
  const checks = checksOf(plan, setting).sort((a, b) => rank(b) - rank(a));
  const entries = useEntries(jobId, at, display);
  const { byOf } = entries;
  const firstOpen = checks.find((c) => !latest.has(c.kind));
  // A reading goes to the first check that waits for one of its kind.
  useReadings(({ name, values }) => {
    const order = [...(firstOpen ? [firstOpen] : []), ...checks];
    const sent = Object.entries(values).flatMap(([what, value]) => {
      const check = order.find((c) => c.fields.some((f) => f.reading === what));
      const field = check?.fields.find((f) => f.reading === what);
      if (!check || !field) return [];
      return [{ check, field, text: field.unit === 'turns' ? String(value) : lengthText(value, display) }];
    });
    if (sent.length > 0) entries.put(sent, name);
  });
  function save(check: Check, values: Record<string, number>): void {
    const { state } = check.judge(values);
    record('checked', {
      part: at.part,
      check: check.kind,
      values,
      verdict: state,
      ...(byOf(check) ? { instrument: byOf(check) } : {}),
    });
    entries.clear(check);
  }
  const deciding = {
    changeOf,
    display,
    onDecide: (decision: Omit<BodyOf<'decision'>, 'part'>) => record('decision', { part: at.part, ...decision }),
    onTakeBack: (id: string) => record('decision-undone', { part: at.part }, id),
  };
  const broken = here.broken.get(holeKey(at));
  return (
    <ol className="flex flex-col gap-2">
      {broken && (
        <li className="plate px-3 py-2" aria-label="Broken tap">
          <Heading className="font-cond text-xl font-semibold text-danger">✕ A tap broke in it</Heading>
          <Decided
            decision={here.decisionAfter.get(broken.id)}
            choices={CHOICES_AFTER_BREAK}
            named={AFTER_BREAK}
            {...deciding}
          />
        </li>
      )}
      {checks.map((check) => {
        const values = entries.valuesOf(check);
        const ready = check.fields.length > 0 && isComplete(check, values);
        const kept = latest.get(check.kind);
        const verdict = ready ? check.judge(values) : kept ? keptVerdict(check, kept) : undefined;
        const by = byOf(check) ?? (ready ? undefined : kept?.body.instrument);
        const off = by === undefined ? undefined : instrumentOff(tools, by);
        return (
          <li key={check.kind} className="plate px-3 py-2" aria-label={check.title}>
            <div className="flex flex-wrap items-baseline gap-x-4">
              <Heading className="font-cond text-xl font-semibold">{check.title}</Heading>
              <p className="text-[16px] text-steel-700">
                {tell(check.how, display)}
                {check.isMissing && ' Not in the crib.'}
              </p>
            </div>
            <Readings check={check} entries={entries} display={display} onSave={(given) => save(check, given)} />
            {off && <p className="mt-1 font-bold text-danger">! {tell(off, display)}</p>}
            {verdict && (
              <VerdictLine verdict={verdict} display={display}>
                {!ready && <span className="text-[15px] text-steel-700">recorded</span>}
              </VerdictLine>
            )}
            {verdict?.state === 'bad' && !ready && (
              <ForTheRest
                first={kept && firstHere?.(kept.body)}
                display={display}
                onUse={(label, change) => record('remedy', { part: at.part, scope: 'others', label, change })}
              />
            )}
            {verdict?.state === 'bad' && !ready && (
              <Decided decision={kept && here.decisionAfter.get(kept.id)} choices={verdict.choices} {...deciding} />
            )}
          </li>
        );
      })}
    </ol>
  );
}
