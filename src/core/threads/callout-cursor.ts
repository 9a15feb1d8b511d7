import type { ProblemCode } from '../answer/problem-codes';
import { phrase, type Phrase } from '../answer/answer';
import { StopReading, stopReading } from '../answer/stop-reading';
import { parseLength, type LengthUnit } from '../units/length';
import type { Callout, CalloutFeature } from './callout';
import { classLimits } from './class-limits';
import { isTapered, type Thread, type ThreadSeries } from './thread';

/** A pattern that matches only where the reader stands. */
export const sticky = (source: string): RegExp => new RegExp(source, 'y');

/** Inch sizes as written: `#10`, `1-1/8`, `3/8`, `.250`, `1`. */
export const SIZE = String.raw`#\s*\d{1,2}|\d{1,2}[-\s]\d{1,2}\/\d{1,2}|\d{1,2}\/\d{1,2}|\d?\.\d{2,5}|\d{1,2}`;
const LENGTH = String.raw`(?:\d{1,3}[-\s])?\d{1,4}\/\d{1,3}|\d+(?:[.,]\d+)?|[.,]\d+`;
const UNIT = String.raw`(?:\s*(?:mm|in(?:ch(?:es)?)?\b\.?|"|thou\b))?`;
/** A length with or without its unit. */
export const MEASURE = `(?:${LENGTH})${UNIT}`;

/** Fractions, and decimals that begin with their point and have three places, are inches wherever they stand. */
const INCH_ALONE = /^\s*(?:(?:\d{1,3}[-\s])?\d{1,3}\/\d{1,3}|\.\d{3,5})\s*$/;

/** Longest length that is read, mm. */
const LONGEST_MM = 5000;

/** How signs that drawings use are written here. */
const PLAIN = new Map(
  ['x×✕✖*', '"“”″', 'ø⌀∅φ', '-–—−'].flatMap(([plain, ...signs]) => signs.map((sign) => [sign, plain] as const)),
);

/** One character for one, so that places in the normal form are places in what was typed. */
const normalForm = (text: string): string =>
  text.toLowerCase().replace(/[^ -)+-~]/gu, (c) => PLAIN.get(c) ?? (c.length > 1 ? '?' : c));

const PIPE: readonly ThreadSeries[] = ['G', 'Rp', 'Rc'];

/** Drawing practice: lengths beside a thread are in the thread's own system. */
export function unitBeside({ features }: Callout): LengthUnit | undefined {
  const feature = features.find((f) => f.kind === 'thread');
  // Pipe threads are named in inches and drawn in either system.
  if (!feature || PIPE.includes(feature.thread.series)) return undefined;
  return feature.thread.system === 'metric' ? 'mm' : 'in';
}

/** Where a reader stands in a callout, and what it has read so far. Readers of one notation share it. */
export class CalloutCursor {
  private place = 0;
  readonly text: string;
  readonly callout: Callout = { count: 1, features: [], notes: [] };
  /** Unit taken for lengths without one. */
  assumedUnit?: LengthUnit;

  constructor(
    readonly typed: string,
    private readonly bareUnit: LengthUnit,
  ) {
    this.text = normalForm(typed);
  }

  get ended(): boolean {
    return this.place >= this.text.length;
  }

  get rest(): string {
    return this.text.slice(this.place);
  }

  /** Where the reader stands; setting it back undoes what was taken since. */
  get at(): number {
    return this.place;
  }

  goTo(place: number): void {
    this.place = place;
  }

  /** Takes a pattern if the text goes on with it. */
  take(pattern: RegExp): RegExpExecArray | undefined {
    pattern.lastIndex = this.place;
    const match = pattern.exec(this.text);
    if (!match || match[0].length === 0) return undefined;
    this.place += match[0].length;
    return match;
  }

  /** Whether the text goes on with one of these, spaces apart; nothing is consumed. */
  goesOnWith(space: RegExp, pattern: RegExp): boolean {
    const before = this.place;
    this.take(space);
    const found = this.take(pattern) !== undefined;
    this.place = before;
    return found;
  }

  last(): CalloutFeature | undefined {
    return this.callout.features.at(-1);
  }

  note(text: string, values?: Phrase['values']): void {
    this.callout.notes.push(phrase(text, values));
  }

  setCount(count: number): void {
    if (count < 1)
      this.stop('count', { start: 0, end: this.place }, 'A count of {count} makes no holes.', 'Write 1x or more.', {
        count,
      });
    this.callout.count = count;
  }

  /** Stops the reading at a match or a place, with what to do. */
  stop(
    code: ProblemCode,
    where: RegExpExecArray | { start: number; end: number },
    text: string,
    remedy: string,
    values?: Phrase['values'],
    nearest?: readonly string[],
  ): never {
    const at = 'index' in where ? { start: where.index, end: where.index + where[0].length } : where;
    return stopReading('callout', code, at, text, remedy, values, nearest && [...nearest]);
  }

  /** A depth in mm, see {@link measure}; one without a unit is kept as such, with its place. */
  depth(match: RegExpExecArray): number {
    const before = this.assumedUnit;
    this.assumedUnit = undefined;
    const mm = this.measure(match[1], match);
    if (this.assumedUnit && mm > (this.callout.bareDepth?.mm ?? 0)) {
      const start = match.index + match[0].indexOf(match[1]);
      this.callout.bareDepth = { mm, unit: this.assumedUnit, at: { start, end: start + match[1].length } };
    }
    this.assumedUnit ??= before;
    return mm;
  }

  /** A length in mm, in its own unit, else in that of the thread beside it, else in the shop's. */
  measure(text: string, match: RegExpExecArray): number {
    const inch = INCH_ALONE.test(text);
    const unit = unitBeside(this.callout) ?? this.bareUnit;
    const parsed = parseLength(text, inch ? 'in' : unit);
    if (!parsed.ok || parsed.value.mm <= 0 || parsed.value.mm > LONGEST_MM)
      return this.stop('length', match, '“{text}” is not a usable length.', 'Write a number above zero.', { text });
    if (inch && unit !== 'in') this.note('{text} is read as inches.', { text: text.trim() });
    if (parsed.value.assumed && !inch) this.assumedUnit = parsed.value.unit;
    return parsed.value.mm;
  }

  /** Adds a thread where its class exists. */
  addThread(thread: Thread, match: RegExpExecArray, className?: string): true {
    if (className !== undefined || !isTapered(thread)) {
      const limits = classLimits(thread, className);
      if (!limits.ok) throw new StopReading({ ...limits.problems[0], at: { start: match.index, end: this.place } });
    }
    if (thread.series === 'metric-special' || thread.series === 'UNS')
      this.note('{thread} is not a standard pairing of size and pitch: check the drawing and that a tap exists.', {
        thread: thread.designation,
      });
    this.callout.features.push({ kind: 'thread', thread, className, leftHand: false });
    return true;
  }
}
