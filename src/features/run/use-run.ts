'use client';

import { useQuery } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import type { JobFeature } from '@/contracts/job';
import type { FrozenRoute, RouteIssue } from '@/contracts/route-issue';
import type { Result } from '@/core/answer/answer';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { HoleAt } from '@/core/inspection/bench-record';
import { isRedone, planAtBench } from '@/core/inspection/plan-at-bench';
import { resultsOf } from '@/core/inspection/progress';
import { changeFor, runOf, type Run } from '@/core/inspection/run';
import { partsToGauge } from '@/core/inspection/sampling';
import { plannerFor } from '@/core/job/plan-in-job';
import { runSteps } from '@/core/route/run-steps';
import { wholeShop } from '@/core/shop/shop';
import { send } from '@/ui/send';
import { useBenchRecords } from '../job-store/use-records';

async function read<T>(url: string): Promise<T> {
  const got = await send<T>('GET', url);
  if (!got.ok) throw new Error(got.fault);
  return got.value;
}

/** How often a bench looks whether a new route was issued, ms. */
const ISSUES_MS = 20_000;

/** The latest issue of a job’s route, as it is kept here; frozen, so that one that is there is never read anew. */
export function useIssue(jobId: string) {
  const list = useQuery({
    queryKey: ['routes', jobId],
    queryFn: () => read<{ routes: RouteIssue[] }>(`/api/v1/jobs/${jobId}/routes`),
    refetchInterval: ISSUES_MS,
  });
  const number = list.data?.routes[0]?.number;
  const whole = useQuery({
    queryKey: ['route', jobId, number],
    queryFn: () => read<FrozenRoute>(`/api/v1/jobs/${jobId}/routes/${number}`),
    enabled: number !== undefined,
    staleTime: Infinity,
  });
  return {
    issue: whole.data,
    none: list.data !== undefined && number === undefined,
    fault: whole.data ? undefined : (whole.error?.message ?? list.error?.message),
  };
}

/** An issued route at work: its steps, what is done, and how each hole is made by now. */
export function useRun(jobId: string) {
  const { issue, none, fault } = useIssue(jobId);
  const bench = useBenchRecords(jobId);
  const { records } = bench;
  const shop = useMemo(() => issue && wholeShop(issue.inputs.shop), [issue]);
  const planner = useMemo(() => shop && plannerFor(shop), [shop]);
  const job = issue?.inputs.job;
  const every = job?.route?.checkEvery ?? 1;
  const feature = useCallback((id: string): JobFeature | undefined => job?.holes.find((f) => f.id === id), [job]);
  const run = useMemo((): Run | undefined => {
    if (!issue || !planner || !job) return undefined;
    const due = new Map<string, Set<number>>();
    const isDue = (item: { featureId: string; hole: number }, part: number): boolean => {
      if (every <= 1) return true;
      const key = `${item.featureId}/${item.hole}`;
      const parts =
        due.get(key) ?? new Set(partsToGauge(job.quantity, every, resultsOf(records, item.featureId, item.hole)));
      due.set(key, parts);
      return parts.has(part);
    };
    return runOf(runSteps(issue.route, isDue), records, (item, _part, before, after) => {
      const found = feature(item.featureId);
      return found
        ? isRedone(item, planAtBench(found, job, planner, before), planAtBench(found, job, planner, after))
        : false;
    });
  }, [issue, planner, job, records, every, feature]);
  const planAt = useCallback(
    (hole: HoleAt): Result<HolePlan> | undefined => {
      const found = feature(hole.featureId);
      return found && job && planner && run
        ? planAtBench(found, job, planner, changeFor(run.remedies, hole))
        : undefined;
    },
    [feature, job, planner, run],
  );
  return { issue, none, fault, job, shop, feature, run, planAt, bench };
}
export type Running = ReturnType<typeof useRun>;
