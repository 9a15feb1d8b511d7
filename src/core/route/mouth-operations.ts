import { caution, depth, mm, phrase, quantity, type Problem } from '../answer/answer';
import { chamferDepth } from '../drills/drill-point';
import { pickTool } from '../drills/tool';
import { boltThrough, rowFor, SOCKET_HEADS } from '../layout/heads.table';
import { reamAllowance } from './choose-plain-drill';
import { written, type FeatureContext } from './feature-context';
import { cutting } from './make-operation';
import type { Operation } from './operation';

/** Counterbores and countersinks of a callout, over a hole of this size, mm. */
export function mouthOperations(ctx: FeatureContext, holeMm: number): Operation[] {
  const ops: Operation[] = [];
  for (const [i, f] of written(ctx.callout, 'counterbore').entries()) {
    const bolt = boltThrough(holeMm);
    const head = bolt === undefined ? undefined : rowFor(SOCKET_HEADS, bolt);
    const usual = head ? head[2] + (head[0] <= 6 ? 0.3 : 0.6) : 0.5 * f.diameterMm;
    const deep = f.extent?.kind === 'depth' ? f.extent.mm : usual;
    const tool = pickTool.counterbore(ctx.tools, f.diameterMm, holeMm);
    ops.push(
      cutting(
        i === 0 ? 'counterbore' : `counterbore-${i + 1}`,
        'counterbore',
        () =>
          phrase('Counterbore {size}, {deep} deep: touch with the edges, set the stop {deep} on.', {
            size: mm(f.diameterMm),
            deep: depth(deep),
          }),
        {
          family: 'counterbore',
          tool,
          diameterMm: f.diameterMm,
          inHoleMm: holeMm,
          fromMm: 0,
          fullMm: deep,
          through: false,
        },
        ctx,
        f.extent?.kind === 'depth'
          ? []
          : [
              caution('note', 'depth-taken', 'No depth is written: {deep} sinks the usual head.', {
                deep: depth(deep),
              }),
            ],
      ),
    );
  }
  for (const f of written(ctx.callout, 'countersink')) {
    const tool = pickTool.countersink(ctx.tools, f.diameterMm, f.angleDeg);
    const deep = chamferDepth(f.diameterMm, holeMm, f.angleDeg);
    ops.push(
      cutting(
        'countersink',
        'countersink',
        () =>
          phrase('Countersink {angle} to {mouth}: {deep} from where it touches the rim.', {
            angle: quantity(f.angleDeg, 'deg'),
            mouth: depth(f.diameterMm),
            deep: depth(deep),
          }),
        {
          family: 'countersink',
          tool,
          diameterMm: f.diameterMm,
          inHoleMm: holeMm,
          fromMm: 0,
          fullMm: deep,
          through: false,
          pointAngleDeg: f.angleDeg,
        },
        ctx,
      ),
    );
  }
  return ops;
}

/** The reamer, where the callout wants a fit. */
export function reamOperation(ctx: FeatureContext): Operation | undefined {
  const f = written(ctx.callout, 'hole').find((h) => h.ream || h.fit !== undefined);
  if (!f) return undefined;
  const tool = pickTool.reamer(ctx.tools, f.diameterMm, f.fit);
  return cutting(
    'ream',
    'ream',
    () =>
      phrase(`Ream {size}{fit}, ${ctx.through ? 'through' : '{deep} deep'}; never turn it back.`, {
        size: mm(f.diameterMm),
        fit: f.fit ? ` ${f.fit}` : '',
        deep: depth(ctx.main.fullMm),
      }),
    {
      family: 'ream',
      tool,
      diameterMm: f.diameterMm,
      inHoleMm: ctx.main.chosen.drill.diameterMm,
      fromMm: 0,
      fullMm: ctx.main.fullMm,
      through: ctx.through,
    },
    ctx,
    [
      caution('note', 'ream-allowance', 'The drill leaves the reamer about {leave}; more tears, less rubs.', {
        leave: mm(reamAllowance(f.diameterMm)),
      }),
    ],
  );
}

/** Mouths that are as deep as the plate or deeper, which leave nothing under a head. */
export function mouthProblems(operations: readonly Operation[], thicknessMm: number | undefined): Problem[] {
  return operations.flatMap(({ code, cut }) =>
    thicknessMm !== undefined &&
    cut &&
    (code === 'counterbore' || code === 'countersink') &&
    cut.spec.fullMm >= thicknessMm
      ? [
          {
            code: 'mouth-deep',
            field: 'callout',
            ...phrase(`A ${code} {deep} deep leaves nothing of a plate of {plate}.`, {
              deep: depth(cut.spec.fullMm),
              plate: depth(thicknessMm),
            }),
            remedy: phrase('Make it shallower, or take thicker stock.'),
          },
        ]
      : [],
  );
}
