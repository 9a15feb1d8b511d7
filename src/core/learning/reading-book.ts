import { toolLevels, type LearnedLevel, type Spread } from '../answer/estimate';
import { isHand } from '../run/observations';
import { pooled, TYPICAL } from './pooled';

/** A reading as it is kept: in typical sigmas from the typical figure. */
export interface Counted {
  /** From the most general to the most particular. */
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
  made?: Levels;
}

/** What a tool or a hand did, since it was made or sharpened. */
interface OfTool {
  readings: Map<string, Counted>;
  lasts: Set<string>;
  /** In rising order; undefined since one came or went. */
  sorted?: readonly number[];
}

/** Readings of one figure. */
export interface ReadingBook {
  levels: Map<string, Level>;
  /** Most general levels. */
  tops: Set<string>;
  /** Readings of each tool, and the most particular levels in which it was used. */
  tools: Map<string, OfTool>;
}

/** What each level comes to. */
export type Levels = Record<string, LearnedLevel>;
/** When each tool was sharpened or renewed last. */
export type Begun = ReadonlyMap<string, string>;
/** What the levels above say, with some readings left out. */
type PriorWithout = (without: (c: Counted) => boolean) => Spread;

export const emptyBook = (): ReadingBook => ({ levels: new Map(), tops: new Set(), tools: new Map() });

function levelOf(book: ReadingBook, key: string): Level {
  const level = book.levels.get(key) ?? { readings: new Map<string, Counted>(), under: new Set<string>() };
  book.levels.set(key, level);
  return level;
}

/** Puts a reading under its levels and its tool. */
export function countReading(book: ReadingBook, id: string, counted: Counted): void {
  const { levels, tool } = counted;
  book.tops.add(levels[0]);
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
  forgetLevels(book, levels);
  if (tool !== undefined) forgetTool(book, tool);
}

/** Takes a reading back. */
export function takeBack(book: ReadingBook, id: string, levels: readonly string[]): void {
  const tool = book.levels.get(levels[0])?.readings.get(id)?.tool;
  for (const key of levels) book.levels.get(key)?.readings.delete(id);
  if (tool !== undefined) book.tools.get(tool)?.readings.delete(id);
  forgetLevels(book, levels);
  if (tool !== undefined) forgetTool(book, tool);
}

/** What is under a level has its result as a prior: all of it is worked out anew. */
function forgetLevels(book: ReadingBook, levels: readonly string[]): void {
  const below = (key: string): void => {
    const level = book.levels.get(key);
    if (!level) return;
    level.made = undefined;
    level.sorted = undefined;
    for (const next of level.under) below(next);
  };
  below(levels[0]);
}

/** What a tool did elsewhere counts for it here. */
export function forgetTool(book: ReadingBook, tool: string): void {
  const known = book.tools.get(tool);
  if (known) known.sorted = undefined;
  for (const last of known?.lasts ?? []) {
    const level = book.levels.get(last);
    if (level) level.made = undefined;
  }
}

/** Whether a tool did something since it was sharpened last: before, it was another tool. */
const isOf = (begun: Begun, tool: string, { tool: by, happenedAt }: Counted): boolean =>
  by === tool && (begun.get(tool) ?? '') <= happenedAt;

/** Readings in rising order: sums come out the same to the last digit, whichever came first. */
function valuesOf(level: Level, keep?: (c: Counted) => boolean): number[] {
  level.sorted ??= [...level.readings.values()].sort((a, b) => a.z - b.z);
  const values: number[] = [];
  for (const counted of level.sorted) if (!keep || keep(counted)) values.push(counted.z);
  return values;
}

/** Everything that a tool did since it was made or sharpened, in whatever it was used. */
function ofTool(book: ReadingBook, begun: Begun, tool: string): readonly number[] {
  const known = book.tools.get(tool);
  if (!known) return [];
  if (!known.sorted) {
    const values: number[] = [];
    for (const counted of known.readings.values()) if (isOf(begun, tool, counted)) values.push(counted.z);
    known.sorted = values.sort((a, b) => a - b);
  }
  return known.sorted;
}

const plain = ({ mean, sigma, n, own, range }: LearnedLevel): LearnedLevel => ({ mean, sigma, n, own, range });

/** Results of the tools used in a level that has none under it. @param prior what the levels above say */
function resultsOfTools(book: ReadingBook, begun: Begun, key: string, prior: Spread): Levels {
  const level = levelOf(book, key);
  const results: Levels = {};
  const tools = new Set<string>();
  for (const { tool } of level.readings.values()) if (tool !== undefined) tools.add(tool);
  for (const tool of tools) {
    const own = ofTool(book, begun, tool);
    if (own.length === 0) continue;
    const [anywhere, here] = toolLevels(tool, key);
    const beside = valuesOf(level, (c) => !isOf(begun, tool, c));
    results[anywhere] = plain(pooled(TYPICAL, own));
    // A hand is the same whatever it does.
    if (isHand(tool)) continue;
    results[here] = plain(pooled(pooled(prior, beside), own));
  }
  return results;
}

/** Results of a level and of the tools used in it. */
function resultsOf(book: ReadingBook, begun: Begun, key: string, depth: number, priorWithout: PriorWithout): Levels {
  const level = levelOf(book, key);
  if (level.made) return level.made;
  const prior = priorWithout(({ levels: of }) => of[depth] === key);
  const all = valuesOf(level);
  level.made = {
    ...(all.length > 0 ? { [key]: plain(pooled(prior, all)) } : {}),
    ...(level.under.size === 0 ? resultsOfTools(book, begun, key, prior) : {}),
  };
  return level.made;
}

function walk(book: ReadingBook, begun: Begun, key: string, depth: number, priorWithout: PriorWithout): Levels {
  const level = levelOf(book, key);
  let into: Levels = { ...resultsOf(book, begun, key, depth, priorWithout) };
  const priorHere: PriorWithout = (without) =>
    pooled(
      priorWithout(({ levels }) => levels[depth] === key),
      valuesOf(level, (c) => !without(c)),
    );
  for (const under of level.under) into = { ...into, ...walk(book, begun, under, depth + 1, priorHere) };
  return into;
}

/**
 * What every level of a book comes to: each one’s result is the next one’s prior, made of the readings beside it, not of its
 * own, so that every reading counts once. What did not change since it was last asked is not worked out anew.
 */
export function levelsOf(book: ReadingBook, begun: Begun): Levels {
  let levels: Levels = {};
  for (const top of book.tops) levels = { ...levels, ...walk(book, begun, top, 0, () => TYPICAL) };
  return levels;
}
