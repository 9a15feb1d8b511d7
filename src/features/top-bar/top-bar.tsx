'use client';

import { later } from '@/ui/later';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useState } from 'react';
import { useKeys } from '@/ui/keys';
import { UnitSwitch } from '@/ui/units';

const GoTo = later(() => import('./go-to'));

const VIEWS = [
  ['/', 'Ask'],
  ['/jobs', 'Jobs'],
  ['/log', 'Log'],
  ['/crib', 'Crib'],
  ['/practice', 'Practice'],
] as const;

/** What the browser read of the shop goes with whoever signs out. */
async function signOut(): Promise<void> {
  const [{ send }, { forgetReads }] = await Promise.all([import('@/ui/send'), import('../job-store/forget-reads')]);
  const { ok } = await send('DELETE', '/api/v1/session');
  if (ok) await forgetReads();
  window.location.assign('/sign-in');
}

/** The views in the order of the work, on a strip like the edge of a steel rule. */
export function TopBar({ signedInAs }: { signedInAs?: string }) {
  const path = usePathname();
  const [going, setGoing] = useState(false);
  const signedIn = path !== '/sign-in';
  useKeys({ '/': () => setGoing(signedIn), '$mod+KeyK': () => setGoing(signedIn) });
  return (
    <header className="relative flex h-12 items-stretch gap-0 bg-ink px-1 text-steel-100 sm:gap-1 sm:px-4 print:hidden">
      <a href="#main" className="sr-only focus:not-sr-only focus:self-center focus:px-2">
        To the content
      </a>
      <span className="mr-1 hidden self-center font-cond text-xl font-semibold tracking-wide whitespace-nowrap min-[520px]:block sm:mr-2">
        Jolly <span className="text-brass">Bit</span>
      </span>
      <nav aria-label="Views" className="flex">
        {signedIn &&
          VIEWS.map(([href, name]) => {
            const here = href === '/' ? path === '/' : path.startsWith(href);
            return (
              <Link
                key={href}
                href={href}
                prefetch={false}
                aria-current={here ? 'page' : undefined}
                className={`flex min-w-11 items-center justify-center px-1 font-cond text-lg font-semibold max-[359px]:min-w-9 max-[359px]:text-base sm:min-w-14 sm:px-3 ${
                  here ? 'border-b-4 border-brass pt-1 text-white' : 'text-steel-200 hover:text-white'
                }`}
              >
                {name}
              </Link>
            );
          })}
      </nav>
      {signedIn && (
        <span className="ml-auto flex items-stretch gap-1 sm:gap-4">
          <button
            type="button"
            title="/ or Ctrl+K"
            onClick={() => setGoing(true)}
            className="min-w-11 font-cond text-lg text-steel-200 sm:px-2 hover:text-white"
          >
            <kbd className="rounded-sm border border-steel-500 px-1.5">/</kbd>
            <span className="ml-2 hidden sm:inline">go to anything</span>
            <span className="sr-only sm:hidden">go to anything</span>
          </button>
          <UnitSwitch />
        </span>
      )}
      {going && <GoTo onClose={() => setGoing(false)} />}
      {signedInAs !== undefined && (
        <span className="flex items-center gap-3 font-cond text-lg">
          <span className="hidden max-w-40 truncate sm:inline">{signedInAs}</span>
          <button
            type="button"
            className="min-h-11 px-2 font-semibold whitespace-nowrap text-steel-200 hover:text-white"
            onClick={() => void signOut()}
          >
            Sign out
          </button>
        </span>
      )}
    </header>
  );
}
