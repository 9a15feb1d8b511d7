'use client';

import type { Scene as SceneOf } from '@/core/practice/exercise';
import { DialFace } from './dial-face';
import { VernierScale } from './vernier-scale';

/** What stands beside an exercise, drawn. */
export function Scene({ scene }: { scene: SceneOf }) {
  switch (scene.kind) {
    case 'vernier':
      return <VernierScale shownMm={scene.mm} gauge="vernier-mm" />;
    case 'dial':
      return <DialFace {...scene} />;
    case 'run':
      return <Run {...scene} />;
    case 'bench':
      return <Bench seen={scene.seen} />;
    case 'gaps':
      return <Gaps {...scene} />;
  }
}

const W = 440;
const H = 170;

/** Readings in their order, with the class as a band. */
function Run({ values, from, to }: { values: readonly number[]; from: number; to: number }) {
  const [low, high] = [Math.min(from, ...values) - 0.02, Math.max(to, ...values) + 0.02];
  const x = (i: number): number => 18 + (i * (W - 36)) / (values.length - 1);
  const y = (v: number): number => H - 12 - ((v - low) / (high - low)) * (H - 24);
  return (
    <svg
      role="img"
      aria-label={`${values.length} readings: ${values.map((v) => v.toFixed(2)).join(', ')}`}
      viewBox={`0 0 ${W} ${H}`}
      className="dye mx-auto w-full max-w-[640px]"
    >
      <rect x={0} width={W} y={y(to)} height={y(from) - y(to)} fill="#1f3f8f" />
      <polyline points={values.map((v, i) => `${x(i)},${y(v)}`).join(' ')} fill="none" stroke="#b9c8ef" />
      {values.map((v, i) => (
        <circle key={`${i} ${v}`} cx={x(i)} cy={y(v)} r={4} fill="#eef2ff" />
      ))}
    </svg>
  );
}

/** What one sees before the switch is thrown. */
function Bench({ seen }: { seen: readonly string[] }) {
  return (
    <ul aria-label="What you see" className="dye grid gap-1 p-3 font-cond text-xl sm:grid-cols-2">
      {seen.map((s) => (
        <li key={s} className="before:mr-2 before:content-['–'] first-letter:uppercase">
          {s}
        </li>
      ))}
    </ul>
  );
}

/** A tap beside a square, from two sides; drawn leaning more than it does. */
function Gaps({ frontMm, sideMm }: { frontMm: number; sideMm: number }) {
  return (
    <div className="grid grid-cols-2 gap-2">
      {(
        [
          ['from the front', frontMm],
          ['from the right', sideMm],
        ] as const
      ).map(([from, gap]) => (
        <svg
          key={from}
          role="img"
          aria-label={`Leans ${gap > 0 ? 'right' : 'left'} seen ${from}`}
          viewBox="0 0 160 150"
          className="dye w-full"
        >
          <path d="M112 20v100h-26" fill="none" stroke="#b9c8ef" strokeWidth="3" />
          <rect x="10" y="120" width="140" height="26" fill="#2a4c9e" />
          <g transform={`rotate(${gap * 22} 74 132)`}>
            <rect x="66" y="14" width="16" height="118" fill="#eef2ff" />
          </g>
          <text x="80" y="143" textAnchor="middle" fontSize="14" fill="#eef2ff">
            {from}
          </text>
        </svg>
      ))}
    </div>
  );
}
