'use client';

import { useId, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import type { Answer } from '@/core/answer/answer';
import { drawnDepth, mouthDepth, type Level, type Section } from '@/core/hole/section';
import { showText, tell, turnsText, type Display } from '@/core/units/show';
import type { DrawLevel } from './use-draw-levels';
import { later } from '../later';
import { spreadLabels } from './spread-labels';

const RodSample = later(() => import('./rod-sample'));

const W = 330;
/** With the turns of the tap beside the depths that its nose reaches. */
const W_TURNS = 452;
const BESIDE_PX = 26;
const STRIP = { left: 352, width: 30 };
const H = 408;
const CORE = { left: 10, right: 196, top: 46, bottom: 372 };
const CX = (CORE.left + CORE.right) / 2;

/** The turns of the last tap, from the first bite to where it has to stop. */
export interface Turns {
  total: number;
  /** Forward before turning back; 0 for none. */
  bite: number;
  pitchMm: number;
  fromMm: number;
  /** Turns after which the full thread is made and only the chamfer goes on. */
  full: number;
  /** Nothing stops it: there is no last safe turn. */
  through: boolean;
}

interface Props {
  section: Section;
  turns?: Turns;
  /** Draws what belongs beside a depth. */
  beside?: (level: Level, x: number, y: number) => ReactNode;
  /** Shows how a depth was reached. */
  onWorking?: (of: Answer) => void;
  display: Display;
  /** Lets levels that set a depth be drawn to another. */
  draw?: DrawLevel;
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

/** Lengths of the scale bar, in mm or in inches. */
const BAR_UNITS = [0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500];

/** The hole cut in half at true scale, or the rod from the side: stock, larger parts, thread, run-out, chip room, tip, wall, the tap at its deepest. */
export function CoreSample(props: Props) {
  const { section, display } = props;
  return section.rod ? (
    <RodSample section={{ ...section, rod: section.rod }} display={display} />
  ) : (
    <HoleSample {...props} />
  );
}

function HoleSample({ section, turns, beside, display, draw, onWorking }: Props) {
  const { bores, mouth, thread, levels, thicknessMm, broken } = section;
  const widest = Math.max(4, ...bores.map((b) => b.diameterMm), mouth?.diameterMm ?? 0, thread?.majorMm ?? 0);
  const noseMm = turns ? turns.fromMm + turns.total * turns.pitchMm : 0;
  const reach = Math.max(...levels.map((l) => l.mm), noseMm, 1);
  const width = turns ? W_TURNS : beside ? W + BESIDE_PX : W;
  const gap = broken ? broken.toMm - broken.fromMm : 0;
  const shown = drawnDepth(section);
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
  // Two sections may stand on one page, each with its own clips.
  const id = useId();
  const hole = bores[bores.length - 1]?.diameterMm ?? 0;
  const unitMm = display === 'inch' ? 25.4 : 1;
  const bar = BAR_UNITS.map((units) => units * unitMm).find((mm) => mm * s >= 34) ?? 1000;
  const value = (l: Level): string => showText({ value: l.setMm ?? l.mm, unit: 'mm', places: 1 }, display);
  const title = `Section of the hole: ${levels.map((l) => `${tell(l.name, display)} ${value(l)}`).join(', ')}`;

  /** Depth under a pointer, mm, to a step of the unit; what the break leaves out counts. */
  function mmAt(event: PointerEvent): number {
    const rect = (event.currentTarget as SVGElement).ownerSVGElement?.getBoundingClientRect();
    if (!rect) return 0;
    const k = Math.max(width / rect.width, H / rect.height);
    const top = (rect.height - H / k) / 2;
    const drawn = ((event.clientY - rect.top - top) * k - CORE.top) / s;
    return broken && drawn > broken.fromMm ? drawn + gap : drawn;
  }
  const handle = (level: Level) =>
    draw && level.feature
      ? draw(level, level.feature, { mmAt, display, mostMm: Math.ceil(thicknessMm ?? deepest * 2) })
      : undefined;
  const figure = (level: Level, open: (of: Answer) => void) =>
    level.of && {
      role: 'button' as const,
      tabIndex: 0,
      'aria-label': `${tell(level.name, display)} ${value(level)}. Show the working`,
      className: 'cursor-help',
      onClick: () => level.of && open(level.of),
      // The key must not go on to what opens under it.
      onKeyDown: (e: KeyboardEvent) => {
        if (e.key !== 'Enter' || !level.of) return;
        e.preventDefault();
        open(level.of);
      },
    };

  return (
    <svg
      viewBox={`0 0 ${width} ${H}`}
      role={draw || onWorking ? 'group' : 'img'}
      aria-label={title}
      className="h-full w-full"
      preserveAspectRatio="xMidYMid meet"
    >
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
      {levels.map((level, i) => (
        <g key={level.name.text} {...(handle(level) ?? (onWorking && figure(level, onWorking)))}>
          <path
            d={`M${CX + (hole / 2) * s + 4},${y(level.mm)} H${CORE.right + 6} L${CORE.right + 16},${labels[i]} h4`}
            fill="none"
            stroke={draw && level.feature ? '#f0cd80' : '#eef2ff'}
            strokeWidth={draw && level.feature ? 1.6 : 0.8}
          />
          {draw && level.feature && (
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
            fill={draw && level.feature ? '#f0cd80' : '#eef2ff'}
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
      {levels.map((level, i) => beside?.(level, W + 12, labels[i]))}
      {turns && <TurnStrip turns={turns} y={y} />}
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
    </svg>
  );
}

/** Turn by turn beside the depths that the tap's nose reaches: bites, the run of the chamfer, the last safe turn. */
function TurnStrip({
  turns: { total, bite, pitchMm, fromMm, full, through },
  y,
}: {
  turns: Turns;
  y: (mm: number) => number;
}) {
  const at = (turn: number): number => y(fromMm + turn * pitchMm);
  const perTurn = Math.max(0.1, (at(total) - at(0)) / total);
  // Bites too fine to be told apart are drawn as turns.
  const step = bite > 0 && bite * perTurn >= 3.5 ? bite : Math.max(1, Math.ceil(3.5 / perTurn));
  const bars = Array.from({ length: Math.ceil(total / step - 1e-9) }, (_, i) => i * step);
  const label = [1, 2, 5, 10, 20, 50].find((n) => n * perTurn >= 24) ?? 100;
  return (
    <g
      className="font-cond"
      role="img"
      aria-label={`${turnsText(total, !through)} turns${through ? ', then it is through' : ', the last that is safe'}`}
    >
      <text x={STRIP.left} y={at(0) - 9} fill="#d5def7" fontSize="13">
        {bite > 0 ? 'turns, bite by bite' : 'turns, no reversing'}
      </text>
      {bars.map((turn) => (
        <rect
          key={turn}
          x={STRIP.left}
          y={at(turn) + 0.6}
          width={STRIP.width}
          height={Math.max(1.4, at(Math.min(total, turn + step)) - at(turn) - 1.4)}
          fill={turn >= full ? '#96702a' : '#d3a23a'}
        />
      ))}
      {Array.from({ length: Math.floor(total / label) }, (_, i) => (i + 1) * label)
        .filter((turn) => at(total) - at(turn) > 14)
        .map((turn) => (
          <text key={turn} x={STRIP.left + STRIP.width + 7} y={at(turn) + 5} fill="#d5def7" fontSize="13">
            {turn}
          </text>
        ))}
      <path
        d={`M${STRIP.left - 8},${at(total)} h${STRIP.width + 22}`}
        stroke={through ? '#eef2ff' : '#ff9d9d'}
        strokeWidth="2.4"
      />
      {(through
        ? [`through at ${turnsText(full)}`, `run on to ${turnsText(total)}`]
        : [`${turnsText(total, true)} turns,`, 'the last safe']
      ).map((line, i) => (
        <text key={line} x={STRIP.left - 8} y={at(total) + 18 * (i + 1)} fill="#eef2ff" fontSize="16" fontWeight="700">
          {line}
        </text>
      ))}
    </g>
  );
}
