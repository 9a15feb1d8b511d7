const KEY = 'jolly-bit-waits';

/** Whether something may wait in the browser's store: so that pages that have nothing to do with it need not open it. */
export function somethingWaits(): boolean {
  try {
    return localStorage.getItem(KEY) !== null;
  } catch {
    return true;
  }
}

/** Notes that something waits, or that nothing does any more. */
export function noteWaits(waits: boolean): void {
  try {
    if (!waits) localStorage.removeItem(KEY);
    else if (localStorage.getItem(KEY) === null) localStorage.setItem(KEY, '1');
  } catch {
    // Without this note every page looks.
  }
}
