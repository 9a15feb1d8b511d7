'use client';

import { memo, useEffect, useMemo, useRef, type PointerEvent } from 'react';
import { mm } from '@/core/answer/answer';
import {
  atTable,
  dialShows,
  freshTable,
  tableTask,
  tableTold,
  touchOfEdge,
  type TableAct,
  type TableState,
  type TableTask,
} from '@/core/practice/simulated-table';
import type { Mistake } from '@/core/practice/exercise';
import { showText, type Display } from '@/core/units/show';
import { useKeys } from '@/ui/keys';
import { useKeptPage } from '../run/offline-shell';
import { DialFace } from './dial-face';
import { followed, type Followed } from './hand';
import { HandKeys, Said, SoundSwitch, Told, type HandKey } from './hand-keys';
import { HandsFrame } from './hands-frame';
import { Key } from './key';
import { pointerAngle, turnsBetween } from './pointer-angle';
import { useHands, type InHand } from './use-hands';
import { useLearner } from './use-learner';
import { useSound } from './use-sound';

const KEYS: readonly HandKey[] = [
  ['A division left', 'ArrowLeft', '←'],
  ['A division right', 'ArrowRight', '→'],
  ['Ten left', 'ArrowDown', '↓'],
  ['Ten right', 'ArrowUp', '↑'],
  ['A turn left', 'PageDown', 'PgDn'],
  ['A turn right', 'PageUp', 'PgUp'],
  ['Set the dial to zero', 'z'],
  ['Spindle up, down', 'l'],
];
const SAYS = {
  finder: { free: 'The finder runs true', touch: 'The finder kicks: it touches', beyond: 'The finder is pushed aside' },
  shim: { free: 'The shim slides', touch: 'The shim is just held', beyond: 'The shim is jammed' },
} as const;
const KICK = { hz: 900, type: 'square', loud: 0.05, seconds: 0.06 } as const;

const told = (task: TableTask, s: TableState): { right: boolean; mistake: Mistake } | undefined =>
  s.isDone ? { right: tableTold(task, s).right, mistake: 'backlash' } : undefined;

/** What one sees of the tool. */
function whatIs(task: TableTask, now: TableState): string {
  if (now.isDone) return 'Spotted';
  return now.isDown ? SAYS[task.finder.kind][touchOfEdge(task, now)] : 'The spindle is up';
}

const says = ({ task, now }: InHand<TableTask, TableState>): string =>
  `${whatIs(task, now)}; dial at ${Number(dialShows(task, now).toFixed(1))} of ${task.dial.divisions}`;

/** A table with a dial: the edge is found, the dial zeroed there, then it goes on to the place from the same side. */
export function EdgeView({ signedInAs }: { signedInAs?: string }) {
  const learner = useLearner(signedInAs);
  useKeptPage();
  const { sound, turnSound, play } = useSound();
  const { hand, seen, drawn, change, again } = useHands('edge', learner, tableTask, freshTable, told);
  const acts = useMemo(() => {
    const doIt = (of: (t: TableTask) => TableAct) => (): void => change((t, before) => atTable(t, before, of(t)));
    const turn = (divisions: number) =>
      doIt(({ dial }) => ({ do: 'turn', mm: (divisions * dial.travelMm) / dial.divisions }));
    return {
      ArrowLeft: turn(-1),
      ArrowRight: turn(1),
      ArrowDown: turn(-10),
      ArrowUp: turn(10),
      PageDown: doIt(({ dial }) => ({ do: 'turn', mm: -dial.travelMm })),
      PageUp: doIt(({ dial }) => ({ do: 'turn', mm: dial.travelMm })),
      z: doIt(() => ({ do: 'zero' })),
      l: doIt(() => ({ do: 'lift' })),
      f: doIt(() => ({ do: 'spot' })),
      m: turnSound,
    };
  }, [change, turnSound]);
  useKeys(acts);
  const dialAt = useMemo(() => followed(hand, ({ task, now }) => dialShows(task, now)), [hand]);
  const touch = seen ? touchOfEdge(seen.task, seen.now) : 'free';
  useEffect(() => {
    if (touch !== 'free') play(KICK);
  }, [touch, play]);
  if (!seen) return <HandsFrame title="Edge and dial" here="/practice/edge" waits="The part is being clamped…" />;
  const { task, now } = seen;
  const { finder, dial } = task;
  const shown: Display = dial.inch ? 'inch' : 'mm';
  const divisions = dialShows(task, now);
  return (
    <HandsFrame title="Edge and dial" here="/practice/edge">
      <section aria-label="Table" className="dye flex flex-col gap-2 p-3">
        <p className="font-cond text-2xl">
          Put the spindle {showText(mm(task.targetMm), shown)} from the left edge
          <span className="ml-2 text-base">
            {finder.kind === 'finder'
              ? `edge finder, tip ${showText(mm(finder.diameterMm), shown)}`
              : `tool of ${showText(mm(finder.diameterMm), shown)}, shim of ${showText(mm(finder.shimMm), shown)}`}
          </span>
        </p>
        <Side task={task} now={now} />
        <Turned
          task={task}
          divisions={divisions}
          follow={dialAt}
          onTurn={(by) => change((t, before) => atTable(t, before, { do: 'turn', mm: by }))}
        />
        <Said drawn={drawn} says={says} />
      </section>
      <section aria-label="Hands" className="plate flex flex-col gap-3 p-3">
        <p>
          {showText(mm(dial.travelMm), shown)} a turn, {dial.divisions} divisions; the screw has lost motion. Touch the
          edge from the left, lift clear, and go on the same way. Count the turns.
        </p>
        <HandKeys keys={KEYS} acts={acts} over={now.isDone} />
        <button type="button" className="btn-next" disabled={now.isDone} onClick={acts.f}>
          Here: spot it <Key>F</Key>
        </button>
        <SoundSwitch sound={sound} turnSound={turnSound} />
        {now.isDone && <Told told={tableTold(task, now)} display={shown} another="Another edge" again={again} />}
      </section>
    </HandsFrame>
  );
}

/** The dial, turned by dragging about its middle. */
function Turned({
  task: { dial },
  divisions,
  follow,
  onTurn,
}: {
  task: TableTask;
  divisions: number;
  follow: Followed<number>;
  onTurn: (byMm: number) => void;
}) {
  const last = useRef<number>(undefined);
  const drag = (e: PointerEvent): void => {
    if (last.current === undefined || e.buttons === 0) return;
    const by = Math.round(-turnsBetween(last.current, pointerAngle(e)) * dial.divisions);
    if (by === 0) return;
    last.current = pointerAngle(e);
    onTurn((by * dial.travelMm) / dial.divisions);
  };
  return (
    <div
      className="mx-auto w-full max-w-[240px] touch-none"
      onPointerDown={(e) => {
        last.current = pointerAngle(e);
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={drag}
    >
      <DialFace
        divisions={dial.divisions}
        at={divisions}
        follow={follow}
        travelMm={dial.travelMm}
        of="The dial of the table"
      />
    </div>
  );
}

/** Seen, mm: left of the edge, and over the part. */
const SEEN = { from: -16, to: 36 } as const;

/** The tool beside the edge, from the front. */
const Side = memo(function Side({ task, now }: { task: TableTask; now: TableState }) {
  const touch = touchOfEdge(task, now);
  const x = (at: number): number => ((at - SEEN.from) / (SEEN.to - SEEN.from)) * 380;
  const half = (task.finder.diameterMm / 2 / (SEEN.to - SEEN.from)) * 380;
  const down = now.isDown ? 0 : -46;
  const kick = task.finder.kind === 'finder' && touch !== 'free' ? -5 : 0;
  const at = x(now.atMm);
  const shim = task.finder.kind === 'shim' ? (task.finder.shimMm / (SEEN.to - SEEN.from)) * 380 : 0;
  return (
    <svg
      role="img"
      aria-label={`The ${task.finder.kind === 'finder' ? 'finder' : 'tool'} ${now.isDown ? 'beside' : 'above'} the part`}
      viewBox="0 0 380 150"
      className="mx-auto w-full max-w-[460px]"
    >
      <path d={`M${x(0)} 80H380V150H${x(0)}Z`} fill="#2a4c9e" stroke="#eef2ff" />
      <path d={`M${x(task.targetMm)} 60V150`} stroke="#d3a23a" strokeDasharray="6 4" strokeWidth="2" />
      {shim > 0 && now.isDown && <path d={`M${x(0) - shim} 70V130H${x(0)}V70Z`} fill="#d3a23a" />}
      <path d={`M${at - half - 4} 0H${at + half + 4}V${64 + down}H${at - half - 4}Z`} fill="#dcd8d0" stroke="#857e72" />
      <path
        d={`M${at - half + kick} ${64 + down}H${at + half + kick}V${118 + down}H${at - half + kick}Z`}
        fill="#f6f4f0"
        stroke="#857e72"
      />
      <path d={`M${at} 0V${124 + down}`} stroke="#14275e" strokeDasharray="10 3 2 3" />
    </svg>
  );
});
