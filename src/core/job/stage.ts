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
  /** Steps of that route done at the bench, holes that wait for a decision, holes made with nothing gauged, what comes next: `drill A2`. */
  bench?: {
    done: number;
    steps: number;
    waiting: number;
    ungauged?: number;
    next?: string;
    /** Of the part in hand. */
    inHand?: { part: number; made: Record<string, number[]>; done: Record<string, number> };
  };
}

/** What of it is kept and moved on by each record. */
export type KeptProgress = Pick<Progress, 'scribed' | 'punched' | 'bench'>;

/** What of it was recorded. */
export type Recorded = Pick<Progress, 'scribed' | 'punched' | 'issued' | 'bench'>;
export const NOTHING_RECORDED: Recorded = { scribed: 0, punched: 0 };

/** The views of a job, in the order of the work. */
export const WAY_VIEWS = ['part', 'plate', 'holes', 'route', 'bench', 'check', 'papers', 'log'] as const;
export type WayView = (typeof WAY_VIEWS)[number];

export interface Stage {
  stage:
    | 'new'
    | 'drawing'
    | 'planned'
    | 'routed'
    | 'scribing'
    | 'punching'
    | 'punched'
    | 'at the bench'
    | 'waiting'
    | 'made';
  /** What comes next, whole. */
  next: Phrase;
  /** The same on a key, and where it leads. */
  label: string;
  view: WayView;
  /** Tab of that view. */
  tab?: string;
}

type Leads = Pick<Stage, 'label' | 'view' | 'tab'>;

const at = (stage: Stage['stage'], leads: Leads, text: string, values?: Phrase['values']): Stage => ({
  stage,
  next: phrase(text, values),
  ...leads,
});

const ISSUE: Leads = { label: 'Issue the route', view: 'route' };
const START: Leads = { label: 'Start at the bench', view: 'bench' };

/** How far a job is, and what comes next, from what was laid out and recorded. */
export function stageOf(progress: Progress): Stage {
  const { holes, impossible, unplaced, features, scribed, punched, issued, bench } = progress;
  if (holes === 0) return at('new', { label: 'Add holes', view: 'part' }, 'Add the holes on the drawing.');
  if (bench && bench.waiting > 0)
    return at(
      'waiting',
      { label: 'Decide', view: 'check' },
      bench.waiting === 1 ? 'One hole waits for a decision: Check.' : '{waiting} holes wait for a decision: Check.',
      { waiting: bench.waiting },
    );
  if (issued && !issued.current)
    return at(
      'routed',
      { label: 'Issue it anew', view: 'route' },
      'Changed since route {number} was issued: look, then issue it anew.',
      { number: issued.number },
    );
  if (bench && bench.done > 0) return onTheBench(bench);
  if (punched >= holes)
    return issued
      ? at('punched', START, 'Drill and tap by route {number}.', { number: issued.number })
      : at('punched', ISSUE, 'Issue the route, then drill and tap.');
  if (punched > 0)
    return at('punching', { label: 'Punch', view: 'plate', tab: 'punch' }, 'Punch {left} more of {holes}.', {
      left: holes - punched,
      holes,
    });
  if (impossible > 0)
    return at(
      'drawing',
      { label: 'Settle the hole', view: 'holes' },
      impossible === 1
        ? 'One kind of hole can’t be made as drawn: settle it.'
        : '{impossible} kinds of holes can’t be made as drawn: settle them.',
      { impossible },
    );
  if (scribed > 0) return at('scribing', { label: 'Scribe', view: 'plate' }, 'Scribe the rest, then punch.');
  if (issued) return at('routed', START, 'The bench leads by route {number}.', { number: issued.number });
  if (unplaced === features)
    return at('drawing', { label: 'Lay out', view: 'plate' }, 'Lay out the holes, or work from the card.');
  if (unplaced > 0)
    return at('drawing', { label: 'Place the rest', view: 'plate' }, 'Place {unplaced} of {features} features.', {
      unplaced,
      features,
    });
  return at('planned', ISSUE, 'Look the route over, then issue it: the bench leads from there.');
}

function onTheBench({ done, steps, next, ungauged = 0 }: NonNullable<Progress['bench']>): Stage {
  return next === undefined
    ? at(
        'made',
        { label: 'Inspection sheet', view: 'papers' },
        ungauged === 0
          ? 'All steps done: inspection sheet in Papers.'
          : ungauged === 1
            ? 'All steps done, one hole not gauged: inspection sheet in Papers.'
            : 'All steps done, {ungauged} holes not gauged: inspection sheet in Papers.',
        { ungauged },
      )
    : at('at the bench', { label: `Go on: ${next}`, view: 'bench' }, '{done} of {steps} steps done; next, {next}.', {
        done,
        steps,
        next,
      });
}
