import { chooseTapDrill } from '../tap-drill/choose-tap-drill';
import type { TapDrillCandidate } from '../tap-drill/tap-drill-candidate';
import { machineTap } from '../tapping/tap';
import { tapLoad, type TapLoad } from '../tapping/tap-load';
import type { TappingConditions } from '../tapping/tapping-torque';
import { engagement } from '../threads/engagement';
import { isTapered } from '../threads/thread';
import type { ThreadPart } from './hole-plan';

/** What one drill would mean: how far from breaking the tap, how much of the strength needed the thread has. */
export interface TradeOff {
  candidate: TapDrillCandidate;
  /** Of the tap closest to breaking, under the conditions of the way chosen; undefined where no thread is left, or it is tapered. */
  load?: TapLoad;
  /** Length of thread that holds the bolt, with this hole, mm. */
  neededMm?: number;
  /** Thread there is over thread needed for the bolt to break first. */
  strength?: number;
}

/** The drill of a thread that is cut here and could be formed is weighed with a forming tap. */
function formedWith(part: ThreadPart, candidate: TapDrillCandidate): Partial<TappingConditions> {
  if (part.kind === 'form' || !candidate.formed) return {};
  const { thread, at } = part;
  return { tap: machineTap('form', thread.majorMm, !at.through), reversing: false };
}

/** A drill weighed: tap against thread, in this hole. */
export function weighDrill(part: ThreadPart, candidate: TapDrillCandidate): TradeOff {
  const { thread, tapping, forming, bolt, at } = part;
  const { drill, finishedMinorMm } = candidate;
  if (isTapered(thread) || drill.diameterMm >= thread.majorMm) return { candidate };
  const { material } = forming.question;
  const load = tapLoad({ ...tapping.best.worst.conditions, ...formedWith(part, candidate), minorMm: finishedMinorMm });
  if (!part.engagement) return { candidate, load };
  const neededMm = engagement(thread, material, bolt, finishedMinorMm).needed.value;
  return { candidate, load, neededMm, strength: at.lengthMm / neededMm };
}

const bySize = (a: TradeOff, b: TradeOff): number => a.candidate.drill.diameterMm - b.candidate.drill.diameterMm;
const unique = (list: (TapDrillCandidate | undefined)[]): TapDrillCandidate[] =>
  list.filter((c, i): c is TapDrillCandidate => c !== undefined && list.indexOf(c) === i);

/** The drill used beside its neighbours and the better ones that are missing, each weighed, by diameter. */
export function comparedDrills(part: ThreadPart): TradeOff[] {
  const { nextSmaller, used, choice, nextLarger, missing, closestOutside } = part.tapDrill;
  return unique([nextSmaller, used, choice, nextLarger, missing, closestOutside])
    .map((c) => weighDrill(part, c))
    .sort(bySize);
}

/** Percent of thread between which drills are worth weighing. */
const WORTH_WEIGHING = { over: 35, under: 98 } as const;

/** Every drill of the set about the tap drill, weighed, by diameter; none for tapered threads. */
export function tradeOffs(part: ThreadPart): (TradeOff & Required<Pick<TradeOff, 'load'>>)[] {
  const { candidates, missing, used } = part.tapDrill;
  return unique([...candidates, missing, used])
    .filter(({ percentOnDrill: p }) => p !== undefined && p > WORTH_WEIGHING.over && p < WORTH_WEIGHING.under)
    .flatMap((c) => {
      const weighed = weighDrill(part, c);
      return weighed.load ? [{ ...weighed, load: weighed.load }] : [];
    })
    .sort(bySize);
}

/** The drill that forming this thread would need; undefined where it may not be formed. */
export function formingDrill({ kind, forming, tapDrill }: ThreadPart): TapDrillCandidate | undefined {
  if (kind === 'form') return tapDrill.used;
  if (!forming.verdict.allowed) return undefined;
  const { choice, missing } = chooseTapDrill(forming.question);
  return choice ?? missing;
}
