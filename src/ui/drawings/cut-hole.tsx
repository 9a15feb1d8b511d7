import { useId } from 'react';
import { mouthDepth, type Section } from '@/core/hole/section';

/** Height of the section's drawing, and where in it the metal stands. */
export const H = 408;
export const CORE = { left: 10, right: 196, top: 46, bottom: 372 };
export const CX = (CORE.left + CORE.right) / 2;

/** Thread flanks as a zigzag between two radii; the amplitude fades over the tap's chamfer. */
function flank(side: 1 | -1, t: NonNullable<Section['thread']>, s: number): string {
  const major = t.majorMm / 2;
  const minor = t.minorMm / 2;
  const points: string[] = [];
  const half = t.pitchMm / 2;
  const end = t.endMm + t.runOutMm;
  for (let i = 0, y = t.fromMm + (side === 1 ? 0 : half / 2); y <= end + 1e-9 && i < 600; i++, y += half) {
    const share = y <= t.endMm ? 1 : Math.max(0, 1 - (y - t.endMm) / t.runOutMm);
    const r = i % 2 === 0 ? minor : minor + (major - minor) * share;
    points.push(`${(CX + side * r * s).toFixed(2)},${(CORE.top + y * s).toFixed(2)}`);
  }
  return points.join(' ');
}

function tapOutline(majorMm: number, tap: { fullMm: number; tipMm: number }, s: number): string {
  const r = (majorMm / 2) * s;
  const shoulder = CORE.top + Math.max(0, tap.fullMm) * s;
  const nose = CORE.top + tap.tipMm * s;
  return `M${CX - r},38 V${shoulder} L${CX - r * 0.8},${nose} H${CX + r * 0.8} L${CX + r},${shoulder} V38`;
}

/** The edge of all bores together: down each wall, along each floor to the next, to the last tip. */
function boreOutline(bores: Section['bores'], y: (mm: number) => number, s: number): string {
  const right = bores.flatMap((b, i) => {
    const next = bores[i + 1];
    const floor = next ? b.fullMm + b.tipMm * (1 - next.diameterMm / b.diameterMm) : b.fullMm + b.tipMm;
    return [
      [b.diameterMm / 2, b.fullMm],
      [next ? next.diameterMm / 2 : 0, floor],
    ];
  });
  const start = (bores[0]?.diameterMm ?? 0) / 2;
  const side = (sign: 1 | -1): string[] => [[start, -0.1], ...right].map(([r, mm]) => `${CX + sign * r * s},${y(mm)}`);
  return `M${[...side(1), ...side(-1).reverse()].join('L')}`;
}

interface Props {
  section: Section;
  /** Place of a depth, px. */
  y: (mm: number) => number;
  /** Pixels a millimetre. */
  s: number;
  /** Depth down to which metal is drawn where its thickness is not known, mm. */
  deepest: number;
  /** The deepest that a tool comes, mm. */
  reach: number;
  width: number;
}

/** The metal cut in half: stock, bores with their tips, thread, mouth, and each tap at its deepest. */
export function CutHole({
  section: { bores, mouth, thread, thicknessMm, broken },
  y,
  s,
  deepest,
  reach,
  width,
}: Props) {
  // Two sections may stand on one page, each with its own clips.
  const id = useId();
  const back = y(thicknessMm ?? deepest);
  const clip = (mm: number): number => (thicknessMm === undefined ? mm : Math.min(mm, thicknessMm));
  const hole = bores[bores.length - 1]?.diameterMm ?? 0;
  return (
    <>
      <defs>
        <pattern id={`cut${id}`} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(38)">
          <rect width="7" height="7" fill="#2a4c9e" />
          <path d="M0 0V7" stroke="#b9c8ef" strokeOpacity="0.45" strokeWidth="1" />
        </pattern>
        <clipPath id={`stock${id}`}>
          <rect x="0" y="0" width={CORE.right + 4} height={back} />
        </clipPath>
        <clipPath id={`over-scale${id}`}>
          <rect x="0" y="0" width={width} height={H - 26} />
        </clipPath>
      </defs>
      <rect
        x={CORE.left}
        y={CORE.top}
        width={CORE.right - CORE.left}
        height={back - CORE.top}
        fill={`url(#cut${id})`}
      />
      <path
        d={
          thicknessMm === undefined
            ? `M${CORE.left},${back} l31,-6 31,12 31,-12 31,12 31,-12 31,6`
            : `M${CORE.left},${back} H${CORE.right}`
        }
        stroke="#eef2ff"
        strokeWidth="1.6"
        fill="none"
      />
      {broken && (
        <path
          d={`M${CORE.left - 3},${y(broken.fromMm) - 4} l32,-6 32,12 32,-12 32,12 32,-12 32,6 v8 l-32,-6 -32,12 -32,-12 -32,12 -32,-12 -32,6Z`}
          fill="#14275e"
          stroke="#eef2ff"
          strokeWidth="1.2"
        />
      )}
      <g clipPath={`url(#stock${id})`} fill="#0a1432" stroke="#eef2ff" strokeWidth="1.4">
        <path d={boreOutline(bores, (mm) => y(mm), s)} />
        {thread &&
          [-1, 1].map((side) => (
            <polygon
              key={side}
              points={`${flank(side as 1 | -1, thread, s)} ${CX},${y(thread.endMm)} ${CX},${y(thread.fromMm)}`}
              stroke="none"
            />
          ))}
        {thread &&
          [-1, 1].map((side) => (
            <polyline key={side} points={flank(side as 1 | -1, thread, s)} fill="none" strokeWidth="1.1" />
          ))}
        {mouth && (
          <path
            d={`M${CX - (mouth.diameterMm / 2) * s},${CORE.top} L${CX - (hole / 2) * s},${y(mouthDepth(mouth, hole))} H${CX + (hole / 2) * s} L${CX + (mouth.diameterMm / 2) * s},${CORE.top}Z`}
            strokeWidth="1"
          />
        )}
      </g>
      <path d={`M${CORE.left},${CORE.top} H${CORE.right}`} stroke="#eef2ff" strokeWidth="1.6" />
      {thread?.taps.map((tap, i) => (
        <path
          key={`${i} ${tap.fullMm}`}
          d={tapOutline(thread.majorMm, tap, s)}
          fill="none"
          stroke="#d3a23a"
          strokeWidth={i === thread.taps.length - 1 ? 1.4 : 0.9}
          strokeDasharray={i === thread.taps.length - 1 ? '5 3' : '2 3'}
          clipPath={`url(#over-scale${id})`}
        />
      ))}
      <path
        d={`M${CX},${CORE.top - 8} V${Math.min(y(clip(reach)), back) + 12}`}
        stroke="#b9c8ef"
        strokeWidth="0.8"
        strokeDasharray="12 3 3 3"
      />
    </>
  );
}
