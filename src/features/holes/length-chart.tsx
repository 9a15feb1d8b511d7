'use client';

import { Chart, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { useEffect, useRef } from 'react';
import { depth } from '@/core/answer/answer';
import type { ThreadPart } from '@/core/hole/hole-plan';
import { mmToInch } from '@/core/units/length';
import { showText, type Display } from '@/core/units/show';
import { banded } from './chart-band';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip);

interface Props {
  part: ThreadPart;
  display: Display;
  /** A length of full thread, mm. */
  onPick: (lengthMm: number) => void;
}

const POINTS = 25;

/** Length of thread across, strength up; the rules marked. A touch sets the length. */
export default function LengthChart({ part, display, onPick }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { engagement, at } = part;
  useEffect(() => {
    if (!canvas.current || !engagement) return undefined;
    const shown = (mm: number): number => (display === 'inch' ? mmToInch(mm) : mm);
    const most = Math.max(2.4 * engagement.oneDiameterMm, 1.2 * at.lengthMm, 1.3 * engagement.needed.value);
    const lengths = Array.from({ length: POINTS + 1 }, (_, i) => (most * i) / POINTS);
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        datasets: [
          {
            label: 'strength',
            data: lengths.map((mm) => ({ x: shown(mm), y: (100 * mm) / engagement.needed.value })),
            borderColor: '#7a5408',
            borderWidth: 2,
            pointRadius: 4,
            pointBackgroundColor: '#7a5408',
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        onClick: (_, hit) => hit[0] && hit[0].index > 0 && onPick(Number(lengths[hit[0].index].toFixed(1))),
        scales: {
          x: {
            type: 'linear',
            max: shown(most),
            title: { display: true, text: `length of full thread, ${display === 'inch' ? 'in' : 'mm'}` },
          },
          y: { beginAtZero: true, title: { display: true, text: 'strength, % of what breaks the bolt' } },
        },
        plugins: { legend: { display: false } },
      },
      plugins: [
        banded('x', [
          { from: shown(engagement.needed.value), label: 'thread needed' },
          { from: shown(engagement.oneDiameterMm), label: '1 D' },
          { from: shown(engagement.oneAndAHalfDiametersMm), label: '1.5 D' },
          ...(engagement.nutHeightApplies ? [{ from: shown(engagement.nutHeightMm), label: 'nut' }] : []),
          { from: shown(at.lengthMm), label: 'this hole' },
        ]),
      ],
    });
    return () => chart.destroy();
  }, [engagement, at, display, onPick]);
  if (!engagement) return null;
  return (
    <figure className="min-w-0">
      <div className="relative h-[280px]">
        <canvas
          ref={canvas}
          role="img"
          aria-label={`Length of thread and strength: ${showText(depth(engagement.needed.value), display)} breaks the bolt first; this hole has ${showText(depth(at.lengthMm), display)}`}
        />
      </div>
      <figcaption className="text-sm text-steel-700">
        Past 100 % the bolt breaks first; more thread only costs time. Touch a point to set that length.
      </figcaption>
    </figure>
  );
}
