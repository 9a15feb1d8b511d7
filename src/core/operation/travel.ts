import { answer, depth, mm, phrase, type Answer, type Phrase } from '../answer/answer';
import { alreadyDeeper, settingOf, stopSetting, usualStop, type DepthToSet } from '../cutting/depth-stop';
import type { DepthStopKind, Machine } from '../cutting/machine';
import { coneDepth } from '../drills/drill-point';
import { thinWallMm } from '../tapping/blind-depth';
import type { Cut, CutSpec } from './operation';

/** A drill that goes through is let out this far beyond its corners, mm. Trade rule. */
export const CLEAR_MM = 1;

/** How far a tool's point ends below its full diameter, mm; 0 for those that cut to a mouth or flat. */
export const tipOf = ({ family, pointAngleDeg, diameterMm }: CutSpec): number =>
  pointAngleDeg === undefined || family === 'spot' || family === 'centre' || family === 'countersink'
    ? 0
    : coneDepth(diameterMm, pointAngleDeg);

/** From where the tip touches the face to where the stop holds, mm. */
export const travelMmOf = (spec: CutSpec, tipMm: number): number => spec.fullMm + tipMm + (spec.through ? CLEAR_MM : 0);

/** The same with its working. */
export function travelOf(spec: CutSpec, tipMm: number): Answer {
  return answer(travelMmOf(spec, tipMm), 'mm', {
    rule: 'Stop, from where the tip touches the face',
    formula: spec.through ? 'thickness + tip + clearance' : 'full-diameter depth + tip',
    inputs: [
      [spec.through ? 'thickness' : 'full-diameter depth', mm(spec.fullMm)],
      ['tip', mm(tipMm)],
      ...(spec.through ? [['beyond the back', mm(CLEAR_MM)] as [string, ReturnType<typeof mm>]] : []),
    ],
    source: { kind: 'trade rule', name: 'stop set from touch' },
  });
}

/** Where the drill meets an opening before the face, which is to touch beside it. */
function touchNotes(spec: CutSpec, travelMm: number, tipMm: number): Phrase[] {
  const { pointAngleDeg: point, inHoleMm, startsIn, diameterMm, family } = spec;
  if (family !== 'drill' || point === undefined) return [];
  const inPilot = inHoleMm > 0 && spec.fromMm === 0;
  if (!inPilot && !startsIn) return [];
  const deeper = startsIn
    ? alreadyDeeper(diameterMm, point, startsIn.mouthMm, startsIn.angleDeg)
    : alreadyDeeper(diameterMm, point, inHoleMm);
  if (deeper <= 0.05 || deeper >= travelMm - tipMm) return [];
  const where = inPilot ? 'hole' : (startsIn?.name ?? 'spot');
  return [
    phrase(`Touch the face beside the ${where}: in it the drill is {deeper} down already, {left} from there.`, {
      deeper: depth(deeper),
      left: depth(travelMm - deeper),
    }),
  ];
}

const OTHER_STOPS: readonly DepthStopKind[] = ['scale', 'collar', 'tape', 'readout'];

/** Tools whose depth is told by the diameter that they leave. */
const isWatched = ({ family }: CutSpec): boolean => family === 'countersink' || family === 'spot';

/**
 * How to set the stop: in the machine's own reading, from where it may touch instead, then by other means.
 * @param thicknessMm of the part, where known: the stop never goes into the wall that is to be left
 */
export function stopsFor(
  spec: CutSpec,
  machine: Machine | undefined,
  travelMm: number,
  tipMm: number,
  thicknessMm?: number,
): Pick<Cut, 'stop' | 'stopMm'> {
  const own = usualStop(machine);
  const wallMm = thicknessMm === undefined || spec.through ? Infinity : thicknessMm - thinWallMm(spec.diameterMm);
  const toSet: DepthToSet = {
    travelMm,
    mostMm: Math.max(travelMm, wallMm),
    ...(isWatched(spec) ? { watchMm: spec.diameterMm } : {}),
  };
  const stop = [
    { kind: own.kind, order: stopSetting(own.kind, own.divisionMm, toSet, own.turnMm) },
    ...touchNotes(spec, travelMm, tipMm).map((order) => ({ kind: own.kind, order })),
    ...OTHER_STOPS.filter((kind) => kind !== own.kind).map((kind) => ({
      kind,
      order: stopSetting(kind, 1, toSet),
    })),
  ];
  return { stop, stopMm: settingOf(own, toSet) };
}
