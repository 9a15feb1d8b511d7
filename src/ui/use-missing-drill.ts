'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { drillName, type Drill, type DrillCondition } from '@/core/drills/drill';
import type { DrillPool } from '@/core/drills/drill-sets';

/** A drill as it was marked before. */
interface DrillMark {
  id: string;
  condition: DrillCondition;
}

/** What of a drill is needed to mark it. */
export type MarkedDrill = Pick<Drill, 'series' | 'label' | 'diameterMm'>;

interface Gone {
  drill: MarkedDrill;
  marks: DrillMark[];
}

const sameSize = (a: MarkedDrill, b: MarkedDrill): boolean => Math.abs(a.diameterMm - b.diameterMm) < 0.0005;
/** Loaded when it is first needed. */
const post = async <T>(body: object) => (await import('./send')).send<T>('POST', '/api/v1/crib/missing', body);

/** Drills that turn out not to be in the crib: marked there, left out here at once, and given back by undo. */
export function useMissingDrill() {
  const router = useRouter();
  const [gone, setGone] = useState<Gone[]>([]);
  const [fault, setFault] = useState<string>();
  const last = gone.at(-1);

  async function mark(drill: MarkedDrill): Promise<void> {
    const got = await post<{ marks: DrillMark[] }>({ diameterMm: drill.diameterMm });
    setFault(got.ok ? undefined : got.fault);
    if (got.ok) setGone((before) => [...before, { drill, marks: got.value.marks }]);
    router.refresh();
  }
  async function undo(): Promise<void> {
    if (!last) return;
    const got = await post({ restore: last.marks });
    setFault(got.ok ? undefined : got.fault);
    if (got.ok) setGone((before) => before.slice(0, -1));
    router.refresh();
  }
  return {
    mark: (drill: MarkedDrill) => void mark(drill),
    undo: () => void undo(),
    fault,
    /** What was marked last, as people say it. */
    said: last && drillName(last.drill),
    without: (pool: DrillPool): DrillPool =>
      gone.length === 0
        ? pool
        : { ...pool, drills: pool.drills.filter((d) => !gone.some((g) => sameSize(g.drill, d))) },
  };
}
