import type { BenchKind } from './bench-record';

/** What a log can be narrowed to, and the kinds of records in it. */
export const LOG_KINDS = {
  made: ['step-done', 'step-skipped', 'step-undone'],
  gauged: ['checked', 'decision', 'decision-undone'],
  trouble: ['tap-broken', 'tap-felt', 'die-felt', 'drill-dull', 'chip-seen', 'remedy'],
  'laid out': ['punch-mark', 'layout-tick'],
  notes: ['note', 'photo'],
} as const satisfies Record<string, readonly (BenchKind | 'punch-mark' | 'layout-tick')[]>;
export type LogKind = keyof typeof LOG_KINDS;

/** How people call what a record names otherwise. Longer ones first. */
const SAID: readonly (readonly [said: string, recorded: string])[] = [
  ['not good', '"bad"'],
  ['taken back', 'undone'],
  ['gauged', 'checked'],
  ['punched', 'punch-mark'],
  ['scribed', 'layout-tick'],
  ['decided', 'decision'],
  ['tapped', 'step-done /tap'],
  ['drilled', 'step-done /drill'],
  ['broke', 'broken'],
  ['scrapped', 'scrap'],
  ['good', '"good"'],
  ['last', ''],
  ['in', ''],
  ['the', ''],
];

/**
 * What is looked for in the records when people look for this; every one has to be found.
 * @example logWords('not good A2') // ['"bad"', 'a2']
 */
export function logWords(text: string): string[] {
  const asked = ` ${text.toLowerCase().replace(/\s+/g, ' ').trim()} `;
  const put = SAID.reduce((line, [said, recorded]) => line.replaceAll(` ${said} `, ` ${recorded} `), asked);
  return put.split(' ').filter(Boolean);
}
