import {
  inSigmas,
  LEARNED_FIGURES,
  toolLevels,
  type Learned,
  type LearnedFigure,
  type LearnedLevel,
  type Spread,
} from '../answer/estimate';
import { isHand, type Figured } from '../run/observations';
import { pooled, TYPICAL } from './pooled';

/** A reading of a figure, with what it is a reading of. */
export interface Reading extends Figured {
  /** Record that brought it. */
  recordId: string;
  happenedAt: string;
}

interface Counted {
  levels: readonly string[];
  z: number;
  tool?: string;
  happenedAt: string;
}

/** Readings of a level, and the levels right under it. */
interface Level {
  readings: Map<string, Counted>;
  under: Set<string>;
  /** In rising order; undefined since one came or went. */
  sorted?: readonly Counted[];
  /** What it came to last; undefined since a reading came or went. */
  made?: { levels: Record<string, LearnedLevel> };
}

/** What a tool or a hand did, since it was made or sharpened. */
interface OfTool {
  readings: Map<string, Counted>;
  lasts: Set<string>;
  /** In rising order; undefined since one came or went. */
  sorted?: readonly number[];
}

interface Book {
  levels: Map<string, Level>;
  /** Most general levels. */
  tops: Set<string>;
  /** Readings of each tool, and the most particular levels in which it was used. */
  tools: Map<string, OfTool>;
}

/** What the levels above say, with some readings left out. */
type PriorWithout = (without: (c: Counted) => boolean) => Spread;

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

/**
 * Learns record by record: one more costs little however many there are. Levels pool into each other, each one’s result being
 * the next one’s prior. Every reading counts once: the prior of a level is made of the readings beside it, not of its own.
 */
export function learning(): Learning {
  const books = new Map<LearnedFigure, Book>();
  const byRecord = new Map<string, { figure: LearnedFigure; levels: readonly string[]; id: string }[]>();
  const toolNames = new Map<string, string>();
  /** When each tool was sharpened or renewed last. */
  const begun = new Map<string, string>();
  const bookOf = (figure: LearnedFigure): Book => {
    const book = books.get(figure) ?? { levels: new Map<string, Level>(), tops: new Set(), tools: new Map() };
    books.set(figure, book);
    return book;
  };
  const levelOf = (book: Book, key: string): Level => {
    const level = book.levels.get(key) ?? { readings: new Map<string, Counted>(), under: new Set<string>() };
    book.levels.set(key, level);
    return level;
  };
  /** Whether a tool did something since it was sharpened last: before, it was another tool. */
  const isOf = (tool: string, { tool: by, happenedAt }: Counted): boolean =>
    by === tool && (begun.get(tool) ?? '') <= happenedAt;
  function forget(book: Book, levels: readonly string[]): void {
    // What is under a level has its result as a prior.
    const below = (key: string): void => {
      const level = book.levels.get(key);
      if (!level) return;
      level.made = undefined;
      level.sorted = undefined;
      for (const next of level.under) below(next);
    };
    below(levels[0]);
  }
  function add({ figure, levels, tool, axis, value, typical, recordId, happenedAt }: Reading): void {
    const id = `${recordId} ${figure} ${levels.join()} ${axis ?? ''}`;
    const known = byRecord.get(recordId) ?? [];
    if (known.some((k) => k.id === id)) return;
    const z = inSigmas(figure, value, typical);
    if (!Number.isFinite(z)) return;
    byRecord.set(recordId, [...known, { figure, levels, id }]);
    const book = bookOf(figure);
    book.tops.add(levels[0]);
    // One text for each tool: that two are the same is then seen at once.
    const named = tool === undefined ? undefined : (toolNames.get(tool) ?? tool);
    if (named !== undefined) toolNames.set(named, named);
    const counted = { levels, z, tool: named, happenedAt };
    levels.forEach((key, i) => {
      levelOf(book, key).readings.set(id, counted);
      if (i > 0) levelOf(book, levels[i - 1]).under.add(key);
    });
    if (tool !== undefined) {
      const known: OfTool = book.tools.get(tool) ?? { readings: new Map<string, Counted>(), lasts: new Set<string>() };
      known.readings.set(id, counted);
      known.lasts.add(levels[levels.length - 1]);
      book.tools.set(tool, known);
    }
    forget(book, levels);
    if (tool !== undefined) forgetTool(book, tool);
  }
  /** What a tool did elsewhere counts for it here. */
  function forgetTool(book: Book, tool: string): void {
    const known = book.tools.get(tool);
    if (known) known.sorted = undefined;
    for (const last of known?.lasts ?? []) {
      const level = book.levels.get(last);
      if (level) level.made = undefined;
    }
  }
  function remove(recordId: string): void {
    for (const { figure, levels, id } of byRecord.get(recordId) ?? []) {
      const book = bookOf(figure);
      const tool = book.levels.get(levels[0])?.readings.get(id)?.tool;
      for (const key of levels) book.levels.get(key)?.readings.delete(id);
      if (tool !== undefined) book.tools.get(tool)?.readings.delete(id);
      forget(book, levels);
      if (tool !== undefined) forgetTool(book, tool);
    }
    byRecord.delete(recordId);
  }
  function begunAnew(tool: string, at: string): void {
    if (at > (begun.get(tool) ?? '')) begun.set(tool, at);
    for (const book of books.values()) forgetTool(book, tool);
  }
  /** Readings in rising order: sums come out the same to the last digit, whichever came first. */
  const valuesOf = (level: Level, keep?: (c: Counted) => boolean): number[] => {
    level.sorted ??= [...level.readings.values()].sort((a, b) => a.z - b.z);
    const values: number[] = [];
    for (const counted of level.sorted) if (!keep || keep(counted)) values.push(counted.z);
    return values;
  };
  const plain = ({ mean, sigma, n, own, range }: LearnedLevel): LearnedLevel => ({ mean, sigma, n, own, range });

  /** Everything that a tool did since it was made or sharpened, in whatever it was used. */
  function ofTool(book: Book, tool: string): readonly number[] {
    const known = book.tools.get(tool);
    if (!known) return [];
    if (!known.sorted) {
      const values: number[] = [];
      for (const counted of known.readings.values()) if (isOf(tool, counted)) values.push(counted.z);
      known.sorted = values.sort((a, b) => a - b);
    }
    return known.sorted;
  }
  /**
   * Results of a level, of those under it and of the tools used in it.
   * @param priorWithout what the levels above say, with some readings left out
   */
  function resultsOf(book: Book, key: string, depth: number, priorWithout: PriorWithout) {
    const level = levelOf(book, key);
    if (level.made) return level.made;
    const levels: Record<string, LearnedLevel> = {};
    const inHere = ({ levels: of }: Counted): boolean => of[depth] === key;
    const prior = priorWithout(inHere);
    const all = valuesOf(level);
    if (all.length > 0) levels[key] = plain(pooled(prior, all));
    if (level.under.size === 0) {
      const tools = new Set<string>();
      for (const { tool } of level.readings.values()) if (tool !== undefined) tools.add(tool);
      for (const tool of tools) {
        const own = ofTool(book, tool);
        if (own.length === 0) continue;
        const [anywhere, here] = toolLevels(tool, key);
        const beside = valuesOf(level, (c) => !isOf(tool, c));
        levels[anywhere] = plain(pooled(TYPICAL, own));
        // A hand is the same whatever it does.
        if (isHand(tool)) continue;
        levels[here] = plain(pooled(pooled(prior, beside), own));
      }
    }
    level.made = { levels };
    return level.made;
  }
  function walk(book: Book, key: string, depth: number, priorWithout: PriorWithout) {
    const level = levelOf(book, key);
    let into: Record<string, LearnedLevel> = { ...resultsOf(book, key, depth, priorWithout).levels };
    const priorHere: PriorWithout = (without) =>
      pooled(
        priorWithout(({ levels }) => levels[depth] === key),
        valuesOf(level, (c) => !without(c)),
      );
    for (const under of level.under) into = { ...into, ...walk(book, under, depth + 1, priorHere) };
    return into;
  }
  return {
    add,
    remove,
    begunAnew,
    learned: () => {
      const learned: Partial<Record<LearnedFigure, Record<string, LearnedLevel>>> = {};
      for (const figure of LEARNED_FIGURES) {
        const book = books.get(figure);
        if (!book) continue;
        let levels: Record<string, LearnedLevel> = {};
        for (const top of book.tops) levels = { ...levels, ...walk(book, top, 0, () => TYPICAL) };
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
