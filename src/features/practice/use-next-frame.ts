'use client';

import { useEffect, useState } from 'react';
import type { Followed } from './hand';

/** What is followed, as it was when the frame before was painted: what only shows it is drawn after what moves with it. */
export function useNextFrame<T>(follow: Followed<T>): T | undefined {
  const [shown, setShown] = useState(() => follow.get());
  useEffect(() => {
    let waits = false;
    const later = (): void => {
      if (waits) return;
      waits = true;
      // The task after a frame's callbacks comes when that frame is painted.
      requestAnimationFrame(() =>
        setTimeout(() => {
          waits = false;
          setShown(follow.get());
        }),
      );
    };
    later();
    return follow.subscribe(later);
  }, [follow]);
  return shown;
}
