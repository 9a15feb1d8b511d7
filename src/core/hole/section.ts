import { depth, mm, phrase, type Answer, type Phrase } from '../answer/answer';
import { coneDepth } from '../drills/drill-point';
import { drillName, FLAT_DEG, pointAngleOf } from '../drills/drill';
import { KINDS, kindsThat } from '../operation/kinds';
import { MAIN_KEY, type Operation, type OperationCode } from '../operation/operation';
import type { OutsideThread } from '../operation/outside-thread';
import type { CalloutFeature } from '../threads/callout';
import { mainCut, type HolePlan, type ThreadPart } from './hole-plan';

/** A depth that a section shows, from the face; those with a feature can be drawn to another depth. */
export interface Level {
  mm: number;
  /** What is set or read there, mm, where a scale holds it only nearly. */
  setMm?: number;
  name: Phrase;
  strong?: boolean;
  feature?: CalloutFeature;
  /** How it was reached. */
  of?: Answer;
  /** Key of the operation that makes it. */
  op?: string;
}

/** A hole cut in half: what is left of the metal, in mm from the face. */
export interface Section {
  title: string;
  subtitle: string;
  thicknessMm?: number;
  through: boolean;
  /** Stock that is much longer than the hole is broken: what lies between is not drawn. */
  broken?: { fromMm: number; toMm: number };
  /** Widest first. */
  bores: { diameterMm: number; fullMm: number; tipMm: number }[];
  mouth?: { diameterMm: number; angleDeg: number; fromMm: number };
  thread?: {
    majorMm: number;
    minorMm: number;
    pitchMm: number;
    fromMm: number;
    endMm: number;
    runOutMm: number;
    /** Each tap at its deepest, the last one last: where its full thread and its tip end. Empty where none is turned in. */
    taps: { fullMm: number; tipMm: number }[];
  };
  levels: Level[];
  /** A thread on a rod instead of a hole. */
  rod?: { majorMm: number; minorMm: number; pitchMm: number; lengthMm: number; chamferMm: number };
}

const BORES: readonly OperationCode[] = [
  ...kindsThat(({ removes }) => removes === 'bore' || removes === 'size'),
  'counterbore',
];

/** Stock longer than this many depths of the hole is broken, with this much of it left beyond the tip. */
const BREAK = { longer: 2.5, left: 0.35 } as const;

function threadOf({ thread, at, tapDrill, tapping }: ThreadPart, thicknessMm: number): Section['thread'] {
  const last = tapping.best.taps[tapping.best.taps.length - 1];
  const endMm = at.fromMm + at.lengthMm;
  const chamfer = last.chamferThreads * thread.pitchMm;
  return {
    majorMm: thread.majorMm,
    minorMm: tapDrill.used.finishedMinorMm,
    pitchMm: thread.pitchMm,
    fromMm: at.fromMm,
    endMm,
    runOutMm: at.through && endMm >= thicknessMm - 0.01 ? 0 : chamfer,
    taps: tapping.best.each.map(({ fullMm, tipMm }) => ({ fullMm, tipMm })),
  };
}

/** An old thread as it is, to its class's basic size. */
function oldThreadOf({ thread: at, existing }: HolePlan['hole']): Section['thread'] {
  if (!at || existing?.kind !== 'thread') return undefined;
  const { thread } = at.feature;
  return {
    majorMm: thread.majorMm,
    minorMm: thread.majorMm - 1.0825 * thread.pitchMm,
    pitchMm: thread.pitchMm,
    fromMm: at.fromMm,
    endMm: at.fromMm + at.lengthMm,
    runOutMm: 0,
    taps: [],
  };
}

type Bores = Section['bores'];

/** Every bore that is left to be seen: what a wider one has taken away is not. */
function boresOf(plan: HolePlan): Bores {
  const cut = plan.operations
    .flatMap(({ code, cut: c }) => (c && BORES.includes(code) ? [c] : []))
    .map(({ spec, tipMm }) => ({ diameterMm: spec.diameterMm, fullMm: spec.fullMm, tipMm }))
    .sort((a, b) => b.diameterMm - a.diameterMm)
    .filter(
      (b, i, all) => !all.slice(0, i).some((w) => w.fullMm >= b.fullMm && w.fullMm + w.tipMm >= b.fullMm + b.tipMm),
    );
  return cut.length > 0 ? cut : existingBore(plan);
}

function existingBore({ hole }: HolePlan): Bores {
  const { existing, thread, thicknessMm } = hole;
  if (existing?.kind === 'plain')
    return [{ diameterMm: existing.diameterMm, fullMm: thicknessMm ?? 2 * existing.diameterMm, tipMm: 0 }];
  const old = oldThreadOf(hole);
  return old && thread
    ? [{ diameterMm: old.minorMm, fullMm: hole.through ? (thicknessMm ?? old.endMm) : old.endMm, tipMm: 0 }]
    : [];
}

/** The depths of larger parts and counterbores, each with the feature that it draws. */
function upperLevels(plan: HolePlan): Level[] {
  return plan.operations.flatMap(({ key, code, cut }): Level[] => {
    const { level } = KINDS[code];
    if (!cut || !level) return [];
    const feature = plan.callout.features.find(
      (f) => f.kind === level.feature && Math.abs(f.diameterMm - cut.spec.diameterMm) < 0.3,
    );
    return [{ mm: cut.spec.fullMm, name: phrase(level.name), feature, op: key }];
  });
}

function threadLevels({ callout, hole, operations }: HolePlan, thread: Section['thread']): Level[] {
  if (!thread || !hole.thread) return [];
  const blind = !hole.thread.through;
  if (!blind && thread.endMm >= (hole.thicknessMm ?? 0) - 0.01) return [];
  const feature = callout.features.find((f) => f.kind === 'thread');
  return [
    {
      mm: thread.endMm,
      name: phrase('full thread to'),
      feature,
      op: operations.findLast((o) => o.code === 'tap')?.key,
    },
  ];
}

/** Where the bore of a thread ends that goes on below as a narrower one. */
function floorLevels(plan: HolePlan): Level[] {
  const blind = plan.thread?.tapping.best.depth;
  return blind && plan.hole.through
    ? [{ mm: blind.fullDiameter.value, name: phrase('tap drill to'), strong: true, op: MAIN_KEY }]
    : [];
}

/** Through holes: how far the spindle goes, which says how deep to set the stop. */
const mainTravel = (plan: HolePlan): Answer | undefined => mainCut(plan)?.travel;

function bottomLevels(plan: HolePlan, bores: Bores, threaded: boolean): Level[] {
  const { hole, callout } = plan;
  const deepest = bores.reduce((d, b) => Math.max(d, b.fullMm), 0);
  const tip = bores.reduce((d, b) => Math.max(d, b.fullMm + b.tipMm), 0);
  if (hole.through)
    return [
      {
        mm: hole.thicknessMm ?? deepest,
        name: phrase('through the plate'),
        strong: true,
        of: mainTravel(plan),
        op: MAIN_KEY,
      },
      ...(tip > deepest ? [{ mm: tip, name: phrase('tip clears at') }] : []),
    ];
  const main = plan.operations.findLast((op) => op.cut && BORES.includes(op.code) && op.code !== 'counterbore');
  const room = plan.thread?.tapping.best.depth?.chipRoomMm ?? 0;
  const feature = callout.features.find(
    (f) => f.kind === 'hole' && Math.abs(f.diameterMm - (main?.cut?.spec.diameterMm ?? 0)) < 0.3,
  );
  return [
    {
      mm: deepest,
      name: room > 0 ? phrase('full, {room} chip room', { room: depth(room) }) : phrase('full diameter to'),
      strong: true,
      feature: threaded ? undefined : feature,
      of: plan.thread?.tapping.best.depth?.fullDiameter,
      op: main?.key,
    },
    { mm: tip, setMm: main?.cut?.stopMm, name: phrase('stop, from touch'), strong: true, of: main?.cut?.travel },
    ...(hole.thicknessMm === undefined
      ? []
      : [
          {
            mm: hole.thicknessMm,
            name: phrase('back, wall {wall}', { wall: depth(hole.thicknessMm - tip) }),
            of: plan.wall,
          },
        ]),
  ];
}

/** What the mouth is opened to, by countersink, chamfer or spot. */
function mouthOf({ operations }: HolePlan, mainMm: number): Section['mouth'] {
  const sink = operations.find((op) => op.code === 'countersink' || op.code === 'chamfer');
  const spot = operations.find((op) => op.code === 'start' && op.cut?.spec.family === 'spot');
  const opened = sink?.cut?.spec ?? spot?.cut?.spec;
  return opened && opened.diameterMm > mainMm
    ? { diameterMm: opened.diameterMm, angleDeg: opened.pointAngleDeg ?? 90, fromMm: 0 }
    : undefined;
}

/** Where stock much longer than a blind hole is broken, mm from the face. */
function brokenOf({ hole }: HolePlan, bores: Bores): Section['broken'] {
  const tip = bores.reduce((d, b) => Math.max(d, b.fullMm + b.tipMm), 0);
  if (hole.through || hole.thicknessMm === undefined || hole.thicknessMm <= BREAK.longer * tip) return undefined;
  const left = BREAK.left * tip;
  return { fromMm: tip + left, toMm: hole.thicknessMm - left };
}

function nameOf(main: Operation | undefined): string {
  const spec = main?.cut?.spec;
  if (!spec) return 'the existing hole';
  if (!spec.drill) return spec.tool.name;
  const angle = pointAngleOf(spec.drill);
  return `drill ${drillName(spec.drill)}, ${angle === FLAT_DEG ? 'flat-bottomed' : `${angle}° point`}`;
}

/** A threaded rod, seen from the side. */
function rodSection({ thread, kind, leftHand, lengthMm, blank, chamfer, turns }: OutsideThread): Section {
  return {
    title: `${thread.designation}${leftHand ? ' LH' : ''}`,
    subtitle: kind === 'stud' ? 'inner end of a stud' : 'outside, by die',
    through: false,
    bores: [],
    levels: [
      { mm: lengthMm, name: phrase('full thread to'), strong: true, of: turns, op: 'die-run' },
      { mm: 0, name: phrase('blank {blank}', { blank: mm(blank.value) }), of: blank, op: 'blank' },
    ],
    rod: {
      majorMm: thread.majorMm,
      minorMm: thread.majorMm - 1.2269 * thread.pitchMm,
      pitchMm: thread.pitchMm,
      lengthMm,
      chamferMm: chamfer.value,
    },
  };
}

/** The section of a hole as its operations leave it. */
export function sectionOf(plan: HolePlan): Section {
  if (plan.outside) return rodSection(plan.outside);
  const { hole, operations } = plan;
  const bores = boresOf(plan);
  const drilled = operations.filter(
    (op) => op.cut && BORES.includes(op.code) && op.code !== 'counterbore' && op.code !== 'ream',
  );
  const main = drilled.find((op) => op.code !== 'pilot' && op.key === 'drill') ?? drilled.at(-1);
  const mainMm = main?.cut?.spec.diameterMm ?? 0;
  const thread = plan.thread ? threadOf(plan.thread, hole.thicknessMm ?? 0) : oldThreadOf(hole);
  const levels = [
    ...upperLevels(plan),
    ...threadLevels(plan, thread),
    ...floorLevels(plan),
    ...bottomLevels(plan, bores, thread !== undefined),
  ].sort((a, b) => a.mm - b.mm);
  return {
    title: hole.thread?.feature.thread.designation ?? `ø${main ? mainMm.toFixed(1) : ''}`,
    subtitle: nameOf(main),
    thicknessMm: hole.thicknessMm,
    through: hole.through,
    broken: brokenOf(plan, bores),
    bores,
    mouth: mouthOf(plan, mainMm),
    thread,
    levels,
  };
}

/** Depth as it is drawn, mm: what the break of long stock leaves out is not there. */
export const drawnDepth =
  ({ broken }: Pick<Section, 'broken'>) =>
  (mm: number): number =>
    broken && mm > broken.fromMm ? Math.max(broken.fromMm, mm - broken.toMm + broken.fromMm) : mm;

/** How far a cone of a mouth reaches below its start, mm, in a hole of this diameter. */
export const mouthDepth = (mouth: NonNullable<Section['mouth']>, holeMm: number): number =>
  coneDepth(Math.max(0, mouth.diameterMm - holeMm), mouth.angleDeg);
