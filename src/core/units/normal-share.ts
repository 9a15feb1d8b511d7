/** Share of a normal spread below a value. Abramowitz and Stegun 7.1.26, within 1.5e-7. */
function below(value: number, mean: number, sigma: number): number {
  const z = (value - mean) / (sigma * Math.SQRT2);
  const t = 1 / (1 + 0.3275911 * Math.abs(z));
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-z * z);
  return z >= 0 ? 1 - tail / 2 : tail / 2;
}

/**
 * Share of a normal spread that lies between two values, 0 to 1.
 * @param sigma one standard deviation, above zero, in the unit of the others
 * @example shareWithin(0, 1, -1, 1) // 0.683
 */
export const shareWithin = (mean: number, sigma: number, from: number, to: number): number =>
  Math.max(0, below(to, mean, sigma) - below(from, mean, sigma));
