'use client';

import { useMemo } from 'react';
import type { LaidFace } from '@/core/layout/lay-out';
import { heightList } from '@/core/layout/height-list';
import type { Point } from '@/core/layout/part';
import type { Display } from '@/core/units/show';
import { FaceCanvas } from './face-canvas';
import { FaceFigures, type ScribedLine } from './face-figures';
import { FaceMarks, FaceSigns, type Ghost, type PunchedMark } from './face-marks';
import { boxOf, FaceOutline } from './face-outline';
import { useCamera } from './use-camera';
import { useFaceLabels } from './use-face-labels';
import { usePlateHand } from './use-plate-hand';
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
  display: Display;
  /** Holes that a line as typed would lay out. */
  ghosts: readonly Ghost[];
  /** Punch marks that were recorded. */
  punched: readonly PunchedMark[];
}

const MOST_LINES = 240;
const NO_LINES = { x: [], y: [] };
/** A pointer this near to a line points at it, px. */
const NEAR_LINE_PX = 5;

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
  display,
  ghosts,
  punched,
}: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(600);
  const height = Math.round(Math.min(most, Math.max(320, width * 1.05)));
  const box = boxOf(laid.shape);
  const looking = useCamera(ref, box, { width, height }, fit);
  const { home, view } = looking;
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
  const labels = useFaceLabels(laid.holes, letters, view.scale);
  function lineAt(at: Point): ScribedLine | undefined {
    const near = NEAR_LINE_PX / view.scale;
    const on = (axis: 'x' | 'y'): ScribedLine | undefined => {
      const mm = lines[axis].find((line) => Math.abs(line - at[axis]) < near);
      return mm === undefined ? undefined : { axis, mm };
    };
    return on('x') ?? on('y');
  }
  const { drag, ...handlers } = usePlateHand({
    laid,
    box,
    looking,
    middle: { x: width / 2, y: height / 2 },
    selection,
    onSelect,
    onMove,
    onPlace,
    onRemove,
    onPointed: onLine && scribed !== '' ? (at) => onLine(lineAt(at)) : undefined,
  });
  return (
    <div ref={ref} className="dye relative w-full touch-none overflow-hidden" style={{ height }}>
      <svg width={width} height={height} aria-hidden className="absolute inset-0">
        <g transform={`translate(${view.x} ${view.y}) scale(${view.scale})`} strokeLinecap="round">
          <FaceOutline laid={laid} box={box} />
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
        {...handlers}
        onPointerLeave={() => onLine?.(undefined)}
      >
        <g transform={`translate(${view.x} ${view.y}) scale(${view.scale})`} strokeLinecap="round">
          <FaceMarks
            box={box}
            lit={lit}
            ghosts={ghosts}
            punched={punched}
            chosen={laid.holes.filter((h) => selection.has(h.featureId))}
            drag={drag}
          />
        </g>
        <FaceFigures
          laid={laid}
          box={box}
          lines={scribed === '' ? NO_LINES : lines}
          view={view}
          width={width}
          height={height}
          display={display}
          lit={lit}
        />
        <FaceSigns
          view={view}
          punched={punched}
          labels={labels}
          selection={selection}
          focus={focus}
          says={{
            top: unrolled ? 'The round face, drawn unrolled.' : undefined,
            bottom: drag && `moved ${drag.x.toFixed(2)}, ${drag.y.toFixed(2)} mm`,
          }}
          height={height}
        />
      </svg>
    </div>
  );
}
