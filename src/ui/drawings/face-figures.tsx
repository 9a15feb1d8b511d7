import { toDatum, type FaceShape, type Datum } from '@/core/layout/part';
import { trimmed, type Display } from '@/core/units/show';
import { spreadLabels } from './spread-labels';
import type { Camera } from './face-painter';
import type { Box } from './use-camera';

/** A line across the face: where it cuts the axis, mm from the lower left corner or the centre. */
export interface ScribedLine {
  axis: 'x' | 'y';
  mm: number;
}

/** More lines than this are read from the list, not from the face. */
const MOST_FIGURES = 40;
const GAP_PX = 15;
/** Room that a figure takes beside the face, px. */
const ROOM_PX = 44;
const OFF_PX = 14;

interface Props {
  laid: { shape: FaceShape; datum: Datum };
  box: Box;
  /** Where they cut the axes, mm on the face. */
  lines: { x: readonly number[]; y: readonly number[] };
  view: Camera;
  width: number;
  height: number;
  display: Display;
  lit?: ScribedLine;
}

/** The distance of every scribed line from its datum edge, at its end there; they stay in sight when the face is zoomed. */
export function FaceFigures({ laid: { shape, datum }, box, lines, view, width, height, display, lit }: Props) {
  const text = (mm: number): string => (display === 'inch' ? trimmed(mm / 25.4, 3) : trimmed(mm, 2));
  const onLeft = shape.kind === 'circle' || datum.x === 'left';
  const below = shape.kind === 'circle' || datum.y === 'bottom';
  const across = view.x + (onLeft ? box.left : box.left + box.width) * view.scale;
  const up = view.y - (below ? box.bottom : box.bottom + box.height) * view.scale;
  const x = onLeft ? Math.max(ROOM_PX, across - OFF_PX) : Math.min(width - ROOM_PX, across + OFF_PX);
  const y = below ? Math.min(height - ROOM_PX, up + OFF_PX) : Math.max(ROOM_PX, up - OFF_PX);
  const seen = (axis: 'x' | 'y', most: number): { mm: number; px: number }[] => {
    const all = lines[axis].map((mm) => ({
      mm,
      px: axis === 'x' ? view.x + mm * view.scale : view.y - mm * view.scale,
    }));
    const shown = all.filter(({ px }) => px >= 0 && px <= most).sort((a, b) => a.px - b.px);
    return shown.length > MOST_FIGURES || shown.length * GAP_PX > most ? [] : shown;
  };
  const rows = seen('y', height);
  const columns = seen('x', width);
  const rowsAt = spreadLabels(
    rows.map((r) => r.px),
    GAP_PX,
    GAP_PX,
    height - GAP_PX,
  );
  const columnsAt = spreadLabels(
    columns.map((c) => c.px),
    GAP_PX,
    GAP_PX,
    width - GAP_PX,
  );
  const colour = (axis: 'x' | 'y', mm: number): string =>
    lit?.axis === axis && Math.abs(lit.mm - mm) < 1e-6 ? '#f0cd80' : '#d5def7';
  const side = onLeft ? -1 : 1;
  const down = below ? 1 : -1;
  return (
    <g aria-hidden fontSize="14" className="font-cond select-none" stroke="none">
      {rows.length + columns.length > 0 && (
        <text x={x} y={y + down * OFF_PX} textAnchor={onLeft ? 'end' : 'start'} fill="#d5def7">
          {display === 'inch' ? 'in' : 'mm'}
        </text>
      )}
      {rows.map(({ mm, px }, i) => (
        <g key={`y${mm}`} fill={colour('y', mm)}>
          <path
            d={`M${x - side * OFF_PX * 0.9} ${px}L${x - side * 2} ${rowsAt[i]}`}
            stroke={colour('y', mm)}
            strokeWidth="0.8"
          />
          <text x={x} y={rowsAt[i] + 5} textAnchor={onLeft ? 'end' : 'start'}>
            {text(toDatum({ x: 0, y: mm }, shape, datum).y)}
          </text>
        </g>
      ))}
      {columns.map(({ mm, px }, i) => (
        <g key={`x${mm}`} fill={colour('x', mm)}>
          <path
            d={`M${px} ${y - down * OFF_PX * 0.9}L${columnsAt[i]} ${y - down * 2}`}
            stroke={colour('x', mm)}
            strokeWidth="0.8"
          />
          <text transform={`translate(${columnsAt[i] + 5} ${y}) rotate(-90)`} textAnchor={below ? 'end' : 'start'}>
            {text(toDatum({ x: mm, y: 0 }, shape, datum).x)}
          </text>
        </g>
      ))}
    </g>
  );
}
