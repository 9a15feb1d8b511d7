import { useState } from 'react';
import type { Drawn } from '@/core/answer/answer';
import { mm } from '@/core/answer/answer';
import { percentOfHeight } from '@/core/threads/percent-of-thread';
import { showText, type Display } from '@/core/units/show';
import { LiveFrame } from './live-frame';

type Props = Omit<Extract<Drawn, { kind: 'percent' }>, 'kind'> & { display: Display };

const TEETH = 4;
const WIDE = 70;
const ROOT = 25;
const TALL = 90;

/** A nut's thread cut by holes of other sizes: how much of each tooth is left, and what that costs the tap. */
export function LivePercent({ majorMm, holeMm, heightMm, display }: Props) {
  const [hole, setHole] = useState(holeMm);
  const percent = percentOfHeight(majorMm, hole, heightMm);
  const share = Math.min(1.1, Math.max(0, percent / 100));
  const crest = ROOT + TALL * share;
  const teeth = Array.from({ length: TEETH }, (_, i) => {
    const left = 20 + i * WIDE;
    const half = (WIDE / 2) * (1 - share * 0.82);
    return `${left},${ROOT} ${left + WIDE / 2 - half},${crest} ${left + WIDE / 2 + half},${crest} ${left + WIDE},${ROOT}`;
  });
  const says =
    percent > 85
      ? `${percent.toFixed(0)} %: hardly stronger, and the tap works two to three times as hard.`
      : percent >= 60
        ? `${percent.toFixed(0)} %: nearly all of the strength, and the tap has room.`
        : `${percent.toFixed(0)} %: easy on the tap; the teeth begin to give.`;
  return (
    <LiveFrame
      label={`hole ${showText(mm(hole), display)}`}
      value={hole}
      min={majorMm - 2 * heightMm}
      max={majorMm - 0.6 * heightMm}
      step={heightMm / 100}
      onChange={setHole}
      says={says}
    >
      <rect x="0" y="0" width="320" height={ROOT} fill="#2a4c9e" />
      {teeth.map((points) => (
        <polygon key={points} points={points} fill="#2a4c9e" stroke="#eef2ff" strokeWidth="1.5" />
      ))}
      <path d={`M0 ${ROOT + TALL}H320`} stroke="#b9c8ef" strokeDasharray="5 4" />
      <path d={`M0 ${crest}H320`} stroke="#f0cd80" strokeWidth="2" />
      <text x="316" y={ROOT + TALL + 15} textAnchor="end" fill="#d5def7" fontSize="13" className="font-cond">
        100 %
      </text>
    </LiveFrame>
  );
}
