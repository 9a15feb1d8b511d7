import { mm } from '@/core/answer/answer';
import type { Point } from '@/core/layout/part';
import { showText, type Display } from '@/core/units/show';

export interface Deviation {
  name: string;
  off: Point;
  zoneMm: number;
  good: boolean;
}

const SIZE = 320;

interface Props {
  deviations: readonly Deviation[];
  display: Display;
}

/** How far each gauged hole is from its place, all about one cross, with their zones: which way a batch drifts is seen at once. */
export function DeviationPlot({ deviations, display }: Props) {
  if (deviations.length === 0) return <p className="p-2 text-[15px]">No position gauged yet.</p>;
  const zone = Math.max(...deviations.map((d) => d.zoneMm));
  const span = Math.max(zone * 0.75, ...deviations.map((d) => Math.hypot(d.off.x, d.off.y) * 1.2));
  const k = SIZE / 2 / span;
  const mean = {
    x: deviations.reduce((s, d) => s + d.off.x, 0) / deviations.length,
    y: deviations.reduce((s, d) => s + d.off.y, 0) / deviations.length,
  };
  const at = (p: Point): { x: number; y: number } => ({ x: SIZE / 2 + p.x * k, y: SIZE / 2 - p.y * k });
  const m = at(mean);
  // Those out of place are named first; where many lie together, one of them is.
  const named: number[] = [];
  for (const i of deviations.map((_, n) => n).sort((a, b) => Number(deviations[a].good) - Number(deviations[b].good))) {
    const p = at(deviations[i].off);
    const isFree = named.every((n) => {
      const q = at(deviations[n].off);
      return Math.abs(q.x - p.x) > 24 || Math.abs(q.y - p.y) > 14;
    });
    if (isFree) named.push(i);
  }
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      role="img"
      aria-label={`Positions of ${deviations.length} holes; on average ${showText(mm(mean.x), display)} right and ${showText(mm(mean.y), display)} up`}
      className="h-auto w-full font-cond"
    >
      <path d={`M${SIZE / 2},0 V${SIZE} M0,${SIZE / 2} H${SIZE}`} stroke="#b9c8ef" strokeWidth="1" />
      {[...new Set(deviations.map((d) => d.zoneMm))].map((z) => {
        const r = (z / 2) * k;
        return (
          <g key={z}>
            <circle cx={SIZE / 2} cy={SIZE / 2} r={r} fill="none" stroke="#eef2ff" strokeDasharray="6 4" />
            <text x={SIZE / 2 - r * 0.74} y={SIZE / 2 - r * 0.74} textAnchor="end" fill="#d5def7" fontSize="13">
              {z === zone ? 'zone ' : ''}
              {showText(mm(z), display)}
            </text>
          </g>
        );
      })}
      {deviations.map((d, i) => {
        const p = at(d.off);
        return (
          <g key={i}>
            {d.good ? (
              <circle cx={p.x} cy={p.y} r="4.5" fill="#eef2ff" />
            ) : (
              <path
                d={`M${p.x - 6},${p.y - 6} l12,12 M${p.x + 6},${p.y - 6} l-12,12`}
                stroke="#ff9d9d"
                strokeWidth="4"
              />
            )}
            {named.includes(i) && (
              <text x={p.x + 8} y={p.y - 6} fill="#eef2ff" fontSize="14">
                {d.name}
              </text>
            )}
          </g>
        );
      })}
      <path d={`M${m.x - 9},${m.y} H${m.x + 9} M${m.x},${m.y - 9} V${m.y + 9}`} stroke="#d3a23a" strokeWidth="3" />
    </svg>
  );
}
