import { depth, ok, phrase, problem, refuse, mm, type Problem, type Result } from '../answer/answer';
import { coneDepth } from '../drills/drill-point';
import { pointAngleOf, type Drill } from '../drills/drill';
import { mainBore, type BoreToMake, type BoreTool, type HoleToMake } from '../operation/bore';
import { choosePlainDrill, chooseReamDrill, h7UpperMm, isH7, type ChosenDrill } from '../operation/choose-plain-drill';
import type { Context } from '../operation/context';
import { existingLarge } from '../tap-drill/drill-to-use';
import type { PlannedThread } from './plan-thread';
import type { HoleQuestion } from './question';
import type { DrawnBore, PlainFeature, ResolvedHole } from './resolved-hole';

const isReamed = ({ feature }: DrawnBore): boolean => feature.ream || feature.fit !== undefined;

/** The drill for a bore: its own size, or what leaves the reamer its allowance. */
function drillFor(bore: DrawnBore, { asked, shop }: Context): ChosenDrill {
  const { diameterMm } = bore.feature;
  return isReamed(bore)
    ? chooseReamDrill(diameterMm, asked.pool, asked, shop.learned)
    : choosePlainDrill(diameterMm, asked.pool, false, asked.material);
}

const reamOf = ({ fit, diameterMm }: PlainFeature): BoreToMake['ream'] => ({
  fit,
  upperMm: isH7(fit) ? h7UpperMm(diameterMm) : undefined,
});

function boreToMake(bore: DrawnBore, chosen: ChosenDrill): BoreToMake {
  const { feature, role, fullMm, through } = bore;
  return {
    role,
    diameterMm: feature.diameterMm,
    chosen,
    fullMm,
    through,
    ...(feature.counterdrill ? { counterdrilled: true } : {}),
    ...(isReamed(bore) ? { ream: reamOf(feature) } : {}),
  };
}

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

/** The bore that a thread is tapped in. */
function tapBore(hole: ResolvedHole, { part, drillCautions }: PlannedThread): BoreToMake {
  const { used } = part.tapDrill;
  const { room } = part;
  return {
    role: 'main',
    diameterMm: used.drill.diameterMm,
    chosen: {
      drill: room ? { ...used.drill, pointAngleDeg: room.pointAngleDeg } : used.drill,
      owned: used.owned,
      cautions: drillCautions,
    },
    fullMm: part.tapping.best.depth?.fullDiameter.value ?? hole.thicknessMm ?? part.at.lengthMm,
    through: part.at.through,
  };
}

/**
 * A resolved hole, every bore with its drill and depth, widest first; or why it cannot be.
 * @param thread how its thread is made; undefined for a hole without one
 * @param tool wanted for a large or thin plain hole
 */
export function holeToMake(
  q: HoleQuestion,
  hole: ResolvedHole,
  thread: PlannedThread | undefined,
  tool: BoreTool | undefined,
  ctx: Context,
): Result<HoleToMake> {
  const drawn = hole.bores.map((b) => boreToMake(b, drillFor(b, ctx)));
  const existingMm = q.existing?.kind === 'plain' ? q.existing.diameterMm : undefined;
  const { callout, through } = hole;
  if (!thread) {
    const toMake: HoleToMake = { callout, bores: drawn, through, existingMm, serves: false, tool };
    const main = mainBore(toMake);
    const problems = [...wallProblems(main, hole.thicknessMm), ...existingProblems(existingMm, main.chosen.drill)];
    return problems.length > 0 ? refuse(...problems) : ok(toMake);
  }
  const main = tapBore(hole, thread);
  const wrong = belowProblems(drawn, main.diameterMm);
  if (wrong.length > 0) return refuse(...wrong);
  const bores = [...drawn.filter((b) => b.role === 'upper'), main, ...drawn.filter((b) => b.role === 'lower')];
  return ok({ callout, bores, through, chamferMm: thread.part.chamferMm, existingMm, serves: thread.serves });
}
