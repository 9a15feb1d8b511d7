import type { CheckKind, CheckSetting } from '../gauging/checks-of';
import type { TrueHole } from './draw-hole';

/** Pins go up by this, mm. */
const PIN_STEP_MM = 0.01;

/**
 * What a true hole would be read as by a check, without an error of reading, in the figures that its judge takes: size,
 * minor diameter by pins, and position.
 * @returns undefined for a check that nothing was drawn for
 */
export function readingsOf(
  kind: CheckKind,
  hole: TrueHole,
  { drawn }: Pick<CheckSetting, 'drawn'>,
): Record<string, number> | undefined {
  if (kind === 'size') return { size: hole.holeMm };
  if (kind === 'minor') {
    const inMm = Math.floor(hole.minorMm / PIN_STEP_MM) * PIN_STEP_MM;
    return { in: inMm, out: inMm + PIN_STEP_MM };
  }
  return kind === 'position' && drawn ? { x: drawn.x + hole.off.x, y: drawn.y + hole.off.y } : undefined;
}
