import { mm, phrase, type Phrase } from '../answer/answer';
import type { DrillPool } from '../drills/drill-sets';
import type { StartMeans } from '../drills/predicted-hole';
import type { Callout, CalloutFeature } from '../threads/callout';
import { choosePlainDrill, chooseReamDrill, h7UpperMm, type ChosenDrill } from './choose-plain-drill';
import type { CutContext } from './cut';
import { written, type FeatureContext } from './feature-context';
import { holeOperations } from './hole-operations';
import { byHandwork, HANDS_S } from './make-operation';
import type { Operation } from './operation';

/** The end of every route: far side, mouth, check. */
export function finishing(ctx: FeatureContext, check: Phrase): Operation[] {
  const tapped = ctx.chamferMm !== undefined;
  const ops: Operation[] = [];
  if (ctx.through)
    ops.push(
      byHandwork('deburr', 'deburr', phrase('Deburr the far side, then clean the hole.'), [], HANDS_S.deburr, 'deburr'),
    );
  else if (!tapped)
    ops.push(
      byHandwork(
        'deburr',
        'deburr',
        phrase('Break the edge of the mouth, then clean the hole.'),
        [],
        HANDS_S.deburr,
        'deburr',
      ),
    );
  ops.push(byHandwork('check', 'check', check, [], HANDS_S.check, 'clean and gauge'));
  return ops;
}

/** Operations of a hole without a thread. */
export function plainOperations(ctx: FeatureContext): Operation[] {
  const f = written(ctx.callout, 'hole').find((h) => h.ream || h.fit !== undefined);
  const size = ctx.main.chosen.drill.diameterMm;
  const h7 = f?.fit?.replace(/\s/g, '').toUpperCase() === 'H7';
  return [
    ...holeOperations(ctx),
    ...finishing(
      ctx,
      f
        ? h7
          ? phrase('Clean, then check with a plug gauge: {min} goes, {max} does not.', {
              min: mm(f.diameterMm),
              max: mm(f.diameterMm + h7UpperMm(f.diameterMm)),
            })
          : phrase('Clean, then check {size}{fit} with a plug gauge.', {
              size: mm(f.diameterMm),
              fit: f.fit ? ` ${f.fit}` : '',
            })
        : phrase('Clean, then check {size} with a pin or caliper, and the place from the datum edges.', {
            size: mm(size),
          }),
    ),
  ];
}

/** The drill for the main bore of a hole without a thread. */
export function plainMain(
  callout: Callout,
  pool: DrillPool,
  start: StartMeans,
  material: CutContext['material'],
): { chosen: ChosenDrill; feature: Extract<CalloutFeature, { kind: 'hole' }> } | undefined {
  const holes = written(callout, 'hole');
  const feature = holes.reduce<(typeof holes)[number] | undefined>(
    (a, b) => (a && a.diameterMm <= b.diameterMm ? a : b),
    undefined,
  );
  if (!feature) return undefined;
  const fitted = feature.ream || feature.fit !== undefined;
  return {
    feature,
    chosen: fitted
      ? chooseReamDrill(feature.diameterMm, pool, start, material)
      : choosePlainDrill(feature.diameterMm, pool, false),
  };
}
