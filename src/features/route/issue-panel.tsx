'use client';

import { useRef } from 'react';
import type { RouteIssue } from '@/contracts/route-issue';
import { tell, type Display } from '@/core/units/show';
import { useShopTime } from '@/ui/shop-clock';
import type { Issues } from './use-issues';

interface Props {
  state: Issues;
  issues: RouteIssue[];
  display: Display;
}

const SIGN = { added: '+', gone: '−', changed: '≠' } as const;
const MOST = 40;

/** Issues of the route: frozen under a number; what a new one would change is shown first. */
export function IssuePanel({ state, issues, display }: Props) {
  const { jobId, latest, changes, next, canIssue, issue } = state;
  const at = useShopTime();
  return (
    <section aria-label="Issues" className="plate flex flex-col gap-2 p-3">
      <h2 className="font-cond text-xl font-semibold">Issues</h2>
      {latest && changes?.length === 0 && <p>Nothing has changed since issue {latest.number}.</p>}
      {latest && changes && changes.length > 0 && (
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
      {isCurrent(state) && (
        <button type="button" className="btn self-start" disabled={!canIssue} onClick={() => issue()}>
          Issue route {next}
        </button>
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

/** The job is as it was when its last route was issued. */
const isCurrent = ({ latest, changes }: Issues): boolean => latest !== undefined && changes?.length === 0;

/** The one thing to do with a route: issue it, or start by it. */
export function IssueKey({ state }: { state: Issues }) {
  const { jobId, next, canIssue, issue, fault } = state;
  // The key that was pressed goes: hands on a keyboard stay at the one in its place.
  const pressed = useRef(false);
  return (
    <>
      {isCurrent(state) ? (
        <a
          className="btn"
          href={`/jobs/${jobId}/bench`}
          ref={(start) => {
            if (pressed.current) start?.focus();
            pressed.current = false;
          }}
        >
          Start at the bench
        </a>
      ) : (
        <button
          type="button"
          className="btn-next"
          disabled={!canIssue}
          onClick={() => {
            pressed.current = true;
            issue();
          }}
        >
          Issue route {next}
        </button>
      )}
      {fault && (
        <p role="alert" className="basis-full font-bold text-danger">
          {fault}
        </p>
      )}
    </>
  );
}
