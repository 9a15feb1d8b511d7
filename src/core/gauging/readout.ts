/** A two-axis readout: what the scales say, and what the display counts from. */
export interface Readout {
  scale: { x: number; y: number };
  zero: { x: number; y: number };
}
export type Axis = 'x' | 'y';

export const NEW_READOUT: Readout = { scale: { x: 0, y: 0 }, zero: { x: 0, y: 0 } };

/** What an axis displays, mm. */
export const shownAt = ({ scale, zero }: Readout, axis: Axis): number => scale[axis] - zero[axis];

/** Sets what an axis displays to a value, mm: zero with 0. */
export const preset = (r: Readout, axis: Axis, toMm: number): Readout => ({
  ...r,
  zero: { ...r.zero, [axis]: r.scale[axis] - toMm },
});

/** Halves what an axis displays: zero at one edge, half at the other, and the middle is at zero. */
export const half = (r: Readout, axis: Axis): Readout => preset(r, axis, shownAt(r, axis) / 2);

/** The table moved along an axis, mm. */
export const move = (r: Readout, axis: Axis, byMm: number): Readout => ({
  ...r,
  scale: { ...r.scale, [axis]: r.scale[axis] + byMm },
});
