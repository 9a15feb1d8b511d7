import { DESIGNATIONS } from './designations.table';
import type { Material } from './material';

/** Who gave a number says nothing about which metal it is. */
const GIVERS = /\b(aisi|sae|uns|astm|din|iso|jis|bs|w\.?-?\s?nr\.?|wnr|mat\.?-?\s?no\.?|en\s?aw|en\s?ac)(?=[\s.-])/gi;
const bare = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, '');
const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^a-z0-9.]+/)
    .filter((w) => w !== '');

interface Names {
  whole: string[];
  words: string[];
}
function namesOf({ id, label }: Material): Names {
  const names = [label, ...(DESIGNATIONS[id] ?? '').split(', ').filter((n) => n !== '')];
  return { whole: names.map(bare), words: names.flatMap(wordsOf) };
}

/** How well a material is what was typed, the lower the better; undefined where it is not. */
function matchOf(typed: string, tokens: readonly string[], material: Material): number | undefined {
  const { whole, words } = namesOf(material);
  if (whole.includes(typed)) return 0;
  if (whole.some((n) => n.startsWith(typed))) return 1;
  if (tokens.length > 0 && tokens.every((t) => words.includes(t) || whole.includes(bare(t)))) return 2;
  if (tokens.length > 0 && tokens.every((t) => words.some((w) => w.startsWith(t)))) return 3;
  return typed.length > 2 && whole.some((n) => n.includes(typed)) ? 4 : undefined;
}

/**
 * Materials that a text may mean, the likeliest first: by label, by designation (`304`, `1.4301`, `EN AW-6082`), by
 * the words that people use. An empty text is all of them.
 */
export function findMaterials<M extends Material>(text: string, materials: readonly M[]): M[] {
  const given = ` ${text} `.replace(GIVERS, ' ').trim();
  const typed = bare(given);
  if (text.trim() === '') return [...materials];
  if (typed === '') return [];
  const tokens = wordsOf(given);
  return materials
    .flatMap((material, at) => {
      const rank = matchOf(typed, tokens, material);
      return rank === undefined ? [] : [{ material, rank, at }];
    })
    .sort((a, b) => a.rank - b.rank || a.at - b.at)
    .map(({ material }) => material);
}

/** The designation that a text hit, to show beside the label; undefined where the label itself did. */
export function designationHit(text: string, { id, label }: Material): string | undefined {
  const typed = bare(` ${text} `.replace(GIVERS, ' '));
  if (typed === '' || bare(label).includes(typed)) return undefined;
  const names = (DESIGNATIONS[id] ?? '').split(', ');
  return names.find((n) => bare(n) === typed) ?? names.find((n) => bare(n).startsWith(typed));
}
