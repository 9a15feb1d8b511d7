'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useRef, useState } from 'react';
import { send, type Sent } from '@/ui/send';

export type CribPath = 'machines' | 'cases' | 'drills' | 'tools' | 'taps' | 'materials';
interface Entry {
  id: string;
  version: number;
}

/** Changes to the crib, one after the other, each from the version that the one before it left; the last can be undone. */
export function useCrib() {
  const router = useRouter();
  const [fault, setFault] = useState<string>();
  /** The shop wants the passcode again before its crib is changed. */
  const [locked, setLocked] = useState(false);
  const heard = useCallback((got: Sent<unknown>): string | undefined => {
    const again = !got.ok && got.errors?.some((e) => e.code === 'passcode-again');
    setLocked(Boolean(again));
    setFault(got.ok || again ? undefined : got.fault);
    return got.ok ? undefined : got.fault;
  }, []);
  const [busy, setBusy] = useState<string>();
  const [undo, setUndo] = useState<{ what: string; run: () => Promise<void> }>();
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const versions = useRef(new Map<string, number>());

  const change = useCallback(
    (id: string, seen: number, method: string, path: string, body: object): Promise<string | undefined> => {
      setBusy(id);
      const done = queue.current.then(async () => {
        const version = Math.max(seen, versions.current.get(id) ?? 0);
        const got = await send(method, path, { ...body, version }, true);
        if (got.ok) versions.current.set(id, version + 1);
        setBusy(undefined);
        router.refresh();
        return heard(got);
      });
      queue.current = done;
      return done;
    },
    [heard, router],
  );
  const add = useCallback(
    async (path: CribPath, item: { id: string }): Promise<string | undefined> => {
      const got = await send('POST', `/api/v1/crib/${path}`, item, true);
      if (got.ok) versions.current.delete(item.id);
      router.refresh();
      return heard(got);
    },
    [heard, router],
  );
  const put = useCallback(
    (path: CribPath, { version, ...item }: Entry): Promise<string | undefined> =>
      change(item.id, version, 'PUT', `/api/v1/crib/${path}/${encodeURIComponent(item.id)}`, item),
    [change],
  );
  /** Changes an entry in one step, with undo. */
  const mark = useCallback(
    async (path: CribPath, entry: Entry, part: object, said: string): Promise<void> => {
      const wrong = await put(path, { ...entry, ...part });
      if (wrong !== undefined) return;
      setUndo({
        what: said,
        run: async () => {
          await put(path, entry);
          setUndo(undefined);
        },
      });
    },
    [put],
  );
  const remove = useCallback(
    async (path: CribPath, { version, ...item }: Entry, name: string): Promise<void> => {
      const at = Math.max(version, versions.current.get(item.id) ?? 0);
      const got = await send(
        'DELETE',
        `/api/v1/crib/${path}/${encodeURIComponent(item.id)}?version=${at}`,
        undefined,
        true,
      );
      heard(got);
      if (got.ok)
        setUndo({
          what: `“${name}” removed.`,
          run: async () => {
            await add(path, item);
            setUndo(undefined);
          },
        });
      router.refresh();
    },
    [add, heard, router],
  );
  return {
    fault,
    heard,
    locked,
    setLocked,
    busy,
    change,
    add,
    put,
    mark,
    remove,
    undo,
    refresh: () => router.refresh(),
  };
}

export type CribState = ReturnType<typeof useCrib>;
