'use client';

import { memo, useCallback, useEffect, useMemo, useState } from 'react';
import { mm, quantity } from '@/core/answer/answer';
import {
  atPress,
  chipNow,
  chipWords,
  endMm,
  freshPress,
  isAtBack,
  pressTask,
  pressTold,
  type PressAct,
  type PressFault,
  type PressState,
  type PressTask,
} from '@/core/practice/simulated-press';
import type { Mistake } from '@/core/practice/exercise';
import type { PracticeSource } from '@/core/practice/some-hole';
import { wholeShop, type ShopWithCrib } from '@/core/shop/shop';
import { parseLength } from '@/core/units/length';
import { showText, tell, type Display } from '@/core/units/show';
import { TextField } from '@/ui/field';
import { useKeys } from '@/ui/keys';
import { useUnits } from '@/ui/units';
import { useKeptPage } from '../run/offline-shell';
import { Chips } from './chips-drawing';
import { followed, type Followed } from './hand';
import { Key } from './key';
import { Moved } from './moved';
import { HandKeys, Said, SoundSwitch, type HandKey } from './hand-keys';
import { HandsFrame } from './hands-frame';
import { useHands, type InHand } from './use-hands';
import { useLearner } from './use-learner';
import { useSound, type Tone } from './use-sound';

const MISTAKE: Record<PressFault, Mistake> = {
  burnt: 'speed',
  packed: 'went-on',
  grabbed: 'ease',
  hardened: 'dwelt',
  rubbed: 'dwelt',
  short: 'stop',
  deep: 'stop',
};
const KEYS: readonly HandKey[] = [
  ['Feed', 'ArrowDown', '↓'],
  ['Feed lightly', 'l'],
  ['Ease off', 'e'],
  ['Out, clear the chips', 'ArrowUp', '↑'],
];
const LIGHT = 0.3;
const EASED = 0.55;

/** What one hears as it cuts: higher the faster it turns, a squeal where it is too fast or rubs, a rise as it breaks through. */
function heard(task: PressTask, s: PressState): Tone | undefined {
  const sign = chipNow(task, s);
  if (!sign || s.isOver) return undefined;
  const squeals = sign === 'blue' || sign === 'squeal' || sign === 'rubs';
  const hz = squeals ? 1400 : 90 + 120 * (s.rpm / task.idealRpm);
  return {
    hz: isAtBack(task, s) ? 1.5 * hz : hz,
    type: squeals ? 'sawtooth' : 'triangle',
    loud: squeals ? 0.03 : 0.05,
    seconds: 0.15,
  };
}

/** What one sees and hears of the hole. */
function lookOf(task: PressTask, now: PressState): string {
  if (now.isOver) return 'out of the hole';
  return isAtBack(task, now) ? 'the note rises: the point is through' : chipWords(chipNow(task, now));
}

const told = (_: PressTask, { isOver, faults }: PressState) =>
  isOver ? { right: faults.length === 0, mistake: faults[0] ? MISTAKE[faults[0]] : ('stop' as const) } : undefined;

/** A drill press on the screen: belt, stop, wheel; chips and sound say whether it is right, and the hole is pinned after. */
export function PressView({ shop, signedInAs }: { shop: ShopWithCrib; signedInAs?: string }) {
  const source = useMemo<PracticeSource>(() => ({ shop: wholeShop(shop) }), [shop]);
  const make = useCallback((seed: number) => pressTask(source, seed), [source]);
  const learner = useLearner(signedInAs);
  useKeptPage();
  const { display } = useUnits();
  const { hand, seen, drawn, isNone, change, again } = useHands('press', learner, make, freshPress, told);
  const doIt = useCallback((act: PressAct): void => change((t, before) => atPress(t, before, act)), [change]);
  const { sound, turnSound, play } = useSound();
  const acts = useMemo(() => {
    const doing = (act: PressAct) => (): void => doIt(act);
    return {
      ArrowDown: doing({ do: 'feed', share: 1 }),
      l: doing({ do: 'feed', share: LIGHT }),
      e: doing({ do: 'feed', share: EASED }),
      ArrowUp: doing({ do: 'out' }),
      x: doing({ do: 'end' }),
      m: turnSound,
    };
  }, [doIt, turnSound]);
  useKeys(acts);
  useEffect(() => {
    const tone = seen && heard(seen.task, seen.now);
    if (tone) play(tone);
  }, [seen, play]);
  const deep = useMemo(() => followed(hand, ({ now }) => now.deepMm), [hand]);
  const says = useCallback(
    ({ task, now }: InHand<PressTask, PressState>) =>
      `${lookOf(task, now)}; ${showText(mm(Math.round(now.deepMm * 10) / 10), display)} down`,
    [display],
  );
  if (!seen)
    return (
      <HandsFrame
        title="Drill press"
        here="/practice/press"
        waits={isNone ? 'This shop has no drill press with steps: add one in the crib.' : 'The part is being clamped…'}
      />
    );
  const { task, now, seed } = seen;
  return (
    <HandsFrame title="Drill press" here="/practice/press">
      <section aria-label="Press" className="dye flex flex-col gap-2 p-3">
        <p className="font-cond text-xl">
          {task.drill}, {task.pointDeg}° point, in {task.material.label}: {task.through ? 'through' : 'full diameter'}{' '}
          {showText(mm(task.fullMm), display)}
        </p>
        <div className="relative mx-auto w-full max-w-[460px] overflow-hidden">
          <Section task={task} state={now} display={display} />
          <Drill task={task} deepMm={now.deepMm} deep={deep} isHot={now.hotMoments > 2} isOut={now.isOver} />
          <BesideDrill task={task} state={now} />
        </div>
        <Said drawn={drawn} says={says} className="text-2xl" />
      </section>
      <section aria-label="Hands" className="plate flex flex-col gap-3 p-3">
        <Setting key={seed} task={task} rpm={now.rpm} cuts={now.deepMm > 0} display={display} doIt={doIt} />
        <HandKeys keys={KEYS} acts={acts} over={now.isOver || now.rpm === 0} />
        <button type="button" className="btn-next" disabled={now.isOver || now.deepMm === 0} onClick={acts.x}>
          Done: out of the hole <Key>X</Key>
        </button>
        <SoundSwitch sound={sound} turnSound={turnSound} />
        {now.isOver && <After task={task} state={now} display={display} again={again} />}
      </section>
    </HandsFrame>
  );
}

interface SettingProps {
  task: PressTask;
  /** As the belt is set; 0 where it is not. */
  rpm: number;
  cuts: boolean;
  display: Display;
  doIt: (act: PressAct) => void;
}

/** Belt and stop, before it cuts. */
const Setting = memo(function Setting({ task, rpm: set, cuts, display, doIt }: SettingProps) {
  const [stop, setStop] = useState('');
  const parsed = stop.trim() === '' ? undefined : parseLength(stop, display === 'inch' ? 'in' : 'mm');
  return (
    <>
      <fieldset className="flex flex-wrap gap-1" disabled={cuts}>
        <legend className="label">Belt</legend>
        {task.steps.map((rpm) => (
          <button
            key={rpm}
            type="button"
            aria-pressed={set === rpm}
            className={`btn h-11 ${set === rpm ? 'bg-brass' : ''}`}
            onClick={() => doIt({ do: 'belt', rpm })}
          >
            {rpm}
          </button>
        ))}
      </fieldset>
      {!task.through && (
        <TextField
          label={`Stop, from where the point touches, ${display === 'inch' ? 'in' : 'mm'}`}
          value={stop}
          onChange={(text) => {
            if (cuts) return;
            setStop(text);
            const read = parseLength(text, display === 'inch' ? 'in' : 'mm');
            doIt({ do: 'stop', mm: read.ok ? read.value.mm : 0 });
          }}
          error={parsed && !parsed.ok ? 'Enter a depth such as 18.5.' : undefined}
          inputMode="decimal"
          className="w-60"
        />
      )}
      {set === 0 && <p>Set the belt first{task.through ? '' : ', then the stop'}; then it runs.</p>}
    </>
  );
});

/** The face of the stock, and the middle of the hole, in the drawing. */
const TOP = 40;
const MIDDLE = 190;
const HIGH = 250;

/** The drill as it is drawn: px a mm, how wide, and its tip. */
function drawnDrill(task: PressTask): { scale: number; wide: number; tip: number } {
  const scale = 190 / (endMm(task) * (task.through ? 1.05 : 1.45));
  return { scale, wide: Math.min(150, Math.max(20, task.diameterMm * scale)), tip: task.tipMm * scale };
}

interface DrillProps {
  task: PressTask;
  deepMm: number;
  deep: Followed<number>;
  isHot: boolean;
  isOut: boolean;
}

/** The drill, which follows the hand at once: it is moved, not drawn anew. */
const Drill = memo(function Drill({ task, deepMm, deep, isHot, isOut }: DrillProps) {
  const { scale, wide, tip } = drawnDrill(task);
  const to = useCallback((mm: number) => `translateY(${(100 * mm * scale) / HIGH}%)`, [scale]);
  return (
    <Moved at={deepMm} follow={deep} to={to} className="pointer-events-none absolute inset-0">
      <svg viewBox={`0 0 380 ${HIGH}`} aria-hidden className="w-full overflow-visible">
        <path
          d={`M${MIDDLE - wide / 2} ${TOP - tip - 60}v60l${wide / 2} ${tip}l${wide / 2} ${-tip}v-60z`}
          fill={isHot ? '#5b7fd6' : '#dfe6fb'}
          stroke="#14275e"
          opacity={isOut ? 0.25 : 1}
        />
      </svg>
    </Moved>
  );
});

/** The hole as it is being made, cut in half. */
const Section = memo(function Section({
  task,
  state,
  display,
}: {
  task: PressTask;
  state: PressState;
  display: Display;
}) {
  const { scale, wide, tip } = drawnDrill(task);
  const deep = state.deepMm * scale;
  const stock = task.through ? task.fullMm * scale : 190;
  const [x, top] = [MIDDLE, TOP];
  return (
    <svg
      role="img"
      aria-label={`Hole ${showText(mm(state.deepMm), display)} deep of ${showText(mm(endMm(task)), display)}`}
      viewBox={`0 0 380 ${HIGH}`}
      className="block w-full"
    >
      <rect x="30" y={top} width="320" height={stock} fill="#2a4c9e" stroke="#eef2ff" />
      <path
        d={`M${x - wide / 2} ${top}v${Math.max(0, deep - tip)}l${wide / 2} ${Math.min(tip, deep)}l${wide / 2} ${-Math.min(tip, deep)}v${-Math.max(0, deep - tip)}z`}
        fill="#0d1b45"
      />
    </svg>
  );
});

/** The chips that come up, and where the stop is set: over the drill. */
const BesideDrill = memo(function BesideDrill({ task, state }: { task: PressTask; state: PressState }) {
  const stop = TOP + state.stopMm * drawnDrill(task).scale;
  return (
    <svg viewBox={`0 0 380 ${HIGH}`} aria-hidden className="pointer-events-none absolute inset-0 w-full">
      {!state.isOver && <Chips sign={chipNow(task, state)} x={MIDDLE} y={TOP} />}
      {!task.through && state.stopMm > 0 && <path d={`M30 ${stop}h320`} stroke="#d3a23a" strokeDasharray="6 4" />}
    </svg>
  );
});

/** What came of it: the hole as it is pinned, and what went wrong. */
function After({
  task,
  state,
  display,
  again,
}: {
  task: PressTask;
  state: PressState;
  display: Display;
  again: () => void;
}) {
  const faults = pressTold(task, state);
  return (
    <div className={`border-l-4 pl-3 ${faults.length > 0 ? 'border-l-brass-dark' : 'border-l-pass'}`}>
      {faults.length === 0 ? (
        <p className="text-lg">
          <b className="text-pass">✓ A good hole.</b>
        </p>
      ) : (
        <ul className="text-lg">
          {faults.map(({ fault, says, saves }) => (
            <li key={fault}>
              <b className="text-brass-dark">✕ {tell(says, display)}</b> {tell(saves, display)}
            </li>
          ))}
        </ul>
      )}
      <p>
        Pinned: {showText(mm(Math.round(task.holeMm * 100) / 100), display)} from a drill of{' '}
        {showText(mm(task.diameterMm), display)}. At {showText(quantity(state.rpm, 'rpm'), display)},{' '}
        {((100 * state.rpm) / task.idealRpm).toFixed(0)} % of the ideal; out {state.outs} times.
      </p>
      <button type="button" className="btn-next mt-2" onClick={again}>
        Another hole
      </button>
    </div>
  );
}
