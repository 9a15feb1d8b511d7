'use client';

import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { CalloutFeature } from '@/core/threads/callout';
import { mouthDepth, type Level, type Section } from '@/core/hole/section';
import { showText, tell, type Display } from '@/core/units/show';
import { spreadLabels } from './spread-labels';

const W = 330;
const H = 408;
const CORE = { left: 10, right: 196, top: 46, bottom: 372 };
const CX = (CORE.left + CORE.right) / 2;

interface Props {
  section: Section;
  display: Display;
  /** Draws a level to another depth, mm from the face; `done` when it is let go. */
  onDraw?: (feature: CalloutFeature, mm: number, done: boolean) => void;
}

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

function tapOutline(t: NonNullable<Section['thread']>, s: number): string {
  const r = (t.majorMm / 2) * s;
  const shoulder = CORE.top + t.endMm * s;
  const nose = shoulder + (t.tapChamferMm ?? 0) * s;
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

/** Lengths of the scale bar, in mm or in inches. */
const BAR_UNITS = [0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500];

/** The hole cut in half at true scale: stock, larger parts, thread, run-out, chip room, tip, wall, the tap at its deepest. */
export function CoreSample({ section, display, onDraw }: Props) {
  const { bores, mouth, thread, levels, thicknessMm, broken } = section;
  const svg = useRef<SVGSVGElement>(null);
  const drawing = useRef(false);
  const step = display === 'inch' ? 25.4 / 64 : 0.5;
  const widest = Math.max(4, ...bores.map((b) => b.diameterMm), mouth?.diameterMm ?? 0, thread?.majorMm ?? 0);
  const reach = Math.max(...levels.map((l) => l.mm), 1);
  const gap = broken ? broken.toMm - broken.fromMm : 0;
  /** Depth as drawn: what the break leaves out is not there. */
  const shown = (mm: number): number => (broken && mm > broken.fromMm ? Math.max(broken.fromMm, mm - gap) : mm);
  const deepest = thicknessMm === undefined ? reach * 1.2 : shown(reach);
  const s = Math.min((CORE.bottom - CORE.top) / deepest, (CORE.right - CORE.left) / (widest * 1.55));
  const y = (mm: number): number => CORE.top + shown(mm) * s;
  const back = y(thicknessMm ?? deepest);
  const clip = (mm: number): number => (thicknessMm === undefined ? mm : Math.min(mm, thicknessMm));
  const labels = spreadLabels(
    levels.map((l) => y(l.mm)),
    38,
    CORE.top + 4,
    H - 24,
  );
  const hole = bores[bores.length - 1]?.diameterMm ?? 0;
  const unitMm = display === 'inch' ? 25.4 : 1;
  const bar = BAR_UNITS.map((units) => units * unitMm).find((mm) => mm * s >= 34) ?? 1000;
  const value = (l: Level): string => showText({ value: l.mm, unit: 'mm', places: 1 }, display);
  const title = `Section of the hole: ${levels.map((l) => `${tell(l.name, display)} ${value(l)}`).join(', ')}`;

  function mmAt(event: PointerEvent): number {
    const rect = svg.current?.getBoundingClientRect();
    if (!rect) return 0;
    const k = Math.max(W / rect.width, H / rect.height);
    const top = (rect.height - H / k) / 2;
    const drawn = ((event.clientY - rect.top - top) * k - CORE.top) / s;
    const mm = broken && drawn > broken.fromMm ? drawn + gap : drawn;
    return Math.max(step, Math.round(mm / step) * step);
  }
  const handle = (level: Level, feature: CalloutFeature) => ({
    role: 'slider' as const,
    tabIndex: 0,
    'aria-label': tell(level.name, display),
    'aria-valuenow': level.mm,
    'aria-valuetext': value(level),
    'aria-valuemin': 0,
    'aria-valuemax': Math.ceil(thicknessMm ?? deepest * 2),
    className: 'cursor-ns-resize touch-none',
    onPointerDown: (e: PointerEvent) => (e.currentTarget as Element).setPointerCapture(e.pointerId),
    onPointerMove: (e: PointerEvent) => {
      if (e.buttons !== 1) return;
      drawing.current = true;
      onDraw?.(feature, mmAt(e), false);
    },
    // A touch that draws nothing changes nothing.
    onPointerUp: (e: PointerEvent) => {
      if (drawing.current) onDraw?.(feature, mmAt(e), true);
      drawing.current = false;
    },
    onKeyDown: (e: KeyboardEvent) => {
      const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 10, PageUp: -10 }[e.key];
      if (by === undefined) return;
      e.preventDefault();
      onDraw?.(feature, Math.max(step, (Math.round(level.mm / step) + by) * step), true);
    },
  });

  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${W} ${H}`}
      role={onDraw ? 'group' : 'img'}
      aria-label={title}
      className="h-full w-full"
      preserveAspectRatio="xMidYMid meet"
    >
      <defs>
        <pattern id="cut" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(38)">
          <rect width="7" height="7" fill="#2a4c9e" />
          <path d="M0 0V7" stroke="#b9c8ef" strokeOpacity="0.45" strokeWidth="1" />
        </pattern>
        <clipPath id="stock">
          <rect x="0" y="0" width={CORE.right + 4} height={back} />
        </clipPath>
      </defs>
      <rect x={CORE.left} y={CORE.top} width={CORE.right - CORE.left} height={back - CORE.top} fill="url(#cut)" />
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
      <g clipPath="url(#stock)" fill="#0a1432" stroke="#eef2ff" strokeWidth="1.4">
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
      {thread?.tapChamferMm !== undefined && (
        <path d={tapOutline(thread, s)} fill="none" stroke="#d3a23a" strokeWidth="1.3" strokeDasharray="5 3" />
      )}
      <path
        d={`M${CX},${CORE.top - 8} V${Math.min(y(clip(reach)), back) + 12}`}
        stroke="#b9c8ef"
        strokeWidth="0.8"
        strokeDasharray="12 3 3 3"
      />
      {levels.map((level, i) => (
        <g key={level.name.text} {...(onDraw && level.feature ? handle(level, level.feature) : {})}>
          <path
            d={`M${CX + (hole / 2) * s + 4},${y(level.mm)} H${CORE.right + 6} L${CORE.right + 16},${labels[i]} h4`}
            fill="none"
            stroke={onDraw && level.feature ? '#f0cd80' : '#eef2ff'}
            strokeWidth={onDraw && level.feature ? 1.6 : 0.8}
          />
          {onDraw && level.feature && (
            <>
              <rect x={CORE.left} y={y(level.mm) - 7} width={W - CORE.left} height="14" fill="transparent" />
              <path
                d={`M${CORE.left + 4},${y(level.mm) - 3} l6,-6 l6,6 M${CORE.left + 4},${y(level.mm) + 3} l6,6 l6,-6`}
                fill="none"
                stroke="#f0cd80"
                strokeWidth="2"
              />
            </>
          )}
          <text
            x={CORE.right + 24}
            y={labels[i] + 1}
            fill={onDraw && level.feature ? '#f0cd80' : '#eef2ff'}
            fontSize={level.strong ? 19 : 16}
            fontWeight={700}
          >
            {value(level)}
          </text>
          <text x={CORE.right + 24} y={labels[i] + 15} fill="#d5def7" fontSize="13" className="font-cond">
            {tell(level.name, display)}
          </text>
        </g>
      ))}
      <text x={CORE.left} y="18" fill="#eef2ff" fontSize="17" fontWeight="600" className="font-cond">
        {section.title}
      </text>
      <text x={CORE.left} y="35" fill="#d5def7" fontSize="13" className="font-cond">
        {section.subtitle}
      </text>
      <g transform={`translate(${CORE.left},${H - 14})`} fill="none" stroke="#d5def7">
        <path d={`M0,-4 V4 M0,0 H${bar * s} M${bar * s},-4 V4`} />
        <text x={bar * s + 8} y="5" fill="#d5def7" stroke="none" fontSize="13" className="font-cond">
          {`${showText({ value: bar, unit: 'mm', places: 1 }, display)}, true scale`}
        </text>
      </g>
      <title>{title}</title>
    </svg>
  );
}
