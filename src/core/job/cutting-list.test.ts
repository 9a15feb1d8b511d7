import fc from 'fast-check';
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

test('least stock, offcuts before whole lengths; a kerf that comes out even is not counted', () => {
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

test('the stock used is the least that any choice of lengths uses, and gives every piece', () => {
  // 13 of 240 sawn (6.2 at 1000: 4; 2500: 10; 3000: 12): 2500 and 1000 give 14 from 3500.
  const thirteen = of({
    ...{ pieces: 13, pieceMm: 239, facingMm: 0.5, kerfMm: 2 },
    stock: [
      { lengthMm: 3000, count: 1 },
      { lengthMm: 2500, count: 2 },
      { lengthMm: 1000, count: 3 },
    ],
  });
  expect([thirteen.usedMm, thirteen.cuts.map((c) => [c.lengthMm, c.pieces])]).toEqual([
    3500,
    [
      [2500, 10],
      [1000, 3],
    ],
  ]);
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 12 }),
      fc.array(fc.record({ lengthMm: fc.integer({ min: 100, max: 900 }), count: fc.integer({ min: 1, max: 3 }) }), {
        minLength: 1,
        maxLength: 3,
      }),
      (pieces, stock) => {
        const found = cuttingList({ pieces, pieceMm: 100, kerfMm: 2, facingMm: 0, stock });
        const gives = (mm: number): number => Math.floor((mm + 2) / 102);
        // Every choice of how many of each, by brute force.
        const choices = stock.reduce<{ mm: number; n: number }[]>(
          (all, s) =>
            all.flatMap(({ mm, n }) =>
              Array.from({ length: s.count + 1 }, (_, k) => ({
                mm: mm + k * s.lengthMm,
                n: n + k * gives(s.lengthMm),
              })),
            ),
          [{ mm: 0, n: 0 }],
        );
        const least = Math.min(...choices.filter((c) => c.n >= pieces).map((c) => c.mm));
        expect(found.ok ? found.value.usedMm : Infinity).toBe(least);
        if (found.ok) expect(found.value.cuts.reduce((sum, c) => sum + c.pieces, 0)).toBe(pieces);
      },
    ),
  );
});
