'use client';

import { memo, useCallback, useMemo } from 'react';
import { feelWords, leanOf, whyBroken, type TapState, type TapTask } from '@/core/practice/simulated-tap';
import type { PracticeSource } from '@/core/practice/some-hole';
import { wholeShop, type ShopWithCrib } from '@/core/shop/shop';
import { writeCallout } from '@/core/threads/write-callout';
import { tell } from '@/core/units/show';
import { useKeys } from '@/ui/keys';
import { useUnits } from '@/ui/units';
import { useKeptPage } from '../run/offline-shell';
import { followed } from './hand';
import { Key } from './key';
import { HandKeys, Said, SoundSwitch, type HandKey } from './hand-keys';
import { HandsFrame } from './hands-frame';
import { FeltCurve, type FeltProps, shareOf, SideDrawing, WrenchDrawing } from './tap-drawing';
import { useLearner } from './use-learner';
import { SHORT_TURNS, SQUARE_DEG, useTap } from './use-tap';

/** A turn of the wrench by one key, turns; a push sideways, degrees. */
const BY_KEY = 1 / 8;
const PUSH_DEG = 0.3;
const KEYS: readonly HandKey[] = [
  ['Forward an eighth', 'ArrowRight', '→'],
  ['Back until it snaps', 'ArrowLeft', '←'],
  ['Oil', 'o'],
  ['Out and clean', 'c'],
  ['Press left', 'a'],
  ['Press right', 'd'],
  ['Press to the back', 'w'],
  ['Press toward you', 's'],
];

/** Tapping by hand on the screen: turned by drag, by buttons or by keys; it breaks only for what could be felt. */
export function TapView({ shop, signedInAs }: { shop: ShopWithCrib; signedInAs?: string }) {
  const source = useMemo<PracticeSource>(() => ({ shop: wholeShop(shop) }), [shop]);
  const { display } = useUnits();
  const learner = useLearner(signedInAs);
  const { hand, seen, drawn, isNone, doIt, again, sound, turnSound } = useTap(source, learner);
  const held = useMemo(
    () => followed(hand, ({ task: { task }, now }) => ({ at: now.at, share: shareOf(task, now) })),
    [hand],
  );
  const felt = useMemo(() => followed(drawn, ({ task: { task }, now }) => ({ task, state: now })), [drawn]);
  const says = useCallback(
    ({ task, state }: FeltProps) =>
      `${tell(feelWords(task, state), display)} ${state.at.toFixed(2)} of ${task.turns.toFixed(1)} turns`,
    [display],
  );
  useKeptPage();
  const acts = useMemo(() => {
    const lean = (front: number, side: number) => () => doIt({ do: 'lean', front, side });
    return {
      ArrowRight: () => doIt({ do: 'turn', turns: BY_KEY }),
      ArrowLeft: () => doIt({ do: 'back' }),
      o: () => doIt({ do: 'oil' }),
      c: () => doIt({ do: 'clean' }),
      a: lean(-PUSH_DEG, 0),
      d: lean(PUSH_DEG, 0),
      w: lean(0, PUSH_DEG),
      s: lean(0, -PUSH_DEG),
      x: () => doIt({ do: 'stop' }),
      m: turnSound,
    };
  }, [doIt, turnSound]);
  const onTurn = useCallback((turns: number) => doIt({ do: 'turn', turns }), [doIt]);
  useKeys(acts);
  if (!seen)
    return (
      <HandsFrame
        title="Tap by feel"
        here="/practice/tap"
        waits={
          isNone
            ? 'This shop has no hole to tap by hand: add a straight-flute tap to the crib.'
            : 'A hole is being drilled…'
        }
      />
    );
  const { task: hole, now } = seen;
  const { task } = hole;
  const over = now.broken !== undefined || now.isDone;
  return (
    <HandsFrame title="Tap by feel" here="/practice/tap">
      <section aria-label="Tap" className="dye flex flex-col gap-2 p-3">
        <p className="font-cond text-xl">
          {writeCallout(hole.plan.callout)} in {hole.plan.material.label}
        </p>
        <div className="grid grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,1fr)] items-start gap-2">
          <WrenchDrawing task={task} state={now} held={held} onTurn={onTurn} onBack={acts.ArrowLeft} />
          <SideDrawing task={task} state={now} hand={hand} from="front" />
          <SideDrawing task={task} state={now} hand={hand} from="side" />
        </div>
        <FeltCurve drawn={felt} />
        <Said drawn={felt} says={says} className="text-2xl" />
      </section>
      <section aria-label="Hands" className="plate flex flex-col gap-3 p-3">
        <Advice biteTurns={task.biteTurns} />
        <HandKeys keys={KEYS} acts={acts} over={over} />
        <button type="button" className="btn-next" disabled={over} onClick={acts.x}>
          Deep enough: stop <Key>X</Key>
        </button>
        <SoundSwitch sound={sound} turnSound={turnSound} />
        {over && <After task={task} state={now} again={again} />}
      </section>
    </HandsFrame>
  );
}

/** What is to be done, with the bite that this tap takes. */
const Advice = memo(function Advice({ biteTurns }: { biteTurns: number }) {
  return (
    <p>
      {biteTurns > 0
        ? `Bites of about ${biteTurns < 1 ? (biteTurns <= 0.3 ? 'a quarter turn' : 'half a turn') : 'a turn'}, then back until the chip snaps.`
        : 'No reversing with this tap.'}{' '}
      Look from both sides in the first two turns. Count: the bottom gives no sign.
    </p>
  );
});

/** What came of it, and why. */
function After({ task, state, again }: { task: TapTask; state: TapState; again: () => void }) {
  const { display } = useUnits();
  const why = whyBroken(state);
  const short = task.turns - state.deepest;
  const lean = leanOf(state);
  return (
    <div
      className={`border-l-4 pl-3 ${why || short > SHORT_TURNS || lean > SQUARE_DEG ? 'border-l-brass-dark' : 'border-l-pass'}`}
    >
      {why ? (
        <p className="text-lg">
          <b className="text-brass-dark">✕ The tap broke after {state.deepest.toFixed(1)} turns.</b>{' '}
          {tell(why.why, display)} <b>{tell(why.saves, display)}</b>
        </p>
      ) : (
        <p className="text-lg">
          <b className={short > SHORT_TURNS || lean > SQUARE_DEG ? 'text-brass-dark' : 'text-pass'}>
            {short > SHORT_TURNS
              ? `✕ ${short.toFixed(1)} turns short.`
              : lean > SQUARE_DEG
                ? `✕ Deep enough, but it leans ${lean.toFixed(1)}°.`
                : '✓ Deep enough, and square.'}
          </b>{' '}
          Most it took was {Math.max(...state.felt.map((f) => f.torqueNm), 0).toFixed(1)} Nm.
        </p>
      )}
      <ol aria-label="Turn by turn" className="max-h-40 overflow-y-auto text-[15px]">
        {turnByTurn(state).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
      <button type="button" className="btn-next mt-2" onClick={again}>
        Another hole
      </button>
    </div>
  );
}

/** Each turn with the most that it took, and what was done in it. */
function turnByTurn({ felt }: TapState): string[] {
  const turns = new Map<number, { most: number; backs: number; oiled: boolean; cleaned: boolean }>();
  for (const { at, torqueNm, did } of felt) {
    const turn = Math.floor(Math.max(0, at - 1e-9)) + 1;
    const row = turns.get(turn) ?? { most: 0, backs: 0, oiled: false, cleaned: false };
    row.most = Math.max(row.most, torqueNm);
    if (did === 'back') row.backs += 1;
    if (did === 'oil') row.oiled = true;
    if (did === 'clean') row.cleaned = true;
    turns.set(turn, row);
  }
  return [...turns]
    .sort((a, b) => a[0] - b[0])
    .map(([turn, { most, backs, oiled, cleaned }]) =>
      [
        `Turn ${turn}: ${most.toFixed(1)} Nm`,
        backs > 0 && `back ${backs === 1 ? 'once' : `${backs} times`}`,
        oiled && 'oiled',
        cleaned && 'out and clean',
      ]
        .filter(Boolean)
        .join(', '),
    );
}
