import { z } from 'zod';

export const LEAST_PASSCODE = 8;

/** Signing in at the bench. */
export const signIn = z.strictObject({
  passcode: z.string().min(1, 'Enter the passcode.').max(200),
  who: z.string().trim().max(60).default('').describe('Name of who is at the bench; it goes with what is recorded'),
});

/** What signing in gives: the name, and what shows later that it was signed in here. */
export const signedIn = z.object({
  who: z.string(),
  mark: z.string().describe('Sent beside records made under this name, so that they carry it whoever sends them'),
});
export type SignedIn = z.infer<typeof signedIn>;

/** Whether changing the crib and the shop asks for the passcode again. */
export const accessChange = z.strictObject({ guardsCrib: z.boolean() });

/** Who is signed in, and what that takes here. */
export const sessionState = z.object({
  who: z.string(),
  guarded: z.boolean().describe('A passcode is needed to sign in'),
  guardsCrib: z.boolean(),
});
export type SessionState = z.infer<typeof sessionState>;
