import '@/contracts/plain-errors';
import type { z } from 'zod';
import type { FieldError, ProblemDocument } from '@/contracts/problem';
import { textIn, type TextFault } from '@/contracts/text';
import { sqliteCode } from '../database-faults';
import { Refusal } from '../refusal';

/** Largest body read, bytes: a question is short; a job may hold thousands of features. */
const QUESTION_BODY = 256 * 1024;
export const JOB_BODY = 4 * 1024 * 1024;

/** When to come again where the refusal does not say, by status, s. */
const RETRY_AFTER_S: Partial<Record<number, number>> = { 429: 5, 503: 2 };

/** An RFC 9457 problem document as a response. */
export function problemResponse(refusal: Refusal): Response {
  const document: ProblemDocument = {
    type: `urn:jolly-bit:problem:${refusal.title.toLowerCase().replace(/[^a-z]+/g, '-')}`,
    title: refusal.title,
    status: refusal.status,
    detail: refusal.detail,
    ...(refusal.errors.length > 0 ? { errors: refusal.errors } : {}),
    ...(refusal.partial === undefined ? {} : { partial: refusal.partial }),
  };
  const again = refusal.retryAfterS ?? RETRY_AFTER_S[refusal.status];
  return new Response(JSON.stringify(document), {
    status: refusal.status,
    headers: {
      'content-type': 'application/problem+json; charset=utf-8',
      'cache-control': 'no-store',
      ...(again === undefined ? {} : { 'retry-after': String(again) }),
    },
  });
}

export const JSON_TYPE = { 'content-type': 'application/json', 'cache-control': 'no-store' };

export const json = (value: unknown, status = 200): Response =>
  new Response(JSON.stringify(value), { status, headers: JSON_TYPE });

/** What a database that is busy, full or read-only answers; undefined for any other fault. */
function databaseFault(error: unknown): Response | undefined {
  const code = sqliteCode(error) ?? '';
  const fault = (status: Refusal['status'], title: string, detail: string, remedy: string): Response => {
    const name = title.toLowerCase().replace(' ', '-');
    return problemResponse(new Refusal(status, title, detail, [{ field: 'server', code: name, detail, remedy }]));
  };
  if (/BUSY|LOCKED/.test(code))
    return fault(503, 'Busy', 'The server is busy saving for others.', 'Send it again in a moment.');
  if (/READONLY|PERM/.test(code))
    return fault(503, 'Read only', 'The database cannot be written.', 'Whoever runs the server has to fix that.');
  if (/FULL/.test(code))
    return fault(507, 'Disk full', 'The disk of the server is full.', 'Free some space, then send it again.');
  return undefined;
}

/** Runs a handler; what it refuses becomes a problem document. */
export async function answering(handler: () => Promise<Response>): Promise<Response> {
  try {
    return await handler();
  } catch (error) {
    if (error instanceof Refusal) return problemResponse(error);
    const unavailable = databaseFault(error);
    if (unavailable) return unavailable;
    console.error(error);
    return Response.json(
      {
        type: 'urn:jolly-bit:problem:fault',
        title: 'Fault in the server',
        status: 500,
        detail: 'Something went wrong; what you sent was not kept. Try again, and report it if it stays.',
      },
      { status: 500, headers: { 'content-type': 'application/problem+json; charset=utf-8' } },
    );
  }
}

type Issue = z.core.$ZodIssue;

/** Inside a choice of shapes, the issues of the shape that got furthest. */
function unfolded(issue: Issue): Issue[] {
  if (issue.code !== 'invalid_union') return [issue];
  const deeper = issue.errors.filter((branch) =>
    branch.some((i) => i.path.length > 0 || i.code === 'unrecognized_keys'),
  );
  if (deeper.length !== 1) return [{ ...issue, message: 'This has none of the allowed shapes.' }];
  return deeper[0].flatMap((i) => unfolded({ ...i, path: [...issue.path, ...i.path] } as Issue));
}

function fieldErrors(error: z.ZodError): FieldError[] {
  return error.issues
    .slice(0, 50)
    .flatMap(unfolded)
    .flatMap((issue) => {
      const strange = issue.code === 'unrecognized_keys';
      const paths = strange ? issue.keys.map((key) => [...issue.path, key]) : [issue.path];
      return paths.map((path) => ({
        field: path.map(String).join('.') || 'body',
        code: issue.code ?? 'invalid',
        detail: strange ? 'There is no such field.' : issue.message,
        remedy: strange ? 'Leave this field out, or correct its name.' : 'Correct this field.',
      }));
    });
}

/** Checks a value against a schema, its texts as they are kept. @throws Refusal 422 naming every field that is wrong */
export function checked<S extends z.ZodType>(schema: S, value: unknown): z.output<S> {
  const faults: TextFault[] = [];
  const result = schema.safeParse(textIn(value, faults));
  if (result.success && faults.length === 0) return result.data;
  const errors = [
    ...faults.slice(0, 50).map(({ path, ...fault }) => ({ field: path.join('.') || 'body', ...fault })),
    ...(result.success ? [] : fieldErrors(result.error)),
  ];
  throw new Refusal(422, 'Request not understood', errors.map((e) => `${e.field}: ${e.detail}`).join(' '), errors);
}

async function readText(request: Request, most: number): Promise<string> {
  const tooLarge = (): Refusal =>
    new Refusal(413, 'Body too large', `A body has at most ${most / 1024} KiB.`, [
      { field: 'body', code: 'body-large', detail: 'The body is too large.', remedy: 'Send less at a time.' },
    ]);
  if (Number(request.headers.get('content-length') ?? 0) > most) throw tooLarge();
  const reader = request.body?.getReader();
  if (!reader) return '';
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > most) {
      await reader.cancel();
      throw tooLarge();
    }
    chunks.push(value);
  }
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(chunks));
  } catch {
    throw new Refusal(400, 'Body not text', 'The body is not UTF-8 text.', [
      { field: 'body', code: 'body-encoding', detail: 'Not UTF-8.', remedy: 'Send JSON in UTF-8.' },
    ]);
  }
}

/** Reads and checks a JSON body. @throws Refusal 400, 413, 415 or 422 */
export async function readBody<S extends z.ZodType>(
  request: Request,
  schema: S,
  most: number = QUESTION_BODY,
): Promise<z.output<S>> {
  const type = request.headers.get('content-type') ?? '';
  if (type !== '' && !/^(application\/([\w.-]+\+)?json|text\/plain)\b/i.test(type))
    throw new Refusal(415, 'Not JSON', 'The body must be application/json.', [
      {
        field: 'content-type',
        code: 'media-type',
        detail: `Got ${type.slice(0, 80)}.`,
        remedy: 'Send application/json.',
      },
    ]);
  const text = await readText(request, most);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    throw new Refusal(400, 'Not JSON', 'The body is not valid JSON.', [
      {
        field: 'body',
        code: 'json',
        detail: text === '' ? 'The body is empty.' : (error as Error).message.slice(0, 200),
        remedy: 'Send one JSON object.',
      },
    ]);
  }
  return checked(schema, value);
}
