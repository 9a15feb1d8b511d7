'use client';

import { useState } from 'react';
import { faultLines, stepInWords } from '@/core/layout/fault-lines';
import type { LaidFace } from '@/core/layout/lay-out';
import type { Point } from '@/core/layout/part';
import type { Bore, BoreFault } from '@/core/layout/bores';
import type { Found } from '@/core/layout/worst-first';
import { showText, tell, type Display } from '@/core/units/show';

interface Props {
  laid: LaidFace;
  letters: ReadonlyMap<string, string>;
  display: Display;
  inside: Found<BoreFault>;
  /** Shows a feature that cannot be made. */
  onShow: (featureId: string) => void;
  /** Shows holes by index, the worst first. */
  onJump: (holes: readonly number[]) => void;
  onCure: (featureId: string, step: Point) => void;
}

const SHOWN = 200;
/** Kinds of faults that are shown at first. */
const FIRST = 8;

/** What does not fit, worst first: jump to it, read why, take the smallest change that cures it. */
export function RoomPanel({ laid, letters, display, inside, onShow, onJump, onCure }: Props) {
  const name = (i: number): string => `${letters.get(laid.holes[i].featureId)}${laid.holes[i].number}`;
  const [all, setAll] = useState(false);
  const lines = faultLines(laid.faults.listed, (i) => laid.holes[i].featureId);
  /** The holes of one feature: `D1`, or `D, 4 holes`. */
  const names = (holes: readonly number[]): string =>
    holes.length === 1 ? name(holes[0]) : `${letters.get(laid.holes[holes[0]].featureId)}, ${holes.length} holes:`;
  const boreName = (b: Bore): string => `${letters.get(b.featureId)}${b.number} (${b.face})`;
  const more = [laid.faults, inside].reduce(
    (sum, f) => sum + f.count - f.listed.length,
    Math.max(0, laid.problems.length - SHOWN),
  );
  if (laid.faults.count + inside.count + laid.problems.length === 0)
    return (
      <p className="font-bold text-pass">
        {laid.holes.length === 0
          ? 'Nothing on this face yet.'
          : '✓ Everything fits: edges, neighbours, heads and washers.'}
      </p>
    );
  return (
    <ul className="flex flex-col gap-2">
      {laid.problems.slice(0, SHOWN).map((p) => (
        <li key={`${p.field} ${p.code}`} className="border-b border-steel-200 pb-2">
          <button type="button" className="text-left" onClick={() => onShow(p.field)}>
            <strong className="text-danger">✕ {letters.get(p.field)} can’t be made as drawn.</strong> {tell(p, display)}{' '}
            {tell(p.remedy, display)}
          </button>
        </li>
      ))}
      {lines.slice(0, all ? lines.length : FIRST).map((line) => (
        <li key={`${line.code} ${line.featureId} ${line.other}`} className="border-b border-steel-200 pb-2">
          <button type="button" className="text-left" onClick={() => onJump(line.holes)}>
            <strong className="text-danger">
              {line.level === 'stop' ? '✕ ' : '! '}
              {line.other !== undefined
                ? line.holes.slice(0, 2).map(name).join(' and ') +
                  (line.count > 1 ? `, and ${line.count - 1} more such pairs:` : '')
                : names(line.holes)}
            </strong>{' '}
            {tell(line.reason, display)}
          </button>
          {line.cure && (
            <button
              type="button"
              className="btn mt-1 h-11 sm:h-9"
              onClick={() => line.cure && onCure(line.featureId, line.cure)}
            >
              Move {letters.get(line.featureId)}{' '}
              {stepInWords(line.cure)
                .map(({ way, mm }) => `${way} ${showText({ value: mm, unit: 'mm', places: 2 }, display)}`)
                .join(', ')}
            </button>
          )}
        </li>
      ))}
      {!all && lines.length > FIRST && (
        <li>
          <button type="button" className="btn" onClick={() => setAll(true)}>
            and {lines.length - FIRST} more kinds
          </button>
        </li>
      )}
      {inside.listed.map((fault) => (
        <li key={`inside ${boreName(fault.a)} ${boreName(fault.b)}`} className="border-b border-steel-200 pb-2">
          <strong className="text-danger">
            {fault.level === 'stop' ? '✕ ' : '! '}
            {boreName(fault.a)} and {boreName(fault.b)}
          </strong>{' '}
          {tell(fault.reason, display)}
        </li>
      ))}
      {more > 0 && <li>and {more} more</li>}
    </ul>
  );
}
