import { inSigmas, LEARNED_FIGURES, type Learned, type LearnedFigure } from '../answer/estimate';
import type { Figured } from '../run/observations';
import { countReading, emptyBook, forgetTool, levelsOf, takeBack, type Levels, type ReadingBook } from './reading-book';

/** A reading of a figure, with what it is a reading of. */
export interface Reading extends Figured {
  /** Record that brought it. */
  recordId: string;
  happenedAt: string;
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
  const byRecord = new Map<string, { figure: LearnedFigure; levels: readonly string[]; id: string }[]>();
  const toolNames = new Map<string, string>();
  const begun = new Map<string, string>();
  const bookOf = (figure: LearnedFigure): ReadingBook => {
    const book = books.get(figure) ?? emptyBook();
    books.set(figure, book);
    return book;
  };
  return {
    add({ figure, levels, tool, axis, value, typical, recordId, happenedAt }) {
      const id = `${recordId} ${figure} ${levels.join()} ${axis ?? ''}`;
      const known = byRecord.get(recordId) ?? [];
      if (known.some((k) => k.id === id)) return;
      const z = inSigmas(figure, value, typical);
      if (!Number.isFinite(z)) return;
      byRecord.set(recordId, [...known, { figure, levels, id }]);
      // One text for each tool: that two are the same is then seen at once.
      const named = tool === undefined ? undefined : (toolNames.get(tool) ?? tool);
      if (named !== undefined) toolNames.set(named, named);
      countReading(bookOf(figure), id, { levels, z, tool: named, happenedAt });
    },
    remove(recordId) {
      for (const { figure, levels, id } of byRecord.get(recordId) ?? []) takeBack(bookOf(figure), id, levels);
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
