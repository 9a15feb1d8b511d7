import { FACES, type FaceId } from '../layout/part';
import { serves, sheetLists, type SheetList } from '../layout/sheet-lists';
import type { LaidFace } from '../layout/lay-out';
import type { RunStep } from '../route/run-steps';
import type { BenchStep } from './bench-step';

/** The faces of a part as they are laid out. */
export type FacesLaid = (face: FaceId) => LaidFace;

export interface Laying {
  laid: FacesLaid;
  faceOf: (featureId: string) => FaceId | undefined;
  letters: ReadonlyMap<string, string>;
}

/** Lines of one face of one part, the ones of a side after each other, in the order of the height gauge. */
function linesOf(lists: readonly SheetList[], face: FaceId, first: RunStep, letters: Laying['letters']): BenchStep[] {
  return lists.flatMap(({ title, axis, lines }) =>
    lines.map((line, n): BenchStep => ({
      key: `scribe/${line.key}/${first.part}`,
      kind: 'work',
      setUp: first.setUp,
      part: first.part,
      newTool: false,
      newSpeed: false,
      line: {
        face,
        axis,
        mm: line.mm,
        onFaceMm: line.onFaceMm,
        from: title,
        isFirst: n === 0,
        serves: serves(line, letters),
        tick: line.key,
      },
    })),
  );
}

/**
 * Steps with the lines to scribe before the first crossing of a part is punched: face by face, all of one side and then the
 * other, as the sheet of heights lists them. Holes without a place, and those that a machine finds by its scales, have none.
 */
export function withLines(steps: readonly RunStep[], { laid, faceOf, letters }: Laying): readonly BenchStep[] {
  const isLaid = ({ item }: RunStep): boolean => item?.code === 'lay-out' && faceOf(item.featureId) !== undefined;
  const byPart = new Map<string, RunStep[]>();
  for (const step of steps) {
    if (!isLaid(step)) continue;
    const key = `${step.setUp}/${step.part}`;
    byPart.set(key, [...(byPart.get(key) ?? []), step]);
  }
  if (byPart.size === 0) return steps;
  const lists = new Map<string, SheetList[]>();
  return steps.flatMap((step): BenchStep[] => {
    if (!isLaid(step)) return [step];
    const own = byPart.get(`${step.setUp}/${step.part}`) ?? [];
    const punched: BenchStep = { ...step, isScribed: true };
    if (own[0] !== step) return [punched];
    const features = new Set(own.flatMap(({ item }) => (item ? [item.featureId] : [])));
    const key = [...features].join(' ');
    const before = FACES.flatMap((face) => {
      if (![...features].some((id) => faceOf(id) === face)) return [];
      const found = lists.get(`${face} ${key}`) ?? sheetLists(holesOf(laid(face), features));
      lists.set(`${face} ${key}`, found);
      return linesOf(found, face, step, letters);
    });
    return [...before, punched];
  });
}

/** Steps without the lines of parts whose crossings are punched already: nobody scribes them any more. */
export function withoutOldLines(
  steps: readonly BenchStep[],
  isSettled: (step: BenchStep) => boolean,
): readonly BenchStep[] {
  const punched = new Set(steps.filter((s) => s.isScribed && isSettled(s)).map((s) => s.part));
  return punched.size === 0 ? steps : steps.filter((s) => !s.line || !punched.has(s.part) || isSettled(s));
}

const holesOf = (face: LaidFace, features: ReadonlySet<string>): LaidFace => ({
  ...face,
  holes: face.holes.filter((h) => features.has(h.featureId)),
});
