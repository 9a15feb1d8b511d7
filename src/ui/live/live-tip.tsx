import { useState } from 'react';
import type { Drawn } from '@/core/answer/answer';
import { depth } from '@/core/answer/answer';
import { coneDepth } from '@/core/drills/drill-point';
import { showText, type Display } from '@/core/units/show';
import { LiveFrame } from './live-frame';

type Props = Omit<Extract<Drawn, { kind: 'tip' }>, 'kind'> & { display: Display };

const TOP = 10;
const SHOULDER = 60;
const HALF = 55;

/** A drill's point at other angles: how far it goes ahead of the full diameter. */
export function LiveTip({ diameterMm, pointAngleDeg, display }: Props) {
  const [angle, setAngle] = useState(pointAngleDeg);
  const tipMm = angle >= 180 ? 0 : coneDepth(diameterMm, angle);
  const nose = SHOULDER + (tipMm / (diameterMm / 2)) * HALF;
  return (
    <LiveFrame
      label={`point ${angle.toFixed(0)}°`}
      value={angle}
      min={90}
      max={180}
      step={1}
      onChange={setAngle}
      says={`The tip goes ${showText(depth(tipMm), display)} ahead: that much more under the face, and that much less wall.`}
    >
      <path
        d={`M${160 - HALF} ${TOP}V${SHOULDER}L160 ${nose}L${160 + HALF} ${SHOULDER}V${TOP}`}
        fill="#0a1432"
        stroke="#eef2ff"
        strokeWidth="1.5"
      />
      <path d={`M60 ${SHOULDER}H250M60 ${nose}H250`} stroke="#f0cd80" strokeDasharray="4 3" />
      <text x="254" y={(SHOULDER + nose) / 2 + 5} fill="#f0cd80" fontSize="16" className="font-cond">
        {showText(depth(tipMm), display)}
      </text>
    </LiveFrame>
  );
}
