import { headers } from 'next/headers';
import { questionInJob } from '@/core/job/plan-in-job';
import { PracticeView } from '@/features/practice/practice-view';
import { sessionIn } from '@/server/access/session';
import { findJob } from '@/server/repositories/job-repository';
import { listAssignments } from '@/server/repositories/practice-repository';
import { shopForView, shopNow } from '@/server/services/shop-service';
import { database } from '@/server/start';

export const metadata = { title: 'Practice · Jolly Bit' };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function PracticePage({ searchParams }: Props) {
  const { job: jobId, kind } = await searchParams;
  const db = await database();
  const [shop, assignments, session, job] = await Promise.all([
    shopNow(db),
    listAssignments(db),
    headers().then((h) => sessionIn(h.get('cookie'))),
    typeof jobId === 'string' ? findJob(db, jobId) : undefined,
  ]);
  return (
    // An exercise about other holes does not stay when a job is opened.
    <PracticeView
      key={job?.id ?? ''}
      shop={shopForView(shop)}
      signedInAs={session?.who}
      job={job && { id: job.id, name: job.name, holes: job.holes.map((h) => questionInJob(h.question, job)) }}
      first={typeof kind === 'string' ? kind : undefined}
      assignments={assignments}
    />
  );
}
