import { v7 as uuidv7 } from 'uuid';
import { BENCH_KINDS, type RecordInput, type RecordKept } from '@/contracts/record';
import { byOrder } from '@/core/layout/record-order';
import { DATA_MARK } from '@/contracts/data-mark';
import { sendSeen, type Sent } from '@/ui/send';
import { measuredNow, nextOfDevice } from './device';
import {
  dropKept,
  dropWaiting,
  keepArrived,
  keptRecords,
  putWaiting,
  waitingRecords,
  type KeptLog,
  type WaitingRecord,
} from './outbox';
import { signedInHere } from './signed-in';
import { tellRecorded } from './tabs';

/** What was recorded at a job, as a view shows it. */
export interface LogState {
  /** In the order in which it happened, what the server does not have yet last. */
  records: readonly RecordKept[];
  /** Those of the bench and its checks. */
  bench: readonly RecordKept[];
  /** Rises when something came before what was there: until then more is only added at the end. */
  epoch: number;
  /** Records that the server does not have yet. */
  toSend: number;
  /** Whether anything was read yet, from the server or from what is kept here. */
  known: boolean;
  /** Everything read is in the browser's store. */
  kept: boolean;
  /** How many were read while there are more. */
  reading?: number;
  /** What the server will not have, with why. */
  refused: { id: string; why: string }[];
  /** Why nothing could be read from the server when that was tried last. */
  pollFault?: string;
  /** The job was removed elsewhere. */
  gone: boolean;
  /** The server was brought back to a copy that lacks so many of the records that are kept here. */
  lost: number;
}

const isOfBench = ({ kind }: { kind: string }): boolean => (BENCH_KINDS as readonly string[]).includes(kind);

/** A record as it is shown before the server has it. */
const unsent = (record: RecordInput): RecordKept =>
  ({ happenedAt: '', ...record, arrivedAt: '', arrival: Infinity }) as unknown as RecordKept;

type Page = { records: RecordKept[]; more: boolean };

/** What arrived of a job since, page by page. @returns undefined, with what came, where not all could be read */
async function readArrived(
  jobId: string,
  after: number,
  heard: (page: Page, mark: string) => Promise<void> | void,
): Promise<Extract<Sent<Page>, { ok: false }> | undefined> {
  for (let more = true; more;) {
    const got = await sendSeen<Page>('GET', `/api/v1/jobs/${jobId}/records?after=${after}`);
    if (!got.ok) return got;
    await heard(got.value, got.headers.get(DATA_MARK) ?? '');
    after = got.value.records.at(-1)?.arrival ?? after;
    ({ more } = got.value);
  }
  return undefined;
}

/**
 * Everything recorded at a job, as this tab knows it: what the server has, kept here too, and what waits for it. Shared by the
 * views of the job.
 */
export class RecordLog {
  private kept: RecordKept[] = [];
  private there = new Set<string>();
  private waiting: WaitingRecord[] = [];
  /** Records that the server has taken, though they were not read back yet. */
  private acknowledged = new Set<string>();
  private log: KeptLog;
  private state: LogState = {
    records: [],
    bench: [],
    epoch: 0,
    toSend: 0,
    known: false,
    kept: false,
    refused: [],
    gone: false,
    lost: 0,
  };
  /** What the server lacks since it was brought back to a copy. */
  private lost: RecordKept[] = [];
  private listeners = new Set<() => void>();
  private polling: Promise<void> | undefined;
  private opened: Promise<void> | undefined;

  constructor(readonly jobId: string) {
    this.log = { jobId, arrival: 0, mark: '' };
  }

  getState = (): LogState => this.state;
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
  isThere = (id: string): boolean => this.acknowledged.has(id) || this.there.has(id);

  /** Reads what is kept and what waits in the browser's store. */
  open(): Promise<void> {
    return (this.opened ??= (async () => {
      const found = await keptRecords(this.jobId);
      if (found) {
        this.log = found.log;
        this.kept = found.records.sort(byOrder);
        this.there = new Set(this.kept.map((r) => r.id));
      }
      this.join(await waitingRecords(this.jobId));
      this.show({ known: found !== undefined, kept: found !== undefined });
    })());
  }

  /** Records something that happened now: kept at once, sent soon. @returns its id */
  append(own: Omit<RecordInput, 'id' | 'jobId' | 'happenedAt'>): string {
    const by = signedInHere();
    const record = {
      ...own,
      ...nextOfDevice(),
      ...(by ? { who: by.who } : {}),
      id: uuidv7(),
      jobId: this.jobId,
      happenedAt: new Date().toISOString(),
    } as RecordInput;
    const row: WaitingRecord = { id: record.id, jobId: this.jobId, record, at: measuredNow(), mark: by?.mark };
    putWaiting('records', row);
    this.heard(row);
    tellRecorded(row);
    return record.id;
  }

  /** A record that was made here or in another tab of this browser. */
  heard(row: WaitingRecord): void {
    if (this.isThere(row.id) || this.waiting.some((w) => w.id === row.id)) return;
    this.waiting = [...this.waiting, row];
    const shown = unsent(row.record);
    const { records, bench } = this.state;
    this.tell({ records: [...records, shown], bench: isOfBench(row.record) ? [...bench, shown] : bench });
  }

  /** The server has these; they are read back with whatever else arrived. */
  async sent(ids: readonly string[]): Promise<void> {
    for (const id of ids) if (this.waiting.some((w) => w.id === id)) this.acknowledged.add(id);
    this.tell({});
    await this.poll();
  }

  refuse(id: string, why: string): void {
    this.waiting = this.waiting.filter((w) => w.id !== id);
    this.show({ refused: [...this.state.refused.filter((r) => r.id !== id), { id, why }] });
  }

  /** Gives up a record that the server will not have. */
  leaveOut = (id: string): void => {
    dropWaiting('records', [id]);
    this.tell({ refused: this.state.refused.filter((r) => r.id !== id) });
  };

  /** Reads what arrived since; one at a time. */
  poll(): Promise<void> {
    this.polling ??= this.read().finally(() => (this.polling = undefined));
    return this.polling;
  }

  private async read(): Promise<void> {
    await this.open();
    let other = false;
    const fault = await readArrived(this.jobId, this.log.arrival, async ({ records, more }, mark) => {
      if (this.log.mark !== '' && mark !== '' && mark !== this.log.mark) other = true;
      if (other) return;
      await this.arrived(records, mark, more);
    });
    if (other) return this.compare();
    if (fault) return this.tell({ gone: fault.status === 404, pollFault: fault.fault });
    if (this.state.gone || this.state.pollFault !== undefined) this.tell({ gone: false, pollFault: undefined });
  }

  private async arrived(records: readonly RecordKept[], mark: string, more: boolean): Promise<void> {
    this.log = { ...this.log, arrival: records.at(-1)?.arrival ?? this.log.arrival, mark };
    const news = records.filter((r) => !this.there.has(r.id)).sort(byOrder);
    let { kept } = this.state;
    if (news.length > 0 || !kept) kept = await keepArrived(this.log, news);
    const change = { known: true, kept, reading: more ? this.kept.length + news.length : undefined };
    if (news.length > 0) this.grow(news, change);
    else if (!this.state.known || kept !== this.state.kept || this.state.reading !== undefined) this.tell(change);
  }

  /** What came joins what is kept. Where it is what waited here, in its order, nothing that is shown changes. */
  private grow(news: readonly RecordKept[], change: Partial<LogState>): void {
    const last = this.kept.at(-1);
    const atEnd = last === undefined || byOrder(last, news[0]) < 0;
    const asShown = atEnd && news.every((r, i) => this.waiting[i]?.id === r.id);
    for (const r of news) {
      this.there.add(r.id);
      this.kept.push(r);
      this.acknowledged.delete(r.id);
    }
    if (!atEnd) this.kept.sort(byOrder);
    this.waiting = this.waiting.filter((w) => !this.there.has(w.id));
    if (asShown) this.tell(change);
    else this.show(change);
  }

  /** The server has other data than what is kept here is of: a copy was brought back. What it lacks is offered, never sent unasked. */
  private async compare(): Promise<void> {
    const server: RecordKept[] = [];
    let now = '';
    const fault = await readArrived(this.jobId, 0, ({ records }, mark) => {
      server.push(...records);
      now = mark;
    });
    if (fault) return this.tell({ gone: fault.status === 404 });
    const has = new Set(server.map((r) => r.id));
    const before = [...this.kept, ...this.lost];
    await dropKept(this.jobId);
    this.lost = before.filter((r) => !has.has(r.id));
    this.there = has;
    this.log = { jobId: this.jobId, arrival: server.at(-1)?.arrival ?? 0, mark: now };
    const kept = await keepArrived(this.log, server);
    this.waiting = this.waiting.filter((w) => !has.has(w.id));
    this.kept = server.sort(byOrder);
    this.show({ known: true, kept, gone: false, lost: this.lost.length });
  }

  /** Sends again what the server lacks since it was brought back to a copy. */
  sendLost = (): void => {
    for (const { arrivedAt: _a, arrival: _n, mark, ...record } of this.lost.sort(byOrder)) {
      const row: WaitingRecord = { id: record.id, jobId: this.jobId, record: record as RecordInput, mark };
      putWaiting('records', row);
      this.heard(row);
    }
    this.leaveLost();
  };
  leaveLost = (): void => {
    this.lost = [];
    this.tell({ lost: 0 });
  };

  /** Rows of the browser's store join what this tab knows to wait. */
  private join(rows: readonly WaitingRecord[]): void {
    const known = new Set(this.waiting.map((w) => w.id));
    const others = rows.filter((w) => !known.has(w.id) && !this.isThere(w.id));
    this.waiting = [...others.filter((w) => w.refused === undefined), ...this.waiting];
    const refused = others.flatMap(({ id, refused: why }) => (why === undefined ? [] : [{ id, why }]));
    if (refused.length > 0) this.state = { ...this.state, refused: [...this.state.refused, ...refused] };
  }

  /** Puts together anew what is shown; an order that only grew at its end keeps its epoch. */
  private show(change: Partial<LogState>): void {
    const records = [...this.kept, ...this.waiting.map((w) => unsent(w.record))];
    const { records: was, epoch } = this.state;
    const grew = was.every((r, i) => records[i]?.id === r.id);
    this.tell({ records, bench: records.filter(isOfBench), epoch: epoch + (grew ? 0 : 1), ...change });
  }

  private tell(change: Partial<LogState>): void {
    const toSend = this.waiting.filter((w) => !this.acknowledged.has(w.id)).length;
    this.state = { ...this.state, ...change, toSend };
    this.listeners.forEach((listener) => listener());
  }
}

const logs = new Map<string, RecordLog>();
/** Logs that views of this tab have opened. */
export const logsOpen = (): ReadonlyMap<string, RecordLog> => logs;

/** The one log of a job in this tab. */
export function logOf(jobId: string): RecordLog {
  const known = logs.get(jobId);
  if (known) return known;
  const log = new RecordLog(jobId);
  logs.set(jobId, log);
  return log;
}

/** Keeps what arrived of a job that no view of this tab shows, where it is kept here: so that it opens as it is without a network. */
export async function catchUp(jobId: string): Promise<void> {
  const found = await keptRecords(jobId);
  if (!found) return;
  let { log } = found;
  await readArrived(jobId, log.arrival, async ({ records }, mark) => {
    if (mark !== log.mark) return;
    log = { ...log, arrival: records.at(-1)?.arrival ?? log.arrival };
    await keepArrived(log, records);
  });
}
