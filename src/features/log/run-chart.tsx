'use client';

import { Chart, LinearScale, LineController, LineElement, PointElement, Tooltip, type Plugin } from 'chart.js';
import { useEffect, useRef } from 'react';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip);

interface Props {
  /** In the order in which they were made. */
  values: readonly number[];
  /** What each is, for its tip. */
  labels: readonly string[];
  /** Those that are part of a signal. */
  told?: ReadonlySet<number>;
  /** Those that are left out. */
  out?: ReadonlySet<number>;
  band?: { from: number; to: number; label: string };
  limits?: { from: number; to: number };
  lines?: readonly { at: number; label: string }[];
  /** What changed before a reading. */
  marks?: readonly { at: number; label: string }[];
  axis: string;
  text: (value: number) => string;
  label: string;
  onPick?: (index: number) => void;
}

/** More points than this are drawn without their dots. */
const DOTS = 400;

/** Class, limits and changes behind a run of readings. */
function behind({
  band,
  limits,
  lines = [],
  marks = [],
}: Pick<Props, 'band' | 'limits' | 'lines' | 'marks'>): Plugin<'line'> {
  return {
    id: 'behind',
    beforeDatasetsDraw({ ctx, chartArea: { top, bottom, left, right }, scales: { x, y } }) {
      const inside = (value: number): number => Math.min(bottom, Math.max(top, y.getPixelForValue(value)));
      ctx.save();
      ctx.font = '13px sans-serif';
      if (band) {
        ctx.fillStyle = 'rgba(46, 125, 80, 0.13)';
        ctx.fillRect(left, inside(band.to), right - left, inside(band.from) - inside(band.to));
        ctx.fillStyle = '#22543d';
        ctx.fillText(band.label, left + 6, Math.max(top + 13, inside(band.to) + 14));
      }
      const line = (value: number, label: string, dash: number[], along = 0): void => {
        const at = y.getPixelForValue(value);
        if (at < top || at > bottom) return;
        ctx.setLineDash(dash);
        ctx.strokeStyle = '#4b5563';
        ctx.beginPath();
        ctx.moveTo(left, at);
        ctx.lineTo(right, at);
        ctx.stroke();
        ctx.fillStyle = '#374151';
        ctx.fillText(label, dash.length > 0 ? right - ctx.measureText(label).width - 4 : left + 6 + along, at - 4);
      };
      lines.forEach(({ at, label }, i) => line(at, label, [], 110 * i));
      if (limits) {
        line(limits.to, 'own limit', [4, 4]);
        line(limits.from, 'own limit', [4, 4]);
      }
      ctx.setLineDash([]);
      for (const { at, label } of marks) {
        const across = x.getPixelForValue(at - 0.5);
        ctx.strokeStyle = '#9a6a10';
        ctx.lineWidth = 2;
        ctx.beginPath();
        ctx.moveTo(across, top);
        ctx.lineTo(across, bottom);
        ctx.stroke();
        ctx.fillStyle = '#7a5408';
        ctx.fillText(label, Math.min(across + 4, right - ctx.measureText(label).width), bottom - 6);
      }
      ctx.restore();
    },
  };
}

/** Readings in order, against their class and their own limits, with what changed in between. */
export default function RunChart(props: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { values, labels, told, out, axis, text, label, onPick } = props;
  const { band, limits, lines, marks } = props;
  useEffect(() => {
    if (!canvas.current) return undefined;
    const many = values.length > DOTS;
    const colour = (i: number): string => (told?.has(i) ? '#b42318' : out?.has(i) ? '#9ca3af' : '#1f3f8f');
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        datasets: [
          {
            data: values.map((y, x) => ({ x, y })),
            borderColor: '#8ea3d2',
            borderWidth: 1,
            pointRadius: values.map((_, i) => (told?.has(i) ? 5 : many ? 0 : 3)),
            pointHitRadius: 10,
            pointStyle: values.map((_, i) => (told?.has(i) ? 'triangle' : out?.has(i) ? 'crossRot' : 'circle')),
            pointBackgroundColor: values.map((_, i) => colour(i)),
            pointBorderColor: values.map((_, i) => colour(i)),
          },
        ],
      },
      options: {
        animation: false,
        parsing: false,
        normalized: true,
        maintainAspectRatio: false,
        layout: { padding: { left: 4, right: 12 } },
        onClick: (_, hit) => hit[0] && onPick?.(hit[0].index),
        scales: {
          x: {
            type: 'linear',
            min: 0,
            max: Math.max(1, values.length - 1),
            ticks: { precision: 0, callback: (v) => (Number.isInteger(v) ? Number(v) + 1 : '') },
            title: { display: true, text: 'reading, in order' },
          },
          y: {
            title: { display: true, text: axis },
            suggestedMin: limits?.from,
            suggestedMax: limits?.to,
          },
        },
        plugins: {
          legend: { display: false },
          tooltip: { callbacks: { title: ([at]) => labels[at.dataIndex], label: (at) => text(values[at.dataIndex]) } },
        },
      },
      plugins: [behind({ band, limits, lines, marks })],
    });
    return () => chart.destroy();
  }, [values, labels, told, out, band, limits, lines, marks, axis, text, onPick]);
  return (
    <div className="relative h-[320px]">
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}
