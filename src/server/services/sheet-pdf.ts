import path from 'node:path';

import { Worker } from 'node:worker_threads';
import type { Content } from 'pdfmake/interfaces';
import type { Job } from '@/contracts/job';
import { faceSketch } from '@/core/job/face-sketch';
import { Refusal } from '../refusal';
import { streamOf, type Pieces } from '../sheets/stream-of';

export type SheetPaper = 'a4' | 'letter';

/** The face with the most holes, in black on white. */
export function faceOnPaper(job: Job): string | undefined {
  const sketch = faceSketch(job.part, job.holes);
  if (!sketch) return undefined;
  const { shape, holes } = sketch;
  const round = shape.kind === 'circle';
  const [w, h] = round ? [shape.diameterMm, shape.diameterMm] : [shape.widthMm, shape.heightMm];
  const [left, bottom] = round ? [-w / 2, -h / 2] : [0, 0];
  const line = Math.max(w, h) / 220;
  const outline = round
    ? `<circle cx="0" cy="0" r="${w / 2}"/>`
    : `<rect x="${left}" y="${-(bottom + h)}" width="${w}" height="${h}"/>`;
  const marks = holes
    .slice(0, 400)
    .map(({ x, y, diameterMm }) => `<circle cx="${x}" cy="${-y}" r="${Math.max(diameterMm / 2, line * 2)}"/>`)
    .join('');
  const letters = holes
    .filter((hole, i) => i === 0 || holes[i - 1].letter !== hole.letter)
    .map(
      ({ x, y, diameterMm, letter }) =>
        `<text x="${x + diameterMm / 2 + line * 4}" y="${-y - diameterMm / 2}" font-size="${Math.max(w, h) / 16}" font-family="Roboto">${letter}</text>`,
    )
    .join('');
  const pad = Math.max(w, h) * 0.05;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${left - pad} ${-(bottom + h) - pad} ${w + 2 * pad} ${h + 2 * pad}"><g fill="none" stroke="black" stroke-width="${line}">${outline}${marks}</g>${letters}</svg>`;
}

/** Sheets that are made at a time; others wait. */
const AT_A_TIME = 2;
/** So many may wait; who comes after them is told to come again. */
const MOST_WAITING = 20;
const MOST_MS = 60_000;
const MOST_MB = 768;

const waiting: (() => void)[] = [];
let making = 0;

async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (waiting.length >= MOST_WAITING)
    throw new Refusal(503, 'Busy', 'Many sheets are being made.', [
      { field: 'sheet', code: 'busy', detail: 'Many sheets are being made.', remedy: 'Ask again in a moment.' },
    ]);
  if (making >= AT_A_TIME) await new Promise<void>((resolve) => waiting.push(resolve));
  making += 1;
  try {
    return await work();
  } finally {
    making -= 1;
    waiting.shift()?.();
  }
}

const tooLarge = (): Refusal =>
  new Refusal(503, 'Sheet too large', 'This sheet takes too long to make.', [
    {
      field: 'sheet',
      code: 'too-large',
      detail: 'It takes too long.',
      remedy: 'Take fewer parts on a sheet, or the CSV.',
    },
  ]);

interface Sheet {
  title: string;
  /** What stands at the foot of every page, after its number; undefined for one that is drawn edge to edge. */
  foot?: string;
  paper: SheetPaper;
  content: Content;
}

/**
 * A sheet for the shop, its title and page at the foot of each; made beside the requests, so that none waits for it.
 * @throws Refusal 503 where too many are being made, or it takes more than a minute
 */
export const sheetPdf = (sheet: Sheet): Promise<Uint8Array> =>
  inTurn(
    () =>
      new Promise<Uint8Array>((resolve, reject) => {
        const maker = new Worker(path.join(process.cwd(), 'src', 'server', 'sheets', 'make-sheet.mjs'), {
          workerData: sheet,
          resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
        });
        const late = setTimeout(() => (void maker.terminate(), reject(tooLarge())), MOST_MS);
        const end = (work: () => void) => (): void => {
          clearTimeout(late);
          work();
        };
        maker.once('message', (bytes: Uint8Array) => end(() => resolve(bytes))());
        maker.once('error', (error: Error & { code?: string }) =>
          end(() => reject(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? tooLarge() : error))(),
        );
      }),
  );

/** As a browser gets it; never kept by anything between, as it tells of now. */
export const pdfResponse = (bytes: Uint8Array, name: string): Response =>
  new Response(Buffer.from(bytes), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name}.pdf"`,
      'cache-control': 'no-store',
    },
  });

/** A table as a file. */
export const csvResponse = (text: string | Pieces, name: string): Response =>
  new Response(typeof text === 'string' ? text : streamOf(text), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.csv"`,
      'cache-control': 'no-store',
    },
  });
