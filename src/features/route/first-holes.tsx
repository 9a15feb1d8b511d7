'use client';

import type { RouteSettings } from '@/contracts/route';
import type { FirstHole } from '@/core/route/first-through';

interface Props {
  firsts: readonly FirstHole[];
  decide: (change: (settings: RouteSettings) => RouteSettings) => void;
}

const time = (s: number): string => (s < 100 ? `${Math.round(s)} s` : `${(s / 60).toFixed(1)} min`);
const holes = (n: number): string => (n === 1 ? '1 hole' : `${n} holes`);

/** What it costs to send one through first, or what is at risk where none goes. */
function meaning({ leftOut, waits, changes, costS }: FirstHole): string {
  if (leftOut) return `${holes(waits + 1)} made before the first is gauged: a drill that cuts large spoils them all`;
  const cost = changes === 0 ? 'no change of tool more' : `${changes} ${changes === 1 ? 'change' : 'changes'} more`;
  return `${holes(waits)} ${waits === 1 ? 'waits' : 'wait'} for its gauge; ${cost}${costS > 0 ? `, ${time(costS)}` : ''}`;
}

/** Groups of like holes: of each one goes through to the gauge first, or none does. */
export function FirstHoles({ firsts, decide }: Props) {
  return (
    <ul aria-label="One through first" className="flex flex-col gap-1 pb-1 text-[15px]">
      {firsts.map((first) => (
        <li key={first.key}>
          <label className="flex min-h-11 items-center gap-2 sm:min-h-9">
            <input
              type="checkbox"
              className="size-5 shrink-0 accent-ink"
              checked={!first.leftOut}
              onChange={() => decide((s) => ({ ...s, first: { ...s.first, [first.key]: first.leftOut } }))}
            />
            <span>
              <strong>
                {first.hole} first, {first.callout}
              </strong>
              : {meaning(first)}.
            </span>
          </label>
        </li>
      ))}
    </ul>
  );
}
