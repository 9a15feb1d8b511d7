/** What was found, the worst listed and all of it counted, so that thousands of faults stay readable and quick. */
export interface Found<T> {
  listed: T[];
  /** All that were found, listed or not. */
  count: number;
}

export const MOST_LISTED = 200;

/**
 * Collects findings and keeps the worst. A finding is only put into words when it is listed.
 * @param worse a number that is larger the worse a finding is; equal ones stay in the order they were found
 */
export class WorstFirst<T> {
  #kept: { worse: number; order: number; tell: () => T }[] = [];
  #count = 0;
  #bar = -Infinity;

  add(worse: number, tell: () => T): void {
    const order = this.#count++;
    if (worse <= this.#bar) return;
    this.#kept.push({ worse, order, tell });
    if (this.#kept.length >= 4 * MOST_LISTED) {
      this.#prune();
      this.#bar = this.#kept[MOST_LISTED - 1].worse;
    }
  }

  #prune(): void {
    this.#kept.sort((a, b) => b.worse - a.worse || a.order - b.order);
    this.#kept.length = Math.min(this.#kept.length, MOST_LISTED);
  }

  found(): Found<T> {
    this.#prune();
    return { listed: this.#kept.map(({ tell }) => tell()), count: this.#count };
  }
}
