/**
 * Letter of the feature that was added as number `index` (from 0): A to Z, then AA.
 * @example letterAt(27) // 'AB'
 */
export function letterAt(index: number): string {
  return (index >= 26 ? letterAt(Math.floor(index / 26) - 1) : '') + String.fromCharCode(65 + (index % 26));
}

/**
 * Number of a letter, from 0; the inverse of {@link letterAt}.
 * @example indexOfLetter('AB') // 27
 */
export function indexOfLetter(letter: string): number {
  return [...letter].reduce((n, c) => n * 26 + c.charCodeAt(0) - 64, 0) - 1;
}

/**
 * The letter after the last of those that were ever given; letters of removed features are not given again.
 * @example nextLetter(['A', 'C']) // 'D'
 */
export function nextLetter(given: Iterable<string>): string {
  let last = -1;
  for (const letter of given) last = Math.max(last, indexOfLetter(letter));
  return letterAt(last + 1);
}
