import { Papers } from '@/features/way/papers';
import { unitsHere } from '@/app/units-here';
import { lastNumber } from '@/server/repositories/route-repository';
import { existingHead } from '@/server/services/job-service';
import { database } from '@/server/start';

export const metadata = { title: 'Papers' };

export default async function PapersPage({ params }: { params: Promise<{ id: string }> }) {
  const db = await database();
  const { id } = await params;
  const { units, name } = await existingHead(db, id);
  const number = await lastNumber(db, id);
  return <Papers jobId={id} name={name} issue={number} isInch={(units ?? (await unitsHere())) === 'inch'} />;
}
