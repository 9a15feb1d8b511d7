import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { WayStrip } from '@/features/way/way-strip';
import { findHead } from '@/server/repositories/job-repository';
import { wayStateOf } from '@/server/services/way-service';
import { database } from '@/server/start';

interface Props {
  children: ReactNode;
  params: Promise<{ id: string }>;
}

/** A tab names the job and the view. */
export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const head = await findHead(await database(), (await params).id);
  return head ? { title: { default: head.name, template: `${head.name}: %s · Jolly Bit` } } : {};
}

export default async function JobLayout({ children, params }: Props) {
  const db = await database();
  const { id } = await params;
  if (!(await findHead(db, id))) notFound();
  return (
    <>
      <WayStrip jobId={id} first={await wayStateOf(db, id)} />
      {children}
    </>
  );
}
