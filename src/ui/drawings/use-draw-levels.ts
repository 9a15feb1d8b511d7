'use client';

import { useRef, type KeyboardEvent, type PointerEvent, type SVGAttributes } from 'react';
import type { Level } from '@/core/hole/section';
import type { CalloutFeature } from '@/core/threads/callout';
import { showText, tell, type Display } from '@/core/units/show';

interface Drawn {
  /** Depth under a pointer, mm. */
  mmAt: (event: PointerEvent) => number;
  display: Display;
  mostMm: number;
}

/** What makes a level of the section one that can be drawn to another depth, by pointer or arrow keys. */
export type DrawLevel = (level: Level, feature: CalloutFeature, drawn: Drawn) => SVGAttributes<SVGGElement>;

/** Depths are drawn to this step, mm: half a millimetre, or a sixty-fourth of an inch. */
const stepOf = (display: Display): number => (display === 'inch' ? 25.4 / 64 : 0.5);
const KEYS: Record<string, number> = { ArrowDown: 1, ArrowUp: -1, PageDown: 10, PageUp: -10 };

/** @param onDraw told the new depth, mm from the face; `done` when it is let go */
export function useDrawLevels(onDraw: (feature: CalloutFeature, mm: number, done: boolean) => void): DrawLevel {
  const drawing = useRef(false);
  return (level, feature, { mmAt, display, mostMm }) => {
    const step = stepOf(display);
    const toStep = (mm: number): number => Math.max(step, Math.round(mm / step) * step);
    return {
      role: 'slider',
      tabIndex: 0,
      'aria-label': tell(level.name, display),
      'aria-valuenow': level.mm,
      'aria-valuetext': showText({ value: level.mm, unit: 'mm', places: 1 }, display),
      'aria-valuemin': 0,
      'aria-valuemax': mostMm,
      className: 'cursor-ns-resize touch-none',
      onPointerDown: (e: PointerEvent) => e.currentTarget.setPointerCapture(e.pointerId),
      onPointerMove: (e: PointerEvent) => {
        if (e.buttons !== 1) return;
        drawing.current = true;
        onDraw(feature, toStep(mmAt(e)), false);
      },
      // A touch that draws nothing changes nothing.
      onPointerUp: (e: PointerEvent) => {
        if (drawing.current) onDraw(feature, toStep(mmAt(e)), true);
        drawing.current = false;
      },
      onKeyDown: (e: KeyboardEvent) => {
        const by = KEYS[e.key];
        if (by === undefined) return;
        e.preventDefault();
        onDraw(feature, Math.max(step, (Math.round(level.mm / step) + by) * step), true);
      },
    };
  };
}
