import type { ProblemCode } from '../answer/problem-codes';
import { depth, ok, problem, refuse, type Result } from '../answer/answer';

/** Stock on hand. Lengths in mm. */
export interface StockLength {
  lengthMm: number;
  /** Undefined: as many as are wanted. */
  count?: number;
}

export interface CuttingQuestion {
  pieces: number;
  pieceMm: number;
  /** Width of the saw cut. */
  kerfMm: number;
  /** Faced off each end. */
  facingMm: number;
  stock: readonly StockLength[];
}

/** One length of stock and what is cut from it. */
export interface CutLength {
  lengthMm: number;
  pieces: number;
  /** What is left over. */
  remnantMm: number;
  /** Pieces that the remnant would still give, for a mistake. */
  spare: number;
}

export interface CuttingList {
  /** Length of a piece as sawn, with facing, mm. */
  sawnMm: number;
  cuts: CutLength[];
  spare: number;
  usedMm: number;
}

/** Pieces that a length gives: no kerf after the last where it comes out even. */
const piecesIn = (lengthMm: number, sawnMm: number, kerfMm: number): number =>
  Math.max(0, Math.floor((lengthMm + kerfMm + 1e-9) / (sawnMm + kerfMm)));

/** A kind of stock with what it gives. */
interface Giving {
  lengthMm: number;
  gives: number;
  /** How many there are. */
  left: number;
}

/** So many pieces are weighed exactly; of more the first come from the length that wastes least. */
const WEIGHED_UP_TO = 400;
/** Of two choices that use as much stock the one with fewer lengths is taken. */
const EACH_LENGTH_MM = 1e-6;

/** The lengths that give at least so many pieces and use the least stock, offcuts as good as any; undefined where all give fewer. */
function leastStock(kinds: readonly Giving[], pieces: number): number[] | undefined {
  let best: ({ mm: number; of: number[] } | undefined)[] = Array.from({ length: pieces + 1 }, (_, n) =>
    n === 0 ? { mm: 0, of: [] } : undefined,
  );
  kinds.forEach(({ lengthMm, gives, left }, kind) => {
    best = best.map((without, n) => {
      let found = without;
      for (let k = 1; k <= left && (k - 1) * gives < n; k++) {
        const before = best[Math.max(0, n - k * gives)];
        const mm = before && before.mm + k * (lengthMm + EACH_LENGTH_MM);
        if (before && mm !== undefined && (!found || mm < found.mm - 1e-9)) {
          const of = [...before.of];
          of[kind] = k;
          found = { mm, of };
        }
      }
      return found;
    });
  });
  return best[pieces]?.of;
}

/** How many of each kind of stock are cut; undefined where all of it gives fewer pieces. */
function chosen(kinds: readonly Giving[], pieces: number): number[] | undefined {
  const taken = kinds.map(() => 0);
  const byWaste = kinds.map((k, i) => ({ ...k, i })).sort((x, y) => x.lengthMm / x.gives - y.lengthMm / y.gives);
  let rest = pieces;
  for (const { i, gives, left } of byWaste) {
    const many = Math.min(left, Math.max(0, Math.ceil((rest - WEIGHED_UP_TO) / gives)));
    taken[i] = many;
    rest -= many * gives;
  }
  const weighed = leastStock(
    kinds.map((k, i) => ({ ...k, left: k.left - taken[i] })),
    Math.max(0, rest),
  );
  return weighed && taken.map((n, i) => n + (weighed[i] ?? 0));
}

/**
 * Equal pieces from lengths on hand, with the least stock: offcuts before whole lengths where they give as much.
 * @returns what to cut from each, or what is wrong with the figures
 */
export function cuttingList({ pieces, pieceMm, kerfMm, facingMm, stock }: CuttingQuestion): Result<CuttingList> {
  const longest = Math.max(0, ...stock.map((s) => s.lengthMm));
  const sawnMm = pieceMm + 2 * facingMm;
  const wrong = (code: ProblemCode, field: string, text: string, remedy: string, values = {}): Result<never> =>
    refuse(problem(code, field, text, remedy, values));
  if (!(pieces >= 1)) return wrong('cut-none', 'quantity', 'No pieces to cut.', 'Set how many parts the job makes.');
  if (kerfMm < 0 || facingMm < 0)
    return wrong('cut-negative', 'kerf', 'Kerf and facing are zero or more.', 'Check what was typed.');
  if (kerfMm >= longest && longest > 0)
    return wrong(
      'kerf-over-stock',
      'kerf',
      'A kerf of {kerf} is over the longest stock, {longest}.',
      'Check the unit.',
      {
        kerf: depth(kerfMm),
        longest: depth(longest),
      },
    );
  if (sawnMm > longest)
    return wrong(
      'stock-short',
      'stock',
      'A piece of {sawn} does not come out of stock of {longest}.',
      'Add longer stock.',
      {
        sawn: depth(sawnMm),
        longest: depth(longest),
      },
    );
  const lengths = stock
    .map((s): Giving => ({
      lengthMm: s.lengthMm,
      gives: piecesIn(s.lengthMm, sawnMm, kerfMm),
      left: s.count ?? Infinity,
    }))
    .filter((s) => s.gives > 0)
    .sort((a, b) => b.gives - a.gives || a.lengthMm - b.lengthMm);
  const taken = chosen(lengths, pieces);
  if (!taken)
    return wrong('stock-few', 'stock', 'The stock gives {made} of {pieces} pieces.', 'Add more lengths.', {
      made: lengths.reduce((sum, l) => sum + l.left * l.gives, 0),
      pieces,
    });
  let left = pieces;
  const cuts = lengths.flatMap(({ lengthMm, gives }, i) =>
    Array.from({ length: taken[i] }, (): CutLength => {
      const n = Math.min(left, gives);
      left -= n;
      const remnantMm = Math.max(0, lengthMm - n * (sawnMm + kerfMm));
      return { lengthMm, pieces: n, remnantMm, spare: piecesIn(remnantMm, sawnMm, kerfMm) };
    }),
  );
  return ok({
    sawnMm,
    cuts,
    spare: cuts.reduce((sum, c) => sum + c.spare, 0),
    usedMm: cuts.reduce((sum, c) => sum + c.lengthMm, 0),
  });
}
