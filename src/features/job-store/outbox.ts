import Dexie, { type Table } from 'dexie';
import type { RecordInput } from '@/contracts/record';
import type { LocalChange } from './job-document';
import { noteWaits } from './waits';

/** A change of a job that the server does not have yet. */
export interface WaitingChange {
  /** Id of the change; ids sort by when they were made. */
  id: string;
  jobId: string;
  /** The tab that made it and shows it. */
  tab: string;
  change: LocalChange;
}
/** A record that the server does not have yet. */
export interface WaitingRecord {
  id: string;
  jobId: string;
  record: RecordInput;
  /** Why the server will not have it; it stays until somebody leaves it out. */
  refused?: string;
}

class BrowserStore extends Dexie {
  changes!: Table<WaitingChange, string>;
  records!: Table<WaitingRecord, string>;
  cache!: Table<{ key: string; value: unknown }, string>;

  constructor() {
    super('jolly-bit');
    this.version(1).stores({ changes: 'id, jobId', records: 'id, jobId', cache: 'key' });
  }
}

let opened: Promise<BrowserStore | undefined> | undefined;
let raw: IDBDatabase | undefined;

/** The browser's own store; undefined where the browser has none, as in a private window that forbids it. */
export function browserStore(): Promise<BrowserStore | undefined> {
  opened ??= (async () => {
    try {
      const store = new BrowserStore();
      await store.open();
      raw = store.backendDB();
      return store;
    } catch {
      return undefined;
    }
  })();
  return opened;
}

/** What never changes once it was read: from the browser's own store, else read and kept there. */
export async function readOnce<T>(key: string, read: () => Promise<T>): Promise<T> {
  const store = await browserStore();
  const kept = (await store?.cache.get(key))?.value as T | undefined;
  if (kept !== undefined) return kept;
  const value = await read();
  await store?.cache.put({ key, value });
  return value;
}

type Name = 'changes' | 'records';

/**
 * Writes in the same turn in which it was asked, so that it stands when the tab is closed at once: a transaction that is
 * committed here needs nothing more of the page.
 */
function writeNow(name: Name, work: (store: IDBObjectStore) => void): void {
  if (!raw) {
    void browserStore().then((store) => store && writeNow(name, work));
    return;
  }
  const transaction = raw.transaction(name, 'readwrite');
  work(transaction.objectStore(name));
  transaction.commit();
}

export const putWaiting = (name: Name, row: WaitingChange | WaitingRecord): void => {
  noteWaits(true);
  writeNow(name, (store) => store.put(row));
};
export const dropWaiting = (name: Name, ids: readonly string[]): void =>
  writeNow(name, (store) => ids.forEach((id) => store.delete(id)));

/** Changes of a job that wait, oldest first. */
export async function waitingChanges(jobId: string): Promise<WaitingChange[]> {
  const store = await browserStore();
  return (await store?.changes.where('jobId').equals(jobId).sortBy('id')) ?? [];
}

/** Records of a job that wait, oldest first. */
export async function waitingRecords(jobId: string): Promise<WaitingRecord[]> {
  const store = await browserStore();
  return (await store?.records.where('jobId').equals(jobId).sortBy('id')) ?? [];
}
