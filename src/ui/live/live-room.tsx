import { useState } from 'react';
import type { Drawn } from '@/core/answer/answer';
import { depth } from '@/core/answer/answer';
import { showText, type Display } from '@/core/units/show';
import { spreadLabels } from '../drawings/spread-labels';
import { LiveFrame } from './live-frame';

type Props = Omit<Extract<Drawn, { kind: 'room' }>, 'kind'> & { display: Display };

const TOP = 8;
const TALL = 130;
/** The longest chamfer that is tried: a taper tap. */
const MOST_CHAMFER = 8;

/** A blind hole under taps with longer and shorter chamfers: how deep it has to be for the same thread. */
export function LiveRoom({ fromMm, threadMm, chamferThreads, pitchMm, roomMm, majorMm, display }: Props) {
  const [chamfer, setChamfer] = useState(chamferThreads);
  const threadTo = fromMm + threadMm;
  const full = threadTo + chamfer * pitchMm + roomMm;
  const s = TALL / (threadTo + MOST_CHAMFER * pitchMm + roomMm);
  const half = Math.max(34, (majorMm / 2) * s);
  const y = (mm: number): number => TOP + mm * s;
  const levels: [mm: number, name: string][] = [
    [threadTo, 'thread'],
    [threadTo + chamfer * pitchMm, 'chamfer'],
    [full, 'chips'],
  ];
  const places = spreadLabels(
    levels.map(([mm]) => y(mm)),
    17,
    TOP,
    TOP + TALL + 8,
  );
  return (
    <LiveFrame
      label={`${chamfer} chamfer threads`}
      value={chamfer}
      min={1.5}
      max={MOST_CHAMFER}
      step={0.5}
      onChange={setChamfer}
      says={`Full diameter to ${showText(depth(full), display)} for ${showText(depth(threadMm), display)} of thread: each chamfer thread costs a pitch.`}
    >
      <path d={`M${110 - half} ${TOP}V${y(full)}H${110 + half}V${TOP}`} fill="#0a1432" stroke="#eef2ff" />
      <path
        d={`M${110 - half} ${TOP}V${y(threadTo)}L${110 - half * 0.75} ${y(threadTo + chamfer * pitchMm)}H${110 + half * 0.75}L${110 + half} ${y(threadTo)}V${TOP}`}
        fill="#2a4c9e"
        stroke="#f0cd80"
      />
      {levels.map(([mm, name], i) => (
        <g key={name}>
          <path d={`M${110 + half + 4} ${y(mm)}H196L208 ${places[i]}`} fill="none" stroke="#eef2ff" strokeWidth="0.8" />
          <text x="214" y={places[i] + 4} fill="#eef2ff" fontSize="14" className="font-cond">
            {`${name} ${showText(depth(mm), display)}`}
          </text>
        </g>
      ))}
    </LiveFrame>
  );
}
