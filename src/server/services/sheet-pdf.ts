import pdfmake from 'pdfmake';
import roboto from 'pdfmake/fonts/Roboto.js';
import type { Content } from 'pdfmake/interfaces';
import type { Job } from '@/contracts/job';
import { faceSketch } from '@/core/job/face-sketch';

export type SheetPaper = 'a4' | 'letter';

pdfmake.addFonts(roboto);
// Nothing is fetched for a sheet.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.includes('pdfmake'));

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

/** A sheet for the shop, its title and page at the foot of each. */
export const sheetPdf = (title: string, paper: SheetPaper, content: Content): Promise<Uint8Array> =>
  pdfmake
    .createPdf({
      pageSize: paper === 'a4' ? 'A4' : 'LETTER',
      pageMargins: [36, 36, 36, 40],
      info: { title },
      defaultStyle: { font: 'Roboto', fontSize: 11 },
      footer: (page, pages) => ({ text: `${title}, sheet ${page} of ${pages}`, alignment: 'center', fontSize: 9 }),
      content,
    })
    .getBuffer();

/** As a browser gets it. */
export const pdfResponse = (bytes: Uint8Array, name: string): Response =>
  new Response(Buffer.from(bytes), {
    headers: { 'content-type': 'application/pdf', 'content-disposition': `inline; filename="${name}.pdf"` },
  });
