import type { HolePlan } from '@/core/ask/hole-plan';
import { drillName } from '@/core/drills/drill';
import { show, showText, type Display } from '@/core/units/show';
import { spreadLabels } from './spread-labels';

const W = 330;
const H = 408;
const CORE = { left: 10, right: 196, top: 46, bottom: 372 };
const CX = (CORE.left + CORE.right) / 2;

interface Level {
  mm: number;
  name: string;
  strong?: boolean;
}

function levelsOf(plan: HolePlan, display: Display): Level[] {
  const { hole, drilling, tapping, wall } = plan;
  const depth = tapping.best.depth;
  if (!depth)
    return [
      ...(hole.threadDepthMm < (hole.thicknessMm ?? 0) - 0.01
        ? [{ mm: hole.threadDepthMm, name: 'full thread to' }]
        : []),
      { mm: hole.thicknessMm ?? hole.threadDepthMm, name: 'through the plate', strong: true },
      { mm: (hole.thicknessMm ?? hole.threadDepthMm) + drilling.tip.value, name: 'tip clears at' },
    ];
  return [
    { mm: hole.threadDepthMm, name: 'full thread to' },
    { mm: depth.fullDiameter.value, name: 'full diameter to', strong: true },
    { mm: depth.total.value, name: 'stop, from touch', strong: true },
    ...(hole.thicknessMm !== undefined
      ? [
          {
            mm: hole.thicknessMm,
            name: `back face, wall ${showText({ value: wall?.value ?? 0, unit: 'mm', places: 1 }, display)}`,
          },
        ]
      : []),
  ];
}

/** Thread flanks as a zigzag between two radii; the amplitude fades over the tap's chamfer. */
function flank(side: 1 | -1, plan: HolePlan, s: number): string {
  const { thread, hole, tapDrill, tapping } = plan;
  const major = thread.majorMm / 2;
  const minor = tapDrill.used.finishedMinorMm / 2;
  const last = tapping.best.taps[tapping.best.taps.length - 1];
  const runOut =
    hole.through && hole.threadDepthMm >= (hole.thicknessMm ?? 0) - 0.01 ? 0 : last.chamferThreads * thread.pitchMm;
  const points: string[] = [];
  const half = thread.pitchMm / 2;
  const end = hole.threadDepthMm + runOut;
  for (let i = 0, y = side === 1 ? 0 : half / 2; y <= end + 1e-9 && i < 600; i++, y += half) {
    const share = y <= hole.threadDepthMm ? 1 : Math.max(0, 1 - (y - hole.threadDepthMm) / runOut);
    const r = i % 2 === 0 ? minor : minor + (major - minor) * share;
    points.push(`${(CX + side * r * s).toFixed(2)},${(CORE.top + y * s).toFixed(2)}`);
  }
  return points.join(' ');
}

function tapOutline(plan: HolePlan, s: number): string {
  const { thread, hole, tapping } = plan;
  const last = tapping.best.taps[tapping.best.taps.length - 1];
  const r = (thread.majorMm / 2) * s;
  const tip = r * 0.8;
  const top = 16;
  const shoulder = CORE.top + hole.threadDepthMm * s;
  const nose = shoulder + last.chamferThreads * thread.pitchMm * s;
  return `M${CX - r},${top} V${shoulder} L${CX - tip},${nose} H${CX + tip} L${CX + r},${shoulder} V${top}`;
}

/** The hole cut in half at true scale: stock, thread, run-out, chip room, tip, wall, the tap at its deepest. */
export function CoreSample({ plan, display }: { plan: HolePlan; display: Display }) {
  const { thread, hole, tapDrill, tapping, chamferMm } = plan;
  const depth = tapping.best.depth;
  const levels = levelsOf(plan, display);
  const deepest = Math.max(
    ...levels.map((l) => l.mm),
    depth && hole.thicknessMm === undefined ? depth.total.value * 1.2 : 0,
  );
  const s = Math.min((CORE.bottom - CORE.top) / deepest, (CORE.right - CORE.left) / (thread.majorMm * 1.9));
  const y = (mm: number): number => CORE.top + mm * s;
  const back = y(hole.thicknessMm ?? deepest);
  const rDrill = (tapDrill.used.drill.diameterMm / 2) * s;
  const full = depth ? depth.fullDiameter.value : (hole.thicknessMm ?? hole.threadDepthMm);
  const tip = depth ? y(depth.total.value) : y(full);
  const rc = (chamferMm / 2) * s;
  const chamfer = rc - (tapDrill.used.finishedMinorMm / 2) * s;
  const labels = spreadLabels(
    levels.map((l) => y(l.mm)),
    38,
    CORE.top + 4,
    H - 24,
  );
  const bar = niceBar(s);
  const title = `Section of the hole: ${levels.map((l) => `${l.name} ${showText({ value: l.mm, unit: 'mm', places: 1 }, display)}`).join(', ')}`;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={title}
      className="h-full w-full"
      preserveAspectRatio="xMidYMid meet"
    >
      <defs>
        <pattern id="cut" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(38)">
          <rect width="7" height="7" fill="#2a4c9e" />
          <path d="M0 0V7" stroke="#b9c8ef" strokeOpacity="0.45" strokeWidth="1" />
        </pattern>
      </defs>
      <rect x={CORE.left} y={CORE.top} width={CORE.right - CORE.left} height={back - CORE.top} fill="url(#cut)" />
      <path
        d={`M${CX - rDrill},${CORE.top} V${y(full)} ${depth ? `L${CX},${tip}` : `H${CX}`} L${CX + rDrill},${y(full)} V${CORE.top}Z`}
        fill="#0a1432"
      />
      {(hole.thicknessMm ?? 0) > 0 && (
        <path d={`M${CORE.left},${back} H${CORE.right}`} stroke="#eef2ff" strokeWidth="1.6" />
      )}
      {hole.thicknessMm === undefined && (
        <path d={`M${CORE.left},${back} l31,-6 31,12 31,-12 31,12 31,-12 31,6`} stroke="#eef2ff" fill="none" />
      )}
      {[-1, 1].map((side) => (
        <polygon
          key={side}
          points={`${flank(side as 1 | -1, plan, s)} ${CX},${y(hole.threadDepthMm)} ${CX},${CORE.top}`}
          fill="#0a1432"
          stroke="none"
        />
      ))}
      {[-1, 1].map((side) => (
        <polyline key={side} points={flank(side as 1 | -1, plan, s)} fill="none" stroke="#eef2ff" strokeWidth="1.1" />
      ))}
      <path
        d={`M${CX - rc},${CORE.top} l${chamfer},${chamfer} h${2 * (rc - chamfer)} l${chamfer},${-chamfer}Z`}
        fill="#0a1432"
        stroke="#eef2ff"
        strokeWidth="1"
      />
      <path
        d={
          depth
            ? `M${CX - rDrill},${y(hole.threadDepthMm)} V${y(full)} L${CX},${tip} L${CX + rDrill},${y(full)} V${y(hole.threadDepthMm)}`
            : `M${CX - rDrill},${y(hole.threadDepthMm)} V${y(full)} M${CX + rDrill},${y(full)} V${y(hole.threadDepthMm)}`
        }
        fill="none"
        stroke="#eef2ff"
        strokeWidth="1.4"
      />
      <path d={`M${CORE.left},${CORE.top} H${CORE.right}`} stroke="#eef2ff" strokeWidth="1.6" />
      <path d={tapOutline(plan, s)} fill="none" stroke="#d3a23a" strokeWidth="1.3" strokeDasharray="5 3" />
      <path
        d={`M${CX},${CORE.top - 8} V${Math.min(tip, back) + 12}`}
        stroke="#b9c8ef"
        strokeWidth="0.8"
        strokeDasharray="12 3 3 3"
      />
      {levels.map((level, i) => (
        <g key={level.name}>
          <path
            d={`M${CX + rDrill + 4},${y(level.mm)} H${CORE.right + 6} L${CORE.right + 16},${labels[i]} h4`}
            fill="none"
            stroke="#eef2ff"
            strokeWidth="0.8"
          />
          <text x={CORE.right + 24} y={labels[i] + 1} fill="#eef2ff" fontSize={level.strong ? 19 : 16} fontWeight={700}>
            {showText({ value: level.mm, unit: 'mm', places: 1 }, display)}
          </text>
          <text x={CORE.right + 24} y={labels[i] + 15} fill="#d5def7" fontSize="13" className="font-cond">
            {level.name}
          </text>
        </g>
      ))}
      <text x={CORE.left} y="18" fill="#eef2ff" fontSize="17" fontWeight="600" className="font-cond">
        {thread.designation}
      </text>
      <text x={CORE.left} y="35" fill="#d5def7" fontSize="13" className="font-cond">
        {`drill ${drillName(tapDrill.used.drill)}, ${tapDrill.used.drill.pointAngleDeg ?? 118}° point`}
      </text>
      <g transform={`translate(${CORE.left},${H - 14})`} fill="none" stroke="#d5def7">
        <path d={`M0,-4 V4 M0,0 H${bar.mm * s} M${bar.mm * s},-4 V4`} />
        <text x={bar.mm * s + 8} y="5" fill="#d5def7" stroke="none" fontSize="13" className="font-cond">
          {`${show({ value: bar.mm, unit: 'mm' }, 'mm').number} mm, true scale`}
        </text>
      </g>
      <title>{title}</title>
    </svg>
  );
}

/** A round length that makes a scale bar of a fair size. */
function niceBar(s: number): { mm: number } {
  const mm = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500].find((m) => m * s >= 34) ?? 1000;
  return { mm };
}
