/** What tools of one kind have done: holes two diameters deep in mild steel count 1 each. */
export interface KindLives {
  /** Use that is typical before one fails. */
  typical: number;
  /** Use of each tool so far, up to its end where it failed: the sum of the squares. */
  squares: number;
  failures: number;
}

/** One tool of a crib by its log. */
export interface ToolRecord extends KindLives {
  /** Use since it was made or sharpened. */
  done: number;
}

/** What is left of a tool, in use: 1 is a hole two diameters deep in mild steel. */
export interface LifeLeft {
  /** As likely more as less. */
  median: number;
  /** In nine of ten cases it ends in here. */
  range: readonly [from: number, to: number];
  /** Chance that it fails within so much more use. */
  failsWithin: (use: number) => number;
}

/**
 * What is left of a tool that has done so much and holds: failures follow a Weibull law of shape 2, whose rate is learned from
 * all tools of its kind, those that hold counted with what they have done. The typical life is worth one failure.
 * @param done use of this tool since it was made or sharpened, 0 and up; it is not among the others
 * @example lifeLeft({ typical: 500, squares: 0, failures: 0 }, 0).median // √((2 × 500 ÷ π)² × (2 − 1)) = 318
 */
export function lifeLeft({ typical, squares, failures }: KindLives, done: number): LifeLeft {
  // With this prior the mean of all lives that are to be expected is the typical one.
  const before = ((2 * typical) / Math.PI) ** 2;
  const shape = 1 + failures;
  const rate = before + squares + done ** 2;
  const leftAt = (survive: number): number => Math.sqrt(done ** 2 + rate * (survive ** (-1 / shape) - 1)) - done;
  return {
    median: leftAt(0.5),
    range: [leftAt(0.95), leftAt(0.05)],
    failsWithin: (use) => 1 - (rate / (rate + (done + use) ** 2 - done ** 2)) ** shape,
  };
}

/** Chance of failing in the next hole at which a tool is changed: one in so many. The shop’s usual. */
export const CHANGE_AT_ONE_IN = 50;

/**
 * The hole of a batch before which a tool should be changed: there the chance that it fails in it is over one in `oneIn`.
 * @param perHole use of each hole, above 0
 * @param holes of the batch, from 1
 * @returns 1 for before the first; undefined where it is never so within the batch
 */
export function changeBy(
  kind: KindLives,
  done: number,
  perHole: number,
  holes: number,
  oneIn = CHANGE_AT_ONE_IN,
): number | undefined {
  for (let hole = 1; hole <= holes; hole++)
    if (lifeLeft(kind, done + (hole - 1) * perHole).failsWithin(perHole) > 1 / oneIn) return hole;
  return undefined;
}
