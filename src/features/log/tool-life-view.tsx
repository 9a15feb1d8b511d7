'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import type { ToolPage } from '@/contracts/learned';
import { ownSpread, SIGNAL_WORDS, signalsOf } from '@/core/learning/signals';
import { mmToInch } from '@/core/units/length';
import { SelectField } from '@/ui/field';
import { later } from '@/ui/later';
import { useShopTime } from '@/ui/shop-clock';
import { useUnits } from '@/ui/units';
import { LogTabs } from './log-tabs';

const RunChart = later(() => import('./run-chart'));

const MEASURES = {
  torque: { name: 'torque over the model', axis: 'times the model' },
  feel: { name: 'felt', axis: '1 easy, 2 firm, 3 tight, 4 creaked' },
  notGo: { name: 'not-go turns', axis: 'turns' },
  over: { name: 'over the usual hole', axis: 'mm' },
  seconds: { name: 'seconds', axis: 's' },
} as const;
type Measure = keyof typeof MEASURES;
const LEAST = 8;
/** Readings by which the later ones are judged. */
const FIRST = 25;

/** One tap’s or drill’s life, hole by hole: what was measured, where it was sharpened or broke, and what is left. */
export function ToolLifeView({ page: { life, holes } }: { page: ToolPage }) {
  const router = useRouter();
  const { display } = useUnits();
  const at = useShopTime();
  const there = (Object.keys(MEASURES) as Measure[]).filter((m) => holes.some((h) => h[m] !== undefined));
  const [measure, setMeasure] = useState<Measure>(there[0] ?? 'seconds');
  const inInch = measure === 'over' && display === 'inch';
  const run = useMemo(() => {
    const read = holes.filter((h) => h[measure] !== undefined || h.changed !== undefined);
    const seen = read.filter((h) => h[measure] !== undefined);
    const values = seen.map((h) => (inInch ? mmToInch(h[measure] ?? 0) : (h[measure] ?? 0)));
    // What the tool did at first is what it is held against.
    const { centre, sigma } = ownSpread(values.slice(0, FIRST));
    const tells = values.length >= LEAST && sigma > 0 && measure !== 'feel';
    const signals = tells ? signalsOf(values, centre, sigma) : [];
    return {
      seen,
      values,
      labels: seen.map((h) => `${h.hole} of ${h.job}, part ${h.part}, ${at(h.happenedAt, 'day')}`),
      told: new Set(signals.map((g) => g.at)),
      signals,
      limits: tells ? { from: centre - 3 * sigma, to: centre + 3 * sigma } : undefined,
      marks: read.flatMap((h) =>
        h.changed ? [{ at: seen.filter((s) => s.happenedAt < h.happenedAt).length, label: h.changed }] : [],
      ),
    };
  }, [holes, measure, inInch, at]);
  const axis = inInch ? 'in' : MEASURES[measure].axis;
  const text = useCallback((v: number) => `${v.toFixed(measure === 'over' ? 3 : 2)} ${axis}`, [measure, axis]);
  const { seen, signals, ...chart } = run;
  const onPick = useCallback(
    (i: number) => {
      const { jobId, featureId, holeNumber, part } = seen[i];
      router.push(`/jobs/${jobId}/holes/${featureId}/${holeNumber}?part=${part}`);
    },
    [router, seen],
  );
  const { name, where, holes: done, metals, hours, broken, sharpened, left, why } = life;
  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-4 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">
          {name}
          <span className="block text-lg font-medium text-steel-700">{where}</span>
        </h1>
        <LogTabs here="/log/tools" />
      </div>
      <dl className="grid gap-x-6 gap-y-1 text-lg sm:grid-cols-[auto_1fr_auto_1fr]">
        <dt className="label self-center">Holes since new or sharpened</dt>
        <dd>{[`${done}`, ...metals.map((m) => `${m.holes} in ${m.name}`)].join(', ')}</dd>
        <dt className="label self-center">Left, in holes like these</dt>
        <dd>
          about {Math.round(left.median)}; nine of ten end within {Math.round(left.low)} to {Math.round(left.high)}
        </dd>
        <dt className="label self-center">At work</dt>
        <dd>{hours.toFixed(1)} h</dd>
        <dt className="label self-center">Before</dt>
        <dd>
          {[sharpened > 0 && `sharpened ${sharpened} ×`, broken > 0 && `broken ${broken} ×`]
            .filter(Boolean)
            .join(', ') || 'nothing'}
        </dd>
      </dl>
      {why && <p className="text-lg font-bold">! {why.charAt(0).toUpperCase() + why.slice(1)}.</p>}
      {there.length === 0 ? (
        <p role="status">Nothing was measured in its holes yet.</p>
      ) : (
        <>
          <SelectField
            label="Measure"
            value={measure}
            onChange={(m) => setMeasure(m as Measure)}
            className="sm:max-w-80"
          >
            {there.map((m) => (
              <option key={m} value={m}>
                {MEASURES[m].name}
              </option>
            ))}
          </SelectField>
          <RunChart
            {...chart}
            axis={axis}
            text={text}
            onPick={onPick}
            label={`${MEASURES[measure].name} over ${chart.values.length} holes in order`}
          />
          {signals.length > 0 && (
            <ul aria-label="Signals">
              {signals.slice(0, 3).map((g) => (
                <li key={`${g.kind} ${g.at}`}>
                  <b>! From hole {g.from + 1}:</b> {SIGNAL_WORDS[g.kind][g.way > 0 ? 0 : 1]}.
                </li>
              ))}
            </ul>
          )}
          <p className="text-sm text-steel-700">Touch a point to open its hole.</p>
        </>
      )}
    </main>
  );
}
