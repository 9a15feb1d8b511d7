import {
  caution,
  CORE_VERSION,
  depth,
  ok,
  phrase,
  refuse,
  type Answer,
  type Caution,
  type Phrase,
  type Result,
} from '../answer/answer';
import type { Machine } from '../cutting/machine';
import { drillName, type Drill } from '../drills/drill';
import type { StartMeans } from '../drills/expected-hole';
import type { HoleToMake } from '../operation/bore';
import type { Context, Setting } from '../operation/context';
import type { EditedOperations, EditWork, OperationEdits } from '../operation/edits';
import { figure } from '../operation/figure';
import { finishing, threadCheck } from '../operation/finishing';
import { holeSteps } from '../operation/hole-steps';
import { mouthProblems } from '../operation/mouth-steps';
import { MAIN_KEY, withCautions, type Operation } from '../operation/operation';
import type { Step } from '../operation/step';
import { CHECKS } from '../operation/hand-times';
import { oldThreadSteps, tapSteps } from '../operation/tap-steps';
import { outsideSteps, outsideThread, type OutsideThread } from '../operation/outside-thread';
import { tipOf } from '../operation/travel';
import type { ShopHabits } from '../shop/habits';
import { STOP_REPEATS_MM, thinWallMm, wallLeft } from '../tapping/blind-depth';
import { classLimits } from '../threads/class-limits';
import { isTapered } from '../threads/thread';
import { findDrill } from './find-drill';
import type { HolePlan, ThreadPart } from './hole-plan';
import { plainHoleToMake, threadedHoleToMake } from './hole-to-make';
import { isSheet, planThread } from './plan-thread';
import type { HoleQuestion } from './question';
import { resolveHole } from './resolve-hole';
import type { ResolvedHole, ResolvedThread } from './resolved-hole';
import { reachProblems } from './out-of-reach';
import { safetyCautions } from './safety-cautions';

/** How a hole is started on a machine when nobody says: by hand, centre drill, or spot drill. */
export function usualStart(machine: Machine | undefined, habit: ShopHabits['start'] = 'by-machine'): StartMeans {
  if (machine?.kind === 'hand-drill') return 'hand';
  if (habit !== 'by-machine') return habit;
  return machine?.kind === 'mill' || machine?.kind === 'lathe' ? 'spot' : 'centre-drill';
}

const NO_MACHINE = phrase(
  'No machine given: assumed a drill press after a centre drill; the speed shown is the ideal.',
);

/** Thickness as an angled hole meets it, along its own axis, mm. */
const along = (thicknessMm: number | undefined, tiltDeg = 0): number | undefined =>
  thicknessMm === undefined ? undefined : thicknessMm / Math.cos((tiltDeg * Math.PI) / 180);

/** What the plan of a hole adds up to before the user's changes. */
interface Made {
  steps: Step[];
  toMake?: HoleToMake;
  thread?: ThreadPart;
  outside?: OutsideThread;
}

/** An old thread: nothing is drilled or tapped. */
function keepThread({ feature }: ResolvedThread, habits: ShopHabits): Made {
  const { thread, className } = feature;
  const limits = isTapered(thread) ? undefined : classLimits(thread, className);
  const check = threadCheck(limits?.ok ? limits.value : undefined, habits.notGoTurns);
  return { steps: oldThreadSteps(thread, check) };
}

/** A thread on a rod. */
function makeOutside(q: HoleQuestion, hole: ResolvedHole, { feature, lengthMm }: ResolvedThread, ctx: Context): Made {
  const outside = outsideThread(
    { thread: feature.thread, kind: feature.outside ?? 'rod', leftHand: feature.leftHand, lengthMm },
    ctx,
  );
  return { outside, steps: outsideSteps(outside, ctx, hole.callout.count * q.parts) };
}

function makeThread(q: HoleQuestion, hole: ResolvedHole, at: ResolvedThread, ctx: Context): Result<Made> {
  const { habits } = ctx.shop;
  const planned = planThread(q, hole, at, ctx);
  if (!planned.ok) return planned;
  const { part } = planned.value;
  const toMake = threadedHoleToMake(q, hole, planned.value, ctx);
  if (!toMake.ok) return toMake;
  const taps = tapSteps({
    thread: part.thread,
    way: part.tapping.best,
    fromMm: at.fromMm,
    lengthMm: at.lengthMm,
    holes: hole.callout.count * q.parts,
    leftHand: at.feature.leftHand,
    flat: part.room?.id === 'flat',
    machine: q.machine,
    trial: habits.airTrial === 'on',
  });
  return ok({
    thread: part,
    toMake: toMake.value,
    steps: [
      ...holeSteps(toMake.value, ctx),
      ...taps,
      ...finishing(toMake.value, threadCheck(part.limits, habits.notGoTurns), checksOfThread(part)),
    ],
  });
}

function makePlain(q: HoleQuestion, hole: ResolvedHole, tool: OperationEdits['tool'], ctx: Context): Result<Made> {
  const made = plainHoleToMake(q, hole, tool, ctx);
  if (!made.ok) return made;
  return ok({ toMake: made.value, steps: [...holeSteps(made.value, ctx), ...finishing(made.value)] });
}

function make(q: HoleQuestion, hole: ResolvedHole, tool: OperationEdits['tool'], ctx: Context): Result<Made> {
  const { thread } = hole;
  if (thread?.feature.outside) return ok(makeOutside(q, hole, thread, ctx));
  if (thread && hole.existing?.kind === 'thread') return ok(keepThread(thread, ctx.shop.habits));
  return thread ? makeThread(q, hole, thread, ctx) : makePlain(q, hole, tool, ctx);
}

const tipEnds = (step: Step): number => (step.by === 'cut' ? step.spec.fullMm + tipOf(step.spec) : 0);

/** The step that goes deepest, which decides the wall left. */
const deepestOf = (steps: readonly Step[]): Step | undefined =>
  steps.reduce<Step | undefined>((a, step) => (tipEnds(step) > (a ? tipEnds(a) : 0) ? step : a), undefined);

function wallUnder(hole: ResolvedHole, deepest: Step | undefined): Answer | undefined {
  if (hole.through || hole.thicknessMm === undefined || !deepest) return undefined;
  return wallLeft(hole.thicknessMm, tipEnds(deepest));
}

function thinWall(wall: Answer | undefined, sizeMm: number): Caution[] {
  if (!wall || wall.value >= thinWallMm(sizeMm) - STOP_REPEATS_MM) return [];
  const said = caution(
    'warn',
    'wall-thin',
    'Only {wall} left under the tip; under {limit} the back bulges or breaks out.',
    { wall: depth(wall.value), limit: depth(thinWallMm(sizeMm)) },
  );
  return [{ ...said, remedy: 'deeper' }];
}

/** The drill set less deep by the user than the thread and its last tap need. */
function tooShallow(op: Operation, thread: ThreadPart | undefined): Caution[] {
  const needed = thread?.tapping.best.depth?.fullDiameter.value;
  const full = op.cut?.spec.fullMm;
  if (op.key !== MAIN_KEY || needed === undefined || full === undefined || full > needed - 0.05) return [];
  return [
    caution('warn', 'too-shallow', 'The last tap needs {needed} of full diameter: it bottoms {short} too early.', {
      needed: depth(needed),
      short: depth(needed - full),
    }),
  ];
}

/** How many things are gauged on a tapped hole. */
const checksOfThread = ({ limits, at }: ThreadPart): number =>
  limits ? CHECKS.thread + (at.through ? 0 : CHECKS.depth) : CHECKS.taper;

/** Under this many diameters across the stock the hole lies near its edges. Trade rule. */
const STOCK_D = 3;
/** A wall beside a hole that gives way as it is cut, in diameters. Our judgement. */
const SPLITS_D = 0.5;

function edgeNear({ stockWidthMm }: HoleQuestion, sizeMm: number): Caution[] {
  if (stockWidthMm === undefined || stockWidthMm >= STOCK_D * sizeMm) return [];
  const wallMm = (stockWidthMm - sizeMm) / 2;
  const splits = wallMm < SPLITS_D * sizeMm ? ', and it bulges or splits' : '';
  return [
    caution(
      'warn',
      'edge-near',
      `The stock is {width} across: {wall} is left on each side of the hole${splits}. {want} across is usual.`,
      { width: depth(stockWidthMm), wall: depth(wallMm), want: depth(STOCK_D * sizeMm) },
    ),
  ];
}

/** From here on a thread is long, in diameters, if it is also well over what holds the bolt. Trade rule. */
const LONG = { diameters: 2.5, overNeeded: 1.5 } as const;

function threadLength(part: ThreadPart | undefined): Caution[] {
  if (!part?.engagement) return [];
  const { needed, oneDiameterMm } = part.engagement;
  const { lengthMm } = part.at;
  const enoughMm = Math.max(needed.value, oneDiameterMm);
  const long = lengthMm > LONG.diameters * part.thread.majorMm && lengthMm > LONG.overNeeded * enoughMm;
  return [
    // A sheet is told of its threads.
    ...(isSheet(part.at) ? [] : needed.cautions),
    ...(long
      ? [
          caution(
            'note',
            'thread-long',
            '{depth} of thread is as drawn; {needed} hold the bolt. If the drawing allows, open the rest to clearance, which also guides the tap.',
            { depth: depth(lengthMm), needed: depth(enoughMm) },
          ),
        ]
      : []),
  ];
}

/** The plan's own drill named beside one that the user has set instead. */
function namedChange(op: Operation, part: ThreadPart | undefined, set: Drill | undefined, asked: Drill | undefined) {
  const before = asked ?? part?.tapDrill.proposed;
  if (op.key !== MAIN_KEY || !set || !before) return op;
  const change = phrase('{now} instead of {before}.', { now: drillName(set), before: drillName(before) });
  return { ...op, changes: [change, ...(op.changes ?? [])] };
}

/** The edits that are applied to operations: another tap drill is planned with, as it changes more than its figures. */
function withoutDrill(edits: OperationEdits): OperationEdits {
  const { drill: _, ...figures } = edits.overrides?.[MAIN_KEY] ?? {};
  return { ...edits, overrides: { ...edits.overrides, [MAIN_KEY]: figures } };
}

/** The context in which the operations of a resolved hole are worked out. */
function contextOf(q: HoleQuestion, hole: ResolvedHole, shop: Context['shop'], setting: Setting): Context {
  const { material, machine, pool, dry } = q;
  const start = q.start ?? usualStart(machine, shop.habits.start);
  return {
    asked: { material, machine, pool, start, dry },
    shop,
    setting: { ...setting, thicknessMm: hole.thicknessMm },
  };
}

/** Diameter that walls and edges are measured against, mm: the thread's, or the narrowest bore's. */
const sizeOf = ({ thread, toMake }: Made): number =>
  thread?.thread.majorMm ?? toMake?.bores.at(-1)?.chosen.drill.diameterMm ?? 0;

/** The planned steps with the user's changes, each figured once, and what those bring with them. */
function operationsOf(
  made: Made,
  hole: ResolvedHole,
  work: EditWork | undefined,
  ctx: Context,
  q: HoleQuestion,
  set?: Drill,
): EditedOperations & { wall?: Answer } {
  const around = {
    thicknessMm: hole.thicknessMm,
    existingMm: made.toMake?.existingMm ?? 0,
    find: (label: string): Drill | undefined => findDrill(label, q.pool),
  };
  const edited = work
    ? work.apply(made.steps, set ? withoutDrill(work.edits) : work.edits, around)
    : { steps: made.steps, dropped: [], faults: [], problems: [] };
  const { steps } = edited;
  const deepest = deepestOf(steps);
  const wall = wallUnder(hole, deepest);
  const operations = steps.map((step) => {
    const op = namedChange((work?.figure ?? figure)(step, ctx), made.thread, set, q.drill);
    return withCautions(op, [
      ...tooShallow(op, made.thread),
      ...(step === deepest ? thinWall(wall, sizeOf(made)) : []),
    ]);
  });
  return { ...edited, operations, wall };
}

const assumptionsOf = (hole: ResolvedHole, { thread, toMake }: Made, machine: Machine | undefined): Phrase[] => [
  ...hole.callout.notes,
  ...hole.notes,
  ...(thread?.limits?.notes ?? []),
  ...(machine || !toMake ? [] : [NO_MACHINE]),
];

/**
 * The one plan of a hole, with a thread or without: what it is, and every operation with its figures and the user's
 * changes.
 * @param q what is asked
 * @param shop its habits and tools
 * @param setting what the part around the hole gives; what is asked goes before it
 * @returns the plan, or what makes the hole impossible, dangerous or unreadable, field by field. A plan may hold
 * operations whose speed can’t be set: the rest of it stands.
 */
export function planHole(
  q: HoleQuestion,
  shop: Context['shop'],
  setting: Setting = {},
  work?: EditWork,
): Result<HolePlan> {
  const edits = work?.edits ?? {};
  const asked: HoleQuestion = { ...q, thicknessMm: along(q.thicknessMm ?? setting.thicknessMm, setting.tiltDeg) };
  const resolved = resolveHole(asked, shop.habits);
  if (!resolved.ok) return resolved;
  const hole = resolved.value;
  const beyond = reachProblems(q, hole);
  if (beyond.length > 0) return refuse(...beyond);
  const ctx = contextOf(q, hole, shop, setting);
  const label = edits.overrides?.[MAIN_KEY]?.drill;
  const set = label !== undefined && hole.thread ? findDrill(label, q.pool) : undefined;
  const made = make(set ? { ...asked, drill: set } : asked, hole, edits.tool, ctx);
  if (!made.ok) return made;
  const tooDeep = mouthProblems(made.value.steps, hole.thicknessMm);
  if (tooDeep.length > 0) return refuse(...tooDeep);
  const { thread, toMake } = made.value;
  const done = operationsOf(made.value, hole, work, ctx, q, set);
  return ok({
    ...done,
    coreVersion: CORE_VERSION,
    callout: hole.callout,
    hole,
    material: q.material,
    machine: q.machine,
    start: ctx.asked.start,
    dry: q.dry,
    thread,
    outside: made.value.outside,
    seconds: done.operations.reduce((sum, op) => sum + op.time.value, 0),
    assumptions: assumptionsOf(hole, made.value, q.machine),
    cautions: [
      ...(toMake ? edgeNear(q, sizeOf(made.value)) : []),
      ...threadLength(thread),
      ...safetyCautions(q.material, q.machine, hole.through),
    ],
  });
}
