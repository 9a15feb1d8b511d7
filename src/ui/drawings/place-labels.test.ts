import { placeLabels, type Labelled } from './place-labels';

const hole = (text: string, x: number, y: number, r = 10): Labelled => ({ text, x, y, r });
const boxes = (labels: Labelled[]) =>
  placeLabels(labels, labels).map((at, i) => ({
    left: at.x,
    right: at.x + 8 * labels[i].text.length,
    top: at.y - 13,
    bottom: at.y,
  }));
const apart = (labels: Labelled[]): boolean => {
  const all = boxes(labels);
  const meet = (a: (typeof all)[number], b: (typeof all)[number]) =>
    a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
  const covers = (b: (typeof all)[number], o: Labelled) =>
    Math.hypot(o.x - Math.min(b.right, Math.max(b.left, o.x)), o.y - Math.min(b.bottom, Math.max(b.top, o.y))) <
    o.r - 1e-6;
  return all.every((a, i) => all.every((b, j) => i >= j || !meet(a, b)) && labels.every((o) => !covers(a, o)));
};

test('a label stands above to the right of its hole while nothing is there, and goes round it where something is', () => {
  const [alone] = placeLabels([hole('A1', 100, 100)], []);
  expect([alone.x > 100, alone.y < 100]).toEqual([true, true]);
  // Beside a hole where its label would be, as B2 under A3.
  const two = [hole('B2', 100, 100), hole('A3', 122, 84)];
  expect(apart(two)).toBe(true);
  expect(placeLabels(two, two)[0].x).toBeLessThan(100);
});

test('rows and rings of holes with room for their labels never collide', () => {
  const row = Array.from({ length: 12 }, (_, i) => hole(`D${i + 1}`, 40 + 46 * i, 200));
  const ring = Array.from({ length: 12 }, (_, i) =>
    hole(`A${i + 1}`, 300 + 130 * Math.cos((i * Math.PI) / 6), 300 + 130 * Math.sin((i * Math.PI) / 6)),
  );
  expect([apart(row), apart(ring)]).toEqual([true, true]);
});
