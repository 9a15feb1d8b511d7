import { phrase, quantity, type Phrase } from '../answer/answer';
import type { TappingQuestion } from './tapping-question';
import { driveOf, turning, WAYS, wayOfTapping, type Turning, type WayOfTapping } from './way-of-tapping';

/** A way with its place among the others. */
export interface TappingWay extends WayOfTapping {
  possible: boolean;
  /** Points lost: breaking, lean, time. The way with the least is chosen; 0 for those ruled out. Our judgement. */
  cost: { breaking: number; lean: number; time: number; total: number };
  /** Why it is chosen, or why it loses. */
  reason: Phrase;
}

/** Points for the risk of breaking: none where it is calm, ten where care ends, a hundred where the tap goes first. */
export function breakingCost(safety: number | undefined): number {
  if (safety === undefined || safety >= 1.85) return 0;
  if (safety >= 1.3) return (10 * (1.85 - safety)) / 0.55;
  return safety >= 0.9 ? 10 + (90 * (1.3 - safety)) / 0.4 : 100 + 50 * (0.9 - safety);
}

/** Points for the lean of a tap, degrees: it binds more the deeper it goes. */
const leanCost = (way: WayOfTapping, { hole, thread }: TappingQuestion): number =>
  8 * way.leanDeg * Math.min(3, Math.max(0.5, hole.depthMm / thread.majorMm));

/** Points for time: six for each doubling against the quickest way. */
const timeCost = (seconds: number, quickest: number): number => 6 * Math.log2(seconds / quickest);

interface Costed {
  way: WayOfTapping;
  cost: TappingWay['cost'];
}

/** Why a possible way loses to the best one: the cost in which it is furthest behind. */
function losesBecause({ way, cost }: Costed, best: Costed): Phrase {
  const winner = best.way;
  const [behind] = (['breaking', 'lean', 'time'] as const)
    .map((kind) => ({ kind, by: cost[kind] - best.cost[kind] }))
    .sort((a, b) => b.by - a.by);
  if (behind.by < 1) return phrase('As good within our judgement: take whichever you like better.');
  if (behind.kind === 'breaking')
    return phrase('Safety against breaking is {safety}, against {best}.', {
      safety: quantity(way.load?.safety ?? 0, 'ratio'),
      best: quantity(winner.load?.safety ?? 0, 'ratio'),
    });
  if (behind.kind === 'lean')
    return phrase('Leans about {lean}, against {best}: the tap binds and the screw sits crooked.', {
      lean: quantity(way.leanDeg, 'deg'),
      best: quantity(winner.leanDeg, 'deg'),
    });
  return phrase('Takes about {time} min, against {best} min.', {
    time: (way.secondsAll / 60).toFixed(1),
    best: (winner.secondsAll / 60).toFixed(1),
  });
}

function winsBecause(way: Costed, second: Costed | undefined): Phrase {
  if (!second) return phrase('The only way that the hole and the machine leave.');
  const ahead = losesBecause(second, way);
  return phrase(`Best on breaking, squareness, stopping and time together. Next is “{next}”: ${ahead.text}`, {
    ...ahead.values,
    next: second.way.label,
  });
}

const NO_COST = { breaking: 0, lean: 0, time: 0, total: 0 };

/**
 * Every way of driving the tap, best first, each with its reason; those ruled out come last.
 * Points for breaking, lean and time are our judgement; the figures behind them are shown.
 */
export function waysOfTapping(q: TappingQuestion): TappingWay[] {
  const turned = new Map<string, Turning>();
  const ways = WAYS.map((id) => {
    const drive = driveOf(id, q);
    const key = JSON.stringify(drive);
    const known = turned.get(key) ?? turning(q, drive);
    turned.set(key, known);
    return wayOfTapping(id, q, known);
  });
  const open = ways.filter((w) => !w.ruledOut);
  const quickest = Math.min(...open.map((w) => w.secondsAll));
  const ranked = open
    .map((way): Costed => {
      const breaking = breakingCost(way.load?.safety);
      const lean = leanCost(way, q);
      const time = timeCost(way.secondsAll, quickest);
      return { way, cost: { breaking, lean, time, total: breaking + lean + time } };
    })
    .sort((a, b) => a.cost.total - b.cost.total);
  const [winner, second] = ranked;
  return [
    ...ranked.map((costed): TappingWay => ({
      ...costed.way,
      cost: costed.cost,
      possible: true,
      reason: costed === winner ? winsBecause(costed, second) : losesBecause(costed, winner),
    })),
    ...ways.flatMap((w): TappingWay[] =>
      w.ruledOut ? [{ ...w, possible: false, cost: NO_COST, reason: w.ruledOut }] : [],
    ),
  ];
}
