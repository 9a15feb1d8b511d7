import { notFound } from 'next/navigation';
import { readingsQuery } from '@/contracts/learned';
import { ReadingsView } from '@/features/log/readings-view';
import { readingsPageOf } from '@/server/services/learned-view';
import { database } from '@/server/start';

export const metadata = { title: 'Readings · Jolly Bit' };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function ReadingsPage({ searchParams }: Props) {
  const asked = readingsQuery.safeParse(await searchParams);
  if (!asked.success) notFound();
  const { figure, level } = asked.data;
  return <ReadingsView page={await readingsPageOf(await database(), figure, level)} />;
}
