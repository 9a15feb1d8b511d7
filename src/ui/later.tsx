'use client';

import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';

/** A part that is loaded when it is first shown: dialogs, folded panels. Nothing stands in its place meanwhile. */
export function later<P extends object>(load: () => Promise<{ default: (props: P) => ReactNode }>) {
  const Part = lazy(load) as unknown as ComponentType<P>;
  return function Later(props: P) {
    return (
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    );
  };
}
