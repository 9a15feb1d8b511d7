'use client';

import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { LaidFace, LaidHole } from '@/core/layout/lay-out';
import { outlineCorners } from '@/core/layout/outline';
import { heightList } from '@/core/layout/height-list';
import { snapStep } from '@/core/layout/move-place';
import { SIDES, type Point, type Side } from '@/core/layout/part';
import { FaceCanvas } from './face-canvas';
import { placeLabels } from './place-labels';
import type { Camera } from './face-painter';
import { useWidth } from './use-width';

interface Props {
  laid: LaidFace;
  /** Letter of each feature by id. */
  letters: ReadonlyMap<string, string>;
  selection: ReadonlySet<string>;
  onSelect: (ids: ReadonlySet<string>) => void;
  /** Moves the selected features by a step on the face, mm. */
  onMove: (step: Point) => void;
  /** A click on bare metal, mm on the face; undefined when nothing is to be placed. */
  onPlace?: (at: Point) => void;
  onRemove: () => void;
  /** Pixels tall at most; about square where the screen is narrow. */
  height: number;
  /** Changes of this bring the face back to full view. */
  fit: string;
  focus?: Point;
  /** A scribed line that is lit, and what is told when the pointer is on one. */
  lit?: ScribedLine;
  onLine?: (line: ScribedLine | undefined) => void;
  /** The face is a round one laid flat. */
  unrolled?: boolean;
}

/** A line across the face: where it cuts the axis, mm from the lower left corner or the centre. */
export interface ScribedLine {
  axis: 'x' | 'y';
  mm: number;
}

const PAD_PX = 46;
const REACH_PX = 9;
const MOST_LINES = 240;
const MOST_LABELS = 90;
/** A pointer this near to a line points at it, px. */
const NEAR_LINE_PX = 5;

const WALL_LINE: Record<Side, (w: number, h: number) => string> = {
  left: (_, h) => `M0 0v${-h}`,
  right: (w, h) => `M${w} 0v${-h}`,
  bottom: (w) => `M0 0h${w}`,
  top: (w, h) => `M0 ${-h}h${w}`,
};

const ring = (x: number, y: number, r: number): string =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;

function bounds({ shape }: LaidFace): { left: number; bottom: number; width: number; height: number } {
  return shape.kind === 'circle'
    ? { left: -shape.diameterMm / 2, bottom: -shape.diameterMm / 2, width: shape.diameterMm, height: shape.diameterMm }
    : { left: 0, bottom: 0, width: shape.widthMm, height: shape.heightMm };
}

/**
 * The face as dyed and scribed: datum edges, lines, punch marks, holes. Wheel or pinch zooms, dragging bare metal
 * moves the view, dragging a hole moves its feature onto the lines, arrows nudge.
 */
export function PlateDrawing({
  laid,
  letters,
  selection,
  onSelect,
  onMove,
  onPlace,
  onRemove,
  height: most,
  fit,
  focus,
  lit,
  onLine,
  unrolled,
}: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(600);
  const height = Math.round(Math.min(most, Math.max(320, width * 1.05)));
  const box = bounds(laid);
  const home = useMemo<Camera>(() => {
    const scale = Math.min((width - 2 * PAD_PX) / box.width, (height - 2 * PAD_PX) / box.height);
    return {
      scale,
      x: width / 2 - (box.left + box.width / 2) * scale,
      y: height / 2 + (box.bottom + box.height / 2) * scale,
    };
  }, [width, height, box.left, box.bottom, box.width, box.height]);
  const [camera, setCamera] = useState<{ for: string; at: Camera }>();
  const homeKey = `${fit} ${width} ${height} ${box.width} ${box.height}`;
  const view = camera && camera.for === homeKey ? camera.at : home;
  const [drag, setDrag] = useState<{ step: Point }>();
  const pointers = useRef(new Map<number, Point>());
  const pressed = useRef<{ at: Point; hole?: LaidHole; moved: boolean } | undefined>(undefined);

  const toFace = (px: Point): Point => ({ x: (px.x - view.x) / view.scale, y: (view.y - px.y) / view.scale });
  // From the camera as it is by then: two fingers move within one frame.
  const look = (next: (from: Camera) => Camera): void =>
    setCamera((now) => ({ for: homeKey, at: next(now && now.for === homeKey ? now.at : home) }));

  const lines = useMemo(() => {
    const onFace = laid.holes.map((h) => ({ featureId: h.featureId, at: h.onFace }));
    return { x: heightList(onFace, 'x').map((l) => l.mm), y: heightList(onFace, 'y').map((l) => l.mm) };
  }, [laid.holes]);
  const scribed = useMemo(() => {
    if (lines.x.length + lines.y.length > MOST_LINES) return '';
    const top = -(box.bottom + box.height);
    return [
      ...lines.x.map((x) => `M${x} ${top}v${box.height}`),
      ...lines.y.map((y) => `M${box.left} ${-y}h${box.width}`),
    ].join('');
  }, [lines, box.left, box.bottom, box.width, box.height]);
  const chosen = laid.holes.filter((h) => selection.has(h.featureId));
  const counts = useMemo(() => {
    const of = new Map<string, number>();
    for (const h of laid.holes) of.set(h.featureId, (of.get(h.featureId) ?? 0) + 1);
    return of;
  }, [laid.holes]);
  const labelled = useMemo(() => {
    if (laid.holes.length <= MOST_LABELS) return laid.holes;
    return counts.size <= MOST_LABELS ? laid.holes.filter((h) => h.number === 1) : [];
  }, [laid.holes, counts]);
  const { scale } = view;
  /** Labels with their places from the corner of the face, px: a pan leaves them, a zoom makes room. */
  const labels = useMemo(() => {
    const all = labelled.map((h) => ({
      hole: h,
      x: h.onFace.x * scale,
      y: -h.onFace.y * scale,
      r: (h.footprint.mouthMm / 2) * scale,
      text: `${letters.get(h.featureId) ?? ''}${counts.get(h.featureId) === 1 ? '' : h.number}${h.impossible ? ' ✕' : ''}`,
    }));
    const places = placeLabels(all, all);
    return all.map(({ hole, text }, i) => ({ hole, text, at: places[i] }));
  }, [labelled, letters, counts, scale]);

  function holeAt(px: Point): LaidHole | undefined {
    const at = toFace(px);
    let best: LaidHole | undefined;
    let least = Infinity;
    for (const hole of laid.holes) {
      const d = Math.hypot(hole.onFace.x - at.x, hole.onFace.y - at.y) - hole.footprint.diameterMm / 2;
      if (d < least && d * view.scale < REACH_PX) {
        least = d;
        best = hole;
      }
    }
    return best;
  }

  function lineAt(at: Point): ScribedLine | undefined {
    const near = NEAR_LINE_PX / view.scale;
    const on = (axis: 'x' | 'y'): ScribedLine | undefined => {
      const mm = lines[axis].find((line) => Math.abs(line - at[axis]) < near);
      return mm === undefined ? undefined : { axis, mm };
    };
    return on('x') ?? on('y');
  }

  useEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault();
      const rect = element.getBoundingClientRect();
      const px = { x: event.clientX - rect.left, y: event.clientY - rect.top };
      setCamera((now) => {
        const from = now && now.for === homeKey ? now.at : home;
        return { for: homeKey, at: zoomed(from, px, Math.exp(-event.deltaY * 0.0015), home.scale) };
      });
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [ref, home, homeKey]);

  const place = (event: PointerEvent): Point => {
    const rect = (event.currentTarget as Element).getBoundingClientRect();
    return { x: event.clientX - rect.left, y: event.clientY - rect.top };
  };
  function onDown(event: PointerEvent): void {
    const px = place(event);
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    pointers.current.set(event.pointerId, px);
    const hole = holeAt(px);
    pressed.current = { at: px, hole, moved: false };
    if (!hole) return;
    const more = event.shiftKey || event.ctrlKey || event.metaKey;
    if (more) {
      const next = new Set(selection);
      if (!next.delete(hole.featureId)) next.add(hole.featureId);
      onSelect(next);
    } else if (!selection.has(hole.featureId)) onSelect(new Set([hole.featureId]));
  }
  function onDrag(event: PointerEvent): void {
    const before = pointers.current.get(event.pointerId);
    const start = pressed.current;
    if (!before || !start) {
      if (onLine && scribed !== '') onLine(lineAt(toFace(place(event))));
      return;
    }
    const px = place(event);
    if (pointers.current.size === 2) {
      const other = [...pointers.current].find(([id]) => id !== event.pointerId)?.[1] ?? px;
      const factor =
        Math.hypot(px.x - other.x, px.y - other.y) / Math.max(1, Math.hypot(before.x - other.x, before.y - other.y));
      const middle = { x: (px.x + other.x) / 2, y: (px.y + other.y) / 2 };
      look((from) => zoomed(from, middle, factor, home.scale));
    } else if (Math.hypot(px.x - start.at.x, px.y - start.at.y) > 4 || start.moved) {
      start.moved = true;
      if (start.hole) {
        const step = { x: (px.x - start.at.x) / view.scale, y: -(px.y - start.at.y) / view.scale };
        const others = laid.holes.filter((h) => !selection.has(h.featureId)).map((h) => h.onFace);
        const edges = { x: [box.left + box.width / 2], y: [box.bottom + box.height / 2] };
        const snapLines = { x: [...edges.x, ...others.map((p) => p.x)], y: [...edges.y, ...others.map((p) => p.y)] };
        setDrag({ step: snapStep(start.hole.onFace, step, snapLines, 6 / view.scale) });
      } else look((from) => ({ ...from, x: from.x + px.x - before.x, y: from.y + px.y - before.y }));
    }
    pointers.current.set(event.pointerId, px);
  }
  function onUp(event: PointerEvent): void {
    const start = pressed.current;
    pointers.current.delete(event.pointerId);
    if (pointers.current.size > 0) return;
    pressed.current = undefined;
    if (drag) {
      const tenth = (v: number): number => Math.round(v * 1000) / 1000;
      onMove({ x: tenth(drag.step.x), y: tenth(drag.step.y) });
      setDrag(undefined);
    } else if (start && !start.moved && !start.hole) {
      if (onPlace) onPlace(toFace(start.at));
      else if (!event.shiftKey) onSelect(new Set());
    }
  }
  function onKey(event: KeyboardEvent): void {
    const by = event.shiftKey ? 1 : event.altKey ? 0.01 : 0.1;
    const step: Record<string, Point> = {
      ArrowLeft: { x: -by, y: 0 },
      ArrowRight: { x: by, y: 0 },
      ArrowUp: { x: 0, y: by },
      ArrowDown: { x: 0, y: -by },
    };
    if (step[event.key] && selection.size > 0) {
      event.preventDefault();
      onMove(step[event.key]);
    } else if (event.key === 'Delete' && selection.size > 0) onRemove();
    else if (event.key === '0') setCamera(undefined);
    else if (event.key === '+' || event.key === '-')
      look((from) => zoomed(from, { x: width / 2, y: height / 2 }, event.key === '+' ? 1.25 : 0.8, home.scale));
  }

  const { shape, datum } = laid;
  const top = -(box.bottom + box.height);
  const datumX = datum.x === 'left' ? box.left : box.left + box.width;
  const datumY = datum.y === 'bottom' ? -box.bottom : top;
  const shift = drag ? `translate(${drag.step.x} ${-drag.step.y})` : undefined;
  return (
    <div ref={ref} className="dye relative w-full touch-none overflow-hidden" style={{ height }}>
      <svg width={width} height={height} aria-hidden className="absolute inset-0">
        <g transform={`translate(${view.x} ${view.y}) scale(${view.scale})`} strokeLinecap="round">
          {shape.kind === 'rectangle' ? (
            <polygon
              points={outlineCorners(shape)
                .map((p) => `${p.x},${-p.y}`)
                .join(' ')}
              fill="#1f3f8f"
              stroke="#eef2ff"
              vectorEffect="non-scaling-stroke"
            />
          ) : (
            <circle r={shape.diameterMm / 2} fill="#1f3f8f" stroke="#eef2ff" vectorEffect="non-scaling-stroke" />
          )}
          {shape.kind === 'rectangle' &&
            shape.walls &&
            SIDES.filter((side) => (shape.walls?.[side] ?? 0) > 0).map((side) => (
              <path
                key={side}
                d={WALL_LINE[side](shape.widthMm, shape.heightMm)}
                stroke="#b9c8ef"
                strokeWidth="9"
                strokeDasharray="3 3"
                vectorEffect="non-scaling-stroke"
              />
            ))}
          {shape.kind === 'rectangle' ? (
            <path
              d={`M${datumX} ${top}v${box.height}M${box.left} ${datumY}h${box.width}`}
              stroke="#d3a23a"
              strokeWidth="4"
              vectorEffect="non-scaling-stroke"
            />
          ) : (
            <path
              d={`M${-box.width / 2} 0h${box.width}M0 ${-box.width / 2}v${box.width}`}
              stroke="#d3a23a"
              strokeWidth="1.5"
              strokeDasharray="14 4 3 4"
              vectorEffect="non-scaling-stroke"
            />
          )}
        </g>
      </svg>
      <FaceCanvas laid={laid} lines={scribed} view={view} home={home} width={width} height={height} />
      <svg
        width={width}
        height={height}
        role="application"
        aria-label={`The ${laid.face} face, ${laid.holes.length} holes. Arrows nudge what is chosen, plus and minus zoom, 0 shows all.`}
        tabIndex={0}
        className={`relative ${onPlace ? 'cursor-crosshair' : 'cursor-default'}`}
        onPointerDown={onDown}
        onPointerMove={onDrag}
        onPointerUp={onUp}
        onPointerCancel={onUp}
        onPointerLeave={() => onLine?.(undefined)}
        onKeyDown={onKey}
      >
        <g transform={`translate(${view.x} ${view.y}) scale(${view.scale})`} strokeLinecap="round">
          {lit && (
            <path
              d={lit.axis === 'x' ? `M${lit.mm} ${top}v${box.height}` : `M${box.left} ${-lit.mm}h${box.width}`}
              stroke="#f0cd80"
              strokeWidth="2.5"
              vectorEffect="non-scaling-stroke"
            />
          )}
          <g transform={shift}>
            <path
              d={chosen.map((h) => ring(h.onFace.x, -h.onFace.y, h.footprint.mouthMm / 2)).join('')}
              fill="#d3a23a"
              fillOpacity="0.3"
              stroke="#f0cd80"
              strokeWidth="2.5"
              vectorEffect="non-scaling-stroke"
            />
          </g>
        </g>
        {labels.map(({ hole, text, at }) => (
          <text
            key={`${hole.featureId} ${hole.number}`}
            x={view.x + at.x}
            y={view.y + at.y}
            fill={selection.has(hole.featureId) ? '#f0cd80' : '#eef2ff'}
            fontSize="16"
            fontWeight="600"
            className="font-cond select-none"
          >
            {text}
          </text>
        ))}
        {unrolled && (
          <text x="12" y="22" fill="#d5def7" fontSize="15" className="font-cond">
            The round face, drawn unrolled.
          </text>
        )}
        {focus && (
          <circle
            cx={view.x + focus.x * view.scale}
            cy={view.y - focus.y * view.scale}
            r="22"
            fill="none"
            stroke="#ff9aa2"
            strokeWidth="3"
          />
        )}
        {drag && (
          <text x="12" y={height - 14} fill="#f0cd80" fontSize="17" className="font-cond">
            {`moved ${drag.step.x.toFixed(2)}, ${drag.step.y.toFixed(2)} mm`}
          </text>
        )}
      </svg>
    </div>
  );
}

function zoomed(from: Camera, px: Point, factor: number, homeScale: number): Camera {
  const scale = Math.min(Math.max(from.scale * factor, homeScale * 0.5), homeScale * 60);
  const f = scale / from.scale;
  return { scale, x: px.x - (px.x - from.x) * f, y: px.y - (px.y - from.y) * f };
}
