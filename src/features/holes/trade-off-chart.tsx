'use client';

import { Chart, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { useEffect, useMemo, useRef } from 'react';
import type { ThreadPart } from '@/core/hole/hole-plan';
import { drillName } from '@/core/drills/drill';
import { tradeOffs } from '@/core/hole/trade-off';
import { show, type Display } from '@/core/units/show';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Legend);

interface Props {
  part: ThreadPart;
  display: Display;
  onPick: (drill: string) => void;
}

/** Drill by drill: how far the tap stands from breaking, against how much of the strength wanted the thread keeps. */
export default function TradeOffChart({ part, display, onPick }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const points = useMemo(() => tradeOffs(part), [part]);
  const used = part.tapDrill.used.drill.label;
  useEffect(() => {
    if (!canvas.current || points.length === 0) return undefined;
    const x = (i: number): number =>
      Number(show({ value: points[i].candidate.drill.diameterMm, unit: 'mm' }, display).number);
    const size = points.map(({ candidate: c }) => (c.drill.label === used ? 8 : 5));
    const fill = (color: string): string[] => points.map(({ candidate: c }) => (c.owned ? color : '#ffffff'));
    const line = (label: string, axis: string, color: string, value: (i: number) => number, dash?: number[]) => ({
      label,
      yAxisID: axis,
      data: points.map((_, i) => ({ x: x(i), y: value(i) })),
      borderColor: color,
      pointBackgroundColor: fill(color),
      pointRadius: size,
      borderWidth: 2,
      borderDash: dash,
    });
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        datasets: [
          line('safety against breaking the tap', 'safety', '#1f3f8f', (i) => points[i].load.safety),
          line(
            'thread there is, of what holds the bolt, %',
            'strength',
            '#7a5408',
            (i) => 100 * (points[i].strength ?? NaN),
            [6, 3],
          ),
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        onClick: (_, hit) => hit[0] && onPick(points[hit[0].index].candidate.drill.label),
        scales: {
          x: {
            type: 'linear',
            title: { display: true, text: `drill, ${display === 'inch' ? 'in' : 'mm'}; filled: to hand` },
          },
          safety: {
            position: 'left',
            beginAtZero: true,
            title: { display: true, text: 'safety (under 2: be careful)' },
          },
          strength: {
            position: 'right',
            beginAtZero: true,
            grid: { drawOnChartArea: false },
            title: { display: true, text: 'strength, %' },
          },
        },
        plugins: {
          tooltip: {
            callbacks: {
              title: ([item]) => drillName(points[item.dataIndex].candidate.drill),
              afterBody: ([item]) => {
                const c = points[item.dataIndex].candidate;
                return `${(c.percentOnDrill ?? 0).toFixed(0)} % of thread, ${c.verdict === 'borderline' ? 'a toss-up against' : c.verdict} the class, ${c.owned ? 'in the crib' : 'not in the crib'}`;
              },
            },
          },
        },
      },
    });
    return () => chart.destroy();
  }, [points, display, onPick, used]);
  if (points.length === 0) return <p>A tapered thread has nothing to trade: the listed drill it is.</p>;
  return (
    <figure className="min-w-0">
      <div className="relative h-[260px]">
        <canvas
          ref={canvas}
          role="img"
          aria-label={`Drill against tap: ${points.map((p) => `${drillName(p.candidate.drill)} safety ${p.load.safety.toFixed(1)}${p.strength === undefined ? '' : `, strength ${(100 * p.strength).toFixed(0)} %`}`).join('; ')}`}
        />
      </div>
      <figcaption className="text-sm text-steel-700">
        A larger drill spares the tap and costs thread. Both curves are our model; touch a point to take that drill.
      </figcaption>
    </figure>
  );
}
