'use client';

import { later } from '@/ui/later';
import { useMemo, useState } from 'react';
import { AnswerPanel } from './answer-panel';
import { Strip } from './strip';
import { QuestionBar } from './question-bar';
import { useAsk, type AskedFirst, type Origin } from './use-ask';
import { useReached } from '@/ui/use-reached';
import { useMissingDrill } from '@/ui/use-missing-drill';
import { Watch } from './watch';

const KeepDialog = later(() => import('./keep-dialog'));
const MissingDrill = later(() => import('@/ui/missing-drill'));
const Details = later(() => import('./details'));

interface Props {
  asked: AskedFirst;
  origin?: Origin;
}

/** Enter the callout and see which drill, at which speed, how deep, tapped how, and why. */
export function AskView({ asked: given, origin }: Props) {
  const extra = origin ? `&job=${origin.jobId}&jobHole=${origin.holeId}` : '';
  const missing = useMissingDrill();
  const pool = missing.without(given.shop.crib);
  const hereNow = useMemo(() => (pool === given.shop.crib ? given.shop : { ...given.shop, crib: pool }), [given, pool]);
  const { form: typed, heard, change, asked, shop, touch, isOld } = useAsk(given, hereNow, extra);
  const form = { ...typed, ...heard?.part };
  const [saving, setSaving] = useState(false);
  const [foot, reached] = useReached<HTMLDivElement>();
  const { plan, problems, sample } = asked;
  const display = form.units;
  return (
    <main
      id="main"
      className="mx-auto flex max-w-[1880px] flex-col gap-2 p-2 sm:px-4"
      onFocusCapture={touch}
      onPointerDownCapture={touch}
    >
      <h1 className="sr-only">Ask</h1>
      <QuestionBar
        form={typed}
        heard={heard}
        shop={shop}
        problems={problems}
        plan={sample ? undefined : plan}
        change={change}
        onSave={plan && !sample ? () => setSaving(true) : undefined}
        saveLabel={origin ? `Update ${origin.jobName}` : 'Save as a job'}
      />
      {isOld && (
        <p role="alert" className="font-bold text-danger">
          The server can’t be reached: the answer below is of the question as it was opened. Change anything to try
          again.
        </p>
      )}
      {(missing.said ?? missing.fault) && <MissingDrill missing={missing} />}
      {plan ? (
        <>
          {!sample && <Strip plan={plan} display={display} />}
          {!sample && <Watch plan={plan} display={display} change={change} />}
          <AnswerPanel
            plan={plan}
            display={display}
            actions={{
              onPick: (drill) => change({ drill }),
              onMissing: form.drills === 'crib' && !sample ? missing.mark : undefined,
              onProposed: form.drill === '' ? undefined : () => change({ drill: '' }),
            }}
            banner={
              sample && (
                <h2 className="mb-2 font-cond text-xl font-semibold">
                  Sample: M8 x 16 DEEP in 25 mm. Enter your callout above; touch a figure for its working.
                </h2>
              )
            }
          />
          {!sample && (
            <div ref={foot} className="min-h-40">
              {reached && <Details plan={plan} display={display} change={change} taps={shop.taps} />}
            </div>
          )}
        </>
      ) : (
        <section className="dye p-6">
          <h2 className="font-cond text-3xl font-semibold">No answer yet</h2>
          <p className="mt-2 text-lg">Problems are marked above, each with what to do.</p>
        </section>
      )}
      {saving && plan && <KeepDialog form={form} plan={plan} origin={origin} onClose={() => setSaving(false)} />}
    </main>
  );
}
