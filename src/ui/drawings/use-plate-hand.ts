import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { LaidFace, LaidHole } from '@/core/layout/lay-out';
import { snapStep } from '@/core/layout/move-place';
import type { Point } from '@/core/layout/part';
import type { Box, Looking } from './use-camera';

const REACH_PX = 9;

interface Hand {
  laid: LaidFace;
  box: Box;
  looking: Looking;
  /** Of the drawing, px. */
  middle: Point;
  selection: ReadonlySet<string>;
  onSelect: (ids: ReadonlySet<string>) => void;
  onMove: (step: Point) => void;
  onPlace?: (at: Point) => void;
  onRemove: () => void;
  /** Where the pointer is while nothing is held, mm on the face. */
  onPointed?: (at: Point) => void;
}

/** Choosing, dragging, placing, zooming and nudging on the face; `drag` is how far what is chosen is held from its place, mm. */
export function usePlateHand({
  laid,
  box,
  looking: { view, look, zoom, reset },
  middle,
  selection,
  onSelect,
  onMove,
  onPlace,
  onRemove,
  onPointed,
}: Hand) {
  const [drag, setDrag] = useState<Point>();
  const pointers = useRef(new Map<number, Point>());
  const pressed = useRef<{ at: Point; hole?: LaidHole; moved: boolean } | undefined>(undefined);
  const toFace = (px: Point): Point => ({ x: (px.x - view.x) / view.scale, y: (view.y - px.y) / view.scale });

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
      onPointed?.(toFace(place(event)));
      return;
    }
    const px = place(event);
    if (pointers.current.size === 2) {
      const other = [...pointers.current].find(([id]) => id !== event.pointerId)?.[1] ?? px;
      const factor =
        Math.hypot(px.x - other.x, px.y - other.y) / Math.max(1, Math.hypot(before.x - other.x, before.y - other.y));
      const between = { x: (px.x + other.x) / 2, y: (px.y + other.y) / 2 };
      zoom(between, factor);
    } else if (Math.hypot(px.x - start.at.x, px.y - start.at.y) > 4 || start.moved) {
      start.moved = true;
      if (start.hole) {
        const step = { x: (px.x - start.at.x) / view.scale, y: -(px.y - start.at.y) / view.scale };
        const others = laid.holes.filter((h) => !selection.has(h.featureId)).map((h) => h.onFace);
        const edges = { x: [box.left + box.width / 2], y: [box.bottom + box.height / 2] };
        const snapLines = { x: [...edges.x, ...others.map((p) => p.x)], y: [...edges.y, ...others.map((p) => p.y)] };
        setDrag(snapStep(start.hole.onFace, step, snapLines, 6 / view.scale));
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
      onMove({ x: tenth(drag.x), y: tenth(drag.y) });
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
    else if (event.key === '0') reset();
    else if (event.key === '+' || event.key === '-') zoom(middle, event.key === '+' ? 1.25 : 0.8);
  }

  return {
    drag,
    onPointerDown: onDown,
    onPointerMove: onDrag,
    onPointerUp: onUp,
    onPointerCancel: onUp,
    onKeyDown: onKey,
  };
}
