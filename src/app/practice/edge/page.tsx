import { headers } from 'next/headers';
import { EdgeView } from '@/features/practice/edge-view';
import { sessionIn } from '@/server/access/session';

export const metadata = { title: 'Edge and dial · Jolly Bit' };

export default async function EdgePage() {
  const session = await sessionIn((await headers()).get('cookie'));
  return <EdgeView signedInAs={session?.who} />;
}
