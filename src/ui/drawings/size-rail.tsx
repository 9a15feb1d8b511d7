'use client';

import type { ThreadPart } from '@/core/hole/hole-plan';
import { drillName } from '@/core/drills/drill';
import type { TapDrillCandidate } from '@/core/tap-drill/tap-drill-candidate';
import { formingHole, formingHoleForMinor } from '@/core/tap-drill/forming';
import { holeForPercent } from '@/core/threads/percent-of-thread';
import { showText, type Display } from '@/core/units/show';
import { spreadLabels, stackLabels } from './spread-labels';
import { named } from '../named';
import { useWidth } from './use-width';

const PAD = 26;
const ROWS = 3;

interface Props {
  plan: ThreadPart;
  display: Display;
  /** Called with a drill's label when its peg is chosen. */
  onPick?: (label: string) => void;
}

/** The class window in drill diameters: for forming, the drills that finish inside the class. */
function windowOf(plan: ThreadPart): { min: number; max: number } | undefined {
  const { limits, kind, forming } = plan;
  if (!limits) return undefined;
  if (kind === 'cut') return { min: limits.minorMinMm, max: limits.minorMaxMm };
  const drillFor = (minorMm: number) => formingHoleForMinor(forming.question, minorMm, forming.question.learned);
  return { min: drillFor(limits.minorMinMm), max: drillFor(limits.minorMaxMm) };
}

/** The size that the percentage aimed at asks for. Tapered threads have none. */
function aimOf({ limits, kind, thread, tapDrill }: ThreadPart): { id: string; label: string; diameterMm: number }[] {
  if (!limits) return [];
  const { value } = tapDrill.target;
  const diameterMm = kind === 'form' ? formingHole(thread, value) : holeForPercent(thread, value);
  return [{ id: 'aim', label: `aim, ${value.toFixed(0)} %`, diameterMm }];
}

function pegsOf(plan: ThreadPart): { candidate: TapDrillCandidate; here: boolean }[] {
  const { candidates, missing, used } = plan.tapDrill;
  const all = [...candidates.map((candidate) => ({ candidate, here: candidate.owned }))];
  for (const extra of [missing, used])
    if (
      extra &&
      !all.some((p) => p.candidate.drill.label === extra.drill.label && p.candidate.drill.series === extra.drill.series)
    )
      all.push({ candidate: extra, here: extra.owned });
  return all.sort((a, b) => a.candidate.drill.diameterMm - b.candidate.drill.diameterMm);
}

/** The spread of the predicted hole hanging from the rail: as wide as three sigma to each side. */
function bellOf(mean: number, sigma: number, x: (mm: number) => number, top: number): string {
  const steps = Array.from({ length: 25 }, (_, i) => -3 + i / 4);
  const points = steps.map(
    (t) => `${x(mean + t * sigma).toFixed(1)},${(top + BELL_HEIGHT * Math.exp((-t * t) / 2)).toFixed(1)}`,
  );
  return `M${x(mean - 3 * sigma).toFixed(1)},${top} L${points.join(' ')} L${x(mean + 3 * sigma).toFixed(1)},${top} Z`;
}

const BELL_HEIGHT = 15;

/**
 * A scale of diameters: pegs for drills (solid when in the crib, hollow when not), the class as a cut-out,
 * the predicted hole as a spread, marks for what chart, subtraction and limits say.
 */
export function SizeRail({ plan, display, onPick }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(820);
  const { tapDrill, thread } = plan;
  const { used, methods } = tapDrill;
  const gate = windowOf(plan);
  const centre = used.drill.diameterMm;
  const tolerance = gate ? gate.max - gate.min : 0.8;
  const holeEnd = used.holeMm;
  const low = Math.min(gate?.min ?? centre, centre, ...methods.map((s) => s.diameterMm)) - 0.3 * tolerance;
  const high = Math.min(
    thread.majorMm,
    Math.max(gate?.max ?? centre, holeEnd, ...methods.map((s) => s.diameterMm)) + 0.45 * tolerance,
  );
  const x = (mm: number): number => PAD + ((mm - low) / (high - low)) * (width - 2 * PAD);
  const pegs = pegsOf(plan).filter(({ candidate: c }) => c.drill.diameterMm >= low && c.drill.diameterMm <= high);
  const labels = pegs.map(
    ({ candidate, here }) => drillName(candidate.drill).replace(' mm', '') + (here ? '' : ' missing'),
  );
  const rows = stackLabels(
    pegs.map(({ candidate }, i) => ({ at: x(candidate.drill.diameterMm), width: 10 + labels[i].length * 8.4 })),
    ROWS,
  );
  const RAIL = 40 + 19 * (Math.max(0, ...rows) + 1);
  const H = RAIL + 84;
  const marks = [...methods.filter((s) => s.id !== 'limits'), ...aimOf(plan)].sort(
    (a, b) => a.diameterMm - b.diameterMm,
  );
  const markAt = spreadLabels(
    marks.map((m) => x(m.diameterMm)),
    Math.min(132, (width - 8) / marks.length),
    Math.min(66, width / 6),
    width - Math.min(66, width / 6),
  );
  return (
    <div ref={ref} className="w-full overflow-hidden">
      <svg
        width={width}
        height={H}
        viewBox={`0 0 ${width} ${H}`}
        role="group"
        aria-label="Drill sizes around the tap drill"
      >
        <rect x={0} y={RAIL - 9} width={width} height={18} fill="#0d1b45" />
        {gate && (
          <>
            <rect
              x={x(gate.min)}
              y={RAIL - 13}
              width={Math.max(2, x(gate.max) - x(gate.min))}
              height={26}
              fill="#4063b8"
              stroke="#eef2ff"
            />
            <text x={x(gate.min) - 7} y={RAIL + 5} textAnchor="end" fill="#eef2ff" fontSize="14" className="font-cond">
              {plan.limits?.className}
            </text>
          </>
        )}
        <path d={bellOf(holeEnd, used.sigmaMm, x, RAIL + 13)} fill="#d3a23a" fillOpacity="0.85" />
        {pegs.map(({ candidate, here }, i) => (
          <Peg
            key={`${candidate.drill.series}${candidate.drill.label}`}
            candidate={candidate}
            here={here}
            chosen={candidate.drill === used.drill}
            label={labels[i]}
            px={x(candidate.drill.diameterMm)}
            top={RAIL - 20 - rows[i] * 19}
            rail={RAIL}
            onPick={onPick}
          />
        ))}
        {marks.map((m, i) => (
          <g key={m.id} className="font-cond">
            <path
              d={`M${x(m.diameterMm)},${RAIL + 9} V${RAIL + 26} L${markAt[i]},${RAIL + 40} v4`}
              fill="none"
              stroke="#b9c8ef"
            />
            <text x={markAt[i]} y={RAIL + 58} textAnchor="middle" fill="#d5def7" fontSize="14">
              {m.label}
            </text>
            <text x={markAt[i]} y={RAIL + 76} textAnchor="middle" fill="#eef2ff" fontSize="15" fontWeight="600">
              {showText({ value: m.diameterMm, unit: 'mm', places: 2 }, display)}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}

interface PegProps {
  candidate: TapDrillCandidate;
  /** It is in the crib. */
  here: boolean;
  chosen: boolean;
  label: string;
  px: number;
  top: number;
  rail: number;
  onPick?: (label: string) => void;
}

/** A drill at its place on the rail; where drills can be picked, a button. */
function Peg({ candidate, here, chosen, label, px, top, rail, onPick }: PegProps) {
  return (
    <g
      role={onPick ? 'button' : undefined}
      tabIndex={onPick ? 0 : undefined}
      aria-pressed={onPick ? chosen : undefined}
      aria-label={named(
        label,
        `${drillName(candidate.drill)}, ${candidate.percentOnDrill?.toFixed(1) ?? ''} %, ${candidate.verdict === 'borderline' ? 'toss-up' : candidate.verdict}${here ? '' : ', not in the set'}`,
      )}
      className={onPick ? 'cursor-pointer' : undefined}
      onClick={() => onPick?.(candidate.drill.label)}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onPick?.(candidate.drill.label)}
    >
      <rect x={px - 13} y={top - 14} width={26} height={rail + 9 - top + 14} fill="transparent" />
      <path
        d={`M${px},${top + 2} V${rail + 9}`}
        stroke={chosen ? '#d3a23a' : '#b9c8ef'}
        strokeWidth={chosen ? 3 : 1.2}
      />
      <circle
        cx={px}
        cy={rail}
        r={chosen ? 6.5 : 5}
        fill={here ? (chosen ? '#d3a23a' : '#eef2ff') : '#0d1b45'}
        stroke={chosen ? '#d3a23a' : '#eef2ff'}
        strokeWidth="1.6"
        strokeDasharray={here ? undefined : '2.5 2'}
      />
      <text
        x={px}
        y={top - 1}
        textAnchor="middle"
        fill={chosen ? '#f0cd80' : '#eef2ff'}
        fontSize={chosen ? 18 : 15}
        fontWeight={chosen ? 700 : 500}
        className="font-cond"
      >
        {label}
      </text>
    </g>
  );
}
