import { depth, ok, problem, quantity, refuse, type Problem, type Result } from '../answer/answer';
import { drillName, pointAngleOf, type Drill } from '../drills/drill';
import { unknownDrill } from '../drills/unknown-drill';
import type { CutOverride } from './cut';
import type { CutSpec } from './operation';
import { tipOf } from './travel';

/** What a user sets on one operation instead of the plan's figures. */
export interface OperationOverride extends CutOverride {
  /** Label of another drill. */
  drill?: string;
}

/** Largest feed that is read as one, mm/rev. */
const MOST_FEED = 2;

function withDrill(
  key: string,
  spec: CutSpec,
  label: string,
  find: (label: string) => Drill | undefined,
): Result<CutSpec> {
  const drill = find(label);
  if (!drill || spec.family !== 'drill') return refuse(unknownDrill('override-drill', key, label));
  if (drill.diameterMm <= spec.inHoleMm + 1e-6)
    return refuse(
      problem(
        'override-drill',
        key,
        '{drill} is not larger than the hole before it, {hole}: nothing is left to cut.',
        'Take a larger drill.',
        { drill: drillName(drill), hole: quantity(spec.inHoleMm, 'mm') },
      ),
    );
  return ok({
    ...spec,
    drill,
    diameterMm: drill.diameterMm,
    pointAngleDeg: pointAngleOf(drill),
    tool: { name: drillName(drill), owned: true },
  });
}

/** Half a millimetre stays under a tip that a user sets, mm. Our judgement. */
const LEAST_SKIN_MM = 0.5;

function withDepth(key: string, spec: CutSpec, fullMm: number, thicknessMm: number | undefined): Result<CutSpec> {
  const tipMm = tipOf(spec);
  const no = (text: string, remedy: string, values: Problem['values']): Result<never> =>
    refuse(problem('override-depth', key, text, remedy, values));
  if (!(fullMm > spec.fromMm))
    return no('At {deep} it has not yet met metal, which starts at {from}.', 'Enter a greater depth.', {
      deep: depth(fullMm),
      from: depth(spec.fromMm),
    });
  if (thicknessMm !== undefined && !spec.through && fullMm + tipMm >= thicknessMm)
    return no(
      'At {deep} of full diameter the tip is at {tip} and the plate is {plate}: it would break through the back.',
      'Enter at most {most}, or make it a through hole.',
      {
        deep: depth(fullMm),
        tip: depth(fullMm + tipMm),
        plate: depth(thicknessMm),
        most: depth(Math.max(0, thicknessMm - tipMm - LEAST_SKIN_MM)),
      },
    );
  if (thicknessMm !== undefined && spec.through && fullMm < thicknessMm)
    return no('{deep} does not go through {plate}.', 'Enter at least {plate}, or make it a blind hole.', {
      deep: depth(fullMm),
      plate: depth(thicknessMm),
    });
  return ok({ ...spec, fullMm });
}

const checkedFeed = (key: string, spec: CutSpec, feed: number): Result<CutSpec> =>
  feed > 0 && feed <= MOST_FEED
    ? ok(spec)
    : refuse(
        problem(
          'override-feed',
          key,
          'A feed of {feed} is out of range: up to {most}.',
          'Enter a smaller feed, above zero.',
          { feed: quantity(feed, 'mm/rev'), most: quantity(MOST_FEED, 'mm/rev') },
        ),
      );

/** What an operation is to do with a user's figures in place of the plan's, or why that cannot be. */
export function overriddenSpec(
  key: string,
  base: CutSpec,
  over: OperationOverride,
  thicknessMm: number | undefined,
  find: (label: string) => Drill | undefined,
): Result<CutSpec> {
  const drilled = over.drill === undefined ? ok(base) : withDrill(key, base, over.drill, find);
  if (!drilled.ok) return drilled;
  const deep = over.fullMm === undefined ? drilled : withDepth(key, drilled.value, over.fullMm, thicknessMm);
  if (!deep.ok || over.feed === undefined) return deep;
  return checkedFeed(key, deep.value, over.feed);
}
