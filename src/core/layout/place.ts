import type { ProblemCode } from '../answer/problem-codes';
import { phrase, quantity, type Problem } from '../answer/answer';
import type { Point } from './part';

/** Where the holes of a feature are, mm from the datum edges. Patterns stay patterns. */
export type Place =
  | { kind: 'point'; x: number; y: number }
  | { kind: 'circle'; x: number; y: number; diameter: number; divisions: number; startDeg: number; skip: number[] }
  | { kind: 'row'; x: number; y: number; count: number; pitch: number; angleDeg: number }
  | { kind: 'grid'; x: number; y: number; columns: number; rows: number; dx: number; dy: number }
  | { kind: 'mirror'; of: string; axis: 'x' | 'y'; at: number }
  | { kind: 'offset'; of: string; dx: number; dy: number }
  | { kind: 'list'; points: [x: number, y: number][] };

/** Most holes of one job, so that every check of it stays quick. */
export const MOST_HOLES = 2500;

export interface Placed {
  id: string;
  place?: Place;
}

/** A point on a circle; 0 degrees to the right, counting anticlockwise as seen from the face. */
export function onCircle(centre: Point, radius: number, deg: number): Point {
  const quarter = deg / 90;
  const exact = Number.isInteger(quarter)
    ? [
        [1, 0],
        [0, 1],
        [-1, 0],
        [0, -1],
      ][((quarter % 4) + 4) % 4]
    : undefined;
  const [c, s] = exact ?? [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return { x: centre.x + radius * c, y: centre.y + radius * s };
}

const range = (n: number): number[] => Array.from({ length: n }, (_, i) => i);

/** How many holes a place that stands on its own has, without making them. */
function countOf(place: Exclude<Place, { kind: 'mirror' | 'offset' }>): number {
  switch (place.kind) {
    case 'point':
      return 1;
    case 'circle':
      return place.divisions - new Set(place.skip.filter((n) => n <= place.divisions)).size;
    case 'row':
      return place.count;
    case 'grid':
      return place.columns * place.rows;
    case 'list':
      return place.points.length;
  }
}

/**
 * The points of a place that stands on its own, in its own order; none where they are more than a job may have. Mirror
 * and offset need the others: see expandPlaces.
 */
export function pointsOf(place: Exclude<Place, { kind: 'mirror' | 'offset' }>): Point[] {
  if (countOf(place) > MOST_HOLES) return [];
  switch (place.kind) {
    case 'point':
      return [{ x: place.x, y: place.y }];
    case 'circle':
      return range(place.divisions)
        .filter((i) => !place.skip.includes(i + 1))
        .map((i) => onCircle(place, place.diameter / 2, place.startDeg + (360 * i) / place.divisions));
    case 'row':
      return range(place.count).map((i) => onCircle(place, i * place.pitch, place.angleDeg));
    case 'grid':
      return range(place.rows).flatMap((row) =>
        range(place.columns).map((column) => ({ x: place.x + column * place.dx, y: place.y + row * place.dy })),
      );
    case 'list':
      return place.points.map(([x, y]) => ({ x, y }));
  }
}

const refuse = (code: ProblemCode, id: string, text: string, remedy: string, values = {}): Problem => ({
  code,
  field: id,
  ...phrase(text, values),
  remedy: phrase(remedy),
});

/** How many holes features have together, without making any; a pattern that refers to nothing or in a ring has none. */
export function countHoles(features: readonly Placed[]): number {
  const places = new Map(features.map((f) => [f.id, f.place]));
  const known = new Map<string, number>();
  const count = (id: string): number => {
    const before = known.get(id);
    if (before !== undefined) return before;
    known.set(id, 0);
    const place = places.get(id);
    const own = !place ? 0 : place.kind === 'mirror' || place.kind === 'offset' ? count(place.of) : countOf(place);
    known.set(id, own);
    return own;
  };
  return features.reduce((sum, { id }) => sum + count(id), 0);
}

export interface Expanded {
  points: Map<string, Point[]>;
  /** Patterns that refer to nothing or to themselves in a ring, which then have no points; too many holes. */
  problems: Problem[];
}

/** The points of every feature by its id; features without a place have none, and of too many holes none is made. */
export function expandPlaces(features: readonly Placed[]): Expanded {
  const total = countHoles(features);
  if (total > MOST_HOLES)
    return {
      points: new Map(features.map((f) => [f.id, []])),
      problems: [
        refuse(
          'place-many',
          features[features.length - 1].id,
          'These are {total} holes; one part has at most {most}.',
          'Remove some, or split the part into two jobs.',
          { total: quantity(total, 'count'), most: quantity(MOST_HOLES, 'count') },
        ),
      ],
    };
  const byId = new Map(features.map((f) => [f.id, f]));
  const done = new Map<string, Point[]>();
  const problems: Problem[] = [];
  const open = new Set<string>();
  const expand = (id: string): Point[] => {
    const known = done.get(id);
    if (known) return known;
    const place = byId.get(id)?.place;
    if (!place) {
      done.set(id, []);
      return [];
    }
    open.add(id);
    let points: Point[];
    if (place.kind === 'mirror' || place.kind === 'offset') {
      if (!byId.has(place.of) || open.has(place.of)) {
        problems.push(
          byId.has(place.of)
            ? refuse(
                'place-ring',
                id,
                'This pattern ends up referring to itself.',
                'Refer it to a feature that has its own place.',
              )
            : refuse(
                'place-lost',
                id,
                'The feature that this pattern refers to was removed.',
                'Pick another, or place it first.',
              ),
        );
        points = [];
      } else
        points = expand(place.of).map((p) =>
          place.kind === 'offset'
            ? { x: p.x + place.dx, y: p.y + place.dy }
            : place.axis === 'x'
              ? { x: 2 * place.at - p.x, y: p.y }
              : { x: p.x, y: 2 * place.at - p.y },
        );
    } else points = pointsOf(place);
    open.delete(id);
    done.set(id, points);
    return points;
  };
  for (const { id } of features) expand(id);
  return { points: done, problems };
}
