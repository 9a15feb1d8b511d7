import { unitsHere } from '@/app/units-here';
import { BuyList } from '@/features/jobs/buy-list';
import { existingHead } from '@/server/services/job-service';
import { toBuyFor } from '@/server/services/to-buy-service';
import { database } from '@/server/start';

export const metadata = { title: 'List to buy' };

export default async function JobToBuyPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const db = await database();
  const { units } = await existingHead(db, id);
  const { name, list } = await toBuyFor(db, id);
  return (
    <BuyList
      title={`${name}, list to buy`}
      of="What this job needs and the crib does not have."
      list={list}
      display={units ?? (await unitsHere())}
      csv={`/jobs/${id}/to-buy.csv`}
    />
  );
}
