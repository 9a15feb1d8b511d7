import { composed, mm, type Phrase } from '../answer/answer';
import type { OutsideThread } from './outside-thread';

/** What is seen or felt at a die. */
export const DIE_SIGNS = {
  'die-no-start': 'It does not bite',
  'die-crooked': 'It runs on crooked',
  'die-heavy': 'It turns hard',
  'die-torn': 'Torn or ragged threads',
  'die-tight': 'Too tight in its hole',
  'die-loose': 'Shakes in its hole',
} as const;
export type DieSign = keyof typeof DIE_SIGNS;

const CAUSES = {
  'no-chamfer': {
    ask: 'Is the end square, without a chamfer to {chamfer}?',
    says: 'The die finds no start.',
    remedy: 'Chamfer the end at 45° to {chamfer}, then start again.',
  },
  'wrong-side': {
    ask: 'Does the side with the short lead face the rod?',
    says: 'The die stands the wrong way round.',
    remedy: 'Turn it: the longer lead, the side with the size, to the rod.',
  },
  'blank-small': {
    ask: 'Does the rod measure under {blank}?',
    says: 'The rod is too thin: the thread stays shallow.',
    remedy: 'Take rod of {blank}; what is cut too thin is not saved by closing the die.',
  },
  'blank-large': {
    ask: 'Does the rod measure over {blank}?',
    says: 'The rod is too thick: the die swallows more than it can cut.',
    remedy: 'Turn it to {blank}, a shade under nominal.',
  },
  lean: {
    ask: 'Are the first threads deeper on one side?',
    says: 'The die started out of square.',
    remedy: 'Saw off the trial, chamfer, start again against the tailstock face or in a guide.',
  },
  closed: {
    ask: 'Was the die closed for a full cut at once?',
    says: 'It takes too much in one pass.',
    remedy: 'Open it, run over once, then close a sixth of a turn at a time.',
  },
  packed: {
    ask: 'Are its holes full of chips?',
    says: 'Chips pack behind the edges.',
    remedy: 'Back off a full turn, brush it clean, oil; then half a turn on, a quarter back.',
  },
  dry: {
    ask: 'Is it dry?',
    says: 'Dry: metal sticks to the edges and tears the thread.',
    remedy: 'Plenty of {fluid}.',
  },
  dull: {
    ask: 'Are its edges rounded against the light?',
    says: 'Dull die.',
    remedy: 'A sharp die: a dull one pushes the crest up.',
  },
  burr: {
    ask: 'Is there a burr at the end, or a chip in the hole?',
    says: 'A burr or a chip holds it, not the size.',
    remedy: 'Brush both, break the burr, try again before closing the die.',
  },
  open: {
    ask: 'Did the die run over it only once?',
    says: 'The die still stands open.',
    remedy: 'Close it a sixth of a turn, run over again, try it.',
  },
  'too-closed': {
    ask: 'Was the die closed more than once since the last try?',
    says: 'The die was closed too far.',
    remedy: 'This thread is spent. Open the die, cut a trial on fresh rod, try it after every sixth of a turn.',
  },
} as const;
export type DieCauseId = keyof typeof CAUSES;
export const DIE_CAUSE_IDS = Object.keys(CAUSES) as [DieCauseId, ...DieCauseId[]];

const BEHIND: Record<DieSign, readonly DieCauseId[]> = {
  'die-no-start': ['no-chamfer', 'wrong-side', 'blank-small'],
  'die-crooked': ['lean', 'no-chamfer'],
  'die-heavy': ['blank-large', 'packed', 'closed', 'dry', 'dull'],
  'die-torn': ['closed', 'dry', 'blank-large', 'dull'],
  'die-tight': ['burr', 'open', 'blank-large'],
  'die-loose': ['too-closed', 'blank-small', 'lean'],
};

/** One likely cause at a die: a question that a look answers, and what to do. */
export interface DieCause {
  id: DieCauseId;
  ask: Phrase;
  cause: Phrase;
  remedy: Phrase;
}

/** What likely causes a sign at a die, most likely first, with the figures of this thread. Order by our judgement. */
export function dieCausesOf(sign: DieSign, { blank, chamfer }: OutsideThread, fluid: string): DieCause[] {
  const values = { blank: mm(blank.value), chamfer: mm(chamfer.value), fluid };
  return BEHIND[sign].map((id) => {
    const { ask, says, remedy } = CAUSES[id];
    return { id, ask: composed(ask, values), cause: composed(says, values), remedy: composed(remedy, values) };
  });
}
