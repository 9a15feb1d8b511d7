import { depth, ok, phrase, problem, refuse, type Phrase, type Problem, type Result } from '../answer/answer';
import { written } from '../operation/context';
import type { Callout } from '../threads/callout';
import { partsProblems } from './check-question';
import type { HoleQuestion } from './question';
import type { DrawnBore, PlainFeature, ResolvedHole } from './resolved-hole';
import { fitProblems, swallowedProblems } from './stack';

/** Depths assumed where neither drawing nor part gives one, in diameters. */
const ASSUMED_D = { through: 2, blind: 1.5 } as const;

const writtenDepth = (f: PlainFeature): number | undefined => (f.extent?.kind === 'depth' ? f.extent.mm : undefined);

/** The narrowest bore of a hole without a thread: what is typed about depth is about it. */
function mainBoreOf(q: HoleQuestion, feature: PlainFeature): { bore: DrawnBore; notes: Phrase[] } {
  const drawn = writtenDepth(feature);
  const typedBlind = feature.extent === undefined && q.depthMm !== undefined && q.depthMm !== q.thicknessMm;
  const through = q.hole ? q.hole === 'through' : drawn === undefined && !typedBlind;
  const fullMm = through
    ? (q.thicknessMm ?? ASSUMED_D.through * feature.diameterMm)
    : (q.depthMm ?? drawn ?? ASSUMED_D.blind * feature.diameterMm);
  const notes: Phrase[] = [];
  if (through && feature.extent === undefined && q.hole === undefined)
    notes.push(phrase('No depth given: assumed through.'));
  if (through && q.thicknessMm === undefined)
    notes.push(phrase('No thickness given: assumed two diameters, {deep}.', { deep: depth(fullMm) }));
  if (!through && q.depthMm === undefined && drawn === undefined)
    notes.push(phrase('No depth given: assumed one and a half diameters, {deep}.', { deep: depth(fullMm) }));
  return { bore: { role: 'main', feature, fullMm, through }, notes };
}

/** Larger bores of a stack need a depth: without one they would take the whole hole. */
function upperBores(larger: readonly PlainFeature[], main: DrawnBore): { bores: DrawnBore[]; problems: Problem[] } {
  const bores = larger.map((feature): DrawnBore => {
    const fullMm = writtenDepth(feature);
    return { role: 'upper', feature, fullMm: fullMm ?? main.fullMm, through: fullMm === undefined };
  });
  return { bores, problems: swallowedProblems([...bores, main]) };
}

/** Settles a hole without a thread, or says what is impossible. */
export function resolvePlain(q: HoleQuestion, callout: Callout): Result<ResolvedHole> {
  const holes = [...written(callout, 'hole')].sort((a, b) => b.diameterMm - a.diameterMm);
  const narrowest = holes.at(-1);
  if (!narrowest)
    return refuse(
      problem(
        'no-hole',
        'callout',
        'This callout names a counterbore or countersink without its hole.',
        'Add the hole: ø9 THRU CBORE ø15 x 8.6.',
      ),
    );
  const { bore: main, notes } = mainBoreOf(q, narrowest);
  const { bores, problems } = upperBores(holes.slice(0, -1), main);
  const all = [...bores, main];
  const wrong = [...partsProblems(q), ...problems, ...fitProblems(all)];
  if (wrong.length > 0) return refuse(...wrong);
  return ok({
    callout,
    bores: all,
    through: main.through,
    thicknessMm: q.thicknessMm,
    existing: q.existing,
    notes,
  });
}
