'use client';

import Link from 'next/link';
import type { ToolLifeRow, ToolsPage } from '@/contracts/learned';
import { useShopTime } from '@/ui/shop-clock';
import { LogTabs } from './log-tabs';

const TODO = { buy: 'To buy', renew: 'To renew', sharpen: 'To sharpen', watch: 'Near its end' } as const;

/** Every drill and tap that has worked: what it did, what is left of it, and what to do about it. */
export function ToolsView({ page: { tools, lostHours } }: { page: ToolsPage }) {
  const groups = (['buy', 'renew', 'sharpen', 'watch', undefined] as const).map(
    (todo) => [todo, tools.filter((t) => t.todo === todo)] as const,
  );
  const most = Math.max(1, ...tools.map((t) => t.holes + t.left.high));
  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-4 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">Tools</h1>
        <button type="button" className="btn print:hidden" onClick={() => window.print()}>
          Print
        </button>
        <LogTabs here="/log/tools" />
      </div>
      {tools.length === 0 && (
        <p role="status" className="text-lg">
          No tool has worked yet. Holes count by themselves as they are made at the bench.
        </p>
      )}
      {tools.length > 0 && (
        <p>
          Black: holes done since new or sharpened. Brass: where nine of ten end; the line, as likely before as after.
        </p>
      )}
      {lostHours > 0.05 && <p className="text-lg">Broken taps have cost {lostHours.toFixed(1)} h so far.</p>}
      {groups.map(
        ([todo, list]) =>
          list.length > 0 && (
            <section key={todo ?? 'fine'} aria-label={todo ? TODO[todo] : 'Sound'}>
              <h2 className="font-cond text-2xl font-semibold">{todo ? TODO[todo] : 'Sound'}</h2>
              <ul className="plate divide-y divide-steel-200">
                {list.map((t) => (
                  <Tool key={t.tool} life={t} most={most} />
                ))}
              </ul>
            </section>
          ),
      )}
    </main>
  );
}

function Tool({ life, most }: { life: ToolLifeRow; most: number }) {
  const at = useShopTime();
  const { tool, name, where, holes, metals, left, why, last, failsInNext } = life;
  return (
    <li className="grid items-center gap-x-4 px-3 py-1 sm:grid-cols-[minmax(0,1fr)_300px_240px]">
      <span className="min-w-0">
        <Link
          className="link block min-h-9 content-center font-cond text-lg"
          prefetch={false}
          href={`/log/tool?${new URLSearchParams({ tool }).toString()}`}
        >
          {name}
        </Link>
        <span className="block text-[14px] text-steel-700">
          {[where, ...metals.slice(0, 2).map((m) => `${m.holes} in ${m.name}`)].filter(Boolean).join(', ')}
        </span>
      </span>
      <LifeBar life={life} most={most} />
      <span className="text-[15px]">
        {why ? <b>{why}</b> : `${holes} holes, about ${Math.round(left.median)} left`}
        <span className="block text-[14px] text-steel-700">
          {`next hole ${failsInNext < 0.001 ? 'under 0.1' : (100 * failsInNext).toFixed(1)} % likely its last`}
          {last && `, used ${at(last, 'day')}`}
        </span>
      </span>
    </li>
  );
}

/** Holes done, and where its end is to be expected: from the worst in twenty to the best. */
function LifeBar({ life: { holes, left }, most }: { life: ToolLifeRow; most: number }) {
  // Far ends are pressed together: what counts is near.
  const x = (n: number): number => 296 * Math.sqrt(Math.min(1, n / most));
  return (
    <svg
      viewBox="0 0 300 30"
      className="h-8 w-full max-w-[300px]"
      role="img"
      aria-label={`${holes} holes done; its end between ${Math.round(left.low)} and ${Math.round(left.high)} holes from now`}
    >
      <rect x="1" y="8" width={Math.max(2, x(holes))} height="14" fill="var(--color-ink)" />
      <rect
        x={1 + x(holes + left.low)}
        y="12"
        width={Math.max(2, x(holes + left.high) - x(holes + left.low))}
        height="6"
        fill="#d3a23a"
        opacity="0.6"
      />
      <path d={`M${1 + x(holes + left.median)} 6V24`} stroke="#7a5408" strokeWidth="3" />
    </svg>
  );
}
