'use client';

import { useCallback, useState } from 'react';

/** Whether an element has come near what is in sight: until then nobody waits for what it holds. */
export function useReached<T extends Element>(): [(element: T | null) => void, boolean] {
  const [reached, setReached] = useState(false);
  const watch = useCallback((element: T | null) => {
    if (!element) return undefined;
    // A page that is busy is told of several moments at once, the oldest first.
    const observer = new IntersectionObserver((moments) => moments.some((m) => m.isIntersecting) && setReached(true));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [watch, reached];
}
