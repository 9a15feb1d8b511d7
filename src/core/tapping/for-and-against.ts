import { phrase, type Phrase } from '../answer/answer';
import { roleOf, type TapRole, type TapToUse } from './tap';
import type { Thread } from '../threads/thread';

/** What speaks for a tap and against it, in a sentence each. Trade rules. */
const SAID: Record<TapRole, readonly [forIt: string, against: string]> = {
  taper: [
    'eight teeth share the cut, and it starts straight',
    'its chamfer has to run out behind, and leaves a blind hole unfinished',
  ],
  plug: ['starts well and reaches nearly to the bottom', 'fewer teeth share the cut, and its chamfer needs room'],
  bottoming: ['threads nearly to the bottom', 'two teeth take it all: never to start with in tough metal'],
  'ground-bottoming': ['threads to within a pitch and a half of the bottom', 'to buy, and it only finishes'],
  'spiral-point': ['throws the chips ahead, strong, no turning back', 'in a blind hole the chips need room below'],
  'spiral-flute': ['draws the chips out and reaches the bottom', 'a weaker core: risky in hard metal and deep holes'],
  form: ['no chips, a much stronger tap, several times the life', 'needs its own larger hole, good fluid, more torque'],
  pipe: ['made for the tapered thread', 'stops by the gauge, not at a depth'],
  rougher: ['takes the heavy part of the cut', 'leaves no finished thread'],
  intermediate: ['takes the second share', 'leaves no finished thread'],
  finisher: ['leaves a clean thread to size', 'breaks if it has to rough'],
};

/** For and against a sequence of taps, by its first and last. */
export function forAndAgainst(taps: readonly TapToUse[], thread: Thread): Phrase {
  const [first, last] = [taps[0], taps[taps.length - 1]].map((tap) => roleOf(tap, thread));
  const [forIt] = SAID[first];
  const [, against] = SAID[last];
  const toBuy = taps.filter((t) => !t.owned).map((t) => t.name);
  return phrase(
    `For: {for}. Against: {against}${taps.length > 1 ? ', and a change of taps' : ''}.${toBuy.length > 0 ? ' To buy: {buy}.' : ''}`,
    { for: forIt, against, buy: toBuy.join(', ') },
  );
}
