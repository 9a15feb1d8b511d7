import { sixPlaces } from '@/core/units/six-places';
import type { AnswerResponse } from '@/contracts/answer';
import type { Answer } from '@/core/answer/answer';
import { drillName, pointAngleOf, type Drill } from '@/core/drills/drill';
import { drillTip } from '@/core/drills/drill-point';
import { allCautions, mainCut, type HolePlan, type ThreadPart } from '@/core/hole/hole-plan';
import { formingDrill, weighDrill } from '@/core/hole/trade-off';
import type { Cut } from '@/core/operation/operation';
import type { TapUse } from '@/core/tapping/turning';
import type { TapDrillCandidate } from '@/core/tap-drill/tap-drill-candidate';
import type { TappingWay } from '@/core/tapping/ways-of-tapping';
import { classLimits, type ClassLimits } from '@/core/threads/class-limits';
import { percentOfThreadAnswer } from '@/core/threads/percent-of-thread';
import { isTapered } from '@/core/threads/thread';
import { mmToInch } from '@/core/units/length';
import { tell, type Display } from '@/core/units/show';

/** Rounds away the noise of floating point, and nothing that matters: six decimals. */
const orNull = (value: number | undefined): number | null => (value === undefined ? null : sixPlaces(value));

const drillItem = (d: Drill) => ({
  label: d.label,
  name: drillName(d),
  series: d.series,
  diameterMm: sixPlaces(d.diameterMm),
  diameterIn: sixPlaces(mmToInch(d.diameterMm)),
});
const tapItem = ({ tap, load, turns }: TapUse) => ({
  key: tap.key,
  name: tap.name,
  geometry: tap.geometry,
  chamferThreads: tap.chamferThreads,
  flutes: tap.flutes,
  inCrib: tap.owned,
  torqueNm: orNull(load?.torque.value),
  safety: orNull(load?.safety),
  level: load?.level ?? null,
  turns: sixPlaces(turns.value),
});

function wayItem(w: TappingWay, units: Display) {
  return {
    id: w.id,
    label: w.label,
    possible: w.possible,
    reason: tell(w.reason, units),
    taps: w.each.map(tapItem),
    torqueNm: orNull(w.load?.torque.value),
    breakingTorqueNm: sixPlaces(w.breaking.value),
    safetyAgainstBreaking: orNull(w.load?.safety),
    leanDeg: w.leanDeg,
    seconds: Math.round(w.secondsAll),
  };
}

function threadWorking({
  thread,
  limits,
  kind,
  tapDrill,
  tapping,
  engagement,
}: ThreadPart): [string, Answer | undefined][] {
  const { best } = tapping;
  return [
    ['tapDrill.targetPercent', limits && tapDrill.target],
    [
      'tapDrill.chosen.percentOfThread',
      limits && kind === 'cut' ? percentOfThreadAnswer(thread, tapDrill.used.drill.diameterMm, 'drill') : undefined,
    ],
    ['tapDrill.chosen.predictedHoleMm', tapDrill.hole],
    ['hole.fullDiameterDepthMm', best.depth?.fullDiameter],
    ['tapping.torqueNm', best.load?.torque],
    ['tapping.breakingTorqueNm', best.breaking],
    ['tapping.turns', best.turns],
    ['tapping.machineTappingRpm', tapping.speed],
    ['engagement.neededMm', engagement?.needed],
  ];
}

const thumbOf = ({ methods }: Cut): Answer | undefined => methods.find((m) => m.id === 'thumb')?.rpm;

function cutWorking(cut: Cut): [string, Answer | undefined][] {
  const { drill } = cut.spec;
  return [
    ['hole.totalDepthMm', cut.spec.through ? undefined : cut.travel],
    ['hole.tipMm', drill && drillTip(drill.diameterMm, pointAngleOf(drill))],
    ['drilling.idealRpm', cut.ideal],
    ['drilling.ruleOfThumbRpm', thumbOf(cut)],
    ['drilling.feedMmPerRev', cut.feed],
  ];
}

/** How a figure was reached, as it is sent. @param figure its path in the document */
export function workingItem(figure: string, { working }: Answer, units: Display): AnswerResponse['working'][number] {
  const { rule, formula, inputs, source, assumptions } = working;
  return {
    figure,
    rule,
    formula,
    inputs: inputs.map(({ label, quantity: q }) =>
      typeof q === 'string' ? { label, value: q, unit: '' } : { label, value: sixPlaces(q.value), unit: q.unit },
    ),
    source,
    assumptions: assumptions.map((p) => tell(p, units)),
  };
}

/** Limits of the thread cut, or of an old one that is kept. */
function limitsOf({ hole, thread }: HolePlan): ClassLimits | undefined {
  const feature = hole.thread?.feature;
  if (thread || !feature || isTapered(feature.thread)) return thread?.limits;
  const limits = classLimits(feature.thread, feature.className);
  return limits.ok ? limits.value : undefined;
}

function threadItem(plan: HolePlan): AnswerResponse['thread'] {
  const feature = plan.hole.thread?.feature;
  if (!feature) return null;
  const { thread, leftHand } = feature;
  const limits = limitsOf(plan);
  return {
    designation: thread.designation,
    series: thread.series,
    standard: thread.standard,
    majorDiameterMm: sixPlaces(thread.majorMm),
    pitchMm: sixPlaces(thread.pitchMm),
    leftHand,
    class: limits?.className ?? null,
    minorDiameterMinMm: orNull(limits?.minorMinMm),
    minorDiameterMaxMm: orNull(limits?.minorMaxMm),
    pitchDiameterMinMm: orNull(limits?.pitchDiameterMinMm),
    pitchDiameterMaxMm: orNull(limits?.pitchDiameterMaxMm),
  };
}

function holeItem({ hole, thread, wall }: HolePlan, cut: Cut | undefined): AnswerResponse['hole'] {
  const blind = cut && !cut.spec.through ? cut : undefined;
  return {
    kind: (hole.thread?.through ?? hole.through) ? 'through' : 'blind',
    threadDepthMm: orNull(hole.thread?.lengthMm),
    thicknessMm: orNull(hole.thicknessMm),
    fullDiameterDepthMm: orNull(blind?.spec.fullMm),
    totalDepthMm: orNull(blind?.travel.value),
    tipMm: orNull(cut?.tipMm),
    chipRoomMm: orNull(thread?.tapping.best.depth?.chipRoomMm),
    wallLeftMm: orNull(wall?.value),
    chamferDiameterMm: orNull(thread?.chamferMm),
  };
}

function candidateItem(part: ThreadPart, c: TapDrillCandidate) {
  const { load, neededMm } = weighDrill(part, c);
  return {
    ...drillItem(c.drill),
    percentOfThread: orNull(c.percentOnDrill),
    percentOnPredictedHole: orNull(c.percentOnHole),
    predictedHoleMm: sixPlaces(c.holeMm),
    predictedSpreadMm: sixPlaces(c.sigmaMm),
    insideShare: orNull(c.insideShare),
    finishedMinorMm: sixPlaces(c.finishedMinorMm),
    verdict: c.verdict,
    beyondLimitMm: sixPlaces(c.beyondMm),
    owned: c.owned,
    torqueNm: orNull(load?.torque.value),
    safetyAgainstBreaking: orNull(load?.safety),
    threadNeededMm: orNull(neededMm),
  };
}

function tapDrillItem(part: ThreadPart, units: Display): AnswerResponse['tapDrill'] {
  const { limits, tapDrill } = part;
  const maybe = (c: TapDrillCandidate | undefined) => (c ? candidateItem(part, c) : null);
  return {
    targetPercent: limits ? sixPlaces(tapDrill.target.value) : null,
    rangeLowPercent: limits ? sixPlaces(tapDrill.range.low) : null,
    rangeHighPercent: limits ? sixPlaces(tapDrill.range.high) : null,
    because: tapDrill.because,
    chosen: candidateItem(part, tapDrill.used),
    missing: maybe(tapDrill.missing),
    closestOutside: maybe(tapDrill.closestOutside),
    nextSmaller: maybe(tapDrill.nextSmaller),
    nextLarger: maybe(tapDrill.nextLarger),
    methods: tapDrill.methods.map((s) => ({
      id: s.id,
      label: s.label,
      diameterMm: sixPlaces(s.diameterMm),
      drill: drillName(s.drill),
      why: tell(s.why, units),
    })),
  };
}

function formingItem(part: ThreadPart, units: Display): AnswerResponse['forming'] {
  const { verdict } = part.forming;
  const drill = formingDrill(part);
  return {
    allowed: verdict.allowed,
    level: verdict.allowed ? verdict.level : null,
    reason: tell(verdict.reason, units),
    drill: drill ? candidateItem(part, drill) : null,
  };
}

function drillingItem(plan: HolePlan, cut: Cut): AnswerResponse['drilling'] {
  const speed = cut.speed.ok ? cut.speed.value : undefined;
  const { tool, diameterMm } = cut.spec;
  return {
    start: plan.start,
    tool: tool.name,
    diameterMm: sixPlaces(diameterMm),
    inCrib: tool.owned,
    idealRpm: sixPlaces(cut.ideal.value),
    ruleOfThumbRpm: orNull(thumbOf(cut)?.value),
    setRpm: orNull(speed?.rpm),
    setLabel: speed?.label ?? null,
    percentOfIdeal: orNull(speed?.percentOfIdeal),
    feedMmPerRev: sixPlaces(cut.feed.value),
    peckDepthsMm: cut.pecks.map(sixPlaces),
    pilots: plan.operations.flatMap((op) =>
      op.code === 'pilot' && op.cut?.spec.drill ? [drillItem(op.cut.spec.drill)] : [],
    ),
    fluid: plan.dry ? 'dry, as asked' : plan.material.lubricant,
  };
}

function tappingItem({ kind, tapping }: ThreadPart, units: Display): AnswerResponse['tapping'] {
  const { best } = tapping;
  return {
    kind,
    way: best.id,
    taps: best.each.map(tapItem),
    torqueNm: orNull(best.load?.torque.value),
    breakingTorqueNm: sixPlaces(best.breaking.value),
    safetyAgainstBreaking: orNull(best.load?.safety),
    turns: sixPlaces(best.turns.value),
    biteTurns: sixPlaces(best.biteTurns),
    wrench: tell(best.wrench, units),
    machineTappingRpm: sixPlaces(tapping.speed.value),
    ways: tapping.ways.map((w) => wayItem(w, units)),
  };
}

const engagementItem = ({ engagement: e }: ThreadPart): AnswerResponse['engagement'] =>
  e
    ? {
        boltClass: e.bolt.id,
        neededMm: sixPlaces(e.needed.value),
        nominalMm: sixPlaces(e.nominalMm),
        oneDiameterMm: sixPlaces(e.oneDiameterMm),
        oneAndAHalfDiametersMm: sixPlaces(e.oneAndAHalfDiametersMm),
        nutHeightMm: sixPlaces(e.nutHeightMm),
        boltStressAreaMm2: sixPlaces(e.stressAreaMm2),
      }
    : null;

/** A plan as the JSON document of the HTTP interface: units in the names, sentences in the reader's units. */
export function answerDocument(plan: HolePlan, units: Display): AnswerResponse {
  const { thread } = plan;
  const cut = mainCut(plan);
  const working = [...(thread ? threadWorking(thread) : []), ...(cut ? cutWorking(cut) : [])];
  return {
    coreVersion: plan.coreVersion,
    thread: threadItem(plan),
    count: plan.callout.count,
    materialId: plan.material.id,
    hole: holeItem(plan, cut),
    tapDrill: thread ? tapDrillItem(thread, units) : null,
    forming: thread ? formingItem(thread, units) : null,
    drilling: cut ? drillingItem(plan, cut) : null,
    tapping: thread ? tappingItem(thread, units) : null,
    engagement: thread ? engagementItem(thread) : null,
    steps: plan.operations.map(({ key, code, order, details }) => ({
      key,
      code,
      order: tell(order, units),
      details: details.map((d) => tell(d, units)),
    })),
    assumptions: plan.assumptions.map((a) => tell(a, units)),
    cautions: allCautions(plan).map((c) => ({
      code: c.code,
      level: c.level,
      subject: c.subject,
      text: tell(c, units),
    })),
    working: [...working, ['hole.wallLeftMm', plan.wall] as [string, Answer | undefined]].flatMap(([figure, a]) =>
      a ? [workingItem(figure, a, units)] : [],
    ),
  };
}
