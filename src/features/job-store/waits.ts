const DATABASE = 'jolly-bit';
const TABLES = ['changes', 'records', 'practised'];

const countOf = (store: IDBObjectStore): Promise<number> =>
  new Promise((resolve, reject) => {
    const asked = store.count();
    asked.onsuccess = () => resolve(asked.result);
    asked.onerror = () => reject(asked.error ?? new Error('count'));
  });

/**
 * Whether something waits in the browser's store, asked of the store itself: a note of it would be lost where what waits is
 * not. Without what else goes with the store, so that pages that have nothing to do with it stay small.
 */
export async function somethingWaits(): Promise<boolean> {
  let store: IDBDatabase | undefined;
  try {
    store = await new Promise<IDBDatabase | undefined>((resolve, reject) => {
      const asked = indexedDB.open(DATABASE);
      // There was none: it is not made here.
      asked.onupgradeneeded = () => asked.transaction?.abort();
      asked.onsuccess = () => resolve(asked.result);
      asked.onerror = () =>
        asked.error?.name === 'AbortError' ? resolve(undefined) : reject(asked.error ?? new Error('open'));
    });
    // One that an earlier version made has not all of them.
    const there = TABLES.filter((name) => store?.objectStoreNames.contains(name));
    if (!store || there.length === 0) return false;
    const tables = store.transaction(there);
    const counts = await Promise.all(there.map((name) => countOf(tables.objectStore(name))));
    return counts.some((n) => n > 0);
  } catch {
    return false;
  } finally {
    store?.close();
  }
}
