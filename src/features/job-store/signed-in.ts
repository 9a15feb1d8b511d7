import type { SignedIn } from '@/contracts/session';
import { remember, remembered } from '@/ui/browser-memory';

const KEY = 'jolly-bit-signed-in';

/** Who is signed in at this browser, so that what is made is signed when it is made; undefined where nobody is. */
export function signedInHere(): SignedIn | undefined {
  try {
    const { who, mark } = JSON.parse(remembered(KEY) ?? '{}') as Partial<SignedIn>;
    return who && mark ? { who, mark } : undefined;
  } catch {
    return undefined;
  }
}

export const noteSignedIn = (by: SignedIn | undefined): void => remember(KEY, by ? JSON.stringify(by) : null);
