import { answer, quantity, type Answer } from '../answer/answer';
import type { LoadFigures } from './tap-load';

/** A clutch that slips at this share of what the tap holds saves it. Trade rule. */
const OF_BREAKING = 0.6;
/** Over the torque, so that it does not slip in a sound hole. Our judgement. */
const OVER_TORQUE = 1.3;

/**
 * What to set the clutch of a tapping head to, Nm: over the torque needed, at most 0.6 of what the tap holds, and no less
 * than the head allows. Where it comes out under the torque no setting is safe.
 * @example clutchSetting({ torqueNm: 4.3, breakingNm: 18.2 }).value // 1.3 × 4.3 = 5.59
 */
export function clutchSetting({ torqueNm, breakingNm }: LoadFigures, head?: { fromNm: number }): Answer {
  const most = OF_BREAKING * breakingNm;
  const value = Math.min(most, Math.max(OVER_TORQUE * torqueNm, head?.fromNm ?? 0));
  return answer(value, 'Nm', {
    rule: 'Clutch of the tapping head',
    formula: '1.3 × torque, at most 0.6 × what the tap holds',
    inputs: [
      ['torque', quantity(torqueNm, 'Nm')],
      ['the tap holds at least about', quantity(breakingNm, 'Nm')],
    ],
    source: { kind: 'trade rule', name: 'the clutch slips before the tap breaks' },
  });
}
