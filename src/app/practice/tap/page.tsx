import { headers } from 'next/headers';
import { TapView } from '@/features/practice/tap-view';
import { sessionIn } from '@/server/access/session';
import { shopForView, shopNow } from '@/server/services/shop-service';
import { database } from '@/server/start';

export const metadata = { title: 'Tap by feel · Jolly Bit' };

export default async function TapPage() {
  const shop = await shopNow(await database());
  const session = await sessionIn((await headers()).get('cookie'));
  return <TapView shop={shopForView(shop)} signedInAs={session?.who} />;
}
