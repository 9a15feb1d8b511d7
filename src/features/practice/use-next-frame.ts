'use client';

import { useEffect, useRef, useState } from 'react';

/** A value as it was when the frame before was painted: what only shows it is drawn after what moves it. */
export function useNextFrame<T>(value: T): T {
  const [shown, setShown] = useState(value);
  const newest = useRef(value);
  const waits = useRef(false);
  useEffect(() => {
    newest.current = value;
    if (waits.current) return;
    waits.current = true;
    // The task after a frame's callbacks comes when that frame is painted.
    requestAnimationFrame(() =>
      setTimeout(() => {
        waits.current = false;
        setShown(newest.current);
      }),
    );
  }, [value]);
  return shown;
}
