'use client';

import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { mm } from '@/core/answer/answer';
import type { Point } from '@/core/layout/part';
import { offsetOnPhoto } from '@/core/gauging/position';
import { parseLength } from '@/core/units/length';
import { showText, tell, type Display } from '@/core/units/show';
import { TextField } from '@/ui/field';

interface Props {
  display: Display;
  onKeep: (image: string, off: Point) => void;
}

/** Longest side of a picture that is kept, pixels. */
const LONGEST = 1280;
const QUALITY = 0.8;
const MARKS = [
  ['left', 'Touch the left of two points whose distance you know'],
  ['right', 'Touch the right one'],
  ['cross', 'Touch where the lines cross'],
  ['mark', 'Touch the mark, or the centre of the hole'],
] as const;

async function scaledDown(file: File): Promise<{ image: string; width: number; height: number }> {
  const picture = await createImageBitmap(file);
  const k = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * k);
  canvas.height = Math.round(picture.height * k);
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return { image: canvas.toDataURL('image/jpeg', QUALITY), width: canvas.width, height: canvas.height };
}

/** Where a mark came out, measured on a photograph taken at the bench; it stays on this server. */
export default function PhotoPanel({ display, onKeep }: Props) {
  const [photo, setPhoto] = useState<{ image: string; width: number; height: number }>();
  const [fault, setFault] = useState<string>();
  const [points, setPoints] = useState<Point[]>([]);
  const [apart, setApart] = useState('20');
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const pen = canvas.current?.getContext('2d');
    if (!pen || !photo) return;
    const picture = new Image();
    picture.onload = () => {
      pen.drawImage(picture, 0, 0);
      pen.lineWidth = 4;
      points.forEach(({ x, y }, i) => {
        pen.strokeStyle = i < 2 ? '#d3a23a' : '#ff3355';
        pen.beginPath();
        pen.moveTo(x - 16, y);
        pen.lineTo(x + 16, y);
        pen.moveTo(x, y - 16);
        pen.lineTo(x, y + 16);
        pen.stroke();
      });
    };
    picture.src = photo.image;
  }, [photo, points]);
  const typed = parseLength(apart, display === 'inch' ? 'in' : 'mm');
  const apartMm = typed.ok ? typed.value.mm : 0;
  const off =
    points.length === 4
      ? offsetOnPhoto({ left: points[0], right: points[1], cross: points[2], mark: points[3] }, apartMm)
      : undefined;
  function touch(event: PointerEvent<HTMLCanvasElement>): void {
    const rect = event.currentTarget.getBoundingClientRect();
    const k = event.currentTarget.width / rect.width;
    if (points.length < 4)
      setPoints([...points, { x: (event.clientX - rect.left) * k, y: (event.clientY - rect.top) * k }]);
  }
  return (
    <section aria-label="Photograph" className="plate flex flex-col gap-2 p-3">
      <h3 className="font-cond text-xl font-semibold">From a photograph</h3>
      <p className="text-[15px] text-steel-700">
        Square to the face, a rule in the picture along X. It is scaled down and kept with the record on this server
        only.
      </p>
      <input
        type="file"
        accept="image/*"
        capture="environment"
        aria-label="Photograph"
        className="file-field"
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (!file) return;
          setPoints([]);
          scaledDown(file).then(
            (made) => {
              setPhoto(made);
              setFault(undefined);
            },
            () => setFault('This file is not a picture that can be read: use JPEG or PNG.'),
          );
        }}
      />
      {fault && (
        <p role="alert" className="font-bold text-danger">
          {fault}
        </p>
      )}
      {photo && (
        <>
          <p role="status" className="font-bold">
            {points.length < 4 ? MARKS[points.length][1] : 'All four are marked.'}
          </p>
          <canvas
            ref={canvas}
            width={photo.width}
            height={photo.height}
            role="img"
            aria-label="The photograph, to be touched at four points"
            className="w-full max-w-2xl cursor-crosshair touch-none"
            onPointerDown={touch}
          />
          <div className="flex flex-wrap items-end gap-2">
            <TextField label="Distance of the two points" value={apart} onChange={setApart} className="w-44" />
            <button type="button" className="btn" disabled={points.length === 0} onClick={() => setPoints([])}>
              Mark anew
            </button>
            {off && (
              <button
                type="button"
                className="btn-next"
                disabled={!off.ok}
                onClick={() => off.ok && onKeep(photo.image, off.value)}
              >
                Record{' '}
                {off.ok && `${showText(mm(off.value.x), display)} right, ${showText(mm(off.value.y), display)} up`}
              </button>
            )}
          </div>
          {off && !off.ok && (
            <p role="alert" className="font-bold text-danger">
              {tell(off.problems[0], display)} {tell(off.problems[0].remedy, display)}
            </p>
          )}
        </>
      )}
    </section>
  );
}
