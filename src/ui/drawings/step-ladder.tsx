import type { ReactNode } from 'react';
import type { Result } from '@/core/answer/answer';
import { highestRpm, lowestRpm, type Machine, type PulleyTrain, type SpeedStep } from '@/core/cutting/machine';
import { SAFE_PERCENT, type SpeedChoice } from '@/core/cutting/speed-step';
import { spreadLabels } from './spread-labels';

const W = 190;
/** Bare of title and belts a ladder is lower. */
const HEIGHT = { whole: 408, bare: 252 } as const;
const RAIL = { left: 58, right: 122 };

interface Props {
  machine: Machine;
  /** rev/min */
  ideal: number;
  speed: Result<SpeedChoice>;
  /** Speeds by other methods, marked beside the rail. */
  methods?: readonly { label: string; rpm: number }[];
  onPick?: (rpm: number) => void;
  /** Draws the belts on the rows that are set, under the rungs. */
  belts?: (pulleys: PulleyTrain, rows: readonly string[]) => ReactNode;
  /** Bare of its title, which is said beside it, and lower. */
  bare?: boolean;
}

/**
 * The machine's speeds as rungs on a log scale, the ideal as a line, the safe zone shaded, the chosen rung with the
 * belts on its rows where the pulleys are known.
 */
export function StepLadder({ machine, ideal, speed, methods = [], onPick, belts, bare = false }: Props) {
  const H = bare ? HEIGHT.bare : HEIGHT.whole;
  const TOP = bare ? 12 : 40;
  const chosen = speed.ok ? speed.value : undefined;
  const rows =
    machine.speeds.kind === 'steps' ? machine.speeds.steps.find((s) => s.rpm === chosen?.rpm)?.rows : undefined;
  const low = Math.min(lowestRpm(machine), ideal) / 1.25;
  const high = Math.max(highestRpm(machine), ideal) * 1.25;
  const drawn = machine.pulleys && rows && belts?.(machine.pulleys, rows);
  const BOTTOM = drawn ? H - 118 : H - (bare ? 12 : 22);
  const y = (rpm: number): number => BOTTOM - (Math.log(rpm / low) / Math.log(high / low)) * (BOTTOM - TOP);
  const clampY = (rpm: number): number => Math.min(Math.max(y(rpm), TOP), BOTTOM);
  const zoneTop = clampY((ideal * SAFE_PERCENT.high) / 100);
  const zoneBottom = clampY((ideal * SAFE_PERCENT.low) / 100);
  const rungs = machine.speeds.kind === 'steps' ? [...machine.speeds.steps].sort((a, b) => b.rpm - a.rpm) : [];
  const texts = spreadLabels(
    rungs.map((r) => y(r.rpm)),
    17,
    TOP - 4,
    BOTTOM + 4,
  );
  const under = chosen !== undefined && chosen.rpm <= ideal;
  const [above, below] = spreadLabels(
    under ? [y(ideal) + 1, y(chosen.rpm) + 6] : [y(chosen?.rpm ?? ideal) + 1, y(ideal) + 6],
    17,
    TOP,
    BOTTOM + 8,
  );
  const labelAt = under ? { ideal: above, chosen: below } : { chosen: above, ideal: below };
  const range = machine.speeds.kind === 'range' ? machine.speeds : undefined;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`Speeds of the ${machine.name}; ideal ${ideal.toFixed(0)}, set ${chosen ? chosen.rpm : 'none'}`}
      className="h-full w-full font-cond"
    >
      {!bare && (
        <>
          <text x="8" y="18" fill="#eef2ff" fontSize="17" fontWeight="600">
            rev/min
          </text>
          <text x="8" y="34" fill="#d5def7" fontSize="13">
            {machine.name.slice(0, 30)}
          </text>
        </>
      )}
      <rect
        x={RAIL.left - 6}
        y={zoneTop}
        width={RAIL.right - RAIL.left + 12}
        height={zoneBottom - zoneTop}
        fill="#4063b8"
        opacity="0.55"
      />
      <path d={`M${RAIL.left},${TOP} V${BOTTOM} M${RAIL.right},${TOP} V${BOTTOM}`} stroke="#b9c8ef" strokeWidth="2.5" />
      {rungs.map((rung, i) => (
        <Rung
          key={rung.rpm}
          rung={rung}
          y={y(rung.rpm)}
          textY={texts[i]}
          labelY={chosen?.rpm === rung.rpm ? labelAt.chosen : undefined}
          onPick={onPick}
        />
      ))}
      {range && (
        <>
          <rect
            x={RAIL.left + 14}
            y={y(range.maxRpm)}
            width={36}
            height={y(range.minRpm) - y(range.maxRpm)}
            fill="none"
            stroke="#eef2ff"
            strokeWidth="1.6"
          />
          {[range.maxRpm, range.minRpm].map((rpm) => (
            <text key={rpm} x={RAIL.left - 9} y={y(rpm) + 5} textAnchor="end" fill="#eef2ff" fontSize="15">
              {rpm}
            </text>
          ))}
          {chosen && <path d={`M${RAIL.left},${y(chosen.rpm)} H${RAIL.right}`} stroke="#d3a23a" strokeWidth="5" />}
        </>
      )}
      <path
        d={`M${RAIL.left - 8},${y(ideal)} H${RAIL.right + 14}`}
        stroke="#ffffff"
        strokeWidth="1.2"
        strokeDasharray="4 3"
      />
      <text x={RAIL.right + 8} y={labelAt.ideal} fill="#eef2ff" fontSize="14">
        {`ideal ${ideal.toFixed(0)}`}
      </text>
      {methods.map(({ label, rpm }) => (
        <g key={label}>
          <path d={`M${RAIL.left - 1},${clampY(rpm)} l-6,-4 v8Z`} fill="#d5def7" />
          <title>{`${label}: ${rpm.toFixed(0)}`}</title>
        </g>
      ))}
      {drawn && <g transform={`translate(10 ${H - 104})`}>{drawn}</g>}
    </svg>
  );
}

interface RungProps {
  rung: SpeedStep;
  y: number;
  textY: number;
  /** Where its label stands, on the rung that is set. */
  labelY?: number;
  onPick?: (rpm: number) => void;
}

function Rung({ rung, y, textY, labelY, onPick }: RungProps) {
  const here = labelY !== undefined;
  return (
    <g onClick={onPick && (() => onPick(rung.rpm))} className={onPick && 'cursor-pointer'}>
      {onPick && <rect x="4" y={textY - 8} width={W - 8} height="16" fill="transparent" />}
      <path
        d={`M${RAIL.left},${y} H${RAIL.right}`}
        stroke={here ? '#d3a23a' : '#eef2ff'}
        strokeWidth={here ? 5 : 1.6}
      />
      <text
        x={RAIL.left - 9}
        y={textY + 5}
        textAnchor="end"
        fill={here ? '#f0cd80' : '#eef2ff'}
        fontSize={here ? 19 : 15}
        fontWeight={here ? 600 : 500}
      >
        {rung.rpm}
      </text>
      {here && (
        <text x={RAIL.right + 8} y={labelY} fill="#f0cd80" fontSize="15" fontWeight="600">
          {rung.label.length > 12 ? rung.label.split(', ').pop() : rung.label}
        </text>
      )}
    </g>
  );
}
