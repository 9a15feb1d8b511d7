import Link from 'next/link';

interface Props<Href extends string> {
  label: string;
  tabs: readonly (readonly [href: Href, name: string])[];
  here: Href;
}

/** The parts of a view that have addresses of their own. */
export function ViewTabs<Href extends string>({ label, tabs, here }: Props<Href>) {
  return (
    <nav aria-label={label} className="flex flex-wrap gap-x-1">
      {tabs.map(([href, name]) => (
        <Link
          key={href}
          href={href}
          prefetch={false}
          aria-current={href === here ? 'page' : undefined}
          className={`flex min-h-11 items-center px-2 font-cond text-lg font-semibold sm:px-3 ${href === here ? 'border-b-4 border-brass' : 'link'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
