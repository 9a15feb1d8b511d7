import type { Job } from '@/contracts/job';

interface FollowsProps {
  hole: Job['holes'][number];
  letters: ReadonlyMap<string, string>;
  onChange: (hole: Job['holes'][number]) => void;
}

/** The figures of a place that follows another feature: where it is mirrored, how far it is offset, mm. */
export function Follows({ hole, letters, onChange }: FollowsProps) {
  const { place } = hole;
  if (place?.kind !== 'mirror' && place?.kind !== 'offset') return null;
  const number = (text: string, placeOf: (value: number) => typeof place): void => {
    const value = Number(text);
    if (Number.isFinite(value)) onChange({ ...hole, place: placeOf(value) });
  };
  const field = 'h-9 w-20 rounded-sm border border-steel-500 bg-white px-1.5';
  return (
    <span className="flex flex-wrap items-center gap-1.5 text-[15px]">
      {place.kind} of {letters.get(place.of) ?? '?'},{' '}
      {place.kind === 'mirror' ? (
        <>
          <select
            aria-label="Axis"
            className={field}
            value={place.axis}
            onChange={(e) => onChange({ ...hole, place: { ...place, axis: e.target.value as 'x' | 'y' } })}
          >
            <option value="x">x =</option>
            <option value="y">y =</option>
          </select>
          <input
            aria-label="Line, mm"
            className={field}
            type="number"
            step="any"
            defaultValue={place.at}
            onChange={(e) => number(e.target.value, (at) => ({ ...place, at }))}
          />
        </>
      ) : (
        <>
          <input
            aria-label="Across, mm"
            className={field}
            type="number"
            step="any"
            defaultValue={place.dx}
            onChange={(e) => number(e.target.value, (dx) => ({ ...place, dx }))}
          />
          <input
            aria-label="Up, mm"
            className={field}
            type="number"
            step="any"
            defaultValue={place.dy}
            onChange={(e) => number(e.target.value, (dy) => ({ ...place, dy }))}
          />
        </>
      )}{' '}
      mm
    </span>
  );
}
