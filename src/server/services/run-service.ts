import { setImmediate as turn } from 'node:timers/promises';
import { CORE_VERSION } from '@/core/answer/answer';
import type { FrozenRoute } from '@/contracts/route-issue';
import type { RecordKept } from '@/contracts/record';
import type { JobPapers } from '@/contracts/job';
import type { BenchRecord, HoleAt } from '@/core/run/bench-record';
import { verbOf } from '@/core/run/bench-words';
import { byPartAndHole, inspectionRows, type InspectionRow } from '@/core/run/inspection-rows';
import { notGauged, type NotGauged } from '@/core/run/not-gauged';
import { firstHoles } from '@/core/route/first-through';
import { holesWaiting, partInHand } from '@/core/run/run';
import { followRun, type FollowedRun } from '@/core/run/run-of-issue';
import type { HolePlan } from '@/core/hole/hole-plan';
import { plannerFor } from '@/core/job/plan-in-job';
import { NOTHING_RECORDED, type KeptProgress, type Recorded } from '@/core/job/stage';
import { countLaid, nothingLaid, type LaidProgress, type LaidRecord } from '@/core/layout/laid-progress';
import { observer, type Observation } from '@/core/run/observations';
import { byOrder } from '@/core/layout/record-order';
import { tooManySteps } from '@/core/route/run-steps';
import { holeName } from '@/core/route/work-item';
import { wholeShop } from '@/core/shop/shop';
import type { Database } from '../database';
import { findDataMark } from '../repositories/data-repository';
import { findProgress, keepProgress, type ProgressRow } from '../repositories/progress-repository';
import { dropObservations, findOfHole, findUnobserved, keepObservations } from '../repositories/observation-repository';
import { findHead } from '../repositories/job-repository';
import { lastArrival, listArrived } from '../repositories/record-repository';
import { findRoute, lastIssued, lastNumber } from '../repositories/route-repository';
import { keeping } from '../writing';
import { countObserved } from './learned-service';
import { issuedRoute } from './route-service';

/** What was recorded of a job, followed from its first record on. */
interface Followed {
  /** Its latest issue; undefined where none was issued, or one that cannot be followed. */
  issue?: FrozenRoute;
  routeId: string | undefined;
  run?: FollowedRun;
  laid: LaidProgress;
  observe?: (r: BenchRecord) => Observation | undefined;
  /** What was observed and corrected since it was last kept. */
  seen: { o: Observation; arrival: number }[];
  corrected: string[];
  /** Whether anything of the bench was recorded. */
  atBench: boolean;
  /** Arrival of the last record that is counted, and the one that happened last. */
  arrival: number;
  last?: RecordKept;
  /** Which data it is of. */
  mark: string;
}

/** Jobs that are followed in memory at a time; the one asked for longest ago goes first. */
const MOST_FOLLOWED = 6;
/** Records counted before others have their turn. */
const SLICE = 300;

/** Told of one job which record is counted next, by the arrival that it comes after. */
interface Watch {
  jobId: string;
  at: (after: number) => void;
}
interface RunBook {
  followed: Map<string, Followed>;
  busy: Map<string, Promise<unknown>>;
  watch?: Watch;
}
const books = new WeakMap<Database, RunBook>();
function bookOf(db: Database): RunBook {
  const book = books.get(db) ?? { followed: new Map<string, Followed>(), busy: new Map<string, Promise<unknown>>() };
  books.set(db, book);
  return book;
}

const isLaid = (r: RecordKept): r is RecordKept & LaidRecord => r.kind === 'punch-mark' || r.kind === 'layout-tick';

function count(followed: Followed, records: readonly RecordKept[], watch?: Watch): void {
  for (const r of records) {
    watch?.at(r.arrival - 1);
    if (isLaid(r)) countLaid(followed.laid, r);
    else {
      followed.atBench = true;
      const o = followed.observe?.(r as BenchRecord);
      if (o) followed.seen.push({ o, arrival: r.arrival });
      if (r.corrects !== undefined) followed.corrected.push(r.corrects);
      followed.run?.add([r as BenchRecord]);
    }
    followed.last = r;
  }
}

/** @param observedTo what arrived up to here is observed already */
async function begin(db: Database, jobId: string, observedTo: number): Promise<Followed> {
  const number = await lastNumber(db, jobId);
  const issue = number > 0 ? await findRoute(db, jobId, number) : undefined;
  const mark = await findDataMark(db);
  const followed: Followed = {
    issue,
    routeId: issue?.id,
    laid: nothingLaid(),
    seen: [],
    corrected: [],
    atBench: false,
    arrival: 0,
    mark,
  };
  if (issue && !tooManySteps(issue.route)) {
    const shop = wholeShop(issue.inputs.shop);
    const work = { route: issue.route, job: issue.inputs.job, shop };
    followed.run = followRun(work, plannerFor(shop));
    followed.observe = observer(work, followed.run);
  }
  const { watch: any } = bookOf(db);
  const watch = any?.jobId === jobId ? any : undefined;
  const all: RecordKept[] = [];
  for (let more = true; more;) {
    const after = all.at(-1)?.arrival ?? 0;
    watch?.at(after);
    const page = await listArrived(db, jobId, after, watch ? 1 : SLICE);
    all.push(...page.records);
    more = page.more;
    await turn();
  }
  followed.arrival = all.at(-1)?.arrival ?? 0;
  all.sort(byOrder);
  for (let at = 0; at < all.length; at += SLICE) {
    count(followed, all.slice(at, at + SLICE), watch);
    await turn();
  }
  followed.seen = followed.seen.filter((s) => s.arrival > observedTo);
  return followed;
}

/** Brings what is followed of a job up to what arrived since; anew where something happened before what is counted. */
async function moveOn(db: Database, jobId: string, routeId: string | undefined): Promise<Followed> {
  const { followed } = bookOf(db);
  const known = followed.get(jobId);
  followed.delete(jobId);
  let observedTo: number | undefined;
  let now = known?.routeId === routeId && known?.mark === (await findDataMark(db)) ? known : undefined;
  for (let more = now !== undefined; now && more;) {
    const page = await listArrived(db, jobId, now.arrival, SLICE);
    const records = page.records.toSorted(byOrder);
    // What happened before what is counted may change what was observed since.
    if (now.last && records[0] && byOrder(records[0], now.last) < 0) {
      now = undefined;
      observedTo = 0;
    } else {
      count(now, records);
      now.arrival = page.records.at(-1)?.arrival ?? now.arrival;
      more = page.more;
      if (more) await turn();
    }
  }
  now ??= await begin(db, jobId, observedTo ?? (await findProgress(db, [jobId])).get(jobId)?.observed ?? 0);
  followed.set(jobId, now);
  const [oldest] = followed.size > MOST_FOLLOWED ? followed.keys() : [];
  if (oldest !== undefined) followed.delete(oldest);
  return now;
}

/** What was recorded of a job up to now; one at a time for each job. */
function followedOf(db: Database, jobId: string, routeId: string | undefined): Promise<Followed> {
  const { busy } = bookOf(db);
  const work = (): Promise<Followed> => moveOn(db, jobId, routeId);
  const now = (busy.get(jobId) ?? Promise.resolve()).then(work, work);
  busy.set(jobId, now);
  void now.catch(() => undefined).finally(() => busy.get(jobId) === now && busy.delete(jobId));
  return now;
}

/** How far a job is by what is counted of it. */
export function progressIn({ laid, run, atBench }: Pick<Followed, 'laid' | 'run' | 'atBench'>): KeptProgress {
  const layout = { scribed: laid.lines.size, punched: laid.holes.size };
  if (!run || !atBench) return layout;
  const now = run.now();
  const at = now.run;
  const { next } = at;
  const inHand = partInHand(at);
  const skipped = notGauged(now).filter((n) => n.why !== undefined).length;
  return {
    ...layout,
    bench: {
      done: at.steps.length - at.open,
      steps: at.steps.length,
      waiting: holesWaiting(at),
      ...(skipped > 0 ? { ungauged: skipped } : {}),
      ...(inHand ? { inHand } : {}),
      ...(next
        ? {
            next: next.item
              ? `${verbOf(next.item.code)} ${holeName(next.item)}`.trim()
              : next.line
                ? 'scribe'
                : 'clamp',
          }
        : {}),
    },
  };
}

async function workOutProgress(db: Database, jobId: string, routeId: string | undefined): Promise<KeptProgress> {
  const followed = await followedOf(db, jobId, routeId);
  const progress = progressIn(followed);
  const seen = followed.seen.splice(0).map((s) => s.o);
  const corrected = followed.corrected.splice(0);
  const isCorrected = new Set(corrected);
  const kept = seen.filter((o) => !isCorrected.has(o.recordId));
  await keeping(db, async (tx) => {
    await keepObservations(tx, jobId, kept);
    await dropObservations(tx, corrected);
  });
  await countObserved(db, jobId, kept, corrected);
  await keepProgress(db, {
    jobId,
    routeId: routeId ?? null,
    observed: followed.arrival,
    arrival: followed.arrival,
    coreVersion: CORE_VERSION,
    progress,
  });
  return progress;
}

/** How long records that come one after the other are gathered before progress is worked out, ms. */
const GATHER_MS = 400;
const soon = new WeakMap<Database, Set<string>>();

/** Works out how far some jobs are, a moment later and beside all else, so that it is there when it is asked for. */
export function progressSoon(db: Database, jobIds: Iterable<string>): void {
  const waiting = soon.get(db);
  if (waiting) return [...jobIds].forEach((id) => waiting.add(id));
  const ids = new Set(jobIds);
  soon.set(db, ids);
  setTimeout(() => {
    soon.delete(db);
    void (async () => {
      for (const id of ids) await workOutProgress(db, id, (await lastIssued(db, [id])).get(id)?.id);
      // What could not be worked out now is worked out when it is asked for.
    })().catch(() => undefined);
  }, GATHER_MS).unref();
}

/**
 * Observes what was recorded before this program did, or while nobody asked: beside all else.
 * @param say told what it is at, so that one who ends meanwhile has said where
 * @param slowly job that is read record by record, each told before it is read
 */
export async function observeRest(
  db: Database,
  say: (at: { jobId?: string; after?: number }) => void = () => undefined,
  slowly?: string,
): Promise<void> {
  const book = bookOf(db);
  const jobIds = await findUnobserved(db);
  void (async () => {
    for (const jobId of jobIds) {
      say({ jobId });
      book.watch = jobId === slowly ? { jobId, at: (after) => say({ jobId, after }) } : undefined;
      // What could not be worked out now is worked out when it is asked for.
      await workOutProgress(db, jobId, (await lastIssued(db, [jobId])).get(jobId)?.id).catch(() => undefined);
    }
    book.watch = undefined;
    say({});
  })();
}

/** Beyond so many records progress that is a moment old is shown rather than waited for. */
const MANY_RECORDS = 3000;

/** What was recorded of some jobs, by their ids. */
export async function recordedOf(db: Database, jobIds: readonly string[]): Promise<Map<string, Recorded>> {
  const [kept, issued] = await Promise.all([findProgress(db, jobIds), lastIssued(db, jobIds)]);
  const found = new Map<string, Recorded>();
  for (const id of jobIds) {
    const last = issued.get(id);
    const row = kept.get(id);
    const arrival = await lastArrival(db, id);
    found.set(id, {
      ...(arrival === 0 ? NOTHING_RECORDED : await progressFor(db, id, row, last?.id, arrival)),
      ...(last ? { issued: { number: last.number, current: last.current } } : {}),
    });
  }
  return found;
}

async function progressFor(
  db: Database,
  jobId: string,
  row: ProgressRow | undefined,
  routeId: string | undefined,
  arrival: number,
): Promise<KeptProgress> {
  const same = row && row.routeId === (routeId ?? null) && row.coreVersion === CORE_VERSION;
  if (same && row.arrival === arrival) return row.progress;
  const followed = bookOf(db).followed.get(jobId);
  if (same && arrival > MANY_RECORDS && followed?.routeId !== routeId) {
    progressSoon(db, [jobId]);
    return row.progress;
  }
  return workOutProgress(db, jobId, routeId);
}

/** Everything gauged on a job by its latest route. */
export interface Inspected {
  issue: FrozenRoute;
  rows: InspectionRow[];
  notGauged: NotGauged[];
  /** As the job has them now: they say nothing of how it is made. */
  papers: JobPapers;
}

/**
 * @param parts only of these parts, the first and the last; all where left out
 * @throws Refusal 404 where no route was issued, against which anything could be held
 */
export async function inspectionOf(
  db: Database,
  jobId: string,
  parts: { from?: number; to?: number } = {},
): Promise<Inspected> {
  const number = await lastNumber(db, jobId);
  if (number === 0) await issuedRoute(db, jobId, 0);
  const { issue, run } = await followedOf(db, jobId, (await lastIssued(db, [jobId])).get(jobId)?.id);
  const papers = (await findHead(db, jobId))?.papers ?? {};
  if (!issue || !run) return { issue: await issuedRoute(db, jobId, number), rows: [], notGauged: [], papers };
  const at = run.now();
  const letters = new Map(issue.inputs.job.holes.map((f) => [f.id, f.letter]));
  const rows: InspectionRow[] = [];
  let slice = performance.now();
  const isAsked = ({ part }: HoleAt): boolean => part >= (parts.from ?? 1) && part <= (parts.to ?? Infinity);
  const tools = issue.inputs.shop.tools ?? [];
  const firsts = firstHoles(issue.route);
  for (const row of inspectionRows(at, (hole) => {
    if (!isAsked(hole)) return undefined;
    const planned = at.planAt(hole);
    if (!planned?.ok) return undefined;
    const name = `${letters.get(hole.featureId)}${hole.holeNumber}`;
    const decided = at.decidedThread(hole, planned.value);
    return {
      name: decided ? `${name} ${decided}` : name,
      plan: planned.value,
      setting: at.settingFor(hole, planned.value),
      tools,
      isFirst: firsts.has(name) && hole.part === 1,
    };
  })) {
    rows.push(row);
    if (performance.now() - slice < 8) continue;
    await turn();
    slice = performance.now();
  }
  return { issue, rows: rows.sort(byPartAndHole), notGauged: notGauged(at).filter((n) => isAsked(n.at)), papers };
}

/** One hole as it was made by the latest route, with what was observed of it; undefined where the job has no such hole. */
export interface HoleMade {
  name: string;
  job: Pick<FrozenRoute['inputs']['job'], 'name' | 'units'> & { bar?: string };
  callout: string;
  plan: HolePlan;
  observed: Observation[];
  parts: number;
  number: number;
  issuedAt: string;
}

export async function holeMade(db: Database, jobId: string, at: HoleAt): Promise<HoleMade | undefined> {
  const { issue, run } = await followedOf(db, jobId, (await lastIssued(db, [jobId])).get(jobId)?.id);
  const feature = issue?.inputs.job.holes.find((f) => f.id === at.featureId);
  const planned = run?.planAt(at);
  if (!issue || !feature || !planned?.ok) return undefined;
  const { job } = issue.inputs;
  return {
    name: `${feature.letter}${at.holeNumber}`,
    job: { name: job.name, units: job.units, bar: job.papers?.bar },
    callout: feature.question.callout,
    plan: planned.value,
    observed: await findOfHole(db, jobId, at),
    parts: job.quantity,
    number: issue.number,
    issuedAt: issue.issuedAt,
  };
}
