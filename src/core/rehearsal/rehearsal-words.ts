import { answer, mm, percent, phrase, quantity, type Answer, type Phrase, type Source } from '../answer/answer';
import type { Blame } from './blame';
import type { Cause } from './luck';
import type { Proposal } from './proposals';
import { shareWithinMinutes, wilson, type Rehearsed } from './rehearse';
import type { Fault, Reason, Trouble } from './rehearse-job';

/** What goes wrong, said. */
export const FAULT_WORDS: Record<Fault, string> = {
  large: 'a hole too large for its class',
  small: 'a small hole, drilled again',
  loose: 'a thread that the not-go gauge enters',
  place: 'a hole out of place',
  bolts: 'bolts that do not go in together',
  'tap-broken': 'a broken tap',
  bottomed: 'a tap run into the bottom',
  missed: 'a hole out of its class that the pin passes',
};

/** What makes jobs differ, said. */
export const CAUSE_WORDS: Record<Cause, string> = {
  lines: 'the lines, and misread divisions',
  start: 'punch marks and starts',
  drill: 'how the drill cuts',
  hole: 'each hole by itself',
  gauge: 'what the gauge tells',
  tap: 'what the tap takes and holds',
  lean: 'lean of the tap',
  count: 'miscounted turns',
};

const WHY: Partial<Record<`${Fault} ${Reason}`, string>> = {
  'large drill': '{hole} came out at {is}, over {limit}: its drill cuts large.',
  'large hole': '{hole} came out at {is}, over {limit}.',
  'small drill': '{hole} came out at {is}, under {limit}: its drill cuts small. Drilled again.',
  'small hole': '{hole} came out at {is}, under {limit}. Drilled again.',
  'missed drill': '{hole} is {is}, against {limit}, and the pin passed it.',
  'missed hole': '{hole} is {is}, against {limit}, and the pin passed it.',
  'place slip': 'A line of {hole} was misread by a whole division: {is} off, {limit} allowed.',
  'place line': 'The lines of {hole} lay off: {is}, {limit} allowed.',
  'place start': 'The punch or the start of {hole} wandered: {is} off, {limit} allowed.',
  'bolts start': 'The bolts of {letter} did not go in together.',
  'tap-broken life': 'The tap wore out in {hole}, its hole {nth} of this job.',
  'tap-broken lean': 'The tap leaned in {hole}, bound at {is} and broke: it held {limit}.',
  'tap-broken small-hole': '{hole} came out small: the tap turned at {is}, went on, broke: it held {limit}.',
  'tap-broken load': '{hole} felt tight at {is}, went on, broke: the tap held {limit}.',
  'bottomed count': 'Turns were miscounted by one in {hole}: the tap ran into the bottom.',
  'loose hole': 'The not-go gauge entered {hole}.',
};

/** One step of a story. */
export function troubleWords({ fault, reason, letter, hole, is, limit, nth }: Trouble): Phrase {
  const shown = (value: number) => (fault === 'tap-broken' ? quantity(value, 'Nm') : mm(value));
  return phrase(WHY[`${fault} ${reason}`] ?? FAULT_WORDS[fault], {
    hole: `${letter}${hole}`,
    letter,
    is: shown(is),
    limit: shown(limit),
    nth: String(nth ?? 1),
  });
}

const OURS: Source = { kind: 'model', name: 'our estimates of what scatters, and your own readings' };

/** A share of so many, in a hundred, with its working. */
function shareOf(
  hits: readonly [string, number],
  all: readonly [string, number],
  seed: number,
  formula: string,
): Answer {
  const [from, to] = wilson(hits[1], all[1]);
  return answer((100 * hits[1]) / all[1], 'percent', {
    rule: 'Rehearsal',
    formula,
    inputs: [
      [hits[0], quantity(hits[1], 'count')],
      [all[0], quantity(all[1], 'count')],
      ['seed', quantity(seed, 'count')],
      ['at least', quantity(100 * from, 'percent')],
      ['at most', quantity(100 * to, 'percent')],
    ],
    source: OURS,
    assumptions: [
      phrase('Nineteen times in twenty the true share of this model lies in between.'),
      phrase('Every hole is gauged; the mate of a joint takes up half of the play.'),
    ],
  });
}

/** In how many of a hundred such jobs all is good at the first go, with its working. */
export const cleanShare = ({ jobs, clean }: Pick<Rehearsed, 'jobs' | 'clean'>, seed: number): Answer =>
  shareOf(['all good', clean], ['jobs rehearsed', jobs], seed, 'jobs in which all was good ÷ jobs rehearsed');

/** How many of a hundred parts are scrap, with its working. */
export const badShare = ({ badParts, parts }: Pick<Rehearsed, 'badParts' | 'parts'>, seed: number): Answer =>
  shareOf(['scrap', badParts], ['parts rehearsed', parts], seed, 'parts that are scrap ÷ parts rehearsed');

/** In how many of a hundred jobs something goes wrong at least once, with its working. */
export const faultShare = (fault: Fault, { jobs, with: hit }: Pick<Rehearsed, 'jobs' | 'with'>, seed: number): Answer =>
  shareOf(
    [FAULT_WORDS[fault], hit[fault]],
    ['jobs rehearsed', jobs],
    seed,
    'jobs in which it happens ÷ jobs rehearsed',
  );

/** A span as people say it. */
export const spanOf = (minutes: number): string =>
  minutes < 100 ? `${minutes.toFixed(0)} min` : `${(minutes / 60).toFixed(1)} h`;

/** How many of a hundred jobs are done within so many minutes, with its working. */
export const doneShare = (rehearsed: Pick<Rehearsed, 'jobs' | 'minutes'>, withinMin: number, seed: number): Answer =>
  shareOf(
    [`done within ${spanOf(withinMin)}`, Math.round(rehearsed.jobs * shareWithinMinutes(rehearsed, withinMin))],
    ['jobs rehearsed', rehearsed.jobs],
    seed,
    'jobs that are done by then ÷ jobs rehearsed',
  );

/** What a cause has to do with the parts that are spoiled, in a hundred, with its working. */
export const blameShare = ({ total, alone, jobs }: Blame): Answer =>
  answer(100 * total, 'percent', {
    rule: 'Blame of one cause',
    formula: 'mean of (spoiled − spoiled with this cause exchanged)² ÷ (2 × variance of spoiled parts)',
    inputs: [
      ['pairs of jobs', quantity(jobs, 'count')],
      ['by itself', percent(100 * alone)],
    ],
    source: { kind: 'model', name: 'total and first-order shares of the variance (Sobol)' },
    assumptions: [
      phrase('What several causes do together counts for each of them: the shares may add up to more than 100 %.'),
    ],
  });

/** Bad parts in a hundred once a change is made, with what they were, on the same luck. */
export const gainOf = ({ before, after, costMin, jobs, seed }: Omit<Proposal, 'id' | 'says' | 'change'>): Answer =>
  answer(after.bad, 'percent', {
    rule: 'Rehearsal with one thing changed',
    formula: 'parts that are scrap ÷ parts rehearsed, both ways on the same luck',
    inputs: [
      ['bad parts as it is', percent(before.bad)],
      ['all good as it is', percent(before.clean)],
      ['all good with the change', percent(after.clean)],
      ['jobs rehearsed each way', quantity(jobs, 'count')],
      ['longer by', quantity(costMin * 60, 's')],
      ['seed', quantity(seed, 'count')],
    ],
    source: OURS,
  });
