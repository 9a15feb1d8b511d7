import { ok, problem, refuse, type Result } from '../answer/answer';

/**
 * One reading of an instrument as a line of text: name, then pairs of what and how much, then the unit.
 * `caliper size 8.52 mm`, `readout x 12.345 y 40 mm`, `torque now 3.1 peak 6.2 Nm`, `thread-gauge go 12.5 not-go 1.5 turns`.
 */
export interface InstrumentLine {
  /** Name of the instrument: letters, digits and hyphens. */
  name: string;
  /** In mm, Nm or turns. */
  values: Record<string, number>;
  unit: 'mm' | 'Nm' | 'turns';
}

const UNITS = {
  mm: ['mm', 1],
  in: ['mm', 25.4],
  Nm: ['Nm', 1],
  'lbf·in': ['Nm', 0.112984829],
  turns: ['turns', 1],
} as const;
const MOST = 200;
const LINE = /^([\w-]{1,40})((?:\s+[a-z][\w-]{0,20}\s+-?\d+(?:\.\d+)?){1,8})\s+(\S+)$/;

const not = (detail: string): Result<never> =>
  refuse(problem('instrument-line', 'line', detail, 'Write: name, what, value, unit; as “caliper size 8.52 mm”.'));

/** Reads a line of an instrument. */
export function readInstrumentLine(line: string): Result<InstrumentLine> {
  if (line.length > MOST) return not('A line has at most 200 characters.');
  const read = LINE.exec(line.trim());
  if (!read) return not(`“${line.slice(0, 60)}” is not a reading.`);
  const [, name, pairs, unitName] = read;
  if (!Object.hasOwn(UNITS, unitName))
    return not(`“${unitName}” is not a unit of a reading: mm, in, Nm, lbf·in or turns.`);
  const [unit, factor] = UNITS[unitName as keyof typeof UNITS];
  const words = pairs.trim().split(/\s+/);
  const values: Record<string, number> = {};
  for (let i = 0; i < words.length; i += 2) values[words[i]] = Number(words[i + 1]) * factor;
  return ok({ name, values, unit });
}

/**
 * A reading as its line, in mm, Nm or turns.
 * @example writeInstrumentLine({ name: 'caliper', values: { size: 8.52 }, unit: 'mm' }) // 'caliper size 8.52 mm'
 */
export const writeInstrumentLine = ({ name, values, unit }: InstrumentLine): string =>
  `${name} ${Object.entries(values)
    .map(([what, value]) => `${what} ${Number(value.toFixed(4))}`)
    .join(' ')} ${unit}`;
