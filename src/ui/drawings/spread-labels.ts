/**
 * Places for labels so that none overlaps the next: as near to where they belong as the room allows.
 * @param wanted positions in rising order
 * @param gap least distance between two
 */
export function spreadLabels(wanted: readonly number[], gap: number, from: number, to: number): number[] {
  const placed: number[] = [];
  for (const [i, at] of wanted.entries()) placed.push(Math.max(at, i === 0 ? from : placed[i - 1] + gap));
  for (let i = placed.length - 1; i >= 0; i--)
    placed[i] = Math.min(placed[i], i === placed.length - 1 ? to : placed[i + 1] - gap);
  return placed;
}

/** The lowest free row for each label of given widths along a line, so that labels in a row do not touch. */
export function stackLabels(spans: readonly { at: number; width: number }[], rows: number): number[] {
  const ends = Array.from({ length: rows }, () => -Infinity);
  return spans.map(({ at, width }) => {
    const left = at - width / 2;
    let row = ends.findIndex((end) => end <= left);
    if (row === -1) row = ends.indexOf(Math.min(...ends));
    ends[row] = at + width / 2 + 4;
    return row;
  });
}
