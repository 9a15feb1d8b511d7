import type { LearnedPage, LearnedRow, ReadingsPage, ToolLifeRow, ToolPage, ToolsPage } from '@/contracts/learned';
import type { DrillEntry, TapEntry } from '@/contracts/crib';
import { drillName } from '@/core/drills/drill';
import { plannerFor } from '@/core/job/plan-in-job';
import {
  FIGURE_UNIT,
  FIGURE_WORDS,
  FIGURES_TOLD,
  levelWords,
  meaningOf,
  type Names,
} from '@/core/learning/learned-words';
import type { ToolLife } from '@/core/learning/lives';
import {
  isAtLevel,
  levelShown,
  runOfReadings,
  shownValue,
  typicalOver,
  weightsOfReadings,
} from '@/core/learning/run-of-readings';
import { SIGNAL_WORDS } from '@/core/learning/signals';
import { lifeLeft } from '@/core/shop/tool-life';
import type { LearnedFigure, LearnedLevel } from '@/core/answer/estimate';
import type { TapFeel } from '@/core/run/bench-record';
import type { Figured } from '@/core/run/observations';
import { tapName } from '@/core/tapping/own-tap';
import { classLimits } from '@/core/threads/class-limits';
import { threadNamed } from '@/core/threads/thread-named';
import { tell } from '@/core/units/show';
import type { Database } from '../database';
import { listDrillCases, listTaps } from '../repositories/crib-repository';
import { findJob, findNames, openJobs } from '../repositories/job-repository';
import { findOfTool, findTeaching, type JobObservation, type SetAside } from '../repositories/observation-repository';
import { Refusal } from '../refusal';
import { inSlices } from '../in-slices';
import { asideId, learnedInAll, livesNow } from './learned-service';
import { shopNow, type ShopNow } from './shop-service';

type CribTool = { name: string; where: string } & (
  { kind: 'drill'; drill: DrillEntry } | { kind: 'tap'; tap: TapEntry }
);

/** What the crib calls its drills and taps, by their levels. */
async function toolsByLevel(db: Database, { habits }: Pick<ShopNow, 'habits'>): Promise<Map<string, CribTool>> {
  const [cases, taps] = await Promise.all([listDrillCases(db), listTaps(db)]);
  const known = new Map<string, CribTool>();
  for (const { name: box, drills } of cases)
    for (const drill of drills)
      known.set(`drill ${drill.id}`, {
        name: `Drill ${drillName(drill)}`,
        where: drill.where || box,
        kind: 'drill',
        drill,
      });
  for (const tap of taps)
    known.set(`tap ${tap.id}`, {
      name: `${tap.thread} ${tapName(tap, habits.tapNames)}`,
      where: tap.where,
      kind: 'tap',
      tap,
    });
  return known;
}

async function namesOf(db: Database, shop: ShopNow): Promise<Names> {
  const tools = await toolsByLevel(db, shop);
  return {
    material: (id) => shop.materials.find((m) => m.id === id)?.label ?? id,
    machine: (id) => shop.machines.find((m) => m.id === id)?.name ?? 'another machine',
    tool: (level) =>
      tools.get(level)?.name ??
      level
        .replace(/^drill /, 'Drill ')
        .replace(/^tap /, 'Tap ')
        .replace(/^hand /, ''),
  };
}

type Read = Figured & Pick<JobObservation, 'recordId' | 'happenedAt' | 'jobId' | 'at' | 'who' | 'thread' | 'drill'>;

const readsOf = (observations: readonly JobObservation[]): Read[] =>
  observations.flatMap(({ figures, recordId, happenedAt, jobId, at, who, thread, drill }) =>
    figures.map((figure) => ({ ...figure, recordId, happenedAt, jobId, at, who, thread, drill })),
  );

const reasonOf = (aside: readonly SetAside[], id: string): string | undefined => {
  const found = aside.find((a) => a.id === id);
  return found && [found.reason || 'set aside', found.who && `by ${found.who}`].filter(Boolean).join(', ');
};

/** Drills that open jobs take by what was learned, and would take by typical figures. */
async function changesBy(db: Database, shop: ShopNow): Promise<LearnedPage['changes']> {
  if (!shop.learned) return [];
  const [now, before] = [plannerFor(shop), plannerFor({ ...shop, learned: undefined })];
  const changes: LearnedPage['changes'] = [];
  for (const { id } of await openJobs(db)) {
    const job = await findJob(db, id);
    if (!job) continue;
    const found = await inSlices(job.holes, (feature) => {
      const [a, b] = [now, before].map((planner) => planner.plan(feature, job));
      const drills = [a, b].map((p) => (p.ok ? p.value.thread?.tapDrill.used.drill : undefined));
      const [is, was] = drills.map((d) => d && drillName(d));
      return is !== undefined && was !== undefined && is !== was
        ? [{ jobId: id, job: job.name, letter: feature.letter, callout: feature.question.callout, was, is }]
        : [];
    });
    changes.push(...found.flat());
  }
  return changes;
}

/** Levels that say more than the ones under them: one with the very same readings says nothing besides. */
function telling(levels: Readonly<Record<string, LearnedLevel>>): string[] {
  const keys = Object.keys(levels);
  return keys.filter(
    (key) =>
      !keys.some(
        (k) => k !== key && (k.startsWith(`${key}|`) || k.endsWith(`|${key}`)) && levels[k].n === levels[key].n,
      ),
  );
}

/** What the shop has learned, figure by figure, what it left first, and what it changes. */
export async function learnedPageOf(db: Database): Promise<LearnedPage> {
  const shop = await shopNow(db);
  const { learned, aside } = await learnedInAll(db);
  const names = await namesOf(db, shop);
  const reads = readsOf(await findTeaching(db));
  const figures = FIGURES_TOLD.flatMap((figure) => {
    const own = reads.filter((r) => r.figure === figure);
    const levels = telling(learned[figure] ?? {}).map((level): LearnedRow => {
      const behind = own.filter((r) => isAtLevel(r, level));
      const reason = reasonOf(aside, asideId.level(figure, level));
      return {
        level,
        words: levelWords(figure, level, names),
        ...levelShown(figure, level, typicalOver(behind), learned),
        since: behind.reduce((first, r) => (r.happenedAt < first ? r.happenedAt : first), behind[0]?.happenedAt ?? ''),
        ...(reason === undefined ? {} : { aside: reason }),
      };
    });
    if (levels.length === 0) return [];
    const { title, says } = FIGURE_WORDS[figure];
    const reason = reasonOf(aside, asideId.figure(figure));
    // What differs most from typical stands first.
    const weight = (row: LearnedRow): number => Math.abs(row.mean - row.typical) / Math.max(1e-9, row.high - row.low);
    return [
      {
        figure,
        title,
        says,
        unit: FIGURE_UNIT[figure],
        ...(reason === undefined ? {} : { aside: reason }),
        levels: levels.sort((a, b) => weight(b) - weight(a)),
      },
    ];
  });
  return { figures, changes: await changesBy(db, shop) };
}

/** Points of a chart at most, the latest. */
const MOST_POINTS = 5000;

/** The readings of one level in order, with their own limits and signals. */
export async function readingsPageOf(db: Database, figure: LearnedFigure, level: string): Promise<ReadingsPage> {
  const shop = await shopNow(db);
  const names = await namesOf(db, shop);
  const { learned, aside } = await learnedInAll(db);
  const observations = await findTeaching(db);
  const behind = readsOf(observations)
    .filter((r) => r.figure === figure && isAtLevel(r, level))
    .sort((a, b) => a.happenedAt.localeCompare(b.happenedAt))
    .slice(-MOST_POINTS);
  const { readings, limits, signals } = runOfReadings(behind);
  const weights = weightsOfReadings(readings);
  const tool = behind.find((r) => r.tool !== undefined && level.endsWith(r.tool))?.tool;
  const changedAt = observations.flatMap(({ observed, happenedAt }) =>
    tool !== undefined && (observed.what === 'renewed' || observed.what === 'broken') && observed.tool === tool
      ? [{ at: happenedAt, what: observed.what === 'renewed' ? 'the sharpening' : 'the break' }]
      : [],
  );
  const changeBefore = (i: number): string | undefined =>
    changedAt.find(({ at }) => at <= readings[i].happenedAt && (i === 0 || at > readings[i - 1].happenedAt))?.what;
  const jobs = await findNames(db, [...new Set(behind.map((r) => r.jobId))]);
  const reason = reasonOf(aside, asideId.level(figure, level)) ?? reasonOf(aside, asideId.figure(figure));
  return {
    figure,
    level,
    words: levelWords(figure, level, names),
    unit: FIGURE_UNIT[figure],
    ...levelShown(figure, level, typicalOver(behind), learned),
    ...(reason === undefined ? {} : { aside: reason }),
    ...(figure === 'oversize' ? bandOf(behind) : {}),
    ...(limits ? { limits } : {}),
    signals: signals.map(({ kind, way, from, at, to, hand }) => {
      const changed = Array.from({ length: to - from + 1 }, (_, i) => changeBefore(from + i)).find(Boolean);
      const says = SIGNAL_WORDS[kind][way > 0 ? 0 : 1];
      return {
        says: hand === undefined ? says : `${names.tool(hand)}, ${says}`,
        means: tell(meaningOf(figure, way, changed), 'mm'),
        from,
        at,
        to,
      };
    }),
    readings: readings.map((r, i) => {
      const left = reasonOf(aside, asideId.record(r.recordId));
      const changed = changeBefore(i);
      const named = jobs.get(r.jobId);
      return {
        recordId: r.recordId,
        jobId: r.jobId,
        job: named?.name ?? '',
        hole: r.at.holeNumber === 0 ? 'clamping' : `${named?.letters.get(r.at.featureId) ?? ''}${r.at.holeNumber}`,
        ...r.at,
        happenedAt: r.happenedAt,
        ...(r.who ? { who: r.who } : {}),
        value: r.shown,
        weight: weights[i],
        ...(left === undefined ? {} : { aside: left }),
        ...(changed ? { changed } : {}),
      };
    }),
  };
}

/** The class that all of these holes are held to, over what is typical for their drill; nothing where they differ. */
function bandOf(reads: readonly Read[]): Pick<ReadingsPage, 'band'> {
  const [first] = reads;
  const thread = first?.thread === undefined ? undefined : threadNamed(first.thread);
  const isOne = reads.every(
    (r) =>
      r.thread === first.thread &&
      r.drill?.level === first.drill?.level &&
      Math.abs(r.typical.mean - first.typical.mean) < 1e-6,
  );
  const found = thread && classLimits(thread);
  if (!isOne || !found?.ok) return {};
  const limits = found.value;
  return {
    band: {
      from: limits.minorMinMm - first.typical.mean,
      to: limits.minorMaxMm - first.typical.mean,
      label: `${first.thread} ${limits.className}`,
    },
  };
}

/** Drills and taps that have done anything, by name. */
export async function usedTools(db: Database, shop: ShopNow): Promise<{ id: string; label: string }[]> {
  const [known, lives] = await Promise.all([toolsByLevel(db, shop), livesNow(db)]);
  return [...lives.keys()]
    .flatMap((tool) => {
      const found = known.get(tool);
      return found ? [{ id: tool, label: found.name }] : [];
    })
    .sort((a, b) => (a.label < b.label ? -1 : 1));
}

/** Every drill and tap that has done anything, with what is left of it and what to do about it. */
export async function toolsPageOf(db: Database): Promise<ToolsPage> {
  const shop = await shopNow(db);
  const known = await toolsByLevel(db, shop);
  const lives = await livesNow(db);
  const records = shop.lives ?? {};
  const tools = [...lives.values()].flatMap((life): ToolLifeRow[] => {
    const tool = known.get(life.tool);
    if (!tool || !Object.hasOwn(records, life.tool)) return [];
    const record = records[life.tool];
    const left = lifeLeft(record, record.done);
    const perHole = life.holes > 0 ? life.use / life.holes : 1;
    return [
      {
        tool: life.tool,
        name: tool.name,
        where: tool.where,
        kind: tool.kind,
        holes: life.holes,
        metals: Object.entries(life.metals)
          .map(([id, holes]) => ({ name: shop.materials.find((m) => m.id === id)?.label ?? id, holes }))
          .sort((a, b) => b.holes - a.holes),
        hours: life.seconds / 3600,
        broken: life.broken,
        sharpened: life.begun,
        feels: life.feels as Record<string, number>,
        use: life.use,
        left: { median: left.median / perHole, low: left.range[0] / perHole, high: left.range[1] / perHole },
        failsInNext: left.failsWithin(perHole),
        ...todoOf(life, tool, left.range[0] / perHole),
        ...(life.last ? { last: life.last } : {}),
      },
    ];
  });
  return { tools: tools.sort((a, b) => urgency(a) - urgency(b) || b.use - a.use), lostHours: await lostHours(db) };
}

const ORDER = ['buy', 'renew', 'sharpen', 'watch'] as const;
const urgency = ({ todo }: ToolLifeRow): number => (todo ? ORDER.indexOf(todo) : ORDER.length);

/** Holes left at worst, under which a tool is watched. Our judgement. */
const WATCH_HOLES = 10;

function todoOf(life: ToolLife, tool: CribTool, worstHoles: number): Pick<ToolLifeRow, 'todo' | 'why'> {
  const { kind } = tool;
  const condition = tool.kind === 'tap' ? tool.tap.condition : tool.drill.condition;
  if (condition === 'broken' || condition === 'lost' || life.isBroken)
    return { todo: 'buy', why: life.isBroken ? 'it broke' : `${condition} in the crib` };
  const tight = (life.feels.tight ?? 0) + (life.feels.creaked ?? 0);
  const felt = Object.values(life.feels).reduce((sum, n) => sum + n, 0);
  if (kind === 'tap' && (condition === 'worn' || tight > Math.max(3, 0.3 * felt)))
    return { todo: 'renew', why: tight > 0 ? `tight or creaking in ${tight} of ${felt} holes` : 'worn in the crib' };
  if (kind === 'drill' && (condition === 'blunt' || condition === 'worn'))
    return { todo: 'sharpen', why: `${condition} in the crib` };
  return worstHoles < WATCH_HOLES
    ? { todo: 'watch', why: `may end within ${Math.max(1, Math.round(worstHoles))} holes` }
    : {};
}

/** Hours from a break to the next work on that job. */
async function lostHours(db: Database): Promise<number> {
  const all = [...(await findTeaching(db))].sort((a, b) => a.happenedAt.localeCompare(b.happenedAt));
  let ms = 0;
  all.forEach((o, i) => {
    if (o.observed.what !== 'broken') return;
    const next = all.slice(i + 1).find((later) => later.jobId === o.jobId && later.observed.what === 'made');
    if (next) ms += Math.min(8 * 3_600_000, Date.parse(next.happenedAt) - Date.parse(o.happenedAt));
  });
  return ms / 3_600_000;
}

const FEEL_RANK: Record<TapFeel, number> = { easy: 1, firm: 2, tight: 3, creaked: 4 };

/** One tool’s life in order: what it did in each hole, and what was felt and measured there. @throws Refusal 404 */
export async function toolPageOf(db: Database, tool: string): Promise<ToolPage> {
  const { tools } = await toolsPageOf(db);
  const life = tools.find((t) => t.tool === tool);
  if (!life)
    throw new Refusal(404, 'No such tool', 'Nothing was recorded of this tool.', [
      {
        field: 'tool',
        code: 'crib-unknown',
        detail: 'Nothing was recorded of it.',
        remedy: 'Pick one from the list of tools.',
      },
    ]);
  const seen = await findOfTool(db, tool, MOST_POINTS);
  const names = await findNames(db, [...new Set(seen.map((o) => o.jobId))]);
  const holes = new Map<string, ToolPage['holes'][number]>();
  for (const o of seen) {
    const id = `${o.jobId} ${o.at.featureId} ${o.at.holeNumber} ${o.at.part}`;
    const named = names.get(o.jobId);
    const hole = holes.get(id) ?? {
      jobId: o.jobId,
      job: named?.name ?? '',
      hole: `${named?.letters.get(o.at.featureId) ?? ''}${o.at.holeNumber}`,
      ...o.at,
      happenedAt: o.happenedAt,
    };
    const { observed } = o;
    if (observed.what === 'made' && observed.tool === tool) {
      hole.happenedAt = o.happenedAt;
      if (observed.feel) hole.feel = FEEL_RANK[observed.feel];
      if (observed.seconds !== undefined) hole.seconds = observed.seconds;
    }
    if ((observed.what === 'broken' || observed.what === 'renewed') && observed.tool === tool)
      hole.changed = observed.what === 'broken' ? 'broke' : 'sharpened';
    if (observed.what === 'gauged' && observed.check === 'not-go') hole.notGo = observed.values.turns;
    for (const f of o.figures) {
      if (f.figure === 'torque') hole.torque = f.value;
      if (f.figure === 'oversize') hole.over = shownValue(f);
    }
    holes.set(id, hole);
  }
  const done = [...holes.values()].sort((a, b) => a.happenedAt.localeCompare(b.happenedAt));
  return { life, holes: done };
}
