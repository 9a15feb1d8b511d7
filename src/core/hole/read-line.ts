import type { Result } from '../answer/answer';
import { readPlacedCallout, splitPlace, type PlacedCallout } from '../layout/placed-callout';
import type { LengthUnit } from '../units/length';
import { spokenQuestion } from './spoken-question';

/**
 * A line with its place, its callout as a drawing writes it or as people say it: `two 6 mm dowels at 20,30 pitch 60`.
 * @param unit unit of bare numbers
 * @returns as {@link readPlacedCallout}; its problems are those of the line as it was typed
 */
export function readLine(line: string, unit: LengthUnit): Result<PlacedCallout> {
  const read = readPlacedCallout(line, unit);
  const [callout, place] = splitPlace(line);
  const said = read.ok ? undefined : spokenQuestion(callout, { materials: [], machines: [] });
  if (!said) return read;
  const again = readPlacedCallout(`${said.callout} ${place}`, unit);
  return again.ok ? { ...again, value: { ...again.value, notes: [...said.chosen, ...again.value.notes] } } : read;
}
