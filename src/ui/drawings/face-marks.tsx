import type { LaidHole } from '@/core/layout/lay-out';
import type { Point } from '@/core/layout/part';
import type { ScribedLine } from './face-figures';
import type { boxOf } from './face-outline';
import type { Camera } from './face-painter';
import type { useFaceLabels } from './use-face-labels';

/** A hole that a line as typed would lay out. */
export interface Ghost {
  at: Point;
  diameterMm: number;
}
/** A punch mark that was recorded. */
export interface PunchedMark {
  at: Point;
  isOff: boolean;
}

const MOST_SIGNS = 60;

const ring = (x: number, y: number, r: number): string =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;

/** A dot at each mark, as wide as the stroke at any zoom. */
const dots = (punched: readonly PunchedMark[], isOff: boolean): string =>
  punched.flatMap((p) => (p.isOff === isOff ? [`M${p.at.x} ${-p.at.y}h0`] : [])).join('');

interface MarksProps {
  box: ReturnType<typeof boxOf>;
  lit?: ScribedLine;
  ghosts: readonly Ghost[];
  punched: readonly PunchedMark[];
  chosen: readonly LaidHole[];
  /** The step by which what is chosen is being moved, mm. */
  drag?: Point;
}

/** What is marked on the face, in its own millimetres: the lit line, holes as typed, punch marks, what is chosen. */
export function FaceMarks({ box, lit, ghosts, punched, chosen, drag }: MarksProps) {
  const top = -(box.bottom + box.height);
  return (
    <>
      {lit && (
        <path
          d={lit.axis === 'x' ? `M${lit.mm} ${top}v${box.height}` : `M${box.left} ${-lit.mm}h${box.width}`}
          stroke="#f0cd80"
          strokeWidth="2.5"
          vectorEffect="non-scaling-stroke"
        />
      )}
      <path
        d={ghosts.map((g) => ring(g.at.x, -g.at.y, g.diameterMm / 2)).join('')}
        fill="none"
        stroke="#f0cd80"
        strokeWidth="2"
        strokeDasharray="4 3"
        vectorEffect="non-scaling-stroke"
      />
      <path d={dots(punched, false)} stroke="#f0cd80" strokeWidth="6" vectorEffect="non-scaling-stroke" />
      <path d={dots(punched, true)} stroke="#ff9aa2" strokeWidth="12" vectorEffect="non-scaling-stroke" />
      <g transform={drag && `translate(${drag.x} ${-drag.y})`}>
        <path
          d={chosen.map((h) => ring(h.onFace.x, -h.onFace.y, h.footprint.mouthMm / 2)).join('')}
          fill="#d3a23a"
          fillOpacity="0.3"
          stroke="#f0cd80"
          strokeWidth="2.5"
          vectorEffect="non-scaling-stroke"
        />
      </g>
    </>
  );
}

interface SignsProps {
  view: Camera;
  punched: readonly PunchedMark[];
  labels: ReturnType<typeof useFaceLabels>;
  selection: ReadonlySet<string>;
  focus?: Point;
  /** What stands in the corners. */
  says: { top?: string; bottom?: string };
  height: number;
}

/** What stands upright at any zoom: letters of features, signs at marks that are off, what is being done. */
export function FaceSigns({ view, punched, labels, selection, focus, says, height }: SignsProps) {
  return (
    <>
      {punched
        .filter((p) => p.isOff)
        .slice(0, MOST_SIGNS)
        .map(({ at }) => (
          <text
            key={`${at.x} ${at.y}`}
            x={view.x + at.x * view.scale}
            y={view.y - at.y * view.scale + 5}
            fill="#0a1432"
            fontSize="15"
            fontWeight="700"
            textAnchor="middle"
          >
            !
          </text>
        ))}
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
      {says.top && (
        <text x="12" y="22" fill="#d5def7" fontSize="15" className="font-cond">
          {says.top}
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
      {says.bottom && (
        <text x="12" y={height - 14} fill="#f0cd80" fontSize="17" className="font-cond">
          {says.bottom}
        </text>
      )}
    </>
  );
}
