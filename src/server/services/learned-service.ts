import { createHash } from 'node:crypto';
import { LEARNED_FIGURES, type Learned, type LearnedFigure } from '@/core/answer/estimate';
import { learning, type Learning } from '@/core/learning/learning';
import { addToLives, livesOf, type ToolLife } from '@/core/learning/lives';
import type { Observation } from '@/core/run/observations';
import type { Database } from '../database';
import { findDataMark } from '../repositories/data-repository';
import {
  findTeaching,
  listSetAside,
  putAside,
  takeBack,
  type JobObservation,
  type SetAside,
} from '../repositories/observation-repository';
import { writing } from '../writing';

/** What a shop has learned, moved on by each record. */
interface Book {
  mark: string;
  learning: Learning;
  aside: SetAside[];
  learned?: Learned;
  lives?: Map<string, ToolLife>;
  /** What tools did, by record. */
  events: Map<string, JobObservation>;
  last: string;
}

/** One for the process: pages and the HTTP interface are built apart, and have their own copies of every module. */
const shared = globalThis as { jollyBitBooks?: WeakMap<Database, Promise<Book>> };
const books = (shared.jollyBitBooks ??= new WeakMap<Database, Promise<Book>>());

/** Things that are set aside by what they are: a record, a figure, or one level of one. */
export const asideId = {
  record: (id: string): string => `record ${id}`,
  figure: (figure: LearnedFigure): string => `figure ${figure}`,
  level: (figure: LearnedFigure, level: string): string => `level ${figure} ${level}`,
};

function count(book: Book, seen: JobObservation): void {
  const { observed, figures, recordId, happenedAt } = seen;
  if ('tool' in observed && observed.tool !== undefined) {
    if (book.lives && happenedAt >= book.last && !book.events.has(recordId)) addToLives(book.lives, seen);
    else book.lives = undefined;
    book.events.set(recordId, seen);
    if (happenedAt > book.last) book.last = happenedAt;
    if (observed.what === 'renewed') book.learning.begunAnew(observed.tool, happenedAt);
  }
  if (figures.length === 0 || book.aside.some((a) => a.id === asideId.record(recordId))) return;
  const { featureId, holeNumber, part } = seen.at;
  const hole = `${seen.jobId} ${featureId} ${holeNumber} ${part}`;
  for (const figure of figures) book.learning.add({ ...figure, recordId, happenedAt, hole });
  book.learned = undefined;
}

async function open(db: Database): Promise<Book> {
  const mark = await findDataMark(db);
  const aside = await listSetAside(db);
  const book: Book = { mark, learning: learning(), aside, events: new Map(), last: '' };
  for (const seen of await findTeaching(db)) count(book, seen);
  return book;
}

async function bookOf(db: Database): Promise<Book> {
  const known = books.get(db);
  if (known) {
    const book = await known;
    if (book.mark === (await findDataMark(db))) return book;
  }
  const opened = books.get(db) === known ? open(db) : (books.get(db) ?? open(db));
  books.set(db, opened);
  // One that could not be read is read again when it is asked for.
  opened.catch(() => books.get(db) === opened && books.delete(db));
  return opened;
}

/** Counts what records of a job observed, and leaves out what they correct. */
export async function countObserved(
  db: Database,
  jobId: string,
  seen: readonly Observation[],
  corrected: readonly string[],
): Promise<void> {
  const open = books.get(db);
  if (!open) return;
  const book = await open;
  for (const id of [...corrected, ...seen.map((o) => o.recordId)]) {
    // A sharpening that is taken back gives a tool its readings again: from the start.
    if (book.events.get(id)?.observed.what === 'renewed') return forgetLearned(db);
    book.learning.remove(id);
    if (book.events.delete(id)) book.lives = undefined;
  }
  book.learned = undefined;
  for (const o of seen) count(book, { ...o, jobId });
}

/** Forgets what is held in memory: it is read anew from what was recorded. */
export const forgetLearned = (db: Database): void => void books.delete(db);

function withoutAside(learned: Learned, aside: readonly SetAside[]): Learned {
  const ids = new Set(aside.map((a) => a.id));
  const kept: Partial<Record<LearnedFigure, Learned[LearnedFigure]>> = {};
  for (const figure of LEARNED_FIGURES) {
    const levels = Object.entries(learned[figure] ?? {}).filter(([level]) => !ids.has(asideId.level(figure, level)));
    if (levels.length > 0 && !ids.has(asideId.figure(figure))) kept[figure] = Object.fromEntries(levels);
  }
  return kept;
}

/** What the shop has learned, whether it is used or set aside. */
export async function learnedInAll(db: Database): Promise<{ learned: Learned; aside: readonly SetAside[] }> {
  const book = await bookOf(db);
  return { learned: (book.learned ??= book.learning.learned()), aside: book.aside };
}

/** What plans are made with; undefined where nothing was measured. */
export async function learnedNow(db: Database): Promise<Learned | undefined> {
  const { learned, aside } = await learnedInAll(db);
  const used = withoutAside(learned, aside);
  return Object.keys(used).length > 0 ? used : undefined;
}

/** Steps of a learned figure, in typical sigmas, under which no plan is made anew. */
const STEP = 0.25;

/** Tells whether plans were made from what is learned now, but for steps too small to matter. */
export async function learnedMark(db: Database): Promise<string> {
  const { oversize, 'formed-minor': formed, torque } = (await learnedNow(db)) ?? {};
  const steps = [oversize, formed, torque].map((levels) =>
    Object.entries(levels ?? {})
      .map(([level, { mean, sigma }]) => `${level} ${Math.round(mean / STEP)} ${Math.round(sigma / STEP)}`)
      .sort(),
  );
  return createHash('sha1').update(JSON.stringify(steps)).digest('base64url');
}

/** What every tool has done. */
export async function livesNow(db: Database): Promise<ReadonlyMap<string, ToolLife>> {
  const book = await bookOf(db);
  return (book.lives ??= livesOf([...book.events.values()]));
}

/** Leaves a record, a figure or a level of one out of what is learned, or takes it in again. */
export async function changeAside(
  db: Database,
  change: { id: string; aside: boolean; reason?: string; who?: string },
): Promise<void> {
  const { id, aside, reason = '', who } = change;
  await writing(db, async (tx) => {
    if (aside) await putAside(tx, { id, reason, who });
    else await takeBack(tx, id);
  });
  const open = books.get(db);
  // A record is counted anew from the start; a figure or a level stays learned, and is used or not.
  if (open && !id.startsWith('record ')) (await open).aside = await listSetAside(db);
  else forgetLearned(db);
}
