import { mm, phrase, type Answer, type Phrase } from '../answer/answer';

/** Good: goes on. Bad: something has to be decided. Open: what was read does not settle it. */
export type VerdictState = 'good' | 'bad' | 'open';

/** What can be done about a hole that does not pass. */
export const CHOICES = {
  clean: { label: 'Clean, gauge again', means: 'Chips and burrs spoil a verdict: brush out, then gauge once more.' },
  redrill: { label: 'Redrill a size up, tap again', means: 'Less thread, still inside the class; the same screw.' },
  'drill-again': {
    label: 'Drill again, the next size up',
    means: 'The drill is worn, or was the wrong one: measure it first.',
  },
  'ream-again': {
    label: 'Ream again',
    means: 'A sharp reamer, slow, with fluid, out while it turns: never back.',
  },
  oversize: {
    label: 'Ream for an oversize pin',
    means: 'The next size of pin in both parts; say so on the drawing.',
  },
  bush: { label: 'Bore it and bush it', means: 'A bush pressed in, reamed to size in its place.' },
  chase: { label: 'Chase with a sharp tap', means: 'Takes off what a dull tap left; the minor diameter stays.' },
  'next-tap': {
    label: 'Next tap, deeper',
    means: 'Plug or bottoming tap by hand to the full length; count the turns.',
  },
  deepen: { label: 'Drill deeper, tap again', means: 'Only where the wall left behind allows it.' },
  larger: {
    label: 'Larger thread, or an insert',
    means: 'The mating screw changes, or the hole is opened for an insert: drawing and wall must allow it.',
  },
  open: { label: 'Open to the next clearance', means: 'The bolt finds its place; the head must still seat.' },
  'open-mate': {
    label: 'Open the clearance hole of the mating part',
    means: 'The bolt then finds this thread; its head must still seat.',
  },
  accept: { label: 'Accept as it is', means: 'Whoever answers for the drawing says so, and it is recorded.' },
  scrap: { label: 'Scrap the part', means: 'Its other holes are left; a spare piece takes its place.' },
} as const;
export type Choice = keyof typeof CHOICES;

/** Whether the hole is still to be gauged after a choice. */
export const isGaugedAgain = (choice: Choice): boolean => choice !== 'accept' && choice !== 'scrap';

/** What was gauged, judged: why, with its figures, and what can be done. */
export interface Verdict {
  state: VerdictState;
  reason: Phrase;
  /** Figures behind it, each with its working. */
  figures: { label: string; answer: Answer }[];
  /** None where it is good. */
  choices: Choice[];
}

export const good = (text: string, values?: Phrase['values'], figures: Verdict['figures'] = []): Verdict => ({
  state: 'good',
  reason: phrase(text, values),
  figures,
  choices: [],
});
export const bad = (
  choices: Choice[],
  text: string,
  values?: Phrase['values'],
  figures: Verdict['figures'] = [],
): Verdict => ({ state: 'bad', reason: phrase(text, values), figures, choices });

/** A reading this many times off what it is of is a slip of a unit or a point, not a hole. Our judgement. */
const SLIP = 3;
/** Asks again where a reading cannot be of this hole; undefined where it can. */
export const slipOf = (readMm: number, ofMm: number): Verdict | undefined =>
  readMm > SLIP * ofMm || readMm < ofMm / SLIP
    ? open('{read} is read where {of} belongs: a unit or a point is wrong. Read it again.', {
        read: mm(readMm),
        of: mm(ofMm),
      })
    : undefined;

export const open = (text: string, values?: Phrase['values'], figures: Verdict['figures'] = []): Verdict => ({
  state: 'open',
  reason: phrase(text, values),
  figures,
  choices: [],
});
