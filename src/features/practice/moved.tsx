import { useLayoutEffect, useRef, type ReactNode } from 'react';
import type { Followed } from './hand';

interface Props<T> {
  /** Where it stands. */
  at: T;
  /** What it follows at once, where a hand moves it. */
  follow?: Followed<T>;
  /** The transform for a place. */
  to: (at: T) => string;
  className: string;
  origin?: string;
  children: ReactNode;
}

/** A layer that is moved as it is, not drawn anew. */
export function Moved<T>({ at, follow, to, className, origin, children }: Props<T>) {
  const layer = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    if (!follow) return;
    const move = (): void => {
      const now = follow.get();
      if (now !== undefined && layer.current) layer.current.style.transform = to(now);
    };
    move();
    return follow.subscribe(move);
  }, [follow, to]);
  return (
    <div
      ref={layer}
      className={`will-change-transform ${className}`}
      style={{ transformOrigin: origin, ...(follow ? {} : { transform: to(at) }) }}
    >
      {children}
    </div>
  );
}
