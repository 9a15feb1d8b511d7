import { DRILL_LIFE_HOLES } from '../drills/drill-life';
import type { Material } from '../materials/material';
import { lifeFactor } from '../materials/life-factor';
import { phrase, type Phrase } from '../answer/answer';
import { tapLifeHoles } from '../tapping/own-tap';
import { mayJoin, partsOf, type Route, type RouteSetUp } from './route';
import type { Shop } from '../shop/shop';
import { changeBy, type ToolRecord } from '../shop/tool-life';
import type { WorkItem } from './work-item';

/** A tool that has to be changed or sharpened before the batch is done. */
export interface ChangePoint {
  tool: string;
  uses: number;
  /** Holes until it is due. */
  life: number;
  /** Counted in holes from the start of the batch. */
  changeAt: number[];
}

type Made = Pick<RouteSetUp, 'isFirst' | 'parts'>;

/** Items of holes that went through first. */
const doneFirst = ({ setUps }: Route): ReadonlySet<number> =>
  new Set(setUps.filter((s) => s.isFirst).flatMap((s) => s.visits.flatMap((v) => v.items.map((i) => i.id))));

/** On how many parts a set-up makes an item: what went through first is done on the first part. */
function timesMade(setUp: Made, { id }: WorkItem, { quantity }: Route, firsts: ReadonlySet<number>): number {
  const parts = partsOf(setUp, quantity);
  return setUp.parts === undefined && firsts.has(id) ? parts - 1 : parts;
}

/** When drills and taps of a batch are due, from their life and what a tap has done. */
export function changePoints(
  route: Route,
  material: Material,
  { taps, lives }: Pick<Shop, 'taps' | 'lives'>,
): ChangePoint[] {
  const uses = new Map<string, { uses: number; life: number; done: number; record?: ToolRecord }>();
  const firsts = doneFirst(route);
  for (const setUp of route.setUps)
    for (const visit of setUp.visits) {
      const [first] = visit.items;
      const isTap = first.code === 'tap';
      if (!isTap && first.rpm === undefined) continue;
      const own = taps?.find((t) => t.id === first.tapKey);
      const base = isTap ? tapLifeHoles(own?.steel ?? 'hss', own?.geometry) : DRILL_LIFE_HOLES.hss;
      const before = uses.get(visit.tool);
      uses.set(visit.tool, {
        uses: (before?.uses ?? 0) + visit.items.reduce((n, item) => n + timesMade(setUp, item, route, firsts), 0),
        life: Math.max(1, Math.round(base * lifeFactor(material))),
        done: own?.holesDone ?? 0,
        record: own && lives?.[`tap ${own.id}`],
      });
    }
  return [...uses].flatMap(([tool, { uses: all, life, done, record }]) => {
    const due = Math.max(1, life - (done % life));
    // By its log it may be due sooner: where one in fifty breaks in the next hole.
    const risky = record && changeBy(record, record.done, 1 / lifeFactor(material), all);
    const first = Math.max(1, Math.min(due, (risky ?? Infinity) - 1));
    const changeAt: number[] = [];
    for (let at = first; at < all && changeAt.length < 50; at += life) changeAt.push(at);
    return changeAt.length > 0 ? [{ tool, uses: all, life, changeAt }] : [];
  });
}

/** What is measured on the first part before the rest are made. */
export function firstArticle(route: Route): Phrase[] {
  if (route.quantity < 2) return [];
  const checks = new Map<string, Phrase>();
  for (const setUp of route.setUps)
    for (const visit of setUp.visits)
      for (const item of visit.items)
        if (item.code === 'check' && !checks.has(item.letter))
          checks.set(
            item.letter,
            phrase(`{letter}: ${item.order.text}`, { ...item.order.values, letter: item.letter }),
          );
  return [...checks].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, check]) => check);
}

/** Where the time of a batch goes, s. */
export interface TimeShares {
  cuttingS: number;
  changesS: number;
  clampingS: number;
  otherS: number;
}

/** Cutting and ways, changes of tool and speed, clamping, over all parts. */
export function timeShares(route: Route): TimeShares {
  const firsts = doneFirst(route);
  const shares: TimeShares = { cuttingS: 0, changesS: 0, clampingS: 0, otherS: 0 };
  for (const s of route.setUps) {
    const parts = partsOf(s, route.quantity);
    const change = s.visits.reduce((sum, v) => sum + v.changeS, 0);
    const ways = s.visits.reduce((sum, v) => sum + v.workS - v.items.reduce((n, i) => n + i.seconds, 0), 0);
    const work = s.visits
      .flatMap((v) => v.items)
      .reduce((sum, i) => sum + timesMade(s, i, route, firsts) * i.seconds, parts * ways);
    const changes = s.mode === 'part' && s.visits.length > 1 ? parts * change : change;
    shares.cuttingS += work;
    shares.changesS += changes;
    shares.clampingS += s.seconds - changes - work;
  }
  shares.otherS = route.seconds - shares.cuttingS - shares.changesS - shares.clampingS;
  return shares;
}

export interface Deadline {
  daysNeeded: number;
  /** Days to spare; below zero it is late. */
  spareDays: number;
  /** What would save the most. */
  saves: Phrase[];
}

const minutes = (seconds: number): string => (seconds / 60).toFixed(0);

/** To make a drill jig: the plate with its stops, each bushing, and each part put into it, s. Our judgement. */
const JIG = { plateS: 1200, bushingS: 180, loadS: 20 } as const;

/** A drill jig in place of scribing and punching every part; undefined where it costs more than it saves. */
function drillJig({ setUps, quantity }: Route): { seconds: number; text: Phrase } | undefined {
  const marks = setUps
    .filter((s) => !s.machine)
    .flatMap((s) => s.visits.flatMap((v) => v.items))
    .filter((i) => i.code === 'lay-out');
  const makeS = JIG.plateS + JIG.bushingS * marks.length;
  const seconds = quantity * marks.reduce((sum, i) => sum + i.seconds, 0) - makeS - quantity * JIG.loadS;
  return marks.length > 0 && seconds > 60
    ? {
        seconds,
        text: phrase(
          marks.length === 1
            ? 'A drill jig with a bushing takes {make} min to make; then nothing is scribed: saves {min} min.'
            : 'A drill jig with {n} bushings takes {make} min to make; then nothing is scribed: saves {min} min.',
          {
            n: marks.length,
            make: minutes(makeS),
            min: minutes(seconds),
          },
        ),
      }
    : undefined;
}

/** What would shorten the batch: a quicker order that the shop’s habit or the user has left, a joined clamping, the largest share. */
export function savings(route: Route): Phrase[] {
  const saves: { seconds: number; text: Phrase }[] = [];
  const mains = route.setUps.filter((s) => !s.isFirst);
  mains.forEach((s, i) => {
    const [quickest] = s.weighed;
    if (quickest && s.seconds - quickest.seconds > 60)
      saves.push({
        seconds: s.seconds - quickest.seconds,
        text: phrase('{setUp}: {strategy}, {mode}, saves {min} min.', {
          setUp: nameOfSetUp(s),
          strategy: quickest.strategy.replaceAll('-', ' '),
          mode: quickest.mode === 'part' ? 'one part finished before the next' : 'one operation over all parts',
          min: minutes(s.seconds - quickest.seconds),
        }),
      });
    const before = mains[i - 1];
    if (before?.machine && before.machine.id === s.machine?.id && mayJoin(before, s) && s.clampS > 0)
      saves.push({
        seconds: route.quantity * s.clampS,
        text: phrase('{setUp}: reached in the clamping before it, saves {min} min.', {
          setUp: nameOfSetUp(s),
          min: minutes(route.quantity * s.clampS),
        }),
      });
  });
  const jig = drillJig(route);
  if (jig) saves.push(jig);
  const { cuttingS, changesS, clampingS } = timeShares(route);
  const [largest] = (
    [
      [changesS, 'Changes of tool and speed take {min} min: fewer sizes, a quick-change chuck, a second machine.'],
      [
        clampingS,
        'Clamping takes {min} min: a stop or a jig, or a second vise that is loaded meanwhile, saves up to half of it.',
      ],
      [cuttingS, 'Cutting and finding the holes take {min} min: a quicker machine or bushings.'],
    ] as const
  ).toSorted((a, b) => b[0] - a[0]);
  return [
    ...saves.sort((a, b) => b.seconds - a.seconds).map((s) => s.text),
    phrase(largest[1], { min: minutes(largest[0]) }),
  ].slice(0, 3);
}

/** What a set-up is called. */
export function nameOfSetUp({ key, machine, face, afterCut, isFirst, tiltDeg, visits }: RouteSetUp): string {
  if (key === 'bench|before') return 'Bench, before';
  if (key === 'bench|after') return 'Bench, after';
  const tilted = tiltDeg === undefined ? '' : `, tilted ${tiltDeg.toFixed(1)}°`;
  const where = machine
    ? `${machine.name}, ${face}${tilted}`
    : visits[0]?.items[0]?.code === 'cut-between'
      ? 'Cut'
      : 'Bench';
  const when = afterCut ? `${where}, after ${afterCut}` : where;
  return isFirst ? `${when}, one through first` : when;
}

/**
 * The batch against its deadline.
 * @param hoursPerDay hours that are worked on it a day, above 0
 * @param daysLeft working days from today to the deadline, the last one counted; 0 or less where it has passed
 */
export function againstDeadline(route: Route, hoursPerDay: number, daysLeft: number): Deadline {
  const daysNeeded = Math.max(1, Math.ceil(route.seconds / 3600 / hoursPerDay));
  return { daysNeeded, spareDays: daysLeft - daysNeeded, saves: savings(route) };
}

/** Brushed or flooded on, ml a minute in the cut; of a tap, for each hole; what is dry takes none. Our judgement. */
const FLUID_ML = { aMinute: 6, aTap: 1 } as const;

/** Fluid for the batch, ml: by the time in the cut and the holes tapped, where the metal is not cut dry. */
export function fluidMl(route: Route): number {
  const firsts = doneFirst(route);
  return route.setUps.reduce(
    (sum, s) =>
      sum +
      s.visits
        .flatMap((v) => v.items)
        .filter((i) => i.wet)
        .reduce((ml, i) => {
          const each = i.code === 'tap' ? FLUID_ML.aTap : (FLUID_ML.aMinute * i.seconds) / 60;
          return ml + timesMade(s, i, route, firsts) * each;
        }, 0),
    0,
  );
}
