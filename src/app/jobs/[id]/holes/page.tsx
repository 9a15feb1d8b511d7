import { notFound } from 'next/navigation';
import { HolesView } from '@/features/holes/holes-view';
import { OpenJob } from '@/features/job-store/open-job';
import { database } from '@/server/start';
import { findJob } from '@/server/repositories/job-repository';
import { shopNow } from '@/server/services/shop-service';

export const metadata = { title: 'Holes' };

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ hole?: string }>;
}

export default async function HolesPage({ params, searchParams }: Props) {
  const db = await database();
  const job = await findJob(db, (await params).id);
  if (!job) notFound();
  const { materials, machines, habits, tools, pools, units } = await shopNow(db);
  return (
    <OpenJob job={job}>
      <HolesView
        job={job}
        shop={{ materials, machines, habits, tools, crib: pools[0] }}
        display={units}
        hole={(await searchParams).hole}
      />
    </OpenJob>
  );
}
