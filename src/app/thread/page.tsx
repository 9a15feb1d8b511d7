import { IdentifyView } from '@/features/identify/identify-view';
import { shopNow } from '@/server/services/shop-service';
import { database } from '@/server/start';

export const metadata = { title: 'What thread is this? · Jolly Bit' };

export default async function IdentifyPage() {
  const { taps, habits } = await shopNow(await database());
  return <IdentifyView taps={taps ?? []} names={habits.tapNames} />;
}
