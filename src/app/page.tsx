import { redirect } from 'next/navigation';
import { fromAddress } from '@/core/hole/form';
import { wholeShop } from '@/core/shop/shop';
import { answerQuestion } from '@/features/ask/answer-question';
import { AskView } from '@/features/ask/ask-view';
import type { Origin } from '@/features/ask/use-ask';
import { database } from '@/server/start';
import { findJob } from '@/server/repositories/job-repository';
import { unitsHere } from './units-here';
import { isCribEmpty } from '@/server/repositories/crib-repository';
import { shopForView, shopNow } from '@/server/services/shop-service';

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export const metadata = { title: 'Ask · Jolly Bit' };

export default async function AskPage({ searchParams }: Props) {
  const params = await searchParams;
  const db = await database();
  const shop = await shopNow(db);
  // A shop with nothing in it is set up first; what is only out of use is there.
  if (params.callout === undefined && (await isCribEmpty(db))) redirect('/set-up');
  const first = fromAddress(params, {
    units: await unitsHere(),
    machine: shop.machines[0]?.id ?? '',
    material: shop.materials.some((m) => m.id === 'steel-low-carbon') ? 'steel-low-carbon' : shop.materials[0]?.id,
  });
  const job = typeof params.job === 'string' ? await findJob(db, params.job) : undefined;
  const hole = job?.holes.find((h) => h.id === params.jobHole);
  const origin: Origin | undefined =
    job && hole ? { jobId: job.id, holeId: hole.id, jobName: job.name, holeName: hole.name } : undefined;
  const seen = shopForView(shop);
  return <AskView asked={{ first, answered: answerQuestion(first, wholeShop(seen)), shop: seen }} origin={origin} />;
}
