import type { NotGauged } from '@/core/run/not-gauged';

interface Props {
  jobId: string;
  route: number;
  parts: number;
  /** Holes that were made with nothing gauged. */
  missed: readonly NotGauged[];
}

/** The end of a route: that all is done, or which holes no gauge has spoken of. */
export function AllDone({ jobId, route, parts, missed }: Props) {
  return (
    <section className="m-auto text-center">
      <h1 className="font-cond text-[72px] leading-none font-semibold">
        {missed.length === 0 ? 'All done' : 'All made'}
      </h1>
      <p className="mt-3 text-2xl">
        Route {route}, {parts} {parts === 1 ? 'part' : 'parts'}.
      </p>
      {missed.length > 0 && (
        <div role="status" className="mt-3 text-[22px]">
          <p className="font-bold">{missed.length === 1 ? 'One hole is' : `${missed.length} holes are`} not gauged</p>
          <ul className="mx-auto mt-1 max-h-[30vh] max-w-[40rem] overflow-auto text-left">
            {missed.map(({ hole, at, why }) => (
              <li key={`${at.featureId} ${at.holeNumber} ${at.part}`}>
                {hole}
                {parts > 1 && `, part ${at.part}`}
                {why && `: ${why}`}
              </li>
            ))}
          </ul>
        </div>
      )}
      <a className="bench-key bench-next mt-4" href={`/jobs/${jobId}/check`}>
        {missed.length === 0 ? 'Check' : 'Gauge them'}
      </a>
    </section>
  );
}
