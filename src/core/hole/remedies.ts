import { phrase, type Caution, type Phrase, type RemedyKind } from '../answer/answer';
import { drillName } from '../drills/drill';
import { ROOM_LABEL } from '../tapping/room-below';
import type { TapDrillCandidate } from '../tap-drill/tap-drill-candidate';
import type { AskForm } from './form';
import type { HolePlan, ThreadPart } from './hole-plan';

/** What takes a caution's cause away: what it is called, and the change of the question that does it. */
export interface Remedy {
  label: Phrase;
  change: Partial<AskForm>;
}

/** The next drill up that keeps the thread in class. */
const nextUp = ({ tapDrill: { candidates, used } }: ThreadPart): TapDrillCandidate | undefined =>
  candidates.find((c) => c.drill.diameterMm > used.drill.diameterMm + 1e-6 && c.verdict !== 'outside');

function drillRemedy(candidate: TapDrillCandidate | undefined): Remedy | undefined {
  if (!candidate) return undefined;
  const { drill } = candidate;
  return { label: phrase('Use {drill}', { drill: drillName(drill) }), change: { drill: drill.label } };
}

function otherWay({ tapping: { best, ways } }: ThreadPart): Remedy | undefined {
  const other = ways.find((w) => w.possible && w.id !== best.id && w.id !== 'hand-free');
  return other && { label: phrase('{way} instead', { way: other.label }), change: { way: other.id } };
}

const nextDown = ({ tapDrill: { candidates, used } }: ThreadPart): TapDrillCandidate | undefined =>
  candidates.findLast((c) => c.drill.diameterMm < used.drill.diameterMm - 1e-6 && c.verdict !== 'outside');

/** Other taps of the same way that are not worn: of the crib before ones to buy. */
function sharpTaps({ tapping: { best } }: ThreadPart): Remedy | undefined {
  const sharp = best.others.filter((o) => o.possible && o.way.taps.every((t) => (t.wear ?? 1) < 1.3));
  const other = sharp.find((o) => o.owned) ?? sharp[0];
  return other && { label: phrase('Use {taps}', { taps: other.taps.join(', ') }), change: { taps: other.key } };
}

/** More room at the bottom of a blind hole: deeper where there is stock, else by a shorter chamfer. */
function moreRoom({ rooms, room }: ThreadPart): Remedy | undefined {
  const other = rooms.find((r) => r.id !== room?.id && r.fits);
  return other && { label: phrase(ROOM_LABEL[other.id]), change: { room: other.id } };
}

/** What takes a cause away as one change of the question; undefined where nothing in the question would help. */
export function remedyFor(kind: RemedyKind, plan: HolePlan): Remedy | undefined {
  if (kind === 'use-fluid')
    return plan.dry
      ? { label: phrase('Use {fluid}', { fluid: plan.material.lubricant }), change: { dry: false } }
      : undefined;
  const { thread } = plan;
  if (!thread) return undefined;
  if (kind === 'next-drill') return drillRemedy(nextUp(thread));
  if (kind === 'smaller-drill') return drillRemedy(nextDown(thread));
  if (kind === 'sharp-tap') return sharpTaps(thread);
  if (kind === 'deeper') return moreRoom(thread);
  if (kind === 'proposed-drill')
    return thread.tapDrill.because === 'asked' ? drillRemedy(thread.tapDrill.choice) : undefined;
  return otherWay(thread);
}

/** The remedy of a caution as one change of the question. */
export const remedyOf = ({ remedy }: Caution, plan: HolePlan): Remedy | undefined => remedy && remedyFor(remedy, plan);
