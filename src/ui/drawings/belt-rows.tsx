import type { PulleyTrain } from '@/core/cutting/machine';

interface Props {
  pulleys: PulleyTrain;
  /** Row of each belt that is set; none draws the pulleys bare. */
  rows?: readonly string[];
  width?: number;
  height?: number;
}

/** The machine's stepped pulleys from the side, to scale, with the belts on the rows that are set. */
export function BeltRows({ pulleys, rows, width = 170, height = 110 }: Props) {
  const { belts } = pulleys;
  const largest = Math.max(...belts.flatMap((b) => b.rows.flatMap((r) => [r.drivingMm, r.drivenMm])));
  const shafts = belts.length + 1;
  const pitch = (width - 10) / shafts;
  const scale = (pitch * 0.8) / largest;
  const most = Math.max(...belts.map((b) => b.rows.length));
  const stacks = belts.length;
  const rowHeight = (height - 14) / (most * stacks + (stacks - 1) * 0.6);
  const centre = (shaft: number): number => pitch * (shaft + 0.5);
  const top = (belt: number, row: number): number => 2 + (belt * (most + 0.6) + row) * rowHeight;
  const title = rows ? `Belts on rows ${rows.join(' and ')}` : 'Pulleys';
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} role="img" aria-label={title}>
      {belts.map((belt, b) => (
        <g key={b}>
          {belt.rows.map((r, i) => {
            const y = top(b, i);
            const on = rows?.[b] === r.name;
            const half = (mm: number): number => (mm / 2) * scale;
            return (
              <g key={r.name}>
                {[
                  [centre(b), half(r.drivingMm)],
                  [centre(b + 1), half(r.drivenMm)],
                ].map(([x, w]) => (
                  <rect
                    key={x}
                    x={x - w}
                    y={y}
                    width={2 * w}
                    height={rowHeight - 1}
                    fill={on ? '#b9c8ef' : '#2a4c9e'}
                    stroke="#eef2ff"
                    strokeWidth="0.7"
                  />
                ))}
                {on && (
                  <path
                    d={`M${centre(b) - half(r.drivingMm)} ${y + rowHeight / 2}H${centre(b + 1) + half(r.drivenMm)}`}
                    stroke="#d3a23a"
                    strokeWidth={Math.min(6, rowHeight * 0.55)}
                  />
                )}
                <text
                  x={centre(b + 1) + (largest / 2) * scale + 3}
                  y={y + rowHeight * 0.82}
                  fill={on ? '#f0cd80' : '#b9c8ef'}
                  fontSize={Math.min(on ? 15 : 12, rowHeight * (on ? 1.1 : 0.9))}
                  fontWeight={on ? 700 : 500}
                  className="font-cond"
                >
                  {r.name}
                </text>
              </g>
            );
          })}
        </g>
      ))}
      <text x={centre(0)} y={height - 2} textAnchor="middle" fill="#d5def7" fontSize="11" className="font-cond">
        motor {pulleys.motorRpm}
      </text>
      <text
        x={centre(belts.length)}
        y={height - 2}
        textAnchor="middle"
        fill="#d5def7"
        fontSize="11"
        className="font-cond"
      >
        spindle
      </text>
    </svg>
  );
}
