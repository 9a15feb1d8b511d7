import { plannerFor } from '@/core/job/plan-in-job';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import QRCode from 'qrcode';
import { JobCard } from '@/features/jobs/job-card';
import { PAPERS, type Paper } from '@/ui/paper';
import { PrintBar } from '@/features/jobs/print-bar';
import { unitsHere } from '@/app/units-here';
import { DISPLAYS } from '@/core/units/show';
import { publicAddress } from '@/server/http/hosts';
import { database } from '@/server/start';
import { inSlices } from '@/server/in-slices';
import { findHead, findJob } from '@/server/repositories/job-repository';
import { findRoute, lastNumber } from '@/server/repositories/route-repository';
import { wholeShop } from '@/core/shop/shop';
import { shopNow } from '@/server/services/shop-service';
import { zoneNow } from '@/server/services/zone-service';

export const metadata = { title: 'Card' };

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ paper?: string; units?: string; route?: string }>;
}

export default async function CardPage({ params, searchParams }: Props) {
  const db = await database();
  const jobNow = await findJob(db, (await params).id);
  if (!jobNow) notFound();
  const head = await findHead(db, jobNow.id);
  const { paper: wanted, units, route } = await searchParams;
  const number = route === 'none' ? 0 : Number(route ?? (await lastNumber(db, jobNow.id)));
  const issue = number > 0 ? await findRoute(db, jobNow.id, number) : undefined;
  const job = issue?.inputs.job ?? jobNow;
  const shop = issue ? wholeShop(issue.inputs.shop) : await shopNow(db);
  const planner = plannerFor(shop);
  const display = DISPLAYS.find((d) => d === units) ?? job.units ?? (await unitsHere());
  const paper: Paper =
    wanted !== undefined && wanted in PAPERS ? (wanted as Paper) : display === 'inch' ? 'letter-half' : 'a5';
  const address = `${publicAddress(await headers())}/jobs/${job.id}`;
  const plans = await inSlices(job.holes, (hole) => ({
    id: hole.id,
    name: hole.name,
    callout: hole.question.callout,
    result: planner.plan(hole, job),
  }));
  return (
    <main id="main">
      <PrintBar
        jobId={job.id}
        paper={paper}
        display={display}
        more={route === undefined ? '' : `&route=${encodeURIComponent(route)}`}
        issue={issue && { number: issue.number, current: issue.jobVersion >= (head?.workVersion ?? 0) }}
      />
      <JobCard
        job={job}
        material={shop.materials.find((m) => m.id === job.materialId)?.label ?? job.materialId}
        plans={plans}
        display={display}
        paper={paper}
        issue={issue}
        zone={await zoneNow(db)}
        address={address}
        qrSvg={await QRCode.toString(address, { type: 'svg', margin: 0 })}
      />
    </main>
  );
}
