import { memo } from 'react';
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

/** The parts of practice; drawn once, however often hands move beside them. */
export const PracticeTabs = memo(function PracticeTabs({ here }: { here: (typeof TABS)[number][0] }) {
  return <ViewTabs label="Practice" tabs={TABS} here={here} />;
});
