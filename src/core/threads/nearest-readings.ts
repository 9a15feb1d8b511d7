import { distance } from 'fastest-levenshtein';
import { THREADS } from './standards';

/** Readings offered where nothing comes near. */
export const USUAL_READINGS: readonly string[] = ['M8x1.25', '1/4-20 UNC', '#10-32 UNF', '2 BA'];

/** Beyond this share of the typed letters a designation is no longer near. */
const TOO_FAR = 0.6;
const LONGEST_COMPARED = 24;
const OFFERED = 4;

const plain = (s: string): string => s.toLowerCase().replace(/[\s-]/g, '');

/** Designations that come closest to a text that could not be read, at most four. */
export function nearestReadings(text: string): string[] {
  const typed = plain(text).slice(0, LONGEST_COMPARED);
  const size = /^[#\d./]+/.exec(typed)?.[0];
  const ranked = THREADS.filter((t) => t.series !== 'STI')
    .map((t, i) => {
      const name = plain(t.designation);
      const sameSize = size !== undefined && name.replace(/^(m|g)/, '').startsWith(size) ? -1.5 : 0;
      const short = Math.min(distance(typed, name), distance(typed, name.slice(0, typed.length)) + 0.5);
      return { name: t.designation, score: short + sameSize + i / 1e4 };
    })
    .sort((a, b) => a.score - b.score)
    .slice(0, OFFERED);
  return ranked[0].score > TOO_FAR * typed.length ? [...USUAL_READINGS] : ranked.map(({ name }) => name);
}
