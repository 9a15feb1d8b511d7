import { ghostsOf } from './ghosts';

const face = {
  shape: { kind: 'rectangle' as const, widthMm: 100, heightMm: 60 },
  datum: { x: 'right' as const, y: 'bottom' as const },
};

test('a line that is typed shows its holes where they would go, counted from the datum; none while it cannot be read', () => {
  const at = (line: string) => ghostsOf(line, 'mm', face, []).map((g) => [g.at.x, g.at.y, g.diameterMm]);
  expect(at('2x ø6 THRU at 10,20 pitch 30')).toEqual([
    [90, 20, 6],
    [60, 20, 6],
  ]);
  expect(at('2x ø6 THRU at 10,')).toEqual([]);
  expect(at('two 6 mm dowels at 10,20 pitch 30')).toEqual(at('2x ø6 THRU at 10,20 pitch 30'));
  expect(at('ø6 THRU')).toEqual([]);
  expect(ghostsOf('ø6 THRU at 1,1', 'inch', face, [])[0].at.y).toBeCloseTo(25.4);
});
