import { setImmediate as turn } from 'node:timers/promises';

/** A long text piece by piece. */
export type Pieces = Iterable<string> | AsyncIterable<string>;

/** What is given piece by piece, as it is asked for; others have their turn in between. */
export function streamOf(pieces: Pieces): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  const left = Symbol.asyncIterator in pieces ? pieces[Symbol.asyncIterator]() : pieces[Symbol.iterator]();
  return new ReadableStream({
    async pull(controller) {
      await turn();
      const { done, value } = await left.next();
      if (done) controller.close();
      else controller.enqueue(encoder.encode(value));
    },
    cancel: () => void left.return?.(),
  });
}
