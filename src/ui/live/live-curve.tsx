import { useState } from 'react';
import type { LiveCurve as Curve } from '@/core/practice/why-pages';
import { showText, type Display } from '@/core/units/show';
import { LiveFrame } from './live-frame';

const POINTS = 60;
const [LEFT, RIGHT, TOP, BOTTOM] = [20, 300, 22, 128];

/** One figure that follows from another: dragged along its curve. */
export function LiveCurve({ curve: { x, y, of, says }, display }: { curve: Curve; display: Display }) {
  const [at, setAt] = useState(x.at);
  const along = Array.from({ length: POINTS }, (_, i) => x.from + ((x.to - x.from) * i) / (POINTS - 1));
  const values = along.map(of);
  const [low, high] = [Math.min(0, ...values), Math.max(...values)];
  const px = (value: number): number => LEFT + ((value - x.from) / (x.to - x.from)) * (RIGHT - LEFT);
  const py = (value: number): number => BOTTOM - ((value - low) / Math.max(1e-9, high - low)) * (BOTTOM - TOP);
  const here = of(at);
  return (
    <LiveFrame
      label={`${x.label} ${showText({ value: at, unit: x.unit }, display)}`}
      value={at}
      min={x.from}
      max={x.to}
      step={(x.to - x.from) / 200}
      onChange={setAt}
      says={`${y.label}: ${showText({ value: here, unit: y.unit }, display)}. ${says(at, here)}`}
    >
      <path d={`M${LEFT} ${BOTTOM}H${RIGHT}`} stroke="#b9c8ef" />
      <polyline
        points={along.map((v, i) => `${px(v).toFixed(1)},${py(values[i]).toFixed(1)}`).join(' ')}
        fill="none"
        stroke="#eef2ff"
        strokeWidth="2"
      />
      <path d={`M${px(at)} ${BOTTOM}V${py(here)}H${LEFT}`} stroke="#d3a23a" strokeDasharray="4 3" fill="none" />
      <circle cx={px(at)} cy={py(here)} r="6" fill="#d3a23a" />
      <text x={LEFT} y={14} fontSize="14" fill="#d5def7" className="font-cond">
        {y.label}
      </text>
    </LiveFrame>
  );
}
