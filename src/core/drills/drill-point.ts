import { answer, mm, quantity, type Answer } from '../answer/answer';

const rad = (deg: number): number => (deg * Math.PI) / 180;

/**
 * Depth in mm of a cone of this diameter: D/2 ÷ tan(angle/2). Point angle in degrees, above 0 and under 180.
 * @example coneDepth(10, 118) // 3.00
 */
export const coneDepth = (diameterMm: number, pointAngleDeg: number): number =>
  diameterMm / 2 / Math.tan(rad(pointAngleDeg) / 2);

/**
 * {@link coneDepth} of a drill's tip with its working.
 * @example drillTip(10, 135).value // 2.07
 */
export function drillTip(diameterMm: number, pointAngleDeg: number): Answer {
  return answer(coneDepth(diameterMm, pointAngleDeg), 'mm', {
    rule: "Length of the drill's tip",
    formula: 'diameter ÷ 2 ÷ tan(point angle ÷ 2)',
    inputs: [
      ['drill', mm(diameterMm)],
      ['point angle', quantity(pointAngleDeg, 'deg')],
    ],
    source: { kind: 'standard', name: 'geometry of the point, ASME B94.11M' },
    drawn: { kind: 'tip', diameterMm, pointAngleDeg },
  });
}

/**
 * Thickness of the web at the point, mm. Model: grows with the drill, thinner in proportion on small ones.
 * @example webThickness(10) // 0.305 + 0.125 × 10 = 1.555
 */
export const webThickness = (diameterMm: number): number =>
  diameterMm > 3 ? 0.305 + 0.125 * diameterMm : 0.15 + 0.177 * diameterMm;

/**
 * Width of the chisel edge, mm: the part that pushes and does not cut. Model.
 * @example chiselEdge(10) // 1.25 × 1.555 = 1.944
 */
export const chiselEdge = (diameterMm: number): number => 1.25 * webThickness(diameterMm);

/**
 * Diameter of chamfer that opens the first thread: major + 0.2 mm to 6 mm, + 0.4 above. Trade rule.
 * @example chamferDiameter(8) // 8.4
 */
export const chamferDiameter = (majorMm: number): number => majorMm + (majorMm <= 6 ? 0.2 : 0.4);

/**
 * How far a cone goes from touching the rim of a hole until it leaves this diameter, mm.
 * @example chamferDepth(8.5, 0, 90) // 4.25
 */
export const chamferDepth = (chamferMm: number, holeMm: number, angleDeg: number): number =>
  coneDepth(chamferMm - holeMm, angleDeg);
