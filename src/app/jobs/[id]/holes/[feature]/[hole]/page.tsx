import { notFound } from 'next/navigation';
import { z } from 'zod';
import { besidePlan } from '@/core/learning/beside-plan';
import { HoleStory } from '@/features/log/hole-story';
import { logOfHole } from '@/server/services/log-service';
import { holeMade } from '@/server/services/run-service';
import { database } from '@/server/start';

export const metadata = { title: 'One hole' };

interface Props {
  params: Promise<{ id: string; feature: string; hole: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

const counted = z.coerce.number().int().min(1).max(100_000);

export default async function HolePage({ params, searchParams }: Props) {
  const { id, feature, hole } = await params;
  const [number, part] = [counted.safeParse(hole), counted.catch(1).parse((await searchParams).part)];
  if (!number.success) notFound();
  const db = await database();
  const at = { featureId: feature, holeNumber: number.data, part };
  const made = await holeMade(db, id, at);
  if (!made) notFound();
  const { plan, observed, ...about } = made;
  return (
    <HoleStory
      jobId={id}
      at={at}
      about={about}
      plan={plan}
      rows={besidePlan(plan, observed)}
      entries={await logOfHole(db, id, at)}
    />
  );
}
