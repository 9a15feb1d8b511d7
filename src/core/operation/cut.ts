import {
  answer,
  depth,
  mm,
  ok,
  phrase,
  problem,
  quantity,
  refuse,
  type Answer,
  type Caution,
  type Problem,
  type Result,
} from '../answer/answer';
import { drillingTorque, drillingTorqueNm, grabForce, holdingFor } from '../cutting/drilling-torque';
import { idealRpm } from '../cutting/cutting-speed';
import { drillFeed, peckDepths, peckEvery } from '../cutting/feed';
import { isHandHeld, isRigid } from '../cutting/machine';
import { cutsMetal, steelFor } from '../cutting/suited-drills';
import { idealByMethod, speedMethods } from '../cutting/speed-methods';
import { chooseSpeed, type SpeedChoice } from '../cutting/speed-step';
import { withinPower } from '../cutting/within-power';
import { sizedDrill, USUAL_POINT_DEG } from '../drills/drill';
import type { MaterialGroup } from '../materials/material';
import type { Context } from './context';
import { cutCautions } from './cut-cautions';
import type { Cut, CutSpec } from './operation';
import { forTool } from './tool-speeds';
import { CLEAR_MM, stopsFor, tipOf, travelOf } from './travel';

/** What the user sets instead of the plan's figures. */
export interface CutOverride {
  rpm?: number;
  /** mm/rev */
  feed?: number;
  /** Full-diameter depth from the face, mm. */
  fullMm?: number;
}

/** Lever assumed where the part is not laid out, mm. */
const USUAL_LEVER_MM = 100;
/** Largest drill that is held by hand in steel and the like, mm. Trade rule. */
const LARGEST_BY_HAND_MM = 13;
const TOUGH_BY_HAND: readonly MaterialGroup[] = ['steel', 'stainless', 'titanium', 'nickel'];

function changedFeed(
  value: number,
  planned: Answer,
  rule: string,
  formula: string,
  source: Answer['working']['source'],
): Answer {
  return answer(
    value,
    'mm/rev',
    { rule, formula, inputs: [['planned', quantity(planned.value, 'mm/rev')]], source },
    planned.cautions,
  );
}

const NO_MACHINE = phrase('No machine given: the speed shown is the ideal.');

/** A drill that is too soft for the metal, or so hard that it snaps in this machine, is refused, not slowed. */
function tooSoft({ drill }: CutSpec, { machine, material }: Context['asked']): Problem | undefined {
  if (!drill) return undefined;
  const steel = steelFor(material);
  const values = { hardness: `${material.hardnessHb} HB`, material: material.label };
  if (!cutsMetal(drill, material))
    return problem(
      'drill-soft',
      'drill',
      'This drill does not cut {material}, {hardness}: it burns at any speed.',
      steel === 'carbide'
        ? 'Use solid carbide on a rigid machine, or drill before hardening.'
        : 'Use a cobalt or solid carbide drill.',
      values,
    );
  return steel === 'carbide' && machine && !isRigid(machine)
    ? problem(
        'drill-soft',
        'machine',
        'Only solid carbide cuts {material}, {hardness}, and it snaps in a machine that gives way.',
        'Use a mill, or drill before hardening.',
        values,
      )
    : undefined;
}

function speedFor(spec: CutSpec, idealRpm: number, { asked, shop }: Context, wanted?: number): Result<SpeedChoice> {
  const { machine, material } = asked;
  const soft = tooSoft(spec, asked);
  if (soft) return refuse(soft);
  if (!machine) {
    const rpm = wanted ?? idealRpm;
    return ok({
      rpm,
      label: wanted === undefined ? 'ideal speed' : 'as set',
      percentOfIdeal: (rpm / idealRpm) * 100,
      rule: 'set',
      reason: NO_MACHINE,
      cautions: [],
    });
  }
  if (
    isHandHeld(machine) &&
    spec.family === 'drill' &&
    spec.diameterMm > LARGEST_BY_HAND_MM &&
    TOUGH_BY_HAND.includes(material.group)
  )
    return refuse(
      problem(
        'hand-large',
        'machine',
        '{size} in this metal is too much to hold by hand: over {most} the drill twists out of your grip.',
        'Bring the part to a drill press, or the press to the part.',
        { size: mm(spec.diameterMm), most: mm(LARGEST_BY_HAND_MM) },
      ),
    );
  return chooseSpeed(machine, idealRpm, material, shop.habits.stepRule, wanted);
}

interface Driven {
  speed: Result<SpeedChoice>;
  feed: Answer;
  cautions: Caution[];
}

/** Speed and feed that the motor can drive: those of the plan, or eased. */
function driven(spec: CutSpec, ctx: Context, ideal: Answer, feed: Answer, over: CutOverride): Driven {
  const speed = speedFor(spec, ideal.value, ctx, over.rpm);
  if (!speed.ok || (spec.family !== 'drill' && spec.family !== 'step')) return { speed, feed, cautions: [] };
  const { machine, material } = ctx.asked;
  const fit = withinPower({
    machine,
    material,
    idealRpm: ideal.value,
    speed: speed.value,
    feed: feed.value,
    torqueNm: drillingTorqueNm(
      spec.diameterMm,
      feed.value,
      spec.pointAngleDeg ?? USUAL_POINT_DEG,
      material,
      spec.inHoleMm,
    ),
    fixed: { speed: over.rpm !== undefined, feed: over.feed !== undefined },
  });
  if (!fit.ok) return { speed: fit, feed, cautions: [] };
  return {
    speed: ok(fit.value.speed),
    feed:
      fit.value.feed === feed.value
        ? feed
        : changedFeed(fit.value.feed, feed, 'Feed that the motor allows', 'planned × share that the motor can drive', {
            kind: 'model',
            name: 'power at the spindle',
          }),
    cautions: fit.value.cautions,
  };
}

/** What the plan would set before the motor is asked. */
function plannedFor(spec: CutSpec, ctx: Context, depthMm: number) {
  const { material, machine, dry } = ctx.asked;
  const drill = spec.drill ?? sizedDrill(spec.diameterMm);
  const conditions = { drill, material, depthMm, machine, dry };
  const formula = idealRpm(conditions);
  return {
    conditions,
    formula,
    ideal: forTool(idealByMethod(ctx.shop.habits.speed, conditions, formula), spec.family, 'speed'),
    feed: forTool(drillFeed(spec.diameterMm, material, isHandHeld(machine)), spec.family, 'feed'),
  };
}

/** How far a drill's tip has to go through metal, mm: what comes out at the back cuts air. */
const reachOf = (spec: CutSpec): number => spec.fullMm + (spec.through ? 0 : tipOf(spec));

/** Whether the machine's motor turns this drill at all, fed as lightly as it may be. */
export function motorDrives(spec: CutSpec, ctx: Context): boolean {
  const { ideal, feed } = plannedFor(spec, ctx, reachOf(spec));
  const { speed } = driven(spec, ctx, ideal, feed, {});
  return speed.ok || !speed.problems.some((p) => p.code === 'power');
}

function torqueOf(spec: CutSpec, ctx: Context, feed: number): Answer | undefined {
  return spec.family === 'drill' || spec.family === 'step'
    ? drillingTorque(spec.diameterMm, feed, spec.pointAngleDeg ?? USUAL_POINT_DEG, ctx.asked.material, spec.inHoleMm)
    : undefined;
}

/** What the part pulls with when the drill grabs; a lathe and a hand drill hold it themselves. */
function grabOf(torque: Answer | undefined, { asked: { machine }, setting }: Context): Cut['grab'] {
  if (!torque || isHandHeld(machine) || machine?.kind === 'lathe') return undefined;
  const force = grabForce(torque.value, setting.leverMm ?? USUAL_LEVER_MM, setting.leverMm === undefined);
  return { force, holding: holdingFor(force.value) };
}

/** A difference that shows in the tenths of a depth, mm. */
const SEEN_MM = 0.05;

/**
 * The figures of one cutting operation: ideal and set speed, feed, travel from touch, stop, withdrawals, torque, force
 * at the part's edge, and what to watch in them. Speed and feed stay within the machine's power.
 */
export function cutFigures(spec: CutSpec, ctx: Context, over: CutOverride = {}): Cut {
  const { material, machine } = ctx.asked;
  const byHand = isHandHeld(machine);
  const isDrill = spec.family === 'drill';
  const tipMm = tipOf(spec);
  const reachMm = reachOf(spec);
  const { conditions, formula, ideal, feed: usual } = plannedFor(spec, ctx, isDrill ? reachMm : 0);
  const planned =
    over.feed === undefined
      ? usual
      : changedFeed(over.feed, usual, 'Feed, set by you', 'typed; the plan would use the figure below', {
          kind: 'trade rule',
          name: 'set by you',
        });
  const { speed, feed, cautions } = driven(spec, ctx, ideal, planned, over);
  const travel = travelOf(spec, tipMm);
  const stops = stopsFor(spec, machine, travel.value, tipMm, ctx.setting.thicknessMm);
  if (Math.abs(stops.stopMm - travel.value) >= SEEN_MM)
    travel.working.assumptions.push(
      phrase('Set to {set}: the nearest mark that is as good.', { set: depth(stops.stopMm) }),
    );
  const torque = torqueOf(spec, ctx, feed.value);
  const cut: Cut = {
    spec,
    ideal,
    methods: isDrill ? speedMethods(conditions, formula) : [],
    speed,
    feed,
    tipMm,
    travel,
    breaksThroughMm: spec.through ? spec.fullMm : undefined,
    ...stops,
    pecks: isDrill
      ? peckDepths(spec.diameterMm, reachMm - spec.fromMm, material, byHand).map((at) => at + spec.fromMm)
      : [],
    peckEveryMm: peckEvery(spec.diameterMm, material),
    torque,
    grab: grabOf(torque, ctx),
    cautions: [],
  };
  cut.cautions = [...cutCautions(spec, cut, ctx), ...cautions];
  return cut;
}

/** Withdrawing and coming back, s. */
const PECK_S = 2;

/** Time to cut one hole, s: 60 (depth + tip + 1 mm) ÷ (feed × rpm) and 2 s a peck. */
export function cuttingTime(cut: Cut): Answer {
  const rpm = cut.speed.ok ? cut.speed.value.rpm : cut.ideal.value;
  const { spec, feed, pecks, tipMm } = cut;
  const long = Math.max(0, spec.fullMm - spec.fromMm) + tipMm + CLEAR_MM;
  return answer((60 * long) / (feed.value * rpm) + PECK_S * pecks.length, 's', {
    rule: 'Time in the cut',
    formula: '60 × (depth + tip + clearance) ÷ (feed × speed) + 2 s a withdrawal',
    inputs: [
      ['depth, tip and clearance', mm(long)],
      ['feed', quantity(feed.value, 'mm/rev')],
      ['speed', quantity(rpm, 'rpm')],
      ['withdrawals', quantity(pecks.length, 'count')],
    ],
    source: { kind: 'model', name: 'until the shop’s own times are logged' },
  });
}
