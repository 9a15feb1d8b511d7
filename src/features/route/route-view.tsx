'use client';

import { useCallback, useState } from 'react';
import type { Job } from '@/contracts/job';
import type { RouteIssue } from '@/contracts/route-issue';
import type { ShopWithCrib } from '@/core/shop/shop';
import type { MachineChoice } from '@/core/route/machine-choices';
import { faceShape, type FaceId } from '@/core/layout/part';
import { tell, type Display } from '@/core/units/show';
import { JobBar } from '../job-store/job-bar';
import { useJobUnits } from '../job-store/use-job-units';
import { BatchPanel } from './batch-panel';
import { CutsPanel } from './cuts-panel';
import { CuttingPanel } from './cutting-panel';
import { IssueKey, IssuePanel } from './issue-panel';
import { OrderPanel } from './order-panel';
import RehearsalPanel from './rehearsal/rehearsal-panel';
import { RouteWork } from './route-work';
import { SetUpList } from './set-up-list';
import { useIssues } from './use-issues';
import { useRoute } from './use-route';
import { USUAL_HOURS, useDaysLeft } from './working-days';
import { VisitWay } from './visit-way';

interface Props {
  job: Job;
  shop: ShopWithCrib;
  issues: RouteIssue[];
}

/** All holes of a job as one ordered, timed run: set-ups, visits to tools, the batch, the cutting list, issues. */
export function RouteView({ job: opened, shop: routeShop, issues }: Props) {
  const { inHand, shop, planned, cancel, again, decide, settings } = useRoute(opened, routeShop);
  const display = useJobUnits(inHand);
  const { job } = inHand;
  const { route, machines } = planned;
  const [chosen, setChosen] = useState<string>();
  const [draft, setDraft] = useState({
    deadline: opened.route?.deadline ?? '',
    hours: opened.route?.hoursPerDay === undefined ? '' : String(opened.route.hoursPerDay),
    every: opened.route?.checkEvery === undefined ? '' : String(opened.route.checkEvery),
  });
  const apply = (choice: MachineChoice): void =>
    inHand.editLaid((laid) => ({
      ...laid,
      holes: laid.holes.map((h) => ({
        ...h,
        question: { ...h.question, machine: choice.machines[h.id] ?? h.question.machine },
      })),
    }));
  const issued = useIssues({
    jobId: job.id,
    jobVersion: job.version,
    saved: inHand.saving.state === 'saved',
    route,
    issues,
  });
  const shapeOf = useCallback((face: FaceId) => faceShape(job.part.stock, face), [job.part.stock]);
  const daysLeft = useDaysLeft(settings.deadline);
  const withinMin =
    daysLeft === undefined ? undefined : Math.max(0, daysLeft) * (settings.hoursPerDay ?? USUAL_HOURS) * 60;
  const visits = route?.setUps.flatMap((s) => s.visits) ?? [];
  const visit = visits.find((v) => v.key === chosen) ?? visits.find((v) => v.items.length > 1 && v.rpm !== undefined);
  return (
    <main id="main" className="mx-auto flex max-w-[1600px] flex-col gap-2 p-2 sm:px-4">
      <JobBar inHand={inHand} view="route">
        <IssueKey state={issued} />
      </JobBar>
      <Planning planned={planned} cancel={cancel} again={again} display={display} />
      {route && (
        <RouteWork route={route} machines={shop.machines} shapeOf={shapeOf} chosen={visit?.key} onChoose={setChosen} />
      )}
      {planned.rehearsable && (
        <RehearsalPanel
          request={planned.rehearsable}
          inHand={inHand}
          settings={settings}
          decide={decide}
          display={display}
          withinMin={withinMin}
        />
      )}
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-2 xl:grid-cols-[minmax(0,1fr)_420px]">
        <div className="flex min-w-0 flex-col gap-2">
          {route && (
            <SetUpList
              route={route}
              settings={settings}
              decide={decide}
              display={display}
              chosen={visit?.key}
              onChoose={setChosen}
            />
          )}
        </div>
        <div className="flex min-w-0 flex-col gap-2">
          {visit && (
            <section aria-label="Way" className="dye p-2">
              <h2 className="font-cond text-lg font-semibold">
                {visit.tool}: {visit.items.length} {visit.items.length === 1 ? 'hole' : 'holes'}
              </h2>
              <VisitWay visit={visit} />
            </section>
          )}
          {route && (
            <BatchPanel
              route={route}
              material={shop.materials.find((m) => m.id === job.materialId)}
              shop={shop}
              settings={settings}
              decide={decide}
              display={display}
              draft={draft}
              setDraft={setDraft}
            />
          )}
          {route && <OtherMachines now={route.seconds} choices={machines ?? []} onApply={apply} />}
          <OrderPanel features={job.holes} settings={settings} decide={decide} />
          <CutsPanel features={job.holes} settings={settings} decide={decide} />
          <CuttingPanel part={job.part} quantity={job.quantity} settings={settings} decide={decide} display={display} />
          <IssuePanel state={issued} issues={issues} display={display} />
        </div>
      </div>
    </main>
  );
}

interface PlanningProps {
  planned: ReturnType<typeof useRoute>['planned'];
  cancel: () => void;
  again: () => void;
  display: Display;
}

/** How far the planning is, and what stands against it. */
function Planning({ planned: { share, cancelled, fault, problems }, cancel, again, display }: PlanningProps) {
  return (
    <>
      {share !== undefined && (
        <p role="status" className="flex min-h-9 items-center gap-3 text-[15px]">
          <progress value={share} max={1} aria-label="Planning" className="w-40" /> Planning…
          <button type="button" className="btn h-9" onClick={cancel}>
            Cancel
          </button>
        </p>
      )}
      {cancelled && (
        <p role="status" className="flex items-center gap-3">
          Planning was cancelled.
          <button type="button" className="btn h-9" onClick={again}>
            Plan again
          </button>
        </p>
      )}
      {fault && (
        <p role="alert" className="font-bold text-danger">
          The route could not be planned: {fault}
        </p>
      )}
      {problems.length > 0 && (
        <ul role="alert" className="plate border-l-8 border-l-danger p-3">
          {problems.map((p) => (
            <li key={p.code + p.field + tell(p, display)} className="font-bold text-danger">
              {tell(p, display)} <span className="font-normal text-ink">{tell(p.remedy, display)}</span>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

interface MachinesProps {
  now: number;
  choices: readonly MachineChoice[];
  onApply: (choice: MachineChoice) => void;
}

/** Machines on which the whole would be finished sooner. */
function OtherMachines({ now, choices, onApply }: MachinesProps) {
  if (choices.length === 0) return null;
  return (
    <section aria-label="Other machines" className="plate p-3">
      <h2 className="font-cond text-xl font-semibold">Sooner on other machines</h2>
      <ul>
        {choices.map((choice) => (
          <li
            key={choice.label}
            className="flex flex-wrap items-center gap-x-3 border-t border-steel-200 py-1.5 text-[15px] first:border-0"
          >
            <span className="min-w-0 flex-1">
              <strong>{choice.label}</strong>: {(choice.seconds / 60).toFixed(0)} min, saves{' '}
              {((now - choice.seconds) / 60).toFixed(0)}
            </span>
            <button type="button" className="btn h-11 sm:h-9" onClick={() => onApply(choice)}>
              Apply
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
