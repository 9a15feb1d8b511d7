import { notFound } from 'next/navigation';
import { PlateView } from '@/features/plate/plate-view';
import { OpenJob } from '@/features/job-store/open-job';
import { database } from '@/server/start';
import { findJob } from '@/server/repositories/job-repository';
import { shopNow } from '@/server/services/shop-service';

export const metadata = { title: 'Plate' };

export default async function PlatePage({ params }: { params: Promise<{ id: string }> }) {
  const db = await database();
  const job = await findJob(db, (await params).id);
  if (!job) notFound();
  const { materials, machines, habits, tools, pools, units } = await shopNow(db);
  return (
    <OpenJob job={job}>
      <PlateView
        job={job}
        display={units}
        machineId={job.holes[0]?.question.machine ?? machines[0]?.id ?? ''}
        shop={{ materials, machines, habits, tools, crib: pools[0] }}
      />
    </OpenJob>
  );
}
