import { notFound } from 'next/navigation';
import { toolQuery } from '@/contracts/learned';
import { ToolLifeView } from '@/features/log/tool-life-view';
import { Refusal } from '@/server/refusal';
import { toolPageOf } from '@/server/services/learned-view';
import { database } from '@/server/start';

export const metadata = { title: 'Life of a tool · Jolly Bit' };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function ToolPage({ searchParams }: Props) {
  const asked = toolQuery.safeParse(await searchParams);
  if (!asked.success) notFound();
  const page = await toolPageOf(await database(), asked.data.tool).catch((error: unknown) => {
    if (error instanceof Refusal) notFound();
    throw error;
  });
  return <ToolLifeView page={page} />;
}
