import { inSigmas, LEARNED_FIGURES, type Learned, type LearnedFigure } from '../answer/estimate';
import type { Figured } from '../run/observations';
import {
  countReading,
  emptyBook,
  forgetTool,
  levelsOf,
  takeBack,
  type Counted,
  type Levels,
  type ReadingBook,
} from './reading-book';

/** A reading of a figure, with what it is a reading of. */
export interface Reading extends Figured {
  /** Record that brought it. */
  recordId: string;
  happenedAt: string;
  /** The hole that was gauged: of its readings only the latest counts. */
  hole?: string;
}

/** Figures that are read off a hole with a gauge, and can be read again; the others are each a deed of its own. */
const GAUGED: ReadonlySet<LearnedFigure> = new Set(['oversize', 'formed-minor', 'lean', 'place']);

/** A reading as it is counted, or would be were it the latest of its hole. */
interface Known {
  figure: LearnedFigure;
  id: string;
  counted: Counted;
  /** The readings of the same of the same hole. */
  again?: Known[];
}

/** Readings of every level, from which it is worked out what a shop has learned. */
export interface Learning {
  /** Counts a reading; one that is there already changes nothing. */
  add: (reading: Reading) => void;
  /** Takes back all that a record brought. */
  remove: (recordId: string) => void;
  /** A tool was sharpened or renewed: what it did before is no longer its own. @param tool its level */
  begunAnew: (tool: string, at: string) => void;
  learned: () => Learned;
}

/** Learns record by record: one more costs little however many there are. */
export function learning(): Learning {
  const books = new Map<LearnedFigure, ReadingBook>();
  const byRecord = new Map<string, Known[]>();
  const byHole = new Map<string, Known[]>();
  const toolNames = new Map<string, string>();
  const begun = new Map<string, string>();
  const bookOf = (figure: LearnedFigure): ReadingBook => {
    const book = books.get(figure) ?? emptyBook();
    books.set(figure, book);
    return book;
  };
  const countIn = ({ figure, id, counted }: Known): void => countReading(bookOf(figure), id, counted);
  const countOut = ({ figure, id, counted }: Known): void => takeBack(bookOf(figure), id, counted.levels);
  /** The reading of a hole that counts. */
  const latest = (again: readonly Known[]): Known | undefined =>
    again.reduce<Known | undefined>(
      (last, one) => (last && last.counted.happenedAt > one.counted.happenedAt ? last : one),
      undefined,
    );
  /** Changes the readings of a hole, and what counts of them. */
  function changeAgain(again: Known[], change: () => void): void {
    const before = latest(again);
    change();
    const now = latest(again);
    if (before === now) return;
    if (before) countOut(before);
    if (now) countIn(now);
  }
  return {
    add({ figure, levels, tool, axis, value, typical, recordId, happenedAt, hole }) {
      const id = `${recordId} ${figure} ${levels.join()} ${axis ?? ''}`;
      const known = byRecord.get(recordId) ?? [];
      if (known.some((k) => k.id === id)) return;
      const z = inSigmas(figure, value, typical);
      if (!Number.isFinite(z)) return;
      // One text for each tool: that two are the same is then seen at once.
      const named = tool === undefined ? undefined : (toolNames.get(tool) ?? tool);
      if (named !== undefined) toolNames.set(named, named);
      const reading: Known = { figure, id, counted: { levels, z, tool: named, happenedAt } };
      byRecord.set(recordId, [...known, reading]);
      if (hole === undefined || !GAUGED.has(figure)) return countIn(reading);
      const key = `${hole} ${figure} ${levels.join()} ${axis ?? ''}`;
      const again = byHole.get(key) ?? [];
      byHole.set(key, again);
      reading.again = again;
      changeAgain(again, () => again.push(reading));
    },
    remove(recordId) {
      for (const reading of byRecord.get(recordId) ?? []) {
        const { again } = reading;
        if (again) changeAgain(again, () => again.splice(again.indexOf(reading), 1));
        else countOut(reading);
      }
      byRecord.delete(recordId);
    },
    begunAnew(tool, at) {
      if (at > (begun.get(tool) ?? '')) begun.set(tool, at);
      for (const book of books.values()) forgetTool(book, tool);
    },
    learned() {
      const learned: Partial<Record<LearnedFigure, Levels>> = {};
      for (const figure of LEARNED_FIGURES) {
        const book = books.get(figure);
        const levels = book ? levelsOf(book, begun) : {};
        if (Object.keys(levels).length > 0) learned[figure] = levels;
      }
      return learned;
    },
  };
}

/** What readings come to. @param begunAnew tools that were sharpened or renewed, by their levels, and when */
export function learn(
  readings: Iterable<Reading>,
  begunAnew: Iterable<readonly [tool: string, at: string]> = [],
): Learned {
  const all = learning();
  for (const [tool, at] of begunAnew) all.begunAnew(tool, at);
  for (const reading of readings) all.add(reading);
  return all.learned();
}
