import { mm, phrase, type Phrase } from '../answer/answer';
import type { Machine } from '../cutting/machine';
import { CLEARANCE_HOLES, rowFor, SOCKET_HEADS } from '../layout/heads.table';
import { findMaterials } from '../materials/find-material';
import type { Material } from '../materials/material';
import { readCallout } from '../threads/read-callout';
import { trimmed } from '../units/show';

/** What was said over a bench, as a question: `tap 10-32 in brass`, `M6 clearance`, `ream 10 on the mill`. */
export interface SpokenQuestion {
  /** As a drawing writes it. */
  callout: string;
  /** Undefined where none was named. */
  material?: Material;
  machine?: Machine;
  /** Sizes that were chosen for what was said, each by name. */
  chosen: Phrase[];
}

interface Shop {
  materials: readonly Material[];
  machines: readonly Machine[];
}

interface Said {
  callout: string;
  chosen: Phrase[];
}

const COUNTS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
const SIZE = String.raw`(\d+(?:\.\d+)?|\.\d+|\d+\/\d+|\d+-\d+\/\d+)`;
const UNIT = String.raw`\s*(mm|in|inch|"|thou)?`;

/** The thread that a text names, with its major diameter; undefined where it names none. */
function threadIn(text: string): { major: number; name: string } | undefined {
  const read = readCallout(text);
  if (!read.ok) return undefined;
  const [feature] = read.value.features;
  return feature?.kind === 'thread' ? { major: feature.thread.majorMm, name: text } : undefined;
}

const inMm = (value: number): string => `${trimmed(value, 3)} mm`;

/** Clearance for a bolt, and its head where one is sunk. */
function boltHole(thread: string, how: string, head: string): Said | undefined {
  const named = threadIn(thread);
  if (!named) return undefined;
  const row = rowFor(CLEARANCE_HOLES, named.major);
  if (!row) return undefined;
  const fit = how === 'close' ? 'close' : how === 'loose' ? 'loose' : 'normal';
  const holeMm = row[{ close: 1, normal: 2, loose: 3 }[fit] as 1 | 2 | 3];
  const chosen = [phrase('Clearance for {bolt}, {fit}: {hole}.', { bolt: named.name, fit, hole: mm(holeMm) })];
  const hole = `ø${inMm(holeMm)} THRU`;
  if (head === '') return { callout: hole, chosen };
  if (/s[iu]nk|csk/.test(head)) {
    const mouth = COUNTERSUNK_HEAD * named.major;
    return {
      callout: `${hole} CSK ø${inMm(mouth)} X 90°`,
      chosen: [...chosen, phrase('Countersunk head: {mouth}, 90°, as wide as twice the bolt.', { mouth: mm(mouth) })],
    };
  }
  const socket = rowFor(SOCKET_HEADS, named.major);
  if (!socket) return undefined;
  const [, , heightMm, boreMm] = socket;
  const deep = heightMm + (named.major <= 6 ? 0.3 : 0.6);
  return {
    callout: `${hole} CBORE ø${inMm(boreMm)} X ${inMm(deep)}`,
    chosen: [
      ...chosen,
      phrase('Counterbore for a socket head: {bore}, {deep} deep.', { bore: mm(boreMm), deep: mm(deep) }),
    ],
  };
}
/** A countersunk head is about this many bolt diameters wide. Trade rule. */
const COUNTERSUNK_HEAD = 2;

type Rule = [pattern: RegExp, read: (m: RegExpExecArray) => Said | undefined];
const plain = (callout: string, ...chosen: Phrase[]): Said => ({ callout, chosen });
const sized = (size: string, unit: string | undefined): string =>
  `ø${size.startsWith('.') ? `0${size}` : size}${unit ? ` ${unit === 'mm' ? 'mm' : 'in'}` : ''}`;
const REAMED = 'Reamed to H7.';

/** How people say holes; tried in this order on what is left when metal and machine are taken out. */
const RULES: readonly Rule[] = [
  [
    new RegExp(
      `^(?:${SIZE}${UNIT}\\s+)?dowels?(?:\\s+(?:pins?|holes?))?(?:\\s+${SIZE}${UNIT})?(?:\\s+(?:holes?|pins?))?(\\s+.*(?:match|mate).*)?$`,
    ),
    ([, before, unitBefore, after, unitAfter, matched]) => {
      const size = before ?? after;
      if (!size) return undefined;
      const said = [phrase('For a dowel: reamed to H7, through.')];
      if (matched) said.push(phrase('Matched: drilled and reamed together with the mate.'));
      return plain(`${sized(size, unitBefore ?? unitAfter)} H7 REAM THRU`, ...said);
    },
  ],
  [
    new RegExp(`^(?:ream|reamed|reamed hole|reamer)\\s+(?:hole\\s+)?${SIZE}${UNIT}(.*)$`),
    ([, size, unit, rest]) => plain(`${sized(size, unit)} H7 REAM ${rest.trim()}`.trim(), phrase(REAMED)),
  ],
  [
    new RegExp(`^${SIZE}${UNIT}\\s+ream(?:ed)?(?:\\s+hole)?(.*)$`),
    ([, size, unit, rest]) => plain(`${sized(size, unit)} H7 REAM ${rest.trim()}`.trim(), phrase(REAMED)),
  ],
  [
    /^(?:clearance(?: hole)? (?:for )?)?(\S+)(?:\s+(?:screw|bolt))?\s*(close|loose|normal|medium|free)?\s*(?:clearance|clear)?(?: hole)?\s*(c'?bored?|counterbored?|csk|countersunk|countersink)?$/,
    ([whole, thread, how = '', head = '']) =>
      /clear/.test(whole) || head !== '' ? boltHole(thread.toUpperCase(), how, head) : undefined,
  ],
  [
    new RegExp(
      `^(?:drill\\s+)?(?:a\\s+)?${SIZE}${UNIT}\\s*(?:drill(?:ed)?\\s*)?(?:holes?)?\\s*(thru|through|.*deep)?$`,
    ),
    ([, size, unit, extent = '']) => plain(`${sized(size, unit)} ${extent.toUpperCase()}`.trim()),
  ],
  [/^(\S+)\s*x\s*(\d+)$/, ([, diameter, tpi]) => plain(`${diameter}-${tpi}`)],
];

/** Blind without a depth: so many diameters of thread. Bench rule. */
const BLIND_D = 1.5;

/** A hole in words as a drawing writes it; undefined where it is none. */
function written(text: string): Said | undefined {
  if (readCallout(text).ok) return plain(text);
  const said = text
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/^(please |a |an |the )+/, '')
    .replace(/^(?:tap|tapped hole|tapped|thread(?:ed)?(?: hole)?)\s+(?:a\s+)?/, '')
    .trim();
  const counted = new RegExp(`^(${COUNTS.join('|')}|\\d+(?= ?x ))\\s*x?\\s+`).exec(said);
  const n = counted ? COUNTS.indexOf(counted[1]) + 1 || Number(counted[1]) : 1;
  const one = counted ? said.slice(counted[0].length) : said;
  const times = (callout: string): string => (n > 1 ? `${n}x ${callout}` : callout);
  const readable = (s: Said | undefined): Said | undefined =>
    s && readCallout(times(s.callout)).ok ? { ...s, callout: times(s.callout) } : undefined;
  const isBlind = /\bblind\b/.test(one);
  const bare = one
    .replace(/\s*\bblind\b\s*/, ' ')
    .replace(/\bthrough(?: hole)?\b/, 'thru')
    .trim();
  const thread = isBlind ? threadIn(bare.toUpperCase()) : undefined;
  if (thread && !/deep|x/.test(bare.replace(/^m[\d.]+x[\d.]+/, ''))) {
    const deepMm = Math.round(BLIND_D * thread.major * 2) / 2;
    return readable(
      plain(
        `${bare.toUpperCase()} x ${inMm(deepMm)} DEEP`,
        phrase('Blind: {deep} of thread, 1.5 diameters.', { deep: mm(deepMm) }),
      ),
    );
  }
  const asIs = readable(plain(bare.toUpperCase()));
  if (asIs) return asIs;
  for (const [pattern, read] of RULES) {
    const match = pattern.exec(bare);
    const found = match ? readable(read(match)) : undefined;
    if (found) return found;
  }
  return undefined;
}

/** Words of a machine’s name, and what people call its kind. */
const KIND_WORDS: Record<Machine['kind'], string> = {
  'drill-press': 'drill press pillar pedestal',
  mill: 'mill milling machine',
  lathe: 'lathe',
  'hand-drill': 'cordless hand drill',
};
function machineIn(words: readonly string[], machines: readonly Machine[]): Machine | undefined {
  return machines.find(({ name, kind }) => {
    const known = `${name.toLowerCase()} ${KIND_WORDS[kind]}`.split(/[^a-z0-9]+/);
    return words.every((w) => known.includes(w.toLowerCase()));
  });
}

const JOINING = new Set(['in', 'into', 'on', 'of', 'with', 'the', 'a', 'at', 'using', 'for', 'from']);
/** A metal or a machine is named in so many words at most. */
const MOST_WORDS = 4;
/** A text of more words is no question. */
const MOST_SAID = 14;

/** Windows of words, the longest first. */
function* windows(words: readonly string[]): Generator<{ inner: string[]; rest: string[] }> {
  for (let size = Math.min(MOST_WORDS, words.length); size > 0; size--)
    for (let at = words.length - size; at >= 0; at--) {
      let from = at;
      while (from > 0 && JOINING.has(words[from - 1].toLowerCase())) from -= 1;
      yield {
        inner: words.slice(at, at + size).filter((w) => !JOINING.has(w.toLowerCase())),
        rest: [...words.slice(0, from), ...words.slice(at + size)],
      };
    }
}

/**
 * Reads what is said over a bench: a hole in words or as on a drawing, with a metal and a machine anywhere in it.
 * @returns undefined where it says no hole, or says more than a hole, a metal and a machine
 */
export function spokenQuestion(text: string, { materials, machines }: Shop): SpokenQuestion | undefined {
  const words = text.trim().split(/\s+/).filter(Boolean);
  if (words.length === 0 || words.length > MOST_SAID) return undefined;
  const alone = written(words.join(' '));
  if (alone) return alone;
  const metal = (of: readonly string[]): SpokenQuestion | undefined => {
    for (const { inner, rest } of windows(of)) {
      if (inner.length === 0 || rest.length === 0) continue;
      const said = written(rest.join(' '));
      const [material] = said ? findMaterials(inner.join(' '), materials) : [];
      if (said && material) return { ...said, material };
    }
    return undefined;
  };
  const found = metal(words);
  if (found) return found;
  for (const { inner, rest } of windows(words)) {
    const machine = inner.length > 0 && rest.length > 0 ? machineIn(inner, machines) : undefined;
    if (!machine) continue;
    const said = written(rest.join(' ')) ?? metal(rest);
    if (said) return { ...said, machine };
  }
  return undefined;
}
