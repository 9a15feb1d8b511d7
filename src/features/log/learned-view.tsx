'use client';

import Link from 'next/link';
import type { LearnedPage, LearnedRow } from '@/contracts/learned';
import { useShopTime } from '@/ui/shop-clock';
import { useUnits } from '@/ui/units';
import { AsideSwitch } from './aside-switch';
import { figureText } from './figure-text';
import { LogTabs } from './log-tabs';

/** Levels of a figure that stand open; what differs least is folded. */
const SHOWN = 6;

/** What the shop has learned of its own work: each figure with what is typical, what was read here, and whether plans use it. */
export function LearnedView({ page: { figures, changes } }: { page: LearnedPage }) {
  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-4 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">Learned</h1>
        <LogTabs here="/log/learned" />
      </div>
      {figures.length === 0 && (
        <p role="status" className="text-lg">
          Nothing measured yet: plans go by typical figures. Pin a drilled hole at the bench, and this page begins.
        </p>
      )}
      {changes.length > 0 && (
        <section aria-label="What it changes">
          <h2 className="font-cond text-2xl font-semibold">What it changes in open jobs</h2>
          <ul className="plate mt-1 divide-y divide-steel-200">
            {changes.map((c) => (
              <li key={`${c.jobId} ${c.letter}`} className="flex flex-wrap items-baseline gap-x-4 px-3 py-1.5">
                <Link className="link min-h-9 content-center" href={`/jobs/${c.jobId}/holes`} prefetch={false}>
                  {c.job}, {c.letter}
                </Link>
                <span>{c.callout}</span>
                <span className="ml-auto font-cond text-lg">
                  drill <s className="text-steel-700">{c.was}</s> <b>{c.is}</b>
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {figures.map(({ figure, title, says, unit, aside, levels }) => {
        const row = (l: LearnedRow) => (
          <Level key={l.level} figure={figure} unit={unit} row={l} all={levels} off={aside !== undefined} />
        );
        return (
          <section key={figure} aria-label={title}>
            <div className="flex flex-wrap items-baseline gap-x-4">
              <h2 className="font-cond text-2xl font-semibold">{title}</h2>
              <p className="mr-auto text-steel-700">{says}</p>
              <AsideSwitch id={`figure ${figure}`} label={`Use in plans: ${title}`} aside={aside} />
            </div>
            <ul className="plate divide-y divide-steel-200">{levels.slice(0, SHOWN).map(row)}</ul>
            {levels.length > SHOWN && (
              <details>
                <summary className="link min-h-11 content-center">
                  {levels.length - SHOWN} more, nearer to the usual
                </summary>
                <ul className="plate divide-y divide-steel-200">{levels.slice(SHOWN).map(row)}</ul>
              </details>
            )}
          </section>
        );
      })}
    </main>
  );
}

interface LevelProps {
  figure: string;
  unit: string;
  row: LearnedRow;
  all: readonly LearnedRow[];
  /** The whole figure is set aside. */
  off: boolean;
}

function Level({ figure, unit, row, all, off }: LevelProps) {
  const { display } = useUnits();
  const at = useShopTime();
  const { level, words, n, typical, mean, since, aside } = row;
  const unused = off || aside !== undefined;
  return (
    <li
      className={`grid items-center gap-x-4 px-3 py-1 sm:grid-cols-[minmax(0,1fr)_160px_170px_auto] lg:grid-cols-[minmax(0,1fr)_280px_190px_auto] ${unused ? 'text-steel-700' : ''}`}
    >
      <Link
        className="link min-h-11 content-center"
        prefetch={false}
        href={`/log/readings?${new URLSearchParams({ figure, level }).toString()}`}
      >
        {words}
      </Link>
      <RangeBar row={row} all={all} faint={unused} />
      <span className="font-cond text-lg whitespace-nowrap">
        {figureText(unit, typical, display)} → <b>{figureText(unit, unused ? typical : mean, display)}</b>
        <span className="block text-[14px] text-steel-700">
          {n === 1 ? '1 reading' : `${n} readings`} since {at(since, 'day')}
        </span>
      </span>
      {off ? <span /> : <AsideSwitch id={`level ${figure} ${level}`} label={`Use in plans: ${words}`} aside={aside} />}
    </li>
  );
}

/** Where nine of ten of the next ones lie, and the typical figure as a line through all rows. */
function RangeBar({ row, all, faint }: { row: LearnedRow; all: readonly LearnedRow[]; faint: boolean }) {
  const from = Math.min(...all.map((r) => Math.min(r.low, r.typical)));
  const to = Math.max(...all.map((r) => Math.max(r.high, r.typical)));
  const x = (value: number): number => 4 + (272 * (value - from)) / Math.max(1e-12, to - from);
  return (
    <svg viewBox="0 0 280 28" className={`h-7 w-full max-w-[280px] ${faint ? 'opacity-40' : ''}`} aria-hidden>
      <path d={`M${x(row.typical)} 1V27`} stroke="var(--color-steel-500)" strokeWidth="1.5" strokeDasharray="3 3" />
      <path
        d={`M${x(row.low)} 14H${x(row.high)}`}
        stroke="var(--color-dye-500, #2b54b8)"
        strokeWidth="5"
        strokeLinecap="round"
        opacity="0.35"
      />
      <path d={`M${x(row.mean)} 6V22`} stroke="var(--color-ink)" strokeWidth="4" strokeLinecap="round" />
    </svg>
  );
}
