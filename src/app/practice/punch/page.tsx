import { headers } from 'next/headers';
import { PunchView } from '@/features/practice/punch-view';
import { sessionIn } from '@/server/access/session';

export const metadata = { title: 'Punch · Jolly Bit' };

export default async function PunchPage() {
  const session = await sessionIn((await headers()).get('cookie'));
  return <PunchView signedInAs={session?.who} />;
}
