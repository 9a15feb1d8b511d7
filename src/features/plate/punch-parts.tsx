import type { PointerEvent } from 'react';
import type { LaidHole } from '@/core/layout/lay-out';
import type { Point } from '@/core/layout/part';
import { MARKED_WITH } from '@/core/layout/punch';
import { showText, tell, type Display } from '@/core/units/show';
import type { JudgedMark } from './use-punch';

interface StepsProps {
  name: string;
  at: number;
  last: number;
  onStep: (at: number) => void;
}

/** The hole in hand, with the ones before and after it. */
export function HoleSteps({ name, at, last, onStep }: StepsProps) {
  return (
    <div className="flex items-center gap-2">
      <button
        type="button"
        className="btn px-3"
        disabled={at === 0}
        onClick={() => onStep(at - 1)}
        aria-label="Hole before"
      >
        ←
      </button>
      <strong className="flex-1 text-center text-xl">{name}</strong>
      <button
        type="button"
        className="btn px-3"
        disabled={at >= last}
        onClick={() => onStep(at + 1)}
        aria-label="Next hole"
      >
        →
      </button>
    </div>
  );
}

const SIZE = 240;

interface PictureProps {
  zoneMm: number;
  x: number | undefined;
  y: number | undefined;
  isInside: boolean;
  onDrag: (to: Point) => void;
}

/** The crossing magnified, with what is allowed round it: the mark is dragged to where it landed. */
export function PunchPicture({ zoneMm, x, y, isInside, onDrag }: PictureProps) {
  const scale = SIZE / (2 * Math.max(zoneMm * 1.6, 0.2));
  function dragTo(event: PointerEvent<SVGSVGElement>): void {
    if (event.buttons === 0 && event.type === 'pointermove') return;
    const rect = event.currentTarget.getBoundingClientRect();
    const k = SIZE / rect.width;
    onDrag({
      x: ((event.clientX - rect.left) * k - SIZE / 2) / scale,
      y: (SIZE / 2 - (event.clientY - rect.top) * k) / scale,
    });
  }
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      className="dye w-full max-w-[300px] cursor-crosshair touch-none self-center"
      role="img"
      aria-label="The mark, magnified: drag it to where it landed"
      onPointerDown={dragTo}
      onPointerMove={dragTo}
    >
      <circle
        cx={SIZE / 2}
        cy={SIZE / 2}
        r={(zoneMm / 2) * scale}
        fill="#4063b8"
        stroke="#eef2ff"
        strokeDasharray="4 3"
      />
      <path d={`M0,${SIZE / 2}H${SIZE}M${SIZE / 2},0V${SIZE}`} stroke="#eef2ff" strokeWidth="1" />
      {x !== undefined && y !== undefined && (
        <circle
          cx={SIZE / 2 + x * scale}
          cy={SIZE / 2 - y * scale}
          r="9"
          fill="#0a1432"
          stroke={isInside ? '#7fdca0' : '#ff9aa2'}
          strokeWidth="3"
        />
      )}
    </svg>
  );
}

interface ListProps {
  marks: readonly JudgedMark[];
  letters: ReadonlyMap<string, string>;
  display: Display;
  onAgain: (hole: LaidHole) => void;
}

/** What was recorded, how far off each is, and what to do where it is too far. */
export function PunchedList({ marks, letters, display, onAgain }: ListProps) {
  return (
    <ul className="text-[15px]">
      {marks.map(({ hole: h, mark, verdict }) => (
        <li key={`${h.featureId}${h.number}`} className="border-t border-steel-200 py-1">
          <strong className={verdict.verdict === 'inside' ? '' : 'text-danger'}>
            {letters.get(h.featureId)}
            {h.number}
          </strong>{' '}
          {showText({ value: verdict.offsetMm, unit: 'mm', places: 2 }, display)} off, {verdict.direction}:{' '}
          {verdict.verdict}
          {mark.body.means && `, ${MARKED_WITH[mark.body.means]}`}
          {verdict.verdict !== 'inside' && (
            <span className="block">
              {tell(verdict.advice, display)}{' '}
              <button type="button" className="link min-h-9" onClick={() => onAgain(h)}>
                Measure again
              </button>
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}
