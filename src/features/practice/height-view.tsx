'use client';

import { memo, useMemo, useRef, type PointerEvent } from 'react';
import { mm } from '@/core/answer/answer';
import {
  atGauge,
  freshHeight,
  HIGHEST_MM,
  heightTask,
  heightTold,
  shownMm,
  type HeightAct,
  type HeightState,
  type HeightTask,
} from '@/core/practice/simulated-height-gauge';
import type { Mistake } from '@/core/practice/exercise';
import { GAUGES, gaugeSteps } from '@/core/layout/height-list';
import { mmToInch } from '@/core/units/length';
import { showText } from '@/core/units/show';
import { useKeys } from '@/ui/keys';
import { useKeptPage } from '../run/offline-shell';
import { DialFace } from './dial-face';
import { followed, type Followed } from './hand';
import { HandKeys, Said, Told, type HandKey } from './hand-keys';
import { HandsFrame } from './hands-frame';
import { Key } from './key';
import { useHands, type InHand } from './use-hands';
import { useLearner } from './use-learner';
import { LINE_PX, VernierScale } from './vernier-scale';

const KEYS: readonly HandKey[] = [
  ['Fine screw, up', 'ArrowUp', '↑'],
  ['Fine screw, down', 'ArrowDown', '↓'],
  ['A division up', 'PageUp', 'PgUp'],
  ['A division down', 'PageDown', 'PgDn'],
  ['Ten divisions up', 'u'],
  ['Ten divisions down', 'd'],
  ['Down to the plate', 'p'],
  ['Set it to zero', 'z'],
  ['Lock, unlock', 'l'],
];

function told(task: HeightTask, s: HeightState): { right: boolean; mistake: Mistake } | undefined {
  return s.lineMm === undefined ? undefined : { right: heightTold(task, s).right, mistake: 'division' };
}

const says = ({ now }: InHand<HeightTask, HeightState>): string =>
  now.lineMm !== undefined
    ? 'Scribed.'
    : `The scriber ${now.atMm === 0 ? 'stands on' : 'is clear of'} the plate; ${now.isLocked ? 'locked' : 'not locked'}.`;

/** A height gauge on its plate: touched, zeroed, set by its scale, locked, and drawn along once. */
export function HeightView({ signedInAs }: { signedInAs?: string }) {
  const learner = useLearner(signedInAs);
  useKeptPage();
  const { hand, seen, drawn, change, again } = useHands('height', learner, heightTask, freshHeight, told);
  const acts = useMemo(() => {
    const doIt = (of: (t: HeightTask) => HeightAct) => (): void => change((t, before) => atGauge(t, before, of(t)));
    const move = (count: number, size: 'stepMm' | 'wholeMm') =>
      doIt((t) => ({ do: 'move', mm: count * gaugeSteps(t.gauge)[size] }));
    return {
      ArrowUp: move(1, 'stepMm'),
      ArrowDown: move(-1, 'stepMm'),
      PageUp: move(1, 'wholeMm'),
      PageDown: move(-1, 'wholeMm'),
      u: move(10, 'wholeMm'),
      d: move(-10, 'wholeMm'),
      p: doIt(() => ({ do: 'plate' })),
      z: doIt(() => ({ do: 'zero' })),
      l: doIt(() => ({ do: 'lock' })),
      f: doIt(() => ({ do: 'scribe' })),
    };
  }, [change]);
  useKeys(acts);
  const shown = useMemo(() => followed(hand, ({ now }) => shownMm(now)), [hand]);
  if (!seen) return <HandsFrame title="Height gauge" here="/practice/height" waits="The plate is being wiped…" />;
  const { task, now } = seen;
  const inch = task.gauge.endsWith('inch');
  const isDone = now.lineMm !== undefined;
  return (
    <HandsFrame title="Height gauge" here="/practice/height">
      <section aria-label="Gauge" className="dye flex flex-col gap-2 p-3">
        <p className="font-cond text-2xl">
          Scribe a line at {showText(mm(task.heightMm), inch ? 'inch' : 'mm')}
          <span className="ml-2 text-base">{GAUGES.find(([id]) => id === task.gauge)?.[1]}</span>
        </p>
        <OnPlate now={now} />
        <Scale
          task={task}
          now={now}
          shown={shown}
          onMove={(by) => change((t, before) => atGauge(t, before, { do: 'move', mm: by }))}
        />
        <Said drawn={drawn} says={says} />
      </section>
      <section aria-label="Hands" className="plate flex flex-col gap-3 p-3">
        <p>Somebody used it before you. Drag the scale, or use the keys; read it once more, then draw it along once.</p>
        <HandKeys keys={KEYS} acts={acts} over={isDone} />
        <button type="button" className="btn-next" disabled={isDone} onClick={acts.f}>
          Draw it along: scribe <Key>F</Key>
        </button>
        {isDone && (
          <Told told={heightTold(task, now)} display={inch ? 'inch' : 'mm'} another="Another line" again={again} />
        )}
      </section>
    </HandsFrame>
  );
}

interface ScaleProps {
  task: HeightTask;
  now: HeightState;
  shown: Followed<number>;
  onMove: (byMm: number) => void;
}

/** What is read: a vernier, or whole lines and a dial. Dragged sideways it moves. */
function Scale({ task, now, shown, onMove }: ScaleProps) {
  const from = useRef<{ x: number; mm: number }>(undefined);
  const { stepMm, wholeMm } = gaugeSteps(task.gauge);
  const at = shownMm(now);
  const drag = (e: PointerEvent): void => {
    if (!from.current || e.buttons === 0) return;
    const to = from.current.mm + Math.round((((e.clientX - from.current.x) / LINE_PX) * wholeMm) / stepMm) * stepMm;
    const by = to - (shown.get() ?? to);
    if (Math.abs(by) > 1e-9) onMove(by);
  };
  const main = Math.floor(at / wholeMm + 1e-9);
  const perTurn = Math.round(wholeMm / stepMm);
  const division = useMemo(() => followed(shown, (mm) => Math.round(mm / stepMm)), [shown, stepMm]);
  return (
    <div
      className="touch-none bg-steel-100 text-ink"
      onPointerDown={(e) => {
        from.current = { x: e.clientX, mm: shown.get() ?? at };
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={drag}
    >
      {task.gauge === 'vernier-mm' || task.gauge === 'vernier-inch' ? (
        <VernierScale shownMm={at} follow={shown} gauge={task.gauge} />
      ) : (
        <div className="grid grid-cols-[auto_minmax(0,1fr)] items-center gap-3 p-2">
          <p className="font-cond text-3xl" aria-label="Whole turns shown">
            {task.gauge === 'dial-inch' ? mmToInch(main * wholeMm).toFixed(1) : main}
          </p>
          <DialFace
            divisions={perTurn}
            at={Math.round(at / stepMm) - main * perTurn}
            follow={division}
            travelMm={wholeMm}
            of={`The dial of the gauge, ${perTurn} divisions`}
          />
        </div>
      )}
    </div>
  );
}

/** The gauge as it stands on its plate. */
const OnPlate = memo(function OnPlate({ now }: { now: HeightState }) {
  const y = (atMm: number): number => 150 - (atMm / HIGHEST_MM) * 130;
  const at = y(now.atMm);
  return (
    <svg
      role="img"
      aria-label={now.atMm === 0 ? 'The scriber on the plate' : 'The scriber over the plate'}
      viewBox="0 0 380 170"
      className="mx-auto w-full max-w-[420px]"
    >
      <path d="M10 150H370V162H10Z" fill="#857e72" />
      <path d="M70 132H130V150H70Z" fill="#dcd8d0" />
      <path d="M92 8H108V132H92Z" fill="#dcd8d0" stroke="#857e72" />
      <path d={`M84 ${at - 12}H134V${at + 6}H84Z`} fill={now.isLocked ? '#d3a23a' : '#f6f4f0'} stroke="#857e72" />
      <path d={`M134 ${at - 8}L190 ${at - 2}L196 ${at}L134 ${at + 2}Z`} fill="#f6f4f0" />
      <path d="M196 40H330V150H196Z" fill="#2a4c9e" stroke="#eef2ff" />
      {now.lineMm !== undefined && <path d={`M196 ${y(now.lineMm)}H330`} stroke="#eef2ff" strokeWidth="2" />}
    </svg>
  );
});
