'use client';

import { useKeys } from './keys';

/** Ctrl or command with Z and Y, outside of fields, which have an undo of their own. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  useKeys({ '$mod+KeyZ': undo, '$mod+Shift+KeyZ': redo, '$mod+KeyY': redo }, false);
}
