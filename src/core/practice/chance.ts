import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** What a seed decides, draw by draw. */
export interface Chance {
  /** From 0 up to 1. */
  even: () => number;
  /** From `least` to `most`, both among them. */
  whole: (least: number, most: number) => number;
  pick: <T>(list: readonly T[]) => T;
  shuffled: <T>(list: readonly T[]) => T[];
}

/** @param seed a whole number, 0 and up: the same one decides the same */
export function chanceOf(seed: number): Chance {
  const generator = xoroshiro128plus(Math.imul(seed + 1, 0x9e3779b1));
  // The first numbers of seeds that lie close are close.
  for (let i = 0; i < 8; i++) generator.next();
  const even = (): number => (generator.next() >>> 0) / 2 ** 32;
  const whole = (least: number, most: number): number => least + Math.floor(even() * (most - least + 1));
  return {
    even,
    whole,
    pick: (list) => list[whole(0, list.length - 1)],
    shuffled: (list) => {
      const all = [...list];
      for (let i = all.length - 1; i > 0; i--) {
        const j = whole(0, i);
        [all[i], all[j]] = [all[j], all[i]];
      }
      return all;
    },
  };
}
