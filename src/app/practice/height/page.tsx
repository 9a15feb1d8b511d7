import { headers } from 'next/headers';
import { HeightView } from '@/features/practice/height-view';
import { sessionIn } from '@/server/access/session';

export const metadata = { title: 'Height gauge · Jolly Bit' };

export default async function HeightPage() {
  const session = await sessionIn((await headers()).get('cookie'));
  return <HeightView signedInAs={session?.who} />;
}
