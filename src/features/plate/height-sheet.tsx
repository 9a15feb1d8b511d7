import type { Job } from '@/contracts/job';
import type { FaceSketch } from '@/core/job/face-sketch';
import { GAUGES, gaugeReading, type Gauge } from '@/core/layout/height-list';
import type { LaidFace } from '@/core/layout/lay-out';
import { showText, type Display } from '@/core/units/show';
import { FaceDrawing } from '@/ui/drawings/face-drawing';
import type { Paper } from '@/ui/paper';
import { PrintedPage } from '@/ui/printed-page';
import { serves, sheetLists } from './sheet';

interface Props {
  job: Job;
  laid: LaidFace;
  sketch?: FaceSketch;
  gauge: Gauge;
  display: Display;
  paper: Paper;
}

/** The heights of a face on paper, with the face small and a box at each line. */
export function HeightSheet({ job, laid, sketch, gauge, display, paper }: Props) {
  const letters = new Map(job.holes.map((h) => [h.id, h.letter]));
  const size = (mm: number): string => showText({ value: mm, unit: 'mm', places: 1 }, display);
  const { shape } = laid;
  return (
    <PrintedPage paper={paper} label="Heights to scribe">
      <header className="flex items-start justify-between gap-3">
        <div>
          <h1 className="text-[16pt] leading-tight font-bold">{job.name}</h1>
          <p className="text-[10pt]">
            Heights, {laid.face} face,{' '}
            {shape.kind === 'circle'
              ? `ø ${size(shape.diameterMm)}`
              : `${size(shape.widthMm)} × ${size(shape.heightMm)}`}
          </p>
          <p className="text-[9pt]">
            {GAUGES.find(([id]) => id === gauge)?.[1]}. Touch the plate and zero; lock, set, lock again; one light
            scratch.
          </p>
        </div>
        {sketch && (
          <div className="size-[34mm] shrink-0 bg-dye-900 p-1 [print-color-adjust:exact]">
            <FaceDrawing sketch={sketch} letters className="size-full" />
          </div>
        )}
      </header>
      {sheetLists(laid).map(({ title, axis, lines }) => (
        <section key={axis} className="mt-2 break-inside-avoid">
          <h2 className="border-b-2 border-black text-[12pt] font-bold">{title}</h2>
          <ol className="columns-2 gap-x-4 text-[11pt]">
            {lines.map((line) => (
              <li
                key={line.key}
                className="flex break-inside-avoid items-center gap-2 border-b border-black/30 py-[2px]"
              >
                <span aria-hidden className="inline-block size-[4mm] shrink-0 border border-black" />
                <strong>{gaugeReading(line.mm, gauge)}</strong>
                <span className="ml-auto text-[9pt]">{serves(line, letters)}</span>
              </li>
            ))}
          </ol>
        </section>
      ))}
    </PrintedPage>
  );
}
