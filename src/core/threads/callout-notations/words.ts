import { insertFor } from '../standards/insert';
import { sticky, type CalloutCursor } from '../callout-cursor';

export const SPACE = sticky(String.raw`[\s,;]+`);
const COUNT = sticky(
  String.raw`\(?(\d{1,5})\)?\s*(?:x\s*(?=[a-z#ø.(]|\d+[\s-]?ba|\d+\/|\d+\s*-\s*\d)|-\s*(?=m\s*\d)|(?:off|pl(?:aces?|cs)?|holes?)\b\s*(?:[-:]\s*)?)`,
);
const BRACKETED_COUNT = sticky(String.raw`\((\d{1,5})\)(?=\s*\S)`);
const TRAILING_COUNT = sticky(
  String.raw`(?:[x(]\s*)?(\d{1,5})\s*(?:x(?![\d.]|\s*[\d.])|(?:off|places?|plcs?|pl|holes?)\b)\)?`,
);
const LEFT_HAND = sticky(String.raw`-?\s*(?:lh|left[\s-]?hand)\b`);
const RIGHT_HAND = sticky(String.raw`-?\s*(?:rh|right[\s-]?hand)\b`);
const STUD_END = sticky(String.raw`(?:stud|inner)\s+end\b`);
const OUTSIDE = sticky(String.raw`(?:outside|external|ext|male|rod|stud)\b`);
const INSERT = sticky(String.raw`-?\s*(?:for\s+)?(?:helical\s+|wire\s+|coil\s+|thread\s+)*(?:sti|inserts?)\b`);
const NOISE = sticky(
  String.raw`(?:tap(?:ped)?|threads?|thds?|and|typ(?:ical)?|drill(?:ed)?|min(?:imum)?|full|hole|equally\s+spaced|eq\.?\s*sp\.?|int(?:ernal)?|on)\b|[-x](?!\s*[\d.])|[()&]`,
);

/** `4x`, `(4)`, `4 holes` before everything else. */
export function readLeadingCount(c: CalloutCursor): void {
  const count = c.take(COUNT) ?? c.take(BRACKETED_COUNT);
  if (count) c.setCount(Number(count[1]));
}

/** Hand of the thread, inside or outside, a count that comes last, and words that say nothing of the hole. */
export function readWord(c: CalloutCursor): boolean {
  const feature = c.last();
  if (feature?.kind === 'thread' && c.take(LEFT_HAND)) {
    feature.leftHand = true;
    c.note('Left-hand thread: it needs a left-hand tap, turned the other way.');
    return true;
  }
  if (feature?.kind === 'thread') {
    const insert = insertFor(feature.thread);
    if (insert && c.take(INSERT)) {
      feature.thread = insert;
      delete feature.className;
      c.note('Hole for a wire insert: its own tap, {tap}, and the drill for that.', { tap: insert.designation });
      return true;
    }
    if (c.take(STUD_END)) feature.outside = 'stud';
    else if (c.take(OUTSIDE)) feature.outside = 'rod';
    else return readRest(c);
    return true;
  }
  return readRest(c);
}

function readRest(c: CalloutCursor): boolean {
  const count = c.callout.count === 1 ? c.take(TRAILING_COUNT) : undefined;
  if (count) {
    c.setCount(Number(count[1]));
    return true;
  }
  return c.take(RIGHT_HAND) !== undefined || c.take(NOISE) !== undefined;
}
