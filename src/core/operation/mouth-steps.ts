import { caution, depth, mm, phrase, problem, quantity, type Problem } from '../answer/answer';
import { chamferDepth } from '../drills/drill-point';
import { boltThrough, rowFor, SOCKET_HEADS } from '../layout/heads.table';
import { pickTool } from '../shop/tool';
import type { CalloutFeature } from '../threads/callout';
import type { BoreToMake, HoleToMake } from './bore';
import { reamAllowance } from './choose-plain-drill';
import { written, type Context } from './context';
import { cutStep, type Step } from './step';

type Feature<K extends CalloutFeature['kind']> = Extract<CalloutFeature, { kind: K }>;

/** How deep a counterbore goes when the drawing does not say, mm: the head of the bolt that the hole is for. */
function usualSink({ diameterMm }: Feature<'counterbore'>, holeMm: number): number {
  const bolt = boltThrough(holeMm);
  const head = bolt === undefined ? undefined : rowFor(SOCKET_HEADS, bolt);
  return head ? head[2] + (head[0] <= 6 ? 0.3 : 0.6) : 0.5 * diameterMm;
}

function counterboreOperation(f: Feature<'counterbore'>, place: number, holeMm: number, ctx: Context): Step {
  const deep = f.extent?.kind === 'depth' ? f.extent.mm : usualSink(f, holeMm);
  return cutStep({
    key: place === 0 ? 'counterbore' : `counterbore-${place + 1}`,
    kind: 'counterbore',
    order: phrase('Counterbore {size}, {deep} deep: touch with the edges, set the stop {deep} on.', {
      size: mm(f.diameterMm),
      deep: depth(deep),
    }),
    spec: {
      family: 'counterbore',
      tool: pickTool.counterbore(ctx.shop.tools, f.diameterMm, holeMm),
      diameterMm: f.diameterMm,
      inHoleMm: holeMm,
      fromMm: 0,
      fullMm: deep,
      through: false,
    },
    cautions:
      f.extent?.kind === 'depth'
        ? []
        : [
            caution('note', 'depth-taken', 'No depth given: {deep} sinks the usual head.', {
              deep: depth(deep),
            }),
          ],
  });
}

function countersinkOperation(f: Feature<'countersink'>, holeMm: number, ctx: Context): Step {
  const deep = chamferDepth(f.diameterMm, holeMm, f.angleDeg);
  return cutStep({
    key: 'countersink',
    kind: 'countersink',
    order: phrase('Countersink {angle} to {mouth}: {deep} from where it touches the rim.', {
      angle: quantity(f.angleDeg, 'deg'),
      mouth: depth(f.diameterMm),
      deep: depth(deep),
    }),
    spec: {
      family: 'countersink',
      tool: pickTool.countersink(ctx.shop.tools, f.diameterMm, f.angleDeg),
      diameterMm: f.diameterMm,
      inHoleMm: holeMm,
      fromMm: 0,
      fullMm: deep,
      through: false,
      pointAngleDeg: f.angleDeg,
    },
  });
}

/** Counterbores and countersinks of a callout, over a hole of this size, mm. */
export const mouthSteps = ({ callout }: HoleToMake, holeMm: number, ctx: Context): Step[] => [
  ...written(callout, 'counterbore').map((f, i) => counterboreOperation(f, i, holeMm, ctx)),
  ...written(callout, 'countersink').map((f) => countersinkOperation(f, holeMm, ctx)),
];

/** The reamer for a bore that is to have its exact size, after its drill. */
export function reamStep(bore: BoreToMake, ctx: Context): Step | undefined {
  if (!bore.ream) return undefined;
  const { fit } = bore.ream;
  return cutStep({
    key: bore.role === 'main' ? 'ream' : `ream-${bore.role}`,
    kind: 'ream',
    order: phrase(`Ream {size}{fit}, ${bore.through ? 'through' : '{deep} deep'}; never turn it back.`, {
      size: mm(bore.diameterMm),
      fit: fit ? ` ${fit}` : '',
      deep: depth(bore.fullMm),
    }),
    spec: {
      family: 'ream',
      tool: pickTool.reamer(ctx.shop.tools, bore.diameterMm, fit),
      diameterMm: bore.diameterMm,
      inHoleMm: bore.chosen.drill.diameterMm,
      fromMm: 0,
      fullMm: bore.fullMm,
      through: bore.through,
    },
    cautions: [
      caution('note', 'ream-allowance', 'Leaves {leave} for the reamer: with more it tears, with less it rubs.', {
        leave: mm(reamAllowance(bore.diameterMm)),
      }),
    ],
  });
}

export const FLOOR_OPENS = phrase('The floor of the larger part opens the first thread: no chamfer needed.');

/** Widest part above the thread, mm; 0 for none. */
export const aboveMm = (hole: HoleToMake): number =>
  hole.bores.reduce((widest, b) => (b.role === 'upper' ? Math.max(widest, b.diameterMm) : widest), 0);

const isSunk = ({ callout }: HoleToMake): boolean => written(callout, 'countersink').length > 0;

/** The floor of a larger part is as good as a chamfer. */
export const floorOpens = (hole: HoleToMake): boolean =>
  hole.chamferMm !== undefined && !isSunk(hole) && aboveMm(hole) >= hole.chamferMm;

/** The chamfer that opens the first thread; none where a larger part, a countersink or the spot does. @param spotted the spot has left it */
export function chamferStep(hole: HoleToMake, holeMm: number, spotted: boolean, ctx: Context): Step | undefined {
  const { chamferMm } = hole;
  if (chamferMm === undefined || isSunk(hole) || floorOpens(hole)) return undefined;
  if (spotted && ctx.shop.habits.chamfer !== 'both') return undefined;
  const deep = chamferDepth(chamferMm, holeMm, 90);
  return cutStep({
    key: 'chamfer',
    kind: 'chamfer',
    order: phrase('Countersink the mouth to {chamfer}, {deep} from touching the rim, before tapping.', {
      chamfer: depth(chamferMm),
      deep: depth(deep),
    }),
    spec: {
      family: 'countersink',
      tool: pickTool.countersink(ctx.shop.tools, chamferMm, 90),
      diameterMm: chamferMm,
      inHoleMm: holeMm,
      fromMm: 0,
      fullMm: deep,
      through: false,
      pointAngleDeg: 90,
    },
  });
}

/** Mouths that are as deep as the plate or deeper, which leave nothing under a head. */
export function mouthProblems(steps: readonly Step[], thicknessMm: number | undefined): Problem[] {
  if (thicknessMm === undefined) return [];
  return steps.flatMap((step) =>
    step.by === 'cut' && (step.kind === 'counterbore' || step.kind === 'countersink') && step.spec.fullMm >= thicknessMm
      ? [
          problem(
            'mouth-deep',
            'callout',
            `A ${step.kind} {deep} deep leaves nothing of a plate of {plate}.`,
            'Make it shallower, or use thicker stock.',
            { deep: depth(step.spec.fullMm), plate: depth(thicknessMm) },
          ),
        ]
      : [],
  );
}
