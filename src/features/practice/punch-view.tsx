'use client';

import { useMemo, useRef, useState } from 'react';
import { mm } from '@/core/answer/answer';
import {
  freshPunch,
  MOST_LIGHT,
  punch,
  punchTask,
  punchTold,
  seenFrom,
  type PunchAct,
  type PunchState,
  type PunchTask,
} from '@/core/practice/simulated-punch';
import { showText } from '@/core/units/show';
import { useKeys } from '@/ui/keys';
import { useUnits } from '@/ui/units';
import { useKeptPage } from '../run/offline-shell';
import { Key } from './key';
import { HandKeys, Told, type HandKey } from './hand-keys';
import { HandsFrame } from './hands-frame';
import { useHands } from './use-hands';
import { useLearner } from './use-learner';

const told = (task: PunchTask, s: PunchState) =>
  s.isDone ? { right: punchTold(task, s).right, mistake: 'mark' as const } : undefined;

/** mm on each side of the crossing that one sees. */
const SEEN_MM = 1;
const PX = 200;
const BY_KEY = 0.05;
const KEYS: readonly HandKey[] = [
  ['Look straight down', 'a'],
  ['Look from an angle', 's'],
  ['Light blow, drawing', 'd'],
];

/** A mark beside its crossing, looked at under a glass, drawn across by light blows, then struck once. */
export function PunchView({ signedInAs }: { signedInAs?: string }) {
  const learner = useLearner(signedInAs);
  useKeptPage();
  const { display } = useUnits();
  const { task, now, change, again } = useHands('punch', learner, punchTask, freshPunch, told);
  const [from, setFrom] = useState<'above' | 'side'>('side');
  const [aim, setAim] = useState({ x: 0, y: 0 });
  const box = useRef<SVGSVGElement>(null);
  const acts = useMemo(() => {
    const doIt = (act: PunchAct): void => void change((t, before) => punch(t, before, act));
    const look = (where: 'above' | 'side'): void => {
      setFrom(where);
      doIt({ do: 'look', from: where });
    };
    const push = (x: number, y: number): void => setAim((to) => ({ x: to.x + x, y: to.y + y }));
    return {
      ArrowLeft: () => push(-BY_KEY, 0),
      ArrowRight: () => push(BY_KEY, 0),
      ArrowUp: () => push(0, BY_KEY),
      ArrowDown: () => push(0, -BY_KEY),
      a: () => look('above'),
      s: () => look('side'),
      d: () => {
        doIt({ do: 'draw', ...aim });
        setAim({ x: 0, y: 0 });
      },
      f: () => doIt({ do: 'firm' }),
    };
  }, [aim, change]);
  useKeys(acts);
  if (!task || !now) return <HandsFrame title="Punch" here="/practice/punch" waits={'The line is being scribed…'} />;
  const [x, y] = seenFrom(task, now, now.isDone ? 'above' : from);
  const result = now.isDone ? punchTold(task, now) : undefined;
  return (
    <HandsFrame title="Punch" here="/practice/punch">
      <section aria-label="Under the glass" className="dye flex flex-col gap-2 p-3">
        <svg
          ref={box}
          role="img"
          aria-label={`Seen from ${now.isDone ? 'above' : from === 'side' ? 'an angle' : 'straight above'}: the mark lies ${Math.abs(x).toFixed(2)} mm ${x > 0 ? 'right' : 'left'} and ${Math.abs(y).toFixed(2)} mm ${y > 0 ? 'above' : 'below'}`}
          viewBox={`${-PX} ${-PX} ${2 * PX} ${2 * PX}`}
          className="mx-auto w-full max-w-[420px] touch-none"
          onPointerDown={(e) => {
            const rect = e.currentTarget.getBoundingClientRect();
            const at = (value: number, start: number, size: number): number =>
              ((value - start) / size - 0.5) * 2 * SEEN_MM;
            setAim({ x: at(e.clientX, rect.left, rect.width) - x, y: -at(e.clientY, rect.top, rect.height) - y });
          }}
        >
          <circle r={PX - 4} fill="#1f3f8f" stroke="#b9c8ef" />
          <path
            d={`M${-PX} 0H${PX}M0 ${-PX}V${PX}`}
            stroke="#eef2ff"
            strokeWidth="3"
            opacity={from === 'side' && !now.isDone ? 0.6 : 1}
          />
          <circle
            cx={(x * PX) / SEEN_MM}
            cy={(-y * PX) / SEEN_MM}
            r={now.isDone ? 26 : 9}
            fill="#0d1b45"
            stroke="#d3a23a"
            strokeWidth="3"
          />
          {!now.isDone && (aim.x !== 0 || aim.y !== 0) && (
            <path
              d={`M${(x * PX) / SEEN_MM} ${(-y * PX) / SEEN_MM}l${(aim.x * PX) / SEEN_MM} ${(-aim.y * PX) / SEEN_MM}`}
              stroke="#d3a23a"
              strokeWidth="3"
              strokeDasharray="6 5"
            />
          )}
          {now.isDone && (
            <circle r={(task.allowedMm * PX) / SEEN_MM} fill="none" stroke="#d3a23a" strokeDasharray="5 4" />
          )}
        </svg>
        <p role="status" className="font-cond text-xl">
          {now.isDone
            ? `Struck: ${Math.hypot(now.x, now.y).toFixed(2)} mm off.`
            : `Seen from ${from === 'side' ? 'an angle' : 'straight above'}; ${MOST_LIGHT - now.light} light blows left.`}
        </p>
      </section>
      <section aria-label="Hands" className="plate flex flex-col gap-3 p-3">
        <p>
          {showText(mm(task.allowedMm), display)} off is allowed. Touch where the mark should be drawn to, or use the
          arrows; then a light blow. When it lies on the crossing, one firm blow.
        </p>
        <HandKeys keys={KEYS} acts={acts} off={now.light >= MOST_LIGHT ? 'd' : ''} over={now.isDone} />
        <button type="button" className="btn-next" disabled={now.isDone} onClick={acts.f}>
          One firm blow <Key>F</Key>
        </button>
        {result && <Told told={result} display={display} another="Another mark" again={again} />}
      </section>
    </HandsFrame>
  );
}
