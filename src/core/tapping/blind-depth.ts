import { answer, depth, mm, phrase, quantity, type Answer } from '../answer/answer';
import { coneDepth } from '../drills/drill-point';
import type { Thread } from '../threads/thread';
import type { Tap } from './tap';
import { threadArea } from './tapping-torque';

/**
 * Room in mm that a spiral-point tap needs below for the chips it pushes ahead. Model: four times their volume.
 * @example spiralPointChipRoom(M8, 6.8, 16) // 9.9
 */
export function spiralPointChipRoom(thread: Thread, holeMm: number, threadDepthMm: number): number {
  const turns = threadDepthMm / thread.pitchMm;
  const meanDiameter = (thread.majorMm + holeMm) / 2;
  const volume = threadArea(thread, holeMm) * Math.PI * meanDiameter * turns;
  return (4 * volume) / ((Math.PI / 4) * holeMm ** 2);
}

export interface BlindDepth {
  /** Full-diameter depth of the hole. */
  fullDiameter: Answer;
  /** To the point of the drill. */
  total: Answer;
  chipRoomMm: number;
  tipMm: number;
  runOutMm: number;
}

/** Of a blind hole for a tap, mm: run-out of its chamfer, room for chips, full-diameter depth, tip below that. */
export interface BlindParts {
  runOutMm: number;
  chipRoomMm: number;
  fullMm: number;
  tipMm: number;
}

/** The figures of {@link blindDepth}, mm, without their workings. */
export function blindParts(
  thread: Thread,
  threadDepthMm: number,
  lastTap: Tap,
  drillMm: number,
  pointAngleDeg: number,
  fromMm: number,
  morePitches = 0,
): BlindParts {
  const runOutMm = lastTap.chamferThreads * thread.pitchMm;
  const usualMm =
    lastTap.geometry === 'spiral-point' ? spiralPointChipRoom(thread, drillMm, threadDepthMm) : thread.pitchMm;
  const chipRoomMm = usualMm + morePitches * thread.pitchMm;
  const fullMm = fromMm + threadDepthMm + runOutMm + chipRoomMm;
  return { runOutMm, chipRoomMm, fullMm, tipMm: coneDepth(drillMm, pointAngleDeg) };
}

/**
 * How deep to drill a blind hole so that the full thread is deep enough for the last tap.
 * @param fromMm where the thread begins under the face, mm: the floor of a larger part above it
 */
export function blindDepth(
  thread: Thread,
  threadDepthMm: number,
  lastTap: Tap,
  drillMm: number,
  pointAngleDeg: number,
  fromMm = 0,
  morePitches = 0,
): BlindDepth {
  const parts = blindParts(thread, threadDepthMm, lastTap, drillMm, pointAngleDeg, fromMm, morePitches);
  const { runOutMm, chipRoomMm, fullMm: full, tipMm } = parts;
  const spiralPoint = lastTap.geometry === 'spiral-point';
  const fullDiameter = answer(full, 'mm', {
    rule: 'Full-diameter depth',
    formula: `${fromMm > 0 ? 'larger part + ' : ''}full thread + chamfer threads × pitch + chip room`,
    inputs: [
      ...(fromMm > 0 ? [['larger part above the thread', mm(fromMm)] as [string, ReturnType<typeof mm>]] : []),
      ['full thread', mm(threadDepthMm)],
      [`chamfer threads of the last tap (${lastTap.name})`, quantity(lastTap.chamferThreads, 'count')],
      ['pitch', mm(thread.pitchMm)],
      [
        spiralPoint
          ? 'chip room, four times the chips'
          : morePitches > 0
            ? 'room to stop the spindle in'
            : 'chip room, one pitch',
        mm(chipRoomMm),
      ],
    ],
    source: { kind: spiralPoint ? 'model' : 'trade rule', name: 'depth of blind tapped holes' },
    drawn: {
      kind: 'room',
      fromMm,
      threadMm: threadDepthMm,
      chamferThreads: lastTap.chamferThreads,
      pitchMm: thread.pitchMm,
      roomMm: chipRoomMm,
      majorMm: thread.majorMm,
    },
    assumptions:
      thread.majorMm <= 6
        ? [phrase('A tap this small may have a male centre: grind it off, or drill deeper by its length.')]
        : [],
  });
  const total = answer(full + tipMm, 'mm', {
    rule: 'Depth from where the tip touches',
    formula: 'full-diameter depth + diameter ÷ 2 ÷ tan(point angle ÷ 2)',
    inputs: [
      ['full-diameter depth', mm(full)],
      ['drill', mm(drillMm)],
      ['point angle', quantity(pointAngleDeg, 'deg')],
      ['tip', mm(tipMm)],
    ],
    source: { kind: 'trade rule', name: 'stop set from touch' },
  });
  return { fullDiameter, total, chipRoomMm, tipMm, runOutMm };
}

/**
 * Wall in mm under which the bottom may bulge or break: 1.5 mm or a fifth of the major diameter.
 * @example thinWallMm(8) // 0.2 × 8 = 1.6
 */
export const thinWallMm = (majorMm: number): number => Math.max(1.5, 0.2 * majorMm);

/** A stop set from touch is good to this, mm: a wall that is short by less is not called thin. Our judgement. */
export const STOP_REPEATS_MM = 0.1;

/**
 * What is left under a tip that ends this deep, mm; at or below zero it comes out at the back.
 * @example wallLeft(25, 23.04).value // 1.96
 */
export function wallLeft(thicknessMm: number, tipEndsMm: number): Answer {
  return answer(thicknessMm - tipEndsMm, 'mm', {
    rule: 'Wall left under the tip',
    formula: 'thickness − depth from touch',
    inputs: [
      ['thickness', depth(thicknessMm)],
      ['depth from touch', depth(tipEndsMm)],
    ],
    source: { kind: 'standard', name: 'geometry of the hole' },
  });
}
