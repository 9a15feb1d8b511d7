import { send } from '@/ui/send';
import { browserStore, dropWaiting } from './outbox';
import { isInHand } from './job-store';
import { otherTabs, tellSaved } from './tabs';
import { sendRecords } from './send-records';
import { noteWaits } from './waits';

async function sendChanges(): Promise<void> {
  const store = await browserStore();
  const waiting = (await store?.changes.orderBy('id').toArray()) ?? [];
  if (waiting.length === 0) return;
  const others = await otherTabs();
  const stuck = new Set<string>();
  for (const { id, jobId, tab, change } of waiting) {
    if (others.has(tab) || isInHand(jobId) || stuck.has(jobId)) continue;
    const got = await send('PATCH', `/api/v1/jobs/${jobId}`, change);
    // What somebody has to decide waits until the job is opened; those after it keep their order.
    if (!got.ok) stuck.add(jobId);
    else {
      dropWaiting('changes', [id]);
      tellSaved(jobId);
    }
  }
}

async function sendWaitingRecords(): Promise<void> {
  const store = await browserStore();
  const waiting = (await store?.records.orderBy('id').toArray())?.filter((w) => w.refused === undefined) ?? [];
  if (waiting.length === 0) return;
  const { receipt } = await sendRecords(waiting.map((w) => w.record));
  // What the server will not have stays until its view says so.
  if (!receipt) return;
  dropWaiting('records', [...receipt.taken, ...receipt.known]);
  for (const jobId of new Set(waiting.map((w) => w.jobId))) tellSaved(jobId);
}

/** Sends what waits of jobs that no view has open: changes whose tab is gone, and records. */
export async function sendLeftOver(): Promise<void> {
  await sendChanges();
  await sendWaitingRecords();
  const store = await browserStore();
  const left = store && (await store.changes.count()) + (await store.records.count());
  if (left === 0) noteWaits(false);
}
