'use client';

import { useMemo, useState } from 'react';
import { holeKey, isOfHole, type BenchKind, type BodyOf, type HoleAt } from '@/core/run/bench-record';
import { sectionOf } from '@/core/hole/section';
import { checksOf } from '@/core/gauging/checks-of';
import { gaugingOf } from '@/core/run/kept-verdict';
import type { WorkItem } from '@/core/route/work-item';
import { holeName } from '@/core/route/work-item';
import { CoreSample } from '@/ui/drawings/core-sample';
import { later } from '@/ui/later';
import { useUnits } from '@/ui/units';
import { RecordFaults } from '../job-store/record-faults';
import { SHELL_SAID, useOfflineShell, type Shell } from '../run/offline-shell';
import { useRun, type Running } from '../run/use-run';
import { DeviationPlot, type Deviation } from './deviation-plot';
import { PhotoKept } from './photo-kept';
import { HoleCheck } from '../run/hole-check';

const PhotoPanel = later(() => import('./photo-panel'));

/** What was made against what was asked for: gauged hole by hole, judged, and decided. */
export function CheckView({ jobId }: { jobId: string }) {
  const running = useRun(jobId);
  const kept = useOfflineShell(jobId, running.bench.kept);
  const { issue, none, fault, at } = running;
  return (
    <main id="main" className="mx-auto flex max-w-[1600px] flex-col gap-2 p-2 sm:px-4">
      {issue && at ? (
        <Holes jobId={jobId} running={running} shell={kept} />
      ) : (
        <section className="p-4">
          <h1 className="font-cond text-3xl font-semibold">Check</h1>
          {none ? (
            <p>
              Nothing to gauge yet:{' '}
              <a className="link" href={`/jobs/${jobId}/route`}>
                issue the route
              </a>{' '}
              first.
            </p>
          ) : (
            <p role={fault ? 'alert' : 'status'}>{fault ?? 'Opening…'}</p>
          )}
        </section>
      )}
    </main>
  );
}

/** Every hole of one part that is gauged, by name: that is how one looks for it. */
const holesOf = (issue: Running['issue']): WorkItem[] =>
  issue?.route.setUps
    .flatMap((s) => s.visits.flatMap((v) => v.items))
    .filter((i) => i.code === 'check')
    // One that goes through first is gauged there in its first part, and again with the others in the rest.
    .filter((i, n, all) => all.findIndex((other) => holeName(other) === holeName(i)) === n)
    .sort((a, b) => holeName(a).localeCompare(holeName(b), undefined, { numeric: true })) ?? [];

/** So many that wait are listed at once. */
const MOST_LISTED = 12;
const SIGNS = { good: '✓', bad: '✕', wait: '!', open: '' } as const;

function Holes({ jobId, running, shell }: { jobId: string; running: Running; shell: Shell }) {
  const { issue, job, at: here, bench, shop } = running;
  const { display } = useUnits();
  const holes = useMemo(() => holesOf(issue), [issue]);
  const waiting = here?.run.waiting ?? [];
  const [part, setPart] = useState<number>();
  const [chosen, setChosen] = useState<string>();
  const [photographing, setPhotographing] = useState(false);
  const { records } = bench;
  if (!issue || !job || !here) return null;
  const { latest } = here;
  const every = job.route?.checkEvery ?? 1;
  const atOf = (item: WorkItem, of: number): HoleAt => ({ featureId: item.featureId, holeNumber: item.hole, part: of });
  const first = waiting[0];
  const keyOf = ({ featureId, hole }: WorkItem): string => `${featureId}/${hole}`;
  const item =
    holes.find((h) => keyOf(h) === chosen) ??
    holes.find((h) => first && h.featureId === first.at.featureId && h.hole === first.at.holeNumber) ??
    holes.find((h) => gaugingOf(here, atOf(h, part ?? 1)) === 'open') ??
    holes[0];
  const ofPart = part ?? first?.at.part ?? 1;
  if (!item) return <p className="p-4">The route has no hole to gauge.</p>;
  const at = atOf(item, ofPart);
  const planned = here.planAt(at);
  const plan = planned?.ok ? planned.value : undefined;
  const about = { routeId: issue.id, featureId: at.featureId, holeNumber: at.holeNumber };
  const record = <K extends BenchKind>(kind: K, body: BodyOf<K>, corrects?: string): string => {
    // Its other checks follow: it stays in view.
    setChosen(keyOf(item));
    return bench.record(kind, body, { ...about, corrects });
  };
  const deviations = holes.flatMap((h): Deviation[] => {
    const own = atOf(h, ofPart);
    const kept = latest.get(holeKey(own))?.get('position');
    const made = kept && here.planAt(own);
    if (!kept || !made?.ok) return [];
    const { drawn, zoneMm } = here.settingFor(own, made.value);
    return drawn && zoneMm
      ? [
          {
            name: holeName(h),
            off: { x: kept.body.values.x - drawn.x, y: kept.body.values.y - drawn.y },
            zoneMm,
            good: kept.body.verdict === 'good',
          },
        ]
      : [];
  });
  const setting = plan && here.settingFor(at, plan);
  const decided = plan && here.decidedThread(at, plan);
  const photo = records.findLast((r) => r.kind === 'photo' && isOfHole(r, at));
  const sheet = `/jobs/${jobId}/inspection.pdf?paper=${display === 'inch' ? 'letter' : 'a4'}`;
  const gauged = holes.filter((h) => gaugingOf(here, atOf(h, ofPart)) !== 'open').length;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="font-cond text-3xl font-semibold">Check: {job.name}</h1>
        <span className="text-[15px]">
          Route {issue.number}, part {ofPart}: {gauged} of {holes.length} holes gauged
        </span>
        <span role="status" className="text-[15px]">
          {bench.toSend > 0 ? `${bench.toSend} to send` : ''}
        </span>
        <span className="ml-auto flex flex-wrap gap-2">
          <a className="btn" href={`/jobs/${jobId}/bench`}>
            Bench
          </a>
          <a className="btn" href="/instruments">
            Instruments
          </a>
          <a className="btn" href={sheet}>
            Inspection sheet
          </a>
          {issue.quantity > 1 && (
            <a className="btn" href={`${sheet}&from=${ofPart}&to=${ofPart}`}>
              Of part {ofPart}
            </a>
          )}
          <a className="btn" href={`/jobs/${jobId}/inspection.csv`}>
            CSV
          </a>
        </span>
      </div>
      {shell === 'cannot' && <p className="text-[15px] text-steel-700">{SHELL_SAID.cannot}</p>}
      <RecordFaults {...bench} />
      {waiting.length > 0 && (
        <div role="alert" className="plate border-l-8 border-l-danger p-2">
          <ul>
            {waiting.slice(0, MOST_LISTED).map((w) => {
              const h = holes.find((i) => i.featureId === w.at.featureId && i.hole === w.at.holeNumber);
              return (
                <li key={w.because.id}>
                  <button
                    type="button"
                    className="link min-h-11 font-bold text-danger"
                    onClick={() => {
                      setChosen(`${w.at.featureId}/${w.at.holeNumber}`);
                      setPart(w.at.part);
                    }}
                  >
                    ! {h ? holeName(h) : ''}, part {w.at.part}:{' '}
                    {w.because.kind === 'tap-broken' ? 'a tap broke in it' : `${w.because.body.check} is not good`}.
                    Decide.
                  </button>
                </li>
              );
            })}
            {waiting.length > MOST_LISTED && <li>And {waiting.length - MOST_LISTED} more after these.</li>}
          </ul>
        </div>
      )}
      <div className="grid items-start gap-3 lg:grid-cols-[230px_minmax(0,1fr)_340px]">
        <nav aria-label="Holes" className="plate flex flex-col gap-2 p-2">
          {issue.quantity > 1 && (
            <label className="flex items-center gap-2 font-cond text-lg">
              Part
              <select className="field h-11" value={ofPart} onChange={(e) => setPart(Number(e.target.value))}>
                {Array.from({ length: issue.quantity }, (_, i) => i + 1).map((n) => (
                  <option key={n} value={n}>
                    {n}
                    {here.duePartsOf(item.featureId, item.hole).includes(n) ? '' : ', not due'}
                  </option>
                ))}
              </select>
            </label>
          )}
          {every > 1 && (
            <p className="text-[14px] text-steel-700">
              The first part, one in {every}, and the last; all after a fault.
            </p>
          )}
          <ul className="grid grid-cols-3 gap-1.5">
            {holes.map((h) => {
              const state = gaugingOf(here, atOf(h, ofPart));
              const current = h === item;
              return (
                <li key={h.id}>
                  <button
                    type="button"
                    aria-current={current ? 'true' : undefined}
                    onClick={() => setChosen(keyOf(h))}
                    className={`h-12 w-full rounded-sm border font-cond text-lg font-semibold ${
                      current ? 'border-ink bg-ink text-white' : 'border-steel-300 bg-white'
                    } ${!current && (state === 'bad' || state === 'wait') ? 'text-danger' : ''} ${!current && state === 'good' ? 'text-pass' : ''}`}
                  >
                    {holeName(h)} <span aria-label={state}>{SIGNS[state]}</span>
                  </button>
                </li>
              );
            })}
          </ul>
        </nav>
        <section aria-label={`Hole ${holeName(item)}`} className="min-w-0">
          <h2 className="font-cond text-2xl font-semibold">
            {holeName(item)}: {job.holes.find((f) => f.id === item.featureId)?.question.callout}
            {decided && `, decided: ${decided}`}
          </h2>
          {plan && setting ? (
            <HoleCheck
              jobId={jobId}
              plan={plan}
              setting={setting}
              at={at}
              here={here}
              record={record}
              display={display}
              changeOf={(choice) => here.changeOf(choice, at, plan)}
              firstHere={(gauged) => here.firstHere(at, plan, gauged)}
              tools={shop?.tools}
            />
          ) : (
            <p>This hole can’t be made as drawn.</p>
          )}
        </section>
        <aside className="flex min-w-0 flex-col gap-3">
          {plan && (
            <section aria-label="Section" className="dye h-72 p-2">
              <CoreSample section={sectionOf(plan)} display={display} />
            </section>
          )}
          <section aria-label="Positions" className="dye p-2">
            <h2 className="font-cond text-lg font-semibold">Positions of part {ofPart}</h2>
            <DeviationPlot deviations={deviations} display={display} />
          </section>
          {photo && <PhotoKept key={photo.id} jobId={jobId} recordId={photo.id} />}
          {setting?.drawn &&
            (photographing ? (
              <PhotoPanel
                display={display}
                onKeep={(image, off) => {
                  const { drawn } = setting;
                  record('photo', { part: at.part, image, dxMm: off.x, dyMm: off.y });
                  const check = plan && checksOf(plan, setting).find((c) => c.kind === 'position');
                  if (drawn && check) {
                    const values = { x: drawn.x + off.x, y: drawn.y + off.y };
                    const verdict = check.judge(values).state;
                    record('checked', { part: at.part, check: 'position', values, verdict, instrument: 'photograph' });
                  }
                  setPhotographing(false);
                }}
              />
            ) : (
              <button type="button" className="btn" onClick={() => setPhotographing(true)}>
                Position from a photograph
              </button>
            ))}
        </aside>
      </div>
    </>
  );
}
