import { notFound } from 'next/navigation';
import { JobEditor } from '@/features/jobs/job-editor';
import { OpenJob } from '@/features/job-store/open-job';
import { database } from '@/server/start';
import { findJob } from '@/server/repositories/job-repository';
import { shopNow } from '@/server/services/shop-service';

export const metadata = { title: 'Job' };

export default async function JobPage({ params }: { params: Promise<{ id: string }> }) {
  const db = await database();
  const job = await findJob(db, (await params).id);
  if (!job) notFound();
  const { materials, machines, habits, tools, pools, units } = await shopNow(db);
  return (
    <OpenJob job={job}>
      <main id="main" className="mx-auto max-w-[1200px] p-3 sm:px-5">
        <JobEditor
          job={job}
          shop={{ materials, machines, habits, tools, crib: pools[0] }}
          machineId={job.holes[0]?.question.machine ?? machines[0]?.id ?? ''}
          units={units}
        />
      </main>
    </OpenJob>
  );
}
