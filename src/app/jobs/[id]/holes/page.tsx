import { notFound } from 'next/navigation';
import { HolesView } from '@/features/holes/holes-view';
import { OpenJob } from '@/features/job-store/open-job';
import { database } from '@/server/start';
import { findJob } from '@/server/repositories/job-repository';
import { shopForView, shopNow } from '@/server/services/shop-service';

export const metadata = { title: 'Holes' };

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ hole?: string }>;
}

export default async function HolesPage({ params, searchParams }: Props) {
  const db = await database();
  const job = await findJob(db, (await params).id);
  if (!job) notFound();
  const shop = shopForView(await shopNow(db));
  return (
    <OpenJob job={job}>
      <HolesView job={job} shop={shop} hole={(await searchParams).hole} />
    </OpenJob>
  );
}
