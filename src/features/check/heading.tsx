import { useUnits } from '@/ui/units';
import type { Running } from '../run/use-run';

interface Props {
  running: Running;
  part: number;
  gauged: number;
  of: number;
}

/** Which route and part is gauged, how far, and the papers of it. */
export function Heading({ running: { issue, job, bench }, part: ofPart, gauged, of }: Props) {
  const { display } = useUnits();
  if (!issue || !job) return null;
  const jobId = job.id;
  const sheet = `/jobs/${jobId}/inspection.pdf?paper=${display === 'inch' ? 'letter' : 'a4'}`;
  return (
    <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
      <h1 className="font-cond text-3xl font-semibold">Check: {job.name}</h1>
      <span className="text-[15px]">
        Route {issue.number}, part {ofPart}: {gauged} of {of} holes gauged
      </span>
      <span role="status" className="text-[15px]">
        {bench.toSend > 0 ? `${bench.toSend} to send` : ''}
      </span>
      <span className="ml-auto flex flex-wrap gap-2">
        <a className="btn" href={`/jobs/${jobId}/bench`}>
          Bench
        </a>
        <a className="btn" href="/instruments">
          Instruments
        </a>
        <a className="btn" href={sheet}>
          Inspection sheet
        </a>
        {issue.quantity > 1 && (
          <a className="btn" href={`${sheet}&from=${ofPart}&to=${ofPart}`}>
            Of part {ofPart}
          </a>
        )}
        <a className="btn" href={`/jobs/${jobId}/inspection.csv`}>
          CSV
        </a>
      </span>
    </div>
  );
}
