import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  label: string;
  tabs: readonly (readonly [id: string, name: ReactNode])[];
  /** Within a tab: as a row of chips. */
  small?: boolean;
}

const WIDE =
  'min-h-11 px-2 text-[17px] text-steel-700 data-[state=active]:border-b-4 data-[state=active]:border-brass-dark data-[state=active]:text-ink';
const SMALL =
  'min-h-11 sm:min-h-9 rounded-full border border-steel-300 px-3.5 text-base data-[state=active]:border-ink data-[state=active]:bg-ink data-[state=active]:text-white';

/** The keys of a set of tabs, in a row that wraps; stands inside a `Tabs.Root`. */
export function TabBar({ label, tabs, small }: Props) {
  return (
    <Tabs.List aria-label={label} className={`mb-2 flex flex-wrap ${small ? 'gap-1.5' : 'border-b border-steel-300'}`}>
      {tabs.map(([id, name]) => (
        <Tabs.Trigger key={id} value={id} className={`font-cond font-semibold ${small ? SMALL : WIDE}`}>
          {name}
        </Tabs.Trigger>
      ))}
    </Tabs.List>
  );
}
