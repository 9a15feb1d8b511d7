import { unitsHere } from '@/app/units-here';
import { BuyList } from '@/features/jobs/buy-list';
import { MOST_JOBS, toBuyForAll } from '@/server/services/to-buy-service';
import { database } from '@/server/start';

export const metadata = { title: 'List to buy' };

export default async function ToBuyPage() {
  const { jobs, list } = await toBuyForAll(await database());
  return (
    <BuyList
      title="List to buy"
      of={`For ${jobs === 1 ? 'the one open job' : `${jobs} open jobs`}${jobs === MOST_JOBS ? ', those changed last' : ''}: what they need and the crib does not have.`}
      list={list}
      display={await unitsHere()}
      csv="/crib/to-buy.csv"
    />
  );
}
