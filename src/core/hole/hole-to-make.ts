import { depth, ok, phrase, problem, refuse, mm, type Problem, type Result } from '../answer/answer';
import { coneDepth } from '../drills/drill-point';
import { pointAngleOf, type Drill } from '../drills/drill';
import { mainBore, type BoreToMake, type BoreTool, type HoleToMake } from '../operation/bore';
import { choosePlainDrill, chooseReamDrill, type ChosenDrill } from '../operation/choose-plain-drill';
import type { Context } from '../operation/context';
import type { PlannedThread } from './plan-thread';
import type { HoleQuestion } from './question';
import type { DrawnBore, ResolvedHole } from './resolved-hole';
import { existingLarge } from './thread-drill';

const isReamed = ({ feature }: DrawnBore): boolean => feature.ream || feature.fit !== undefined;

/** The drill for a bore: its own size, or what leaves the reamer its allowance. */
function drillFor(bore: DrawnBore, { asked, shop }: Context): ChosenDrill {
  const { diameterMm } = bore.feature;
  return isReamed(bore)
    ? chooseReamDrill(diameterMm, asked.pool, asked, shop.learned)
    : choosePlainDrill(diameterMm, asked.pool, false, asked.material);
}

function boreToMake(bore: DrawnBore, chosen: ChosenDrill): BoreToMake {
  const { feature, role, fullMm, through } = bore;
  return {
    role,
    diameterMm: feature.diameterMm,
    chosen,
    fullMm,
    through,
    ...(feature.counterdrill ? { counterdrilled: true } : {}),
    ...(isReamed(bore) ? { ream: { fit: feature.fit } } : {}),
  };
}

const existingMmOf = ({ existing }: HoleQuestion): number | undefined =>
  existing?.kind === 'plain' ? existing.diameterMm : undefined;

/** A bore below a thread that is as large as the thread's own drill: the thread would have no floor to end on. */
const belowProblems = (bores: readonly BoreToMake[], tapDrillMm: number): Problem[] =>
  bores
    .filter((b) => b.role === 'lower' && b.diameterMm >= tapDrillMm - 1e-6)
    .map((b) =>
      problem(
        'bore-as-large',
        'callout',
        'A bore of {bore} is as large as the tap drill, {drill}: nothing is left for its own tool.',
        'Make the bore smaller, or tap all the way through.',
        { bore: mm(b.diameterMm), drill: mm(tapDrillMm) },
      ),
    );

/** A resolved hole with a thread, every bore with its drill and depth, widest first. */
export function threadedHoleToMake(
  q: HoleQuestion,
  hole: ResolvedHole,
  { part, serves, drillCautions }: PlannedThread,
  ctx: Context,
): Result<HoleToMake> {
  const { used } = part.tapDrill;
  const { room } = part;
  const { depth: blind } = part.tapping.best;
  const others = hole.bores.map((b) => boreToMake(b, drillFor(b, ctx)));
  const wrong = belowProblems(others, used.drill.diameterMm);
  if (wrong.length > 0) return refuse(...wrong);
  const main: BoreToMake = {
    role: 'main',
    diameterMm: used.drill.diameterMm,
    chosen: {
      drill: room ? { ...used.drill, pointAngleDeg: room.pointAngleDeg } : used.drill,
      owned: used.owned,
      cautions: drillCautions,
    },
    fullMm: blind?.fullDiameter.value ?? hole.thicknessMm ?? part.at.lengthMm,
    through: part.at.through,
  };
  const above = others.filter((b) => b.role === 'upper');
  const below = others.filter((b) => b.role === 'lower');
  return ok({
    callout: hole.callout,
    bores: [...above, main, ...below],
    through: hole.through,
    chamferMm: part.chamferMm,
    existingMm: existingMmOf(q),
    serves,
  });
}

/** What is left under a plain blind hole at least, mm. Trade rule. */
const LEAST_WALL_MM = 1.5;

function wallProblems({ fullMm, through, chosen }: BoreToMake, thicknessMm: number | undefined): Problem[] {
  const total = fullMm + coneDepth(chosen.drill.diameterMm, pointAngleOf(chosen.drill));
  if (through || thicknessMm === undefined || total < thicknessMm) return [];
  return [
    problem(
      'wall-zero',
      'threadDepth',
      'A hole {deep} deep reaches {total} with its tip; the plate is {plate}.',
      'Drill at most {most}, or go through.',
      {
        deep: depth(fullMm),
        total: depth(total),
        plate: depth(thicknessMm),
        most: depth(Math.max(0, thicknessMm - total + fullMm - LEAST_WALL_MM)),
      },
    ),
  ];
}

const existingProblems = (existingMm: number | undefined, drill: Drill): Problem[] =>
  existingMm === undefined
    ? []
    : existingLarge(existingMm, drill).map((p) => ({
        ...p,
        remedy: phrase('There is nothing to drill; check whether the drawing asks for a larger hole.'),
      }));

/** A resolved hole without a thread, every bore with its drill, widest first; or why it cannot be. */
export function plainHoleToMake(
  q: HoleQuestion,
  hole: ResolvedHole,
  tool: BoreTool | undefined,
  ctx: Context,
): Result<HoleToMake> {
  const toMake: HoleToMake = {
    callout: hole.callout,
    bores: hole.bores.map((b) => boreToMake(b, drillFor(b, ctx))),
    through: hole.through,
    existingMm: existingMmOf(q),
    serves: false,
    tool,
  };
  const main = mainBore(toMake);
  const problems = [...wallProblems(main, hole.thicknessMm), ...existingProblems(toMake.existingMm, main.chosen.drill)];
  return problems.length > 0 ? refuse(...problems) : ok(toMake);
}
