/** How close a tap is to breaking, in a word: never said without by what, see {@link byWhat}. */
export const LEVEL = {
  calm: 'calm',
  careful: 'take care',
  warn: 'close to breaking',
  stop: 'the tap goes first',
} as const;

/** By what a level is: how many times what the tap takes it holds. */
export const byWhat = (safety: number): string => `holds ${safety.toFixed(1)} times what it takes`;

/** Its colour on a dyed face. */
export const LEVEL_ON_DYE = {
  calm: 'text-[#a5e0b8]',
  careful: 'text-[#f0cd80]',
  warn: 'text-[#ffb3b3]',
  stop: 'text-[#ffb3b3]',
};
