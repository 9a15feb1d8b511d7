import { isTapered } from '../threads/thread';
import { thinWallMm } from './blind-depth';
import { handTap, machineTap, type Tap, type TapGeometry } from './tap';
import { tappingConditions, wallUnderTap, type TappingQuestion } from './tapping-question';
import { toothLoad, toothLoadLimit } from './tapping-torque';

const PIPE_TAP: Tap = { geometry: 'straight', chamferThreads: 2.5, flutes: 4, name: 'taper pipe tap' };

/** Flutes for a way of driving: hand taps where hands or a brittle metal want them, else by the hole. */
function geometryFor(q: TappingQuestion, underPower: boolean): TapGeometry {
  if (q.forming) return 'form';
  if (!underPower) return 'straight';
  const { chips, elongationPercent } = q.material;
  if (chips === 'powder' || (chips === 'short' && elongationPercent < 5)) return 'straight';
  return q.hole.through ? 'spiral-point' : 'spiral-flute';
}

/** Hand taps in order: the longest chamfer through; as few as the bottom room demands in a blind hole. */
function handSequence(q: TappingQuestion): Tap[] {
  const { firstTap, tapNames } = q.habits;
  const tap = (kind: 'taper' | 'plug' | 'bottoming'): Tap => handTap(kind, q.thread.majorMm, tapNames);
  if (q.hole.through) return [tap(firstTap === 'plug' ? 'plug' : 'taper')];
  const plug = tap('plug');
  const loaded = toothLoad(tappingConditions(q, plug, true)) > toothLoadLimit(q.material);
  const first = firstTap === 'taper' || (firstTap === 'by-hole' && loaded) ? [tap('taper')] : [];
  const wall = wallUnderTap(q, plug);
  const fits = wall === undefined || wall >= thinWallMm(q.thread.majorMm);
  return fits ? [...first, plug] : [...first, plug, tap('bottoming')];
}

/** The taps for a hole in the order used. `underPower`: a machine tap may be driven, by a spindle that reverses. */
export function tapSequence(q: TappingQuestion, underPower: boolean): Tap[] {
  if (isTapered(q.thread)) return [PIPE_TAP];
  const geometry = geometryFor(q, underPower);
  return geometry === 'straight' ? handSequence(q) : [machineTap(geometry, q.thread.majorMm, !q.hole.through)];
}
