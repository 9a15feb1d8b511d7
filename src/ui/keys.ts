'use client';

import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';

const TYPING = 'input, textarea, select, [contenteditable="true"]';
/** Keys with one of these are commands in a field too; bare ones are text there. */
const COMMAND = /(\$mod|Alt|Control|Meta)\+/;

/** Whether what has the focus takes the keys as text. */
const isTyping = (event: KeyboardEvent): boolean => event.target instanceof Element && event.target.matches(TYPING);

/**
 * Keys of a view, as `tinykeys` writes them. A bare key works outside of fields; one with Alt or Control everywhere.
 * @param inFields false for keys that a field has a use of its own for
 */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>, inFields = true): void {
  const now = useRef(keys);
  useEffect(() => {
    now.current = keys;
  });
  const names = Object.keys(keys).join(' | ');
  useEffect(
    () =>
      tinykeys(
        window,
        Object.fromEntries(
          names.split(' | ').map((name) => [
            name,
            (event: KeyboardEvent) => {
              if (event.defaultPrevented || event.isComposing) return;
              if (isTyping(event) && !(inFields && COMMAND.test(name))) return;
              event.preventDefault();
              now.current[name]?.(event);
            },
          ]),
        ),
      ),
    [names, inFields],
  );
}
