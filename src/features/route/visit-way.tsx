import type { Visit } from '@/core/route/route';
import { holeName } from '@/core/route/work-item';

const MOST_DRAWN = 300;

/** The way of one visit over its face: first hole, every hole in order, the last. */
export function VisitWay({ visit }: { visit: Visit }) {
  const points = visit.items.map(({ x, y }) => ({ x, y }));
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const size = Math.max(right - left, high - low, 1);
  const pad = size * 0.12;
  const r = size / 45;
  return (
    <svg
      viewBox={`${left - pad} ${-high - pad} ${Math.max(right - left, size * 0.3) + 2 * pad} ${Math.max(high - low, size * 0.3) + 2 * pad}`}
      role="img"
      aria-label={`Way of ${visit.tool} over ${visit.items.length} holes`}
      className="max-h-[260px] w-full"
      preserveAspectRatio="xMidYMid meet"
    >
      <polyline
        points={points.map(({ x, y }) => `${x},${-y}`).join(' ')}
        fill="none"
        stroke="#d3a23a"
        strokeWidth={r / 3}
      />
      {/* Very many holes are one stroke, so that the page stays quick. */}
      {visit.items.length > MOST_DRAWN && (
        <path
          d={points
            .map(({ x, y }) => `M${x - r / 2},${-y}a${r / 2},${r / 2} 0 1 0 ${r},0a${r / 2},${r / 2} 0 1 0 ${-r},0`)
            .join('')}
          fill="#0a1432"
          stroke="#eef2ff"
          strokeWidth={r / 8}
        />
      )}
      {(visit.items.length > MOST_DRAWN ? [] : visit.items).map((item, i) => (
        <g key={item.id}>
          <circle
            cx={item.x}
            cy={-item.y}
            r={r}
            fill={i === 0 ? '#d3a23a' : '#0a1432'}
            stroke="#eef2ff"
            strokeWidth={r / 4}
          />
          {visit.items.length <= 40 && (
            <text x={item.x + r * 1.4} y={-item.y - r * 0.8} fill="#eef2ff" fontSize={r * 2.6} className="font-cond">
              {holeName(item)}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}
