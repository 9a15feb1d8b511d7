import { ViewTabs } from '@/ui/view-tabs';

const TABS = [
  ['/log', 'Records'],
  ['/log/learned', 'Learned'],
  ['/log/tools', 'Tools'],
] as const;

/** The three ways into what was recorded: as it happened, what it teaches, and what each tool did. */
export const LogTabs = ({ here }: { here: (typeof TABS)[number][0] }) => (
  <ViewTabs label="Log" tabs={TABS} here={here} />
);
