import { caution, mm, type Caution } from '../answer/answer';
import type { TapToUse } from './tap';
import type { TappingQuestion } from './tapping-question';
import { WAY_FACTS, type WayId } from './ways';

/** What holds a shank that the chuck does not take: one of the crib, or one to get. */
export interface Holder {
  shankMm: number;
  chuckMm: number;
  /** Undefined where the crib has none. */
  name?: string;
}

/** The holder that a way needs for these taps; undefined where the chuck takes them, or nothing is held in it. */
export function holderOf(id: WayId, { machine, aids }: TappingQuestion, taps: readonly TapToUse[]): Holder | undefined {
  const shankMm = Math.max(...taps.map((t) => t.shankMm));
  if (!WAY_FACTS[id].inChuck || !machine || shankMm <= machine.chuckMm + 0.01) return undefined;
  const own = aids?.holders.find((h) => h.fromMm <= shankMm + 0.01 && shankMm <= h.toMm + 0.01);
  return { shankMm, chuckMm: machine.chuckMm, ...(own ? { name: own.name } : {}) };
}

/** That the holder does not slip, and where it is. */
export function holderCaution({ shankMm, chuckMm, name }: Holder): Caution {
  const values = { shank: mm(shankMm), chuck: mm(chuckMm), name: name ?? '' };
  return name === undefined
    ? caution(
        'note',
        'holder-to-buy',
        'Its shank of {shank} is over the {chuck} of the chuck: to buy, a collet or an end-mill holder, or turn a bushing for it. It does not slip: switch off early.',
        values,
      )
    : caution(
        'note',
        'holder',
        'Its shank of {shank} is over the {chuck} of the chuck: {name}. It does not slip: switch off early.',
        values,
      );
}
