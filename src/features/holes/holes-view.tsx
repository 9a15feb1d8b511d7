'use client';

import { useMemo, useState } from 'react';
import type { Job } from '@/contracts/job';
import { mainOperation } from '@/core/operation/operation';
import { sectionOf } from '@/core/hole/section';
import type { Estimate } from '@/core/answer/estimate';
import { showText, tell, type Display } from '@/core/units/show';
import { CoreSample } from '@/ui/drawings/core-sample';
import { StepMark } from '@/ui/drawings/step-mark';
import { useDrawLevels } from '@/ui/drawings/use-draw-levels';
import MissingDrill from '@/ui/missing-drill';
import { Working } from '@/ui/working';
import { useMissingDrill } from '@/ui/use-missing-drill';
import { JobBar } from '../job-store/job-bar';
import { useJobUnits } from '../job-store/use-job-units';
import { MoreOfHole } from './more-of-hole';
import { OperationsOf } from './operations-of';
import { Question } from './question';
import { GroupList } from './group-list';
import { SpeedPanel } from './speed-panel';
import { useHoles, type HolesShop } from './use-holes';

interface Props {
  job: Job;
  shop: HolesShop;
  /** Hole to open with. */
  hole?: string;
}

/** One hole in full: its operations, the section to draw depths on, speeds, reasons, and what another machine would change. */
export function HolesView({ job: opened, shop: holesShop, hole }: Props) {
  const missing = useMissingDrill();
  const crib = missing.without(holesShop.crib);
  const shopHere = useMemo(() => ({ ...holesShop, crib }), [holesShop, crib]);
  const state = useHoles(opened, shopHere, hole);
  const display = useJobUnits(state.inHand);
  const { group, shown } = state;
  const [chosen, setChosen] = useState<string>();
  const [open, setOpen] = useState<string>();
  const plan = shown?.ok ? shown.value : undefined;
  const draw = useDrawLevels((feature, mm, done) => plan && state.draw(plan.callout, feature, mm, done));
  const first = group?.holes[0];
  const op =
    plan?.operations.find((o) => o.key === chosen && o.cut) ??
    (plan && mainOperation(plan.operations.filter((o) => o.cut))) ??
    plan?.operations.find((o) => o.cut);
  return (
    <main id="main" className="mx-auto flex max-w-[1600px] flex-col gap-2 p-2 sm:px-4">
      <JobBar inHand={state.inHand} view="holes" />
      {(missing.said ?? missing.fault) && <MissingDrill missing={missing} />}
      {!group || !first ? (
        <p className="dye p-6 text-lg">
          No holes yet. Lay them out on the plate, or add them to the job as on the drawing.
        </p>
      ) : (
        <div className="grid gap-2 md:grid-cols-[190px_minmax(0,1fr)] xl:grid-cols-[190px_290px_minmax(0,1fr)_226px]">
          <GroupList state={state} display={display} />
          <div className="flex min-w-0 flex-col gap-2 md:col-start-2 xl:col-start-auto">
            <Question key={`${first.id} ${group.callout} ${first.question.units}`} state={state} />
            <div className="dye order-first h-[360px] md:order-none md:h-[420px]">
              {plan ? (
                <CoreSample
                  section={sectionOf(plan)}
                  display={display}
                  draw={draw}
                  beside={({ op: key }, x, y) =>
                    key && (
                      <StepMark
                        key={`${key} ${y}`}
                        x={x}
                        y={y}
                        number={plan.operations.findIndex((o) => o.key === key) + 1}
                        onOpen={() => {
                          setChosen(key);
                          setOpen(key);
                        }}
                      />
                    )
                  }
                />
              ) : (
                <p className="p-4">No section: see the problem above.</p>
              )}
            </div>
            {plan?.thread && plan.thread.tapDrill.hole.n > 0 && (
              <OwnHoles of={plan.thread.tapDrill.hole} display={display} />
            )}
            {!plan?.outside && (
              <p className="text-sm text-steel-700">Drag a brass line to set a depth, or use the arrow keys on it.</p>
            )}
          </div>
          <section aria-label="Operations" className="plate min-w-0 p-2.5 md:col-span-2 xl:col-span-1">
            {shown && !shown.ok && (
              <ul role="alert">
                {shown.problems.map((p) => (
                  <li key={p.code + p.field} className="font-bold text-danger">
                    {tell(p, display)} <span className="font-normal text-ink">{tell(p.remedy, display)}</span>
                  </li>
                ))}
              </ul>
            )}
            {plan && (
              <OperationsOf
                plan={plan}
                state={state}
                display={display}
                chosen={op?.key}
                onChoose={setChosen}
                open={open}
                onOpen={setOpen}
                onMissing={first.question.drills === 'crib' ? missing.mark : undefined}
              />
            )}
          </section>
          {op?.cut && plan && (
            <div className="min-w-0 md:col-span-2 xl:col-span-1">
              <SpeedPanel key={op.key + (first?.id ?? '')} op={op} plan={plan} state={state} display={display} />
            </div>
          )}
        </div>
      )}
      {plan && first && <MoreOfHole key={first.id} plan={plan} state={state} display={display} />}
    </main>
  );
}

/** That the size of the hole is known from the shop’s own, with its working. */
function OwnHoles({ of, display }: { of: Estimate; display: Display }) {
  return (
    <p className="text-[15px]">
      Hole{' '}
      <Working of={of} name="predicted hole" display={display}>
        {showText(of, display)}
      </Working>
      , from {of.n} of your own holes.
    </p>
  );
}
