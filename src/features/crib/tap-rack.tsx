import { tapName, type OwnTap } from '@/core/tapping/own-tap';
import { roleOf, type TapNames } from '@/core/tapping/tap';
import { threadNamed } from '@/core/threads/thread-named';
import { named } from '@/ui/named';

const WIDTH = 46;
const HEIGHT = 112;

interface ShapeProps {
  tap: OwnTap;
  majorMm: number;
  pitchMm: number;
  /** Length that fills the height, mm. */
  longestMm: number;
}

/** One tap from the side, to the scale of its board: square, shank, thread with its flutes and chamfer. */
function TapShape({ tap, majorMm, pitchMm, longestMm }: ShapeProps) {
  const scale = (HEIGHT - 8) / longestMm;
  const length = Math.min(HEIGHT - 8, tap.overallMm * scale);
  // Across, small taps are drawn wider than true so that they can be told apart.
  const across = (mm: number): number => 5 + 1.35 * Math.min(mm, 20);
  const thread = Math.max(12, tap.threadMm * scale);
  const middle = WIDTH / 2;
  const half = across(majorMm) / 2;
  const shank = across(tap.shankMm) / 2;
  const square = (shank * tap.squareMm) / tap.shankMm;
  const tip = 4 + length;
  const top = tip - thread;
  const chamfer = Math.min(thread * 0.8, Math.max(2.5, tap.chamferThreads * pitchMm * scale));
  const broken = tap.condition === 'broken';
  const end = broken ? top + thread * 0.4 : tip;
  const solid = tap.condition === 'sharp' || tap.condition === 'worn';
  const marks = { fill: 'none', stroke: '#14275e', strokeWidth: 1.1 };
  return (
    <svg width={WIDTH} height={HEIGHT} aria-hidden>
      <g
        fill={solid ? '#eef2ff' : 'none'}
        stroke="#eef2ff"
        strokeWidth="1.1"
        strokeDasharray={solid ? undefined : '3 2'}
      >
        <rect x={middle - square} y="4" width={2 * square} height="9" />
        <rect x={middle - shank} y="13" width={2 * shank} height={Math.max(1, top - 13)} />
        {broken ? (
          <path d={`M${middle - half},${top} h${2 * half} V${end - 4} l${-half},5 l${-half},-3 Z`} />
        ) : (
          <path
            d={`M${middle - half},${top} h${2 * half} V${tip - chamfer} L${middle + half * 0.55},${tip} h${-1.1 * half} L${middle - half},${tip - chamfer} Z`}
          />
        )}
      </g>
      {solid && tap.geometry === 'straight' && (
        <path d={`M${middle},${top + 2} V${tip - 1}`} {...marks} strokeWidth="2.4" />
      )}
      {solid && tap.geometry === 'spiral-point' && (
        <path d={`M${middle},${top + 2} V${tip - 9} L${middle + half * 0.5},${tip - 1}`} {...marks} strokeWidth="2.4" />
      )}
      {solid && tap.geometry === 'spiral-flute' && (
        <path
          d={[0, 0.33, 0.66]
            .map((p) => `M${middle - half},${top + 4 + p * thread + 9} L${middle + half},${top + 2 + p * thread}`)
            .join(' ')}
          {...marks}
          strokeWidth="2"
        />
      )}
      {solid && (tap.geometry === 'form' || tap.geometry === 'pipe') && (
        <path
          d={[0.15, 0.35, 0.55, 0.75]
            .map((p) => `M${middle - half + 1},${top + p * thread} h${2 * half - 2}`)
            .join(' ')}
          {...marks}
        />
      )}
    </svg>
  );
}

interface Props<T extends OwnTap> {
  taps: readonly T[];
  names: TapNames;
  onPick: (tap: T) => void;
  /** Fills a gap of a hand set. */
  onGap: (thread: string, role: 'taper' | 'plug' | 'bottoming') => void;
}

/** Hand taps first, in the order of use. */
const ORDER = ['pipe', 'straight', 'spiral-point', 'spiral-flute', 'form'];
const HAND = ['taper', 'plug', 'bottoming'] as const;
const NAMED: Record<TapNames, readonly string[]> = {
  'taper-plug-bottoming': ['taper', 'plug', 'bottoming'],
  'taper-second-plug': ['taper', 'second', 'plug'],
};

/** The taps as they hang in their rack, a board a thread; what a hand set lacks is a gap. */
export function TapRack<T extends OwnTap>({ taps, names, onPick, onGap }: Props<T>) {
  const threads = [...new Set(taps.map((t) => t.thread))]
    .map((name) => ({ name, thread: threadNamed(name) }))
    .sort((a, b) => (a.thread?.majorMm ?? 0) - (b.thread?.majorMm ?? 0));
  return (
    <ul className="flex flex-wrap gap-2">
      {threads.map(({ name, thread }) => {
        const own = taps
          .filter((t) => t.thread === name)
          .sort((a, b) => ORDER.indexOf(a.geometry) - ORDER.indexOf(b.geometry) || b.chamferThreads - a.chamferThreads);
        const roles = thread ? own.map((t) => roleOf(t, thread)) : [];
        const isSet = HAND.filter((role) => roles.includes(role)).length >= 2;
        const gaps = isSet ? HAND.filter((role) => !roles.includes(role)) : [];
        return (
          <li key={name} className="dye max-w-full px-2 pt-2 pb-1">
            <h2 className="font-cond text-xl leading-6 font-semibold">{name}</h2>
            <ul className="flex flex-wrap">
              {own.map((tap) => {
                const kind = tap.geometry === 'straight' ? tapName(tap, names) : tap.geometry.replace('-', ' ');
                const shown = `${kind} ${tap.chamferThreads}`;
                const marked = [
                  tap.hand === 'left' ? 'left' : '',
                  tap.condition === 'sharp' ? '' : tap.condition,
                ].filter(Boolean);
                return (
                  <li key={tap.id}>
                    <button
                      type="button"
                      className="flex w-[58px] flex-col items-center"
                      aria-label={named(
                        [shown, ...marked].join(' '),
                        `${name} ${tapName(tap, names)}, ${tap.chamferThreads} chamfer threads, ${tap.condition}${tap.hand === 'left' ? ', left hand' : ''}`,
                      )}
                      onClick={() => onPick(tap)}
                    >
                      <TapShape
                        tap={tap}
                        majorMm={thread?.majorMm ?? 6}
                        pitchMm={thread?.pitchMm ?? 1}
                        longestMm={Math.max(...own.map((t) => t.overallMm))}
                      />
                      <span className="font-cond text-[15px] leading-4 font-medium">{shown}</span>{' '}
                      <span className="min-h-3.5 font-cond text-[13px] leading-tight">{marked.join(' ')}</span>
                    </button>
                  </li>
                );
              })}
              {gaps.map((role) => (
                <li key={role}>
                  <button
                    type="button"
                    className="flex w-[58px] flex-col items-center"
                    aria-label={named(`${NAMED[names][HAND.indexOf(role)]} missing`, `add it to the ${name} taps`)}
                    onClick={() => onGap(name, role)}
                  >
                    <svg width={WIDTH} height={HEIGHT} aria-hidden>
                      <rect
                        x={WIDTH / 2 - 7}
                        y="6"
                        width="14"
                        height={HEIGHT - 14}
                        rx="3"
                        fill="none"
                        stroke="#d5def7"
                        strokeDasharray="3 3"
                      />
                    </svg>
                    <span className="font-cond text-[15px] leading-4 font-medium">
                      {NAMED[names][HAND.indexOf(role)]}
                    </span>{' '}
                    <span className="min-h-3.5 font-cond text-[13px] leading-tight">missing</span>
                  </button>
                </li>
              ))}
            </ul>
          </li>
        );
      })}
    </ul>
  );
}
