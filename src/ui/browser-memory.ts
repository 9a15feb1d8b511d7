/** What a browser would not keep, so that work goes on while the page is open. */
const unkept = new Map<string, string | null>();

/** Both stores of a browser: what stays, and what is a tab's own. */
export type Kept = 'local' | 'session';
const storeOf = (kept: Kept): Storage => (kept === 'local' ? localStorage : sessionStorage);

/** A text that this browser remembers; null for none. A browser that forbids or has no room never stands in the way. */
export function remembered(key: string, kept: Kept = 'local'): string | null {
  const own = unkept.get(kept + key);
  if (own !== undefined) return own;
  try {
    return storeOf(kept).getItem(key);
  } catch {
    return null;
  }
}

/** Remembers a text, or forgets it where it is null; in memory where the browser will not. */
export function remember(key: string, text: string | null, kept: Kept = 'local'): void {
  try {
    if (text === null) storeOf(kept).removeItem(key);
    else storeOf(kept).setItem(key, text);
    unkept.delete(kept + key);
  } catch {
    unkept.set(kept + key, text);
  }
}
