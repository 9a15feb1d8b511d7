'use client';

import { useCallback, useState } from 'react';

/** Whether an element has come near what is in sight: until then nobody waits for what it holds. */
export function useReached<T extends Element>(): [(element: T | null) => void, boolean] {
  const [reached, setReached] = useState(false);
  const watch = useCallback((element: T | null) => {
    if (!element) return undefined;
    const observer = new IntersectionObserver(([entry]) => entry.isIntersecting && setReached(true));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [watch, reached];
}
