import fc from 'fast-check';
import type { Point } from './part';
import { arcPoints, bulgePoints, closedLoops, outlineDistance } from './outline';

const coordinate = fc.integer({ min: -50, max: 50 });
const point = fc.record({ x: coordinate, y: coordinate });

test('every point of an arc lies on it, close enough that no straight piece strays by more than 0.02 mm', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 400, noNaN: true }),
      fc.double({ min: -6.2, max: 6.2, noNaN: true }).filter((s) => Math.abs(s) > 0.01),
      (radius, sweep) => {
        const centre = { x: 3, y: -4 };
        const points = arcPoints(centre, radius, 0.3, sweep);
        const start = { x: 3 + radius * Math.cos(0.3), y: -4 + radius * Math.sin(0.3) };
        [start, ...points].reduce((a, b) => {
          expect(Math.hypot(b.x - centre.x, b.y - centre.y)).toBeCloseTo(radius, 6);
          const middle = Math.hypot((a.x + b.x) / 2 - centre.x, (a.y + b.y) / 2 - centre.y);
          expect(radius - middle).toBeLessThan(0.0201);
          return b;
        });
      },
    ),
  );
});

test('a bulge of one is a half circle, of none the corner itself; it ends where it should', () => {
  const half = bulgePoints({ x: 0, y: 0 }, { x: 20, y: 0 }, -1);
  expect(Math.max(...half.map((p) => p.y))).toBeCloseTo(10, 1);
  expect(bulgePoints({ x: 0, y: 0 }, { x: 20, y: 0 }, 0)).toEqual([{ x: 20, y: 0 }]);
  fc.assert(
    fc.property(point, point, fc.double({ min: -3, max: 3, noNaN: true }), (a, b, bulge) => {
      if (a.x === b.x && a.y === b.y) return;
      expect(bulgePoints(a, b, bulge).at(-1)).toEqual(b);
    }),
  );
});

test('loops are found whatever the order and direction of their pieces; what stays open is none', () => {
  const corners: Point[] = [
    { x: 0, y: 0 },
    { x: 40, y: 0 },
    { x: 40, y: 30 },
    { x: 10, y: 30 },
    { x: 0, y: 12 },
  ];
  const pieces = corners.map((p, i) => [p, corners[(i + 1) % corners.length]]);
  fc.assert(
    fc.property(
      fc.shuffledSubarray(pieces, { minLength: 5 }),
      fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
      (order, flip) => {
        const [loop, ...more] = closedLoops(
          order.map((p, i) => (flip[i] ? [...p].reverse() : p)),
          1e-6,
        );
        expect(more).toEqual([]);
        expect(loop.map((p) => `${p.x},${p.y}`).sort()).toEqual(corners.map((p) => `${p.x},${p.y}`).sort());
      },
    ),
  );
  expect(closedLoops(pieces.slice(1), 1e-6)).toEqual([]);
});

test('inside counts above zero, and a step inward takes just that far from the edge', () => {
  const square: Point[] = [
    { x: 0, y: 0 },
    { x: 60, y: 0 },
    { x: 60, y: 60 },
    { x: 0, y: 60 },
  ];
  fc.assert(
    fc.property(fc.integer({ min: -20, max: 80 }), fc.integer({ min: -20, max: 80 }), (x, y) => {
      const { mm, inward } = outlineDistance({ x, y }, square);
      const inside = x > 0 && x < 60 && y > 0 && y < 60;
      if (Math.abs(mm) > 1e-9) expect(mm > 0).toBe(inside);
      expect(Math.hypot(inward.x, inward.y)).toBeCloseTo(1, 9);
      if (!inside && mm < -1e-9) {
        const back = { x: x - mm * inward.x, y: y - mm * inward.y };
        expect(Math.abs(outlineDistance(back, square).mm)).toBeLessThan(1e-6);
      }
    }),
  );
});
