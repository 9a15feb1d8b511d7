'use client';

import Link from 'next/link';
import { useCallback, useMemo, useState } from 'react';
import type { ReadingsPage } from '@/contracts/learned';
import { mmToInch } from '@/core/units/length';
import { later } from '@/ui/later';
import { useShopTime } from '@/ui/shop-clock';
import { useUnits } from '@/ui/units';
import { AsideSwitch, useAside } from './aside-switch';
import { figureText } from './figure-text';
import { LogTabs } from './log-tabs';

const RunChart = later(() => import('./run-chart'));

const REASONS = ['misread', 'chips in the hole', 'another tool', 'another metal'];
/** Readings listed at first, the latest. */
const LISTED = 40;

/** One learned figure: its readings in order, what they say of the process, and each with its way out. */
export function ReadingsView({ page }: { page: ReadingsPage }) {
  const { display } = useUnits();
  const at = useShopTime();
  const { figure, level, words, unit, typical, mean, low, high, n, aside, band, limits, signals, readings } = page;
  const text = useCallback((value: number) => figureText(unit, value, display), [unit, display]);
  const chart = useMemo(() => {
    const shown = (value: number): number => (unit === 'mm' && display === 'inch' ? mmToInch(value) : value);
    const span = <T extends { from: number; to: number }>(s: T): T => ({ ...s, from: shown(s.from), to: shown(s.to) });
    return {
      values: readings.map((r) => shown(r.value)),
      labels: readings.map((r) => `${r.hole} of ${r.job}, part ${r.part}, ${at(r.happenedAt, 'day')}`),
      told: new Set(signals.map((s) => s.at)),
      out: new Set(readings.flatMap((r, i) => (r.aside === undefined ? [] : [i]))),
      band: band && span(band),
      limits: limits && span(limits),
      lines: [
        { at: shown(typical), label: 'typical' },
        { at: shown(mean), label: 'expected now' },
      ],
      marks: readings.flatMap((r, i) => (r.changed ? [{ at: i, label: r.changed.replace('the ', '') }] : [])),
      axis: unit === 'mm' ? (display === 'inch' ? 'in' : 'mm') : unit === 'ratio' ? 'times the usual' : unit,
      text: (value: number) => text(unit === 'mm' && display === 'inch' ? value * 25.4 : value),
    };
  }, [readings, signals, band, limits, typical, mean, unit, display, at, text]);
  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-4 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">{words}</h1>
        <LogTabs here="/log/learned" />
      </div>
      {readings.length === 0 ? (
        <p role="status" className="text-lg">
          No readings of this.
        </p>
      ) : (
        <>
          <div className="flex flex-wrap items-baseline gap-x-6 text-lg">
            <p>
              Typical {text(typical)}; expected now <b>{text(aside === undefined ? mean : typical)}</b>
              {aside === undefined ? `, from ${n} ${n === 1 ? 'reading' : 'readings'}` : ': set aside'}.
            </p>
            <p>
              Nine of ten lie from {text(low)} to {text(high)}.
            </p>
            <span className="ml-auto">
              <AsideSwitch id={`level ${figure} ${level}`} label={`Use in plans: ${words}`} aside={aside} />
            </span>
          </div>
          {signals.length > 0 && (
            <ul aria-label="Signals" className="flex flex-col gap-1">
              {signals.slice(-3).map((s) => (
                <li key={`${s.says} ${s.from}`}>
                  <b>
                    ! {s.from === s.to ? `Reading ${s.to + 1}` : `Readings ${s.from + 1} to ${s.to + 1}`}: {s.says}.
                  </b>{' '}
                  {s.means}
                </li>
              ))}
            </ul>
          )}
          <ByWhom readings={readings} text={text} />
          <RunChart
            {...chart}
            label={`${words}: ${n} readings in order, from ${text(low)} to ${text(high)} in nine of ten`}
          />
          <ReadingList page={page} text={text} />
        </>
      )}
    </main>
  );
}

/** The middle of what each person read, where several did. */
function ByWhom({ readings, text }: { readings: ReadingsPage['readings']; text: (value: number) => string }) {
  const people = [...new Set(readings.flatMap((r) => r.who ?? []))].sort();
  if (people.length < 2) return null;
  return (
    <p>
      By whom:{' '}
      {people
        .map((who) => {
          const own = readings.filter((r) => r.who === who && r.aside === undefined);
          const mean = own.reduce((sum, r) => sum + r.value, 0) / Math.max(1, own.length);
          return `${who} ${text(mean)} (${own.length})`;
        })
        .join(', ')}
      .
    </p>
  );
}

function ReadingList({ page: { readings }, text }: { page: ReadingsPage; text: (value: number) => string }) {
  const at = useShopTime();
  const { change, busy, fault } = useAside();
  const [all, setAll] = useState(false);
  const latest = [...readings].reverse();
  return (
    <section aria-label="Readings">
      {fault && (
        <p role="alert" className="text-danger">
          {fault}
        </p>
      )}
      <ol className="plate divide-y divide-steel-200">
        {(all ? latest : latest.slice(0, LISTED)).map((r) => (
          <li key={r.recordId} className="flex flex-wrap items-center gap-x-3 px-3 py-1">
            <Link
              className="link min-h-11 content-center font-cond text-lg"
              prefetch={false}
              href={
                r.holeNumber === 0
                  ? `/jobs/${r.jobId}/log`
                  : `/jobs/${r.jobId}/holes/${r.featureId}/${r.holeNumber}?part=${r.part}`
              }
            >
              {r.hole}
            </Link>
            <span className="min-w-0 flex-1">
              {r.job}, part {r.part}
              <span className="text-[14px] text-steel-700">
                {r.who && `, ${r.who}`}, {at(r.happenedAt, 'day')}
              </span>
            </span>
            <b
              className={`w-24 text-right font-cond text-lg ${r.aside === undefined ? '' : 'font-normal line-through'}`}
            >
              {text(r.value)}
            </b>
            {r.weight < 0.995 && (
              <span className="text-[14px] text-steel-700">far out: counts {r.weight.toFixed(2)}</span>
            )}
            {r.aside === undefined ? (
              <details className="relative">
                <summary className="link min-h-11 w-20 content-center text-right leading-tight sm:w-28">
                  Leave out
                </summary>
                <span className="absolute right-0 z-10 flex w-52 flex-col gap-1 rounded-sm border border-steel-500 bg-white p-2 shadow-lg">
                  {REASONS.map((reason) => (
                    <button
                      key={reason}
                      type="button"
                      className="btn"
                      disabled={busy}
                      onClick={() => void change({ id: `record ${r.recordId}`, aside: true, reason })}
                    >
                      {reason}
                    </button>
                  ))}
                </span>
              </details>
            ) : (
              <button
                type="button"
                className="link min-h-11 w-20 text-right sm:w-28"
                disabled={busy}
                title={r.aside}
                onClick={() => void change({ id: `record ${r.recordId}`, aside: false })}
              >
                Take in
              </button>
            )}
          </li>
        ))}
      </ol>
      {!all && latest.length > LISTED && (
        <button type="button" className="btn mt-2" onClick={() => setAll(true)}>
          All {latest.length}
        </button>
      )}
    </section>
  );
}
