import type { Plugin } from 'chart.js';

interface Band {
  from: number;
  /** Left out: a line. */
  to?: number;
  label: string;
}

/** Bands and lines behind a chart, across its named axis, each with its label at the top. */
export function banded(axis: string, bands: readonly Band[]): Plugin<'line'> {
  return {
    id: `bands-${axis}`,
    beforeDatasetsDraw({ ctx, chartArea: { top, bottom, left, right }, scales }) {
      const at = (value: number): number => Math.min(right, Math.max(left, scales[axis].getPixelForValue(value)));
      ctx.save();
      ctx.font = '13px sans-serif';
      bands.forEach(({ from, to, label }, i) => {
        const [a, b] = [at(from), at(to ?? from)];
        if (to === undefined) {
          if (scales[axis].getPixelForValue(from) > right + 1) return;
          ctx.fillStyle = '#6b7280';
          ctx.fillRect(a - 0.75, top, 1.5, bottom - top);
        } else {
          ctx.fillStyle = 'rgba(46, 125, 80, 0.14)';
          ctx.fillRect(Math.min(a, b), top, Math.abs(b - a), bottom - top);
        }
        ctx.fillStyle = '#374151';
        const width = ctx.measureText(label).width;
        ctx.fillText(
          label,
          Math.min(Math.min(a, b) + 4, right - width - 2),
          top + 13 + (to === undefined ? (i % 4) * 15 : 0),
        );
      });
      ctx.restore();
    },
  };
}
