import { ok, problem, refuse, type Phrase, type Problem, type Result } from '../answer/answer';
import { expectedTime, type Learned } from '../answer/estimate';
import type { Machine } from '../cutting/machine';
import { refusals, type HolePlan } from '../hole/hole-plan';
import { expandPlaces } from '../layout/place';
import type { FaceId } from '../layout/part';
import { settingOf, type JobHead, type Planner } from '../job/plan-in-job';
import { KINDS, kindsThat } from '../operation/kinds';
import { MAIN_KEY, type Operation } from '../operation/operation';
import { TRIAL_KEY } from '../operation/tap-steps';
import { withdrawals } from '../operation/withdrawals';
import type { Shop } from '../shop/shop';
import { lastTurn } from '../tapping/turning';
import { readCallout } from '../threads/read-callout';
import { contradictions, cutItem, cutsBefore } from './cuts-between';
import { likeHoles } from './first-through';
import { holdingOf } from './holding';
import { clampLevels } from './machine-times';
import type { DecidedOrder, FeatureOrder, RoutedFeature, SetUp, WorkItem } from './work-item';

const BENCH_AFTER: readonly WorkItem['code'][] = kindsThat((kind) => kind.where === 'after');

/** What clamping takes on a machine over the usual, where it was timed. */
function clampingOf(machine: Machine, learned: Learned | undefined): Pick<SetUp, 'clampShare'> {
  const { mean, n } = expectedTime(() => clampLevels(machine), learned);
  return n > 0 ? { clampShare: mean } : {};
}

/** Where an operation is done: laid out at the bench before, checked there after, everything else on the machine. */
function setUpKey(op: Operation, machine: Machine | undefined, face: FaceId): string {
  if (BENCH_AFTER.includes(op.code)) return 'bench|after';
  const marksOut = op.code === 'lay-out' && machine?.kind !== 'mill' && machine?.kind !== 'lathe';
  if (marksOut || !machine) return op.code === 'lay-out' ? 'bench|before' : `bench|${face}`;
  return `${machine.id}|${face}`;
}

interface Lean {
  tiltDeg: number;
  towardsDeg: number;
}

/** How an angled hole leans; undefined for a square one. */
function leanOf(feature: RoutedFeature, { part }: JobHead): Lean | undefined {
  const { tiltDeg, towardsDeg = 0 } = settingOf(part, feature);
  return tiltDeg === undefined ? undefined : { tiltDeg, towardsDeg };
}

const leanKey = ({ tiltDeg, towardsDeg }: Lean): string => `tilted ${tiltDeg.toFixed(1)} to ${towardsDeg.toFixed(0)}`;

/** The tilting of a set-up, once it is begun. */
const tiltOf = (setUp: SetUp | undefined): WorkItem | undefined => setUp?.items.find((i) => i.opKey === 'tilt');

/** What an operation is done with, and whether the crib has it. */
export function toolOf(op: Operation): { tool: string; inCrib: boolean } {
  if (op.cut) return { tool: op.cut.spec.tool.name, inCrib: op.cut.spec.tool.owned };
  if (op.tap) {
    const { tap, thread } = op.tap;
    return {
      tool: `${thread.designation} ${tap.name} ${tap.chamferThreads}`,
      inCrib: 'owned' in tap ? tap.owned === true : true,
    };
  }
  if (op.tool) return { tool: op.tool.name, inCrib: op.tool.owned };
  return { tool: KINDS[op.code].handTool ?? op.purpose ?? op.key, inCrib: true };
}
/** Whether a hole of this plan is cut with fluid: by what is asked, and by a metal that is best cut dry. */
const isWet = ({ dry, material }: HolePlan): boolean => !dry && !material.runsDry;

/** How many of the shop’s own holes stand behind the size that a tap drill leaves. */
function ownHolesOf({ key }: Operation, { thread }: HolePlan): Pick<WorkItem, 'ownHoles'> {
  const n = key === MAIN_KEY ? (thread?.tapDrill.hole.n ?? 0) : 0;
  return n > 0 ? { ownHoles: n } : {};
}

/** Where a drill is drawn out to clear its chips. */
function outsOf({ cut }: Operation): Pick<WorkItem, 'outs'> {
  const outs = cut && withdrawals(cut);
  return outs ? { outs } : {};
}

/** Turns of a tap: the last that it can take. */
function turnsOf({ tap }: Operation, { thread }: HolePlan): Pick<WorkItem, 'turns'> {
  const use = tap && thread?.tapping.best.each[tap.place - 1];
  return use ? { turns: lastTurn(use, thread.thread) } : {};
}

/** The speed that an operation is set to, of a drill or of a tap that a spindle turns. */
function speedOf({ cut, tap }: Operation): Pick<WorkItem, 'rpm' | 'speedLabel'> {
  if (cut?.speed.ok) return { rpm: cut.speed.value.rpm, speedLabel: cut.speed.value.label };
  return tap?.drive ? { rpm: tap.drive.rpm, speedLabel: tap.drive.label } : {};
}

/** What would spoil part, tool or person: of an operation, and with the first one of the whole hole. */
const warnings = (plan: HolePlan, op: Operation): Phrase[] =>
  [...(op === plan.operations[0] ? plan.cautions : []), ...op.cautions]
    .filter((c) => c.level !== 'note')
    .map(({ text, values }) => (values ? { text, values } : { text }));

/** Thread of an outside thread or a tapped hole, which sets its standard. */
const threadName = (plan: HolePlan): string | undefined =>
  plan.outside?.thread.designation ?? plan.thread?.thread.designation;

interface Planned {
  feature: RoutedFeature;
  plan: HolePlan;
}

function plansOf(features: readonly RoutedFeature[], job: JobHead, planner: Planner): Result<Planned[]> {
  const problems: Problem[] = [];
  const planned: Planned[] = [];
  for (const feature of features) {
    const plan = planner.plan(feature, job);
    // A drill that this machine cannot turn stands in a plan and makes no hole: it is not issued.
    const [why] = plan.ok ? refusals(plan.value) : plan.problems;
    if (plan.ok && !why) planned.push({ feature, plan: plan.value });
    else
      problems.push(
        problem(
          'route-feature',
          feature.id,
          `{letter}, {callout}, can’t be made as planned. ${why?.text ?? ''}`,
          'Open Holes and settle it first.',
          { ...why?.values, letter: feature.letter, callout: feature.question.callout },
        ),
      );
  }
  if (features.length === 0)
    problems.push(
      problem('route-empty', 'holes', 'This job has no holes yet.', 'Add them on the plate or in the job.'),
    );
  return problems.length > 0 ? refuse(...problems) : ok(planned);
}

/** Whether following these orders from a feature leads back to it. */
function isCircular(orders: readonly FeatureOrder[], from: string, to: string, seen = new Set<string>()): boolean {
  if (from === to) return true;
  if (seen.has(from)) return false;
  seen.add(from);
  return orders.filter((o) => o.first === from).some((o) => isCircular(orders, o.then, to, seen));
}

const circular = (orders: readonly FeatureOrder[], features: readonly RoutedFeature[]): Problem[] =>
  orders
    .filter((o) => isCircular(orders, o.then, o.first))
    .slice(0, 1)
    .map(({ first, then }) =>
      problem(
        'route-cycle',
        'after',
        '{first} is to come before {then}, and {then} before {first}.',
        'Leave one of the two out.',
        {
          first: features.find((f) => f.id === first)?.letter ?? '',
          then: features.find((f) => f.id === then)?.letter ?? '',
        },
      ),
    );

/** Set-ups so that what one needs of another comes first; as they were where that leaves a choice. */
function inTurn(setUps: readonly SetUp[]): SetUp[] {
  const home = new Map(setUps.flatMap((s) => s.items.map((i) => [i.id, s.key] as const)));
  const left = [...setUps];
  const done = new Set<string>();
  const order: SetUp[] = [];
  while (left.length > 0) {
    const ready = left.findIndex((s) =>
      s.items.every((i) => i.after.every((id) => home.get(id) === s.key || done.has(home.get(id) ?? ''))),
    );
    // Two set-ups that each wait for the other stay as they are; their items say what comes first.
    const [next] = left.splice(Math.max(0, ready), 1);
    done.add(next.key);
    order.push(next);
  }
  return order;
}

/**
 * Every operation of every hole of one part of a job, in its set-ups, in the order in which each first comes.
 * @returns the set-ups, or the features that cannot be made
 */
export function workOfJob(
  features: readonly RoutedFeature[],
  job: JobHead,
  shop: Pick<Shop, 'machines' | 'learned'>,
  planner: Planner,
  { after: orders = [], cuts = [] }: DecidedOrder = {},
): Result<SetUp[]> {
  const planned = plansOf(features, job, planner);
  if (!planned.ok) return planned;
  const known = orders.filter((o) => [o.first, o.then].every((id) => features.some((f) => f.id === id)));
  const wrong = [...circular(known, features), ...contradictions(cuts, features)];
  if (wrong.length > 0) return refuse(...wrong);
  const { points } = expandPlaces(features.filter((f) => f.place));
  const setUps = new Map<string, SetUp>();
  /** Largest pull of a drill that grabs, by set-up, N. */
  const grabs = new Map<string, number>();
  const items: WorkItem[] = [];
  /** Last tap of each tapped thread: an outside thread is fitted to it. */
  const tapped = new Map<string, number>();
  /** Set-ups with the threads that were tried in air there. */
  const trials = new Set<string>();
  const byKind = [...planned.value].sort((a, b) => Number(Boolean(a.plan.outside)) - Number(Boolean(b.plan.outside)));
  for (const { feature, plan } of byKind) {
    const machine = shop.machines.find((m) => m.id === feature.question.machine);
    const lean = leanOf(feature, job);
    const read = readCallout(feature.question.callout);
    const count = points.get(feature.id)?.length ?? (read.ok ? read.value.count : 1);
    for (let hole = 1; hole <= count; hole++) {
      const at = points.get(feature.id)?.[hole - 1] ?? { x: 0, y: 0 };
      let before: number | undefined;
      const lastTap = plan.operations.findLastIndex((o) => o.tap);
      for (const [n, op] of plan.operations.entries()) {
        const waits = cutsBefore(cuts, feature.id, lastTap >= 0 && n >= lastTap);
        const afterCuts = BENCH_AFTER.includes(op.code) || op.code === 'lay-out' ? [] : waits.map((c) => c.id);
        const place = setUpKey(op, machine, feature.face);
        // A part that is tilted is clamped anew: nothing square is drilled in it.
        const leans = lean && !place.startsWith('bench|');
        const key = [place, ...(leans ? [leanKey(lean)] : []), ...afterCuts].join('|');
        // Turned and tilted once for all holes that lean alike.
        if (leans && op.key === 'tilt' && tiltOf(setUps.get(key))) continue;
        // One trial before the first hole that is tapped so.
        if (op.key === TRIAL_KEY && trials.has(`${key}|${threadName(plan)}`)) continue;
        if (op.key === TRIAL_KEY) trials.add(`${key}|${threadName(plan)}`);
        const fits = op.key === 'die-close' ? tapped.get(threadName(plan) ?? '') : undefined;
        const item: WorkItem = {
          id: items.length,
          featureId: feature.id,
          letter: feature.letter,
          hole,
          opKey: op.key,
          code: op.code,
          order: op.order,
          ...toolOf(op),
          ...speedOf(op),
          ...(op.cut ? (op.cut.spec.through ? { stopOff: true } : { stopMm: op.cut.stopMm }) : {}),
          ...outsOf(op),
          ...ownHolesOf(op, plan),
          ...((op.cut || op.tap) && isWet(plan) ? { wet: true } : {}),
          ...(op.tap && 'key' in op.tap.tap ? { tapKey: String(op.tap.tap.key) } : {}),
          ...turnsOf(op, plan),
          ...(hole === 1 && warnings(plan, op).length > 0 ? { cautions: warnings(plan, op) } : {}),
          seconds: op.time.value,
          ...at,
          after: [before, fits, leans ? tiltOf(setUps.get(key))?.id : undefined].filter(
            (i): i is number => i !== undefined,
          ),
          ...(afterCuts.length > 0 ? { afterCuts } : {}),
        };
        items.push(item);
        before = item.id;
        if (op.tap) tapped.set(op.tap.thread.designation, item.id);
        const setUp = setUps.get(key) ?? {
          key,
          ...(key.startsWith('bench|') || !machine
            ? {}
            : { machine, face: feature.face, ...clampingOf(machine, shop.learned) }),
          ...(leans ? { tiltDeg: lean.tiltDeg } : {}),
          ...(afterCuts.length > 0 ? { afterCut: waits.map((c) => c.name).join(', ') } : {}),
          items: [],
        };
        setUp.items.push(item);
        if (setUp.machine) grabs.set(key, Math.max(grabs.get(key) ?? 0, op.cut?.grab?.force.value ?? 0));
        setUps.set(key, setUp);
      }
    }
  }
  for (const cut of cuts) {
    const item = cutItem(cut, items.length, items);
    for (const other of items) if (other.afterCuts?.includes(cut.id)) other.after.push(item.id);
    items.push(item);
    setUps.set(`bench|${cut.id}`, { key: `bench|${cut.id}`, items: [item] });
  }
  for (const { first, then } of known) {
    const last = new Map<number, number>();
    for (const i of items) if (i.featureId === first && !BENCH_AFTER.includes(i.code)) last.set(i.hole, i.id);
    for (const item of items)
      if (item.featureId === then && item.code !== 'lay-out' && !item.after.some((id) => items[id].code !== 'lay-out'))
        item.after.push(...last.values());
  }
  // Square holes first: a part that was tilted has to be set square again.
  const place = ({ key, tiltDeg }: SetUp): number =>
    key === 'bench|before' ? -1 : key === 'bench|after' ? 1 : tiltDeg === undefined ? 0 : 0.5;
  const likes = likeHoles(features);
  return ok(
    inTurn([...setUps.values()].sort((a, b) => place(a) - place(b))).map((s) =>
      s.machine && s.face
        ? {
            ...s,
            likes,
            holding: holdingOf(s.machine, job.part, s.face, grabs.get(s.key) ?? 0, s.tiltDeg !== undefined),
          }
        : s,
    ),
  );
}
