import { setImmediate as turn } from 'node:timers/promises';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { RecordInput } from '@/contracts/record';
import { drillLevel, typicalHoleMm } from '@/core/drills/expected-hole';
import { checksOf, type Check } from '@/core/gauging/checks-of';
import type { HolePlan } from '@/core/hole/hole-plan';
import { plannerFor } from '@/core/job/plan-in-job';
import { toolUse } from '@/core/materials/life-factor';
import { mainOperation, type Operation } from '@/core/operation/operation';
import { CORE_VERSION } from '@/core/answer/answer';
import { nothingLaid } from '@/core/layout/laid-progress';
import { observer, type Observation } from '@/core/run/observations';
import { followRun, type FollowedRun } from '@/core/run/run-of-issue';
import type { Route } from '@/core/route/route';
import type { BenchStep } from '@/core/run/bench-step';
import type { BenchRecord, BodyOf, TapFeel } from '@/core/run/bench-record';
import { wholeShop } from '@/core/shop/shop';
import { expectedMinor } from '@/core/tap-drill/forming';
import { expectedLean } from '@/core/tapping/expected-tapping';
import type { TapUse } from '@/core/tapping/turning';
import type { Database } from '../database';
import { insertJob } from '../services/job-service';
import { issuedRoute, issueRoute } from '../services/route-service';
import { keepObservations } from '../repositories/observation-repository';
import { putInPast } from '../repositories/sample-repository';
import { appendRecords, lastArrival } from '../repositories/record-repository';
import { forgetLearned } from '../services/learned-service';
import { progressIn } from '../services/run-service';
import { writing } from '../writing';
import { PAST_JOBS } from './past-jobs';

/** What nobody in the shop knew when it began; its log tells by now. */
const TRUTH = {
  /** mm by which single drills cut larger than is typical. */
  drills: {
    'drill metric-index-hss-5.0': 0.04,
    'drill letters-and-numbers-hss-_19': 0.07,
    'drill metric-index-hss-8.5': -0.03,
  } as Record<string, number>,
  /** Over the coasting that the machine’s paper says. */
  coast: { 'knee-mill': 1.7 } as Record<string, number>,
  /** Of the usual time. */
  pace: { apprentice: 1.35, toolmaker: 0.8 } as Record<string, number>,
  hardBar: { job: 'sample-job-spindle-stubs', fromPart: 22, toPart: 41, torque: 1.45, time: 1.4 },
  /** Taps that broke: in which job, at which tapped hole. */
  broken: { 'sample-job-cell-pads': 61, 'sample-job-spindle-stubs': 30 } as Record<string, number>,
};
/** Use of a tap at which it turns twice as hard as new. */
const WORN_AT = 260;
const DAY_MS = 86_400_000;
/** The log begins so long ago and ends so long ago. */
const FROM_DAYS = 152;
const TO_DAYS = 9;
/** Work begins at seven. */
const MORNING_MS = 7 * 3_600_000;

type Draw = { uniform: () => number; normal: () => number };

/** Draws of one seed: the demo is the same wherever it is made. */
function drawsOf(seed: number): Draw {
  const generator = xoroshiro128plus(seed);
  const uniform = (): number => uniformFloat64(generator);
  const normal = (): number => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  return { uniform, normal };
}

const round = (value: number, places: number): number => +value.toFixed(places);

/** One of two pins that are a hundredth apart enters. */
const pins = (mm: number) => ({
  in: round(Math.floor(mm * 100) / 100, 2),
  out: round(Math.floor(mm * 100) / 100 + 0.01, 2),
});

/** What a hole of a plan measures, as it came out. */
function measured(
  plan: HolePlan,
  holeMm: number,
  wear: number,
  draw: Draw,
  check: Check,
): Record<string, number> | undefined {
  const { thread, material } = plan;
  switch (check.kind) {
    case 'minor': {
      if (thread?.kind !== 'form') return pins(holeMm);
      return pins(
        expectedMinor({ thread: thread.thread, material }, thread.tapDrill.used.drill.diameterMm).mean +
          0.008 * draw.normal(),
      );
    }
    case 'size':
      return { size: round(holeMm, 2) };
    case 'go':
      return check.usual?.[0]?.values;
    case 'not-go':
      // A worn tap cuts loose threads.
      return { turns: round(Math.max(0, 0.3 + 0.7 * Math.max(0, wear - 1) + 0.25 * draw.normal()), 1) };
    case 'square': {
      if (!thread || draw.uniform() > 0.35) return undefined;
      const { mean, sigma } = expectedLean(thread.tapping.best.id);
      const lean = (Math.max(0.02, 0.45 * mean + 0.4 * sigma * draw.normal()) * Math.PI) / 180;
      const around = 2 * Math.PI * draw.uniform();
      return {
        front: round(50 * Math.tan(lean) * Math.cos(around), 2),
        side: round(50 * Math.tan(lean) * Math.sin(around), 2),
        height: 50,
      };
    }
    default:
      return undefined;
  }
}

const feelOf = (wear: number, draw: Draw): TapFeel => {
  const felt = wear + 0.12 * draw.normal();
  return felt < 1.2 ? 'easy' : felt < 1.55 ? 'firm' : felt < 1.95 ? 'tight' : 'creaked';
};

type PastRecord = RecordInput & { happenedAt: string };
type HoleKey = { featureId?: string; holeNumber?: number };

/** The sheet on which a job’s records are written, with the shop’s clock. */
function sheetOf(jobId: string, startMs: number) {
  const records: PastRecord[] = [];
  let atMs = startMs;
  return {
    records,
    at: () => atMs,
    add: (kind: RecordInput['kind'], hole: HoleKey, body: object, who: string): void => {
      records.push({
        id: `${jobId.replace('sample-job-', 'past-')}-${records.length}`,
        kind,
        jobId,
        routeId: `${jobId}-issue`,
        ...hole,
        body,
        happenedAt: new Date(atMs).toISOString(),
        who,
      } as PastRecord);
    },
    /** Shops close: what does not fit into a day goes on the next. */
    spend: (seconds: number): void => {
      atMs += seconds * 1000;
      if (atMs % DAY_MS > MORNING_MS + 8.5 * 3_600_000) atMs = Math.floor(atMs / DAY_MS + 1) * DAY_MS + MORNING_MS;
    },
  };
}

/** A job in hand: what was made of it so far. */
interface InHand {
  jobId: string;
  route: Route;
  now: ReturnType<FollowedRun['now']>;
  sheet: ReturnType<typeof sheetOf>;
  draw: Draw;
  /** Use of each tap, over all jobs. */
  uses: Map<string, number>;
  /** What each hole measures after drilling, mm. */
  holes: Map<string, number>;
  scrapped: Set<number>;
  tapped: number;
}

const isHardBar = ({ jobId }: InHand, part: number): boolean =>
  jobId === TRUTH.hardBar.job && part >= TRUTH.hardBar.fromPart && part <= TRUTH.hardBar.toPart;

/** How much harder a tap turns than when it was new. */
const wearOf = ({ uses }: InHand, key: string | undefined): number =>
  1 + ((key === undefined ? undefined : uses.get(key)) ?? 0) / WORN_AT;

/** A step of a part, with the hole and the operation that it is of. */
interface AtStep {
  step: BenchStep;
  hole: HoleKey;
  holeId: string;
  plan?: HolePlan;
  op?: Operation;
  tap?: TapUse;
  /** As the tap was before this hole. */
  wear: number;
  seconds: number;
  who: string;
}

function atStep(job: InHand, step: BenchStep): AtStep {
  const { part, item, setUp } = step;
  const who = part % 3 === 0 ? 'apprentice' : 'toolmaker';
  const planned = item && job.now.planAt({ featureId: item.featureId, holeNumber: item.hole, part });
  const plan = planned?.ok ? planned.value : undefined;
  const op = plan?.operations.find((o) => o.key === item?.opKey);
  const usual = op?.time.value ?? item?.seconds ?? (job.route.setUps[setUp].clampS || 40);
  const hard = isHardBar(job, part) ? TRUTH.hardBar.time : 1;
  const tap = op?.tap && plan?.thread?.tapping.best.each[op.tap.place - 1];
  return {
    step,
    hole: item ? { featureId: item.featureId, holeNumber: item.hole } : {},
    holeId: item ? `${item.featureId}/${item.hole}/${part}` : '',
    plan,
    op,
    tap,
    wear: tap ? wearOf(job, tap.tap.key) : 1,
    seconds: round(usual * TRUTH.pace[who] * hard * Math.exp(0.22 * job.draw.normal()), 1),
    who,
  };
}

/** A tap goes into a hole: it wears, and at two holes of these months it breaks. @returns whether it broke */
function tapped(job: InHand, { step: { part }, hole, plan, tap, who }: AtStep): boolean {
  if (!plan?.thread || !tap) return false;
  const { uses, sheet } = job;
  const { at, thread } = plan.thread;
  job.tapped += 1;
  uses.set(tap.tap.key, (uses.get(tap.tap.key) ?? 0) + toolUse(plan.material, at.lengthMm, thread.majorMm));
  if (TRUTH.broken[job.jobId] !== job.tapped) return false;
  const broke: BodyOf<'tap-broken'> = {
    part,
    tap: tap.tap.name,
    tapId: tap.tap.owned ? tap.tap.key : undefined,
    turns: round(tap.turns.value * 0.7, 1),
    felt: 'rising',
    packed: true,
  };
  sheet.add('tap-broken', hole, broke, who);
  sheet.spend(2400);
  sheet.add('decision', hole, { part, choice: 'scrap' }, 'toolmaker');
  job.scrapped.add(part);
  uses.set(tap.tap.key, 0);
  return true;
}

/** A hole is gauged; what is not good is accepted by the toolmaker. */
function gauged(job: InHand, { step: { part }, hole, holeId, plan, seconds, who }: AtStep): void {
  if (!plan) return;
  const { sheet, now, holes, draw } = job;
  sheet.spend(0.6 * seconds);
  const setting = now.settingFor({ ...hole, part } as Parameters<typeof now.settingFor>[0], plan);
  const wear = wearOf(job, plan.thread?.tapping.best.each.at(-1)?.tap.key);
  for (const check of checksOf(plan, setting)) {
    const values = measured(plan, holes.get(holeId) ?? 0, wear, draw, check);
    if (!values) continue;
    const { state } = check.judge(values);
    sheet.add('checked', hole, { part, check: check.kind, values, verdict: state }, who);
    if (state === 'bad')
      sheet.add('decision', hole, { part, choice: 'accept', by: 'toolmaker', why: 'holds its screw' }, 'toolmaker');
  }
}

/** What was felt, counted and read while a step was done. */
function doneBody(job: InHand, { step: { key, part }, plan, op, tap, wear, seconds }: AtStep): BodyOf<'step-done'> {
  const { draw } = job;
  const hard = isHardBar(job, part) ? TRUTH.hardBar.torque : 1;
  const coasting = op?.tap?.drive && plan?.machine;
  return {
    step: key,
    part,
    seconds,
    ...(tap
      ? {
          feel: feelOf(wear * hard, draw),
          turns: round(tap.turns.value * (1 + 0.02 * draw.normal()), 1),
        }
      : {}),
    ...(tap?.load && part % 4 === 1
      ? { torqueNm: round(tap.load.torque.value * wear ** 0.7 * hard * Math.exp(0.1 * draw.normal()), 2) }
      : {}),
    ...(coasting && op.tap?.drive ? { coast: coastOf(coasting, op.tap.drive.rpm, draw) } : {}),
  };
}

/** One step of one part is made and written down. */
function makeStep(job: InHand, step: BenchStep): void {
  if (job.scrapped.has(step.part)) return;
  const at = atStep(job, step);
  const { plan, op, hole, seconds, who } = at;
  if (plan && op === mainOperation(plan.operations) && op?.cut?.spec.drill)
    job.holes.set(at.holeId, drilledMm(plan, op, job.draw));
  if (tapped(job, at)) return;
  if (step.item?.code === 'check') gauged(job, at);
  job.sheet.spend(seconds);
  job.sheet.add('step-done', hole, doneBody(job, at), who);
}

/** The records of one job as they would have been made at its bench, with the moment at which the last was. */
async function recordsOfJob(db: Database, jobId: string, startMs: number, draw: Draw, uses: Map<string, number>) {
  const { route, inputs } = await issuedRoute(db, jobId, 1);
  const shop = wholeShop(inputs.shop);
  const work = { route, job: inputs.job, shop };
  const run = followRun(work, plannerFor({ ...shop, learned: undefined }));
  const now = run.now();
  const sheet = sheetOf(jobId, startMs);
  const job: InHand = { jobId, route, now, sheet, draw, uses, holes: new Map(), scrapped: new Set(), tapped: 0 };
  const observe = observer(work, run);
  const observed: Observation[] = [];
  let counted = 0;
  // What was found on one part may have others gauged that would not have been.
  for (let open = now.run.steps; open.length > 0;) {
    for (const step of open) makeStep(job, step);
    for (const r of sheet.records.slice(counted) as BenchRecord[]) {
      const seen = observe(r);
      if (seen) observed.push(seen);
      run.add([r]);
    }
    counted = sheet.records.length;
    const { steps, settled, scrapped: lost } = run.now().run;
    open = steps.filter((s) => !settled.has(s.key) && !lost.has(s.part));
  }
  return { records: sheet.records, observed, endMs: sheet.at(), run };
}

/** What a drill of this shop really leaves, mm. */
function drilledMm(plan: HolePlan, op: Operation, draw: Draw): number {
  const drill = op.cut?.spec.drill;
  if (!drill) return 0;
  const { mean, sigma } = typicalHoleMm({ drill, start: plan.start, material: plan.material });
  const level = drillLevel(drill);
  // Every drill is ground a little differently: its own name decides, always the same.
  const own = [...level].reduce((sum, c) => (sum * 31 + c.charCodeAt(0)) % 1009, 7) / 1009 - 0.5;
  return mean + (TRUTH.drills[level] ?? own * sigma) + 0.6 * sigma * draw.normal();
}

const coastOf = ({ id, coastRevolutions, coastAtRpm }: NonNullable<HolePlan['machine']>, rpm: number, draw: Draw) => ({
  revolutions: round(
    coastRevolutions * (TRUTH.coast[id] ?? 1) * (coastAtRpm ? (rpm / coastAtRpm) ** 2 : 1) * (1 + 0.08 * draw.normal()),
    1,
  ),
  rpm,
});

/**
 * Fills the sample shop with what it did in the five months before: about 2,500 holes, drawn from the models with what nobody
 * knew then. The same in every new shop, but for the day on which it ends. Others have their turn between its jobs.
 */
export async function addSampleLog(db: Database, now = new Date()): Promise<void> {
  const draw = drawsOf(20_260_701);
  const uses = new Map<string, number>();
  const today = Math.floor(now.getTime() / DAY_MS) * DAY_MS;
  const step = ((FROM_DAYS - TO_DAYS) * DAY_MS) / PAST_JOBS.length;
  const startOf = (i: number): number =>
    today - FROM_DAYS * DAY_MS + Math.floor((i * step) / DAY_MS) * DAY_MS + MORNING_MS;
  for (const [i, job] of PAST_JOBS.entries()) {
    const id = job.id as string;
    const startedAt = new Date(startOf(i)).toISOString();
    await writing(db, (tx) => insertJob(tx, job, startedAt));
    await issueRoute(db, id, { id: `${id}-issue`, jobVersion: 1 });
    await turn();
    const { records, observed, endMs, run } = await recordsOfJob(db, id, startOf(i), draw, uses);
    const progress = progressIn({ laid: nothingLaid(), run, atBench: true });
    await turn();
    await writing(db, async (tx) => {
      await appendRecords(tx, records, new Date(endMs).toISOString());
      await keepObservations(tx, id, observed);
      const arrival = await lastArrival(tx, id);
      const row = {
        jobId: id,
        routeId: `${id}-issue`,
        arrival,
        observed: arrival,
        coreVersion: CORE_VERSION,
        progress,
      };
      await putInPast(tx, startedAt, row);
    });
    await turn();
  }
  forgetLearned(db);
}
