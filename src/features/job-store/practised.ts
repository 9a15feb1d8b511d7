import type { PractisedInput, PractisedList } from '@/contracts/practice';
import { send } from '@/ui/send';
import { inStore } from './outbox';

/** So many go in one batch. */
const MOST = 500;

let busy = false;
const inMemory = new Map<string, PractisedInput>();

const waiting = async (): Promise<PractisedInput[]> => {
  const stored = (await inStore(({ practised }) => practised.toArray())) ?? [];
  return [...new Map([...stored, ...inMemory.values()].map((p) => [p.id, p])).values()];
};

/** Sends the exercises of this browser that wait; the same one sent again counts once. */
export async function sendPractised(): Promise<void> {
  if (busy) return;
  busy = true;
  try {
    for (let rows = await waiting(); rows.length > 0; rows = await waiting()) {
      const batch = rows.slice(0, MOST);
      const got = await send('POST', '/api/v1/practice', { practised: batch });
      if (!got.ok) return;
      batch.forEach((p) => inMemory.delete(p.id));
      await inStore(({ practised }) => practised.bulkDelete(batch.map((p) => p.id)));
    }
  } finally {
    busy = false;
  }
}

/** Keeps an exercise that was done, and sends it as soon as the server can be reached. */
export async function keepPractised(done: PractisedInput): Promise<void> {
  inMemory.set(done.id, done);
  await inStore(({ practised }) => practised.put(done));
  await sendPractised();
}

const KEPT = 'practised';

/** What somebody has done so far: the server’s list, else what was read of it last; and what waits here. */
export async function practisedOf(who: string): Promise<PractisedInput[]> {
  const key = `${KEPT} ${who}`;
  const got = await send<PractisedList>('GET', `/api/v1/practice?who=${encodeURIComponent(who)}`);
  if (got.ok) void inStore(({ cache }) => cache.put({ key, value: got.value.practised }));
  const there = got.ok
    ? got.value.practised
    : (((await inStore(({ cache }) => cache.get(key)))?.value as PractisedInput[] | undefined) ?? []);
  const own = (await waiting()).filter((p) => p.who === who);
  return [...new Map([...there, ...own].map((p) => [p.id, p])).values()];
}
