import { answer, depth, mm, phrase, type Answer, type Phrase } from '../answer/answer';
import { alreadyDeeper, stopSetting, usualStop } from '../cutting/depth-stop';
import type { DepthStopKind, Machine } from '../cutting/machine';
import { coneDepth } from '../drills/drill-point';
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

/** Extra readings where the drill meets an opening before the face. */
function touchNotes(spec: CutSpec, travelMm: number, tipMm: number): Phrase[] {
  const { pointAngleDeg: point, inHoleMm, startsIn, diameterMm, family } = spec;
  if (family !== 'drill' || point === undefined) return [];
  if (inHoleMm > 0 && spec.fromMm === 0)
    return [
      phrase(
        'If you touch off in the pilot instead of on the face, you are already {deeper} down: {left} from there.',
        {
          deeper: depth(alreadyDeeper(diameterMm, point, inHoleMm)),
          left: depth(travelMm - alreadyDeeper(diameterMm, point, inHoleMm)),
        },
      ),
    ];
  if (!startsIn) return [];
  const deeper = alreadyDeeper(diameterMm, point, startsIn.mouthMm, startsIn.angleDeg);
  if (deeper <= 0.05 || deeper >= travelMm - tipMm) return [];
  return [
    phrase('If you touch off in the spot instead of on the face, you are already {deeper} down: {left} from there.', {
      deeper: depth(deeper),
      left: depth(travelMm - deeper),
    }),
  ];
}

const OTHER_STOPS: readonly DepthStopKind[] = ['scale', 'collar', 'tape', 'readout'];

/** How to set the stop: in the machine's own reading, from where it may touch instead, then by other means. */
export function stopsFor(spec: CutSpec, machine: Machine | undefined, travelMm: number, tipMm: number): Cut['stop'] {
  const own = usualStop(machine);
  return [
    { kind: own.kind, order: stopSetting(own.kind, own.divisionMm, travelMm, own.turnMm) },
    ...touchNotes(spec, travelMm, tipMm).map((order) => ({ kind: own.kind, order })),
    ...OTHER_STOPS.filter((kind) => kind !== own.kind).map((kind) => ({
      kind,
      order: stopSetting(kind, 1, travelMm),
    })),
  ];
}
