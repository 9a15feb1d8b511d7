import { createEmptyCard, fsrs, generatorParameters, Rating, type Card } from 'ts-fsrs';
import { EXERCISE_KINDS, KINDS_TO_LEARN, type ExerciseKind, type PractisedKind } from './kinds-of-exercise';
import type { Mistake } from './exercise';

/** One exercise as somebody did it. */
export interface Practised {
  id: string;
  who: string;
  kind: PractisedKind;
  seed: number;
  right: boolean;
  /** Hints that were looked at. */
  hints: number;
  seconds: number;
  /** What it was about. */
  mistake: Mistake;
  /** The job whose own holes it was about. */
  jobId?: string;
  /** ISO 8601. */
  at: string;
}

/** Where somebody stands with a kind of exercise. */
export interface Standing {
  kind: ExerciseKind;
  done: number;
  right: number;
  /** Right in a row, without a hint. */
  inARow: number;
  /** When it should come back; undefined before the first one. ISO 8601. */
  due?: string;
  /** Sure: right so often that it comes back in weeks. */
  isSure: boolean;
}

/** No chance in it: the same answers bring it back at the same times. */
const scheduler = fsrs(generatorParameters({ enable_fuzz: false, enable_short_term: true }));
/** A kind that comes back after so many days is sure. */
const SURE_DAYS = 7;

const ratingOf = ({ right, hints }: Practised) =>
  !right ? Rating.Again : hints > 1 ? Rating.Hard : hints === 1 ? Rating.Good : Rating.Easy;

/** Where somebody stands with every kind, from all that they did; when it was done decides, not when it arrived. */
export function standingOf(practised: readonly Practised[]): Standing[] {
  const done = [...practised].sort((a, b) => a.at.localeCompare(b.at) || (a.id < b.id ? -1 : 1));
  return KINDS_TO_LEARN.map((kind): Standing => {
    const own = done.filter((p) => p.kind === kind);
    if (own.length === 0) return { kind, done: 0, right: 0, inARow: 0, isSure: false };
    let card: Card = createEmptyCard(own[0].at);
    let inARow = 0;
    for (const one of own) {
      ({ card } = scheduler.next(card, one.at, ratingOf(one)));
      inARow = one.right && one.hints === 0 ? inARow + 1 : 0;
    }
    return {
      kind,
      done: own.length,
      right: own.filter((p) => p.right).length,
      inARow,
      due: card.due.toISOString(),
      isSure: card.scheduled_days >= SURE_DAYS && inARow > 0,
    };
  });
}

/** Kinds not done yet open once this many of the level before are right at least once. */
const OPENS_AFTER = 3;

/** The highest level that somebody has come to, 1 to 4. */
export function levelOf(standing: readonly Standing[]): number {
  let level = 1;
  while (level < 4) {
    const here = standing.filter((s) => EXERCISE_KINDS[s.kind].level === level);
    if (here.filter((s) => s.right > 0).length < Math.min(OPENS_AFTER, here.length)) break;
    level += 1;
  }
  return level;
}

/**
 * What comes next: what is due, the longest overdue first, mixed with something new of the level that was come to; never
 * the same kind twice in a row where there is another.
 * @param now ISO 8601
 * @param last kind that was done last
 * @param among kinds that are asked for; all where left out
 */
export function nextKind(
  standing: readonly Standing[],
  now: string,
  last?: ExerciseKind,
  among: readonly ExerciseKind[] = KINDS_TO_LEARN,
): ExerciseKind {
  const open = standing.filter((s) => among.includes(s.kind));
  const level = among.length < KINDS_TO_LEARN.length ? 4 : levelOf(standing);
  const due = open
    .filter((s) => s.due !== undefined && s.due <= now)
    .sort((a, b) => (a.due ?? '').localeCompare(b.due ?? ''));
  const fresh = open.filter((s) => s.done === 0 && EXERCISE_KINDS[s.kind].level <= level);
  const rest = open.filter((s) => s.done > 0).sort((a, b) => (a.due ?? '').localeCompare(b.due ?? ''));
  // Two that are due, then one that is new.
  const isTurnOfNew = standing.reduce((n, s) => n + s.done, 0) % 3 === 0;
  const order = isTurnOfNew ? [...fresh, ...due, ...rest] : [...due, ...fresh, ...rest];
  const other = order.find((s) => s.kind !== last);
  return (other ?? order[0] ?? { kind: among[0] }).kind;
}
