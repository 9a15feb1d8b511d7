import { answer, quantity, secondsIn, type Answer, type Quantity } from '../answer/answer';
import type { Machine } from '../cutting/machine';
import type { Cut, CutFamily } from './operation';

/** Fed by hand a cut takes this much longer than at an even feed. Our judgement. */
const HAND_FEED = 1.5;
/** To bring a tool down until it touches, and back, s. Our judgement; a tailstock is cranked. */
const USUAL_S = { touch: 3, back: 1.5 } as const;
const LATHE_S = { touch: 5, back: 4 } as const;
/** To hold back where a drill comes through, s. Our judgement. */
const EASE_S = 1;
/** A counterbore is cleared and looked at, s. Our judgement. */
const LOOK_S: Partial<Record<CutFamily, number>> = { counterbore: 5 };

/** Seconds to touch with a tool and to bring it back, as timed in this shop or as usual. */
export function touching(machine: Machine | undefined): { touchS: number; backS: number } {
  const usual = machine?.kind === 'lathe' ? LATHE_S : USUAL_S;
  return { touchS: machine?.times?.touchS ?? usual.touch, backS: machine?.times?.backS ?? usual.back };
}

/**
 * Time of one cutting operation on one hole as a person takes it, s: the cut fed by hand (a reamer comes out turning, so
 * twice), withdrawals, touching, holding back where a drill comes through, looking, and coming back.
 * So an 8.5 drill that cuts 2.9 s, blind, in a drill press takes 2.9 × 1.5 + 3 + 1.5 = 8.9 s.
 */
export function handledTime(cuttingS: number, cut: Cut, machine: Machine | undefined): Answer {
  const { family, through } = cut.spec;
  const { touchS, backS } = touching(machine);
  const ways = family === 'ream' ? 2 : 1;
  const ease = through && family === 'drill' ? EASE_S : 0;
  const look = LOOK_S[family] ?? 0;
  const more: [string, Quantity][] = [
    ...(ways > 1 ? [['in and out, turning', quantity(ways, 'count')] as [string, Quantity]] : []),
    ...(ease > 0 ? [['to hold back where it comes through', secondsIn(ease)] as [string, Quantity]] : []),
    ...(look > 0 ? [['to clear and look', secondsIn(look)] as [string, Quantity]] : []),
  ];
  return answer(HAND_FEED * ways * cuttingS + touchS + backS + ease + look, 's', {
    rule: 'Time of the operation',
    formula: 'time in the cut × hand feed + touch + back, and what else it takes',
    inputs: [
      ['time in the cut', secondsIn(cuttingS)],
      ['fed by hand', quantity(HAND_FEED, 'ratio')],
      ['down to touch', secondsIn(touchS)],
      ['back', secondsIn(backS)],
      ...more,
    ],
    source: { kind: 'model', name: 'our judgement, until the shop’s own times are logged' },
  });
}
