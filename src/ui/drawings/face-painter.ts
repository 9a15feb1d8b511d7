import type { LaidFace } from '@/core/layout/lay-out';

/** Where a face lies on the screen: pixels a millimetre, and where its origin is. */
export interface Camera {
  scale: number;
  x: number;
  y: number;
}

/** What is drawn of a face, mm, y downwards. */
export interface FacePaths {
  lines: Path2D;
  mouths: Path2D;
  holes: Path2D;
  marks: Path2D;
  faults: Path2D;
}

function ring(path: Path2D, x: number, y: number, r: number): void {
  path.moveTo(x + r, y);
  path.arc(x, y, r, 0, 2 * Math.PI);
}

/** The holes of a face as paths: made once a change, drawn at any zoom. */
export function facePaths(laid: LaidFace, lines: string): FacePaths {
  const [mouths, holes, marks, faults] = [new Path2D(), new Path2D(), new Path2D(), new Path2D()];
  laid.holes.forEach(({ onFace: p, footprint: f, impossible }, i) => {
    ring(holes, p.x, -p.y, f.diameterMm / 2);
    if (f.mouthMm > f.diameterMm) ring(mouths, p.x, -p.y, f.mouthMm / 2);
    const c = f.diameterMm * 0.72;
    marks.moveTo(p.x - c, -p.y);
    marks.lineTo(p.x + c, -p.y);
    marks.moveTo(p.x, -p.y - c);
    marks.lineTo(p.x, -p.y + c);
    if (laid.faults.faulty.has(i)) ring(faults, p.x, -p.y, f.mouthMm * 0.8);
    if (impossible) {
      const r = f.mouthMm * 0.9;
      faults.moveTo(p.x - r, -p.y - r);
      faults.lineTo(p.x + r, -p.y + r);
      faults.moveTo(p.x - r, -p.y + r);
      faults.lineTo(p.x + r, -p.y - r);
    }
  });
  return { lines: new Path2D(lines), mouths, holes, marks, faults };
}

/** Draws holes and lines through a camera; strokes keep their width at any zoom. */
export function paintFace(ctx: CanvasRenderingContext2D, paths: FacePaths, view: Camera, ratio: number): void {
  ctx.setTransform(1, 0, 0, 1, 0, 0);
  ctx.clearRect(0, 0, ctx.canvas.width, ctx.canvas.height);
  ctx.setTransform(view.scale * ratio, 0, 0, view.scale * ratio, view.x * ratio, view.y * ratio);
  const px = 1 / view.scale;
  const stroke = (path: Path2D, style: string, width: number): void => {
    ctx.strokeStyle = style;
    ctx.lineWidth = width * px;
    ctx.stroke(path);
  };
  stroke(paths.lines, 'rgba(185, 200, 239, 0.45)', 0.8);
  stroke(paths.mouths, '#eef2ff', 1);
  ctx.fillStyle = '#0a1432';
  ctx.fill(paths.holes);
  stroke(paths.holes, '#eef2ff', 1.4);
  stroke(paths.marks, '#eef2ff', 0.9);
  ctx.setLineDash([5 * px, 4 * px]);
  stroke(paths.faults, '#ff9aa2', 2);
  ctx.setLineDash([]);
}
