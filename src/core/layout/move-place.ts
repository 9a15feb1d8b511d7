import type { Place } from './place';
import type { Point } from './part';

/** A place moved by a step, mm from the datum. A mirrored place follows its source and stays as it is. */
export function movePlace(place: Place, by: Point): Place {
  if (place.kind === 'mirror') return place;
  if (place.kind === 'offset') return { ...place, dx: place.dx + by.x, dy: place.dy + by.y };
  if (place.kind === 'list')
    return { ...place, points: place.points.map(([x, y]): [number, number] => [x + by.x, y + by.y]) };
  return { ...place, x: place.x + by.x, y: place.y + by.y };
}

/** The step that lands a point on the nearest scribed line within reach, in each axis on its own; else the step as it is. */
export function snapStep(
  from: Point,
  step: Point,
  lines: { x: readonly number[]; y: readonly number[] },
  reachMm: number,
): Point {
  const axis = (key: 'x' | 'y'): number => {
    const target = from[key] + step[key];
    const near = lines[key].reduce<number | undefined>(
      (best, line) =>
        Math.abs(line - target) <= reachMm && (best === undefined || Math.abs(line - target) < Math.abs(best - target))
          ? line
          : best,
      undefined,
    );
    return near === undefined ? step[key] : near - from[key];
  };
  return { x: axis('x'), y: axis('y') };
}
