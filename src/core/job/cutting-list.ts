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

/**
 * Equal pieces from lengths on hand, fewest lengths first, the last one as short as serves.
 * @returns what to cut from each, or what is wrong with the figures
 */
export function cuttingList({ pieces, pieceMm, kerfMm, facingMm, stock }: CuttingQuestion): Result<CuttingList> {
  const longest = Math.max(0, ...stock.map((s) => s.lengthMm));
  const sawnMm = pieceMm + 2 * facingMm;
  const wrong = (code: string, field: string, text: string, remedy: string, values = {}): Result<never> =>
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
    .map((s) => ({ ...s, gives: piecesIn(s.lengthMm, sawnMm, kerfMm), left: s.count ?? Infinity }))
    .filter((s) => s.gives > 0)
    .sort((a, b) => b.gives - a.gives || a.lengthMm - b.lengthMm);
  const cuts: CutLength[] = [];
  let left = pieces;
  while (left > 0) {
    const free = lengths.filter((s) => s.left > 0);
    if (free.length === 0)
      return wrong('stock-few', 'stock', 'The stock gives {made} of {pieces} pieces.', 'Add more lengths.', {
        made: pieces - left,
        pieces,
      });
    // The last length: the shortest that still gives all that is left.
    const [most] = free;
    const enough = free.filter((s) => s.gives >= left).sort((a, b) => a.lengthMm - b.lengthMm)[0];
    const used = enough ?? most;
    used.left -= 1;
    const n = Math.min(left, used.gives);
    const remnantMm = Math.max(0, used.lengthMm - n * (sawnMm + kerfMm));
    cuts.push({ lengthMm: used.lengthMm, pieces: n, remnantMm, spare: piecesIn(remnantMm, sawnMm, kerfMm) });
    left -= n;
  }
  return ok({
    sawnMm,
    cuts,
    spare: cuts.reduce((sum, c) => sum + c.spare, 0),
    usedMm: cuts.reduce((sum, c) => sum + c.lengthMm, 0),
  });
}
