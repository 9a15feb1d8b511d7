import { kindsThat } from '../operation/kinds';
import { phrase, problem, type Problem } from '../answer/answer';
import type { CutBetween, RoutedFeature, WorkItem } from './work-item';

/** What is done at the bench once everything is made, after every cut. */
const BENCH_AFTER: readonly WorkItem['code'][] = kindsThat((kind) => kind.where === 'after');

/** Which cuts an operation waits for. */
export function cutsBefore(cuts: readonly CutBetween[], featureId: string, fromLastTap: boolean): CutBetween[] {
  return cuts.filter((c) => c.then?.includes(featureId) || (fromLastTap && c.finish?.includes(featureId)));
}

/** The cut as an item of its own: after what is finished before it. */
export function cutItem(cut: CutBetween, id: number, items: readonly WorkItem[]): WorkItem {
  const touched = [...(cut.first ?? []), ...(cut.finish ?? [])];
  const done = items.filter(
    (i) => touched.includes(i.featureId) && !i.afterCuts?.includes(cut.id) && !BENCH_AFTER.includes(i.code),
  );
  return {
    id,
    featureId: '',
    letter: '',
    hole: 0,
    opKey: `cut-${cut.id}`,
    code: 'cut-between',
    order: phrase('{name}.', { name: cut.name }),
    tool: cut.name,
    inCrib: true,
    seconds: 60 * cut.minutes,
    x: 0,
    y: 0,
    after: done.map((i) => i.id),
  };
}

/** Cuts that name one feature as both before and after. */
export function contradictions(cuts: readonly CutBetween[], features: readonly RoutedFeature[]): Problem[] {
  return cuts.flatMap((cut) => {
    const places = [cut.first ?? [], cut.finish ?? [], cut.then ?? []];
    const twice = features.find((f) => places.filter((ids) => ids.includes(f.id)).length > 1);
    return twice
      ? [
          problem('route-cut', 'cuts', '{letter} is both before and after “{cut}”.', 'Leave it in one place only.', {
            letter: twice.letter,
            cut: cut.name,
          }),
        ]
      : [];
  });
}
