import { LearnedView } from '@/features/log/learned-view';
import { learnedPageOf } from '@/server/services/learned-view';
import { database } from '@/server/start';

export const metadata = { title: 'Learned · Jolly Bit' };

export default async function LearnedPage() {
  return <LearnedView page={await learnedPageOf(await database())} />;
}
