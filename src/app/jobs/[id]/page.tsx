import { notFound } from 'next/navigation';
import { JobEditor } from '@/features/jobs/job-editor';
import { OpenJob } from '@/features/job-store/open-job';
import { database } from '@/server/start';
import { findJob } from '@/server/repositories/job-repository';
import { shopForView, shopNow } from '@/server/services/shop-service';

export default async function JobPage({ params }: { params: Promise<{ id: string }> }) {
  const db = await database();
  const job = await findJob(db, (await params).id);
  if (!job) notFound();
  const shop = shopForView(await shopNow(db));
  return (
    <OpenJob job={job}>
      <main id="main" className="mx-auto max-w-[1200px] p-3 sm:px-5">
        <JobEditor job={job} shop={shop} machineId={job.holes[0]?.question.machine ?? shop.machines[0]?.id ?? ''} />
      </main>
    </OpenJob>
  );
}
