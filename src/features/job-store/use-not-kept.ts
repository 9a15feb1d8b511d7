'use client';

import { useSyncExternalStore } from 'react';
import { whenKeeping, whyNotKept } from './outbox';

/** Why this browser keeps nothing of what is made here; undefined while it does. */
export const useNotKept = (): string | undefined => useSyncExternalStore(whenKeeping, whyNotKept, () => undefined);
