import type { ShopHabits } from '../ask/habits';
import { answer, caution, depth, mm, percent, phrase, quantity, type Answer, type Caution } from '../answer/answer';

import { alreadyDeeper, stopSetting, usualStop } from '../cutting/depth-stop';
import { drillingTorque, grabForce, holdingFor, powerCaution } from '../cutting/drilling-torque';
import { drillFeed, peckDepths } from '../cutting/feed';
import { isHandHeld, type DepthStopKind, type Machine } from '../cutting/machine';
import { idealBySchool, speedSchools } from '../cutting/speed-schools';
import { chooseSpeed, type SpeedChoice } from '../cutting/speed-step';
import { chiselEdge, coneDepth } from '../drills/drill-point';
import { drillName, type Drill } from '../drills/drill';
import { usualFluteMm } from '../drills/flute-length';
import { wantsCobalt } from '../drills/suited';
import { grabs, type Material } from '../materials/material';
import type { Cut, CutFamily, CutSpec } from './operation';

/** What every operation on a hole needs to know. */
export interface CutContext {
  material: Material;
  machine?: Machine;
  dry: boolean;
  habits: ShopHabits;
  thicknessMm?: number;
  /** Hole that is there already, mm. */
  existingMm?: number;
  /** From the hole to the far edge of the part, mm, where it is laid out. */
  leverMm?: number;
}

/** What the user sets instead of the plan's figures. */
export interface CutOverride {
  rpm?: number;
  /** mm/rev */
  feed?: number;
  /** Full-diameter depth from the face, mm. */
  fullMm?: number;
}

/** Speed and feed against those of a drill of the same diameter. Reaming: trade rule; the others our judgement. */
const AGAINST_DRILL: Record<CutFamily, { speed: number; feed: number; why: string }> = {
  drill: { speed: 1, feed: 1, why: '' },
  centre: { speed: 0.8, feed: 0.4, why: 'centre drill, slender tip' },
  spot: { speed: 0.8, feed: 0.5, why: 'spot drill, full width at once' },
  step: { speed: 0.6, feed: 0.5, why: 'step drill, its widest step' },
  annular: { speed: 0.7, feed: 0.35, why: 'annular cutter' },
  saw: { speed: 0.4, feed: 0.25, why: 'hole saw' },
  ream: { speed: 0.5, feed: 2, why: 'reaming: half the speed, twice the feed' },
  counterbore: { speed: 0.4, feed: 0.5, why: 'counterbore, wide cut' },
  countersink: { speed: 0.35, feed: 0.6, why: 'countersink, wide cut' },
};
/** A drill that goes through is let out this far beyond its corners, mm. */
export const CLEAR_MM = 1;
/** Lever taken where the part is not laid out, mm. */
const USUAL_LEVER_MM = 100;

const standIn = (spec: CutSpec): Drill =>
  spec.drill ?? { series: 'metric', label: String(spec.diameterMm), diameterMm: spec.diameterMm };

function scaled(of: Answer, by: number, why: string): Answer {
  if (by === 1) return of;
  return {
    ...of,
    value: of.value * by,
    working: {
      ...of.working,
      formula: `${of.working.formula} × ${why.split(':')[0].split(',')[0]}`,
      inputs: [...of.working.inputs, { label: why, quantity: quantity(by, 'ratio') }],
      source: why.startsWith('reaming') ? of.working.source : { kind: 'model', name: 'our judgement for this tool' },
    },
  };
}

function setAnswer(value: number, unit: Answer['unit'], planned: Answer, what: string): Answer {
  return answer(
    value,
    unit,
    {
      rule: `${what}, as you set it`,
      formula: 'typed; the plan would take the figure below',
      inputs: [['planned', quantity(planned.value, unit)]],
      source: { kind: 'trade rule', name: 'your own choice' },
    },
    planned.cautions,
  );
}

function travelOf(spec: CutSpec, tipMm: number): Answer {
  const total = spec.fullMm + tipMm + (spec.through ? CLEAR_MM : 0);
  return answer(total, 'mm', {
    rule: 'Stop, from where the tip touches the face',
    formula: spec.through ? 'thickness + tip + clearance' : 'full-diameter depth + tip',
    inputs: [
      [spec.through ? 'thickness' : 'full-diameter depth', mm(spec.fullMm)],
      ['tip', mm(tipMm)],
      ...(spec.through ? [['beyond the back', mm(CLEAR_MM)] as [string, ReturnType<typeof mm>]] : []),
    ],
    source: { kind: 'trade rule', name: 'stop set from touch' },
  });
}

/** Depth at which a tool's point ends below its full diameter, mm. */
const tipOf = ({ family, pointAngleDeg, diameterMm }: CutSpec): number =>
  pointAngleDeg === undefined || family === 'spot' || family === 'centre' || family === 'countersink'
    ? 0
    : coneDepth(diameterMm, pointAngleDeg);

/** Extra readings where the drill meets an opening before the face. */
function touchNotes(spec: CutSpec, travelMm: number, tipMm: number): ReturnType<typeof phrase>[] {
  const { pointAngleDeg: point, inHoleMm, startsIn, diameterMm, family } = spec;
  if (family !== 'drill' || point === undefined) return [];
  if (inHoleMm > 0 && spec.fromMm === 0)
    return [
      phrase('Touched in the pilot instead of on the face, it stands {deeper} deeper already: {left} from there.', {
        deeper: depth(alreadyDeeper(diameterMm, point, inHoleMm)),
        left: depth(travelMm - alreadyDeeper(diameterMm, point, inHoleMm)),
      }),
    ];
  if (startsIn) {
    const deeper = alreadyDeeper(diameterMm, point, startsIn.mouthMm, startsIn.angleDeg);
    return deeper > 0.05 && deeper < travelMm - tipMm
      ? [
          phrase('Touched in the spot instead of on the face, it stands {deeper} deeper already: {left} from there.', {
            deeper: depth(deeper),
            left: depth(travelMm - deeper),
          }),
        ]
      : [];
  }
  return [];
}

function speedFor(ideal: number, ctx: CutContext, wanted?: number): Cut['speed'] {
  if (ctx.machine) return chooseSpeed(ctx.machine, ideal, ctx.material, ctx.habits.stepRule, wanted);
  const rpm = wanted ?? ideal;
  return {
    rpm,
    label: wanted === undefined ? 'ideal speed' : 'as set',
    percentOfIdeal: (rpm / ideal) * 100,
    rule: 'set',
    reason: phrase('No machine was named: the ideal speed is shown.'),
    cautions: [],
  };
}

/** Pilot over drill above which the next drill grabs: half, less by hand and in metals that pull in. Trade rule. */
export const pilotLimit = (ctx: Pick<CutContext, 'machine' | 'material'>): number =>
  isHandHeld(ctx.machine) || grabs(ctx.material) ? 0.45 : 0.5;

function cutCautions(spec: CutSpec, cut: Cut, ctx: CutContext): Caution[] {
  const list: Caution[] = [...cut.ideal.cautions];
  const { machine } = ctx;
  // A start or a countersink that turns slowly loses nothing but seconds.
  const slowMatters = spec.family === 'drill' || spec.family === 'annular';
  if ('rpm' in cut.speed) list.push(...cut.speed.cautions.filter((c) => slowMatters || c.code !== 'speed-low'));
  if (!spec.tool.owned)
    list.push(
      caution('warn', 'tool-lacking', '{tool} {size} is not in the crib: get one, or choose another way.', {
        tool: spec.tool.name,
        size: mm(spec.diameterMm),
      }),
    );
  const share = spec.inHoleMm / spec.diameterMm;
  if (spec.family === 'drill' && spec.inHoleMm > 0 && share > pilotLimit(ctx) && spec.fromMm === 0)
    list.push(
      caution(
        'warn',
        'pilot-large',
        'The hole of {hole} is {share} of this drill: over {limit} it grabs and chips its lips. Feed by hand, hold back, clamp.',
        { hole: mm(spec.inHoleMm), share: percent(100 * share), limit: percent(100 * pilotLimit(ctx)) },
      ),
    );
  if (spec.family === 'drill' && spec.inHoleMm > 0 && spec.inHoleMm < 0.8 * chiselEdge(spec.diameterMm))
    list.push(
      caution('note', 'pilot-small', 'The pilot of {hole} is narrower than the chisel edge, {edge}: it helps little.', {
        hole: mm(spec.inHoleMm),
        edge: mm(chiselEdge(spec.diameterMm)),
      }),
    );
  if (machine && (spec.drill || spec.family === 'ream') && spec.diameterMm > machine.chuckMm)
    list.push(
      caution('warn', 'chuck', 'The chuck of the {machine} takes {chuck}: this needs a reduced or taper shank.', {
        machine: machine.name,
        chuck: mm(machine.chuckMm),
      }),
    );
  if (machine?.quillStrokeMm !== undefined && cut.travel.value + 5 > machine.quillStrokeMm)
    list.push(
      caution(
        'warn',
        'stroke',
        'The quill of the {machine} goes {stroke} and this wants {travel}: raise the table half way.',
        {
          machine: machine.name,
          stroke: depth(machine.quillStrokeMm),
          travel: depth(cut.travel.value + 5),
        },
      ),
    );
  if (spec.drill && (spec.drill.material ?? 'hss') === 'hss' && wantsCobalt(ctx.material))
    list.push(
      caution(
        'note',
        'cobalt',
        'Cobalt keeps its edge in this metal; a plain high-speed drill must be sharp and never rub.',
      ),
    );
  const flute = spec.drill?.fluteMm ?? (spec.drill ? usualFluteMm(spec.diameterMm) : spec.tool.tool?.reachMm);
  if (flute !== undefined && spec.fullMm > flute)
    list.push(
      caution(
        spec.drill?.fluteMm !== undefined || !spec.drill ? 'stop' : 'warn',
        'reach',
        '{tool} reaches {flute} and the hole is {deep} deep: the flutes would be covered and choke. Take a longer one.',
        {
          tool: spec.drill ? drillName(spec.drill) : spec.tool.name,
          flute: depth(flute),
          deep: depth(spec.fullMm),
        },
      ),
    );
  if (cut.torque && 'rpm' in cut.speed) {
    const power = powerCaution(cut.torque.value, cut.speed.rpm, cut.feed.value, ctx.material, machine);
    if (power) list.push(power);
  }
  return list;
}

/**
 * The figures of one cutting operation: ideal and set speed, feed, travel from touch, stop, pecks, torque, force at
 * the part's edge.
 */
export function cutFigures(spec: CutSpec, ctx: CutContext, over: CutOverride = {}): { cut: Cut; cautions: Caution[] } {
  const { material, machine } = ctx;
  const byHand = isHandHeld(machine);
  const asDrill = standIn(spec);
  const share = AGAINST_DRILL[spec.family];
  const tipMm = tipOf(spec);
  // How far the tip has to go through metal: what comes out at the back cuts air.
  const reachMm = spec.fullMm + (spec.through ? 0 : tipMm);
  const conditions = {
    drill: asDrill,
    material,
    depthMm: spec.family === 'drill' ? reachMm : 0,
    machine,
    dry: ctx.dry,
  };
  const ideal = scaled(idealBySchool(ctx.habits.speed, conditions), share.speed, share.why);
  const planned = scaled(drillFeed(spec.diameterMm, material, byHand), share.feed, share.why);
  const feed = over.feed === undefined ? planned : setAnswer(over.feed, 'mm/rev', planned, 'Feed');
  const travel = travelOf(spec, tipMm);
  const stringy = material.chips === 'stringy';
  const torque =
    spec.family === 'drill' || spec.family === 'step'
      ? drillingTorque(spec.diameterMm, feed.value, spec.pointAngleDeg ?? 118, material, spec.inHoleMm)
      : undefined;
  const force =
    torque && !byHand && machine?.kind !== 'lathe'
      ? grabForce(torque.value, ctx.leverMm ?? USUAL_LEVER_MM, ctx.leverMm === undefined)
      : undefined;
  const own = usualStop(machine);
  const kinds: [DepthStopKind, number][] = [
    [own.kind, own.divisionMm],
    ...(['scale', 'collar', 'tape', 'readout'] as const)
      .filter((k) => k !== own.kind)
      .map((k): [DepthStopKind, number] => [k, 1]),
  ];
  const cut: Cut = {
    spec,
    ideal,
    schools: spec.family === 'drill' ? speedSchools(conditions) : [],
    speed: speedFor(ideal.value, ctx, over.rpm),
    feed,
    tipMm,
    travel,
    breaksThroughMm: spec.through ? spec.fullMm : undefined,
    stop: [
      ...kinds.slice(0, 1).map(([kind, division]) => ({
        kind,
        order: stopSetting(kind, division, travel.value, own.turnMm),
      })),
      ...touchNotes(spec, travel.value, tipMm).map((order) => ({ kind: own.kind, order })),
      ...kinds.slice(1).map(([kind, division]) => ({ kind, order: stopSetting(kind, division, travel.value) })),
    ],
    pecks:
      spec.family === 'drill'
        ? peckDepths(spec.diameterMm, reachMm - spec.fromMm, material, byHand).map((at) => at + spec.fromMm)
        : [],
    peckEveryMm: (stringy ? 0.5 : 1) * spec.diameterMm,
    torque,
    grab: force && { force, holding: holdingFor(force.value) },
  };
  return { cut, cautions: cutCautions(spec, cut, ctx) };
}

/** Time to cut one hole, s: 60 (depth + tip + 1 mm) ÷ (feed × rpm) and 2 s a peck. */
export function cuttingTime(cut: Cut): Answer {
  const rpm = 'rpm' in cut.speed ? cut.speed.rpm : cut.ideal.value;
  const { spec, feed, pecks, tipMm } = cut;
  const long = Math.max(0, spec.fullMm - spec.fromMm) + tipMm + CLEAR_MM;
  return answer((60 * long) / (feed.value * rpm) + 2 * pecks.length, 's', {
    rule: 'Time in the cut',
    formula: '60 × (depth + tip + 1 mm) ÷ (feed × speed) + 2 s a withdrawal',
    inputs: [
      ['depth, tip and 1 mm', mm(long)],
      ['feed', quantity(feed.value, 'mm/rev')],
      ['speed', quantity(rpm, 'rpm')],
      ['withdrawals', quantity(pecks.length, 'count')],
    ],
    source: { kind: 'model', name: 'until the shop’s own times are logged' },
  });
}

export const isSet = (speed: Cut['speed']): speed is SpeedChoice => 'rpm' in speed;
