import type { Work } from '@/core/job/summary';
import { CODES, KINDS } from '@/core/operation/kinds';

const SHADES = {
  light: 'bg-dye-200 text-ink',
  plain: 'bg-dye-500 text-white',
  deep: 'bg-dye-700 text-white',
  darkest: 'bg-dye-950 text-white',
  quiet: 'bg-steel-200 text-ink',
};
/** Darker the nearer it is to the size on the drawing. */
function shadeOf(code: Work['code']): string {
  const { removes, marks, beside } = KINDS[code];
  if (removes === 'bore') return beside ? SHADES.plain : SHADES.deep;
  if (removes === 'mouth') return SHADES.plain;
  if (removes === 'size' || removes === 'thread') return SHADES.darkest;
  return marks || code === 'deburr' ? SHADES.light : SHADES.quiet;
}

interface Props {
  work: readonly Work[];
  /** Operations done on the part in hand, by kind. */
  done?: Record<string, number>;
}

/** The operations of a job in order, the holes of each kind once, as a strip; a line under each says how far it is. */
export function RouteStrip({ work: unsorted, done }: Props) {
  const work = [...unsorted].sort((a, b) => CODES.indexOf(a.code) - CODES.indexOf(b.code));
  if (work.length === 0) return null;
  return (
    <ol
      className="flex min-h-8 w-full flex-wrap gap-y-px overflow-hidden rounded-sm font-cond text-[15px] font-medium"
      aria-label="Operations, and how many of each in one part"
    >
      {work.map(({ code, times }) => (
        <li
          key={code}
          style={{ flexGrow: times }}
          className={`relative flex min-w-fit items-center justify-center gap-1 px-1 whitespace-nowrap ${shadeOf(code)}`}
        >
          {KINDS[code].sign} {times}
          {done && (
            <span
              role="img"
              aria-label={`, ${Math.min(times, done[code] ?? 0)} done`}
              className="absolute bottom-0 left-0 h-1.5 bg-brass"
              style={{ width: `${(100 * Math.min(times, done[code] ?? 0)) / times}%` }}
            />
          )}
        </li>
      ))}
    </ol>
  );
}
