import { ViewTabs } from '@/ui/view-tabs';

const TABS = [
  ['/practice', 'Exercises'],
  ['/practice/tap', 'Tap'],
  ['/practice/press', 'Press'],
  ['/practice/punch', 'Punch'],
  ['/practice/height', 'Height'],
  ['/practice/edge', 'Edge'],
  ['/practice/why', 'Why'],
  ['/practice/class', 'Class'],
] as const;

/** The parts of practice. */
export const PracticeTabs = ({ here }: { here: (typeof TABS)[number][0] }) => (
  <ViewTabs label="Practice" tabs={TABS} here={here} />
);
