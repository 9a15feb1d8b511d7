import Link from 'next/link';

export const JOB_VIEWS = [
  ['plate', 'Plate'],
  ['holes', 'Holes'],
  ['route', 'Route'],
  ['bench', 'Bench'],
  ['check', 'Check'],
  ['card', 'Card'],
] as const;

/** From a job to its views. */
export function JobLinks({ jobId }: { jobId: string }) {
  return (
    <>
      {JOB_VIEWS.map(([view, name]) => (
        <Link key={view} className="btn" href={`/jobs/${jobId}/${view}`} prefetch={false}>
          {name}
        </Link>
      ))}
    </>
  );
}
