import { turnsText } from '@/core/units/show';

/** Where the strip stands in the section's drawing. */
export const STRIP = { left: 352, width: 30 };

/** The turns of the last tap, from the first bite to where it has to stop. */
export interface Turns {
  total: number;
  /** Forward before turning back; 0 for none. */
  bite: number;
  pitchMm: number;
  fromMm: number;
  /** Turns after which the full thread is made and only the chamfer goes on. */
  full: number;
  /** Nothing stops it: there is no last safe turn. */
  through: boolean;
}

/** Turn by turn beside the depths that the tap's nose reaches: bites, the run of the chamfer, the last safe turn. */
export function TurnStrip({
  turns: { total, bite, pitchMm, fromMm, full, through },
  y,
}: {
  turns: Turns;
  y: (mm: number) => number;
}) {
  const at = (turn: number): number => y(fromMm + turn * pitchMm);
  const perTurn = Math.max(0.1, (at(total) - at(0)) / total);
  // Bites too fine to be told apart are drawn as turns.
  const step = bite > 0 && bite * perTurn >= 3.5 ? bite : Math.max(1, Math.ceil(3.5 / perTurn));
  const bars = Array.from({ length: Math.ceil(total / step - 1e-9) }, (_, i) => i * step);
  const label = [1, 2, 5, 10, 20, 50].find((n) => n * perTurn >= 24) ?? 100;
  return (
    <g
      className="font-cond"
      role="img"
      aria-label={`${turnsText(total, !through)} turns${through ? ', then it is through' : ', the last that is safe'}`}
    >
      <text x={STRIP.left} y={at(0) - 9} fill="#d5def7" fontSize="13">
        {bite > 0 ? 'turns, bite by bite' : 'turns, no reversing'}
      </text>
      {bars.map((turn) => (
        <rect
          key={turn}
          x={STRIP.left}
          y={at(turn) + 0.6}
          width={STRIP.width}
          height={Math.max(1.4, at(Math.min(total, turn + step)) - at(turn) - 1.4)}
          fill={turn >= full ? '#96702a' : '#d3a23a'}
        />
      ))}
      {Array.from({ length: Math.floor(total / label) }, (_, i) => (i + 1) * label)
        .filter((turn) => at(total) - at(turn) > 14)
        .map((turn) => (
          <text key={turn} x={STRIP.left + STRIP.width + 7} y={at(turn) + 5} fill="#d5def7" fontSize="13">
            {turn}
          </text>
        ))}
      <path
        d={`M${STRIP.left - 8},${at(total)} h${STRIP.width + 22}`}
        stroke={through ? '#eef2ff' : '#ff9d9d'}
        strokeWidth="2.4"
      />
      {(through
        ? [`through at ${turnsText(full)}`, `run on to ${turnsText(total)}`]
        : [`${turnsText(total, true)} turns,`, 'the last safe']
      ).map((line, i) => (
        <text key={line} x={STRIP.left - 8} y={at(total) + 18 * (i + 1)} fill="#eef2ff" fontSize="16" fontWeight="700">
          {line}
        </text>
      ))}
    </g>
  );
}
