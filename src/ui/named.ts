/** A name to be read out that holds what is seen, so that a thing can also be asked for aloud by what stands on it. */
export const named = (seen: string, told: string): string =>
  seen === '' || told.startsWith(seen) ? told : `${seen}: ${told}`;
