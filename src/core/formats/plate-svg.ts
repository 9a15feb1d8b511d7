import { outlineCorners } from '../layout/outline';
import type { LaidFace } from '../layout/lay-out';

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] ?? c);
const n = (v: number): string => String(Math.round(v * 1e4) / 1e4);

/** A face at true size as SVG: outline, holes with their crosshairs, the letter of each feature. Units are mm. */
export function writePlateSvg(laid: LaidFace, labelOf: (featureId: string) => string): string {
  const { shape } = laid;
  const width = shape.kind === 'circle' ? shape.diameterMm : shape.widthMm;
  const height = shape.kind === 'circle' ? shape.diameterMm : shape.heightMm;
  const left = shape.kind === 'circle' ? -width / 2 : 0;
  const top = shape.kind === 'circle' ? -height / 2 : -height;
  const outline =
    shape.kind === 'circle'
      ? `<circle cx="0" cy="0" r="${n(width / 2)}"/>`
      : `<polygon points="${outlineCorners(shape)
          .map((p) => `${n(p.x)},${n(-p.y)}`)
          .join(' ')}"/>`;
  const holes = laid.holes.map(({ onFace: p, footprint: f, featureId }) => {
    const r = f.diameterMm / 2;
    const cross = r * 1.4;
    return `<g><title>${escaped(labelOf(featureId))}</title><circle cx="${n(p.x)}" cy="${n(-p.y)}" r="${n(r)}"/><path d="M${n(p.x - cross)} ${n(-p.y)}h${n(2 * cross)}M${n(p.x)} ${n(-p.y - cross)}v${n(2 * cross)}"/></g>`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="${n(left)} ${n(top)} ${n(width)} ${n(height)}">`,
    `<g fill="none" stroke="black" stroke-width="0.2">${outline}${holes.join('')}</g>`,
    '</svg>',
  ].join('\n');
}
