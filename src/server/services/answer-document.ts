import type { AnswerResponse } from '@/contracts/answer';
import type { Answer } from '@/core/answer/answer';
import { CORE_VERSION } from '@/core/ask/answer-question';
import type { HolePlan } from '@/core/ask/hole-plan';
import { drillName, type Drill } from '@/core/drills/drill';
import type { Tap } from '@/core/tapping/tap';
import type { TapDrillCandidate } from '@/core/tapping/choose-tap-drill';
import type { TappingWay } from '@/core/tapping/ways-of-tapping';
import { percentOfThreadAnswer } from '@/core/threads/percent-of-thread';
import { mmToInch } from '@/core/units/length';
import { tell, type Display } from '@/core/units/show';

/** Rounds away the noise of floating point, and nothing that matters: six decimals. */
const round = (value: number): number => Math.round(value * 1e6) / 1e6;
const orNull = (value: number | undefined): number | null => (value === undefined ? null : round(value));

const drillItem = (d: Drill) => ({
  label: d.label,
  name: drillName(d),
  series: d.series,
  diameterMm: round(d.diameterMm),
  diameterIn: round(mmToInch(d.diameterMm)),
});
const tapItem = ({ name, geometry, chamferThreads, flutes }: Tap) => ({ name, geometry, chamferThreads, flutes });

function wayItem(w: TappingWay, units: Display) {
  return {
    id: w.id,
    label: w.label,
    possible: w.possible,
    reason: tell(w.reason, units),
    taps: w.taps.map(tapItem),
    torqueNm: orNull(w.torque?.value),
    breakingTorqueNm: round(w.breaking.value),
    safetyAgainstBreaking: orNull(w.safety),
    leanDeg: w.leanDeg,
    seconds: Math.round(w.secondsAll),
  };
}

function workingOf(plan: HolePlan): [string, Answer | undefined][] {
  const { tapDrill, drilling, tapping, engagement, thread } = plan;
  const { used } = tapDrill;
  return [
    ['tapDrill.targetPercent', plan.limits && tapDrill.target],
    [
      'tapDrill.chosen.percentOfThread',
      plan.limits && plan.kind === 'cut' ? percentOfThreadAnswer(thread, used.drill.diameterMm, 'drill') : undefined,
    ],
    ['tapDrill.chosen.predictedHoleMm', used.hole],
    ['hole.fullDiameterDepthMm', tapping.best.depth?.fullDiameter],
    ['hole.totalDepthMm', tapping.best.depth?.total],
    ['hole.tipMm', drilling.tip],
    ['hole.wallLeftMm', plan.wall],
    ['drilling.idealRpm', drilling.ideal],
    ['drilling.ruleOfThumbRpm', drilling.thumb],
    ['drilling.feedMmPerRev', drilling.feed],
    ['tapping.torqueNm', tapping.best.torque],
    ['tapping.breakingTorqueNm', tapping.best.breaking],
    ['tapping.turns', tapping.best.turns],
    ['tapping.machineTappingRpm', tapping.speed],
    ['engagement.neededMm', engagement?.needed],
  ];
}

/** A plan as the JSON document of the HTTP interface: units in the names, sentences in the reader's units. */
export function answerDocument(plan: HolePlan, units: Display): AnswerResponse {
  const { thread, limits, hole, tapDrill, forming, drilling, tapping, engagement } = plan;
  const { best } = tapping;
  const candidate = (c: TapDrillCandidate) => {
    const compared = tapDrill.compared.find((d) => d.candidate === c);
    return {
      ...drillItem(c.drill),
      percentOfThread: orNull(c.percentOnDrill),
      percentOnPredictedHole: orNull(c.percentOnHole),
      predictedHoleMm: round(c.hole.value),
      finishedMinorMm: round(c.finishedMinorMm),
      verdict: c.verdict,
      beyondLimitMm: round(c.beyondMm),
      owned: c.owned,
      torqueNm: orNull(compared?.torqueNm),
      safetyAgainstBreaking: orNull(compared?.safety),
      threadNeededMm: orNull(compared?.neededMm),
    };
  };
  const maybe = (c: TapDrillCandidate | undefined) => (c ? candidate(c) : null);
  const speed = 'rpm' in drilling.speed ? drilling.speed : undefined;
  return {
    coreVersion: CORE_VERSION,
    thread: {
      designation: thread.designation,
      series: thread.series,
      standard: thread.standard,
      majorDiameterMm: round(thread.majorMm),
      pitchMm: round(thread.pitchMm),
      leftHand: hole.feature.leftHand,
      class: limits?.className ?? null,
      minorDiameterMinMm: orNull(limits?.minorMinMm),
      minorDiameterMaxMm: orNull(limits?.minorMaxMm),
      pitchDiameterMinMm: orNull(limits?.pitchDiameterMinMm),
      pitchDiameterMaxMm: orNull(limits?.pitchDiameterMaxMm),
    },
    count: plan.callout.count,
    materialId: plan.material.id,
    hole: {
      kind: hole.through ? 'through' : 'blind',
      threadDepthMm: round(hole.threadDepthMm),
      thicknessMm: orNull(hole.thicknessMm),
      fullDiameterDepthMm: orNull(best.depth?.fullDiameter.value),
      totalDepthMm: orNull(best.depth?.total.value),
      tipMm: round(drilling.tip.value),
      chipRoomMm: orNull(best.depth?.chipRoomMm),
      wallLeftMm: orNull(plan.wall?.value),
      chamferDiameterMm: round(plan.chamferMm),
    },
    tapDrill: {
      targetPercent: limits ? round(tapDrill.target.value) : null,
      rangeLowPercent: limits ? round(tapDrill.range.low) : null,
      rangeHighPercent: limits ? round(tapDrill.range.high) : null,
      because: tapDrill.because,
      chosen: candidate(tapDrill.used),
      lacking: maybe(tapDrill.lacking),
      closestOutside: maybe(tapDrill.closestOutside),
      nextSmaller: maybe(tapDrill.nextSmaller),
      nextLarger: maybe(tapDrill.nextLarger),
      schools: tapDrill.schools.map((s) => ({
        id: s.id,
        label: s.label,
        diameterMm: round(s.diameterMm),
        drill: s.drill ? drillName(s.drill) : null,
        why: tell(s.why, units),
      })),
    },
    forming: {
      allowed: forming.allowed,
      level: forming.allowed ? forming.level : null,
      reason: tell(forming.reason, units),
      drill: maybe(forming.drill),
    },
    drilling: {
      start: drilling.start,
      idealRpm: round(drilling.ideal.value),
      ruleOfThumbRpm: round(drilling.thumb.value),
      setRpm: orNull(speed?.rpm),
      setLabel: speed?.label ?? null,
      percentOfIdeal: orNull(speed?.percentOfIdeal),
      feedMmPerRev: round(drilling.feed.value),
      peckDepthsMm: drilling.pecks.map(round),
      pilots: drilling.pilots.map(drillItem),
      fluid: plan.dry ? 'dry, as asked' : plan.material.lubricant,
    },
    tapping: {
      kind: plan.kind,
      way: best.id,
      taps: best.taps.map(tapItem),
      torqueNm: orNull(best.torque?.value),
      breakingTorqueNm: round(best.breaking.value),
      safetyAgainstBreaking: orNull(best.safety),
      turns: round(best.turns.value),
      biteTurns: round(best.biteTurns),
      wrench: tell(best.wrench, units),
      machineTappingRpm: round(tapping.speed.value),
      ways: tapping.ways.map((w) => wayItem(w, units)),
    },
    engagement: engagement
      ? {
          boltClass: engagement.bolt.id,
          neededMm: round(engagement.needed.value),
          nominalMm: round(engagement.nominalMm),
          oneDiameterMm: round(engagement.oneDiameterMm),
          oneAndAHalfDiametersMm: round(engagement.oneAndAHalfDiametersMm),
          nutHeightMm: round(engagement.nutHeightMm),
          boltStressAreaMm2: round(engagement.stressAreaMm2),
        }
      : null,
    steps: plan.steps.map(({ code, order, details }) => ({
      code,
      order: tell(order, units),
      details: details.map((d) => tell(d, units)),
    })),
    assumptions: plan.assumptions.map((a) => tell(a, units)),
    cautions: plan.cautions.map((c) => ({ code: c.code, level: c.level, text: tell(c, units) })),
    working: workingOf(plan).flatMap(([figure, a]) =>
      a
        ? [
            {
              figure,
              rule: a.working.rule,
              formula: a.working.formula,
              inputs: a.working.inputs.map(({ label, quantity: q }) =>
                typeof q === 'string' ? { label, value: q, unit: '' } : { label, value: round(q.value), unit: q.unit },
              ),
              source: a.working.source,
              assumptions: a.working.assumptions.map((p) => tell(p, units)),
            },
          ]
        : [],
    ),
  };
}
