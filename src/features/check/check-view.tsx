'use client';

import { useMemo, useState } from 'react';
import { isOfHole, type BenchKind, type BodyOf, type HoleAt } from '@/core/run/bench-record';
import { gaugingOf } from '@/core/run/kept-verdict';
import type { WorkItem } from '@/core/route/work-item';
import { holeName } from '@/core/route/work-item';
import { useUnits } from '@/ui/units';
import { RecordFaults } from '../job-store/record-faults';
import { SHELL_SAID, useOfflineShell, type Shell } from '../run/offline-shell';
import { useRun, type Running } from '../run/use-run';
import { Beside } from './beside';
import { deviationsOf } from './deviations-of';
import { Heading } from './heading';
import { HoleNav } from './hole-nav';
import { WaitingList } from './waiting-list';
import { HoleCheck } from '../run/hole-check';

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

function Holes({ jobId, running, shell }: { jobId: string; running: Running; shell: Shell }) {
  const { issue, job, at: here, bench, shop } = running;
  const { display } = useUnits();
  const holes = useMemo(() => holesOf(issue), [issue]);
  const waiting = here?.run.waiting ?? [];
  const [part, setPart] = useState<number>();
  const [chosen, setChosen] = useState<string>();
  const { records } = bench;
  if (!issue || !job || !here) return null;
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
  const deviations = deviationsOf(
    here,
    holes.map((h) => ({ name: holeName(h), at: atOf(h, ofPart) })),
  );
  const nameOf = (of: HoleAt): string => {
    const h = holes.find((each) => each.featureId === of.featureId && each.hole === of.holeNumber);
    return h ? holeName(h) : '';
  };
  const setting = plan && here.settingFor(at, plan);
  const decided = plan && here.decidedThread(at, plan);
  const gauged = holes.filter((h) => gaugingOf(here, atOf(h, ofPart)) !== 'open').length;
  return (
    <>
      <Heading running={running} part={ofPart} gauged={gauged} of={holes.length} />
      {shell === 'cannot' && <p className="text-[15px] text-steel-700">{SHELL_SAID.cannot}</p>}
      <RecordFaults {...bench} />
      <WaitingList
        waiting={waiting}
        nameOf={nameOf}
        onOpen={(to) => {
          setChosen(`${to.featureId}/${to.holeNumber}`);
          setPart(to.part);
        }}
      />
      <div className="grid items-start gap-3 lg:grid-cols-[230px_minmax(0,1fr)_340px]">
        <HoleNav
          holes={holes}
          item={item}
          part={ofPart}
          quantity={issue.quantity}
          every={every}
          duePartsOf={here.duePartsOf}
          stateOf={(h) => gaugingOf(here, atOf(h, ofPart))}
          onPart={setPart}
          onHole={(h) => setChosen(keyOf(h))}
        />
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
        <Beside
          jobId={jobId}
          part={ofPart}
          plan={plan}
          setting={setting}
          deviations={deviations}
          photo={records.findLast((r) => r.kind === 'photo' && isOfHole(r, at))?.id}
          display={display}
          record={record}
        />
      </div>
    </>
  );
}
