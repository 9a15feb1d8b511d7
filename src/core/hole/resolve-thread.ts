import { depth, mm, ok, phrase, problem, refuse, type Phrase, type Problem, type Result } from '../answer/answer';
import { coneDepth } from '../drills/drill-point';
import { written } from '../operation/context';
import type { ShopHabits } from '../shop/habits';
import type { Callout } from '../threads/callout';
import { percentOfThread } from '../threads/percent-of-thread';
import { isTapered, type Thread } from '../threads/thread';
import { threadProblems } from './check-question';
import type { HoleQuestion } from './question';
import type { DrawnBore, PlainFeature, ResolvedHole, ThreadFeature } from './resolved-hole';
import { fitProblems, swallowedProblems } from './stack';
import { boltFor, usualThreadDepth } from './usual-depth';

/** Percent of thread up to which a hole drawn beside a thread is its tap drill; a smaller hole is a bore of its own. */
const DRAWN_DRILL_PERCENT = 95;

const isFitted = (f: PlainFeature): boolean => f.ream || f.fit !== undefined;

/** The plain holes of a threaded callout by what they are: larger parts above, the drawn tap drill, bores below. */
function sortedHoles(callout: Callout, thread: Thread) {
  const holes = written(callout, 'hole');
  const larger = holes.filter((f) => f.diameterMm >= thread.majorMm);
  const smaller = holes.filter((f) => f.diameterMm < thread.majorMm);
  const isDrill = (f: PlainFeature): boolean =>
    !isFitted(f) && (isTapered(thread) || percentOfThread(thread, f.diameterMm) <= DRAWN_DRILL_PERCENT);
  return {
    above: larger.filter((f) => f.extent?.kind === 'depth'),
    /** Larger than the thread and as deep as the plate: nothing of the thread would be left. */
    swallowing: larger.find((f) => f.extent?.kind !== 'depth'),
    drawn: smaller.find(isDrill),
    below: smaller.filter((f) => !isDrill(f)),
  };
}

const depthOf = (f: PlainFeature): number => (f.extent?.kind === 'depth' ? f.extent.mm : 0);

interface Depths {
  through: boolean;
  /** From the face. */
  endMm: number;
  thicknessMm?: number;
  notes: Phrase[];
}

/** Through or blind, how deep, and how thick: from what was typed, written, given by the part, or assumed. */
function settleDepths(
  q: HoleQuestion,
  { thread, extent }: ThreadFeature,
  writtenThrough: boolean,
  aboveMm: number,
  thickness: number | undefined,
  habits: ShopHabits,
): Depths {
  const notes: Phrase[] = [];
  const drawn = writtenThrough ? 'through' : extent?.kind === 'depth' ? 'blind' : undefined;
  if (q.hole && drawn && q.hole !== drawn)
    notes.push(
      phrase('The callout says {written}; you chose {chosen}, so that is used.', { written: drawn, chosen: q.hole }),
    );
  const guessed = q.depthMm !== undefined && q.depthMm !== thickness ? 'blind' : 'through';
  const kind = q.hole ?? drawn ?? guessed;
  if (!q.hole && !drawn) notes.push(phrase('Through or blind not given: assumed {kind}.', { kind }));
  if (aboveMm > 0)
    notes.push(
      phrase('Depths are from the face: the thread starts below the larger part, at {above}.', {
        above: depth(aboveMm),
      }),
    );
  const writtenDepth = extent?.kind === 'depth' ? extent.mm : undefined;
  if (q.depthMm !== undefined && writtenDepth !== undefined && Math.abs(q.depthMm - writtenDepth) > 1e-6)
    notes.push(
      phrase('The callout says {written} deep; you typed {chosen}, so that is used.', {
        written: depth(writtenDepth),
        chosen: depth(q.depthMm),
      }),
    );
  const given = q.depthMm ?? writtenDepth;
  const whole = kind === 'through' ? thickness : undefined;
  const usual =
    given === undefined && whole === undefined
      ? usualThreadDepth(thread, q.material, boltFor(q, thread), habits.engagement)
      : undefined;
  const end = given ?? whole ?? (usual?.lengthMm ?? 0) + aboveMm;
  if (usual) notes.push(usual.note);
  if (kind === 'through' && thickness === undefined)
    notes.push(phrase('No thickness given: assumed a plate as thick as the thread, {depth}.', { depth: depth(end) }));
  if (kind === 'blind' && thickness === undefined)
    notes.push(phrase('No thickness given: the wall left under the hole is not checked.'));
  return {
    through: kind === 'through',
    endMm: end,
    thicknessMm: thickness ?? (kind === 'through' ? end : undefined),
    notes,
  };
}

/** What cannot be in metal: a larger part that takes the plate, a thread deeper than it, shorter than a pitch, wider than the stock. */
function physicalProblems(q: HoleQuestion, thread: Thread, d: Depths, aboveMm: number): Problem[] {
  const lengthMm = d.endMm - aboveMm;
  const leftMm = d.thicknessMm === undefined ? undefined : d.thicknessMm - aboveMm;
  if (leftMm !== undefined && leftMm <= 0)
    return [
      problem(
        'clearance-deep',
        'callout',
        'The larger part of {clearance} goes right through the {plate} plate: nothing is left to tap.',
        'Make the larger part shallower.',
        { clearance: depth(aboveMm), plate: depth(d.thicknessMm ?? 0) },
      ),
    ];
  const problems: Problem[] = [];
  if (leftMm !== undefined && lengthMm > leftMm + 1e-9)
    problems.push(
      problem(
        'thread-deeper-than-plate',
        'threadDepth',
        aboveMm > 0
          ? 'A thread of {depth} does not fit in the {thickness} that the larger part leaves of the plate.'
          : 'A thread {depth} deep does not fit in a plate of {thickness}.',
        'Tap at most {thickness}, go through, or use thicker stock.',
        { depth: depth(lengthMm), thickness: depth(leftMm) },
      ),
    );
  if (lengthMm < thread.pitchMm)
    problems.push(
      problem(
        'thread-under-pitch',
        leftMm !== undefined && leftMm === lengthMm ? 'thickness' : 'threadDepth',
        '{depth} is less than one pitch ({pitch}): that is no thread.',
        'Check the unit, or use a finer thread.',
        { depth: depth(lengthMm), pitch: mm(thread.pitchMm) },
      ),
    );
  if (q.stockWidthMm !== undefined && q.stockWidthMm <= thread.majorMm)
    problems.push(
      problem(
        'tap-larger-than-stock',
        'stockWidth',
        'The tap is {major} and the stock only {width} across: nothing would be left around it.',
        'Use a smaller thread or wider stock.',
        { major: mm(thread.majorMm), width: depth(q.stockWidthMm) },
      ),
    );
  return problems;
}

/** Bores under a thread go on from its floor; without a depth they go through. */
function belowBores(below: readonly PlainFeature[], d: Depths): DrawnBore[] {
  return below.map((feature) => {
    const through = feature.extent?.kind !== 'depth';
    return { role: 'lower', feature, through, fullMm: through ? (d.thicknessMm ?? d.endMm) : depthOf(feature) };
  });
}

/** A thread that goes through leaves nothing for a narrower bore of the same hole. */
const insideProblems = (thread: Thread, below: readonly PlainFeature[], d: Depths): Problem[] =>
  d.through
    ? below.map((f) =>
        problem(
          'bore-inside-thread',
          'callout',
          'A bore of {bore} lies inside {thread}, which goes through: nothing of it would be left.',
          'Give the thread its depth, or leave the smaller bore out.',
          { bore: mm(f.diameterMm), thread: thread.designation },
        ),
      )
    : [];

/**
 * How deep a counterbore or countersink takes the thread of a through hole away, mm; 0 where it leaves nothing, which is
 * refused.
 */
function sunkMm(callout: Callout, { majorMm }: Thread, endMm: number): number {
  const depths = written(callout, 'counterbore').flatMap((f) => (f.extent?.kind === 'depth' ? [f.extent.mm] : []));
  const cones = written(callout, 'countersink').map((f) => coneDepth(f.diameterMm - majorMm, f.angleDeg));
  const deepest = Math.max(0, ...depths, ...cones);
  return deepest < endMm ? deepest : 0;
}

/** Settles a hole with a thread: what is drawn above and below it, its depth, through or blind; or says what is impossible. */
export function resolveThread(
  q: HoleQuestion,
  callout: Callout,
  feature: ThreadFeature,
  habits: ShopHabits,
): Result<ResolvedHole> {
  const { thread } = feature;
  const { above, swallowing, drawn, below } = sortedHoles(callout, thread);
  const aboveMm = above.reduce((deepest, f) => Math.max(deepest, depthOf(f)), 0);
  const writtenThrough = feature.extent?.kind === 'through' || drawn?.extent?.kind === 'through';
  const d = settleDepths(q, feature, writtenThrough, aboveMm, q.thicknessMm, habits);
  const impossible = physicalProblems(q, thread, d, aboveMm);
  if (impossible.length > 0) return refuse(...impossible);
  const fromMm = d.through ? Math.max(aboveMm, sunkMm(callout, thread, d.endMm)) : aboveMm;
  const bores: DrawnBore[] = [
    ...above.map((f): DrawnBore => ({ role: 'upper', feature: f, fullMm: depthOf(f), through: false })),
    ...belowBores(below, d),
  ].sort((a, b) => b.feature.diameterMm - a.feature.diameterMm);
  const problems = [
    ...threadProblems(q, thread, (swallowing ?? drawn)?.diameterMm),
    ...insideProblems(thread, below, d),
    ...swallowedProblems(bores),
    ...fitProblems(bores),
  ];
  if (problems.length > 0) return refuse(...problems);
  return ok({
    callout,
    thread: { feature, fromMm, lengthMm: d.endMm - fromMm, through: d.through, drawn },
    bores,
    through: d.through || bores.some((b) => b.through),
    thicknessMm: d.thicknessMm,
    existing: q.existing,
    notes: d.notes,
  });
}
