import Dexie, { type Table } from 'dexie';
import type { PractisedInput } from '@/contracts/practice';
import type { RecordInput, RecordKept } from '@/contracts/record';
import type { LocalChange } from './job-document';
import type { Measured } from './device';
import { decided } from './undecided';

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
  /** When it was made. */
  at?: Measured;
  /** Shows that its name was signed in when it was made. */
  mark?: string;
  /** Why the server will not have it; it stays until somebody leaves it out. */
  refused?: string;
}
/** Records of a job that are kept here, many in a row: they are read all at once. */
interface KeptPage {
  jobId: string;
  page: number;
  records: RecordKept[];
}
/** How far the records of a job are kept here. */
export interface KeptLog {
  jobId: string;
  /** Arrival of the last of them. */
  arrival: number;
  /** Which data of the server they are of. */
  mark: string;
}

class BrowserStore extends Dexie {
  changes!: Table<WaitingChange, string>;
  records!: Table<WaitingRecord, string>;
  cache!: Table<{ key: string; value: unknown }, string>;
  kept!: Table<KeptPage, [string, number]>;
  /** Exercises that were done here and that the server does not have yet. */
  practised!: Table<PractisedInput, string>;
  /** With the pages that they stand on. */
  logs!: Table<KeptLog & { pages: number }, string>;

  constructor() {
    super('jolly-bit');
    this.version(1).stores({ changes: 'id, jobId', records: 'id, jobId', cache: 'key' });
    this.version(2).stores({ kept: '[jobId+page], jobId', logs: 'jobId' });
    this.version(3).stores({ practised: 'id, who' });
  }
}

let opened: Promise<BrowserStore | undefined> | undefined;
let raw: IDBDatabase | undefined;

/** Why this browser keeps nothing; undefined while it does. */
let unkept: string | undefined;
const onKeeping = new Set<() => void>();
export const whyNotKept = (): string | undefined => unkept;
/** Listens for whether this browser keeps what is made. */
export function whenKeeping(listener: () => void): () => void {
  onKeeping.add(listener);
  return () => void onKeeping.delete(listener);
}
function keeps(why: string | undefined): void {
  if (why === unkept) return;
  unkept = why;
  onKeeping.forEach((listener) => listener());
}
const faultOf = (error: unknown): string =>
  (error as { name?: string } | null)?.name === 'QuotaExceededError' ? 'its store is full' : 'it forbids it';

/** The browser's own store; undefined where the browser has none, as in a private window that forbids it. */
export function browserStore(): Promise<BrowserStore | undefined> {
  opened ??= (async () => {
    try {
      const store = new BrowserStore();
      await store.open();
      raw = store.backendDB();
      return store;
    } catch (error) {
      keeps(faultOf(error));
      return undefined;
    }
  })();
  return opened;
}

/** Reads or writes in the browser's store; undefined, with why it keeps nothing, where that fails. */
export async function inStore<T>(work: (store: BrowserStore) => Promise<T>): Promise<T | undefined> {
  const store = await browserStore();
  if (!store) return undefined;
  try {
    return await work(store);
  } catch (error) {
    keeps(faultOf((error as { inner?: unknown }).inner ?? error));
    return undefined;
  }
}

/** What never changes once it was read: from the browser's own store, else read and kept there. */
export async function readOnce<T>(key: string, read: () => Promise<T>): Promise<T> {
  const kept = (await inStore((store) => store.cache.get(key)))?.value as T | undefined;
  if (kept !== undefined) return kept;
  const value = await read();
  void inStore((store) => store.cache.put({ key, value }));
  return value;
}

type Name = 'changes' | 'records' | 'practised';

/** Records that wait, as this tab knows them: they are sent from here, whatever the browser keeps. */
const inMemory = new Map<string, WaitingRecord>();

/**
 * Writes in the same turn in which it was asked, so that it stands when the tab is closed at once: a transaction that is
 * committed here needs nothing more of the page.
 */
function writeNow(name: Name, work: (store: IDBObjectStore) => void): void {
  if (!raw) {
    void browserStore().then((store) => store && writeNow(name, work));
    return;
  }
  try {
    const transaction = raw.transaction(name, 'readwrite');
    transaction.oncomplete = () => {
      if (unkept === undefined) return;
      keeps(undefined);
      // There is room again: what was sent from memory meanwhile is kept too.
      for (const row of inMemory.values()) writeNow('records', (store) => store.put(row));
    };
    transaction.onabort = () => keeps(faultOf(transaction.error));
    work(transaction.objectStore(name));
    transaction.commit();
  } catch (error) {
    keeps(faultOf(error));
  }
}

export function putWaiting(name: 'records', row: WaitingRecord): void;
export function putWaiting(name: 'changes', row: WaitingChange): void;
export function putWaiting(name: 'practised', row: PractisedInput): void;
export function putWaiting(name: Name, row: WaitingChange | WaitingRecord | PractisedInput): void {
  if (name === 'records') inMemory.set(row.id, row as WaitingRecord);
  writeNow(name, (store) => store.put(row));
}
export function dropWaiting(name: Name, ids: readonly string[]): void {
  if (ids.length === 0) return;
  if (name === 'records') ids.forEach((id) => inMemory.delete(id));
  if (name === 'changes') decided(ids);
  writeNow(name, (store) => ids.forEach((id) => store.delete(id)));
}

/** Changes that wait, oldest first; of one job where it is named. */
export async function waitingChanges(jobId?: string): Promise<WaitingChange[]> {
  const rows = await inStore(({ changes }) =>
    jobId === undefined ? changes.orderBy('id').toArray() : changes.where('jobId').equals(jobId).sortBy('id'),
  );
  return rows ?? [];
}

const madeFirst = ({ record: a }: WaitingRecord, { record: b }: WaitingRecord): number =>
  (a.sequence ?? 0) - (b.sequence ?? 0) || (a.id < b.id ? -1 : 1);

/** Records that wait, of this browser and of this tab, in the order in which they were made; of one job where it is named. */
export async function waitingRecords(jobId?: string): Promise<WaitingRecord[]> {
  const stored = await inStore(({ records }) =>
    jobId === undefined ? records.toArray() : records.where('jobId').equals(jobId).toArray(),
  );
  const own = [...inMemory.values()].filter((row) => jobId === undefined || row.jobId === jobId);
  return [...new Map([...(stored ?? []), ...own].map((row) => [row.id, row])).values()].sort(madeFirst);
}

/** What is kept here of the records of a job. */
export async function keptRecords(jobId: string): Promise<{ log: KeptLog; records: RecordKept[] } | undefined> {
  return inStore(async ({ kept, logs }) => {
    const log = await logs.get(jobId);
    if (!log) return undefined;
    const pages = await kept.where('jobId').equals(jobId).sortBy('page');
    return { log, records: pages.flatMap((p) => p.records) };
  });
}

/** A page is added to while it has room for what comes. */
const PAGE = 400;

/**
 * Keeps what arrived of a job; what of it waited here waits no longer, in the same transaction. Another tab may have kept some
 * of it meanwhile: what is in the store tells how far that is.
 * @returns whether it is kept
 */
export async function keepArrived(log: KeptLog, records: readonly RecordKept[]): Promise<boolean> {
  for (const { id } of records) inMemory.delete(id);
  const done = await inStore((store) =>
    store.transaction('rw', store.kept, store.logs, store.records, async () => {
      const { jobId, mark } = log;
      const there = (await store.logs.get(jobId)) ?? { jobId, mark, arrival: 0, pages: 0 };
      // Another tab keeps what another state of the server holds: this one will read that anew.
      if (there.mark !== mark) return false;
      const news = records.filter((r) => r.arrival > there.arrival);
      const last = news.length < PAGE ? await store.kept.get([jobId, there.pages]) : undefined;
      const joins = last !== undefined && last.records.length + news.length <= PAGE;
      const page = joins || news.length === 0 ? there.pages : there.pages + 1;
      if (news.length > 0) await store.kept.put({ jobId, page, records: [...(joins ? last.records : []), ...news] });
      await store.records.bulkDelete(records.map((r) => r.id));
      await store.logs.put({ jobId, mark, arrival: Math.max(there.arrival, log.arrival), pages: page });
      return true;
    }),
  );
  return done ?? false;
}

/** Forgets the records of a job that are kept here. */
export const dropKept = (jobId: string): Promise<unknown> =>
  inStore((store) =>
    store.transaction('rw', store.kept, store.logs, async () => {
      await store.kept.where('jobId').equals(jobId).delete();
      await store.logs.delete(jobId);
    }),
  );

/** Forgets what was read of the shop; what waits for the server stays. */
export const forgetKept = (): Promise<unknown> =>
  inStore((store) => Promise.all([store.cache.clear(), store.kept.clear(), store.logs.clear()]));
