import { holeName, type WorkItem } from '@/core/route/work-item';

const SIGNS = { good: '✓', bad: '✕', wait: '!', open: '' } as const;

interface Props {
  holes: readonly WorkItem[];
  item: WorkItem;
  part: number;
  quantity: number;
  /** One part in so many is gauged. */
  every: number;
  duePartsOf: (featureId: string, hole: number) => readonly number[];
  stateOf: (item: WorkItem) => keyof typeof SIGNS;
  onPart: (part: number) => void;
  onHole: (item: WorkItem) => void;
}

/** The holes that are gauged, each with how it stands, and the part that they are of. */
export function HoleNav({ holes, item, part, quantity, every, duePartsOf, stateOf, onPart, onHole }: Props) {
  return (
    <nav aria-label="Holes" className="plate flex flex-col gap-2 p-2">
      {quantity > 1 && (
        <label className="flex items-center gap-2 font-cond text-lg">
          Part
          <select className="field h-11" value={part} onChange={(e) => onPart(Number(e.target.value))}>
            {Array.from({ length: quantity }, (_, i) => i + 1).map((n) => (
              <option key={n} value={n}>
                {n}
                {duePartsOf(item.featureId, item.hole).includes(n) ? '' : ', not due'}
              </option>
            ))}
          </select>
        </label>
      )}
      {every > 1 && (
        <p className="text-[14px] text-steel-700">The first part, one in {every}, and the last; all after a fault.</p>
      )}
      <ul className="grid grid-cols-3 gap-1.5">
        {holes.map((h) => {
          const state = stateOf(h);
          const current = h === item;
          return (
            <li key={h.id}>
              <button
                type="button"
                aria-current={current ? 'true' : undefined}
                onClick={() => onHole(h)}
                className={`h-12 w-full rounded-sm border font-cond text-lg font-semibold ${
                  current ? 'border-ink bg-ink text-white' : 'border-steel-300 bg-white'
                } ${!current && (state === 'bad' || state === 'wait') ? 'text-danger' : ''} ${!current && state === 'good' ? 'text-pass' : ''}`}
              >
                {holeName(h)} <span aria-label={state}>{SIGNS[state]}</span>
              </button>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
