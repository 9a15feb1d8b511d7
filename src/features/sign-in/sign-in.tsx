'use client';

import { useState } from 'react';
import type { SignedIn } from '@/contracts/session';
import { TextField } from '@/ui/field';
import { send } from '@/ui/send';
import { useDraft } from '@/ui/use-draft';
import { noteSignedIn } from '../job-store/signed-in';

/** The door: the shop's passcode, and a name that goes with what is recorded. */
export function SignIn({ next }: { next: string }) {
  const [who, setWho] = useDraft('who');
  const [passcode, setPasscode] = useState('');
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  async function signIn(): Promise<void> {
    setBusy(true);
    const got = await send<SignedIn>('POST', '/api/v1/session', { passcode, who: who.trim() });
    if (got.ok) {
      noteSignedIn(got.value);
      window.location.assign(next);
      return;
    }
    setBusy(false);
    setFault(got.fault);
  }
  return (
    <main id="main" className="mx-auto max-w-md p-4">
      <form
        className="plate flex flex-col gap-4 p-5"
        onSubmit={(e) => {
          e.preventDefault();
          void signIn();
        }}
      >
        <h1 className="font-cond text-3xl font-semibold">Sign in</h1>
        <TextField label="Your name, for the log" value={who} onChange={setWho} autoComplete="name" />
        <TextField
          label="Passcode of the shop"
          type="password"
          value={passcode}
          onChange={setPasscode}
          autoComplete="current-password"
          error={fault}
        />
        <button type="submit" className="btn-next self-start" disabled={busy || passcode === ''}>
          Sign in
        </button>
      </form>
    </main>
  );
}
