import { drillName, isUsable, type Drill, pointAngleOf } from '@/core/drills/drill';
import { showText, type Display } from '@/core/units/show';
import { named } from '@/ui/named';

interface Props<D extends Drill> {
  drills: readonly D[];
  /** Sizes that the case was made for; those not in it are shown as missing. */
  madeFor: readonly Drill[];
  display: Display;
  /** Opens a drill, or the gap where one is missing. */
  onPick: (drill: D | undefined, size: Drill) => void;
}

interface Hole<D> {
  drill: Drill;
  own?: D;
  state: 'sharp' | 'worn' | 'blunt' | 'missing';
}

const MARK: Record<Hole<Drill>['state'], string> = { sharp: '', worn: 'worn', blunt: 'blunt', missing: 'missing' };

function holesOf<D extends Drill>(drills: readonly D[], madeFor: readonly Drill[]): Hole<D>[] {
  const gaps = madeFor.filter((m) => !drills.some((d) => Math.abs(d.diameterMm - m.diameterMm) < 0.004));
  return [
    ...drills.map((drill): Hole<D> => ({
      drill,
      own: drill,
      state: drill.condition === 'lost' ? 'missing' : (drill.condition ?? 'sharp'),
    })),
    ...gaps.map((drill): Hole<D> => ({ drill, state: 'missing' })),
  ].sort((a, b) => a.drill.diameterMm - b.drill.diameterMm);
}

/** The drills as they stand in their case, seen from above, larger and smaller within it; gaps and blunt ones hollow. */
export function DrillIndex<D extends Drill>({ drills, madeFor, display, onPick }: Props<D>) {
  const holes = holesOf(drills, madeFor);
  const sizes = holes.map((h) => h.drill.diameterMm);
  const [least, most] = [Math.min(...sizes), Math.max(...sizes)];
  return (
    <ul className="dye grid grid-cols-[repeat(auto-fill,minmax(46px,1fr))] items-end gap-y-1.5 px-2 pt-3 pb-2">
      {holes.map(({ drill, own, state }) => {
        // From the least to the most of this case, so that small ones can be told apart.
        const size = 6 + 25 * ((drill.diameterMm - least) / Math.max(0.1, most - least)) ** 0.75;
        const marks = [drill.material && drill.material !== 'hss' ? drill.material : '', MARK[state]].filter(Boolean);
        const there = state !== 'missing' && isUsable(drill);
        return (
          <li
            key={`${drill.series}${drill.label}${drill.material ?? ''}${(own as { id?: string } | undefined)?.id ?? ''}`}
          >
            <button
              type="button"
              onClick={() => onPick(own, drill)}
              className="flex w-full flex-col items-center"
              aria-label={named(
                [drill.label, ...marks].join(' '),
                `${drillName(drill)}${marks.includes(state) ? '' : `, ${state}`}`,
              )}
              title={`${drillName(drill)}, ${showText({ value: drill.diameterMm, unit: 'mm' }, display)}, ${pointAngleOf(drill)}°, ${drill.material ?? 'hss'}`}
            >
              <svg width="34" height="34" aria-hidden>
                <circle
                  cx="17"
                  cy="17"
                  r={size / 2}
                  fill={there ? '#eef2ff' : 'none'}
                  stroke={there ? '#eef2ff' : '#d5def7'}
                  strokeWidth="1.3"
                  strokeDasharray={there ? undefined : '2.5 2'}
                />
                {there && size > 9 && (
                  <path
                    d={`M${17 - size * 0.4},${17 - size * 0.12} L${17 + size * 0.1},${17 - size * 0.12} L${17 - size * 0.1},${17 + size * 0.12} L${17 + size * 0.4},${17 + size * 0.12}`}
                    fill="none"
                    stroke="#14275e"
                    strokeWidth="1.2"
                    transform="rotate(35 17 17)"
                  />
                )}
              </svg>
              <span className="font-cond text-[15px] leading-none font-medium">{drill.label}</span>{' '}
              <span className="h-3.5 font-cond text-[12px] leading-tight">{marks.join(' ')}</span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
