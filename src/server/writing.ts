import type { Database } from './database';
import { sqliteCode } from './database-faults';

/** A transaction, or a connection outside of one. */
export type Writer = Pick<Database, 'insert' | 'update' | 'delete' | 'select'>;

const queues = new WeakMap<object, Promise<unknown>>();

/**
 * Runs what writes after all that was asked for before it: one writer at a time in this process, so that none waits for the
 * lock of the file and gives up.
 */
export function inTurn<T>(db: Database, work: () => Promise<T>): Promise<T> {
  const before = queues.get(db) ?? Promise.resolve();
  const now = before.then(work, work);
  queues.set(db, now);
  return now;
}

/**
 * Writes what is worked out from the rest, so that it need not be again. Where that cannot be written, as on a full disk, reading
 * goes on without it.
 */
export async function keeping(db: Database, work: (tx: Writer) => Promise<void>): Promise<void> {
  try {
    await writing(db, work);
  } catch (error) {
    if (!/FULL|READONLY|BUSY|LOCKED|IOERR/.test(sqliteCode(error) ?? '')) throw error;
  }
}

/** Runs a transaction in its turn. All of `work` is written, or nothing. */
export const writing = <T>(db: Database, work: (tx: Writer) => Promise<T>): Promise<T> =>
  inTurn(db, () => db.transaction((tx) => work(tx)));
