'use client';

import type { Caution } from '@/core/answer/answer';
import { depth, mm } from '@/core/answer/answer';
import type { HolePlan, ThreadPart } from '@/core/hole/hole-plan';
import { comparedDrills, formingDrill } from '@/core/hole/trade-off';
import { drillName } from '@/core/drills/drill';
import { showText, tell, type Display } from '@/core/units/show';

const MARK: Record<Caution['level'], string> = { stop: '✕', warn: '!', note: '·' };
const RANK: Record<Caution['level'], number> = { stop: 0, warn: 1, note: 2 };

export function Cautions({ list, display }: { list: Caution[]; display: Display }) {
  const sorted = [...list].sort((a, b) => RANK[a.level] - RANK[b.level]);
  return (
    <ul className="flex flex-col gap-1">
      {sorted.map((c) => (
        <li
          key={`${c.subject} ${c.code}`}
          className={`grid grid-cols-[20px_1fr] ${c.level === 'note' ? '' : 'font-bold text-danger'}`}
        >
          <span aria-label={c.level}>{MARK[c.level]}</span>
          <span>{tell(c, display)}</span>
        </li>
      ))}
    </ul>
  );
}

const VERDICT = { inside: '✓ inside', borderline: 'toss-up', outside: '✕ outside' } as const;
const VERDICT_CLASS = { inside: 'text-pass', borderline: 'font-bold', outside: 'text-danger' } as const;

/** Neighbouring drills with what each would mean, and what other methods say. */
export function CompareDrills({
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
      <div className="overflow-x-auto">
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
              <th className="px-2">Thread to hold</th>
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
                  {!c.owned && <span className="ml-1 text-sm text-danger">not to hand</span>}
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
      <h3 className="mt-3 font-cond text-lg font-semibold">What the others would say</h3>
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

/** Every way of driving the tap, ranked, and why the others lose. */
export function Ways({ part, display }: { part: ThreadPart; display: Display }) {
  return (
    <section className="plate min-w-0 p-3">
      <h2 className="font-cond text-xl font-semibold">Ways to tap it</h2>
      <ol className="mt-1 flex flex-col">
        {part.tapping.ways.map((way, i) => (
          <li
            key={way.id}
            className={`border-t border-steel-200 py-1.5 first:border-0 ${way.possible ? '' : 'text-steel-700'}`}
          >
            <strong className={i === 0 ? 'text-ink' : ''}>
              {way.possible ? `${i + 1}. ` : '✕ '}
              {way.label}
            </strong>
            {way.possible && (
              <span className="ml-2 text-sm text-steel-700">
                {way.taps.map((t) => t.name).join(' + ')}
                {way.load && `, safety ${way.load.safety.toFixed(1)}`}, lean {way.leanDeg}°,{' '}
                {(way.secondsAll / 60).toFixed(1)} min for all
              </span>
            )}
            <p className="text-[15px]">{tell(way.reason, display)}</p>
          </li>
        ))}
      </ol>
      <p className="mt-1 text-sm text-steel-700">
        Lean, time and points are our judgement; safety is our model. Your own log replaces them.
      </p>
    </section>
  );
}

/** The steps in the order of the work. */
export function Steps({ plan, display }: { plan: HolePlan; display: Display }) {
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
