import { MOST_RECORDS, type RecordInput, type RecordReceipt } from '@/contracts/record';
import { send } from '@/ui/send';

/** A body of the server is at most 4 MiB; pictures are large. */
const MOST_CHARACTERS = 3_000_000;

/** So many of the first that go in one batch. */
function batchOf(records: readonly RecordInput[]): RecordInput[] {
  let size = 0;
  const batch: RecordInput[] = [];
  for (const record of records.slice(0, MOST_RECORDS)) {
    size += JSON.stringify(record).length;
    if (batch.length > 0 && size > MOST_CHARACTERS) break;
    batch.push(record);
  }
  return batch;
}

/** Sends the first of some records, with what the clock here says, so that a wrong one is put right there. */
export async function sendRecords(
  records: readonly RecordInput[],
): Promise<{ sent: RecordInput[]; receipt?: RecordReceipt; fault?: string }> {
  const sent = batchOf(records);
  const got = await send<RecordReceipt>('POST', '/api/v1/records', {
    records: sent,
    sentAt: new Date().toISOString(),
  });
  if (got.ok) return { sent, receipt: got.value };
  return got.status === 422 && got.partial
    ? { sent, receipt: got.partial as RecordReceipt }
    : { sent, fault: got.fault };
}

const KEY = 'jolly-bit-happened';
let last = 0;

/** The time here, never before that of the record made before it: what happened first stays first whatever the clock does. */
export function happenedNow(): string {
  const stored = typeof localStorage === 'undefined' ? 0 : Number(localStorage.getItem(KEY) ?? 0);
  const before = Math.max(last, Number.isFinite(stored) ? stored : 0);
  const now = Date.now();
  // A clock that was a day ahead and was set right is believed again.
  last = before - now > 60_000 ? now : Math.max(now, before + 1);
  if (typeof localStorage !== 'undefined') localStorage.setItem(KEY, String(last));
  return new Date(last).toISOString();
}
