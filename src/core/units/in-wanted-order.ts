/**
 * Sorts by the keys wanted; what they do not name stays right after what it followed before.
 * @param leads whether others may be placed after it; all where left out
 * @example inWantedOrder(['a', 'b', 'c'], (x) => x, ['c', 'a']) // ['c', 'a', 'b']
 */
export function inWantedOrder<T>(
  items: readonly T[],
  keyOf: (item: T) => string,
  wanted: readonly string[] | undefined,
  leads: (item: T) => boolean = () => true,
): T[] {
  if (!wanted) return [...items];
  const place = new Map(wanted.map((key, i) => [key, i]));
  const placeOf = (item: T): number => place.get(keyOf(item)) ?? -1;
  const named = items.filter((item) => place.has(keyOf(item))).sort((a, b) => placeOf(a) - placeOf(b));
  return items.reduce((placed, item, i) => {
    if (place.has(keyOf(item))) return placed;
    const before = items.slice(0, i).findLast((other) => placed.includes(other) && leads(other));
    const at = before === undefined ? 0 : placed.indexOf(before) + 1;
    return [...placed.slice(0, at), item, ...placed.slice(at)];
  }, named);
}
