'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import { inUnits, type AskForm } from '@/core/hole/form';
import { allCautions, mainCut } from '@/core/hole/hole-plan';
import { sectionOf } from '@/core/hole/section';
import { tell } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { CoreSample } from '@/ui/drawings/core-sample';
import { SizeRail } from '@/ui/drawings/size-rail';
import { StepLadder } from '@/ui/drawings/step-ladder';
import { Cautions, CompareDrills, Steps, Ways } from './details';
import { Orders } from './orders';
import { QuestionPanel } from './question-panel';
import { useAsk, type AskShop, type Origin } from './use-ask';

const KeepDialog = dynamic(() => import('./keep-dialog'), { ssr: false });

interface Props {
  first: AskForm;
  shop: AskShop;
  origin?: Origin;
}

/** Walk up, say what the drawing says, and see which drill, at which speed, how deep, tapped how, and why. */
export function AskView({ first, shop: askShop, origin }: Props) {
  const extra = origin ? `&job=${origin.jobId}&jobHole=${origin.holeId}` : '';
  const { form, change, asked, shop } = useAsk(first, askShop, extra);
  const [keeping, setKeeping] = useState(false);
  const [copied, setCopied] = useState(false);
  const { plan, problems } = asked;
  const display = form.units;
  const cautions = plan ? allCautions(plan) : [];
  const serious = cautions.filter((c) => c.level !== 'note');
  const cut = plan && mainCut(plan);
  const thumb = cut?.methods.find((m) => m.id === 'thumb')?.rpm;
  return (
    <main id="main" className="mx-auto flex max-w-[1500px] flex-col gap-2 p-2 sm:px-4">
      <h1 className="sr-only">Ask</h1>
      <QuestionPanel
        form={form}
        shop={shop}
        problems={problems}
        change={change}
        plain={plan !== undefined && !plan.thread}
      />
      {plan ? (
        <>
          {serious.length > 0 && (
            <section aria-label="Watch out" className="plate border-l-8 border-l-danger px-3 py-1.5">
              <Cautions list={serious} display={display} />
            </section>
          )}
          <div className="grid gap-2 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] xl:grid-cols-[minmax(0,1fr)_308px_180px]">
            <div className="flex min-w-0 flex-col gap-2.5 md:col-span-2 xl:col-span-1">
              <div aria-live="polite">
                <Orders plan={plan} display={display} />
              </div>
              <div className="flex flex-wrap items-center gap-2">
                <button type="button" className="btn-next" onClick={() => setKeeping(true)}>
                  {origin ? `Put back into ${origin.jobName}` : 'Keep as a job'}
                </button>
                <button
                  type="button"
                  className="btn"
                  onClick={() => void navigator.clipboard?.writeText(window.location.href).then(() => setCopied(true))}
                >
                  {copied ? 'Address copied' : 'Copy the address'}
                </button>
                {form.drill !== '' && (
                  <button type="button" className="btn" onClick={() => change({ drill: '' })}>
                    Back to the proposed drill
                  </button>
                )}
                <UnitChoice form={form} change={change} />
              </div>
            </div>
            <div className="dye h-[402px]">
              <CoreSample section={sectionOf(plan)} display={display} />
            </div>
            {plan.machine && cut ? (
              <div className="dye h-[402px]">
                <StepLadder
                  machine={plan.machine}
                  ideal={cut.ideal.value}
                  speed={cut.speed}
                  methods={thumb ? [{ label: 'rule of thumb', rpm: thumb.value }] : []}
                />
              </div>
            ) : (
              <div className="dye grid h-[402px] place-items-center p-4 text-center">
                {cut ? 'Choose a machine to see which of its speeds to set.' : 'Nothing turns: the hole is there.'}
              </div>
            )}
          </div>
          {plan.thread && (
            <div className="dye">
              <SizeRail plan={plan.thread} display={display} onPick={(drill) => change({ drill })} />
            </div>
          )}
          <section className="plate min-w-0 p-3">
            <h2 className="font-cond text-xl font-semibold">Cautions</h2>
            <Cautions list={cautions.filter((c) => c.level === 'note')} display={display} />
            {plan.assumptions.length > 0 && (
              <>
                <h3 className="mt-2 font-cond text-lg font-semibold">Taken for granted</h3>
                <ul className="list-disc pl-5">
                  {plan.assumptions.map((a) => (
                    <li key={tell(a, display)}>{tell(a, display)}</li>
                  ))}
                </ul>
              </>
            )}
          </section>
          <div className="grid gap-2.5 lg:grid-cols-2">
            {plan.thread && (
              <>
                <CompareDrills part={plan.thread} display={display} onPick={(drill) => change({ drill })} />
                <Ways part={plan.thread} display={display} />
              </>
            )}
            <Steps plan={plan} display={display} />
          </div>
        </>
      ) : (
        <Nothing problems={problems.length} form={form} change={change} />
      )}
      {keeping && plan && <KeepDialog form={form} plan={plan} origin={origin} onClose={() => setKeeping(false)} />}
    </main>
  );
}

interface UnitProps {
  form: AskForm;
  change: (part: Partial<AskForm>) => void;
}

function UnitChoice({ form, change }: UnitProps) {
  return (
    <div className="ml-auto flex items-center gap-2">
      <span className="text-sm text-steel-700">
        key <kbd className="rounded-sm border border-steel-500 bg-white px-1.5">U</kbd>
      </span>
      <Choice
        label="Units"
        hideLabel
        value={form.units}
        options={[
          ['mm', 'mm'],
          ['inch', 'inch'],
        ]}
        onChange={(units) => change(inUnits(form, units))}
      />
    </div>
  );
}

function Nothing({ problems, ...unit }: UnitProps & { problems: number }) {
  return (
    <section className="dye flex min-h-[300px] flex-col justify-between gap-6 p-6">
      <div className="max-w-2xl">
        <h2 className="font-cond text-3xl font-semibold">
          {problems > 0 ? 'No answer to that, yet' : 'Say what the drawing says'}
        </h2>
        <p className="mt-2 text-lg">
          {problems > 0
            ? 'What stands in the way is marked above, with what to do about it. What you typed stays.'
            : 'Type the callout and choose the metal. The drill, the speed step, the depth and the way to tap appear at once, each with its reason. Nothing needs to be saved first.'}
        </p>
      </div>
      <div className="self-end rounded-sm bg-steel-100 p-2 text-ink">
        <UnitChoice {...unit} />
      </div>
    </section>
  );
}
