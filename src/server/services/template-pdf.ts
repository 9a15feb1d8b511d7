import { PDFDocument, rgb, StandardFonts, type PDFPage } from 'pdf-lib';
import type { LaidFace } from '@/core/layout/lay-out';
import { outlineCorners } from '@/core/layout/outline';

export type TemplatePaper = 'a4' | 'letter';

const PT_PER_MM = 72 / 25.4;
const PAPER: Record<TemplatePaper, [widthMm: number, heightMm: number]> = { a4: [210, 297], letter: [215.9, 279.4] };
const MARGIN_MM = 12;
/** Strip of each sheet that its neighbour shows too. */
const OVERLAP_MM = 10;
const SCALE_MM = 100;

const plain = (text: string): string =>
  text
    .replace(/ø/g, 'dia ')
    .replace(/[^\x20-\x7e]/g, '?')
    .slice(0, 90);

/** How many sheets a length needs, each sharing a strip with the next. */
export const sheetsFor = (lengthMm: number, windowMm: number): number =>
  lengthMm <= windowMm ? 1 : Math.ceil((lengthMm - OVERLAP_MM) / (windowMm - OVERLAP_MM));

/**
 * A face at true size on paper: outline, holes with crosshairs, a checking scale of 100 mm on every sheet,
 * tiled over as many sheets as it takes with marks to join them.
 */
export async function templatePdf(
  laid: LaidFace,
  title: string,
  labelOf: (featureId: string) => string,
  paper: TemplatePaper,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(plain(title));
  const font = await pdf.embedFont(StandardFonts.Helvetica);
  const { shape } = laid;
  const round = shape.kind === 'circle';
  const width = round ? shape.diameterMm : shape.widthMm;
  const height = round ? shape.diameterMm : shape.heightMm;
  const origin = round ? { x: -width / 2, y: -height / 2 } : { x: 0, y: 0 };
  const [paperW, paperH] = PAPER[paper];
  const windowW = paperW - 2 * MARGIN_MM;
  const windowH = paperH - 2 * MARGIN_MM - 14;
  const columns = sheetsFor(width, windowW);
  const rows = sheetsFor(height, windowH);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const page = pdf.addPage([paperW * PT_PER_MM, paperH * PT_PER_MM]);
      const from = { x: origin.x + column * (windowW - OVERLAP_MM), y: origin.y + row * (windowH - OVERLAP_MM) };
      const sheet = new Sheet(page, from, windowW, windowH);
      if (shape.kind === 'circle') sheet.circle(0, 0, width / 2, 0.5);
      else sheet.closed(outlineCorners(shape));
      for (const { onFace: p, footprint: f, featureId } of laid.holes) {
        if (!sheet.shows(p.x, p.y, f.mouthMm)) continue;
        sheet.circle(p.x, p.y, f.diameterMm / 2, 0.4);
        const arm = f.diameterMm * 0.75 + 2;
        sheet.line(p.x - arm, p.y, p.x + arm, p.y, 0.25);
        sheet.line(p.x, p.y - arm, p.x, p.y + arm, 0.25);
        page.drawText(plain(labelOf(featureId)), {
          x: sheet.x(p.x + arm * 0.6),
          y: sheet.y(p.y + arm * 0.4),
          size: 7,
          font,
        });
      }
      const foot = MARGIN_MM * PT_PER_MM;
      const at = (mm: number): number => (MARGIN_MM + mm) * PT_PER_MM;
      page.drawLine({ start: { x: at(0), y: foot }, end: { x: at(SCALE_MM), y: foot }, thickness: 0.6 });
      for (let mm = 0; mm <= SCALE_MM; mm += 10)
        page.drawLine({
          start: { x: at(mm), y: foot },
          end: { x: at(mm), y: foot + (mm % 50 === 0 ? 8 : 4) },
          thickness: 0.6,
        });
      page.drawText(`This line is ${SCALE_MM} mm: measure it before you use the sheet. Print at 100 %.`, {
        x: at(0),
        y: foot - 11,
        size: 7,
        font,
      });
      page.drawText(plain(`${title}, ${laid.face} face, sheet ${column + 1}.${row + 1} of ${columns} x ${rows}`), {
        x: at(SCALE_MM + 6),
        y: foot,
        size: 7,
        font,
      });
    }
  return pdf.save();
}

/** One sheet: a window on the face, everything outside of it left off by its frame. */
class Sheet {
  constructor(
    private readonly page: PDFPage,
    private readonly from: { x: number; y: number },
    private readonly width: number,
    private readonly height: number,
  ) {
    page.drawRectangle({
      x: MARGIN_MM * PT_PER_MM,
      y: (MARGIN_MM + 14) * PT_PER_MM,
      width: width * PT_PER_MM,
      height: height * PT_PER_MM,
      borderWidth: 0.3,
      borderDashArray: [3, 3],
      borderColor: rgb(0.6, 0.6, 0.6),
    });
  }

  x = (mm: number): number => (MARGIN_MM + mm - this.from.x) * PT_PER_MM;
  y = (mm: number): number => (MARGIN_MM + 14 + mm - this.from.y) * PT_PER_MM;

  shows(x: number, y: number, reach: number): boolean {
    return (
      x + reach > this.from.x &&
      x - reach < this.from.x + this.width &&
      y + reach > this.from.y &&
      y - reach < this.from.y + this.height
    );
  }
  line(x1: number, y1: number, x2: number, y2: number, thickness: number): void {
    this.page.drawLine({ start: { x: this.x(x1), y: this.y(y1) }, end: { x: this.x(x2), y: this.y(y2) }, thickness });
  }
  circle(x: number, y: number, r: number, thickness: number): void {
    this.page.drawCircle({
      x: this.x(x),
      y: this.y(y),
      size: r * PT_PER_MM,
      borderWidth: thickness,
      borderColor: rgb(0, 0, 0),
    });
  }
  closed(corners: readonly { x: number; y: number }[]): void {
    corners.forEach((p, i) => {
      const next = corners[(i + 1) % corners.length];
      this.line(p.x, p.y, next.x, next.y, 0.5);
    });
  }
}
