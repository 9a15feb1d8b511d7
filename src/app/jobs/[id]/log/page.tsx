import { notFound } from 'next/navigation';
import { logQueryOf } from '@/contracts/log';
import { LogView } from '@/features/log/log-view';
import { findHead } from '@/server/repositories/job-repository';
import { logPageOf } from '@/server/services/log-service';
import { database } from '@/server/start';

export const metadata = { title: 'Log' };

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function JobLogPage({ params, searchParams }: Props) {
  const db = await database();
  const job = await findHead(db, (await params).id);
  if (!job) notFound();
  const query = logQueryOf(await searchParams, job.id);
  return (
    <LogView query={query} found={await logPageOf(db, query)} job={{ id: job.id, name: job.name, units: job.units }} />
  );
}
