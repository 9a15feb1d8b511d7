import { setImmediate as turn } from 'node:timers/promises';
import { Refusal } from './refusal';

/** So long one piece of work may keep others waiting, ms. */
const SLICE_MS = 8;
/** So long a request may take in all, ms. */
const MOST_MS = 20_000;

/**
 * Works through items in slices, others in between, so that a large job does not keep small requests waiting.
 * @throws Refusal 503 when it takes longer than `mostMs`
 */
export async function inSlices<T, R>(items: Iterable<T>, work: (item: T) => R, mostMs = MOST_MS): Promise<R[]> {
  const begun = performance.now();
  let slice = begun;
  const done: R[] = [];
  for (const item of items) {
    done.push(work(item));
    const now = performance.now();
    if (now - slice < SLICE_MS) continue;
    if (now - begun > mostMs) {
      const detail = `This job is too large to finish in ${Math.round(mostMs / 1000)} seconds.`;
      throw new Refusal(503, 'Takes too long', detail, [
        {
          field: 'job',
          code: 'too-long',
          detail,
          remedy: 'Split the job into two, or ask again when the server is quiet.',
        },
      ]);
    }
    await turn();
    slice = performance.now();
  }
  return done;
}
