import type { LaidFace } from '@/core/layout/lay-out';
import { outlineCorners } from '@/core/layout/outline';
import { SIDES, type FaceShape, type Side } from '@/core/layout/part';
import type { Box } from './use-camera';

const WALL_LINE: Record<Side, (w: number, h: number) => string> = {
  left: (_, h) => `M0 0v${-h}`,
  right: (w, h) => `M${w} 0v${-h}`,
  bottom: (w) => `M0 0h${w}`,
  top: (w, h) => `M0 ${-h}h${w}`,
};

/** What of a face is drawn, mm. */
export const boxOf = (shape: FaceShape): Box =>
  shape.kind === 'circle'
    ? { left: -shape.diameterMm / 2, bottom: -shape.diameterMm / 2, width: shape.diameterMm, height: shape.diameterMm }
    : { left: 0, bottom: 0, width: shape.widthMm, height: shape.heightMm };

/** The dyed face with its walls and its datum edges, in mm with y down. */
export function FaceOutline({ laid: { shape, datum }, box }: { laid: Pick<LaidFace, 'shape' | 'datum'>; box: Box }) {
  const top = -(box.bottom + box.height);
  const datumX = datum.x === 'left' ? box.left : box.left + box.width;
  const datumY = datum.y === 'bottom' ? -box.bottom : top;
  return (
    <>
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
    </>
  );
}
