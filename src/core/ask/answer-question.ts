import {
  caution,
  depth,
  mm,
  percent,
  phrase,
  type Caution,
  type Phrase,
  type Problem,
  type Result,
} from '../answer/answer';
import { ruleOfThumbRpm } from '../cutting/cutting-speed';
import { drillFeed, peckDepths } from '../cutting/feed';
import { isHandHeld, type Machine } from '../cutting/machine';
import { idealBySchool } from '../cutting/speed-schools';
import { chooseSpeed, type SpeedChoice } from '../cutting/speed-step';
import { drillName, isUsable, type Drill } from '../drills/drill';
import { chamferDiameter, drillTip } from '../drills/drill-point';
import { pilotChain } from '../drills/pilot-chain';
import { predictedHole, type StartMeans } from '../drills/predicted-hole';
import { thinWallMm, wallLeft } from '../tapping/blind-depth';
import {
  chooseTapDrill,
  choiceCautions,
  judgeDrill,
  type TapDrillCandidate,
  type TapDrillChoice,
  type TapDrillQuestion,
} from '../tapping/choose-tap-drill';
import { formedMinor, formingVerdict } from '../tapping/forming';
import { tappingSpeed } from '../tapping/tapping-speed';
import { weighDrill } from '../tapping/trade-off';
import { threadOperations } from '../route/thread-operations';
import type { FeatureContext } from '../route/feature-context';
import { mouthProblems } from '../route/mouth-operations';
import { reasonablePercent } from '../tapping/target-percent';
import { waysOfTapping, type TappingWay } from '../tapping/ways-of-tapping';
import { readCallout } from '../threads/callout';
import { classLimits, looserClass, usualClass, type ClassLimits } from '../threads/class-limits';
import { BOLT_CLASSES, engagement, usualBolt, type BoltClass } from '../threads/engagement';
import { isTapered, type Thread } from '../threads/thread';
import { habitualBite, USUAL_HABITS, type ShopHabits } from './habits';
import type { HoleQuestion } from './question';
import { resolveHole, type ResolvedHole } from './resolve-hole';
import type { ComparedDrill, HolePlan } from './hole-plan';
import { safetyCautions } from './safety-cautions';

/** Version of the rules; goes with whatever is kept, so that an old answer can be told from a new one. */
export const CORE_VERSION = '1';

const problem = (code: string, field: string, text: string, remedy: string, values?: Phrase['values']): Problem => ({
  code,
  field,
  ...phrase(text, values),
  remedy: phrase(remedy, values),
});

/** How a hole is started on a machine when nobody says: by hand, centre drill, or spot drill. */
export function usualStart(machine: Machine | undefined, habit: ShopHabits['start'] = 'by-machine'): StartMeans {
  if (machine?.kind === 'hand-drill') return 'hand';
  if (habit !== 'by-machine') return habit;
  return machine?.kind === 'mill' || machine?.kind === 'lathe' ? 'spot' : 'centre-drill';
}

function wishProblems(q: HoleQuestion, thread: Thread): Problem[] {
  const problems: Problem[] = [];
  const { low, high } = reasonablePercent(thread);
  const p = q.targetPercent;
  if (p !== undefined && isTapered(thread))
    problems.push(
      problem(
        'percent-taper',
        'targetPercent',
        '{thread} is tapered: it has no single percent of thread.',
        'Leave the percentage to auto; the listed drill is used.',
        { thread: thread.designation },
      ),
    );
  else if (p !== undefined && !(p >= low && p <= high))
    problems.push(
      problem(
        'percent-unreasonable',
        'targetPercent',
        '{percent} of thread is outside reason: {low} to {high}.',
        'Ask for a percentage between them, or auto.',
        { percent: Number.isFinite(p) ? percent(p) : String(p), low: percent(low), high: percent(high) },
      ),
    );
  if (q.quantity !== undefined && !(Number.isInteger(q.quantity) && q.quantity >= 1 && q.quantity <= 100000))
    problems.push(
      problem(
        'quantity',
        'quantity',
        'The number of parts must be a whole number from 1 to 100000.',
        'Type how many parts.',
      ),
    );
  if (q.boltId !== undefined && !BOLT_CLASSES.some((b) => b.id === q.boltId))
    problems.push(
      problem('bolt', 'bolt', 'The bolt class {id} is not held here.', 'Take one of {known}.', {
        id: q.boltId,
        known: BOLT_CLASSES.map((b) => b.id).join(', '),
      }),
    );
  const verdict = formingVerdict(thread, q.material);
  if (q.tap === 'form' && !verdict.allowed)
    problems.push({
      code: verdict.code,
      field: 'tap',
      ...verdict.reason,
      remedy: phrase('Cut the thread instead.'),
    });
  if (q.drill) problems.push(...drillProblems(q.drill, thread));
  return problems;
}

function drillProblems(drill: Drill, thread: Thread): Problem[] {
  if (drill.diameterMm < thread.majorMm) return [];
  return [
    problem(
      'drill-over-thread',
      'drill',
      'A {drill} drill ({size}) is as large as the thread ({major}) or larger: no thread would be left.',
      'Take a drill smaller than the major diameter.',
      { drill: drillName(drill), size: mm(drill.diameterMm), major: mm(thread.majorMm) },
    ),
  ];
}

interface Chosen {
  choice: TapDrillChoice;
  used: TapDrillCandidate;
  because: 'chosen' | 'asked' | 'to-buy';
}

/** The drill of the pool nearest to what the shop's own school says, when it is no more than a tenth away. */
function drillOfSchool(q: TapDrillQuestion, choice: TapDrillChoice, school: ShopHabits['tapDrill']): Drill | undefined {
  const wanted = choice.schools.find((s) => s.id === school)?.diameterMm;
  if (wanted === undefined) return undefined;
  const off = (d: Drill): number => Math.abs(d.diameterMm - wanted);
  const near = q.pool.drills
    .filter(isUsable)
    .reduce<Drill | undefined>((a, b) => (a && off(a) <= off(b) ? a : b), undefined);
  return near && off(near) <= 0.1 ? near : undefined;
}

function chooseDrill(
  question: TapDrillQuestion,
  asked: Drill | undefined,
  school: ShopHabits['tapDrill'],
): Chosen | Problem {
  const choice = chooseTapDrill(question);
  const ofSchool = asked || school === 'percentage' ? undefined : drillOfSchool(question, choice, school);
  if (ofSchool) {
    const used = judgeDrill(question, ofSchool);
    const cautions = [
      ...choiceCautions(question, used, choice.range, choice.target.value),
      caution('note', 'school', 'Chosen as this shop does: {school}. By percentage it would be {drill}.', {
        school: choice.schools.find((s) => s.id === school)?.label ?? school,
        drill: choice.choice ? drillName(choice.choice.drill) : 'one to get',
      }),
    ];
    return { choice: { ...choice, cautions }, used, because: 'chosen' };
  }
  if (asked) {
    const used = judgeDrill(question, asked);
    const { low, high } = reasonablePercent(question.thread);
    const p = used.percentOnDrill;
    if (p !== undefined && (p < low - 5 || p > high + 10))
      return problem(
        'percent-unreasonable',
        'drill',
        '{drill} leaves {percent} of thread, outside reason.',
        'Take a drill nearer to the one proposed.',
        { drill: drillName(asked), percent: percent(p) },
      );
    const cautions = choiceCautions(question, used, choice.range, choice.target.value);
    return { choice: { ...choice, cautions }, used, because: 'asked' };
  }
  if (choice.choice) return { choice, used: choice.choice, because: 'chosen' };
  if (choice.lacking) return { choice, used: choice.lacking, because: 'to-buy' };
  return problem(
    'no-drill',
    'drills',
    'No drill made comes inside the class {name} for {thread} this way.',
    'Ask for another class or percentage, or guide the drill better and ream.',
    { name: question.limits?.className ?? '', thread: question.thread.designation },
  );
}

/**
 * Answers one tapped hole: which drill, at which speed step, tapped how, how deep, and why.
 *
 * @returns the plan, or what makes the question impossible, dangerous or unreadable, field by field.
 * A plan may carry `refusals` of a part (the machine's speed), whose figure is then missing.
 */
export function answerQuestion(q: HoleQuestion): Result<HolePlan> {
  const read = readCallout(q.callout, q.bareUnit);
  if (!read.ok) return read;
  const callout = read.value;
  const resolved = resolveHole(q, callout);
  if (!resolved.ok) return resolved;
  const hole = resolved.value;
  const { thread, className } = hole.feature;
  const written = callout.features.find(
    (f) => f.kind === 'hole' && !(hole.clearance && f.diameterMm === hole.clearance.diameterMm),
  );
  const wishes = wishProblems(q, thread);
  if (written?.kind === 'hole')
    wishes.push(
      ...drillProblems({ series: 'metric', label: String(written.diameterMm), diameterMm: written.diameterMm }, thread),
    );
  if (wishes.length > 0) return { ok: false, problems: wishes };

  const habits: ShopHabits = q.habits ?? USUAL_HABITS;
  const { material, machine } = q;
  const verdict = formingVerdict(thread, material);
  const kind = q.tap === 'form' ? 'form' : 'cut';
  const limits = limitsFor(thread, className, false, habits);
  const start = q.start ?? usualStart(machine, habits.start);
  const question: TapDrillQuestion = {
    thread,
    limits,
    material,
    pool: q.pool,
    start,
    forming: false,
    wantedPercent: q.targetPercent ?? (habits.percentage === 'seventy-five' && !isTapered(thread) ? 75 : undefined),
    depthMm: hole.threadDepthMm,
    thicknessMm: hole.thicknessMm,
  };
  const formingQuestion: TapDrillQuestion = {
    ...question,
    forming: true,
    wantedPercent: kind === 'form' ? q.targetPercent : undefined,
    limits: limitsFor(thread, className, true, habits),
  };
  const chosen = chooseDrill(
    kind === 'form' ? formingQuestion : question,
    q.drill,
    kind === 'form' ? 'percentage' : habits.tapDrill,
  );
  if ('code' in chosen) return { ok: false, problems: [chosen] };
  const serving = existingServes(kind === 'form' ? formingQuestion : question, q.existingMm, hole.through);
  const { choice, because } = chosen;
  const used = serving ?? chosen.used;
  if (!serving && q.existingMm !== undefined && q.existingMm > used.drill.diameterMm - 0.05)
    return {
      ok: false,
      problems: [
        problem(
          'existing-large',
          'existing',
          'The hole that is there, {existing}, leaves the tap drill {drill} nothing to cut.',
          'Ask with the drill that cleans it up, a larger thread, or an insert.',
          { existing: mm(q.existingMm), drill: drillName(used.drill) },
        ),
      ],
    };
  const forming =
    kind === 'form' || !verdict.allowed
      ? { ...verdict, drill: kind === 'form' ? used : undefined }
      : { ...verdict, drill: bestOf(chooseTapDrill(formingQuestion)) };

  const holes = callout.count * (q.quantity ?? 1);
  const pointAngleDeg = used.drill.pointAngleDeg ?? 118;
  const minorMm = kind === 'form' ? formedMinor(thread, used.drill.diameterMm) : used.hole.value;
  const ways = waysOfTapping({
    thread,
    material,
    machine,
    through: hole.through,
    depthMm: hole.threadDepthMm,
    thicknessMm: hole.thicknessMm,
    drillMm: used.drill.diameterMm,
    pointAngleDeg,
    minorMm,
    forming: kind === 'form',
    fromMm: hole.clearance?.depthMm,
    holes,
    dry: q.dry ?? false,
    tapNames: habits.tapNames,
    firstTap: habits.firstTap,
    bite: habitualBite(habits.reversing),
    neverBlind: habits.powerTapping === 'never-blind',
    tailstock: habits.tailstock,
  });
  const best = ways[0];
  if (!best.possible) return { ok: false, problems: [wallProblem(hole, ways)] };

  const fullMm = best.depth?.fullDiameter.value ?? (hole.thicknessMm as number);
  const drilledMm = best.depth?.total.value ?? (hole.thicknessMm as number);
  const byHand = isHandHeld(machine);
  const conditions = { drill: used.drill, material, depthMm: drilledMm, machine, dry: q.dry ?? false };
  const ideal = idealBySchool(habits.speed, conditions);
  const speed = machine ? chooseSpeed(machine, ideal.value, material, habits.stepRule) : noMachine(ideal.value);
  const strength = isTapered(thread)
    ? undefined
    : engagement(thread, material, boltOf(q, thread), minorMm, hole.threadDepthMm);
  const wall =
    best.depth && hole.thicknessMm !== undefined ? wallLeft(hole.thicknessMm, best.depth.total.value) : undefined;

  const plan: Omit<HolePlan, 'steps'> = {
    callout,
    thread,
    limits: kind === 'form' ? formingQuestion.limits : limits,
    hole,
    material,
    machine,
    kind,
    forming,
    tapDrill: { ...choice, used, because, compared: compareDrills(choice, used, best, q, hole, kind) },
    drilling: {
      serves: serving !== undefined,
      start,
      ideal,
      thumb: ruleOfThumbRpm(material, used.drill.diameterMm),
      speed,
      feed: drillFeed(used.drill.diameterMm, material, byHand),
      tip: drillTip(used.drill.diameterMm, pointAngleDeg),
      pecks: peckDepths(used.drill.diameterMm, drilledMm, material, byHand),
      peckEveryMm: (material.chips === 'stringy' ? 0.5 : 1) * used.drill.diameterMm,
      pilots:
        q.existingMm === undefined ? pilotChain(used.drill, q.pool.drills, byHand, material, habits.pilot, fullMm) : [],
    },
    tapping: { best, ways, speed: tappingSpeed(thread, material) },
    engagement: strength,
    wall,
    chamferMm: chamferDiameter(thread.majorMm),
    dry: q.dry ?? false,
    existingMm: q.existingMm,
    assumptions: [...callout.notes, ...hole.notes, ...(limits?.notes ?? []), ...(machine ? [] : [NO_MACHINE])],
    cautions: [],
    refusals: 'code' in speed ? [speed] : [],
  };
  plan.cautions = gatherCautions(plan, q);
  const steps = threadOperations(plan, contextOf(plan, q), holes);
  const main = steps.find((op) => op.code === 'drill')?.cut;
  if (main) plan.drilling.pecks = main.pecks;
  const tooDeep = mouthProblems(steps, hole.thicknessMm);
  if (tooDeep.length > 0) return { ok: false, problems: tooDeep };
  return { ok: true, value: { ...plan, steps } };
}

/**
 * The hole that is there as the tapped hole's own, where it goes through and is inside the class or on its border:
 * judged by the drill that would have left it.
 */
function existingServes(
  q: TapDrillQuestion,
  existingMm: number | undefined,
  through: boolean,
): TapDrillCandidate | undefined {
  if (existingMm === undefined || !through || existingMm >= q.thread.majorMm) return undefined;
  const asDrill = (diameterMm: number): Drill => ({ series: 'metric', label: `${+existingMm.toFixed(2)}`, diameterMm });
  const over = predictedHole(asDrill(existingMm), q.start, q.material).value - existingMm;
  const judged = judgeDrill(q, asDrill(existingMm - over));
  return judged.verdict === 'outside' ? undefined : { ...judged, owned: true };
}

/** The hole as its operations see it. */
export function contextOf(plan: Omit<HolePlan, 'steps'>, q: HoleQuestion): FeatureContext {
  const { hole, tapDrill, drilling, tapping, material, machine, callout } = plan;
  return {
    callout,
    material,
    machine,
    dry: plan.dry,
    habits: q.habits ?? USUAL_HABITS,
    thicknessMm: hole.thicknessMm,
    leverMm: q.leverMm,
    start: drilling.start,
    pool: q.pool,
    tools: q.tools,
    existingMm: q.existingMm,
    tiltDeg: q.tiltDeg,
    curved: q.curved,
    offAxisMm: q.offAxisMm,
    serves: plan.drilling.serves,
    through: hole.through,
    main: {
      chosen: { drill: tapDrill.used.drill, owned: tapDrill.because !== 'to-buy' || tapDrill.used.owned, cautions: [] },
      fullMm: tapping.best.depth?.fullDiameter.value ?? hole.thicknessMm ?? hole.threadDepthMm,
    },
    clearance: hole.clearance,
    chamferMm: plan.chamferMm,
  };
}

const NO_MACHINE = phrase(
  'No machine was named: a drill press after a centre drill is taken, and the ideal speed shown.',
);

const boltOf = (q: HoleQuestion, thread: Thread): BoltClass =>
  BOLT_CLASSES.find((b) => b.id === q.boltId) ?? usualBolt(thread);

const bestOf = (c: TapDrillChoice): TapDrillCandidate | undefined => c.choice ?? c.lacking;

function noMachine(rpm: number): SpeedChoice {
  return { rpm, label: 'ideal speed', percentOfIdeal: 100, rule: 'set', reason: NO_MACHINE, cautions: [] };
}

function limitsFor(
  thread: Thread,
  className: string | undefined,
  forming: boolean,
  habits: ShopHabits,
): ClassLimits | undefined {
  if (isTapered(thread)) return undefined;
  const name = className ?? usualClass(thread);
  const looser = forming && habits.formed === 'looser' ? looserClass(thread, name) : undefined;
  const limits = classLimits(thread, looser ?? name);
  return limits.ok ? limits.value : undefined;
}

function compareDrills(
  choice: TapDrillChoice,
  used: TapDrillCandidate,
  way: TappingWay,
  q: HoleQuestion,
  hole: ResolvedHole,
  kind: 'cut' | 'form',
): ComparedDrill[] {
  const { thread } = hole.feature;
  const among = [choice.nextSmaller, used, choice.choice, choice.nextLarger, choice.lacking, choice.closestOutside];
  const unique = among.filter((c, i): c is TapDrillCandidate => c !== undefined && among.indexOf(c) === i);
  return unique
    .sort((a, b) => a.drill.diameterMm - b.drill.diameterMm)
    .map(
      (candidate) =>
        weighDrill({ thread, material: q.material, hole, kind, best: way, bolt: boltOf(q, thread) }, candidate) ?? {
          candidate,
        },
    );
}

function wallProblem(hole: ResolvedHole, ways: TappingWay[]): Problem {
  const least = Math.min(...ways.flatMap((w) => (w.depth ? [w.depth.total.value] : [])));
  const thickness = hole.thicknessMm ?? 0;
  const most = hole.threadDepthMm - (least - thickness) - thinWallMm(hole.feature.thread.majorMm);
  return problem(
    'wall-zero',
    'threadDepth',
    'A blind thread {depth} deep needs a hole {total} deep to the tip; the plate is {thickness}.',
    most > hole.feature.thread.pitchMm
      ? 'Thread at most {most} deep, or go through.'
      : 'Go through, or take thicker stock: no useful blind thread fits.',
    {
      depth: depth(hole.threadDepthMm),
      total: depth(least),
      thickness: depth(thickness),
      most: depth(Math.max(most, 0)),
    },
  );
}

function gatherCautions(plan: Omit<HolePlan, 'steps'>, q: HoleQuestion): Caution[] {
  const { tapDrill, tapping, drilling, hole, thread, wall, engagement: strength, material } = plan;
  const { used } = tapDrill;
  const list: Caution[] = [];
  if (tapDrill.because === 'to-buy')
    list.push(
      caution('warn', 'drill-to-buy', 'Nothing in “{pool}” is inside the class: get a {drill}.{instead}', {
        pool: q.pool.label,
        drill: drillName(used.drill),
        instead: tapDrill.closestOutside
          ? ` The closest to hand, ${drillName(tapDrill.closestOutside.drill)}, leaves the thread out of class.`
          : '',
      }),
    );
  else if (tapDrill.lacking)
    list.push(
      caution(
        'note',
        'drill-lacking',
        '{wanted} would be nearer but is not in “{pool}”; {drill} is the next best, at {percent}.',
        {
          wanted: drillName(tapDrill.lacking.drill),
          pool: q.pool.label,
          drill: drillName(used.drill),
          percent: percent(used.percentOnDrill ?? 0),
        },
      ),
    );
  const drawn = plan.callout.features.find((f) => f.kind === 'hole');
  if (drawn?.kind === 'hole' && drawn.extent?.kind === 'depth' && plan.tapping.best.depth)
    if (drawn.extent.mm < plan.tapping.best.depth.fullDiameter.value - 0.05)
      list.push(
        caution('warn', 'drawn-depth', 'The drawing drills {drawn}; this tap needs {needed} of full diameter.', {
          drawn: depth(drawn.extent.mm),
          needed: depth(plan.tapping.best.depth.fullDiameter.value),
        }),
      );
  list.push(...tapDrill.cautions, ...tapping.best.cautions);
  if (wall && wall.value < thinWallMm(thread.majorMm))
    list.push(
      caution('warn', 'wall-thin', 'Only {wall} is left under the tip; under {limit} the back bulges or breaks out.', {
        wall: depth(wall.value),
        limit: depth(thinWallMm(thread.majorMm)),
      }),
    );
  if (q.stockWidthMm !== undefined && q.stockWidthMm < 3 * thread.majorMm)
    list.push(
      caution(
        'warn',
        'edge-near',
        'The stock is {width} across; {want} leaves one and a half diameters on each side.',
        {
          width: depth(q.stockWidthMm),
          want: depth(3 * thread.majorMm),
        },
      ),
    );
  if ('rpm' in drilling.speed) list.push(...drilling.speed.cautions);
  list.push(...drilling.ideal.cautions, ...(strength?.needed.cautions ?? []));
  if (strength && hole.threadDepthMm > 2.5 * thread.majorMm && hole.threadDepthMm > 1.5 * strength.needed.value)
    list.push(
      caution(
        'note',
        'thread-long',
        '{depth} of thread is more than the {needed} that hold the bolt: open the rest to clearance, which also guides the tap.',
        {
          depth: depth(hole.threadDepthMm),
          needed: depth(strength.needed.value),
        },
      ),
    );
  if (plan.machine && used.drill.diameterMm > plan.machine.chuckMm)
    list.push(
      caution('warn', 'chuck', 'The chuck of the {machine} takes {chuck}: this drill needs a reduced or taper shank.', {
        machine: plan.machine.name,
        chuck: mm(plan.machine.chuckMm),
      }),
    );
  if (isTapered(thread))
    list.push(
      caution(
        'note',
        'taper',
        'A tapered thread has no percentage, class limits or torque estimate here; ream with a taper reamer for an easier cut, and tap until the gauge sits flush.',
      ),
    );
  if (material.notes !== '')
    list.push(caution('note', 'material', '{label}: {notes}.', { label: material.label, notes: material.notes }));
  return [...list, ...safetyCautions(material, plan.machine, hole.through)];
}
