import { composed } from '../answer/answer';
import type { Check, CheckKind } from '../gauging/checks-of';
import { isGaugedAgain, type Verdict, type VerdictState } from '../gauging/verdict';
import { holeKey, type HoleAt } from './bench-record';
import type { RunOfIssue } from './run-of-issue';
import type { Checked } from './run-records';

const WORD: Record<VerdictState, string> = { good: 'good', bad: 'not good', open: 'open' };

/**
 * The verdict of a gauging as it was recorded: that is the one that counts everywhere. Where its readings would be judged
 * otherwise by what the hole is held against now, it is said.
 */
export function keptVerdict(check: Check, { body }: Checked): Verdict {
  const judged = check.judge(body.values);
  if (judged.state === body.verdict) return judged;
  const reason = composed(
    `Recorded as ${WORD[body.verdict]}; by what it is held against now it would be ${WORD[judged.state]}. ${judged.reason.text}`,
    judged.reason.values,
  );
  return { ...judged, state: body.verdict, reason };
}

/** How far the gauging of a hole is: somebody has to decide, it is not good, good, or nothing says so yet. */
export type GaugingState = 'wait' | 'bad' | 'good' | 'open';

/** Checks that say something of the size of a hole; its place, depth and squareness do not. */
const OF_SIZE: readonly CheckKind[] = ['go', 'not-go', 'minor', 'size', 'mating'];

/**
 * Why a hole that is at the gauge cannot be left: nothing says yet that it is good, or somebody has to decide, or what was
 * decided is still to be gauged. Undefined where it can.
 */
export function gaugeStill(
  { run, latest, decisionAfter }: Pick<RunOfIssue, 'run' | 'latest' | 'decisionAfter'>,
  at: HoleAt,
): 'reading' | 'decision' | undefined {
  const state = gaugingOf({ run, latest }, at);
  if (state === 'wait') return 'decision';
  if (state === 'open') return 'reading';
  const kinds = [...(latest.get(holeKey(at)) ?? [])].filter(([, c]) => c.body.verdict === 'good').map(([kind]) => kind);
  if (state === 'good' && !kinds.some((kind) => OF_SIZE.includes(kind))) return 'reading';
  const bad = [...(latest.get(holeKey(at))?.values() ?? [])].filter((c) => c.body.verdict === 'bad');
  const isOpen = bad.some((c) => {
    const choice = decisionAfter.get(c.id)?.body.choice;
    return choice === undefined || isGaugedAgain(choice);
  });
  return isOpen ? 'reading' : undefined;
}

/** How far the gauging of a hole is, by what was recorded of it. */
export function gaugingOf({ run, latest }: Pick<RunOfIssue, 'run' | 'latest'>, at: HoleAt): GaugingState {
  const key = holeKey(at);
  if (run.waiting.some((w) => holeKey(w.at) === key)) return 'wait';
  const verdicts = [...(latest.get(key)?.values() ?? [])].map((c) => c.body.verdict);
  if (verdicts.includes('bad')) return 'bad';
  return verdicts.includes('good') ? 'good' : 'open';
}
