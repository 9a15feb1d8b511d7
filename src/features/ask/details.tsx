'use client';

import { depth, mm } from '@/core/answer/answer';
import type { AskForm } from '@/core/hole/form';
import type { HolePlan, ThreadPart } from '@/core/hole/hole-plan';
import { HoleNotes } from '@/ui/hole-notes';
import { comparedDrills, formingDrill } from '@/core/hole/trade-off';
import { drillName } from '@/core/drills/drill';
import { showText, tell, type Display } from '@/core/units/show';
import TapChoices from '@/ui/taps/tap-choices';
import TroublePanel from '@/ui/taps/trouble-panel';

const VERDICT = { inside: '✓ inside', borderline: 'toss-up', outside: '✕ outside' } as const;
const VERDICT_CLASS = { inside: 'text-pass', borderline: 'font-bold', outside: 'text-danger' } as const;

/** Neighbouring drills with what each would mean, and what other methods say. */
function CompareDrills({
  part,
  display,
  onPick,
}: {
  part: ThreadPart;
  display: Display;
  onPick: (label: string) => void;
}) {
  const { tapDrill, forming } = part;
  const formed = formingDrill(part);
  return (
    <section className="plate min-w-0 p-3">
      <h2 className="font-cond text-xl font-semibold">A size up or down</h2>
      <div className="relative overflow-x-auto">
        <table className="mt-1 w-full text-right whitespace-nowrap">
          <thead className="label text-right">
            <tr>
              <th className="py-1 pr-3 text-left">Drill</th>
              <th className="px-2">Size</th>
              <th className="px-2">Percent</th>
              <th className="px-2">Hole</th>
              <th className="px-2">Class</th>
              <th className="px-2">Torque</th>
              <th className="px-2">Safety</th>
              <th className="px-2">Thread needed</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {comparedDrills(part).map(({ candidate: c, load, neededMm }) => (
              <tr
                key={c.drill.series + c.drill.label}
                className={`border-t border-steel-200 ${c === tapDrill.used ? 'font-bold' : ''}`}
              >
                <th scope="row" className="py-1.5 pr-3 text-left font-[inherit]">
                  {drillName(c.drill)}
                  {!c.owned && <span className="ml-1 text-sm text-danger">not in the crib</span>}
                </th>
                <td className="px-2">{showText(mm(c.drill.diameterMm), display)}</td>
                <td className="px-2">{c.percentOnDrill === undefined ? '—' : `${c.percentOnDrill.toFixed(1)} %`}</td>
                <td className="px-2">{showText(mm(c.holeMm), display)}</td>
                <td className={`px-2 ${VERDICT_CLASS[c.verdict]}`}>{VERDICT[c.verdict]}</td>
                <td className="px-2">{load ? showText(load.torque, display) : '—'}</td>
                <td className="px-2">{load ? load.safety.toFixed(1) : '—'}</td>
                <td className="px-2">{neededMm === undefined ? '—' : showText(depth(neededMm), display)}</td>
                <td className="pl-2">
                  {c === tapDrill.used ? (
                    ''
                  ) : (
                    <button type="button" className="link min-h-8" onClick={() => onPick(c.drill.label)}>
                      use
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <h3 className="mt-3 font-cond text-lg font-semibold">By other rules</h3>
      <dl className="mt-1 grid gap-y-1">
        {tapDrill.methods.map((s) => (
          <div key={s.id}>
            <dt className="inline font-bold">
              {s.label}: {showText({ value: s.diameterMm, unit: 'mm', places: 2 }, display)}
              {`, so ${drillName(s.drill)}`}.
            </dt>{' '}
            <dd className="inline">{tell(s.why, display)}</dd>
          </div>
        ))}
        <div>
          <dt className="inline font-bold">{forming.verdict.allowed ? 'Forming is possible' : 'No forming'}.</dt>{' '}
          <dd className="inline">
            {tell(forming.verdict.reason, display)}
            {formed && part.kind === 'cut' && ` It needs its own drill: ${drillName(formed.drill)}.`}
          </dd>
        </div>
      </dl>
    </section>
  );
}

/** The steps in the order of the work. */
function Steps({ plan, display }: { plan: HolePlan; display: Display }) {
  return (
    <section className="plate min-w-0 p-3">
      <h2 className="font-cond text-xl font-semibold">Step by step</h2>
      <ol className="mt-1 list-decimal pl-6 marker:font-bold">
        {plan.operations.map((step) => (
          <li key={step.key} className="py-1">
            <span className="font-bold">{tell(step.order, display)}</span>
            {step.details.length > 0 && (
              <span className="block text-[15px]">{step.details.map((d) => tell(d, display)).join(' ')}</span>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** What holds for the whole hole but spoils nothing, and what was assumed. */
function Notes({ plan, display }: { plan: HolePlan; display: Display }) {
  return (
    <section className="plate min-w-0 p-3">
      <h2 className="font-cond text-xl font-semibold">Notes</h2>
      <HoleNotes plan={plan} display={display} notesOnly />
    </section>
  );
}

interface Props {
  plan: HolePlan;
  display: Display;
  change: (part: Partial<AskForm>) => void;
  /** Taps of the crib, where they are known. */
  taps?: Parameters<typeof TapChoices>[0]['taps'];
}

/** What stands behind the answer: other drills, other ways, the steps, the notes. */
export default function Details({ plan, display, change, taps }: Props) {
  return (
    <div className="grid items-start gap-2 lg:grid-cols-2 2xl:grid-cols-[3fr_3fr_5fr]">
      <div className="flex min-w-0 flex-col gap-2 2xl:contents">
        <Steps plan={plan} display={display} />
        <Notes plan={plan} display={display} />
      </div>
      {plan.thread && (
        <>
          <CompareDrills part={plan.thread} display={display} onPick={(drill) => change({ drill })} />
        </>
      )}
      {plan.thread && (
        <section aria-label="Tapping" className="plate min-w-0 p-3 lg:col-span-2 2xl:col-span-3">
          <TapChoices plan={plan} display={display} change={change} taps={taps} />
          <h2 className="mt-4 font-cond text-xl font-semibold">When it goes wrong</h2>
          <TroublePanel plan={plan} display={display} change={change} />
        </section>
      )}
    </div>
  );
}
