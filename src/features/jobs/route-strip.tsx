import type { Work } from '@/core/job/summary';

const NAME: Record<Work['code'], string> = {
  'lay-out': 'lay out',
  start: 'start',
  pilot: 'pilot',
  open: 'open',
  drill: 'drill',
  deepen: 'drill on',
  'step-drill': 'step drill',
  annular: 'ring cut',
  saw: 'saw',
  ream: 'ream',
  counterbore: 'counterbore',
  countersink: 'countersink',
  chamfer: 'chamfer',
  tap: 'tap',
  chase: 'chase',
  deburr: 'deburr',
  check: 'check',
  note: 'other',
};
const SHADE: Record<Work['code'], string> = {
  'lay-out': 'bg-dye-200 text-ink',
  start: 'bg-dye-200 text-ink',
  pilot: 'bg-dye-500 text-white',
  open: 'bg-dye-500 text-white',
  drill: 'bg-dye-700 text-white',
  deepen: 'bg-dye-700 text-white',
  'step-drill': 'bg-dye-700 text-white',
  annular: 'bg-dye-700 text-white',
  saw: 'bg-dye-700 text-white',
  ream: 'bg-dye-950 text-white',
  counterbore: 'bg-dye-500 text-white',
  countersink: 'bg-dye-500 text-white',
  chamfer: 'bg-dye-500 text-white',
  tap: 'bg-dye-950 text-white',
  chase: 'bg-steel-200 text-ink',
  deburr: 'bg-dye-200 text-ink',
  check: 'bg-steel-200 text-ink',
  note: 'bg-steel-200 text-ink',
};

/** The operations of a job in order, the holes of each kind once, as a strip. */
export function RouteStrip({ work: unsorted }: { work: readonly Work[] }) {
  const order = Object.keys(NAME);
  const work = [...unsorted].sort((a, b) => order.indexOf(a.code) - order.indexOf(b.code));
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
          className={`flex min-w-0 items-center justify-center gap-1 px-1 whitespace-nowrap ${SHADE[code]}`}
        >
          <span className="truncate">{NAME[code]}</span> {times}
        </li>
      ))}
    </ol>
  );
}
