import { cleaned } from '@/core/answer/sound-text';

/** What a request to our own server came to: a value, or a sentence for the person who waits. */
export type Sent<T> =
  { ok: true; value: T } | { ok: false; status: number; fault: string; errors?: FieldFault[]; partial?: unknown };

interface FieldFault {
  field: string;
  code: string;
  detail: string;
  remedy: string;
}
interface Problem {
  detail?: string;
  errors?: FieldFault[];
  partial?: unknown;
}

/** Browsers send no more than this with a page that goes, bytes. */
const LEAVING_BYTES = 60_000;

const NO_HEADERS = new Headers();

/** Sends JSON to our own server, with the headers of its answer. Nothing is thrown: what was typed stays on the screen. */
export async function sendSeen<T>(
  method: string,
  path: string,
  body?: unknown,
  leaving = false,
): Promise<Sent<T> & { headers: Headers }> {
  const text =
    body === undefined
      ? undefined
      : JSON.stringify(body, (_, value: unknown) => (typeof value === 'string' ? cleaned(value) : value));
  try {
    const response = await fetch(path, {
      method,
      headers: body === undefined ? undefined : { 'content-type': 'application/json' },
      body: text,
      keepalive: leaving && (text?.length ?? 0) < LEAVING_BYTES,
    });
    const { headers, status } = response;
    if (response.ok) return { ok: true, value: (status === 204 ? undefined : await response.json()) as T, headers };
    const problem = (await response.json().catch(() => ({}))) as Problem;
    const fault = problem.errors?.length
      ? problem.errors.map((e) => `${e.detail} ${e.remedy}`).join(' ')
      : (problem.detail ?? `The server answered ${status}.`);
    return { ok: false, status, fault, errors: problem.errors, partial: problem.partial, headers };
  } catch {
    return { ok: false, status: 0, fault: 'Can’t reach the server. What you typed stays here.', headers: NO_HEADERS };
  }
}

/** Sends JSON to our own server. */
export const send = <T>(method: string, path: string, body?: unknown, leaving = false): Promise<Sent<T>> =>
  sendSeen<T>(method, path, body, leaving);
