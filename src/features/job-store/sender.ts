import type { PatchReceipt } from '@/contracts/job-change';
import { MOST_RECORDS, type RecordBatch, type RecordReceipt } from '@/contracts/record';
import { send } from '@/ui/send';
import { agoOf } from './device';
import { isInHand } from './job-store';
import { madeAfter } from './job-document';
import {
  dropWaiting,
  putWaiting,
  waitingChanges,
  waitingRecords,
  type WaitingChange,
  type WaitingRecord,
} from './outbox';
import { catchUp, logsOpen } from './record-log';
import { otherTabs, tellSaved } from './tabs';
import { isUndecided, leaveUndecided, stillWaiting } from './undecided';

/** A body of the server is at most 4 MiB; pictures are large. */
const MOST_CHARACTERS = 3_000_000;
const AGAIN_MS = 3000;

/** What keeps records of this browser from the server. */
export interface Sending {
  /** Why they wait; undefined where nothing does, or they are on their way. */
  fault?: string;
  /** By how much the clock here is ahead of the server's, s. */
  clockAheadS?: number;
}
let state: Sending = {};
const listeners = new Set<() => void>();
export const sendingNow = (): Sending => state;
export function whenSending(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
function tell(next: Sending): void {
  if (next.fault === state.fault && next.clockAheadS === state.clockAheadS) return;
  state = next;
  listeners.forEach((listener) => listener());
}

/** So many of the first that go in one batch. */
function batchOf(rows: readonly WaitingRecord[], most: number): WaitingRecord[] {
  let size = 0;
  const batch: WaitingRecord[] = [];
  for (const row of rows.slice(0, most)) {
    size += JSON.stringify(row.record).length;
    if (batch.length > 0 && size > MOST_CHARACTERS) break;
    batch.push(row);
  }
  return batch;
}

const byId = <T>(rows: readonly WaitingRecord[], of: (row: WaitingRecord) => T | undefined): Record<string, T> =>
  Object.fromEntries(
    rows.flatMap((row) => {
      const value = of(row);
      return value === undefined ? [] : [[row.id, value]];
    }),
  );

/** Records with what the clock and the measure here say, and with what shows that they are of their names. */
const bodyOf = (rows: readonly WaitingRecord[]): RecordBatch => ({
  records: rows.map((r) => r.record),
  sentAt: new Date().toISOString(),
  agoMs: byId(rows, (r) => agoOf(r.at)),
  marks: byId(rows, (r) => r.mark),
});

/** The server answered that it cannot read what was sent: one of it keeps the others from being taken. */
const isUnreadable = (status: number): boolean => status === 400 || status === 413 || status === 422;

const NO_JOB = 'job-unknown';
const CONFLICT = 409;

/** @param stuck ids of those that wait for their job */
async function sendBatch(rows: readonly WaitingRecord[], stuck: Set<string>): Promise<boolean> {
  const got = await send<RecordReceipt>('POST', '/api/v1/records', bodyOf(rows));
  const receipt = got.ok ? got.value : got.status === 422 ? (got.partial as RecordReceipt | undefined) : undefined;
  if (!receipt) {
    const fault = got.ok ? '' : got.fault;
    if (got.ok || !isUnreadable(got.status)) {
      tell({ ...state, fault });
      return false;
    }
    if (rows.length > 1) {
      const half = Math.ceil(rows.length / 2);
      return (await sendBatch(rows.slice(0, half), stuck)) && (await sendBatch(rows.slice(half), stuck));
    }
    refuse(rows[0], fault);
    return true;
  }
  tell({ clockAheadS: receipt.clockAheadS });
  const there = new Set([...receipt.taken, ...receipt.known]);
  for (const { id, code, detail, remedy } of receipt.refused) {
    const row = rows.find((r) => r.id === id);
    if (row && code === NO_JOB) {
      // It is removed, or a copy without it was brought back: it may come again.
      stuck.add(id);
      tell({ ...state, fault: detail });
    } else if (row) refuse(row, `${detail} ${remedy}`);
  }
  // They wait here until what arrived is kept, so that nothing is missing between the two.
  for (const jobId of new Set(rows.map((r) => r.jobId))) {
    const ids = rows.flatMap((r) => (r.jobId === jobId && there.has(r.id) ? [r.id] : []));
    const log = logsOpen().get(jobId);
    if (log) await log.sent(ids);
    else {
      await catchUp(jobId);
      dropWaiting('records', ids);
    }
    tellSaved(jobId);
  }
  return true;
}

function refuse(row: WaitingRecord, why: string): void {
  putWaiting('records', { ...row, refused: why });
  logsOpen().get(row.jobId)?.refuse(row.id, why);
}

let busy = false;
let more = false;
let timer: ReturnType<typeof setTimeout> | undefined;

/** Records that the server has and that stand here until what else arrived is kept with them. */
const isThere = ({ id, jobId }: WaitingRecord): boolean => logsOpen().get(jobId)?.isThere(id) ?? false;

/** Sends every record of this browser that waits, in the order in which they were made, and again until the server has them. */
export async function sendRecords(): Promise<void> {
  if (busy) {
    more = true;
    return;
  }
  busy = true;
  clearTimeout(timer);
  const stuck = new Set<string>();
  const later = (): void => void (timer = setTimeout(() => void sendRecords(), AGAIN_MS));
  try {
    do {
      more = false;
      const rows = (await waitingRecords()).filter((r) => r.refused === undefined && !isThere(r) && !stuck.has(r.id));
      const batch = batchOf(rows, MOST_RECORDS);
      if (batch.length === 0) break;
      if (!(await sendBatch(batch, stuck))) return later();
      more ||= batch.length < rows.length;
    } while (more as boolean);
    if (stuck.size > 0) return later();
    tell({ clockAheadS: state.clockAheadS });
  } finally {
    busy = false;
  }
}

let changesGo: Promise<void> | undefined;

/** Sends what waits of jobs that no view has open, changes whose tab is gone: one pass at a time, so that none is sent twice. */
export function sendChanges(): Promise<void> {
  changesGo ??= sendEachChange().finally(() => (changesGo = undefined));
  return changesGo;
}

async function sendEachChange(): Promise<void> {
  const waiting = await waitingChanges();
  stillWaiting(waiting.map(({ id }) => id));
  if (waiting.length === 0) return;
  const others = await otherTabs();
  const stuck = new Set<string>();
  const rows = new Map(waiting.map((row) => [row.id, row]));
  for (const { id } of waiting) {
    const { jobId, tab, change } = rows.get(id) as WaitingChange;
    if (others.has(tab) || isInHand(jobId) || stuck.has(jobId)) continue;
    if (isUndecided(id)) {
      stuck.add(jobId);
      continue;
    }
    const got = await send<PatchReceipt>('PATCH', `/api/v1/jobs/${jobId}`, change);
    rows.delete(id);
    // What somebody has to decide waits until the job is opened; those after it keep their order.
    if (!got.ok) {
      if (got.status === CONFLICT || isUnreadable(got.status)) leaveUndecided(id, jobId);
      stuck.add(jobId);
      continue;
    }
    // Those that were made on top of it know it now: nobody is in conflict with what they did themselves.
    for (const row of rows.values())
      if (row.jobId === jobId && !isInHand(jobId)) {
        const after = { ...row, change: madeAfter(row.change, change, got.value) };
        rows.set(row.id, after);
        putWaiting('changes', after);
      }
    dropWaiting('changes', [id]);
    tellSaved(jobId);
  }
}
