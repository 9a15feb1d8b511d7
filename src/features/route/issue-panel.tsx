'use client';

import { useMutation, useQuery } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { v7 as uuidv7 } from 'uuid';
import type { FrozenRoute, RouteIssue } from '@/contracts/route-issue';
import { compareRoutes, type RouteChange } from '@/core/route/compare-routes';
import type { Route } from '@/core/route/route';
import { tell, type Display } from '@/core/units/show';
import { useShopTime } from '@/ui/shop-clock';
import { send } from '@/ui/send';

interface Props {
  jobId: string;
  jobVersion: number;
  /** All typed is with the server, so that what is issued is what is seen. */
  saved: boolean;
  route?: Route;
  issues: RouteIssue[];
  display: Display;
}

const SIGN = { added: '+', gone: '−', changed: '≠' } as const;
const MOST = 40;

/** Issues of the route: frozen under a number; what a new one would change is shown first. */
export function IssuePanel({ jobId, jobVersion, saved, route, issues, display }: Props) {
  const router = useRouter();
  const at = useShopTime();
  const [latest] = issues;
  const { data: last } = useQuery({
    queryKey: ['issue', jobId, latest?.number],
    enabled: latest !== undefined,
    meta: { keptApart: true },
    queryFn: async () => {
      const got = await send<FrozenRoute>('GET', `/api/v1/jobs/${jobId}/routes/${latest.number}`);
      return got.ok ? got.value : null;
    },
  });
  const changes: RouteChange[] | undefined =
    last && route && last.number === latest?.number ? compareRoutes(last.route, route) : undefined;
  const issue = useMutation({
    networkMode: 'always',
    mutationFn: () => send('POST', `/api/v1/jobs/${jobId}/routes`, { id: uuidv7(), jobVersion }),
    onSuccess: () => router.refresh(),
  });
  const fault = issue.data?.ok === false ? issue.data.fault : undefined;
  const next = (latest?.number ?? 0) + 1;
  return (
    <section aria-label="Issues" className="plate flex flex-col gap-2 p-3">
      <h2 className="font-cond text-xl font-semibold">Issues</h2>
      {changes && changes.length === 0 && <p>Nothing has changed since issue {latest.number}.</p>}
      {changes && changes.length > 0 && (
        <>
          <p>Since issue {latest.number}:</p>
          <ul aria-label="Changes since the last issue" className="text-[15px]">
            {changes.slice(0, MOST).map((c) => (
              <li key={c.kind + tell(c.text, display)}>
                <strong aria-label={c.kind}>{SIGN[c.kind]}</strong> {tell(c.text, display)}
              </li>
            ))}
            {changes.length > MOST && <li>and {changes.length - MOST} more</li>}
          </ul>
        </>
      )}
      <button
        type="button"
        className="btn-next self-start"
        disabled={!route || !saved || issue.isPending}
        onClick={() => issue.mutate()}
      >
        Issue route {next}
      </button>
      {fault && (
        <p role="alert" className="font-bold text-danger">
          {fault}
        </p>
      )}
      <ul>
        {issues.map((r) => (
          <li
            key={r.id}
            className="flex flex-wrap items-baseline gap-x-4 border-t border-steel-200 py-1.5 first:border-0"
          >
            <strong>Issue {r.number}</strong>
            <span className="text-[15px]">
              {at(r.issuedAt, 'long')}, {r.quantity} {r.quantity === 1 ? 'part' : 'parts'},{' '}
              {(r.seconds / 60).toFixed(0)} min
            </span>
            <span className="flex gap-3">
              <a
                className="link"
                href={`/jobs/${jobId}/routes/${r.number}/traveller.pdf?paper=${display === 'inch' ? 'letter' : 'a4'}`}
              >
                Traveller
              </a>
              <a className="link" href={`/jobs/${jobId}/routes/${r.number}/route.csv`}>
                CSV
              </a>
              <a className="link" href={`/api/v1/jobs/${jobId}/routes/${r.number}`}>
                JSON
              </a>
            </span>
          </li>
        ))}
      </ul>
      {issues.length === 0 && (
        <p className="text-[15px]">Issuing freezes the route with its figures: the traveller prints from it.</p>
      )}
    </section>
  );
}
