import type { TurnStrip as Strip } from '@/core/tapping/turn-strip';
import { turnsText } from '@/core/units/show';

const LEFT = 14;
const BAR = { top: 44, height: 46 };

interface Props {
  strip: Strip;
  /** The tap that it is of. */
  name: string;
  /** Turns done so far, at the bench. */
  done?: number;
  /** In its own units: the narrower, the larger its words. */
  width?: number;
}

/** What the last turn of a tap is: the one that is through, the last safe one, or where it no longer reaches. */
const endOf = ({ total, last, hardStop }: Strip, through: string, safe: string, short: string): string =>
  last < total - 1e-9 ? short : hardStop === undefined ? through : safe;

/** Every turn of a tap from the first bite to the bottom: bites, clear-outs, the last safe turn, where to switch off. */
export function TurnStrip({ strip, name, done, width = 1000 }: Props) {
  const right = width - LEFT;
  const { total, last, chamfer, reversals, clearOuts, hardStop, power } = strip;
  const end = (hardStop ?? total) * 1.04;
  const x = (turn: number): number => LEFT + ((right - LEFT) * turn) / end;
  const step = [1, 2, 5, 10, 20].find((n) => x(n) - x(0) > 46) ?? 50;
  // Bites finer than a line are drawn by their whole turns.
  const bites =
    reversals.length > 0 && x(reversals[0]) - x(0) < 5 ? reversals.filter((t) => Number.isInteger(t)) : reversals;
  const say = [
    `${turnsText(last, true)} turns${endOf(strip, ', then it is through', ', the last safe one', ', as far as it reaches')}`,
    reversals.length > 0 ? `back every ${turnsText(reversals[0])} turns` : 'no turning back',
    ...(clearOuts.length > 0 ? [`clear the chips at ${clearOuts.map((t) => t.toFixed(0)).join(', ')}`] : []),
    ...(hardStop === undefined ? [] : [`the bottom at ${turnsText(hardStop, true)}`]),
    ...(power?.switchOff === undefined ? [] : [`switch off at ${turnsText(power.switchOff, true)}`]),
  ];
  const label = { fill: '#eef2ff', fontSize: 19, fontWeight: 600 } as const;
  return (
    <svg
      viewBox={`0 0 ${width} 146`}
      role="img"
      aria-label={`${name}: ${say.join('; ')}`}
      className="font-cond h-auto w-full"
    >
      <rect x={x(0)} y={BAR.top} width={x(total) - x(0)} height={BAR.height} fill="#d3a23a" />
      <rect x={x(0)} y={BAR.top} width={x(chamfer) - x(0)} height={BAR.height} fill="#96702a" />
      {hardStop !== undefined && (
        <rect x={x(total)} y={BAR.top} width={x(hardStop) - x(total)} height={BAR.height} fill="#5a2230" />
      )}
      {bites.map((turn) => (
        <path key={turn} d={`M${x(turn)},${BAR.top} v${BAR.height}`} stroke="#14275e" strokeWidth="2" />
      ))}
      {done !== undefined && (
        <rect x={x(0)} y={BAR.top + BAR.height - 9} width={x(done) - x(0)} height="9" fill="#eef2ff" />
      )}
      {clearOuts.map((turn) => (
        <path key={turn} d={`M${x(turn)},${BAR.top + 4} l-11,-20 h22 z`} fill="#b9c8ef" />
      ))}
      {clearOuts.length > 0 && (
        <text x={x(clearOuts[0]) + 15} y={BAR.top - 6} {...label} fill="#b9c8ef" fontSize={17}>
          out, clear, oil
        </text>
      )}
      {Array.from({ length: Math.floor(total / step) }, (_, i) => (i + 1) * step)
        .filter((turn) => (hardStop === undefined ? x(total) - x(turn) > 30 : right - x(turn) > 130))
        .map((turn) => (
          <text key={turn} x={x(turn)} y={BAR.top + BAR.height + 21} textAnchor="middle" {...label} fontWeight={500}>
            {turn}
          </text>
        ))}
      <path d={`M${x(last)},${BAR.top - 10} V${BAR.top + BAR.height + 8}`} stroke="#ffffff" strokeWidth="5" />
      <text x={Math.min(x(last), right - 4)} y={BAR.top + BAR.height + 46} textAnchor="end" {...label} fontSize={25}>
        {`${turnsText(last, true)} turns, ${endOf(strip, 'through', 'last safe', 'as far as it reaches')}`}
      </text>
      {hardStop !== undefined && (
        <>
          <path d={`M${x(hardStop)},${BAR.top - 10} v${BAR.height + 18}`} stroke="#ff9d9d" strokeWidth="7" />
          <text x={right} y={BAR.top + BAR.height + 21} textAnchor="end" {...label} fill="#ffb3b3">
            {`bottom ${turnsText(hardStop, true)}`}
          </text>
        </>
      )}
      {power?.switchOff !== undefined && (
        <>
          <path
            d={`M${x(power.switchOff)},${BAR.top - 10} v${BAR.height + 18}`}
            stroke="#eef2ff"
            strokeWidth="4"
            strokeDasharray="7 5"
          />
          <text x={x(power.switchOff) - 7} y={BAR.top - 15} textAnchor="end" {...label}>
            {`switch off ${turnsText(power.switchOff, true)}`}
          </text>
        </>
      )}
      {power?.runIn !== undefined && (
        <>
          <path
            d={`M${x(power.runIn)},${BAR.top - 10} v${BAR.height + 18}`}
            stroke="#eef2ff"
            strokeWidth="4"
            strokeDasharray="7 5"
          />
          <text x={x(power.runIn) + 7} y={BAR.top - 15} {...label}>
            {`off after ${power.runIn}, then the wrench`}
          </text>
        </>
      )}
      <text x={LEFT} y={18} {...label} fontSize={20}>
        {name}
      </text>
      <text x={LEFT} y={BAR.top + BAR.height + 46} {...label} fontWeight={500} fill="#d5def7">
        {reversals.length > 0 ? `${turnsText(reversals[0])} forward, back until the chip snaps` : 'no turning back'}
      </text>
    </svg>
  );
}

/** Each speed of the machine against the room at the bottom: time left from the last safe turn, and time it takes to stop. */
export function SpeedsLeft({ strip }: { strip: Strip }) {
  const speeds = strip.power?.speeds ?? [];
  if (speeds.length === 0) return null;
  return (
    <table className="w-full text-right text-[15px]">
      <caption className="label py-1 text-left">Time to stop, at each speed of this machine</caption>
      <thead className="label text-right">
        <tr>
          <th className="py-0.5 text-left">rev/min</th>
          <th>left to the bottom</th>
          <th>turns to stop</th>
          <td />
        </tr>
      </thead>
      <tbody>
        {speeds.slice(0, 6).map((s) => (
          <tr key={`${s.rpm} ${s.label}`} className="border-t border-steel-200">
            <th scope="row" className="py-0.5 text-left font-cond text-lg">
              {s.rpm.toFixed(0)} <span className="text-sm font-normal">{s.label}</span>
            </th>
            <td>{s.secondsLeft.toFixed(1)} s</td>
            <td>{turnsText(s.neededTurns)}</td>
            <td className={`pl-2 text-left ${s.stops ? 'text-pass' : 'font-bold text-danger'}`}>
              {s.stops ? '✓ stops' : '✕ runs in'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
