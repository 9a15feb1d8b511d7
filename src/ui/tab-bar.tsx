import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  label: string;
  tabs: readonly (readonly [id: string, name: ReactNode])[];
}

/** The keys of a set of tabs, in a row that wraps; stands inside a `Tabs.Root`. */
export function TabBar({ label, tabs }: Props) {
  return (
    <Tabs.List aria-label={label} className="mb-2 flex flex-wrap border-b border-steel-300">
      {tabs.map(([id, name]) => (
        <Tabs.Trigger
          key={id}
          value={id}
          className="min-h-11 px-2 font-cond text-[17px] font-semibold text-steel-700 data-[state=active]:border-b-4 data-[state=active]:border-brass-dark data-[state=active]:text-ink"
        >
          {name}
        </Tabs.Trigger>
      ))}
    </Tabs.List>
  );
}
