import { mm, phrase, quantity, type Phrase } from '../answer/answer';
import { isHighSpeed, nameToBuy } from '../cutting/suited-drills';
import { drillName, type Drill } from '../drills/drill';
import { threadGaugeFor } from '../shop/thread-gauge-for';
import type { HolePlan } from '../hole/hole-plan';
import type { Shop } from '../shop/shop';
import type { ToolUse } from '../shop/tool';
import { sameSize } from '../tap-drill/tap-drill-candidate';

export const BUY_KINDS = { drill: 'Drills', tap: 'Taps', tool: 'Tools', gauge: 'Gauges' } as const;
export type BuyKind = keyof typeof BUY_KINDS;

/** Something that a hole needs, or would be better with, and that the crib does not have. */
export interface Lack {
  /** The same for every hole that lacks the same thing. */
  key: string;
  kind: BuyKind;
  name: Phrase;
  /** The hole cannot be made as planned without it; else it is only made better with it. */
  needed: boolean;
  /** What of the crib would do instead, or what to do with one that is there. */
  instead?: Phrase;
}

const same = (list: readonly Drill[], drill: Drill): Drill | undefined => list.find((d) => sameSize(d, drill));

/** Drills that the plan uses and the crib lacks, then the one that would be better than the one it uses. */
function drillLacks({ operations, thread }: HolePlan, crib: readonly Drill[]): Lack[] {
  const lack = (drill: Drill, needed: boolean, instead?: Phrase): Lack => {
    const own = same(crib, drill);
    const called = { drill: drillName(drill), kind: isHighSpeed(drill) ? 'drill' : `${drill.material} drill` };
    return {
      key: `drill ${nameToBuy(drill)}`,
      kind: 'drill',
      name:
        drill.series === 'metric'
          ? phrase('{drill} {kind}', called)
          : phrase('{drill} {kind}, {size}', { ...called, size: mm(drill.diameterMm) }),
      needed,
      instead: own?.condition === 'blunt' ? phrase('blunt, in the crib: sharpen it') : instead,
    };
  };
  const used = operations.flatMap(({ cut }) => (cut?.spec.drill && !cut.spec.tool.owned ? [cut.spec.drill] : []));
  const near = thread?.tapDrill.candidates.filter((c) => c.verdict !== 'outside').map((c) => drillName(c.drill)) ?? [];
  const { missing, used: taken } = thread?.tapDrill ?? {};
  return [
    ...used.map((drill) =>
      lack(
        drill,
        true,
        near.length > 0 ? phrase('inside the class too: {near}', { near: near.join(', ') }) : undefined,
      ),
    ),
    ...(missing && taken && !used.some((d) => sameSize(d, missing.drill))
      ? [lack(missing.drill, false, phrase('planned with {drill} meanwhile', { drill: drillName(taken.drill) }))]
      : []),
  ];
}

function tapLacks({ thread: part }: HolePlan): Lack[] {
  if (!part) return [];
  const { best } = part.tapping;
  const name = part.thread.designation;
  const all = best.others.find((o) => o.possible && o.owned);
  const instead = all && phrase('{taps} of the crib would do', { taps: all.taps.join(', then ') });
  return [
    ...best.taps
      .filter((t) => !t.owned)
      .map((t): Lack => ({
        key: `tap ${name} ${t.name} ${t.chamferThreads}`,
        kind: 'tap',
        name: phrase('{thread} {tap}, {threads} chamfer threads', {
          thread: name,
          tap: t.name,
          threads: t.chamferThreads,
        }),
        needed: true,
        instead,
      })),
    ...(best.lacksWrench
      ? [
          {
            key: `wrench ${best.taps[0].squareMm}`,
            kind: 'tool' as const,
            name: phrase('tap wrench for a square of {square}', { square: mm(best.taps[0].squareMm) }),
            needed: true,
          },
        ]
      : []),
    ...(best.holder && best.holder.name === undefined
      ? [
          {
            key: `holder ${best.holder.shankMm}`,
            kind: 'tool' as const,
            name: phrase('collet or tap holder for a shank of {shank}', { shank: mm(best.holder.shankMm) }),
            needed: true,
            instead: phrase('turn a bushing for it'),
          },
        ]
      : []),
  ];
}

/** Tools other than drills: a blunt one in the crib is sharpened, not bought. */
function toolLacks({ operations, outside }: HolePlan, tools: Shop['tools']): Lack[] {
  const lack = (use: ToolUse, sizeMm?: number, angleDeg?: number): Lack => {
    const blunt = tools?.find(
      (t) => t.condition === 'blunt' && sizeMm !== undefined && Math.abs((t.diameterMm ?? 0) - sizeMm) < 0.01,
    );
    return {
      key: `tool ${use.name} ${sizeMm?.toFixed(2) ?? ''}`,
      kind: 'tool',
      name:
        sizeMm === undefined || angleDeg !== undefined
          ? phrase('{name}', { name: use.name })
          : phrase('{name} {size}', { name: use.name, size: mm(sizeMm) }),
      needed: true,
      ...(blunt ? { instead: phrase('{name} is blunt, in the crib: sharpen it', { name: blunt.name }) } : {}),
    };
  };
  return [
    ...operations.flatMap(({ cut }) =>
      cut && !cut.spec.drill && !cut.spec.tool.owned
        ? [
            lack(
              cut.spec.tool,
              cut.spec.diameterMm,
              cut.spec.family === 'countersink' ? cut.spec.pointAngleDeg : undefined,
            ),
          ]
        : [],
    ),
    ...[outside?.die, outside?.chaser].flatMap((use) => (use && !use.owned ? [lack(use)] : [])),
  ];
}

function gaugeLacks({ thread: part }: HolePlan, tools: Shop['tools']): Lack[] {
  if (!part || !tools || threadGaugeFor(tools, part.thread)) return [];
  return [
    {
      key: `gauge ${part.thread.designation}`,
      kind: 'gauge',
      name: phrase('plug gauge {thread}', { thread: part.thread.designation }),
      needed: false,
      instead: phrase('its own bolt, which proves that this screw goes in, not the class'),
    },
  ];
}

/** What a hole needs, or would be better with, that the shop does not have. */
export const lacksOf = (plan: HolePlan, { pools, tools }: Pick<Shop, 'pools' | 'tools'>): Lack[] => {
  const crib = pools.find((p) => p.id === 'crib')?.drills ?? [];
  return [...drillLacks(plan, crib), ...tapLacks(plan), ...toolLacks(plan, tools), ...gaugeLacks(plan, tools)];
};

/** A lack with every hole that has it, as `Pier plate A, C`. */
export interface ToBuy extends Lack {
  holes: string[];
  /** Holes in all parts. */
  count: number;
}

interface From {
  lack: Lack;
  hole: string;
  count: number;
}

const ORDER = Object.keys(BUY_KINDS);

/** One list of what is lacking, each thing once: what holds up work first, then by kind and name. */
export function toBuy(all: readonly From[]): ToBuy[] {
  const found = new Map<string, ToBuy>();
  for (const { lack, hole, count } of all) {
    const known = found.get(lack.key);
    if (!known) found.set(lack.key, { ...lack, holes: [hole], count });
    else {
      known.needed ||= lack.needed;
      known.count += count;
      if (!known.holes.includes(hole)) known.holes.push(hole);
    }
  }
  return [...found.values()].sort(
    (a, b) =>
      Number(b.needed) - Number(a.needed) ||
      ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) ||
      a.key.localeCompare(b.key, 'en', { numeric: true }),
  );
}

/** How many are behind a thing to buy: `3 holes`. */
export const holesBehind = ({ count }: ToBuy): Phrase =>
  count === 1 ? phrase('1 hole') : phrase('{n} holes', { n: quantity(count, 'count') });
