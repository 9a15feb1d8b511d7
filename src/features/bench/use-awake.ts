'use client';

import { useEffect } from 'react';

/** Keeps the screen from going dark while a view is open, where the browser can. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let gone = false;
    const hold = (): void => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      void navigator.wakeLock
        .request('screen')
        .then((got) => {
          if (gone) void got.release();
          else lock = got;
        })
        .catch(() => undefined);
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, []);
}
