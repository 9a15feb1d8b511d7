import { holeKey, type HoleAt } from '@/core/run/bench-record';
import type { RunOfIssue } from '@/core/run/run-of-issue';
import type { Deviation } from './deviation-plot';

/** How far each hole whose place was measured is off it. */
export function deviationsOf(here: RunOfIssue, holes: readonly { name: string; at: HoleAt }[]): Deviation[] {
  return holes.flatMap(({ name, at }): Deviation[] => {
    const kept = here.latest.get(holeKey(at))?.get('position');
    const made = kept && here.planAt(at);
    if (!kept || !made?.ok) return [];
    const { drawn, zoneMm } = here.settingFor(at, made.value);
    if (!drawn || !zoneMm) return [];
    const { values, verdict } = kept.body;
    return [{ name, off: { x: values.x - drawn.x, y: values.y - drawn.y }, zoneMm, good: verdict === 'good' }];
  });
}
