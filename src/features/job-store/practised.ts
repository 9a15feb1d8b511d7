import type { PractisedInput, PractisedList } from '@/contracts/practice';
import { send } from '@/ui/send';
import { dropWaiting, inStore, putWaiting } from './outbox';

/** So many go in one batch. */
const MOST = 500;

let busy = false;
const inMemory = new Map<string, PractisedInput>();
/** What the server will not have, and why: it stays, and keeps nothing else from being sent. */
let refused: readonly RefusedExercise[] = [];
const lookers = new Set<() => void>();

/** An exercise that was done and that the server will not have. */
export interface RefusedExercise {
  done: PractisedInput;
  why: string;
}
function nowRefused(next: readonly RefusedExercise[]): void {
  refused = next;
  lookers.forEach((look) => look());
}

/** Told of as it changes: see `refusedPractised`. @returns what ends it */
export function onRefusedPractised(look: () => void): () => void {
  lookers.add(look);
  return () => void lookers.delete(look);
}
export const refusedPractised = (): readonly RefusedExercise[] => refused;

/** Takes an exercise that is refused out of what waits: it counts nowhere. */
export function leaveOutPractised(id: string): void {
  inMemory.delete(id);
  dropWaiting('practised', [id]);
  nowRefused(refused.filter((r) => r.done.id !== id));
}

const waiting = async (): Promise<PractisedInput[]> => {
  const stored = (await inStore(({ practised }) => practised.toArray())) ?? [];
  return [...new Map([...stored, ...inMemory.values()].map((p) => [p.id, p])).values()];
};

/** @returns whether the server could be reached */
async function sendBatch(batch: readonly PractisedInput[]): Promise<boolean> {
  const got = await send('POST', '/api/v1/practice', { practised: batch });
  if (got.ok) {
    batch.forEach((p) => inMemory.delete(p.id));
    dropWaiting(
      'practised',
      batch.map((p) => p.id),
    );
    return true;
  }
  if (got.status !== 400 && got.status !== 422) return false;
  if (batch.length === 1) {
    nowRefused([...refused, { done: batch[0], why: got.fault }]);
    return true;
  }
  const half = Math.ceil(batch.length / 2);
  return (await sendBatch(batch.slice(0, half))) && (await sendBatch(batch.slice(half)));
}

/** Sends the exercises of this browser that wait; the same one sent again counts once. */
export async function sendPractised(): Promise<void> {
  if (busy) return;
  busy = true;
  try {
    const sent = new Set<string>();
    for (;;) {
      const rows = (await waiting())
        .filter((p) => !refused.some((r) => r.done.id === p.id) && !sent.has(p.id))
        .slice(0, MOST);
      if (rows.length === 0 || !(await sendBatch(rows))) return;
      rows.forEach((p) => sent.add(p.id));
    }
  } finally {
    busy = false;
  }
}

/** Keeps an exercise that was done, in the same turn, and sends it as soon as the server can be reached. */
export async function keepPractised(done: PractisedInput): Promise<void> {
  inMemory.set(done.id, done);
  putWaiting('practised', done);
  await sendPractised();
}

/** What somebody has done so far: the server’s list, else what was read of it last; and what waits here. */
export async function practisedOf(who: string): Promise<PractisedInput[]> {
  const key = `practised ${who}`;
  const got = await send<PractisedList>('GET', `/api/v1/practice?who=${encodeURIComponent(who)}`);
  if (got.ok) void inStore(({ cache }) => cache.put({ key, value: got.value.practised }));
  const there = got.ok
    ? got.value.practised
    : (((await inStore(({ cache }) => cache.get(key)))?.value as PractisedInput[] | undefined) ?? []);
  const own = (await waiting()).filter((p) => p.who === who);
  return [...new Map([...there, ...own].map((p) => [p.id, p])).values()];
}
