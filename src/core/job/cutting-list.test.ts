import { tell } from '../units/show';
import { cuttingList, type CuttingQuestion } from './cutting-list';

const asked = (over: Partial<CuttingQuestion> = {}): CuttingQuestion => ({
  pieces: 18,
  pieceMm: 480,
  kerfMm: 2,
  facingMm: 0.5,
  stock: [{ lengthMm: 3000 }],
  ...over,
});
const of = (over: Partial<CuttingQuestion>) => {
  const list = cuttingList(asked(over));
  if (!list.ok) throw new Error(tell(list.problems[0], 'mm'));
  return list.value;
};
const refused = (over: Partial<CuttingQuestion>) => {
  const list = cuttingList(asked(over));
  return list.ok ? '' : list.problems[0].code;
};

test('eighteen bars of 480 from lengths of 3 m: 481 sawn, six from each, 102 left, none to spare', () => {
  const { sawnMm, cuts, spare } = of({});
  // 6 x 481 and 6 kerfs of 2: 2898.
  expect([sawnMm, cuts.length, cuts[0].pieces, cuts[0].remnantMm, spare]).toEqual([481, 3, 6, 102, 0]);
});

test('fewest lengths, the last as short as serves; a kerf that comes out even is not counted', () => {
  const two = of({ pieces: 7, stock: [{ lengthMm: 3000, count: 2 }, { lengthMm: 600 }] });
  expect(two.cuts.map((c) => [c.lengthMm, c.pieces])).toEqual([
    [3000, 6],
    [600, 1],
  ]);
  expect(of({ pieces: 2, pieceMm: 100, facingMm: 0, kerfMm: 2, stock: [{ lengthMm: 202 }] }).cuts).toHaveLength(1);
  expect(of({ pieces: 4, stock: [{ lengthMm: 3000 }] }).spare).toBe(2);
});

test('what cannot be cut says why', () => {
  expect([
    refused({ pieces: 0 }),
    refused({ kerfMm: 4000 }),
    refused({ pieceMm: 3000 }),
    refused({ stock: [{ lengthMm: 3000, count: 2 }] }),
    refused({ kerfMm: -1 }),
    refused({ stock: [] }),
  ]).toEqual(['cut-none', 'kerf-over-stock', 'stock-short', 'stock-few', 'cut-negative', 'stock-short']);
});
