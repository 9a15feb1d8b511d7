import type { RouteSettings } from '@/contracts/route';
import type { RouteSetUp, Visit } from '@/core/route/route';
import { showText, type Display } from '@/core/units/show';
import { SortableStep } from '@/ui/sortable-step';

export const timeOf = (s: number): string => (s < 100 ? `${Math.round(s)} s` : `${(s / 60).toFixed(1)} min`);

export const toggled = (list: readonly string[] | undefined, key: string): string[] =>
  list?.includes(key) ? list.filter((k) => k !== key) : [...(list ?? []), key];

/** Holes of a visit by feature: A ×3, B ×4. */
function holesOf({ items }: Visit): string {
  const counts = new Map<string, number>();
  for (const { letter } of items) counts.set(letter, (counts.get(letter) ?? 0) + 1);
  return [...counts]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([letter, n]) => (n > 1 ? `${letter} ×${n}` : letter))
    .join(', ');
}

interface Props {
  visit: Visit;
  /** Its number in the set-up, from 0. */
  at: number;
  setUp: RouteSetUp;
  settings: RouteSettings;
  decide: (change: (settings: RouteSettings) => RouteSettings) => void;
  display: Display;
  chosen: boolean;
  onChoose: (visit: string) => void;
}

/** One tool of a set-up: which holes, at which speed and stop, how long; chosen, it can be pinned or unclamped after. */
export function VisitRow({ visit, at, setUp: { key, visits }, settings, decide, display, chosen, onChoose }: Props) {
  const stops = [
    ...new Set(visit.items.flatMap((item) => (item.stopMm === undefined ? [] : [item.stopMm.toFixed(2)]))),
  ];
  const pinned = settings.pinned?.includes(visit.key) ?? false;
  const split = settings.splits?.includes(visit.key) ?? false;
  return (
    <SortableStep id={visit.key} chosen={chosen} number={at + 1}>
      <div className="flex min-w-0 flex-wrap items-center gap-x-3 py-1">
        <button
          type="button"
          aria-pressed={chosen}
          className="grid min-h-11 min-w-0 flex-1 basis-64 grid-cols-[22px_minmax(0,1fr)_auto] gap-x-1.5 px-1 text-left"
          onClick={() => onChoose(visit.key)}
        >
          <span className="font-cond text-[17px] font-semibold text-steel-700">{at + 1}</span>
          <span className="min-w-0">
            <strong>{visit.tool}</strong>
            {!visit.inCrib && <span className="ml-1.5 text-sm text-danger">to buy</span>}{' '}
            <span className="text-[15px]">{holesOf(visit)}</span>
            <span className="block text-[15px] text-steel-700">
              {[
                visit.rpm === undefined ? '' : `${visit.rpm.toFixed(0)} rev/min, ${visit.speedLabel}`,
                stops.length === 0 && visit.items.some((item) => item.stopOff) ? 'through, stop off' : '',
                stops.length > 0
                  ? `stop ${stops.map((mm) => showText({ value: Number(mm), unit: 'mm', places: 1 }, display)).join(', ')}`
                  : '',
                visit.items[0].ownHoles ? `hole from ${visit.items[0].ownHoles} of your own` : '',
              ]
                .filter(Boolean)
                .join('; ')}
            </span>
          </span>
          <span className="font-cond text-[17px] whitespace-nowrap text-steel-700">
            {timeOf(visit.changeS + visit.workS)}
          </span>
        </button>
        {(pinned || chosen) && (
          <label className="flex min-h-11 items-center gap-1.5 text-sm">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={pinned}
              onChange={() =>
                decide((s) => ({
                  ...s,
                  pinned: toggled(s.pinned, visit.key),
                  // What is pinned stays where it is when the rest is planned again.
                  order: { ...s.order, [key]: s.order?.[key] ?? visits.map((v) => v.key) },
                }))
              }
            />
            pinned
          </label>
        )}
        {at < visits.length - 1 && (split || chosen) && (
          <label className="flex min-h-11 items-center gap-1.5 text-sm">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={split}
              onChange={() => decide((s) => ({ ...s, splits: toggled(s.splits, visit.key) }))}
            />
            unclamp after
          </label>
        )}
      </div>
    </SortableStep>
  );
}
