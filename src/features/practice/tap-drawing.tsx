'use client';

import { memo, useCallback, useMemo, useRef } from 'react';
import { followed, type Followed } from './hand';
import type { InHand } from './use-hands';
import { Moved } from './moved';
import { pointerAngle, turnsBetween } from './pointer-angle';
import { useNextFrame } from './use-next-frame';
import { holdsNm, leanOf, type TapState, type TapTask } from '@/core/practice/simulated-tap';

interface Props {
  task: TapTask;
  state: TapState;
  /** How far the wrench is, turns, and how hard it turns, as a share of what the tap holds. */
  held: Followed<{ at: number; share: number }>;
  onTurn: (turns: number) => void;
  onBack: () => void;
}

const CENTRE = 110;
/** A wrench that is dragged follows less the harder the tap turns. */
const RESISTS = 0.85;
const STEP = 1 / 16;

/** How hard it turns, as a share of what the tap holds: 0 to 1. */
export const shareOf = (task: TapTask, { torqueNm }: TapState): number => Math.min(1, torqueNm / holdsNm(task));

const rotated = ({ at }: { at: number }): string => `rotate(${(at % 1) * 360}deg)`;

/** The wrench from above: dragged round, it pulls as hard as the tap does. */
export const WrenchDrawing = memo(function WrenchDrawing({ task, state, held, onTurn, onBack }: Props) {
  const from = useRef<number>(undefined);
  return (
    <div
      role="img"
      aria-label={`Wrench from above, ${state.at.toFixed(2)} turns in`}
      className="relative cursor-grab touch-none"
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        from.current = pointerAngle(e);
      }}
      onPointerMove={(e) => {
        if (from.current === undefined) return;
        const moved = turnsBetween(from.current, pointerAngle(e));
        if (moved * (1 - RESISTS * (held.get()?.share ?? 0)) >= STEP) onTurn(STEP);
        else if (moved <= -0.15) onBack();
        else return;
        from.current = pointerAngle(e);
      }}
      onPointerUp={() => (from.current = undefined)}
    >
      <Rim
        from={state.at - state.bite}
        biteTurns={task.biteTurns}
        told={`${state.at.toFixed(2)} of ${task.turns.toFixed(1)} turns`}
      />
      <Moved
        at={{ at: state.at }}
        follow={held}
        to={rotated}
        className="pointer-events-none absolute inset-0"
        origin={`50% ${(100 * CENTRE) / 240}%`}
      >
        <svg viewBox="0 0 220 240" aria-hidden className="w-full">
          <rect x={CENTRE - 92} y={CENTRE - 8} width={184} height={16} rx={8} fill="#d3a23a" />
        </svg>
      </Moved>
    </div>
  );
});

/** What the wrench turns over, with the bite on its rim. */
const Rim = memo(function Rim({ from, biteTurns, told }: { from: number; biteTurns: number; told: string }) {
  return (
    <svg viewBox="0 0 220 240" aria-hidden className="block w-full">
      <circle cx={CENTRE} cy={CENTRE} r={98} fill="#1f3f8f" stroke="#eef2ff" />
      <circle cx={CENTRE} cy={CENTRE} r={26} fill="#0d1b45" stroke="#eef2ff" />
      {biteTurns > 0 && (
        <path
          d={arc(98, from, Math.max(0.01, biteTurns))}
          fill="none"
          stroke="#d3a23a"
          strokeWidth={5}
          strokeOpacity={0.9}
        />
      )}
      <text x={CENTRE} y={230} textAnchor="middle" fontSize={19} fill="#eef2ff" className="font-cond">
        {told}
      </text>
    </svg>
  );
});

/** A bite on the rim: from so many turns on, so long. */
function arc(r: number, from: number, turns: number): string {
  const at = (t: number): string => {
    const a = 2 * Math.PI * t;
    return `${CENTRE + r * Math.cos(a)} ${CENTRE + r * Math.sin(a)}`;
  };
  return `M${at(from)}A${r} ${r} 0 ${turns > 0.5 ? 1 : 0} 1 ${at(from + Math.min(0.98, turns))}`;
}

/** Lean is drawn so many times as large as it is. */
const LEAN_TIMES = 5;

interface SideProps {
  task: TapTask;
  state: TapState;
  hand: Followed<InHand<{ task: TapTask }, TapState>>;
  from: 'front' | 'side';
}

const TOP = 130;

/** The tap beside a square, seen from one side, as deep as it is. */
export const SideDrawing = memo(
  function SideDrawing({ task, state, hand, from }: SideProps) {
    const leanDeg = state[from];
    const tap = useMemo(() => followed(hand, ({ now }) => now), [hand]);
    const to = useCallback(
      (now: TapState) =>
        `rotate(${now[from] * LEAN_TIMES}deg) translateY(${(7400 / 240) * Math.min(1.15, now.at / task.bottomTurns)}%)`,
      [task, from],
    );
    return (
      <div
        role="img"
        aria-label={`From the ${from}: leans ${Math.abs(leanDeg).toFixed(1)} degrees ${leanDeg > 0 ? 'right' : 'left'}`}
        className="relative overflow-hidden"
      >
        <svg aria-hidden viewBox="0 0 150 240" className="w-full">
          <path d="M112 20v110" stroke="#b9c8ef" strokeDasharray="4 4" />
          <rect x="10" y={TOP} width="130" height="100" fill="#2a4c9e" />
          <rect x="63" y={TOP} width="24" height="84" fill="#0d1b45" />
          <text x="75" y="16" textAnchor="middle" fontSize="15" fill="#eef2ff" className="font-cond">
            {from}
          </text>
        </svg>
        <Moved at={state} follow={tap} to={to} className="absolute inset-0" origin={`50% ${(100 * TOP) / 240}%`}>
          <svg aria-hidden viewBox="0 0 150 240" className="w-full">
            <rect x="66" y={TOP - 100} width="18" height="108" fill="#dfe6fb" stroke="#14275e" />
            <rect x="58" y={TOP - 110} width="34" height="12" rx="3" fill="#d3a23a" />
          </svg>
        </Moved>
      </div>
    );
  },
  // Its depth follows the hand by itself; only lean is written.
  (a, b) => a.task === b.task && a.hand === b.hand && a.from === b.from && a.state[a.from] === b.state[b.from],
);

const W = 460;
const H = 130;
const MOST = 240;

export type FeltProps = Pick<Props, 'task' | 'state'>;

/** What the hand has felt so far, and what the tap holds. */
export const FeltCurve = memo(function FeltCurve({ drawn }: { drawn: Followed<FeltProps> }) {
  const shown = useNextFrame(drawn);
  if (!shown) return null;
  const { task, state } = shown;
  const holds = holdsNm(task);
  const felt = state.felt.slice(-MOST);
  const y = (nm: number): number => H - 16 - (Math.min(1.1, nm / holds) * (H - 40)) / 1.1;
  const x = (i: number): number => 10 + (i / Math.max(40, felt.length)) * (W - 20);
  return (
    <svg
      role="img"
      aria-label={`What the hand feels: ${state.torqueNm.toFixed(1)} of about ${holds.toFixed(1)} newton metres that it holds`}
      viewBox={`0 0 ${W} ${H}`}
      className="w-full"
    >
      <path d={`M10 ${y(holds)}H${W - 10}`} stroke="#ffb3a8" strokeDasharray="7 5" />
      <text x={W - 12} y={y(holds) - 5} textAnchor="end" fontSize="14" fill="#ffb3a8" className="font-cond">
        holds about {holds.toFixed(1)} Nm
      </text>
      <path d={`M10 ${H - 16}H${W - 10}`} stroke="#b9c8ef" />
      <polyline
        points={felt.map((f, i) => `${x(i).toFixed(1)},${y(f.torqueNm).toFixed(1)}`).join(' ')}
        fill="none"
        stroke="#d3a23a"
        strokeWidth="3"
      />
      <text x="10" y={H - 2} fontSize="13" fill="#b9c8ef" className="font-cond">
        lean {leanOf(state).toFixed(1)}°
      </text>
    </svg>
  );
});
