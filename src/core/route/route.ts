import { inWantedOrder } from '../units/in-wanted-order';
import { ok, phrase, problem, refuse, type Phrase, type Problem, type Result } from '../answer/answer';
import type { FaceId } from '../layout/part';
import type { ShopHabits } from '../shop/habits';
import { firstThrough, type FirstHole, type FirstThrough } from './first-through';
import { timesIn, type MachineTimes } from './machine-times';
import { between, boundOf, respects, sequencesOf, type Sequence, type Strategy } from './sequence';
import { holeName, type DecidedOrder, type SetUp, type WorkItem } from './work-item';

/** One tool over some holes without a change. */
export interface Visit {
  /** Stays the same from plan to plan as long as the visit does. */
  key: string;
  tool: string;
  inCrib: boolean;
  rpm?: number;
  speedLabel?: string;
  /** In the order of the way. */
  items: WorkItem[];
  /** To put the tool in and set the speed, s. */
  changeS: number;
  /** Cutting and ways, for one part, s. */
  workS: number;
  pinned: boolean;
}

/** All of one part before the next, or one operation over all parts. */
export type BatchMode = 'part' | 'operation';

export interface RouteSetUp {
  key: string;
  machine?: { id: string; name: string };
  face?: FaceId;
  /** The part is tilted for its holes, degrees. */
  tiltDeg?: number;
  /** How the part is held. */
  holding?: Phrase;
  /** Cuts in between that come first, as they are called. */
  afterCut?: string;
  /** One hole of each group of like ones goes through to the gauge, on the first part; the set-up after it makes the rest. */
  isFirst?: true;
  /** Parts that it makes, where that is not the whole batch: the first alone, or those after it. */
  parts?: number;
  /** Groups of like holes of this set-up: which hole goes first, or that none does. */
  firsts?: FirstHole[];
  strategy: Strategy;
  mode: BatchMode;
  visits: Visit[];
  /** Of one clamping of one part, s. */
  clampS: number;
  /** All parts, s. */
  seconds: number;
  /** No order takes less, all parts, s. */
  boundS: number;
  /** What was weighed, the quickest first: all parts, s. */
  weighed: { strategy: Strategy; mode: BatchMode; seconds: number }[];
  reason: Phrase;
}

export interface Route {
  quantity: number;
  setUps: RouteSetUp[];
  seconds: number;
  boundS: number;
  /** Changes of the user that no longer fit: left out, and said. */
  problems: Problem[];
}

/** What the user has decided; what the plan gains or loses later still finds its place. */
export interface RouteEdits extends DecidedOrder {
  /** Keys of visits in the order wanted, by set-up. */
  order?: Record<string, string[]>;
  pinned?: string[];
  mode?: Record<string, BatchMode>;
  /** Set-ups joined onto the one before: not clamped anew. */
  joined?: string[];
  /** Visits after which the part is unclamped and clamped again. */
  splits?: string[];
  /** Groups of like holes, by their key, of which one goes through first, or none; as the shop does it for those left out. */
  first?: Record<string, boolean>;
}

/** On how many parts of a batch a set-up works. */
export const partsOf = ({ parts }: Pick<RouteSetUp, 'parts'>, quantity: number): number => parts ?? quantity;

/** Whether one set-up may be reached in the clamping of the one before it: never where the part is tilted for either. */
export const mayJoin = (before: Pick<SetUp, 'tiltDeg'>, setUp: Pick<SetUp, 'tiltDeg'>): boolean =>
  before.tiltDeg === undefined && setUp.tiltDeg === undefined;

/** Between two machines, once a batch, s. Our judgement. */
const TO_MACHINE_S = 90;

interface Timed {
  sequence: Sequence;
  mode: BatchMode;
  seconds: number;
}

/** Consecutive items with one tool and one speed. */
function visitsOf(key: string, order: readonly WorkItem[], t: MachineTimes, pinned: readonly string[]): Visit[] {
  const visits: Visit[] = [];
  const times = new Map<string, number>();
  let rpm: number | undefined;
  order.forEach((item, i) => {
    const before = order[i - 1];
    const cost = between(before, item, rpm, t);
    const same = before?.tool === item.tool && (item.rpm === undefined || rpm === undefined || item.rpm === rpm);
    if (same) {
      const visit = visits[visits.length - 1];
      visit.items.push(item);
      visit.workS += cost + item.seconds;
    } else {
      const n = (times.get(item.tool) ?? 0) + 1;
      times.set(item.tool, n);
      const visitKey = `${key}/${item.tool}${n > 1 ? `/${n}` : ''}`;
      visits.push({
        key: visitKey,
        tool: item.tool,
        inCrib: item.inCrib,
        rpm: item.rpm,
        speedLabel: item.speedLabel,
        items: [item],
        changeS: cost,
        workS: item.seconds,
        pinned: pinned.includes(visitKey),
      });
    }
    rpm = item.rpm ?? rpm;
  });
  return visits;
}

/** To set the first speed again for the next part, s. */
function speedBack(visits: readonly Visit[], { speedChangeS }: MachineTimes): number {
  const rpms = visits.flatMap((v) => v.rpm ?? []);
  return rpms.length > 1 && rpms[0] !== rpms[rpms.length - 1] ? speedChangeS : 0;
}

/** How the parts of a set-up are made. */
interface Batch {
  mode: BatchMode;
  quantity: number;
  clampS: number;
  splits: number;
  done: Done;
}

/** What of the first part is made before a set-up begins: so much of its work, s, and whether it is clamped already. */
interface Done {
  workS: number;
  isClamped: boolean;
}
const NOTHING_DONE: Done = { workS: 0, isClamped: false };
const doneS = ({ workS, isClamped }: Done, clampS: number): number => workS + (isClamped ? clampS : 0);

/** All parts of a set-up in one mode, s. */
function batchSeconds(visits: readonly Visit[], t: MachineTimes, batch: Batch): number {
  const { mode, quantity, clampS, splits, done } = batch;
  const change = visits.reduce((sum, v) => sum + v.changeS, 0);
  const work = visits.reduce((sum, v) => sum + v.workS, 0);
  // A part that is finished in one clamping changes tools for each part, unless one tool does it all.
  const changes =
    mode === 'part' && visits.length > 1 ? quantity * change + (quantity - 1) * speedBack(visits, t) : change;
  const clampings = mode === 'part' || quantity === 1 ? 1 + splits : visits.length;
  return changes + quantity * (work + clampings * clampS) - doneS(done, clampS);
}

const ORDER_OF: Record<ShopHabits['order'], Strategy | undefined> = {
  quicker: undefined,
  'hole-by-hole': 'hole-by-hole',
  'tool-by-tool': 'tool-by-tool',
};

const minutes = (seconds: number): string => (seconds / 60).toFixed(seconds < 6000 ? 1 : 0);

function reasonOf(used: Timed, weighed: readonly Timed[], habit: Strategy | undefined, set: boolean): Phrase {
  const other = weighed.find(
    (w) => w.sequence.strategy !== used.sequence.strategy && Math.abs(w.seconds - used.seconds) > 30,
  );
  const values = {
    used: used.sequence.strategy.replaceAll('-', ' '),
    time: minutes(used.seconds),
    other: other?.sequence.strategy.replaceAll('-', ' ') ?? '',
    otherTime: minutes(other?.seconds ?? 0),
  };
  if (set) return phrase('Set by you: {time} min.', values);
  if (habit) return phrase('By the shop’s habit, {used}: {time} min.', values);
  return other
    ? phrase('{used}: {time} min, against {otherTime} min {other}.', values)
    : phrase('{used}: {time} min.', values);
}

function planSetUp(
  setUp: SetUp,
  quantity: number,
  habit: Strategy | undefined,
  edits: RouteEdits,
  extraClampS: number,
  done = NOTHING_DONE,
): { made: RouteSetUp; problems: Problem[] } {
  const t = timesIn(setUp);
  const clampS = t.clampS + extraClampS;
  const secondsIn = (visits: readonly Visit[], mode: BatchMode): number =>
    batchSeconds(visits, t, { mode, quantity, clampS, splits: splits(visits), done });
  const splits = (visits: readonly Visit[]): number =>
    visits.slice(0, -1).filter((v) => edits.splits?.includes(v.key)).length;
  const modes: BatchMode[] = quantity > 1 ? ['part', 'operation'] : ['part'];
  const weighed = sequencesOf(setUp.items, t)
    .flatMap((sequence) =>
      modes.map((mode): Timed => {
        const visits = visitsOf(setUp.key, sequence.order, t, []);
        return { sequence, mode, seconds: secondsIn(visits, mode) };
      }),
    )
    .sort((a, b) => a.seconds - b.seconds);
  const wantedMode = edits.mode?.[setUp.key];
  const allowed = weighed.filter((w) => wantedMode === undefined || w.mode === wantedMode);
  const used = allowed.find((w) => habit === undefined || w.sequence.strategy === habit) ?? allowed[0] ?? weighed[0];
  const pinned = edits.pinned ?? [];
  const proposed = visitsOf(setUp.key, used.sequence.order, t, pinned);
  const wanted = inWantedOrder(proposed, (v) => v.key, edits.order?.[setUp.key]);
  const order = wanted.flatMap((v) => v.items);
  const holds = respects(order);
  const visits = holds ? visitsOf(setUp.key, order, t, pinned) : proposed;
  const seconds = secondsIn(visits, used.mode);
  const bound = boundOf(setUp.items, t);
  return {
    made: {
      key: setUp.key,
      ...(setUp.machine ? { machine: { id: setUp.machine.id, name: setUp.machine.name } } : {}),
      ...(setUp.face ? { face: setUp.face } : {}),
      ...(setUp.holding ? { holding: setUp.holding } : {}),
      ...(setUp.tiltDeg === undefined ? {} : { tiltDeg: setUp.tiltDeg }),
      ...(setUp.afterCut ? { afterCut: setUp.afterCut } : {}),
      strategy: used.sequence.strategy,
      mode: used.mode,
      visits,
      clampS,
      seconds,
      boundS: bound.changesS + quantity * (bound.cutS + bound.movesS + clampS) - doneS(done, clampS),
      weighed: weighed.map(({ sequence, mode, seconds: s }) => ({ strategy: sequence.strategy, mode, seconds: s })),
      reason: reasonOf(used, weighed, habit, edits.order?.[setUp.key] !== undefined && holds),
    },
    problems: holds
      ? []
      : [
          problem(
            'route-order',
            setUp.key,
            'Your order of this set-up no longer works: something would come before what it needs.',
            'The order proposed is used; drag again where you want another.',
          ),
        ],
  };
}

/** What decides how the set-ups of a job are planned. */
interface Run {
  quantity: number;
  habit: Strategy | undefined;
  edits: RouteEdits;
}

/** The changes that a group of like holes costs by going first: the tools that are fetched for it and again for the others. */
function costOf(hole: string, visits: readonly Visit[]): Pick<FirstHole, 'changes' | 'costS'> {
  const own = visits.filter((v) => v.items.every((i) => holeName(i) === hole && i.code !== 'check'));
  return { changes: own.length, costS: own.reduce((sum, v) => sum + v.changeS, 0) };
}
const NO_CHANGES = { changes: 0, costS: 0 } as const;

const secondsOfItems = (items: readonly WorkItem[], which: ReadonlySet<number>): number =>
  items.reduce((sum, i) => sum + (which.has(i.id) ? i.seconds : 0), 0);

/**
 * One clamping: where some of its holes go through first, those as a set-up of their own, then the rest. Nothing is clamped
 * anew between the two.
 */
function planClamping(
  setUp: SetUp,
  first: FirstThrough,
  { quantity, habit, edits }: Run,
  extraClampS: number,
): { made: RouteSetUp[]; problems: Problem[] } {
  const told = (cost: (hole: string) => typeof NO_CHANGES | ReturnType<typeof costOf>): FirstHole[] =>
    first.holes.map((h) => ({ ...h, ...(h.leftOut ? NO_CHANGES : cost(h.hole)) }));
  if (first.items.length === 0) {
    const { made, problems } = planSetUp(setUp, quantity, habit, edits, extraClampS);
    return { made: [first.holes.length > 0 ? { ...made, firsts: told(() => NO_CHANGES) } : made], problems };
  }
  const isDone = new Set(first.items.map((i) => i.id));
  const left = setUp.items.filter((i) => !isDone.has(i.id));
  const rest = planRest();
  const one = planSetUp({ ...setUp, key: `${setUp.key}|first`, items: first.items }, 1, undefined, edits, extraClampS);
  // A first part that is finished by then is a part like the others, made in one go: its changes are no more than theirs.
  const isFree = left.length === 0 && rest?.made.mode !== 'operation';
  const opening: RouteSetUp = {
    ...one.made,
    isFirst: true,
    parts: 1,
    firsts: told((hole) => (isFree ? NO_CHANGES : costOf(hole, one.made.visits))),
  };
  return {
    made: rest ? [opening, rest.made] : [opening],
    problems: [...one.problems, ...(rest?.problems ?? [])],
  };

  /** What is left of the first part, and the other parts whole. */
  function planRest(): ReturnType<typeof planSetUp> | undefined {
    if (quantity === 1) {
      const done = { workS: 0, isClamped: true };
      return left.length === 0 ? undefined : planSetUp({ ...setUp, items: left }, 1, habit, edits, extraClampS, done);
    }
    if (left.length === 0) {
      const others = planSetUp(setUp, quantity - 1, habit, edits, extraClampS);
      return { ...others, made: { ...others.made, parts: quantity - 1 } };
    }
    const done = { workS: secondsOfItems(setUp.items, isDone), isClamped: true };
    return planSetUp(setUp, quantity, habit, edits, extraClampS, done);
  }
}

/** What is done at the bench, less the gauging of the holes that were gauged when they went first. */
function planAtBench(
  setUp: SetUp,
  gauged: ReadonlySet<number>,
  { quantity, habit, edits }: Run,
): { made: RouteSetUp[]; problems: Problem[] } {
  const items = quantity > 1 ? setUp.items : setUp.items.filter((i) => !gauged.has(i.id));
  if (items.length === 0) return { made: [], problems: [] };
  const done = { workS: quantity > 1 ? secondsOfItems(setUp.items, gauged) : 0, isClamped: false };
  const { made, problems } = planSetUp({ ...setUp, items }, quantity, habit, edits, 0, done);
  return { made: [made], problems };
}

/**
 * The set-ups of a job in one run: which tool goes over which holes when, for all parts. Of each group of like holes one
 * goes through to the gauge before the others are drilled, where the shop or the user wants it so.
 * @param setUps from {@link workOfJob}, with at least one item each
 * @param quantity parts, at least 1
 * @param heard told after each set-up how much is done, 0 to 1
 */
export function planRoute(
  setUps: readonly SetUp[],
  quantity: number,
  habits: Pick<ShopHabits, 'order'> & Partial<Pick<ShopHabits, 'firstHole'>>,
  edits: RouteEdits = {},
  heard: (share: number) => void = () => undefined,
): Route {
  const problems: Problem[] = [];
  const run: Run = { quantity, habit: ORDER_OF[habits.order], edits };
  const through = habits.firstHole !== 'all';
  const firsts = setUps.map((s) => firstThrough(s, setUps, s.likes ?? [], quantity, edits.first ?? {}, through));
  const gauged = new Set(firsts.flatMap((f) => f.items.flatMap((i) => (i.code === 'check' ? [i.id] : []))));
  const made = setUps.flatMap((setUp, i) => {
    const before = setUps[i - 1];
    const sameMachine = before?.machine && before.machine.id === setUp.machine?.id;
    const joined = sameMachine && mayJoin(before, setUp) && edits.joined?.includes(setUp.key);
    const t = timesIn(setUp);
    const extra = joined ? -t.clampS : sameMachine ? t.turnOverS : 0;
    const planned = setUp.machine ? planClamping(setUp, firsts[i], run, extra) : planAtBench(setUp, gauged, run);
    problems.push(...planned.problems);
    heard((i + 1) / setUps.length);
    return planned.made;
  });
  const machines = made.filter((s, i) => i > 0 && s.machine && s.machine.id !== made[i - 1].machine?.id).length;
  const carried = machines * TO_MACHINE_S;
  return {
    quantity,
    setUps: made,
    seconds: made.reduce((sum, s) => sum + s.seconds, 0) + carried,
    boundS: made.reduce((sum, s) => sum + s.boundS, 0) + carried,
    problems,
  };
}

/**
 * The order of a set-up with one visit moved to another place.
 * @returns the keys in the new order, or which visit has to come first
 */
export function moveVisit(setUp: RouteSetUp, key: string, to: number): Result<string[]> {
  const from = setUp.visits.findIndex((v) => v.key === key);
  const moved = setUp.visits[from];
  const rest = setUp.visits.filter((v) => v.key !== key);
  const next = [...rest.slice(0, to), moved, ...rest.slice(to)];
  if (respects(next.flatMap((v) => v.items))) return ok(next.map((v) => v.key));
  const place = new Map(next.flatMap((v, i) => v.items.map((item): [number, number] => [item.id, i])));
  for (const visit of next)
    for (const item of visit.items)
      for (const id of item.after)
        if ((place.get(id) ?? -1) > (place.get(item.id) ?? 0)) {
          const needs = next[place.get(id) ?? 0];
          return refuse(
            problem(
              'route-precedence',
              key,
              '{first} comes before {then}: hole {hole} needs it first.',
              'Drop it after that.',
              { first: needs.tool, then: visit.tool, hole: holeName(item) },
            ),
          );
        }
  return refuse(problem('route-precedence', key, 'That order can’t be.', 'Drop it elsewhere.'));
}
