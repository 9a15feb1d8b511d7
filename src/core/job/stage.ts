import { phrase, type Phrase } from '../answer/answer';

/** What is known of how far a job is. */
export interface Progress {
  /** Holes in one part. */
  holes: number;
  /** Kinds of holes that cannot be made as drawn. */
  impossible: number;
  /** Features that have no place yet, of how many. */
  unplaced: number;
  features: number;
  /** Lines scribed and holes punched so far. */
  scribed: number;
  punched: number;
  /** The last route issued, and whether the job is still as it was then. */
  issued?: { number: number; current: boolean };
  /** Steps of that route done at the bench, holes that wait for a decision, what comes next: `drill A2`. */
  bench?: { done: number; steps: number; waiting: number; next?: string };
}

/** What of it is kept and moved on by each record. */
export type KeptProgress = Pick<Progress, 'scribed' | 'punched' | 'bench'>;

/** What of it was recorded. */
export type Recorded = Pick<Progress, 'scribed' | 'punched' | 'issued' | 'bench'>;
export const NOTHING_RECORDED: Recorded = { scribed: 0, punched: 0 };

export interface Stage {
  stage:
    | 'new'
    | 'drawing'
    | 'laid out'
    | 'routed'
    | 'scribing'
    | 'punching'
    | 'punched'
    | 'at the bench'
    | 'waiting'
    | 'made';
  next: Phrase;
}

const at = (stage: Stage['stage'], text: string, values?: Phrase['values']): Stage => ({
  stage,
  next: phrase(text, values),
});

/** How far a job is, and what comes next, from what was laid out and recorded. */
export function stageOf({ holes, impossible, unplaced, features, scribed, punched, issued, bench }: Progress): Stage {
  if (holes === 0) return at('new', 'Add the holes on the drawing.');
  if (bench && bench.waiting > 0)
    return at(
      'waiting',
      bench.waiting === 1 ? 'One hole waits for a decision: Check.' : '{waiting} holes wait for a decision: Check.',
      { waiting: bench.waiting },
    );
  if (issued && !issued.current)
    return at('routed', 'Changed since route {number} was issued: look, then issue it anew.', {
      number: issued.number,
    });
  if (bench && bench.done > 0) {
    const { done, steps, next } = bench;
    return next === undefined
      ? at('made', 'All steps done: inspection sheet in Check.')
      : at('at the bench', '{done} of {steps} steps done; next, {next}.', { done, steps, next });
  }
  if (punched >= holes)
    return issued
      ? at('punched', 'Drill and tap by route {number}.', { number: issued.number })
      : at('punched', 'Drill and tap.');
  if (punched > 0) return at('punching', 'Punch {left} more of {holes}.', { left: holes - punched, holes });
  if (impossible > 0)
    return at(
      'drawing',
      impossible === 1
        ? 'One kind of hole can’t be made as drawn: settle it.'
        : '{impossible} kinds of holes can’t be made as drawn: settle them.',
      { impossible },
    );
  if (scribed > 0) return at('scribing', 'Scribe the rest, then punch.');
  if (issued) return at('routed', 'Scribe and punch, then work by route {number}.', { number: issued.number });
  if (unplaced === features) return at('drawing', 'Lay out the holes, or work from the card.');
  if (unplaced > 0) return at('drawing', 'Place {unplaced} of {features} features.', { unplaced, features });
  return at('laid out', holes === 1 ? 'Scribe, then punch the hole.' : 'Scribe, then punch {holes} holes.', { holes });
}
