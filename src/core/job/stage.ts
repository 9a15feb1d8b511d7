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
}

export interface Stage {
  stage: 'new' | 'drawing' | 'laid out' | 'routed' | 'scribing' | 'punching' | 'punched';
  next: Phrase;
}

const at = (stage: Stage['stage'], text: string, values?: Phrase['values']): Stage => ({
  stage,
  next: phrase(text, values),
});

/** How far a job is, and what comes next, from what was laid out and recorded. */
export function stageOf({ holes, impossible, unplaced, features, scribed, punched, issued }: Progress): Stage {
  if (holes === 0) return at('new', 'Add the holes on the drawing.');
  if (issued && !issued.current)
    return at('routed', 'Changed since route {number} was issued: look, then issue it anew.', {
      number: issued.number,
    });
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
