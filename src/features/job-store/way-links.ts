import type { WayView } from '@/core/job/stage';

/** Address of a view of a job. */
export const wayHref = (jobId: string, view: WayView, tab?: string): string =>
  `/jobs/${jobId}${view === 'part' ? '' : `/${view}`}${tab ? `?tab=${tab}` : ''}`;

const ALSO: Record<string, WayView> = { card: 'papers', sheet: 'papers', routes: 'route' };

/** The view that an address shows. */
export function viewAt(path: string, jobId: string): WayView {
  const [first = ''] = path.slice(`/jobs/${jobId}`.length).split('/').filter(Boolean);
  return first === '' ? 'part' : (ALSO[first] ?? (first as WayView));
}
