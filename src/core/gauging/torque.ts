import { phrase, quantity, type Phrase, torqueRead } from '../answer/answer';

/** Share of what a tap holds from which one stops; the clutch of a tapping head is set below it. Trade rule. */
export const STOP_SHARE = 0.6;

/**
 * What a torque wrench reads while tapping, against what the tap holds.
 * @param nowNm torque now, Nm
 * @param needed and breaking, of the load of this tap in this hole, Nm
 */
export function judgeTorque(nowNm: number, neededNm: number, breakingNm: number): { stop: boolean; said: Phrase } {
  const values = {
    now: torqueRead(nowNm),
    needed: quantity(neededNm, 'Nm'),
    breaking: quantity(breakingNm, 'Nm'),
  };
  if (nowNm > STOP_SHARE * breakingNm)
    return {
      stop: true,
      said: phrase('{now}: the tap breaks at about {breaking}. Back out, clear the chips, oil.', values),
    };
  return nowNm > 1.5 * neededNm
    ? {
        stop: false,
        said: phrase('{now}: more than the {needed} expected. Reverse more often, clear the chips.', values),
      }
    : { stop: false, said: phrase('{now}, as expected; the tap breaks at about {breaking}.', values) };
}
