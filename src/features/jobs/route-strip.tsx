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

/** The operations of a job in order, the holes of each kind once, as a strip. */
export function RouteStrip({ work: unsorted }: { work: readonly Work[] }) {
  const work = [...unsorted].sort((a, b) => CODES.indexOf(a.code) - CODES.indexOf(b.code));
  if (work.length === 0) return null;
  return (
    <ol
      className="flex h-7 w-full overflow-hidden rounded-sm font-cond text-[15px] font-medium"
      aria-label="Operations, and how many of each in one part"
    >
      {work.map(({ code, times }) => (
        <li
          key={code}
          style={{ flexGrow: times }}
          className={`flex min-w-0 items-center justify-center gap-1 px-1 whitespace-nowrap ${shadeOf(code)}`}
        >
          <span className="truncate">{KINDS[code].sign}</span> {times}
        </li>
      ))}
    </ol>
  );
}
