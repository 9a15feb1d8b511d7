'use client';

import type { LaidFace } from '@/core/layout/lay-out';
import type { Point } from '@/core/layout/part';
import type { Bore, BoreFault } from '@/core/layout/bores';
import type { RoomFault } from '@/core/layout/room';
import type { Found } from '@/core/layout/worst-first';
import { showText, tell, type Display } from '@/core/units/show';

interface Props {
  laid: LaidFace;
  letters: ReadonlyMap<string, string>;
  display: Display;
  inside: Found<BoreFault>;
  /** Shows a feature that cannot be made. */
  onShow: (featureId: string) => void;
  onJump: (fault: RoomFault) => void;
  onCure: (featureId: string, step: Point) => void;
}

const SHOWN = 200;

/** What does not fit, worst first: jump to it, read why, take the smallest change that cures it. */
export function RoomPanel({ laid, letters, display, inside, onShow, onJump, onCure }: Props) {
  const name = (i: number): string => `${letters.get(laid.holes[i].featureId)}${laid.holes[i].number}`;
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
    <ul className="flex max-h-[560px] flex-col gap-2 overflow-auto">
      {laid.problems.slice(0, SHOWN).map((p) => (
        <li key={`${p.field} ${p.code}`} className="border-b border-steel-200 pb-2">
          <button type="button" className="text-left" onClick={() => onShow(p.field)}>
            <strong className="text-danger">✕ {letters.get(p.field)} can’t be made as drawn.</strong> {tell(p, display)}{' '}
            {tell(p.remedy, display)}
          </button>
        </li>
      ))}
      {laid.faults.listed.map((fault) => (
        <li key={`${fault.code}${fault.holes.join()}`} className="border-b border-steel-200 pb-2">
          <button type="button" className="text-left" onClick={() => onJump(fault)}>
            <strong className="text-danger">
              {fault.level === 'stop' ? '✕ ' : '! '}
              {fault.holes.map(name).join(' and ')}
            </strong>{' '}
            {tell(fault.reason, display)}
          </button>
          {fault.cure && (
            <button
              type="button"
              className="btn mt-1 h-9"
              onClick={() => fault.cure && onCure(laid.holes[fault.holes[0]].featureId, fault.cure)}
            >
              Move {letters.get(laid.holes[fault.holes[0]].featureId)} by{' '}
              {showText({ value: fault.cure.x, unit: 'mm', places: 2 }, display)},{' '}
              {showText({ value: fault.cure.y, unit: 'mm', places: 2 }, display)}
            </button>
          )}
        </li>
      ))}
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
