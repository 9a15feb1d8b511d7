'use client';

import { Chart, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { useEffect, useMemo, useRef } from 'react';
import type { ThreadPart } from '@/core/hole/hole-plan';
import { drillName } from '@/core/drills/drill';
import { tradeOffs } from '@/core/hole/trade-off';
import { percentOfThread } from '@/core/threads/percent-of-thread';
import { showText, type Display } from '@/core/units/show';
import { banded } from './chart-band';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Legend);

interface Props {
  part: ThreadPart;
  display: Display;
  onPick: (drill: string) => void;
}

/** Percent of thread across; up the torque of the tap and the strength of the thread, the crib’s drills as points, the class as a band. */
export default function TradeOffChart({ part, display, onPick }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const points = useMemo(
    () => tradeOffs(part).sort((a, b) => (a.candidate.percentOnDrill ?? 0) - (b.candidate.percentOnDrill ?? 0)),
    [part],
  );
  const used = part.tapDrill.used.drill.label;
  useEffect(() => {
    if (!canvas.current || points.length === 0) return undefined;
    const size = points.map(({ candidate: c }) => (c.drill.label === used ? 9 : 5));
    const fill = (color: string): string[] => points.map(({ candidate: c }) => (c.owned ? color : '#ffffff'));
    const unit = display === 'inch' ? 'lbf·in' : 'Nm';
    const torque = (nm: number): number => (display === 'inch' ? nm * 8.8507 : nm);
    const line = (label: string, axis: string, color: string, value: (i: number) => number, dash?: number[]) => ({
      label,
      yAxisID: axis,
      data: points.map((p, i) => ({ x: p.candidate.percentOnDrill ?? 0, y: value(i) })),
      borderColor: color,
      pointBackgroundColor: fill(color),
      pointRadius: size,
      borderWidth: 2,
      borderDash: dash,
    });
    const { limits, thread } = part;
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        datasets: [
          line(`torque to tap, ${unit}`, 'torque', '#1f3f8f', (i) => torque(points[i].load.torque.value)),
          line(
            'strength, % of what holds the bolt',
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
          x: { type: 'linear', title: { display: true, text: 'percent of thread, on the drill; filled: in the crib' } },
          torque: { position: 'left', beginAtZero: true, title: { display: true, text: `torque, ${unit}` } },
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
                const { candidate: c, load } = points[item.dataIndex];
                return `predicted hole ${showText({ value: c.holeMm, unit: 'mm' }, display)}, safety ${load.safety.toFixed(1)}, ${c.owned ? 'in the crib' : 'not in the crib'}`;
              },
            },
          },
        },
      },
      plugins: limits
        ? [
            banded('x', [
              {
                from: percentOfThread(thread, limits.minorMaxMm),
                to: percentOfThread(thread, limits.minorMinMm),
                label: `class ${limits.className}`,
              },
            ]),
          ]
        : [],
    });
    return () => chart.destroy();
  }, [points, display, onPick, used, part]);
  if (points.length === 0) return <p>A tapered thread leaves no choice: use the listed drill.</p>;
  return (
    <figure className="min-w-0">
      <div className="relative h-[280px]">
        <canvas
          ref={canvas}
          role="img"
          aria-label={`Drill size and tap load: ${points.map((p) => `${drillName(p.candidate.drill)} ${(p.candidate.percentOnDrill ?? 0).toFixed(0)} %, ${showText(p.load.torque, display)}, safety ${p.load.safety.toFixed(1)}${p.strength === undefined ? '' : `, strength ${(100 * p.strength).toFixed(0)} %`}`).join('; ')}`}
        />
      </div>
      <figcaption className="text-sm text-steel-700">
        More thread costs torque and gains little strength. Both curves are our model; touch a point to use that drill.
      </figcaption>
    </figure>
  );
}
