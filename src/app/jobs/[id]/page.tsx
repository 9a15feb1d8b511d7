import { notFound } from 'next/navigation';
import { JobEditor } from '@/features/jobs/job-editor';
import { holeLines } from '@/features/jobs/job-summary';
import { RouteStrip } from '@/features/jobs/route-strip';
import { database } from '@/server/start';
import { findJob } from '@/server/repositories/job-repository';
import { shopNow } from '@/server/services/shop-service';

export const metadata = { title: 'Job' };

export default async function JobPage({ params }: { params: Promise<{ id: string }> }) {
  const db = await database();
  const job = await findJob(db, (await params).id);
  if (!job) notFound();
  const shop = await shopNow(db);
  const lines = holeLines(job, shop, shop.units);
  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-3 p-3 sm:px-5">
      <h1 className="font-cond text-3xl font-semibold">{job.name}</h1>
      <RouteStrip lines={lines} />
      <JobEditor
        job={job}
        lines={lines}
        materials={shop.materials}
        machineId={job.holes[0]?.question.machine ?? shop.machines[0]?.id ?? ''}
        units={shop.units}
      />
    </main>
  );
}
