'use client';

import type { KeyboardEvent, PointerEvent, ReactNode } from 'react';
import type { Answer } from '@/core/answer/answer';
import { drawnDepth, type Level, type Section } from '@/core/hole/section';
import { showText, tell, type Display } from '@/core/units/show';
import type { DrawLevel } from './use-draw-levels';
import { later } from '../later';
import { CORE, CutHole, CX, H } from './cut-hole';
import { spreadLabels } from './spread-labels';
import { TurnStrip, type Turns } from './turn-strip';

const RodSample = later(() => import('./rod-sample'));

const W = 330;
/** With the turns of the tap beside the depths that its nose reaches. */
const W_TURNS = 452;
const BESIDE_PX = 26;

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
  const labels = spreadLabels(
    levels.map((l) => y(l.mm)),
    38,
    CORE.top + 4,
    H - 24,
  );
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
      'aria-label': `${value(level)} ${tell(level.name, display)}. Show the working`,
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
      <CutHole section={section} y={y} s={s} deepest={deepest} reach={reach} width={width} />
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
            {value(level)}{' '}
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
