'use client';

import type { HolePlan } from '@/core/hole/hole-plan';
import { holeKey, type BenchKind, type BodyOf, type HoleAt, type RemedyChange } from '@/core/run/bench-record';
import {
  checksOf,
  isComplete,
  type Check,
  type CheckField,
  type CheckKind,
  type CheckSetting,
} from '@/core/gauging/checks-of';
import type { RunOfIssue } from '@/core/run/run-of-issue';
import type { ChoiceChange } from '@/core/run/choice-change';
import type { FirstHere } from '@/core/run/first-hole';
import { AFTER_BREAK, CHOICES_AFTER_BREAK } from '@/core/run/inspection-rows';
import type { Checked, Decision } from '@/core/run/run-records';
import { CHOICES, type Choice, type Verdict } from '@/core/gauging/verdict';
import { keptVerdict } from '@/core/run/kept-verdict';
import { instrumentOff } from '@/core/shop/instrument-off';
import type { Shop } from '@/core/shop/shop';
import { showText, tell, type Display } from '@/core/units/show';
import { useReadings } from '@/ui/instruments/use-readings';
import { Working } from '@/ui/working';
import { ChoiceKeys } from './choice-keys';
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
const SIGN = { good: '✓', bad: '✕', open: '?' } as const;
const WORD = { good: 'Good', bad: 'Not good', open: 'Not settled' } as const;

const readingNeeded = ({ unit, signed }: CheckField): string =>
  unit === 'turns' ? 'Turns, such as 2.5' : signed ? 'Such as 0.05 or -0.05' : 'A length above 0';

interface VerdictProps {
  verdict: Verdict;
  display: Display;
  children?: React.ReactNode;
}

/** A verdict in sign, word and reason, with the figures behind it. */
export function VerdictLine({ verdict, display, children }: VerdictProps) {
  const { state, reason, figures } = verdict;
  const colour = { good: 'text-pass', bad: 'text-danger', open: 'text-ink' }[state];
  return (
    <div className="flex flex-wrap items-baseline gap-x-3">
      <strong className={`font-cond text-2xl ${colour}`}>
        <span aria-hidden>{SIGN[state]}</span> {WORD[state]}
      </strong>
      <span className="text-[17px]">{tell(reason, display)}</span>
      {figures.map(({ label, answer }) => (
        <Working key={label} of={answer} name={label} display={display}>
          {showText({ value: answer.value, unit: answer.unit }, display)}
        </Working>
      ))}
      {children}
    </div>
  );
}

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
  const { read, textOf, byOf, put, clear } = useEntries(jobId, at, display);
  const firstOpen = checks.find((c) => !latest.has(c.kind));
  const valuesOf = (check: Check): Record<string, number> =>
    Object.fromEntries(
      check.fields.flatMap((f) => {
        const value = read(check, f);
        return value === undefined ? [] : [[f.id, value]];
      }),
    );
  // A reading goes to the first check that waits for one of its kind.
  useReadings(({ name, values }) => {
    const order = [...(firstOpen ? [firstOpen] : []), ...checks];
    const sent = Object.entries(values).flatMap(([what, value]) => {
      const check = order.find((c) => c.fields.some((f) => f.reading === what));
      const field = check?.fields.find((f) => f.reading === what);
      if (!check || !field) return [];
      return [{ check, field, text: field.unit === 'turns' ? String(value) : lengthText(value, display) }];
    });
    if (sent.length > 0) put(sent, name);
  });
  const isWrong = (check: Check, f: CheckField): boolean => {
    return textOf(check, f).trim() !== '' && read(check, f) === undefined;
  };
  function save(check: Check, values: Record<string, number>): void {
    const { state } = check.judge(values);
    record('checked', {
      part: at.part,
      check: check.kind,
      values,
      verdict: state,
      ...(byOf(check) ? { instrument: byOf(check) } : {}),
    });
    clear(check);
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
        const values = valuesOf(check);
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
            <div className="mt-1 flex flex-wrap items-end gap-3">
              {check.fields.map((f) => (
                <label key={f.id} className="flex flex-col gap-1.5">
                  <span className="label">
                    {f.label}
                    {f.unit === 'turns' ? '' : display === 'inch' ? ', in' : ', mm'}
                  </span>
                  <input
                    data-reading={f.reading}
                    className="field h-14 w-36 text-xl"
                    inputMode="decimal"
                    value={textOf(check, f)}
                    aria-invalid={isWrong(check, f)}
                    onChange={(e) => put([{ check, field: f, text: e.target.value }])}
                    onKeyDown={(e) => {
                      if (e.key === 'Enter' && ready) save(check, values);
                    }}
                  />
                  {isWrong(check, f) && (
                    <span role="alert" className="text-[15px] font-bold text-danger">
                      {readingNeeded(f)}
                    </span>
                  )}
                </label>
              ))}
              {check.answers ? (
                check.answers.map((answer, no) => (
                  <button key={answer} type="button" className="btn h-14" onClick={() => save(check, { yes: 1 - no })}>
                    {answer}
                  </button>
                ))
              ) : (
                <>
                  <button type="button" className="btn-next h-14" disabled={!ready} onClick={() => save(check, values)}>
                    Record
                  </button>
                  {check.usual?.map((u) => (
                    <button key={u.label} type="button" className="btn h-14" onClick={() => save(check, u.values)}>
                      {u.label}
                    </button>
                  ))}
                </>
              )}
            </div>
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

interface DecidedProps {
  decision: Decision | undefined;
  choices: readonly Choice[];
  named?: Partial<Record<Choice, string>>;
  changeOf: Props['changeOf'];
  display: Display;
  onDecide: (decision: Omit<BodyOf<'decision'>, 'part'>) => void;
  onTakeBack: (id: string) => void;
}

/** What was decided, to be taken back; or what can be. */
function Decided({ decision, named, onTakeBack, ...keys }: DecidedProps) {
  if (!decision) return <ChoiceKeys named={named} {...keys} />;
  const { choice, by, why } = decision.body;
  return (
    <p className="flex flex-wrap items-center gap-3 text-[16px]">
      Decided: {[named?.[choice] ?? CHOICES[choice].label, by, why].filter(Boolean).join(', ')}.
      <button type="button" className="btn h-11" onClick={() => onTakeBack(decision.id)}>
        Take back
      </button>
    </p>
  );
}

interface ForTheRestProps {
  first: FirstHere | undefined;
  display: Display;
  onUse: (label: string, change: RemedyChange) => void;
}

/** A hole that went through first and failed: how the holes that wait for it are made instead. */
function ForTheRest({ first, display, onUse }: ForTheRestProps) {
  if (!first) return null;
  const { left, remedy } = first;
  return (
    <div className="mt-1 flex flex-wrap items-center gap-x-3">
      <strong>
        {left === 1 ? 'One hole like it is' : `${left} holes like it are`} not drilled yet
        {remedy ? ':' : '. Settle this one first.'}
      </strong>
      {remedy && (
        <button
          type="button"
          className="btn-next h-14"
          onClick={() => onUse(tell(remedy.label, display), remedy.change)}
        >
          {tell(remedy.label, display)}
        </button>
      )}
    </div>
  );
}
