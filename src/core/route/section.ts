import { depth, phrase, type Phrase } from '../answer/answer';
import type { HolePlan } from '../ask/hole-plan';
import { coneDepth } from '../drills/drill-point';
import { drillName } from '../drills/drill';
import type { Callout, CalloutFeature } from '../threads/callout';
import type { Operation } from './operation';

/** A depth that a section shows, from the face; those with a feature can be drawn to another depth. */
export interface Level {
  mm: number;
  name: Phrase;
  strong?: boolean;
  feature?: CalloutFeature;
}

/** A hole cut in half: what is left of the metal, in mm from the face. */
export interface Section {
  title: string;
  subtitle: string;
  thicknessMm?: number;
  through: boolean;
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
    tapChamferMm: number;
  };
  levels: Level[];
}

interface Planned {
  callout: Callout;
  thicknessMm?: number;
  through: boolean;
  operations: readonly Operation[];
  thread?: Omit<HolePlan, 'steps'>;
  /** A hole that is there and is not drilled, mm. */
  existingMm?: number;
}

const BORES: readonly Operation['code'][] = [
  'open',
  'drill',
  'step-drill',
  'annular',
  'saw',
  'ream',
  'counterbore',
  'pilot',
];

function threadOf(plan: Omit<HolePlan, 'steps'>): Section['thread'] {
  const { thread, hole, tapDrill, tapping } = plan;
  const last = tapping.best.taps[tapping.best.taps.length - 1];
  const fromMm = hole.clearance?.depthMm ?? 0;
  const endMm = fromMm + hole.threadDepthMm;
  const chamfer = last.chamferThreads * thread.pitchMm;
  return {
    majorMm: thread.majorMm,
    minorMm: tapDrill.used.finishedMinorMm,
    pitchMm: thread.pitchMm,
    fromMm,
    endMm,
    runOutMm: hole.through && endMm >= (hole.thicknessMm ?? 0) - 0.01 ? 0 : chamfer,
    tapChamferMm: chamfer,
  };
}

function levelsOf(p: Planned, bores: Section['bores'], thread: Section['thread']): Level[] {
  const written = (kind: CalloutFeature['kind'], diameterMm?: number): CalloutFeature | undefined =>
    p.callout.features.find(
      (f) =>
        f.kind === kind &&
        (diameterMm === undefined || (f.kind !== 'thread' && Math.abs(f.diameterMm - diameterMm) < 0.3)),
    );
  const levels: Level[] = [];
  const blind = !p.through;
  const main = p.operations.findLast((op) => op.cut && BORES.includes(op.code) && op.code !== 'counterbore');
  for (const op of p.operations) {
    if (!op.cut || (op.code !== 'open' && op.code !== 'counterbore')) continue;
    const kind = op.code === 'open' ? 'hole' : 'counterbore';
    levels.push({
      mm: op.cut.spec.fullMm,
      name: phrase(op.code === 'open' ? 'larger part to' : 'counterbore to'),
      feature: written(kind, op.cut.spec.diameterMm),
    });
  }
  if (thread && (blind || thread.endMm < (p.thicknessMm ?? 0) - 0.01))
    levels.push({ mm: thread.endMm, name: phrase('full thread to'), feature: written('thread') });
  const deepest = bores.reduce((d, b) => Math.max(d, b.fullMm), 0);
  const tip = bores.reduce((d, b) => Math.max(d, b.fullMm + b.tipMm), 0);
  const room = p.thread?.tapping.best.depth?.chipRoomMm ?? 0;
  if (blind) {
    levels.push({
      mm: deepest,
      name: room > 0 ? phrase('full, {room} chip room', { room: depth(room) }) : phrase('full diameter to'),
      strong: true,
      feature: thread || !main ? undefined : written('hole', main.cut?.spec.diameterMm),
    });
    levels.push({ mm: tip, name: phrase('stop, from touch'), strong: true });
    if (p.thicknessMm !== undefined)
      levels.push({
        mm: p.thicknessMm,
        name: phrase('back, wall {wall}', { wall: depth(p.thicknessMm - tip) }),
      });
  } else {
    levels.push({ mm: p.thicknessMm ?? deepest, name: phrase('through the plate'), strong: true });
    levels.push({ mm: tip, name: phrase('tip clears at') });
  }
  return levels.sort((a, b) => a.mm - b.mm);
}

/** The section of a hole as its operations leave it. */
export function sectionOf(p: Planned): Section {
  const cuts = p.operations.flatMap((op) =>
    op.cut && BORES.includes(op.code) ? [{ code: op.code, cut: op.cut }] : [],
  );
  const bores = cuts
    .map(({ cut }) => ({ diameterMm: cut.spec.diameterMm, fullMm: cut.spec.fullMm, tipMm: cut.tipMm }))
    .sort((a, b) => b.diameterMm - a.diameterMm)
    // What a wider bore has taken away is no longer there to be seen.
    .filter(
      (b, i, all) => !all.slice(0, i).some((w) => w.fullMm >= b.fullMm && w.fullMm + w.tipMm >= b.fullMm + b.tipMm),
    );
  if (bores.length === 0 && p.existingMm !== undefined)
    bores.push({ diameterMm: p.existingMm, fullMm: p.thicknessMm ?? 2 * p.existingMm, tipMm: 0 });
  const sink = p.operations.find((op) => op.code === 'countersink' || op.code === 'chamfer');
  const spot = p.operations.find((op) => op.code === 'start' && op.cut?.spec.family === 'spot');
  const opened = sink?.cut?.spec ?? spot?.cut?.spec;
  const thread = p.thread && threadOf(p.thread);
  const main = cuts.findLast(({ code }) => code !== 'counterbore' && code !== 'ream')?.cut.spec;
  const drawn = main?.drill
    ? `drill ${drillName(main.drill)}, ${main.drill.pointAngleDeg ?? 118}° point`
    : main?.tool.name;
  return {
    title: p.thread?.thread.designation ?? `ø${main ? main.diameterMm.toFixed(1) : ''}`,
    subtitle: drawn ?? 'the hole that is there',
    thicknessMm: p.thicknessMm,
    through: p.through,
    bores,
    mouth:
      opened && opened.diameterMm > (main?.diameterMm ?? 0)
        ? { diameterMm: opened.diameterMm, angleDeg: opened.pointAngleDeg ?? 90, fromMm: 0 }
        : undefined,
    thread,
    levels: levelsOf(p, bores, thread),
  };
}

/** How far a cone of a mouth reaches below its start, mm, in a hole of this diameter. */
export const mouthDepth = (mouth: NonNullable<Section['mouth']>, holeMm: number): number =>
  coneDepth(Math.max(0, mouth.diameterMm - holeMm), mouth.angleDeg);
