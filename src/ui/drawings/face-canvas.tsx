'use client';

import { useEffect, useMemo, useRef } from 'react';
import type { LaidFace } from '@/core/layout/lay-out';
import { facePaths, paintFace, type Camera } from './face-painter';

interface Props {
  laid: LaidFace;
  /** Scribed lines as a path, mm. */
  lines: string;
  view: Camera;
  /** Camera that shows the whole face. */
  home: Camera;
  width: number;
  height: number;
}

/** Up to so many holes are drawn sharp in every frame. */
const QUICK_HOLES = 120;
/** After so long without a change of the camera everything is drawn sharp, ms. */
const SETTLED_MS = 90;
/** The picture that is shown while the camera moves is this much finer than the whole face on the screen. */
const PICTURE = 2;

/**
 * The holes and lines of a face on one canvas, drawn at most once a frame. While the camera moves a picture of the
 * whole face, made once a change, is scaled; once it rests everything is drawn sharp.
 */
export function FaceCanvas({ laid, lines, view, home, width, height }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const paths = useMemo(() => (typeof Path2D === 'undefined' ? undefined : facePaths(laid, lines)), [laid, lines]);
  const few = laid.holes.length <= QUICK_HOLES;
  const picture = useRef<HTMLCanvasElement | undefined>(undefined);
  const first = useRef(true);

  useEffect(() => {
    picture.current = undefined;
    first.current = true;
  }, [paths, home, width, height]);

  useEffect(() => {
    const ctx = canvas.current?.getContext('2d');
    if (!ctx || !paths) return undefined;
    const ratio = window.devicePixelRatio || 1;
    const sharp = (): void => paintFace(ctx, paths, view, ratio);
    if (few || first.current) {
      first.current = false;
      sharp();
      return undefined;
    }
    const frame = requestAnimationFrame(() => {
      const whole = (picture.current ??= pictureOf(paths, home, width, height));
      const k = view.scale / home.scale;
      ctx.setTransform(1, 0, 0, 1, 0, 0);
      ctx.clearRect(0, 0, ctx.canvas.width, ctx.canvas.height);
      ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
      ctx.imageSmoothingQuality = 'low';
      ctx.drawImage(whole, view.x - home.x * k, view.y - home.y * k, width * k, height * k);
    });
    const settled = setTimeout(sharp, SETTLED_MS);
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(settled);
    };
  }, [paths, view, home, width, height, few]);

  const ratio = typeof window === 'undefined' ? 1 : window.devicePixelRatio || 1;
  return (
    <canvas
      ref={canvas}
      aria-hidden
      width={Math.round(width * ratio)}
      height={Math.round(height * ratio)}
      className="pointer-events-none absolute inset-0"
      style={{ width, height }}
      suppressHydrationWarning
    />
  );
}

function pictureOf(
  paths: ReturnType<typeof facePaths>,
  home: Camera,
  width: number,
  height: number,
): HTMLCanvasElement {
  const whole = document.createElement('canvas');
  whole.width = Math.round(width * PICTURE);
  whole.height = Math.round(height * PICTURE);
  const ctx = whole.getContext('2d');
  if (ctx) paintFace(ctx, paths, home, PICTURE);
  return whole;
}
