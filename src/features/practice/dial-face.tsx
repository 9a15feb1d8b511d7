'use client';

import { memo, useCallback } from 'react';
import type { Followed } from './hand';
import { Moved } from './moved';

interface Props {
  divisions: number;
  /** Division under the index. */
  at: number;
  /** What turns the ring at once, where a hand does. */
  follow?: Followed<number>;
  travelMm: number;
  /** What the dial is on. */
  of?: string;
}

/** Divisions between two numbers. */
const numbered = (divisions: number): number => (divisions % 100 === 0 ? divisions / 10 : divisions / 5);

/** A dial that turns under its index. */
export function DialFace({
  divisions,
  at,
  follow,
  travelMm,
  of = `A dial of ${divisions} divisions, ${travelMm} mm a turn`,
}: Props) {
  const to = useCallback((division: number) => `rotate(${(-360 * division) / divisions}deg)`, [divisions]);
  return (
    <div
      role="img"
      aria-label={`${of}: ${Number(at.toFixed(1))}`}
      className="relative mx-auto aspect-square w-full max-w-[240px]"
    >
      <Moved at={at} follow={follow} to={to} className="absolute inset-0">
        <Ring divisions={divisions} />
      </Moved>
      <svg viewBox="0 0 220 220" className="absolute inset-0" aria-hidden>
        <circle cx="110" cy="110" r="20" fill="#857e72" />
        <path d="M110 2v14" stroke="#9d1420" strokeWidth="3" />
      </svg>
    </div>
  );
}

/** The ring with its lines, drawn once. */
const Ring = memo(function Ring({ divisions }: { divisions: number }) {
  const each = numbered(divisions);
  return (
    <svg viewBox="0 0 220 220" className="size-full" aria-hidden>
      <circle cx="110" cy="110" r="98" fill="#dcd8d0" stroke="#857e72" strokeWidth="2" />
      {Array.from({ length: divisions }, (_, i) => {
        const long = i % each === 0 ? 18 : i % (each / 2) === 0 ? 13 : 8;
        return (
          <g key={i} transform={`rotate(${(360 * i) / divisions} 110 110)`}>
            <line x1="110" x2="110" y1="14" y2={14 + long} stroke="#1d1a16" strokeWidth={i % each === 0 ? 2.4 : 1} />
            {i % each === 0 && (
              <text x="110" y="48" textAnchor="middle" fontSize="16" fill="#1d1a16">
                {i}
              </text>
            )}
          </g>
        );
      })}
      <circle cx="110" cy="76" r="9" fill="#857e72" />
    </svg>
  );
});
