import { phrase, type Phrase } from '../answer/answer';
import { drillName } from '../drills/drill';
import type { AskForm } from '../hole/form';
import { allCautions, refusals, type HolePlan } from '../hole/hole-plan';
import { settingOf, type JobHead, type Planner } from '../job/plan-in-job';
import { planRoute, type Route, type RouteEdits } from '../route/route';
import type { RoutedFeature } from '../route/work-item';
import { workOfJob } from '../route/work-of-job';
import type { Shop } from '../shop/shop';
import { START_SHORT } from '../drills/expected-hole';
import { holeModels, type HoleModel } from './hole-model';

/** A change of a job, as the person would make it. */
export type JobChange =
  | { kind: 'question'; featureId: string; set: Partial<AskForm> }
  | { kind: 'first'; key: string; first: boolean }
  | { kind: 'spare'; blanks: number };

/** Something that could be done otherwise, planned anew. */
export interface Alternative {
  id: string;
  letter: string;
  says: Phrase;
  change: JobChange;
  models: HoleModel[];
  /** What it takes longer in the whole job, s; below zero it is quicker. */
  costS: number;
}

/** Features that go through to the gauge first in a route. */
const firstsOf = ({ setUps }: Pick<Route, 'setUps'>) =>
  setUps.flatMap((s) => (s.firsts ?? []).map(({ key, leftOut, costS }) => ({ key, leftOut, costS })));

/** The kinds of hole of a planned route, and what it takes beside the work at them, s. */
export function modelsOfRoute(
  route: Pick<Route, 'setUps' | 'seconds'>,
  features: readonly RoutedFeature[],
  job: JobHead,
  planner: Planner,
  shop: Shop,
): { models: HoleModel[]; besideS: number } {
  const first = new Set(firstsOf(route).flatMap((f) => (f.leftOut ? [] : [f.key])));
  const models = holeModels(features, job, planner, shop, (id) => first.has(id));
  return { models, besideS: Math.max(0, route.seconds - job.quantity * atHoles(models)) };
}

const atHoles = (models: readonly HoleModel[]): number =>
  models.reduce((sum, m) => sum + m.seconds * m.points.length, 0);

const warnings = (plan: HolePlan): number => allCautions(plan).filter((c) => c.level !== 'note').length;

/** Other ways of asking for a feature, said. */
function otherQuestions(feature: RoutedFeature, plan: HolePlan, job: JobHead, shop: Shop) {
  const { letter } = feature;
  const found: { id: string; says: Phrase; set: Partial<AskForm> }[] = [];
  const { thread, machine } = plan;
  for (const [id, next] of [
    ['drill-down', thread?.tapDrill.nextSmaller],
    ['drill-up', thread?.tapDrill.nextLarger],
  ] as const) {
    if (!next?.owned) continue;
    const drill = drillName(next.drill);
    const text =
      id === 'drill-down' ? 'Drill {letter} {drill}, the next smaller.' : 'Drill {letter} {drill}, the next larger.';
    found.push({ id, says: phrase(text, { letter, drill }), set: { drill } });
  }
  if (machine?.kind === 'drill-press' && plan.start === 'punch')
    found.push({
      id: 'centre-drill',
      says: phrase('Start {letter} with a {start}.', { letter, start: START_SHORT['centre-drill'] }),
      set: { start: 'centre-drill' },
    });
  const isOffAxis = (settingOf(job.part, feature).offAxisMm ?? 0) > 0;
  for (const other of shop.machines)
    if (other.kind === 'mill' && machine?.kind !== 'mill' && (machine?.kind !== 'lathe' || isOffAxis))
      found.push({
        id: `on ${other.id}`,
        says: phrase('Make {letter} on the {machine}, placed by its readout.', { letter, machine: other.name }),
        set: { machine: other.id, start: 'auto', way: 'auto' },
      });
  if (!thread) return found;
  const { best, ways } = thread.tapping;
  const can = ways.filter((w) => !w.ruledOut && w !== best);
  const guided = can.filter((w) => w.sequenceKey === best.sequenceKey && w.leanDeg < 0.6 * best.leanDeg);
  const steadier = guided.sort((a, b) => a.secondsAll - b.secondsAll)[0];
  if (steadier)
    found.push({
      id: `way ${steadier.id}`,
      says: phrase('Tap {letter} another way: {way}.', { letter, way: steadier.label.toLowerCase() }),
      set: { way: steadier.id },
    });
  const safety = (w: (typeof ways)[number]): number => w.worst?.load?.safety ?? 0;
  const stronger = can
    .filter((w) => w.sequenceKey !== best.sequenceKey && w.taps.every((t) => t.owned) && safety(w) > 1.1 * safety(best))
    .sort((a, b) => safety(b) - safety(a))[0];
  if (stronger)
    found.push({
      id: `taps ${stronger.sequenceKey}`,
      says: phrase('Tap {letter} with {taps}.', { letter, taps: stronger.taps.map((t) => t.name).join(', then ') }),
      set: { taps: stronger.taps.map((t) => t.key).join(','), way: stronger.id },
    });
  if (thread.other?.kind === 'form' && thread.kind === 'cut')
    found.push({
      id: 'form',
      says: phrase('Form the thread of {letter}.', { letter }),
      set: { tap: 'form', drill: '' },
    });
  return found;
}

/** Of jobs with more features than this no route is planned for each alternative: only the work at the holes is compared. */
const MOST_ROUTED = 40;

/** A job as it is planned. */
export interface PlannedJob {
  route: Pick<Route, 'setUps' | 'seconds'>;
  features: readonly RoutedFeature[];
  job: JobHead;
  shop: Shop;
  edits: RouteEdits;
}

/**
 * What could be done otherwise with some features of a job, each planned anew. Only what can be made with no more warnings
 * than now.
 * @param letters of the features that are worth changing
 */
export function alternatives(
  { route, features, job, shop, edits }: PlannedJob,
  planner: Planner,
  letters: readonly string[],
): Alternative[] {
  const { models } = modelsOfRoute(route, features, job, planner, shop);
  const now = atHoles(models);
  const firsts = firstsOf(route);
  const first = new Set(firsts.flatMap((f) => (f.leftOut ? [] : [f.key])));
  const found: Alternative[] = [];
  const longer = (others: readonly RoutedFeature[], changed: readonly HoleModel[]): number => {
    const work = features.length > MOST_ROUTED ? undefined : workOfJob(others, job, shop, planner, edits);
    return work?.ok
      ? planRoute(work.value, job.quantity, shop.habits, edits).seconds - route.seconds
      : job.quantity * (atHoles(changed) - now);
  };
  for (const { key, leftOut, costS } of firsts) {
    const feature = features.find((f) => f.id === key);
    if (!leftOut || !feature || !letters.includes(feature.letter)) continue;
    found.push({
      id: `first ${key}`,
      letter: feature.letter,
      says: phrase('Send one hole of {letter} through to its gauge first.', { letter: feature.letter }),
      change: { kind: 'first', key, first: true },
      models: models.map((m) => (m.featureId === key ? { ...m, isFirstThrough: true } : m)),
      costS,
    });
  }
  for (const feature of features) {
    if (!letters.includes(feature.letter)) continue;
    const plan = planner.plan(feature, job);
    if (!plan.ok) continue;
    for (const { id, says, set } of otherQuestions(feature, plan.value, job, shop)) {
      const changed = { ...feature, question: { ...feature.question, ...set } };
      const then = planner.plan(changed, job);
      if (!then.ok || refusals(then.value).length > 0 || warnings(then.value) > warnings(plan.value)) continue;
      const others = features.map((f) => (f === feature ? changed : f));
      const changedModels = holeModels(others, job, planner, shop, (f) => first.has(f));
      found.push({
        id: `${id} ${feature.letter}`,
        letter: feature.letter,
        says,
        change: { kind: 'question', featureId: feature.id, set },
        models: changedModels,
        costS: longer(others, changedModels),
      });
    }
  }
  return found;
}
