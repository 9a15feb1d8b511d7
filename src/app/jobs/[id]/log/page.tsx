import { notFound } from 'next/navigation';
import { JobLog } from '@/features/way/job-log';
import { unitsHere } from '@/app/units-here';
import { findJob } from '@/server/repositories/job-repository';
import { findLatest } from '@/server/repositories/record-repository';
import { database } from '@/server/start';

export const metadata = { title: 'Log' };

/** So many of the last records are shown. */
const MOST = 400;

export default async function LogPage({ params }: { params: Promise<{ id: string }> }) {
  const db = await database();
  const job = await findJob(db, (await params).id);
  if (!job) notFound();
  return (
    <JobLog
      job={{ name: job.name, letters: Object.fromEntries(job.holes.map((h) => [h.id, h.letter])) }}
      records={await findLatest(db, job.id, MOST)}
      display={job.units ?? (await unitsHere())}
    />
  );
}
