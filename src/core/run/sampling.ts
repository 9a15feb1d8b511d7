/** What was gauged on one part of a batch. */
export interface PartResult {
  part: number;
  good: boolean;
}

/** So many good parts in a row after a fault, and sampling goes on as before. Our judgement. */
export const GOOD_IN_A_ROW = 5;

/**
 * Parts of a batch whose hole is to be gauged: the first, every n-th, the last. After a fault every part: back to the last
 * good one that was gauged, and on until {@link GOOD_IN_A_ROW} in a row are good. What was gauged already stays in the list.
 * @param quantity parts, at least 1
 * @param every n, at least 1
 * @param results the latest of each part that was gauged
 */
export function partsToGauge(quantity: number, every: number, results: readonly PartResult[]): number[] {
  const due = new Set([1, quantity, ...results.map((r) => r.part)]);
  for (let part = every; part < quantity; part += every) due.add(part);
  const known = new Map(results.map((r) => [r.part, r.good]));
  for (let fault = 1; fault <= quantity; fault++) {
    if (known.get(fault) !== false) continue;
    due.add(fault);
    // Whatever was made since the last good one is in doubt.
    for (let back = fault - 1; back >= 1 && known.get(back) !== true; back--) due.add(back);
    let row = 0;
    for (let on = fault + 1; on <= quantity && row < GOOD_IN_A_ROW; on++) {
      due.add(on);
      row = known.get(on) === true ? row + 1 : 0;
    }
  }
  return [...due].sort((a, b) => a - b);
}
