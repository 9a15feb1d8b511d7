import { DIE_SIGNS, type DieSign } from '../operation/die-trouble';
import { mm, phrase, type Phrase } from '../answer/answer';
import { CHIP_SIGNS, type ChipSign } from '../cutting/chips-adviser';
import type { CheckKind } from '../gauging/checks-of';
import { CHOICES, type Choice, type VerdictState } from '../gauging/verdict';
import { SIGNS, type SignFelt } from '../tapping/trouble';
import type { BenchRecord } from './bench-record';

/** A record of a job, of the bench or of the layout. */
export type Told =
  | Pick<BenchRecord, 'kind' | 'body'>
  | { kind: 'punch-mark'; body: { dxMm: number; dyMm: number; withdrawn?: true } }
  | { kind: 'layout-tick'; body: { line: string; ticked: boolean } };

const GAUGED: Record<CheckKind, string> = {
  go: 'go gauge',
  'not-go': 'not-go gauge',
  minor: 'minor diameter',
  depth: 'depth',
  size: 'diameter',
  square: 'squareness',
  position: 'position',
  meets: 'wire test',
  mating: 'mating part',
};
const VERDICT: Record<VerdictState, string> = { good: 'good', bad: 'not good', open: 'not settled' };

/** The operation that a step key names: `tap-1` of `feature/hole/tap-1/part`. */
function operationOf(step: string): string {
  const parts = step.split('~')[0].split('/');
  if (parts[0] === 'clamp') return 'clamp';
  if (parts[0] === 'scribe') return `scribe ${parts[1]}`;
  return (parts.at(-2) ?? step).replaceAll('-', ' ');
}

const named = (text: string, values: Record<string, string>): Phrase => phrase(text, values);

/** What a record says, in a line. */
export function recordWords(record: Told): Phrase {
  const { kind } = record;
  const body = record.body as Record<string, unknown>;
  const text = (key: string): string => String(body[key] ?? '');
  switch (kind) {
    case 'punch-mark':
      return body.withdrawn
        ? phrase('Punch mark taken back')
        : phrase('Punched, {off} off', { off: mm(Math.hypot(Number(body.dxMm), Number(body.dyMm))) });
    case 'layout-tick':
      return named(body.ticked ? 'Scribed: {line}' : 'Undone: scribed {line}', { line: text('line') });
    case 'step-done':
      return body.feel
        ? named('Done: {op}, it felt {feel}', { op: operationOf(text('step')), feel: text('feel') })
        : named('Done: {op}', { op: operationOf(text('step')) });
    case 'step-skipped':
      return named('Skipped {op}: {why}', { op: operationOf(text('step')), why: text('reason') });
    case 'step-undone':
      return named('Undone: {op}', { op: operationOf(text('step')) });
    case 'chip-seen':
      return named('Seen: {sign}', { sign: CHIP_SIGNS[body.chips as ChipSign] });
    case 'tap-felt':
      return named('{sign}', { sign: SIGNS[body.sign as SignFelt] });
    case 'die-felt':
      return named('{sign}', { sign: DIE_SIGNS[body.sign as DieSign] });
    case 'tap-broken':
      return named('Tap broken: {tap}', { tap: text('tap') });
    case 'drill-dull':
      return named('Drill dull, changed: {tool}', { tool: text('tool') });
    case 'note':
      return named('{text}', { text: text('text') });
    case 'remedy':
      return named('Remedy: {label}', { label: text('label') });
    case 'checked':
      return named('Gauged {check}: {verdict}', {
        check: GAUGED[body.check as CheckKind],
        verdict: VERDICT[body.verdict as VerdictState],
      });
    case 'decision':
      return named('Decided: {choice}', {
        choice: [CHOICES[body.choice as Choice].label, body.by, body.why].filter(Boolean).join(', '),
      });
    case 'decision-undone':
      return phrase('Decision taken back');
    case 'photo':
      return phrase('Photograph');
  }
}
