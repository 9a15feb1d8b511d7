import { kindsThat } from '../operation/kinds';
import { shortPath, shortestTree } from './short-path';
import type { MachineTimes } from './machine-times';
import type { WorkItem } from './work-item';

export const STRATEGIES = ['hole-by-hole', 'tool-by-tool', 'mixed'] as const;
export type Strategy = (typeof STRATEGIES)[number];

/** An order of the items of one set-up, for one part. */
export interface Sequence {
  strategy: Strategy;
  order: WorkItem[];
}

const far = (a: WorkItem, b: WorkItem): number => Math.hypot(a.x - b.x, a.y - b.y);

/** To pick up a gauge, s. Our judgement. */
const GAUGE_S = 5;

/** What it takes to come from one item to the next: tool, speed, way, s. */
export function between(
  before: WorkItem | undefined,
  item: WorkItem,
  rpm: number | undefined,
  t: MachineTimes,
): number {
  if (!before) return t.toolChangeS;
  // A gauge is picked up beside the machine.
  const change = before.tool === item.tool ? 0 : item.code === 'check' ? GAUGE_S : t.toolChangeS;
  const speed = item.rpm !== undefined && rpm !== undefined && item.rpm !== rpm ? t.speedChangeS : 0;
  const mm = far(before, item);
  return (
    change +
    speed +
    (mm > 1e-9 || before.featureId !== item.featureId || before.hole !== item.hole ? t.moveS + t.perMmS * mm : 0)
  );
}

/** One part through an order, s, without its clamping. */
export function secondsOf(order: readonly WorkItem[], t: MachineTimes): number {
  let sum = 0;
  let rpm: number | undefined;
  order.forEach((item, i) => {
    sum += between(order[i - 1], item, rpm, t) + item.seconds;
    rpm = item.rpm ?? rpm;
  });
  return sum;
}

/** Whether every item comes after what it needs; what is done in other set-ups does not count. */
export function respects(order: readonly WorkItem[]): boolean {
  const place = new Map(order.map((item, i) => [item.id, i]));
  return order.every((item, i) => item.after.every((id) => (place.get(id) ?? -1) < i));
}

/** Ways over many holes are worked out once for all tools that go over the same ones. */
const REMEMBERED_FROM = 120;
type Ways = Map<string, WorkItem[]>;

/** Items in the order of a short way from where the spindle is. */
function placed(items: readonly WorkItem[], from: WorkItem | undefined, ways: Ways): WorkItem[] {
  if (items.length < REMEMBERED_FROM) return shortPath(items, from).map((i) => items[i]);
  const spot = (i: WorkItem): string => `${i.featureId} ${i.hole}`;
  const byHole = [...items].sort((a, b) => (spot(a) < spot(b) ? -1 : 1));
  const key = byHole.map(spot).join();
  const known = ways.get(key);
  if (!known) {
    const way = shortPath(items, from).map((i) => items[i]);
    ways.set(key, way);
    return way;
  }
  const own = new Map(items.map((i) => [spot(i), i]));
  const way = known.flatMap((i) => own.get(spot(i)) ?? []);
  return from && far(from, way[way.length - 1]) < far(from, way[0]) ? way.reverse() : way;
}

/** Tool and speed: items with the same need no change at all. */
const settingOf = ({ tool, rpm }: WorkItem): string => `${tool}\n${rpm ?? ''}`;

/**
 * All available items of a setting before the next; first the settings that are then done for good, the same tool at
 * another speed before the same speed with another tool.
 */
function toolByTool(items: readonly WorkItem[], ways: Ways, from?: WorkItem): WorkItem[] {
  const inside = new Set(items.map((i) => i.id));
  const waits = new Map(items.map((i) => [i.id, i.after.filter((id) => inside.has(id)).length]));
  const followers = new Map<number, WorkItem[]>();
  for (const item of items)
    for (const id of item.after) {
      if (!inside.has(id)) continue;
      const list = followers.get(id);
      if (list) list.push(item);
      else followers.set(id, [item]);
    }
  const left = new Map<string, number>();
  const open = new Map<string, WorkItem[]>();
  const push = (item: WorkItem): void => {
    const list = open.get(settingOf(item));
    if (list) list.push(item);
    else open.set(settingOf(item), [item]);
  };
  for (const item of items) {
    left.set(settingOf(item), (left.get(settingOf(item)) ?? 0) + 1);
    if (waits.get(item.id) === 0) push(item);
  }
  const order: WorkItem[] = [];
  while (order.length < items.length) {
    const last = order[order.length - 1];
    const ready = [...open].filter(([, list]) => list.length > 0);
    const whole = ready.filter(([setting, list]) => list.length === left.get(setting));
    const away = ([, [first]]: [string, WorkItem[]]): number =>
      last === undefined ? 2 : first.tool === last.tool ? 0 : first.rpm === last.rpm ? 1 : 2;
    const [next] = (whole.length > 0 ? whole : ready).sort(
      (a, b) => away(a) - away(b) || (whole.length > 0 ? 0 : b[1].length - a[1].length) || a[1][0].id - b[1][0].id,
    );
    if (!next) break;
    const [setting, list] = next;
    const now = placed(list, last ?? from, ways);
    open.set(setting, []);
    left.set(setting, (left.get(setting) ?? 0) - now.length);
    for (const item of now) {
      order.push(item);
      for (const following of followers.get(item.id) ?? []) {
        const still = (waits.get(following.id) ?? 1) - 1;
        waits.set(following.id, still);
        if (still === 0) push(following);
      }
    }
  }
  return order;
}

/** Every hole finished before the next. */
function holeByHole(items: readonly WorkItem[], ways: Ways, from?: WorkItem): WorkItem[] {
  const holes = new Map<string, WorkItem[]>();
  for (const item of items) {
    const key = `${item.featureId} ${item.hole}`;
    const list = holes.get(key);
    if (list) list.push(item);
    else holes.set(key, [item]);
  }
  const list = [...holes.values()];
  const whole = new Map(list.map((hole) => [hole[0], hole]));
  return placed([...whole.keys()], from, ways).flatMap((first) => whole.get(first) ?? []);
}

const MARKED: readonly WorkItem['code'][] = kindsThat((kind) => kind.marks);
const BORED: readonly WorkItem['code'][] = kindsThat((kind) => kind.marks || kind.removes === 'bore');

/** Holes located and begun one by one, or bored one by one, and the rest over all of them. */
function mixedOrders(items: readonly WorkItem[], ways: Ways): WorkItem[][] {
  return [MARKED, BORED].flatMap((codes) => {
    const first = items.filter((i) => codes.includes(i.code));
    const rest = items.filter((i) => !codes.includes(i.code));
    if (first.length === 0 || rest.length === 0) return [];
    const join = (a: WorkItem[], then: typeof toolByTool): WorkItem[] => [...a, ...then(rest, ways, a[a.length - 1])];
    return [join(holeByHole(first, ways), toolByTool), join(toolByTool(first, ways), holeByHole)];
  });
}

/** Sequences up to this many items are also improved item by item. */
const IMPROVED_UP_TO = 30;

/** Moves stretches of up to three items elsewhere while that is quicker and nothing comes before what it needs. */
function improved(order: WorkItem[], t: MachineTimes): WorkItem[] {
  if (order.length > IMPROVED_UP_TO) return order;
  let best = order;
  let seconds = secondsOf(best, t);
  for (let better = true; better;) {
    better = false;
    for (let length = 1; length <= 3 && !better; length++)
      for (let i = 0; i + length <= best.length && !better; i++) {
        const moved = best.slice(i, i + length);
        const rest = [...best.slice(0, i), ...best.slice(i + length)];
        for (let j = 0; j <= rest.length; j++) {
          if (j === i) continue;
          const next = [...rest.slice(0, j), ...moved, ...rest.slice(j)];
          const now = secondsOf(next, t);
          if (now < seconds - 1e-9 && respects(next)) {
            [best, seconds, better] = [next, now, true];
            break;
          }
        }
      }
    for (let i = 0; i < best.length && !better; i++)
      for (let j = i + 2; j <= best.length && !better; j++) {
        const next = [...best.slice(0, i), ...best.slice(i, j).reverse(), ...best.slice(j)];
        const now = secondsOf(next, t);
        if (now < seconds - 1e-9 && respects(next)) [best, seconds, better] = [next, now, true];
      }
  }
  return best;
}

/** Hole by hole, tool by tool, and mixed, each as short as it was found; the quickest first. */
export function sequencesOf(items: readonly WorkItem[], t: MachineTimes): Sequence[] {
  const ways: Ways = new Map();
  const raw: Sequence[] = [
    { strategy: 'tool-by-tool', order: toolByTool(items, ways) },
    { strategy: 'hole-by-hole', order: holeByHole(items, ways) },
    ...mixedOrders(items, ways).map((order): Sequence => ({ strategy: 'mixed', order })),
  ];
  const found = raw
    .filter((s) => s.order.length === items.length && respects(s.order))
    .sort((a, b) => secondsOf(a.order, t) - secondsOf(b.order, t));
  if (found.length === 0 || items.length > IMPROVED_UP_TO) return found;
  const polished = found.slice(0, 2).map((s) => improved(s.order, t));
  const quickest = polished.reduce((a, b) => (secondsOf(b, t) < secondsOf(a, t) ? b : a));
  // What was found by moving single items is a mixture.
  return secondsOf(quickest, t) < secondsOf(found[0].order, t) - 1e-9
    ? [{ strategy: 'mixed' as const, order: quickest }, ...found]
    : found;
}

/** Changes, and ways, that no order of these items can do without, for one part, s. */
export function boundOf(
  items: readonly WorkItem[],
  t: MachineTimes,
): { changesS: number; movesS: number; cutS: number } {
  const tools = new Map<string, WorkItem[]>();
  for (const item of items) {
    const list = tools.get(item.tool);
    if (list) list.push(item);
    else tools.set(item.tool, [item]);
  }
  const speeds = new Set(items.flatMap((i) => i.rpm ?? [])).size;
  let movesS = 0;
  for (const list of tools.values()) {
    // Items of one tool in one hole need no way between them.
    const spots = [...new Map(list.map((i) => [`${i.x} ${i.y} ${i.featureId} ${i.hole}`, i])).values()];
    movesS += shortestTree(spots, (mm) => t.moveS + t.perMmS * mm, t.toolChangeS);
  }
  return {
    changesS:
      [...tools.values()].reduce((sum, [{ code }]) => sum + (code === 'check' ? GAUGE_S : t.toolChangeS), 0) +
      Math.max(0, speeds - 1) * t.speedChangeS,
    movesS,
    cutS: items.reduce((sum, i) => sum + i.seconds, 0),
  };
}
