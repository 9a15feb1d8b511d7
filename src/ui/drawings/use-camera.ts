import { useEffect, useMemo, useState, type RefObject } from 'react';
import type { Point } from '@/core/layout/part';
import type { Camera } from './face-painter';

const PAD_PX = 46;

/** What is drawn, mm on the face. */
export interface Box {
  left: number;
  bottom: number;
  width: number;
  height: number;
}

export interface Looking {
  /** The whole face in view. */
  home: Camera;
  view: Camera;
  /** From the camera as it is by then: two fingers move within one frame. */
  look: (next: (from: Camera) => Camera) => void;
  /** Zooms about a place on the screen. */
  zoom: (px: Point, factor: number) => void;
  reset: () => void;
}

/** Where one looks at the face from: the whole of it until moved or zoomed, and again when `fit` changes. */
export function useCamera(
  ref: RefObject<HTMLElement | null>,
  box: Box,
  { width, height }: { width: number; height: number },
  fit: string,
): Looking {
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
  const moves = useMemo(() => {
    const look: Looking['look'] = (next) =>
      setCamera((now) => ({ for: homeKey, at: next(now && now.for === homeKey ? now.at : home) }));
    return {
      look,
      zoom: (px: Point, factor: number) => look((from) => zoomed(from, px, factor, home.scale)),
      reset: () => setCamera(undefined),
    };
  }, [home, homeKey]);
  const { zoom } = moves;
  useEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault();
      const rect = element.getBoundingClientRect();
      zoom({ x: event.clientX - rect.left, y: event.clientY - rect.top }, Math.exp(-event.deltaY * 0.0015));
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [ref, zoom]);
  return { home, view: camera && camera.for === homeKey ? camera.at : home, ...moves };
}

function zoomed(from: Camera, px: Point, factor: number, homeScale: number): Camera {
  const scale = Math.min(Math.max(from.scale * factor, homeScale * 0.5), homeScale * 60);
  const f = scale / from.scale;
  return { scale, x: px.x - (px.x - from.x) * f, y: px.y - (px.y - from.y) * f };
}
