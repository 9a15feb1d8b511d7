import { notFound } from 'next/navigation';
import { PlateView } from '@/features/plate/plate-view';
import { OpenJob } from '@/features/job-store/open-job';
import { database } from '@/server/start';
import { findJob } from '@/server/repositories/job-repository';
import { shopForView, shopNow } from '@/server/services/shop-service';

export const metadata = { title: 'Plate' };

export default async function PlatePage({ params }: { params: Promise<{ id: string }> }) {
  const db = await database();
  const job = await findJob(db, (await params).id);
  if (!job) notFound();
  const shop = shopForView(await shopNow(db));
  return (
    <OpenJob job={job}>
      <PlateView job={job} machineId={job.holes[0]?.question.machine ?? shop.machines[0]?.id ?? ''} shop={shop} />
    </OpenJob>
  );
}
