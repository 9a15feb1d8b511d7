import Link from 'next/link';

const TABS = [
  ['/log', 'Records'],
  ['/log/learned', 'Learned'],
  ['/log/tools', 'Tools'],
] as const;

/** The three ways into what was recorded: as it happened, what it teaches, and what each tool did. */
export function LogTabs({ here }: { here: (typeof TABS)[number][0] }) {
  return (
    <nav aria-label="Log" className="flex gap-1">
      {TABS.map(([href, name]) => (
        <Link
          key={href}
          href={href}
          prefetch={false}
          aria-current={href === here ? 'page' : undefined}
          className={`flex min-h-11 items-center px-3 font-cond text-lg font-semibold ${href === here ? 'border-b-4 border-brass' : 'link'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
