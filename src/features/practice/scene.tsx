'use client';

import type { Scene as SceneOf } from '@/core/practice/exercise';

/** What stands beside an exercise, drawn. */
export function Scene({ scene }: { scene: SceneOf }) {
  switch (scene.kind) {
    case 'vernier':
      return <Vernier mm={scene.mm} />;
    case 'dial':
      return <Dial {...scene} />;
    case 'run':
      return <Run {...scene} />;
    case 'bench':
      return <Bench seen={scene.seen} />;
    case 'gaps':
      return <Gaps {...scene} />;
  }
}

const PX = 18;
const LINES = 50;
/** The vernier: fifty lines on forty-nine millimetres. */
const STEP = 0.98;

/** A main scale in millimetres, and the vernier that slides along it. */
function Vernier({ mm }: { mm: number }) {
  const from = Math.floor(mm) - 2;
  const span = 54;
  const x = (value: number): number => (value - from) * PX;
  return (
    <div role="group" aria-label="Height gauge, to be moved sideways" tabIndex={0} className="overflow-x-auto">
      <svg
        role="img"
        aria-label={`Height gauge: the zero of the vernier stands past ${Math.floor(mm)} mm; line ${Math.round((mm % 1) * 50) % 50} of it meets a line above`}
        viewBox={`0 0 ${span * PX} 150`}
        style={{ width: span * PX, maxWidth: 'none' }}
      >
        <rect width={span * PX} height={76} fill="#dcd8d0" />
        <rect x={x(mm) - 14} y={76} width={STEP * LINES * PX + 28} height={74} fill="#f6f4f0" stroke="#857e72" />
        {Array.from({ length: span + 1 }, (_, i) => (
          <g key={i} stroke="#1d1a16">
            <line
              x1={x(from + i)}
              x2={x(from + i)}
              y1={76}
              y2={(from + i) % 10 === 0 ? 34 : (from + i) % 5 === 0 ? 46 : 54}
            />
            {(from + i) % 10 === 0 && (
              <text x={x(from + i)} y={28} fontSize={22} textAnchor="middle" stroke="none" fill="#1d1a16">
                {from + i}
              </text>
            )}
          </g>
        ))}
        {Array.from({ length: LINES + 1 }, (_, i) => (
          <g key={i} stroke="#14275e">
            <line
              x1={x(mm + i * STEP)}
              x2={x(mm + i * STEP)}
              y1={76}
              y2={i % 10 === 0 ? 116 : i % 5 === 0 ? 106 : 98}
              strokeWidth={1.5}
            />
            {i % 5 === 0 && (
              <text
                x={x(mm + i * STEP)}
                y={136}
                fontSize={i % 10 === 0 ? 20 : 14}
                textAnchor="middle"
                stroke="none"
                fill="#14275e"
              >
                {i / 5}
              </text>
            )}
          </g>
        ))}
      </svg>
    </div>
  );
}

/** A dial on its screw, at zero. */
function Dial({ travelMm, divisions }: { travelMm: number; divisions: number }) {
  const marks = 20;
  return (
    <svg
      role="img"
      aria-label={`A dial of ${divisions} divisions, ${travelMm} mm a turn`}
      viewBox="0 0 220 220"
      className="mx-auto w-full max-w-[220px]"
    >
      <circle cx="110" cy="110" r="100" fill="#dcd8d0" stroke="#857e72" strokeWidth="2" />
      {Array.from({ length: marks }, (_, i) => {
        const a = (2 * Math.PI * i) / marks - Math.PI / 2;
        return (
          <g key={i}>
            <line
              x1={110 + 84 * Math.cos(a)}
              y1={110 + 84 * Math.sin(a)}
              x2={110 + 98 * Math.cos(a)}
              y2={110 + 98 * Math.sin(a)}
              stroke="#1d1a16"
              strokeWidth={i % 5 === 0 ? 3 : 1.4}
            />
            {i % 5 === 0 && (
              <text
                x={110 + 66 * Math.cos(a)}
                y={116 + 66 * Math.sin(a)}
                textAnchor="middle"
                fontSize="17"
                fill="#1d1a16"
              >
                {(divisions * i) / marks}
              </text>
            )}
          </g>
        );
      })}
      <circle cx="110" cy="110" r="22" fill="#857e72" />
      <path d="M110 2v16" stroke="#9d1420" strokeWidth="3" />
    </svg>
  );
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
