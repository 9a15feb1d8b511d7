import type { Job } from '@/contracts/job';
import type { FaceSketch } from '@/core/job/face-sketch';
import { GAUGES, gaugeReading, type Gauge } from '@/core/layout/height-list';
import { zoneOf } from '@/core/layout/joint-zone';
import type { LaidFace } from '@/core/layout/lay-out';
import { showText, type Display } from '@/core/units/show';
import { FaceDrawing } from '@/ui/drawings/face-drawing';
import type { Paper } from '@/ui/paper';
import { PrintedPage } from '@/ui/printed-page';
import { serves, sheetLists } from '@/core/layout/sheet-lists';

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
  const zones = new Map(job.holes.map((h) => [h.id, h.zoneMm]));
  const place = (mm: number): string => showText({ value: mm, unit: 'mm', places: 2 }, display);
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
          <div className="size-[34mm] shrink-0">
            <FaceDrawing sketch={sketch} letters ink className="size-full" />
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
      <section className="mt-2">
        <h2 className="border-b-2 border-black text-[12pt] font-bold">Punch</h2>
        <p className="text-[9pt]">Prick-punch, look from two sides, write how far off it is, then the firm blow.</p>
        <ol className="text-[11pt]">
          {laid.holes.map(({ featureId, number, at, footprint }) => (
            <li
              key={`${featureId} ${number}`}
              className="grid break-inside-avoid grid-cols-[5mm_12mm_27mm_27mm_1fr] items-center gap-2 border-b border-black/30 py-[2px]"
            >
              <span aria-hidden className="inline-block size-[4mm] border border-black" />
              <strong>
                {letters.get(featureId)}
                {number}
              </strong>
              <span>X {place(at.x)}</span>
              <span>Y {place(at.y)}</span>
              <span className="text-right text-[9pt]">
                ± {place(zoneOf({ ...footprint, zoneMm: zones.get(featureId) }).value / 2)}, off ______ ______
              </span>
            </li>
          ))}
        </ol>
      </section>
    </PrintedPage>
  );
}
