import { plannerFor } from '@/core/job/plan-in-job';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import QRCode from 'qrcode';
import { JobCard } from '@/features/jobs/job-card';
import { PAPERS, type Paper } from '@/features/jobs/paper';
import { PrintBar } from '@/features/jobs/print-bar';
import { database } from '@/server/start';
import { inSlices } from '@/server/in-slices';
import { findJob } from '@/server/repositories/job-repository';
import { shopNow } from '@/server/services/shop-service';

export const metadata = { title: 'Card' };

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ paper?: string }>;
}

export default async function CardPage({ params, searchParams }: Props) {
  const db = await database();
  const job = await findJob(db, (await params).id);
  if (!job) notFound();
  const shop = await shopNow(db);
  const planner = plannerFor(shop);
  const wanted = (await searchParams).paper;
  const paper: Paper =
    wanted !== undefined && wanted in PAPERS ? (wanted as Paper) : shop.units === 'inch' ? 'letter-half' : 'a5';
  const host = (await headers()).get('host') ?? '127.0.0.1:3000';
  const base = process.env.PUBLIC_URL?.replace(/\/+$/, '') ?? `http://${host}`;
  const address = `${base}/jobs/${job.id}`;
  const plans = await inSlices(job.holes, (hole) => ({
    id: hole.id,
    name: hole.name,
    callout: hole.question.callout,
    result: planner.plan(hole, job),
  }));
  return (
    <main id="main">
      <PrintBar jobId={job.id} paper={paper} />
      <JobCard
        job={job}
        material={shop.materials.find((m) => m.id === job.materialId)?.label ?? job.materialId}
        plans={plans}
        display={shop.units}
        paper={paper}
        address={address}
        qrSvg={await QRCode.toString(address, { type: 'svg', margin: 0 })}
      />
    </main>
  );
}
