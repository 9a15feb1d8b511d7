import { answer, mm, quantity, type Answer } from '../answer/answer';

export interface Point3 {
  x: number;
  y: number;
  z: number;
}

/** The axis of a bore: from where it starts to where it ends. */
export interface Axis {
  from: Point3;
  to: Point3;
}

const minus = (a: Point3, b: Point3): Point3 => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
const dot = (a: Point3, b: Point3): number => a.x * b.x + a.y * b.y + a.z * b.z;
const clamp = (t: number): number => Math.min(1, Math.max(0, t));

/**
 * How far to tilt the work for a hole that goes `acrossMm` sideways in `downMm` of depth, degrees.
 * @example tilt(10, 24).value // 22.62
 */
export function tilt(acrossMm: number, downMm: number): Answer {
  return answer((Math.atan2(Math.abs(acrossMm), downMm) * 180) / Math.PI, 'deg', {
    rule: 'Tilt of an angled hole',
    formula: 'arctan(across ÷ down)',
    inputs: [
      ['across', mm(Math.abs(acrossMm))],
      ['down', mm(downMm)],
    ],
    source: { kind: 'standard', name: 'geometry' },
  });
}

/**
 * Length of an angled hole from entry to exit, mm.
 * @example angledLength(10, 24).value // 26.0
 */
export function angledLength(acrossMm: number, downMm: number): Answer {
  return answer(Math.hypot(acrossMm, downMm), 'mm', {
    rule: 'Length of an angled hole',
    formula: '√(across² + down²)',
    inputs: [
      ['across', mm(Math.abs(acrossMm))],
      ['down', mm(downMm)],
    ],
    source: { kind: 'standard', name: 'geometry' },
  });
}

/**
 * Where a hole of this tilt comes out: how far across after `downMm`, mm. Tilt in degrees, under 90.
 * @example acrossFor(22.62, 24) // 10.0
 */
export const acrossFor = (tiltDeg: number, downMm: number): number => downMm * Math.tan((tiltDeg * Math.PI) / 180);

/** Least distance between two axes as lengths, not endless lines, mm. */
export function axisDistance(a: Axis, b: Axis): number {
  const d1 = minus(a.to, a.from);
  const d2 = minus(b.to, b.from);
  const r = minus(a.from, b.from);
  const a2 = dot(d1, d1);
  const b2 = dot(d2, d2);
  const f = dot(d2, r);
  const c = dot(d1, r);
  const m = dot(d1, d2);
  const denominator = a2 * b2 - m * m;
  const onA = (t: number): number => (a2 === 0 ? 0 : clamp((m * t - c) / a2));
  let s = a2 === 0 || b2 === 0 || denominator < 1e-12 ? onA(0) : clamp((m * f - c * b2) / denominator);
  let t = b2 === 0 ? 0 : (m * s + f) / b2;
  if (t < 0 || t > 1) {
    t = clamp(t);
    s = onA(t);
  }
  const gap = {
    x: r.x + d1.x * s - d2.x * t,
    y: r.y + d1.y * s - d2.y * t,
    z: r.z + d1.z * s - d2.z * t,
  };
  return Math.sqrt(dot(gap, gap));
}

/** Metal left between two bores, mm; below zero they cut into each other. */
export function wallBetween(a: Axis, aDiameterMm: number, b: Axis, bDiameterMm: number): Answer {
  const apart = axisDistance(a, b);
  return answer(apart - (aDiameterMm + bDiameterMm) / 2, 'mm', {
    rule: 'Wall between two bores',
    formula: 'distance of the axes − both radii',
    inputs: [
      ['distance of the axes', quantity(apart, 'mm')],
      ['one bore', mm(aDiameterMm)],
      ['the other', mm(bDiameterMm)],
    ],
    source: { kind: 'standard', name: 'geometry' },
  });
}
