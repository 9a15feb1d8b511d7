/**
 * Serial number of a part: the digits at the end of the first one count up and keep their length.
 * @param first of part 1
 * @param part from 1
 * @example serialOf('QH-0098', 4) // 'QH-0101'
 */
export function serialOf(first: string, part: number): string {
  const [, before, digits] = /^(.*?)(\d*)$/.exec(first) ?? [];
  if (!digits) return part === 1 ? first : `${first}-${part}`;
  return `${before}${(BigInt(digits) + BigInt(part - 1)).toString().padStart(digits.length, '0')}`;
}
