import { notFound } from 'next/navigation';
import { unitsHere } from '@/app/units-here';
import { GAUGES, usualGauge } from '@/core/layout/height-list';
import { faceSketch } from '@/core/job/face-sketch';
import { layOutFace } from '@/core/layout/lay-out';
import { FACES } from '@/core/layout/part';
import { DISPLAYS } from '@/core/units/show';
import { PAPERS, type Paper } from '@/ui/paper';
import { PrintBar } from '@/features/jobs/print-bar';
import { HeightSheet } from '@/features/plate/height-sheet';
import { database } from '@/server/start';
import { findJob } from '@/server/repositories/job-repository';

export const metadata = { title: 'Heights' };

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ face?: string; gauge?: string; paper?: string; units?: string }>;
}

export default async function SheetPage({ params, searchParams }: Props) {
  const job = await findJob(await database(), (await params).id);
  if (!job) notFound();
  const asked = await searchParams;
  const display = DISPLAYS.find((d) => d === asked.units) ?? job.units ?? (await unitsHere());
  const face = FACES.find((f) => f === asked.face) ?? 'top';
  const gauge = GAUGES.find(([id]) => id === asked.gauge)?.[0] ?? usualGauge(display);
  const paper: Paper =
    asked.paper !== undefined && asked.paper in PAPERS
      ? (asked.paper as Paper)
      : display === 'inch'
        ? 'letter-half'
        : 'a5';
  const features = job.holes.map((h) => ({ ...h, callout: h.question.callout }));
  const own = job.holes.filter((h) => h.face === face);
  return (
    <main id="main">
      <PrintBar
        jobId={job.id}
        view="sheet"
        paper={paper}
        display={display}
        more={`&face=${face}&gauge=${gauge}`}
        back="plate"
      />
      <HeightSheet
        job={job}
        laid={layOutFace(job.part, face, features)}
        sketch={faceSketch(job.part, own)}
        gauge={gauge}
        display={display}
        paper={paper}
      />
    </main>
  );
}
