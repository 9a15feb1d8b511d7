'use client';

import { memo, useCallback, useMemo } from 'react';
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
import { followed, type Followed } from './hand';
import { Key } from './key';
import { Moved } from './moved';
import { HandKeys, Said, Told, type HandKey } from './hand-keys';
import { HandsFrame } from './hands-frame';
import { useHands, type InHand } from './use-hands';
import { useLearner } from './use-learner';

/** The mark, where one looks at it from, and how far it should be drawn, mm. */
interface Glass extends PunchState {
  from: 'above' | 'side';
  aim: Place;
}
type Place = Readonly<{ x: number; y: number }>;
const NOWHERE: Place = { x: 0, y: 0 };

const fresh = (task: PunchTask): Glass => ({ ...freshPunch(task), from: 'side', aim: NOWHERE });
const told = (task: PunchTask, s: Glass) =>
  s.isDone ? { right: punchTold(task, s).right, mistake: 'mark' as const } : undefined;

/** Where the mark seems to lie, mm. */
function markSeen(task: PunchTask, s: Glass): Place {
  const [x, y] = seenFrom(task, s, s.isDone ? 'above' : s.from);
  return { x, y };
}

/** mm on each side of the crossing that one sees. */
const SEEN_MM = 1;
const PX = 200;
const BY_KEY = 0.05;
const KEYS: readonly HandKey[] = [
  ['Look straight down', 'a'],
  ['Look from an angle', 's'],
  ['Light blow, drawing', 'd'],
];

const says = ({ now }: InHand<PunchTask, Glass>): string =>
  now.isDone
    ? `Struck: ${Math.hypot(now.x, now.y).toFixed(2)} mm off.`
    : `Seen from ${now.from === 'side' ? 'an angle' : 'straight above'}; ${MOST_LIGHT - now.light} light blows left.`;

/** So far from the middle of the glass, as it is drawn. */
const to = ({ x, y }: Place): string => `translate(${(50 * x) / SEEN_MM}%, ${(-50 * y) / SEEN_MM}%)`;

/** A mark beside its crossing, looked at under a glass, drawn across by light blows, then struck once. */
export function PunchView({ signedInAs }: { signedInAs?: string }) {
  const learner = useLearner(signedInAs);
  useKeptPage();
  const { display } = useUnits();
  const { hand, seen, drawn, change, again } = useHands('punch', learner, punchTask, fresh, told);
  const acts = useMemo(() => {
    const doIt = (act: PunchAct, and: Partial<Glass> = {}): void =>
      change((t, before) => ({ ...before, ...punch(t, before, act), ...and }));
    const push = (x: number, y: number) => (): void =>
      change((_, before) => ({ ...before, aim: { x: before.aim.x + x, y: before.aim.y + y } }));
    return {
      ArrowLeft: push(-BY_KEY, 0),
      ArrowRight: push(BY_KEY, 0),
      ArrowUp: push(0, BY_KEY),
      ArrowDown: push(0, -BY_KEY),
      a: () => doIt({ do: 'look', from: 'above' }, { from: 'above' }),
      s: () => doIt({ do: 'look', from: 'side' }, { from: 'side' }),
      d: () => change((t, before) => ({ ...before, ...punch(t, before, { do: 'draw', ...before.aim }), aim: NOWHERE })),
      f: () => doIt({ do: 'firm' }),
    };
  }, [change]);
  useKeys(acts);
  const onAim = useCallback(
    (at: Place) =>
      change((t, before) => {
        const mark = markSeen(t, before);
        return { ...before, aim: { x: at.x - mark.x, y: at.y - mark.y } };
      }),
    [change],
  );
  if (!seen) return <HandsFrame title="Punch" here="/practice/punch" waits={'The line is being scribed…'} />;
  const { task, now } = seen;
  const result = now.isDone ? punchTold(task, now) : undefined;
  return (
    <HandsFrame title="Punch" here="/practice/punch">
      <section aria-label="Under the glass" className="dye flex flex-col gap-2 p-3">
        <UnderGlass task={task} now={now} hand={hand} onAim={onAim} />
        <Said drawn={drawn} says={says} />
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

interface GlassProps {
  task: PunchTask;
  now: Glass;
  hand: Followed<InHand<PunchTask, Glass>>;
  onAim: (at: Place) => void;
}

const LAYER = 'pointer-events-none absolute inset-0';
const VIEW = `${-PX} ${-PX} ${2 * PX} ${2 * PX}`;

/** The crossing, the mark beside it, and where it is to be drawn. */
function UnderGlass({ task, now, hand, onAim }: GlassProps) {
  const mark = useMemo(() => followed(hand, ({ task: t, now: s }) => markSeen(t, s)), [hand]);
  const aimed = useMemo(
    () =>
      followed(hand, ({ task: t, now: s }) => {
        const { x, y } = markSeen(t, s);
        return { x: x + s.aim.x, y: y + s.aim.y };
      }),
    [hand],
  );
  const { x, y } = markSeen(task, now);
  const { aim } = now;
  const isAimed = !now.isDone && (aim.x !== 0 || aim.y !== 0);
  return (
    <div
      role="img"
      aria-label={`Seen from ${now.isDone ? 'above' : now.from === 'side' ? 'an angle' : 'straight above'}: the mark lies ${Math.abs(x).toFixed(2)} mm ${x > 0 ? 'right' : 'left'} and ${Math.abs(y).toFixed(2)} mm ${y > 0 ? 'above' : 'below'}`}
      className="relative mx-auto aspect-square w-full max-w-[420px] touch-none overflow-hidden"
      onPointerDown={(e) => {
        const rect = e.currentTarget.getBoundingClientRect();
        const at = (value: number, start: number, size: number): number => ((value - start) / size - 0.5) * 2 * SEEN_MM;
        onAim({ x: at(e.clientX, rect.left, rect.width), y: -at(e.clientY, rect.top, rect.height) });
      }}
    >
      <svg viewBox={VIEW} aria-hidden className={`${LAYER} size-full`}>
        <circle r={PX - 4} fill="#1f3f8f" stroke="#b9c8ef" />
        <path
          d={`M${-PX} 0H${PX}M0 ${-PX}V${PX}`}
          stroke="#eef2ff"
          strokeWidth="3"
          opacity={now.from === 'side' && !now.isDone ? 0.6 : 1}
        />
        {isAimed && (
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
      <Moved at={{ x, y }} follow={mark} to={to} className={LAYER}>
        <Mark isStruck={now.isDone} />
      </Moved>
      <Moved at={{ x: x + aim.x, y: y + aim.y }} follow={aimed} to={to} className={LAYER}>
        <Aim isShown={isAimed} />
      </Moved>
    </div>
  );
}

const Mark = memo(function Mark({ isStruck }: { isStruck: boolean }) {
  return (
    <svg viewBox={VIEW} aria-hidden className="size-full">
      <circle r={isStruck ? 26 : 9} fill="#0d1b45" stroke="#d3a23a" strokeWidth="3" />
    </svg>
  );
});

const Aim = memo(function Aim({ isShown }: { isShown: boolean }) {
  return (
    <svg viewBox={VIEW} aria-hidden className="size-full">
      {isShown && <path d="M-8 -8L8 8M-8 8L8 -8" stroke="#d3a23a" strokeWidth="3" />}
    </svg>
  );
});
