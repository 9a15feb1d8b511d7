import { v7 as uuidv7 } from 'uuid';
import { remember, remembered } from '@/ui/browser-memory';
import type { WaitingRecord } from './outbox';

type Message =
  | { kind: 'who' }
  | { kind: 'here'; tab: string }
  | { kind: 'saved'; jobId: string }
  | { kind: 'recorded'; row: WaitingRecord };

/** How long other tabs get to say that they are there, ms. */
const ANSWER_MS = 200;

const TAB_KEY = 'jolly-bit-tab';
let channel: BroadcastChannel | undefined;
let own: string | undefined;
const onSaved = new Set<(jobId: string) => void>();
const onMoved = new Set<(jobId: string) => void>();
const onRecorded = new Set<(row: WaitingRecord) => void>();
const present = new Set<string>();

function open(): BroadcastChannel | undefined {
  if (channel || typeof BroadcastChannel === 'undefined') return channel;
  channel = new BroadcastChannel('jolly-bit');
  channel.onmessage = ({ data }: MessageEvent<Message>) => {
    if (data.kind === 'who') channel?.postMessage({ kind: 'here', tab: tabId() });
    else if (data.kind === 'here') present.add(data.tab);
    else if (data.kind === 'recorded') onRecorded.forEach((listener) => listener(data.row));
    else {
      onSaved.forEach((listener) => listener(data.jobId));
      onMoved.forEach((listener) => listener(data.jobId));
    }
  };
  return channel;
}

/** Name of this tab; a reload keeps it. */
export function tabId(): string {
  own ??= remembered(TAB_KEY, 'session') ?? uuidv7();
  remember(TAB_KEY, own, 'session');
  return own;
}

/** The other tabs of this browser that are there now. A tab that was copied from this one gets a name of its own. */
export async function otherTabs(): Promise<ReadonlySet<string>> {
  present.clear();
  open()?.postMessage({ kind: 'who' });
  await new Promise((resolve) => setTimeout(resolve, ANSWER_MS));
  if (present.has(tabId())) {
    own = uuidv7();
    remember(TAB_KEY, own, 'session');
  }
  return present;
}

/** Tells the other tabs that a job was saved, and whoever shows here how far it is. */
export function tellSaved(jobId: string): void {
  open()?.postMessage({ kind: 'saved', jobId } satisfies Message);
  onMoved.forEach((listener) => listener(jobId));
}

/** Listens for jobs that moved on, by this tab or another. */
export function whenMoved(listener: (jobId: string) => void): () => void {
  open();
  onMoved.add(listener);
  return () => onMoved.delete(listener);
}

/** Listens for jobs that other tabs have saved. */
export function whenSaved(listener: (jobId: string) => void): () => void {
  open();
  onSaved.add(listener);
  return () => onSaved.delete(listener);
}

/** Tells the other tabs what was recorded in this one. */
export const tellRecorded = (row: WaitingRecord): void =>
  open()?.postMessage({ kind: 'recorded', row } satisfies Message);

/** Listens for what was recorded in other tabs. */
export function whenRecorded(listener: (row: WaitingRecord) => void): () => void {
  open();
  onRecorded.add(listener);
  return () => onRecorded.delete(listener);
}
