'use client';

import Link from 'next/link';
import type { LogEntry } from '@/contracts/log';
import { sectionOf } from '@/core/hole/section';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { BesidePlan } from '@/core/learning/beside-plan';
import type { HoleAt } from '@/core/run/bench-record';
import { recordWords } from '@/core/run/record-words';
import { tell, type Display } from '@/core/units/show';
import { CoreSample } from '@/ui/drawings/core-sample';
import { useShopTime } from '@/ui/shop-clock';
import { useUnits } from '@/ui/units';
import { logRow } from './log-row';

interface Props {
  jobId: string;
  at: HoleAt;
  about: {
    name: string;
    job: { name: string; units?: Display; bar?: string };
    callout: string;
    parts: number;
    number: number;
    issuedAt: string;
  };
  plan: HolePlan;
  rows: readonly BesidePlan[];
  entries: readonly LogEntry[];
}

/** One hole from callout to gauge: its section, planned beside measured, and everything that was recorded of it. */
export function HoleStory({ jobId, at: { featureId, holeNumber, part }, about, plan, rows, entries }: Props) {
  const { display: here } = useUnits();
  const display = about.job.units ?? here;
  const at = useShopTime();
  const to = (n: number): string => `/jobs/${jobId}/holes/${featureId}/${holeNumber}?part=${n}`;
  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-4 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <h1 className="mr-auto font-cond text-3xl font-semibold">
          {about.name}, {about.callout}
          <span className="block text-lg font-medium text-steel-700">
            <Link className="link" href={`/jobs/${jobId}`} prefetch={false}>
              {about.job.name}
            </Link>
            {about.parts > 1 && `, part ${part} of ${about.parts}`}, {plan.material.label}
            {about.job.bar && `, bar ${about.job.bar}`}
          </span>
        </h1>
        {about.parts > 1 && (
          <nav aria-label="Parts" className="flex gap-2">
            {part > 1 && (
              <Link className="btn" href={to(part - 1)} prefetch={false}>
                ← Part {part - 1}
              </Link>
            )}
            {part < about.parts && (
              <Link className="btn" href={to(part + 1)} prefetch={false}>
                Part {part + 1} →
              </Link>
            )}
          </nav>
        )}
      </div>
      <div className="grid items-start gap-4 md:grid-cols-[300px_minmax(0,1fr)] lg:grid-cols-[360px_minmax(0,1fr)]">
        <figure className="max-w-[400px] rounded-sm bg-dye-700 p-2">
          <CoreSample section={sectionOf(plan)} display={display} />
        </figure>
        <section aria-label="Planned beside measured">
          {rows.length === 0 ? (
            <p role="status" className="text-lg">
              Nothing recorded of this hole yet: it fills in as it is made at the bench.
            </p>
          ) : (
            <table className="plate w-full">
              <thead>
                <tr className="text-left">
                  <th scope="col" className="label px-3 py-2">
                    What
                  </th>
                  <th scope="col" className="label px-3 py-2">
                    Planned
                  </th>
                  <th scope="col" className="label px-3 py-2">
                    Came to
                  </th>
                </tr>
              </thead>
              <tbody className="divide-y divide-steel-200">
                {rows.map((r, i) => (
                  <tr key={`${r.recordId} ${i}`}>
                    <th scope="row" className="px-3 py-1.5 text-left font-normal">
                      {r.label}
                    </th>
                    <td className="px-3 py-1.5 text-steel-700">{r.planned && tell(r.planned, display)}</td>
                    <td className={`px-3 py-1.5 font-cond text-lg font-semibold ${r.isBad ? 'text-danger' : ''}`}>
                      {r.isBad && '✕ '}
                      {r.measured && tell(r.measured, display)}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </section>
      </div>
      <details>
        <summary className="link min-h-11 content-center text-lg">Every record of it ({entries.length})</summary>
        <ol className="plate divide-y divide-steel-200">
          {entries.map((entry) => {
            const row = logRow(entry);
            return (
              <li key={entry.record.id} className="flex flex-wrap gap-x-4 px-3 py-1.5">
                <span className="min-w-0 flex-1 first-letter:uppercase">{tell(recordWords(row.told), display)}</span>
                <span className="text-[14px] text-steel-700">
                  {row.who && `${row.who}, `}
                  {at(entry.record.happenedAt, 'day')}, {at(entry.record.happenedAt, 'clock')}
                </span>
              </li>
            );
          })}
        </ol>
      </details>
    </main>
  );
}
