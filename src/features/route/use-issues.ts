import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { v7 as uuidv7 } from 'uuid';
import type { FrozenRoute, RouteIssue } from '@/contracts/route-issue';
import { compareRoutes, type RouteChange } from '@/core/route/compare-routes';
import type { Route } from '@/core/route/route';
import { send } from '@/ui/send';

interface Asked {
  jobId: string;
  jobVersion: number;
  /** All typed is with the server, so that what is issued is what is seen. */
  saved: boolean;
  route?: Route;
  /** Newest first. */
  issues: RouteIssue[];
}

/** Issues of the route, what a new one would change, and how one is made. */
export function useIssues({ jobId, jobVersion, saved, route, issues }: Asked) {
  const router = useRouter();
  const client = useQueryClient();
  const latest = issues.at(0);
  const { data: last } = useQuery({
    queryKey: ['issue', jobId, latest?.number],
    enabled: latest !== undefined,
    meta: { keptApart: true },
    queryFn: async () => {
      const got = await send<FrozenRoute>('GET', `/api/v1/jobs/${jobId}/routes/${latest?.number}`);
      return got.ok ? got.value : null;
    },
  });
  const changes: RouteChange[] | undefined =
    last && route && last.number === latest?.number ? compareRoutes(last.route, route) : undefined;
  const issue = useMutation({
    networkMode: 'always',
    mutationFn: () => send('POST', `/api/v1/jobs/${jobId}/routes`, { id: uuidv7(), jobVersion }),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: ['way', jobId] });
      router.refresh();
    },
  });
  return {
    jobId,
    latest,
    /** Undefined while it is not known. */
    changes,
    next: (latest?.number ?? 0) + 1,
    canIssue: route !== undefined && saved && !issue.isPending,
    issue: issue.mutate,
    fault: issue.data?.ok === false ? issue.data.fault : undefined,
  };
}
export type Issues = ReturnType<typeof useIssues>;
