'use client';

import Link from 'next/link';
import { useState } from 'react';
import { ruleOf, WHY_PAGES, whyPage, type WhyPage } from '@/core/practice/why-pages';
import type { Display } from '@/core/units/show';
import { TextField } from '@/ui/field';
import { later } from '@/ui/later';
import { LiveCurve } from '@/ui/live/live-curve';
import { useUnits } from '@/ui/units';
import { PracticeTabs } from './practice-tabs';

const Live = later(() => import('@/ui/live/live'));
const LivePilot = later(() => import('@/ui/live/live-pilot'));

/** One rule of the trade a page, each with its drawing. */
export function WhyView({ rule }: { rule?: string }) {
  const { display } = useUnits();
  const [find, setFind] = useState('');
  const page = rule === undefined ? undefined : whyPage(rule);
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  const found = WHY_PAGES.filter((p) =>
    words.every((w) => `${p.title} ${ruleOf(p)} ${p.text}`.toLowerCase().includes(w)),
  );
  return (
    <main id="main" className="mx-auto flex max-w-[1000px] flex-col gap-4 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">{page ? page.title : 'Why'}</h1>
        <PracticeTabs here="/practice/why" />
      </div>
      {page ? (
        <Page page={page} display={display} />
      ) : (
        <>
          {rule !== undefined && <p role="status">There is no page of that rule. Pick one of these.</p>}
          <TextField
            label="Find"
            value={find}
            onChange={setFind}
            placeholder="percent, stop, chips"
            className="w-full sm:w-80"
          />
          {found.length === 0 && <p role="status">No rule has these words. Try fewer.</p>}
          <ul className="plate divide-y divide-steel-200">
            {found.map((p) => (
              <li key={p.id} className="px-3 py-1">
                <Link
                  className="link min-h-11 content-center font-cond text-xl"
                  href={`/practice/why?rule=${p.id}`}
                  prefetch={false}
                >
                  {p.title}
                </Link>
                <p className="text-[15px]">{ruleOf(p)}</p>
              </li>
            ))}
          </ul>
        </>
      )}
    </main>
  );
}

function Page({ page, display }: { page: WhyPage; display: Display }) {
  const at = WHY_PAGES.indexOf(page);
  const next = WHY_PAGES[(at + 1) % WHY_PAGES.length];
  return (
    <>
      <p className="text-xl">{ruleOf(page)}</p>
      <div className="max-w-[640px]">
        {page.drawn?.kind === 'pilot' ? (
          <LivePilot display={display} />
        ) : page.drawn ? (
          <Live drawn={page.drawn} display={display} />
        ) : (
          page.curve && <LiveCurve key={page.id} curve={page.curve} display={display} />
        )}
      </div>
      <p className="text-lg">{page.text}</p>
      <p className="flex flex-wrap gap-x-6">
        <Link className="link min-h-11 content-center" href="/practice/why" prefetch={false}>
          All rules
        </Link>
        <Link className="link min-h-11 content-center" href={`/practice/why?rule=${next.id}`} prefetch={false}>
          Next: {next.title}
        </Link>
      </p>
    </>
  );
}
