import { notFound } from 'next/navigation';
import { OpenJob } from '@/features/job-store/open-job';
import { RouteView } from '@/features/route/route-view';
import { database } from '@/server/start';
import { findJob } from '@/server/repositories/job-repository';
import { listRoutes } from '@/server/repositories/route-repository';
import { shopForView, shopNow } from '@/server/services/shop-service';

export const metadata = { title: 'Route' };

interface Props {
  params: Promise<{ id: string }>;
}

export default async function RoutePage({ params }: Props) {
  const db = await database();
  const { id } = await params;
  const job = await findJob(db, id);
  if (!job) notFound();
  const shop = shopForView(await shopNow(db));
  return (
    <OpenJob job={job}>
      <RouteView job={job} shop={shop} issues={await listRoutes(db, id)} />
    </OpenJob>
  );
}
