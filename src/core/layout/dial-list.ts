import { answer, mm, type Answer } from '../answer/answer';
import type { Point } from './part';

/** A feed screw: travel per turn of its dial and the divisions on it. */
export interface Dial {
  travelMm: number;
  divisions: number;
}

export interface DialSetting {
  mm: number;
  turns: number;
  /** Divisions beyond the whole turns, to a tenth. */
  divisions: number;
  sign: 1 | -1;
}

/** Whole turns and divisions for a move, mm; the sign says which way. */
export function dialSetting(move: number, dial: Dial): DialSetting {
  const perDivision = dial.travelMm / dial.divisions;
  const tenths = Math.round((Math.abs(move) / perDivision) * 10);
  const perTurn = dial.divisions * 10;
  return { mm: move, turns: Math.floor(tenths / perTurn), divisions: (tenths % perTurn) / 10, sign: move < 0 ? -1 : 1 };
}

/**
 * Move from touching an edge until the spindle stands over it, mm: half the tool and the shim, onward in the same direction.
 * @example touchOff(8, 0.25).value // 4.25
 */
export function touchOff(toolDiameterMm: number, shimMm: number): Answer {
  return answer(toolDiameterMm / 2 + shimMm, 'mm', {
    rule: 'From touch to over the edge',
    formula: 'tool diameter ÷ 2 + shim',
    inputs: [
      ['tool', mm(toolDiameterMm)],
      ['shim', mm(shimMm)],
    ],
    source: { kind: 'trade rule', name: 'touch off, then go on in the same direction' },
  });
}

export interface DialRow {
  index: number;
  at: Point;
  x: DialSetting;
  y: DialSetting;
  /** The move comes from beyond in this axis, to take up the backlash from the usual side. */
  backUp: { x: boolean; y: boolean };
}

/** Settings from the zero at the datum corner, hole after hole, each axis always approached from below. */
export function dialList(order: readonly number[], points: readonly Point[], dial: Dial): DialRow[] {
  let before: Point = { x: -Infinity, y: -Infinity };
  return order.map((index) => {
    const at = points[index];
    const row: DialRow = {
      index,
      at,
      x: dialSetting(at.x, dial),
      y: dialSetting(at.y, dial),
      backUp: { x: at.x < before.x - 1e-9, y: at.y < before.y - 1e-9 },
    };
    before = at;
    return row;
  });
}

const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Length of a path through points in an order, mm. */
export const pathLength = (order: readonly number[], points: readonly Point[]): number =>
  order.reduce((sum, index, i) => (i === 0 ? 0 : sum + distance(points[order[i - 1]], points[index])), 0);

/** From this many points on, the path is not improved further: nearest neighbour alone. */
const IMPROVE_UP_TO = 400;

/** A short visiting order that starts nearest to the datum corner: nearest neighbour, then uncrossed. */
export function visitingOrder(points: readonly Point[]): number[] {
  const left = new Set(points.keys());
  const order: number[] = [];
  let here: Point = { x: 0, y: 0 };
  while (left.size > 0) {
    let best = -1;
    let least = Infinity;
    for (const i of left) {
      const d = distance(here, points[i]);
      if (d < least) {
        least = d;
        best = i;
      }
    }
    order.push(best);
    left.delete(best);
    here = points[best];
  }
  return points.length <= IMPROVE_UP_TO ? uncrossed(order, points) : order;
}

function uncrossed(order: number[], points: readonly Point[]): number[] {
  const d = (i: number, j: number): number => (j >= order.length ? 0 : distance(points[order[i]], points[order[j]]));
  for (let better = true, round = 0; better && round < 30; round++) {
    better = false;
    for (let i = 0; i < order.length - 2; i++)
      for (let j = i + 2; j < order.length; j++)
        if (d(i, j) + d(i + 1, j + 1) < d(i, i + 1) + d(j, j + 1) - 1e-9) {
          order = [...order.slice(0, i + 1), ...order.slice(i + 1, j + 1).reverse(), ...order.slice(j + 1)];
          better = true;
        }
  }
  return order;
}

export const shownTurns = ({ turns, divisions, sign }: DialSetting): string =>
  `${sign < 0 ? '−' : ''}${turns} t + ${divisions.toFixed(1)}`;
