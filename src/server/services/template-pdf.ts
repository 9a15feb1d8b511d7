import type { LaidFace } from '@/core/layout/lay-out';
import { outlineCorners } from '@/core/layout/outline';
import { sheetPdf, type SheetPaper } from './sheet-pdf';

const PT_PER_MM = 72 / 25.4;
const PAPER: Record<SheetPaper, [widthMm: number, heightMm: number]> = { a4: [210, 297], letter: [215.9, 279.4] };
const MARGIN_MM = 12;
/** Room under the window for the checking scale and the name of the sheet. */
const FOOT_MM = 14;
/** Strip of each sheet that its neighbour shows too. */
const OVERLAP_MM = 10;
const SCALE_MM = 100;
const LONGEST_LABEL = 90;

const written = (text: string): string =>
  text
    .slice(0, LONGEST_LABEL)
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/\p{Cc}/gu, ' ');

/** How many sheets a length needs, each sharing a strip with the next. */
export const sheetsFor = (lengthMm: number, windowMm: number): number =>
  lengthMm <= windowMm ? 1 : Math.ceil((lengthMm - OVERLAP_MM) / (windowMm - OVERLAP_MM));

const line = (x1: number, y1: number, x2: number, y2: number, wide = 0.2): string =>
  `<line x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}" stroke="black" stroke-width="${wide}"/>`;
const circle = (x: number, y: number, r: number, wide: number): string =>
  `<circle cx="${x}" cy="${y}" r="${r}" fill="none" stroke="black" stroke-width="${wide}"/>`;
const text = (x: number, y: number, said: string): string =>
  `<text x="${x}" y="${y}" font-size="2.5" font-family="Roboto">${written(said)}</text>`;

/** Where the upright scale stands, mm from the left. */
const UPRIGHT_MM = 6;
const ticks10 = (tick: (i: number) => string): string[] => Array.from({ length: SCALE_MM / 10 + 1 }, (_, i) => tick(i));

/** Scales to measure with before the sheet is used, and what sheet it is. */
function footOf(heightMm: number, name: string): string {
  const y = heightMm - MARGIN_MM;
  const ticks = ticks10((i) => line(MARGIN_MM + 10 * i, y, MARGIN_MM + 10 * i, y - (i % 5 === 0 ? 3 : 1.5)));
  return [
    line(MARGIN_MM, y, MARGIN_MM + SCALE_MM, y),
    ...ticks,
    text(MARGIN_MM, y + 4, `Both scales are ${SCALE_MM} mm: measure them before you use the sheet. Print at 100 %.`),
    text(MARGIN_MM + SCALE_MM + 4, y, name),
    // A printer that stretches one way is told by a line across the other.
    line(UPRIGHT_MM, y, UPRIGHT_MM, y - SCALE_MM),
    ...ticks10((i) => line(UPRIGHT_MM, y - 10 * i, UPRIGHT_MM + (i % 5 === 0 ? 3 : 1.5), y - 10 * i)),
  ].join('');
}

/**
 * A face at true size, sheet by sheet, in mm of paper: outline, holes with crosshairs, a checking scale on every sheet;
 * tiled over as many sheets as it takes, with a strip that neighbours share.
 */
export function templateSheets(
  laid: LaidFace,
  title: string,
  labelOf: (featureId: string, number: number) => string,
  paper: SheetPaper,
): string[] {
  const { shape } = laid;
  const round = shape.kind === 'circle';
  const [width, height] = round ? [shape.diameterMm, shape.diameterMm] : [shape.widthMm, shape.heightMm];
  const origin = round ? { x: -width / 2, y: -height / 2 } : { x: 0, y: 0 };
  const [paperW, paperH] = PAPER[paper];
  const [windowW, windowH] = [paperW - 2 * MARGIN_MM, paperH - 2 * MARGIN_MM - FOOT_MM];
  const [columns, rows] = [sheetsFor(width, windowW), sheetsFor(height, windowH)];
  const places = Array.from({ length: rows * columns }, (_, i) => ({
    row: Math.floor(i / columns),
    column: i % columns,
  }));
  return places.map(({ row, column }) => {
    const from = { x: origin.x + column * (windowW - OVERLAP_MM), y: origin.y + row * (windowH - OVERLAP_MM) };
    const x = (mm: number): number => MARGIN_MM + mm - from.x;
    const y = (mm: number): number => MARGIN_MM + windowH - (mm - from.y);
    const corners = shape.kind === 'circle' ? [] : outlineCorners(shape);
    const outline =
      shape.kind === 'circle'
        ? [circle(x(0), y(0), width / 2, 0.2)]
        : corners.map((p, i) => {
            const next = corners[(i + 1) % corners.length];
            return line(x(p.x), y(p.y), x(next.x), y(next.y));
          });
    const inWindow = ({ onFace: p, footprint: f }: LaidFace['holes'][number]): boolean =>
      p.x + f.mouthMm > from.x &&
      p.x - f.mouthMm < from.x + windowW &&
      p.y + f.mouthMm > from.y &&
      p.y - f.mouthMm < from.y + windowH;
    const holes = laid.holes.filter(inWindow).map(({ onFace: p, footprint: { diameterMm }, featureId, number }) => {
      const arm = diameterMm * 0.75 + 2;
      return [
        circle(x(p.x), y(p.y), diameterMm / 2, 0.15),
        line(x(p.x - arm), y(p.y), x(p.x + arm), y(p.y), 0.1),
        line(x(p.x), y(p.y - arm), x(p.x), y(p.y + arm), 0.1),
        text(x(p.x + arm * 0.6), y(p.y + arm * 0.4), labelOf(featureId, number)),
      ].join('');
    });
    const frame = `x="${MARGIN_MM}" y="${MARGIN_MM}" width="${windowW}" height="${windowH}"`;
    const name = `${title}, ${laid.face} face, sheet ${column + 1}.${row + 1} of ${columns} x ${rows}`;
    return [
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${paperW} ${paperH}">`,
      `<defs><clipPath id="window"><rect ${frame}/></clipPath></defs>`,
      `<rect ${frame} fill="none" stroke="#999999" stroke-width="0.1" stroke-dasharray="1 1"/>`,
      `<g clip-path="url(#window)">${outline.join('')}${holes.join('')}</g>`,
      footOf(paperH, name),
      '</svg>',
    ].join('');
  });
}

/** {@link templateSheets} as a PDF. */
export function templatePdf(...[laid, title, labelOf, paper]: Parameters<typeof templateSheets>): Promise<Uint8Array> {
  const [width, height] = PAPER[paper].map((mm) => mm * PT_PER_MM);
  return sheetPdf({
    title,
    paper,
    content: templateSheets(laid, title, labelOf, paper).map((svg, i) => ({
      svg,
      width,
      height,
      absolutePosition: { x: 0, y: 0 },
      ...(i > 0 ? { pageBreak: 'before' as const } : {}),
    })),
  });
}
