import { z } from 'zod';

export const LEAST_PASSCODE = 8;

/** Signing in at the bench. */
export const signIn = z.strictObject({
  passcode: z.string().min(1, 'Enter the passcode.').max(200),
  who: z.string().trim().max(60).default('').describe('Name of who is at the bench; it goes with what is recorded'),
});

/** The passcode once more, before a change of the crib or the shop. */
export const confirmation = z.strictObject({ passcode: z.string().min(1, 'Enter the passcode.').max(200) });

/** Whether changing the crib and the shop asks for the passcode again. */
export const accessChange = z.strictObject({ guardsCrib: z.boolean() });

/** Who is signed in, and what that takes here. */
export const sessionState = z.object({
  who: z.string(),
  guarded: z.boolean().describe('A passcode is needed to sign in'),
  guardsCrib: z.boolean(),
});
export type SessionState = z.infer<typeof sessionState>;
