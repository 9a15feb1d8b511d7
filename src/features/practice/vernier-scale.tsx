'use client';

import { memo, useCallback } from 'react';
import { gaugeSteps } from '@/core/layout/height-list';
import { mmToInch } from '@/core/units/length';
import type { Followed } from './hand';
import { Moved } from './moved';

/** Width of a line of the main scale, px. */
export const LINE_PX = 18;
/** Lines of the main scale that are seen. */
const SPAN = 54;

type Vernier = 'vernier-mm' | 'vernier-inch';
/** Lines of the vernier, main lines to a number, and what a number says; lines of the vernier to a number, and what one says. */
const SCALES: Record<
  Vernier,
  { lines: number; each: number; says: (line: number) => string; fine: (line: number) => number }
> = {
  'vernier-mm': { lines: 50, each: 10, says: (line) => String(line), fine: (line) => line / 5 },
  'vernier-inch': { lines: 25, each: 4, says: (line) => (line / 40).toFixed(1), fine: (line) => line },
};

/** What a vernier reads: the line of the main scale that its zero is past, and the line of it that meets one above. */
export function vernierReads(shownMm: number, gauge: Vernier): { main: number; line: number } {
  const { stepMm, wholeMm } = gaugeSteps(gauge);
  const steps = Math.round(shownMm / stepMm);
  const per = Math.round(wholeMm / stepMm);
  const main = Math.floor(steps / per);
  return { main, line: steps - main * per };
}

const spoken = (main: number, gauge: Vernier): string =>
  gauge === 'vernier-mm' ? `${main} mm` : `${mmToInch(main * gaugeSteps(gauge).wholeMm).toFixed(3)} in`;

const tall = (line: number, number: number): number => (line % number === 0 ? 42 : line % (number / 2) === 0 ? 30 : 22);

/** Lines of the main scale left of the one that the zero of the vernier is past. */
const BEFORE = 2;

/** Lines that are drawn at once, beside those that are seen: so far it is moved, not drawn anew. */
const BLOCK = 100;
/** Lines more on both sides: the next block is drawn a frame after the hand has left this one. */
const SLACK = 10;

/** The main scale from a line on, a block of it. */
const MainScale = memo(function MainScale({ from, gauge }: { from: number; gauge: Vernier }) {
  const { each, says } = SCALES[gauge];
  const first = from - BEFORE - SLACK;
  const lines = Array.from({ length: BEFORE + BLOCK + SPAN + 2 * SLACK }, (_, i) => first + i);
  const x = (line: number): number => (line - first) * LINE_PX;
  return (
    <svg
      viewBox={`0 0 ${lines.length * LINE_PX} 150`}
      className="h-[150px] max-w-none"
      style={{ width: lines.length * LINE_PX }}
      aria-hidden
    >
      <rect width={lines.length * LINE_PX} height={76} fill="#dcd8d0" />
      <path d={lines.map((line) => `M${x(line)} 76v${-tall(line, each)}`).join('')} stroke="#1d1a16" />
      {lines
        // The outermost two are never seen: a number there would stand out of the drawing.
        .slice(1, -1)
        .filter((line) => line >= 0 && line % each === 0)
        .map((line) => (
          <text key={line} x={x(line)} y={28} fontSize={22} textAnchor="middle" fill="#1d1a16">
            {says(line)}
          </text>
        ))}
    </svg>
  );
});

/** The vernier, from its zero on. */
const Slide = memo(function Slide({ gauge }: { gauge: Vernier }) {
  const { lines, fine } = SCALES[gauge];
  const x = (i: number): number => (i * LINE_PX * (lines - 1)) / lines;
  return (
    <svg
      viewBox={`-14 0 ${x(lines) + 28} 150`}
      className="-ml-[14px] h-[150px] max-w-none"
      style={{ width: x(lines) + 28 }}
      aria-hidden
    >
      <rect x={-14} y={76} width={x(lines) + 28} height={74} fill="#f6f4f0" stroke="#857e72" />
      {Array.from({ length: lines + 1 }, (_, i) => (
        <g key={i} stroke="#14275e">
          <line x1={x(i)} x2={x(i)} y1={76} y2={i % 10 === 0 ? 116 : i % 5 === 0 ? 106 : 98} strokeWidth={1.5} />
          {i % 5 === 0 && (
            <text x={x(i)} y={136} fontSize={i % 10 === 0 ? 20 : 14} textAnchor="middle" stroke="none" fill="#14275e">
              {fine(i)}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
});

interface Props {
  shownMm: number;
  /** What moves it at once, where a hand does. */
  follow?: Followed<number>;
  gauge: Vernier;
}

/** A main scale, and the vernier that slides along it. */
export function VernierScale({ shownMm, follow, gauge }: Props) {
  const { main, line } = vernierReads(shownMm, gauge);
  const block = Math.floor(main / BLOCK) * BLOCK;
  const mainTo = useCallback(
    (mm: number) => `translateX(${(block - SLACK - vernierReads(mm, gauge).main) * LINE_PX}px)`,
    [block, gauge],
  );
  const slideTo = useCallback(
    (mm: number) =>
      `translateX(${(mm / gaugeSteps(gauge).wholeMm - vernierReads(mm, gauge).main + BEFORE) * LINE_PX}px)`,
    [gauge],
  );
  return (
    <div className="@container">
      <div role="group" aria-label="Height gauge, to be moved sideways" tabIndex={0} className="overflow-x-auto">
        <div
          role="img"
          aria-label={`Height gauge: the zero of the vernier stands past ${spoken(main, gauge)}; line ${line} of it meets a line above`}
          className="relative h-[150px] overflow-hidden"
          style={{ width: SPAN * LINE_PX }}
        >
          <Moved at={shownMm} follow={follow} to={mainTo} className="absolute inset-y-0 left-0">
            <MainScale from={block} gauge={gauge} />
          </Moved>
          <Moved at={shownMm} follow={follow} to={slideTo} className="absolute inset-y-0 left-0">
            <Slide gauge={gauge} />
          </Moved>
        </div>
      </div>
      <p className="text-[14px] text-steel-700 @min-[972px]:hidden">Move the scale sideways to see all of it.</p>
    </div>
  );
}
