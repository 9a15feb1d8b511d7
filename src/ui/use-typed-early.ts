'use client';

import { useEffect, useRef } from 'react';

/**
 * What was typed or picked in a field while the page was still loading its script: handed on once, as if typed
 * now, so that nothing typed is lost on a slow tablet.
 * @returns the ref for the field itself, an input, select or textarea
 */
export function useTypedEarly<E extends { value: string }>(value: string, onChange: (value: string) => void) {
  const field = useRef<E>(null);
  useEffect(() => {
    const typed = field.current?.value;
    if (typed !== undefined && typed !== value) onChange(typed);
    // Only once, when the script takes over; from then on every change is an event.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return field;
}
