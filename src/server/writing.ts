import type { Database } from './database';

/** A transaction, or a connection outside of one. */
export type Writer = Pick<Database, 'insert' | 'update' | 'delete' | 'select'>;

const queues = new WeakMap<object, Promise<unknown>>();

/**
 * Runs a transaction after all those before it: one writer at a time in this process, so that none waits for the lock of
 * the file and gives up. All of `work` is written, or nothing.
 */
export function writing<T>(db: Database, work: (tx: Writer) => Promise<T>): Promise<T> {
  const before = queues.get(db) ?? Promise.resolve();
  const run = (): Promise<T> => db.transaction((tx) => work(tx));
  const now = before.then(run, run);
  queues.set(db, now);
  return now;
}
