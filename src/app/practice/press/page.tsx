import { headers } from 'next/headers';
import { PressView } from '@/features/practice/press-view';
import { sessionIn } from '@/server/access/session';
import { shopForView, shopNow } from '@/server/services/shop-service';
import { database } from '@/server/start';

export const metadata = { title: 'Drill press · Jolly Bit' };

export default async function PressPage() {
  const shop = await shopNow(await database());
  const session = await sessionIn((await headers()).get('cookie'));
  return <PressView shop={shopForView(shop)} signedInAs={session?.who} />;
}
