'use client';

import type { Proposal } from '@/core/rehearsal/proposals';
import { FAULT_WORDS, FAULTS, wilson, type Fault, type Rehearsed } from '@/core/rehearsal/rehearse';
import { tell, type Display } from '@/core/units/show';
import { useRehearsal, type ToRehearse } from '@/ui/use-rehearsal';

const minutes = (s: number): string => `${Math.round(s / 60)} min`;
const percent = (share: number): string => `${(100 * share).toFixed(share < 0.1 ? 1 : 0)} %`;

interface Props {
  request: ToRehearse;
  display: Display;
}

/** How the job will come out: made thousands of times before it is made once, beside the page, refined while one looks. */
export default function RehearsalPanel({ request, display }: Props) {
  const { found: here, isRunning, begin, cancel } = useRehearsal(request);
  return (
    <section aria-label="Rehearsal" className="plate flex flex-col gap-2 p-3">
      <div className="flex items-center gap-3">
        <h2 className="mr-auto font-cond text-xl font-semibold">Rehearsal</h2>
        <button type="button" className="btn" onClick={isRunning ? cancel : begin}>
          {isRunning ? 'Cancel' : here ? 'Once more' : 'Rehearse the job'}
        </button>
      </div>
      {!here && (
        <p className="text-[15px]">
          Makes the job thousands of times from your own figures, and tells what will go wrong and what would help most.
        </p>
      )}
      {here?.fault && (
        <p role="alert" className="text-danger">
          {here.fault}
        </p>
      )}
      {here?.rehearsed && <Result rehearsed={here.rehearsed} share={here.share} />}
      {here?.proposals && <Proposals list={here.proposals} display={display} />}
    </section>
  );
}

function Result({ rehearsed, share }: { rehearsed: Rehearsed; share: number }) {
  const { jobs, clean, seconds, badParts, parts, worst } = rehearsed;
  const [from, to] = wilson(clean, jobs);
  const faults = FAULTS.filter((f) => rehearsed.with[f] > 0).sort((a, b) => rehearsed.with[b] - rehearsed.with[a]);
  return (
    <>
      {share < 1 && <progress className="w-full" value={share} aria-label="Rehearsed so far" />}
      <p role="status" className="text-lg">
        All good at the first go in <b>{percent(clean / jobs)}</b> of {jobs} jobs ({percent(from)} to {percent(to)},
        nineteen times in twenty); bad parts {percent(badParts / parts)}.
      </p>
      <p className="text-[15px]">
        At the holes {minutes(seconds.mean)}, give or take {minutes(1.64 * seconds.sigma)}.
      </p>
      {faults.length > 0 && <Shares rehearsed={rehearsed} faults={faults} />}
      {worst.length > 0 && (
        <details className="text-[15px]">
          <summary className="link min-h-9 content-center">The worst of them</summary>
          <ol className="list-decimal pl-5">
            {worst.map(({ job, troubles }) => (
              <li key={job}>
                {troubles
                  .slice(0, 4)
                  .map((t) => `part ${t.part}, ${t.letter}${t.hole}: ${FAULT_WORDS[t.fault]}`)
                  .join('; ')}
                {troubles.length > 4 && `; and ${troubles.length - 4} more`}.
              </li>
            ))}
          </ol>
        </details>
      )}
    </>
  );
}

/** What went wrong in how many of a hundred jobs, as bars. */
function Shares({ rehearsed: { jobs, with: hit }, faults }: { rehearsed: Rehearsed; faults: readonly Fault[] }) {
  return (
    <ul aria-label="What goes wrong" className="flex flex-col gap-1 text-[15px]">
      {faults.map((f) => (
        <li key={f} className="grid grid-cols-[minmax(0,1fr)_120px_64px] items-center gap-2">
          <span>{FAULT_WORDS[f]}</span>
          <span aria-hidden className="h-3 rounded-sm bg-steel-200">
            <span
              className="block h-3 rounded-sm bg-brass-dark"
              style={{ width: `${Math.max(1, (100 * hit[f]) / jobs)}%` }}
            />
          </span>
          <b className="text-right">{percent(hit[f] / jobs)}</b>
        </li>
      ))}
    </ul>
  );
}

function Proposals({ list, display }: { list: readonly Proposal[]; display: Display }) {
  if (list.length === 0) return <p className="text-[15px]">Nothing that is easily changed would help much.</p>;
  return (
    <div>
      <h3 className="label">What would help most</h3>
      <ul className="flex flex-col gap-1 text-[15px]">
        {list.slice(0, 5).map((p) => (
          <li key={`${p.id} ${p.letters.join()}`} className="flex gap-3">
            <span className="min-w-0 flex-1">{tell(p.says, display)}</span>
            <span className="font-cond text-lg whitespace-nowrap">
              bad parts {p.before.toFixed(1)} → <b>{p.after.toFixed(1)} %</b>
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
