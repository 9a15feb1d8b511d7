'use client';

import { later } from '@/ui/later';
import Link from 'next/link';
import { Tabs } from 'radix-ui';
import { useMemo, useState } from 'react';
import type { Job } from '@/contracts/job';
import { questionInJob } from '@/core/job/plan-in-job';
import { START_CHOICES, toAddress } from '@/core/hole/form';
import { START_SHORT } from '@/core/drills/expected-hole';
import type { HolePlan } from '@/core/hole/hole-plan';
import { HoleNotes, ownCautions } from '@/ui/hole-notes';
import { mainOperation } from '@/core/operation/operation';
import { sectionOf } from '@/core/hole/section';
import { showText, tell, type Display } from '@/core/units/show';
import { CoreSample } from '@/ui/drawings/core-sample';
import { StepMark } from '@/ui/drawings/step-mark';
import { useDrawLevels } from '@/ui/drawings/use-draw-levels';
import { SizeRail } from '@/ui/drawings/size-rail';
import { SelectField, TextField } from '@/ui/field';
import { PickField } from '@/ui/pick-field';
import { TabBar } from '@/ui/tab-bar';
import { Working } from '@/ui/working';
import MissingDrill from '@/ui/missing-drill';
import { useMissingDrill } from '@/ui/use-missing-drill';
import { JobBar } from '../job-store/job-bar';
import { useJobUnits } from '../job-store/use-job-units';
import { GroupList } from './group-list';
import { MachinesTable } from './machines-table';
import { Operations } from './operations';
import { SpeedPanel } from './speed-panel';
import { KIND_LABEL, useHoles, type HolesShop } from './use-holes';

const TradeOffChart = later(() => import('./trade-off-chart'));
const LengthChart = later(() => import('./length-chart'));
const TapChoices = later(() => import('@/ui/taps/tap-choices'));
const TroublePanel = later(() => import('@/ui/taps/trouble-panel'));

interface Props {
  job: Job;
  shop: HolesShop;
  /** Hole to open with. */
  hole?: string;
}

const time = (seconds: number): string =>
  seconds < 90 ? `${Math.round(seconds)} s` : `${(seconds / 60).toFixed(seconds < 600 ? 1 : 0)} min`;

/** One hole in full: its operations, the section to draw depths on, speeds, reasons, and what another machine would change. */
export function HolesView({ job: opened, shop: holesShop, hole }: Props) {
  const missing = useMissingDrill();
  const crib = missing.without(holesShop.crib);
  const shopHere = useMemo(() => ({ ...holesShop, crib }), [holesShop, crib]);
  const state = useHoles(opened, shopHere, hole);
  const display = useJobUnits(state.inHand);
  const { job } = state.inHand;
  const { group, shown, shop, ask } = state;
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
              <>
                <p className="mb-1 flex flex-wrap items-baseline gap-x-3 text-[15px]">
                  <strong className="font-cond text-xl">{KIND_LABEL[group.kind]}</strong>
                  <span>
                    {group.count} in a part, {time(plan.seconds)} each
                    {plan.wall && (
                      <>
                        , wall{' '}
                        <Working of={plan.wall} name="wall left" display={display}>
                          {showText({ value: plan.wall.value, unit: 'mm', places: 1 }, display)}
                        </Working>
                      </>
                    )}
                  </span>
                  <Link
                    className="link ml-auto"
                    href={`/?${toAddress(questionInJob(first.question, job))}&job=${job.id}&jobHole=${first.id}`}
                    prefetch={false}
                  >
                    in Ask
                  </Link>
                </p>
                <Watch plan={plan} display={display} />
                <Operations
                  plan={plan}
                  state={state}
                  display={display}
                  chosen={op?.key}
                  onChoose={setChosen}
                  open={open}
                  onOpen={setOpen}
                  onMissing={first.question.drills === 'crib' ? missing.mark : undefined}
                />
              </>
            )}
          </section>
          {op?.cut && plan && (
            <div className="min-w-0 md:col-span-2 xl:col-span-1">
              <SpeedPanel key={op.key + (first?.id ?? '')} op={op} plan={plan} state={state} display={display} />
            </div>
          )}
        </div>
      )}
      {plan && first && (
        <Tabs.Root defaultValue={plan.thread ? 'taps' : 'machines'} key={first.id} className="plate p-2.5">
          <TabBar
            label="More of this hole"
            tabs={[
              ...(plan.thread
                ? ([
                    ['taps', 'Taps'],
                    ['trade', 'Drill size and tap load'],
                    ['trouble', 'When it goes wrong'],
                  ] as const)
                : []),
              ['machines', 'On another machine'],
              ['cautions', `Cautions (${ownCautions(plan).length})`],
            ]}
          />
          {plan.thread && (
            <Tabs.Content value="trade" className="flex flex-col gap-2">
              <div className="dye">
                <SizeRail plan={plan.thread} display={display} onPick={(drill) => ask({ drill })} />
              </div>
              {first.question.drill !== '' && (
                <button type="button" className="btn self-start" onClick={() => ask({ drill: '' })}>
                  Back to the proposed drill
                </button>
              )}
              <div className="grid gap-4 lg:grid-cols-2">
                <TradeOffChart part={plan.thread} display={display} onPick={(drill) => ask({ drill })} />
                <LengthChart
                  part={plan.thread}
                  display={display}
                  onPick={(lengthMm) => {
                    const feature = plan.callout.features.find((f) => f.kind === 'thread');
                    if (feature) state.draw(plan.callout, feature, lengthMm, true);
                  }}
                />
              </div>
            </Tabs.Content>
          )}
          {plan.thread && (
            <Tabs.Content value="taps">
              <TapChoices plan={plan} display={display} change={ask} taps={shop.taps} />
            </Tabs.Content>
          )}
          {plan.thread && (
            <Tabs.Content value="trouble">
              <TroublePanel plan={plan} display={display} change={ask} />
            </Tabs.Content>
          )}
          <Tabs.Content value="machines">
            <MachinesTable
              job={job}
              feature={first}
              shop={shop}
              planner={state.planner}
              display={display}
              onUse={(machine) => ask({ machine })}
            />
          </Tabs.Content>
          <Tabs.Content value="cautions">
            <HoleNotes plan={plan} display={display} />
          </Tabs.Content>
        </Tabs.Root>
      )}
    </main>
  );
}

function Question({ state }: { state: ReturnType<typeof useHoles> }) {
  const { group, ask, shop } = state;
  const first = group?.holes[0];
  const [callout, setCallout] = useState(group?.callout ?? '');
  const [existing, setExisting] = useState(first?.question.existing ?? '');
  if (!group || !first) return null;
  const commit = (): void => {
    if (callout.trim() !== '' && callout.trim() !== group.callout) ask({ callout: callout.trim(), depth: '' });
  };
  return (
    <div className="plate grid grid-cols-2 gap-2 p-2">
      <form
        className="col-span-2"
        onSubmit={(e) => {
          e.preventDefault();
          commit();
        }}
        onBlur={commit}
      >
        <TextField
          label={group.count > 1 ? `Callout, for all ${group.count}` : 'Callout'}
          value={callout}
          onChange={setCallout}
        />
      </form>
      <PickField
        label="Machine"
        className="col-span-2"
        value={first.question.machine}
        options={[...shop.machines.map((m) => ({ id: m.id, label: m.name })), { id: '', label: 'No machine' }]}
        onChange={(machine) => ask({ machine })}
      />
      <SelectField
        label="Start"
        value={first.question.start}
        onChange={(start) => ask({ start: start as typeof first.question.start })}
      >
        {START_CHOICES.map((start) => (
          <option key={start} value={start}>
            {start === 'auto' ? 'shop default' : START_SHORT[start]}
          </option>
        ))}
      </SelectField>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          ask({ existing });
        }}
        onBlur={() => existing !== first.question.existing && ask({ existing })}
      >
        <TextField
          label={`Existing hole, ${first.question.units === 'inch' ? 'in' : 'mm'}`}
          value={existing}
          onChange={setExisting}
          placeholder="none; or: thread"
        />
      </form>
      <label className="col-span-2 flex min-h-9 items-center gap-2">
        <input
          type="checkbox"
          className="size-5 accent-ink"
          checked={first.question.dry}
          onChange={(e) => ask({ dry: e.target.checked })}
        />
        Dry: no fluid
      </label>
    </div>
  );
}

/** What is serious about the whole hole; what belongs to one operation stands there. */
function Watch({ plan, display }: { plan: HolePlan; display: Display }) {
  const serious = plan.cautions.filter((c) => c.level !== 'note');
  if (serious.length === 0) return null;
  return (
    <ul aria-label="Watch out" className="mb-1 border-l-4 border-danger pl-2">
      {serious.map((c) => (
        <li key={c.code} className="text-[15px] leading-snug">
          <strong className="text-danger">{c.level === 'stop' ? '✕' : '!'}</strong> {tell(c, display)}
        </li>
      ))}
    </ul>
  );
}
