'use client';

import { doneShare, spanOf } from '@/core/rehearsal/rehearsal-words';
import { minutesFor, shareWithinMinutes, type Rehearsed } from '@/core/rehearsal/rehearse';
import type { Display } from '@/core/units/show';
import { Working } from '@/ui/working';

const W = 420;
const H = 120;
/** Labels that lie closer would run into each other. */
const LABEL = 52;
const [LEFT, RIGHT, TOP, BOTTOM] = [34, 12, 14, 26];

interface Props {
  rehearsed: Rehearsed;
  /** Minutes of work until the deadline. */
  withinMin?: number;
  seed: number;
  display: Display;
}

/** When the job is done: how many of a hundred jobs by then, with the deadline. */
export function FinishCurve({ rehearsed, withinMin, seed, display }: Props) {
  const [from, to] = [minutesFor(rehearsed, 0.005), minutesFor(rehearsed, 0.995)];
  const span = Math.max(1e-6, to - from);
  const [low, high] = [Math.max(0, from - 0.15 * span), to + 0.15 * span];
  const x = (value: number): number => LEFT + ((value - low) / (high - low)) * (W - LEFT - RIGHT);
  const y = (share: number): number => H - BOTTOM - share * (H - TOP - BOTTOM);
  const points = Array.from({ length: 60 }, (_, i) => low + (i / 59) * (high - low)).map(
    (m) => `${x(m).toFixed(1)},${y(shareWithinMinutes(rehearsed, m)).toFixed(1)}`,
  );
  const marks = [0.05, 0.5, 0.95].map((share) => ({ share, at: minutesFor(rehearsed, share) }));
  const due = withinMin === undefined ? undefined : shareWithinMinutes(rehearsed, withinMin);
  return (
    <figure>
      <svg
        role="img"
        viewBox={`0 0 ${W} ${H}`}
        aria-label={`Half of the jobs are done in ${spanOf(marks[1].at)}, nineteen of twenty in ${spanOf(marks[2].at)}`}
      >
        {[0, 0.5, 1].map((share) => (
          <g key={share}>
            <line x1={LEFT} x2={W - RIGHT} y1={y(share)} y2={y(share)} stroke="#4063b8" strokeWidth={0.7} />
            <text x={LEFT - 4} y={y(share) + 4} textAnchor="end" fontSize={12} fill="#b9c8ef">
              {100 * share}
            </text>
          </g>
        ))}
        <polyline points={points.join(' ')} fill="none" stroke="#eef2ff" strokeWidth={2} />
        {marks.map(({ share, at }) => (
          <g key={share}>
            <circle cx={x(at)} cy={y(share)} r={3.5} fill="#d3a23a" />
            {!marks.some((m) => m.share < share && x(at) - x(m.at) < LABEL) && (
              <text x={x(at)} y={H - 8} textAnchor="middle" fontSize={13} fill="#eef2ff">
                {spanOf(at)}
              </text>
            )}
          </g>
        ))}
        {withinMin !== undefined && withinMin > low && withinMin < high && (
          <line
            x1={x(withinMin)}
            x2={x(withinMin)}
            y1={TOP - 6}
            y2={H - BOTTOM}
            stroke="#ffb3a8"
            strokeWidth={2}
            strokeDasharray="5 3"
          />
        )}
      </svg>
      <figcaption className="text-[15px] text-dye-200">
        Jobs in a hundred that are done in so long
        {due !== undefined && withinMin !== undefined && (
          <>
            ; by the deadline{' '}
            <Working
              of={doneShare(rehearsed, withinMin, seed)}
              name="jobs done by the deadline"
              display={display}
              className="font-bold text-scribe"
            >
              {(100 * due).toFixed(due > 0.99 || due < 0.01 ? 1 : 0)}
            </Working>
          </>
        )}
        .
      </figcaption>
    </figure>
  );
}
