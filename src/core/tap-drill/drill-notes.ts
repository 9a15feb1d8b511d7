import { caution, mm, percent, type Caution } from '../answer/answer';
import { nameToBuy } from '../cutting/suited-drills';
import { drillName } from '../drills/drill';
import { expectedHoleMm, typicalHoleMm } from '../drills/expected-hole';
import { chooseTapDrill, type TapDrillChoice } from './choose-tap-drill';
import { sameSize, type TapDrillCandidate, type TapDrillQuestion } from './tap-drill-candidate';
import { tapDrillCautions } from './tap-drill-cautions';
import type { TapDrillMethod } from './tap-drill-methods';

/** How a shop chooses the tap drill. */
export type DrillMethod = 'percentage' | TapDrillMethod['id'];

const byMethodNote = (choice: TapDrillChoice, used: TapDrillCandidate, method: DrillMethod): Caution =>
  caution(
    'note',
    'shop-method',
    choice.choice?.drill === used.drill
      ? 'Chosen by this shop’s method: {method}. By percentage it is the same.'
      : 'Chosen by this shop’s method: {method}. By percentage it would be {drill}.',
    {
      method: choice.methods.find((s) => s.id === method)?.label ?? method,
      drill: choice.choice ? drillName(choice.choice.drill) : 'one to buy',
    },
  );

function missingNote(q: TapDrillQuestion, choice: TapDrillChoice, used: TapDrillCandidate): Caution[] {
  if (!choice.missing) return [];
  return [
    caution('note', 'drill-missing', '{wanted} is nearer but not in “{pool}”; {drill} is next best, at {percent}.', {
      wanted: drillName(choice.missing.drill),
      pool: q.pool.label,
      drill: drillName(used.drill),
      percent: percent(used.percentOnDrill ?? 0),
    }),
  ];
}

function toBuy(q: TapDrillQuestion, choice: TapDrillChoice, used: TapDrillCandidate): Caution {
  // In tough metal a drill under the printed chart’s is inside the class and seizes the tap all the same.
  if (choice.candidates.some((c) => c.verdict !== 'outside'))
    return caution(
      'warn',
      'drill-to-buy',
      'In this metal no smaller than the printed chart says, and “{pool}” has none that is inside the class: you need {drill}.',
      { pool: q.pool.label, drill: nameToBuy(used.drill) },
    );
  return caution('warn', 'drill-to-buy', 'Nothing in “{pool}” is inside the class: you need {drill}.{instead}', {
    pool: q.pool.label,
    drill: nameToBuy(used.drill),
    instead: choice.closestOutside
      ? ` The closest there, ${drillName(choice.closestOutside.drill)}, leaves the thread out of class.`
      : '',
  });
}

/** A percentage further off than this is not the one asked for. Our judgement. */
const ASKED_WITHIN = 6;

/** The percentage asked for, where the class allows no drill near it. */
function askedPercent(
  { wantedPercent, limits }: TapDrillQuestion,
  { drill, percentOnDrill }: TapDrillCandidate,
): Caution[] {
  if (wantedPercent === undefined || percentOnDrill === undefined || !limits) return [];
  if (Math.abs(percentOnDrill - wantedPercent) <= ASKED_WITHIN) return [];
  return [
    caution(
      'note',
      'percent-asked',
      '{asked} was asked for: {drill} leaves {percent}, and no drill nearer to it is inside {name}.',
      {
        asked: percent(wantedPercent),
        drill: drillName(drill),
        percent: percent(Math.round(percentOnDrill)),
        name: limits.className,
      },
    ),
  ];
}

/** A thread of less than this holds nothing. Our judgement. */
const LEAST_THIN_PERCENT = 30;
/** A hole too large for its class that still leaves a thread: less than it should hold, but more than nothing. */
export const isThin = ({ verdict, beyondMm, percentOnHole = 0 }: TapDrillCandidate): boolean =>
  verdict === 'outside' && beyondMm > 0 && percentOnHole >= LEAST_THIN_PERCENT;

const existingThin = (q: TapDrillQuestion, { percentOnHole }: TapDrillCandidate): Caution =>
  caution(
    'warn',
    'existing-thin',
    'The existing hole leaves {percent} of thread, out of class {name}: light duty at most. A larger thread or an insert holds more.',
    { percent: percent(Math.round(percentOnHole ?? 0)), name: q.limits?.className ?? '' },
  );

/** Closer than this nobody measures, mm. */
const TELLING_MM = 0.005;

/** That the shop’s own holes choose another drill than is typical, with both. */
function learnedNote(q: TapDrillQuestion, used: TapDrillCandidate): Caution[] {
  if (!q.learned) return [];
  const was = chooseTapDrill({ ...q, learned: undefined }).choice?.drill;
  if (!was || sameSize(was, used.drill)) return [];
  const hole = { drill: was, start: q.start, material: q.material };
  const { mean, n } = expectedHoleMm(hole, q.learned);
  const over = mean - typicalHoleMm(hole).mean;
  const names = { was: drillName(was), is: drillName(used.drill) };
  if (n === 0 || Math.abs(over) < TELLING_MM)
    return [caution('note', 'drill-learned', '{was} by typical figures; {is} by your own holes.', names)];
  return [
    over > 0
      ? caution(
          'note',
          'drill-learned',
          '{was} by typical figures, now {is}: in {n} of your own holes {was} cut {over} larger than usual.',
          { ...names, n, over: mm(over) },
        )
      : caution(
          'note',
          'drill-learned',
          '{was} by typical figures, now {is}: in {n} of your own holes {was} cut {over} smaller than usual.',
          { ...names, n, over: mm(-over) },
        ),
  ];
}

/** What is said of the drawing's drill: obeyed where the thread comes out, else overruled aloud. */
function drawnNote({ choice }: TapDrillChoice, drawn: TapDrillCandidate, obeyed: boolean): Caution[] {
  const other = choice?.drill;
  const values = {
    drawn: drillName(drawn.drill),
    other: other ? drillName(other) : 'another',
    percent: percent(drawn.percentOnDrill ?? 0),
  };
  if (!obeyed)
    return [
      caution(
        'warn',
        'drawn-drill',
        'The drawing gives a {drawn} drill: {percent}, out of class here. {other} is used; ask who drew it.',
        values,
      ),
    ];
  return other && !sameSize(other, drawn.drill)
    ? [caution('note', 'drawn-drill', 'Drill as on the drawing; by percentage it would be {other}.', values)]
    : [];
}

/** A drill that is used, and what led to it. */
export interface UsedDrill {
  used: TapDrillCandidate;
  because: 'chosen' | 'asked' | 'drawn' | 'to-buy';
  /** The existing hole does as it is: nothing is drilled. */
  serves: boolean;
  /** The drawing's own drill, obeyed or overruled. */
  drawn?: TapDrillCandidate;
  /** The shop's method, where it chose. */
  method?: DrillMethod;
}

/** What is to be said of a drill that is used: why it and no other, and what it leaves of the thread. */
export function notesOf(q: TapDrillQuestion, choice: TapDrillChoice, use: UsedDrill): Caution[] {
  const { used, because, serves, drawn, method } = use;
  if (serves && isThin(used)) return [existingThin(q, used)];
  const chosen = because === 'chosen' && !serves;
  const lacks = because === 'to-buy' ? [toBuy(q, choice, used)] : missingNote(q, choice, used);
  const asked = chosen && !method ? askedPercent(q, used) : [];
  const instead = [
    ...(method ? [byMethodNote(choice, used, method)] : []),
    ...(drawn ? drawnNote(choice, drawn, because === 'drawn') : []),
    ...(chosen ? learnedNote(q, used) : []),
  ];
  if (because === 'to-buy' && !serves) return [...lacks, ...instead];
  const fit = tapDrillCautions(q, used, choice.range);
  return serves ? fit : [...lacks, ...asked, ...fit, ...instead];
}
