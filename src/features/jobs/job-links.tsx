import Link from 'next/link';

const VIEWS = [
  ['plate', 'Plate'],
  ['holes', 'Holes'],
  ['card', 'Card'],
] as const;

/** From a job to its views. */
export function JobLinks({ jobId }: { jobId: string }) {
  return (
    <>
      {VIEWS.map(([view, name]) => (
        <Link key={view} className="btn" href={`/jobs/${jobId}/${view}`} prefetch={false}>
          {name}
        </Link>
      ))}
    </>
  );
}
