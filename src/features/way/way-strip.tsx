'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';
import type { WayState } from '@/contracts/way';
import { wayOf, type StopState, type Way, type WayStop } from '@/core/job/way';
import { tell, unitOnce, type Display } from '@/core/units/show';
import { send } from '@/ui/send';
import { useUnits } from '@/ui/units';
import { whenMoved } from '../job-store/tabs';
import { viewAt, wayHref } from '../job-store/way-links';

interface Props {
  jobId: string;
  /** When the page was opened. */
  first: WayState;
}

/** What is saved key by key is gathered so long before it is asked anew, ms. */
const GATHER_MS = 800;

/** How far a job is; asked anew when something of it was saved or recorded, and on every change of view. */
function useWay({ jobId, first }: Props): WayState {
  const path = usePathname();
  const client = useQueryClient();
  const key = ['way', jobId];
  const { data } = useQuery({
    queryKey: key,
    queryFn: async () => {
      const got = await send<WayState>('GET', `/api/v1/jobs/${jobId}/way`);
      if (!got.ok) throw new Error(got.fault);
      return got.value;
    },
    initialData: first,
    staleTime: Infinity,
    meta: { keptApart: true },
  });
  // The page brought it; another view of the same job asks anew.
  const shown = useRef(path);
  useEffect(() => void client.setQueryData(['way', jobId], first), [client, jobId, first]);
  useEffect(() => {
    if (shown.current !== path) void client.invalidateQueries({ queryKey: ['way', jobId] });
    shown.current = path;
  }, [client, jobId, path]);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = whenMoved((id) => {
      if (id !== jobId) return;
      clearTimeout(timer);
      timer = setTimeout(() => void client.invalidateQueries({ queryKey: ['way', jobId] }), GATHER_MS);
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [client, jobId]);
  return data;
}

const SIGN: Record<StopState, string> = { empty: '○', open: '◐', done: '●', waits: '!' };
/** What waits is said by how many do. */
const SAID: Record<StopState, string> = { empty: ', empty', open: ', open', done: ', done', waits: '' };

/** The way through a job: where one is, how far each view is, and the one thing to do next. Not printed; not over the bench. */
export function WayStrip(props: Props) {
  const { jobId } = props;
  const way = wayOf(useWay(props));
  const here = viewAt(usePathname(), jobId);
  const { display } = useUnits();
  const { next } = way;
  if (here === 'bench') return null;
  return (
    <nav
      aria-label="Way through the job"
      className="flex flex-wrap items-stretch bg-dye-900 text-white lg:flex-nowrap print:hidden"
    >
      <ol className="flex min-w-0 flex-1 overflow-x-auto max-lg:basis-full">
        {way.stops.map((stop) => (
          <Stop key={stop.view} stop={stop} isHere={stop.view === here} jobId={jobId} display={display} />
        ))}
      </ol>
      <Next next={next} isHere={next.view === here} jobId={jobId} display={display} />
    </nav>
  );
}

interface NextProps {
  next: Way['next'];
  isHere: boolean;
  jobId: string;
  display: Display;
}

/** The one thing to do next, and where; on its own view it is only said, as its key stands there. */
function Next({ next, isHere, jobId, display }: NextProps) {
  const words = (
    <>
      <span className="sr-only">Next: </span>
      <span className="font-cond text-xl leading-tight font-semibold first-letter:uppercase">{next.label}</span>{' '}
      <span className="text-[13px] leading-tight max-lg:hidden">{tell(next.next, display)}</span>
    </>
  );
  const box = 'flex min-h-12 flex-col justify-center px-3 max-lg:basis-full lg:w-56';
  if (isHere && !next.tab) return <p className={`${box} max-lg:min-h-0 max-lg:hidden`}>{words}</p>;
  return (
    <Link
      href={wayHref(jobId, next.view, next.tab)}
      prefetch={false}
      className={`${box} bg-brass text-ink hover:bg-[#e0b350] focus-visible:outline-white`}
    >
      {words}
    </Link>
  );
}

interface StopProps {
  stop: WayStop;
  isHere: boolean;
  jobId: string;
  display: Display;
}

function Stop({ stop: { view, name, state, said, share }, isHere, jobId, display }: StopProps) {
  const own = useRef<HTMLLIElement>(null);
  // On a phone the strip scrolls sideways: where one is stands in it.
  useEffect(() => {
    if (isHere) own.current?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [isHere]);
  return (
    <li ref={own} className="min-w-[92px] flex-1 border-r border-dye-500/60 last:border-0">
      <Link
        href={wayHref(jobId, view)}
        prefetch={false}
        aria-current={isHere ? 'page' : undefined}
        aria-label={`${name} ${unitOnce(tell(said, display))}${SAID[state]}`}
        className={`relative flex h-full min-h-14 flex-col px-2.5 py-1 ${isHere ? 'bg-steel-100 text-ink' : 'hover:bg-dye-700'}`}
      >
        <span className="font-cond text-lg leading-tight font-semibold whitespace-nowrap">
          <span
            aria-hidden
            className={`mr-1 text-[13px] ${state === 'waits' ? (isHere ? 'text-danger' : 'text-[#ffb3b3]') : ''}`}
          >
            {SIGN[state]}
          </span>
          {name}
        </span>{' '}
        <span
          className={`text-[13px] leading-tight ${
            state === 'waits'
              ? isHere
                ? 'font-bold text-danger'
                : 'font-bold text-[#ffb3b3]'
              : isHere
                ? 'text-steel-700'
                : 'text-dye-200'
          }`}
        >
          {unitOnce(tell(said, display))}
        </span>
        {share !== undefined && (
          <span aria-hidden className="absolute inset-x-2.5 bottom-0.5 h-1 bg-black/40">
            <span className="block h-full bg-brass" style={{ width: `${share * 100}%` }} />
          </span>
        )}
      </Link>
    </li>
  );
}
