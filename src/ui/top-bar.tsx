'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { send } from './send';

const VIEWS = [
  ['/', 'Ask'],
  ['/jobs', 'Jobs'],
  ['/crib', 'Crib'],
] as const;

async function signOut(): Promise<void> {
  await send('DELETE', '/api/v1/session');
  window.location.assign('/sign-in');
}

/** The views in the order of the work, on a strip like the edge of a steel rule. */
export function TopBar({ signedInAs }: { signedInAs?: string }) {
  const path = usePathname();
  return (
    <header className="relative flex h-12 items-stretch gap-1 bg-ink px-3 text-steel-100 sm:px-4 print:hidden">
      <a href="#main" className="sr-only focus:not-sr-only focus:self-center focus:px-2">
        To the content
      </a>
      <span className="mr-2 self-center whitespace-nowrap font-cond text-xl font-semibold tracking-wide">
        Jolly <span className="text-brass">Bit</span>
      </span>
      <nav aria-label="Views" className="flex">
        {path !== '/sign-in' &&
          VIEWS.map(([href, name]) => {
            const here = href === '/' ? path === '/' : path.startsWith(href);
            return (
              <Link
                key={href}
                href={href}
                prefetch={false}
                aria-current={here ? 'page' : undefined}
                className={`flex min-w-14 items-center justify-center px-3 font-cond text-lg font-semibold ${
                  here ? 'border-b-4 border-brass pt-1 text-white' : 'text-steel-200 hover:text-white'
                }`}
              >
                {name}
              </Link>
            );
          })}
      </nav>
      {signedInAs !== undefined && (
        <span className="ml-auto flex items-center gap-3 font-cond text-lg">
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
