import type { Point } from './part';
import type { RoomFault } from './room';

/** The same fault on any number of holes of one feature, with the one move of the feature that cures them all. */
export interface FaultLine extends Pick<RoomFault, 'code' | 'level'> {
  /** How many faults it stands for. */
  count: number;
  /** Holes concerned, by index, those of the worst first. */
  holes: number[];
  /** The other feature of a pair, where there is one. */
  other?: string;
  featureId: string;
  /** Of the worst of them. */
  reason: RoomFault['reason'];
  cure?: Point;
}

/** The larger step of two that go the same way; undefined where they go against each other. */
function together(a: number, b: number): number | undefined {
  if (Math.abs(a) < 1e-9 || Math.abs(b) < 1e-9) return Math.abs(a) > Math.abs(b) ? a : b;
  return Math.sign(a) === Math.sign(b) ? (Math.abs(a) > Math.abs(b) ? a : b) : undefined;
}

function bothCured(a: Point | undefined, b: Point | undefined): Point | undefined {
  if (!a || !b) return undefined;
  const [x, y] = [together(a.x, b.x), together(a.y, b.y)];
  return x === undefined || y === undefined ? undefined : { x, y };
}

/**
 * Faults as a person reads them: one line for the same fault on all holes of a pattern.
 * @param faults the worst first
 * @param featureOf feature of a hole by its index
 */
export function faultLines(faults: readonly RoomFault[], featureOf: (hole: number) => string): FaultLine[] {
  const lines = new Map<string, FaultLine>();
  for (const { code, level, holes, reason, cure } of faults) {
    const [featureId, other] = holes.map(featureOf);
    const key = [code, level, featureId, other].join(' ');
    const line = lines.get(key);
    if (!line) lines.set(key, { code, level, count: 1, featureId, other, holes: [...holes], reason, cure });
    else {
      line.count += 1;
      line.holes.push(...holes.filter((h) => !line.holes.includes(h)));
      line.cure = bothCured(line.cure, cure);
    }
  }
  return [...lines.values()];
}

const WAYS = { x: ['left', 'right'], y: ['down', 'up'] } as const;

/** A step on a face in words: each way with how far, mm. */
export const stepInWords = (step: Point): { way: string; mm: number }[] =>
  (['x', 'y'] as const).flatMap((axis) =>
    Math.abs(step[axis]) < 0.005 ? [] : [{ way: WAYS[axis][step[axis] > 0 ? 1 : 0], mm: Math.abs(step[axis]) }],
  );
