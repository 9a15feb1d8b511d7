import { holeLines } from '@/features/jobs/job-summary';
import { JobsView } from '@/features/jobs/jobs-view';
import { database } from '@/server/start';
import { listJobs } from '@/server/repositories/job-repository';
import { shopNow } from '@/server/services/shop-service';

export const metadata = { title: 'Jobs' };

export default async function JobsPage() {
  const db = await database();
  const [shop, jobs] = await Promise.all([shopNow(db), listJobs(db)]);
  return (
    <JobsView
      jobs={jobs.map((job) => ({
        job: { id: job.id, name: job.name, quantity: job.quantity, notes: job.notes, updatedAt: job.updatedAt },
        material: shop.materials.find((m) => m.id === job.materialId)?.label ?? job.materialId,
        lines: holeLines(job, shop, shop.units),
      }))}
    />
  );
}
