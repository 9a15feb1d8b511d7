/** Something that changes and says so at once. */
export interface Followed<T> {
  get: () => T | undefined;
  /** @returns what ends it */
  subscribe: (told: () => void) => () => void;
}

/** What a hand holds now: what it moves follows it without waiting for the rest of the view. */
export interface Hand<T> extends Followed<T> {
  set: (next: T | undefined) => void;
}

export function handOf<T>(): Hand<T> {
  let now: T | undefined;
  const all = new Set<() => void>();
  return {
    get: () => now,
    set: (next) => {
      now = next;
      for (const told of all) told();
    },
    subscribe: (told) => {
      all.add(told);
      return () => void all.delete(told);
    },
  };
}

/** One thing of what is followed. */
export const followed = <T, U>(all: Followed<T>, one: (of: T) => U): Followed<U> => ({
  get: () => {
    const now = all.get();
    return now === undefined ? undefined : one(now);
  },
  subscribe: all.subscribe,
});
