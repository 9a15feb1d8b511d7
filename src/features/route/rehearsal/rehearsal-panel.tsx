'use client';

import {
  badShare,
  blameShare,
  CAUSE_WORDS,
  cleanShare,
  FAULT_WORDS,
  faultShare,
  gainOf,
  troubleWords,
} from '@/core/rehearsal/rehearsal-words';
import { blanksFor, wilson, type Rehearsed } from '@/core/rehearsal/rehearse';
import { FAULTS } from '@/core/rehearsal/rehearse-job';
import { spareBlanks } from '@/core/rehearsal/proposals';
import { tell, type Display } from '@/core/units/show';
import type { RouteSettings } from '@/contracts/route';
import { useRehearsal, type Found, type ToRehearse } from '@/ui/use-rehearsal';
import { Working } from '@/ui/working';
import type { JobInHand } from '../../job-store/use-job';
import { FinishCurve } from './finish-curve';
import { LandingClouds } from './landing-clouds';
import { SizeClouds } from './size-clouds';
import { useTaken, type Taken } from './use-taken';

const percent = (share: number): string =>
  `${(100 * share).toFixed((share > 0 && share < 0.1) || (share > 0.99 && share < 0.9995) ? 1 : 0)} %`;

interface Props {
  request: ToRehearse;
  inHand: JobInHand;
  settings: RouteSettings;
  decide: (change: (settings: RouteSettings) => RouteSettings) => void;
  display: Display;
  /** Minutes of work until the deadline; undefined where there is none. */
  withinMin?: number;
}

/** How the job will come out: made thousands of times before it is made once, beside the page, refined while one looks. */
export default function RehearsalPanel({ request, inHand, settings, decide, display, withinMin }: Props) {
  const { found, last, isRunning, begin, cancel } = useRehearsal(request);
  const { taken, take, undo } = useTaken(inHand, settings, decide);
  const shown = found?.rehearsed ? found : last;
  return (
    <section aria-label="Rehearsal" className="plate flex flex-col gap-3 p-3">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="mr-auto font-cond text-xl font-semibold">Rehearsal</h2>
        {!shown && (
          <p className="text-[15px]">
            Makes the job thousands of times before it is made once: what will go wrong, what would help.
          </p>
        )}
        {isRunning && <progress className="w-40" value={found?.share ?? 0} aria-label="Rehearsed so far" />}
        <button type="button" className="btn" onClick={isRunning ? cancel : begin}>
          {isRunning ? 'Cancel' : shown ? 'Once more, other luck' : 'Rehearse the job'}
        </button>
      </div>
      {shown?.fault && (
        <p role="alert" className="text-danger">
          The rehearsal failed: {shown.fault}
        </p>
      )}
      {shown?.rehearsed && (
        <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-2">
          <div className="flex min-w-0 flex-col gap-3">
            <Outcome rehearsed={shown.rehearsed} quantity={shown.of.job.quantity} seed={shown.seed} display={display} />
            <Proposals
              found={shown}
              taken={taken}
              spare={settings.spare ?? 0}
              take={take}
              undo={undo}
              display={display}
            />
            <Stories found={shown} display={display} />
          </div>
          <Drawings found={shown} display={display} withinMin={withinMin} />
        </div>
      )}
    </section>
  );
}

interface OutcomeProps {
  rehearsed: Rehearsed;
  quantity: number;
  seed: number;
  display: Display;
}

function Outcome({ rehearsed, quantity, seed, display }: OutcomeProps) {
  const { jobs, clean, badParts, parts, with: hit } = rehearsed;
  const [from, to] = wilson(clean, jobs);
  const faults = FAULTS.filter((f) => hit[f] > 0).sort((a, b) => hit[b] - hit[a]);
  const blanks = blanksFor(rehearsed, quantity);
  return (
    <>
      <p role="status" className="text-lg">
        All good at the first go in{' '}
        <Working of={cleanShare(rehearsed, seed)} name="jobs in which all is good" display={display}>
          <b className="text-2xl">{percent(clean / jobs)}</b>
        </Working>{' '}
        of {jobs.toLocaleString('en')} jobs ({percent(from)} to {percent(to)}); bad parts{' '}
        <Working of={badShare(rehearsed, seed)} name="bad parts" display={display}>
          <b>{percent(badParts / parts)}</b>
        </Working>
        ;{' '}
        {blanks === undefined
          ? 'no number of blanks is enough'
          : blanks === quantity
            ? 'no spare blank needed'
            : `${blanks} blanks to be 95 % sure of ${quantity}`}
        .
      </p>
      {faults.length > 0 && (
        <ul aria-label="What goes wrong" className="flex flex-col gap-1 text-[15px]">
          {faults.map((f) => (
            <li key={f} className="grid grid-cols-[minmax(0,1fr)_96px_56px] items-center gap-2">
              <span>{FAULT_WORDS[f]}</span>
              <span aria-hidden className="h-3 rounded-sm bg-steel-200">
                <span
                  className="block h-3 rounded-sm bg-brass-dark"
                  style={{ width: `${Math.max(1, (100 * hit[f]) / jobs)}%` }}
                />
              </span>
              <Working
                of={faultShare(f, rehearsed, seed)}
                name={FAULT_WORDS[f]}
                display={display}
                className="text-right font-bold"
              >
                {percent(hit[f] / jobs)}
              </Working>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

interface ProposalsProps {
  found: Found;
  taken: readonly Taken[];
  spare: number;
  take: ReturnType<typeof useTaken>['take'];
  undo: (one: Taken) => void;
  display: Display;
}

/** What a change does to the job, with its working; nothing where it was not rehearsed. */
function Gain({ of: { before, after, costMin, jobs, seed }, display }: { of: Taken['proposal']; display: Display }) {
  if (!before || !after || costMin === undefined || jobs === undefined || seed === undefined) return null;
  return (
    <Working of={gainOf({ before, after, costMin, jobs, seed })} name="bad parts with the change" display={display}>
      <b>
        bad parts {before.bad.toFixed(1)} → {after.bad.toFixed(1)} %, all good {before.clean.toFixed(0)} →{' '}
        {after.clean.toFixed(0)} %
      </b>
    </Working>
  );
}
const cost = (min: number): string =>
  Math.abs(min) < 0.5 ? 'in the same time' : min > 0 ? `${min.toFixed(0)} min more` : `${(-min).toFixed(0)} min less`;

/** What would help most for each minute, each with one touch; what was taken, with the touch that undoes it. */
function Proposals({ found: { proposals, rehearsed, of, share }, taken, spare, take, undo, display }: ProposalsProps) {
  const blanks = rehearsed && share >= 1 ? spareBlanks(rehearsed, of.job.quantity, of.job.quantity + spare) : undefined;
  return (
    <div className="flex flex-col gap-1 text-[15px]">
      {taken.length > 0 && (
        <ul aria-label="Taken" className="flex flex-col">
          {taken.map((one) => (
            <li
              key={`${one.proposal.id} ${taken.indexOf(one)}`}
              className="flex flex-wrap items-center gap-x-3 border-b border-steel-200 py-1"
            >
              <span className="min-w-0 flex-1">
                ✓ {tell(one.proposal.says, display)} <Gain of={one.proposal} display={display} />
              </span>
              <button type="button" className="link min-h-11" onClick={() => undo(one)}>
                Undo
              </button>
            </li>
          ))}
        </ul>
      )}
      <h3 className="label">What would help most</h3>
      {!proposals && <p>Looking for what would help…</p>}
      {proposals?.length === 0 && !blanks && <p>Nothing that is easily changed would help much.</p>}
      <ul aria-label="What would help most" className="flex flex-col">
        {(proposals ?? []).slice(0, 5).map((p) => (
          <li key={p.id} className="flex flex-wrap items-center gap-x-3 border-b border-steel-200 py-1">
            <span className="min-w-0 flex-1">
              {tell(p.says, display)} <Gain of={p} display={display} />, {cost(p.costMin)}
            </span>
            <button
              type="button"
              className="btn h-11 sm:h-9"
              onClick={() => take(p)}
              aria-label={`Apply: ${tell(p.says, display)}`}
            >
              Apply
            </button>
          </li>
        ))}
        {blanks && (
          <li className="flex flex-wrap items-center gap-x-3 border-b border-steel-200 py-1">
            <span className="min-w-0 flex-1">{tell(blanks.says, display)}</span>
            <button
              type="button"
              className="btn h-11 sm:h-9"
              onClick={() => take({ id: 'spare', ...blanks })}
              aria-label={`Apply: ${tell(blanks.says, display)}`}
            >
              Apply
            </button>
          </li>
        )}
      </ul>
    </div>
  );
}

/** The worst jobs, step by step, and what would have saved each; what is to blame in all of them. */
function Stories({ found: { rehearsed, saved, blamed }, display }: { found: Found; display: Display }) {
  const blame = (blamed ?? []).filter((b) => b.total > 0.02);
  return (
    <>
      {blame.length > 0 && (
        <div className="text-[15px]">
          <h3 className="label">What spoils parts</h3>
          <ul aria-label="What spoils parts">
            {blame.slice(0, 4).map((b) => (
              <li key={b.cause} className="grid grid-cols-[minmax(0,1fr)_auto] gap-2">
                <span className="first-letter:uppercase">{CAUSE_WORDS[b.cause]}</span>
                <span>
                  <Working of={blameShare(b)} name={CAUSE_WORDS[b.cause]} display={display} className="font-bold">
                    {percent(b.total)}
                  </Working>{' '}
                  in all, {percent(b.alone)} alone
                </span>
              </li>
            ))}
          </ul>
        </div>
      )}
      {rehearsed && rehearsed.worst.length > 0 && (
        <details className="text-[15px]">
          <summary className="link min-h-11 content-center">The {rehearsed.worst.length} worst stories</summary>
          <ol className="flex flex-col gap-2">
            {rehearsed.worst.map(({ job, troubles }) => {
              const by = saved?.find((s) => s.job === job);
              return (
                <li key={job} className="border-l-4 border-l-brass-dark pl-3">
                  <ol className="list-decimal pl-5">
                    {troubles.slice(0, 5).map((t, i) => (
                      <li key={`${t.part} ${t.letter} ${t.hole} ${t.fault} ${String(i)}`}>
                        Part {t.part}. {tell(troubleWords(t), display)}
                      </li>
                    ))}
                  </ol>
                  {troubles.length > 5 && <p>and {troubles.length - 5} more.</p>}
                  {by && (
                    <p>
                      Would have saved most of it: <b>{tell(by.says, display)}</b>
                    </p>
                  )}
                </li>
              );
            })}
          </ol>
        </details>
      )}
    </>
  );
}

function Drawings({
  found: { landed, rehearsed, of, seed },
  display,
  withinMin,
}: {
  found: Found;
  display: Display;
  withinMin?: number;
}) {
  return (
    <div className="dye flex min-w-0 flex-col gap-3 p-2">
      {landed && <LandingClouds part={of.job.part} models={of.models} landed={landed} display={display} />}
      {landed && <SizeClouds models={of.models} landed={landed} display={display} />}
      {rehearsed && <FinishCurve rehearsed={rehearsed} withinMin={withinMin} seed={seed} display={display} />}
    </div>
  );
}
