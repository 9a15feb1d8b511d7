'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';

const VIEWS = [
  ['/', 'Ask'],
  ['/jobs', 'Jobs'],
  ['/crib', 'Crib'],
] as const;

/** The views in the order of the work, on a strip like the edge of a steel rule. */
export function TopBar() {
  const path = usePathname();
  return (
    <header className="relative flex h-12 items-stretch gap-1 bg-ink px-3 text-steel-100 sm:px-4 print:hidden">
      <a href="#main" className="sr-only focus:not-sr-only focus:self-center focus:px-2">
        To the content
      </a>
      <span className="mr-4 self-center font-cond text-xl font-semibold tracking-wide">
        Jolly <span className="text-brass">Bit</span>
      </span>
      <nav aria-label="Views" className="flex">
        {VIEWS.map(([href, name]) => {
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
    </header>
  );
}
