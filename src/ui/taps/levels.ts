/** How close a tap is to breaking, in a word. */
export const LEVEL = {
  calm: 'calm',
  careful: 'take care',
  warn: 'close to breaking',
  stop: 'the tap goes first',
} as const;
