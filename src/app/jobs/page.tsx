import { jobQuery } from '@/contracts/job';
import type { JobSummary } from '@/core/job/summary';
import { JobsView } from '@/features/jobs/jobs-view';
import { database } from '@/server/start';
import { jobsPage } from '@/server/services/job-service';
import { recordedOf } from '@/server/services/run-service';
import { shopNow } from '@/server/services/shop-service';
import { summariesOf } from '@/server/services/summary-service';

export const metadata = { title: 'Jobs' };

/** A list does not show what is to be bought. */
const inShort = (summary: JobSummary | undefined): JobSummary | undefined => summary && { ...summary, lacks: [] };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function JobsPage({ searchParams }: Props) {
  const asked = jobQuery.safeParse(await searchParams);
  const query = asked.success ? asked.data : { page: 1 };
  const db = await database();
  const shop = await shopNow(db);
  const page = await jobsPage(db, shop.materials, query);
  const summaries = await summariesOf(db, page.jobs);
  const recorded = await recordedOf(
    db,
    page.jobs.map((j) => j.id),
  );
  return (
    <JobsView
      search={query.search ?? ''}
      page={page.page}
      pages={page.pages}
      total={page.total}
      jobs={page.jobs.map((job) => ({
        job,
        material: shop.materials.find((m) => m.id === job.materialId)?.label ?? job.materialId,
        summary: inShort(summaries.get(job.id)),
        recorded: recorded.get(job.id),
      }))}
    />
  );
}
