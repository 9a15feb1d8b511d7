import { v7 as uuidv7 } from 'uuid';
import { BLANK_FORM } from '@/core/hole/form';
import { movePlace } from '@/core/layout/move-place';
import { toDatum, type Point } from '@/core/layout/part';
import type { Display } from '@/core/units/show';
import type { PlateState } from './use-plate';

interface Placing {
  /** Callout that a click places. */
  placing: string;
  machineId: string;
  display: Display;
}

/** What is done to features by hand on the face: moved, placed, copied, removed. */
export function usePlaceEdits(state: PlateState, { placing, machineId, display }: Placing) {
  const { plan, laid, face, selection, edit } = state;
  /** A step on the face, in the signs of the datum. */
  function move(ids: ReadonlySet<string>, step: Point): void {
    const round = laid.shape.kind === 'circle';
    const by = {
      x: round || laid.datum.x === 'left' ? step.x : -step.x,
      y: round || laid.datum.y === 'bottom' ? step.y : -step.y,
    };
    edit((p) => ({
      ...p,
      holes: p.holes.map((h) => (ids.has(h.id) && h.place ? { ...h, place: movePlace(h.place, by) } : h)),
    }));
  }
  function addAt(at: Point): void {
    const place = toDatum(at, laid.shape, laid.datum);
    const half = (v: number): number => Math.round(v * 2) / 2;
    const id = uuidv7();
    edit((p) => ({
      ...p,
      holes: [
        ...p.holes,
        {
          id,
          name: '',
          face,
          place: { kind: 'point', x: half(place.x), y: half(place.y) },
          question: { ...BLANK_FORM, callout: placing, machine: machineId, units: display },
        },
      ],
    }));
    state.setSelection(new Set([id]));
  }
  function copy(kind: 'mirror' | 'offset'): void {
    const middle = laid.shape.kind === 'circle' ? 0 : laid.shape.widthMm / 2;
    const copies = plan.holes
      .filter((h) => selection.has(h.id))
      .map((h) => ({
        ...h,
        id: uuidv7(),
        name: '',
        place:
          kind === 'mirror' ? { kind, of: h.id, axis: 'x' as const, at: middle } : { kind, of: h.id, dx: 20, dy: 0 },
      }));
    edit((p) => ({ ...p, holes: [...p.holes, ...copies] }));
    state.setSelection(new Set(copies.map((h) => h.id)));
  }

  const remove = (ids: ReadonlySet<string>): void =>
    edit((p) => ({ ...p, holes: p.holes.filter((h) => !ids.has(h.id)) }));
  return { move, addAt, copy, remove };
}
