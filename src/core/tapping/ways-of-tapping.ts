import { phrase, quantity, type Phrase } from '../answer/answer';
import type { TapToUse } from './tap';
import type { TapSequence, TapSequences } from './tap-sequence';
import { holderOf } from './tap-holder';
import { LATE_POINTS, priced, type TappingCost } from './tapping-cost';
import { tapShares } from './tap-shares';
import { depthForTap, type TappingQuestion } from './tapping-question';
import { driveOf, turning, weighTurning, type Drive, type Turning, type WeighedTurning } from './turning';
import { wayHere, wayOfTapping, weighWay, type WayOfTapping, type WeighedWay } from './way-of-tapping';
import { unavailable, WAYS } from './ways';

/** A way with its place among the others. */
export interface TappingWay extends WayOfTapping {
  possible: boolean;
  /** 0 for those ruled out. */
  cost: TappingCost;
  /** Why it is chosen, or why it loses. */
  reason: Phrase;
  /** Other taps that this way could drive, best first; of the way that is used alone. */
  others: { key: string; taps: string[]; possible: boolean; owned: boolean; way: WayOfTapping; cost: TappingCost }[];
}

interface Costed {
  way: WeighedWay;
  cost: TappingCost;
  figures: Turned['figures'];
}

const COSTS = ['breaking', 'lean', 'time', 'room', 'suit'] as const;

const namesOf = ({ sequence: { taps } }: WeighedWay): string => taps.map((t) => t.name).join(', ');

/** Why a possible way loses to the best one: the cost in which it is furthest behind. */
function losesBecause({ way, cost }: Costed, best: Costed): Phrase {
  const winner = best.way;
  const by = (kind: (typeof COSTS)[number]): number => cost[kind] - best.cost[kind];
  const behind = COSTS.reduce((a, b) => (by(b) > by(a) ? b : a));
  if (cost.suit >= LATE_POINTS) return phrase('Under M5 it slips too late: a method to choose, not to propose.');
  if (cost.total - best.cost.total < 1) return phrase('As good, by our judgement: use whichever you prefer.');
  if (behind === 'breaking')
    return phrase('Safety against breaking {safety}, against {best}.', {
      safety: quantity(way.turned.worst.load?.safety ?? 0, 'ratio'),
      best: quantity(winner.turned.worst.load?.safety ?? 0, 'ratio'),
    });
  if (behind === 'lean')
    return phrase('Leans about {lean}, against {best}: the tap binds and the screw sits crooked.', {
      lean: quantity(way.leanDeg, 'deg'),
      best: quantity(winner.leanDeg, 'deg'),
    });
  if (behind === 'room')
    return phrase('Stops {needed} after switching off, with {left} left above the bottom.', {
      needed: quantity(way.stopping?.turnsNeeded ?? 0, 'turns'),
      left: quantity(way.stopping?.turnsLeft ?? 0, 'turns'),
    });
  if (behind === 'suit')
    return way.sequence.taps.some((t) => !t.owned)
      ? phrase('Needs a tap that is not in the crib: {tap}.', {
          tap: way.sequence.taps.find((t) => !t.owned)?.name ?? '',
        })
      : phrase('Its taps ({taps}) suit this hole and drive less.', { taps: namesOf(way) });
  return phrase('Takes about {time} min, against {best} min.', {
    time: (way.secondsAll / 60).toFixed(1),
    best: (winner.secondsAll / 60).toFixed(1),
  });
}

function winsBecause(way: Costed, second: Costed | undefined): Phrase {
  if (!second) return phrase('The only way that works with this hole and machine.');
  const ahead = losesBecause(second, way);
  return phrase(`Best on breaking, squareness, stopping and time together. Next is “{next}”: ${ahead.text}`, {
    ...ahead.values,
    next: second.way.label,
  });
}

/** Order of the sequences of one way: the one asked for where it can be done, then by points, then those ruled out. */
const placeOf = ({ way, cost }: Costed, asked: string | undefined): number =>
  way.ruledOut ? Infinity : way.sequence.key === asked ? -Infinity : cost.total;

/** Works something out once for each that it is asked of. */
function once<K, V>(work: (of: K) => V): (of: K) => V {
  const known = new Map<K, V>();
  return (of) => {
    const value = known.get(of) ?? work(of);
    known.set(of, value);
    return value;
  };
}

/** A sequence under one kind of drive: weighed, and figured once where it is shown. */
interface Turned {
  weighed: WeighedTurning;
  figures: () => Turning;
}

/** Sequences under a drive: ways that turn them alike share it. */
function turner(q: TappingQuestion): (drive: Drive) => (sequence: TapSequence) => Turned {
  const { thread, hole } = q;
  const sharesOf = once(({ taps }: TapSequence) => tapShares(thread, hole.minorMm, taps));
  const depthsFor = once((last: TapToUse) => once((morePitches: number) => depthForTap(q, last, morePitches)));
  const depthOf = ({ taps, morePitches }: WeighedTurning) =>
    hole.through ? undefined : depthsFor(taps[taps.length - 1])(morePitches);
  const figuresOf = once((weighed: WeighedTurning) => turning(q, weighed, depthOf(weighed)));
  const under = new Map<string, (sequence: TapSequence) => Turned>();
  return (drive) => {
    const key = [drive.power, drive.freehand, drive.runIn, drive.turnsBack].join(' ');
    const turned =
      under.get(key) ??
      once((sequence: TapSequence): Turned => {
        const weighed = weighTurning(q, sequence, sharesOf(sequence), drive);
        return { weighed, figures: () => figuresOf(weighed) };
      });
    under.set(key, turned);
    return turned;
  };
}

/** A way with every sequence, and the best of them. */
interface WeighedTaps {
  best: Costed;
  list: Costed[];
}

/** Every way, each with every sequence of taps, weighed; one that is not to be had with its first alone. */
function weighAll(q: TappingQuestion, { all: sequences, asked }: TapSequences): WeighedTaps[] {
  const turningOf = turner(q);
  const costOf = priced(q);
  return WAYS.map((id) => {
    const out = unavailable(id, q);
    const here = wayHere(id, q);
    const turnedBy = turningOf(driveOf(id));
    const list = (out ? sequences.slice(0, 1) : sequences).map((sequence): Costed => {
      const turned = turnedBy(sequence);
      const way = weighWay(here, holderOf(id, q, sequence.taps), q, sequence, turned.weighed, out);
      return { way, cost: costOf(way), figures: turned.figures };
    });
    return { best: list.reduce((a, b) => (placeOf(b, asked?.key) < placeOf(a, asked?.key) ? b : a)), list };
  });
}

/** The other sequences of a way, best first. */
const othersOf = (
  { best, list }: WeighedTaps,
  asked: string | undefined,
  figured: (costed: Costed) => WayOfTapping,
): TappingWay['others'] =>
  list
    .filter((costed) => costed !== best)
    .sort((a, b) => placeOf(a, asked) - placeOf(b, asked) || 0)
    .map((other) => ({
      key: other.way.sequence.key,
      taps: other.way.sequence.taps.map((t) => `${t.name} ${t.chamferThreads}`),
      possible: !other.way.ruledOut,
      owned: other.way.sequence.taps.every((t) => t.owned),
      way: figured(other),
      cost: other.cost,
    }));

/**
 * Every way of driving the taps, best first, each with its best sequence and a reason; those ruled out come last. The one
 * that is used (`q.askedWay` where it can be done, else the best) has the other taps that it could drive. Points are our
 * judgement; the figures behind them are shown.
 */
export function waysOfTapping(q: TappingQuestion, sequences: TapSequences): TappingWay[] {
  const all = weighAll(q, sequences);
  const open = all.filter(({ best }) => !best.way.ruledOut).sort((a, b) => a.best.cost.total - b.best.cost.total);
  const [winner, second] = open;
  const used = open.find(({ best }) => best.way.id === q.askedWay) ?? winner;
  const figured = ({ way, figures }: Costed): WayOfTapping => wayOfTapping(way, q, figures());
  const told = (entry: WeighedTaps, reason: Phrase): TappingWay =>
    Object.assign(figured(entry.best), {
      cost: entry.best.cost,
      possible: !entry.best.way.ruledOut,
      reason,
      others: entry === used ? othersOf(entry, sequences.asked?.key, figured) : [],
    });
  return [
    ...open.map((entry) =>
      told(entry, entry === winner ? winsBecause(entry.best, second?.best) : losesBecause(entry.best, winner.best)),
    ),
    ...all.filter(({ best }) => best.way.ruledOut).map((entry) => told(entry, entry.best.way.ruledOut as Phrase)),
  ];
}
