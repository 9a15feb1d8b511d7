import { questionInJob } from '@/core/job/plan-in-job';
import { isExerciseKind } from '@/core/practice/kinds-of-exercise';
import { SheetView } from '@/features/practice/sheet-view';
import { findJob } from '@/server/repositories/job-repository';
import { shopForView, shopNow } from '@/server/services/shop-service';
import { database } from '@/server/start';

export const metadata = { title: 'Exercises on paper · Jolly Bit' };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function SheetPage({ searchParams }: Props) {
  const { seed: asked, kinds, job: jobId } = await searchParams;
  const seed = Number(asked);
  const db = await database();
  const [shop, job] = await Promise.all([shopNow(db), typeof jobId === 'string' ? findJob(db, jobId) : undefined]);
  const chosen = typeof kinds === 'string' ? kinds.split(',').filter(isExerciseKind) : [];
  return (
    <SheetView
      shop={shopForView(shop)}
      seed={Number.isInteger(seed) && seed > 0 && seed < 1e6 ? seed : 1}
      kinds={chosen.length > 0 ? chosen : undefined}
      job={job && { name: job.name, holes: job.holes.map((h) => questionInJob(h.question, job)) }}
    />
  );
}
