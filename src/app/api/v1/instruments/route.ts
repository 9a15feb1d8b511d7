import { instrumentLine } from '@/contracts/instrument';
import { answering, json, readBody } from '@/server/http/respond';
import { listenToInstruments, passReading } from '@/server/services/instrument-service';

export const dynamic = 'force-dynamic';

/** So often something is sent, so that a line that was cut is noticed, ms. */
const ALIVE_MS = 20_000;

/** Every reading as it comes, a line of text each, as server-sent events. */
export function GET(request: Request): Response {
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const say = (text: string): void => controller.enqueue(encoder.encode(text));
      say(': listening\n\n');
      const stop = listenToInstruments((line) => say(`data: ${line}\n\n`));
      const alive = setInterval(() => say(': alive\n\n'), ALIVE_MS);
      request.signal.addEventListener('abort', () => {
        clearInterval(alive);
        stop();
        controller.close();
      });
    },
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  });
}

/** A reading of an instrument, or of its stand-in. */
export const POST = (request: Request): Promise<Response> =>
  answering(async () => json(passReading((await readBody(request, instrumentLine)).line)));
