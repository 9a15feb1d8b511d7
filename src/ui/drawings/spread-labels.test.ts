import fc from 'fast-check';
import { spreadLabels, stackLabels } from './spread-labels';

test('labels keep their order and their gap, and stay in the room when it is large enough', () => {
  const anyLabels = fc.array(fc.integer({ min: 0, max: 400 }), { minLength: 1, maxLength: 10 });
  fc.assert(
    fc.property(anyLabels, (wanted) => {
      const sorted = [...wanted].sort((a, b) => a - b);
      const placed = spreadLabels(sorted, 40, 0, 400);
      for (const [i, at] of placed.entries()) {
        expect(at).toBeGreaterThanOrEqual(0);
        expect(at).toBeLessThanOrEqual(400);
        if (i > 0) expect(at - placed[i - 1]).toBeGreaterThanOrEqual(40);
      }
    }),
  );
  expect(spreadLabels([10, 100, 300], 40, 0, 400)).toEqual([10, 100, 300]);
});

test('labels that would touch go up a row, the next free one below is used again', () => {
  const at = (...places: number[]) => places.map((x) => ({ at: x, width: 20 }));
  expect(stackLabels(at(0, 10, 20, 60), 3)).toEqual([0, 1, 2, 0]);
  expect(stackLabels(at(0, 30, 60), 3)).toEqual([0, 0, 0]);
});
