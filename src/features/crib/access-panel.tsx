'use client';

import { useEffect, useState } from 'react';
import type { SessionState } from '@/contracts/session';
import { TextField } from '@/ui/field';
import { send } from '@/ui/send';
import type { CribState } from './use-crib';

/** The passcode once more, before the crib is changed. */
export function PasscodeAgain({ onGiven }: { onGiven: () => void }) {
  const [passcode, setPasscode] = useState('');
  const [fault, setFault] = useState<string>();
  async function give(): Promise<void> {
    const state = await send<SessionState>('GET', '/api/v1/session');
    const who = state.ok ? state.value.who : '';
    const got = await send('POST', '/api/v1/session', { passcode, who });
    if (got.ok) onGiven();
    else setFault(got.fault);
  }
  return (
    <form
      role="alert"
      className="plate flex flex-wrap items-end gap-3 border-l-8 border-l-brass p-3"
      onSubmit={(e) => {
        e.preventDefault();
        void give();
      }}
    >
      <p className="mr-auto self-center">Changing the crib needs the passcode again. Then repeat the change.</p>
      <TextField
        label="Passcode"
        type="password"
        autoComplete="current-password"
        value={passcode}
        onChange={setPasscode}
        error={fault}
      />
      <button type="submit" className="btn-next">
        Confirm
      </button>
    </form>
  );
}

/** Whether the crib asks for the passcode again; only where there is a passcode. */
export function AccessPanel({ state }: { state: CribState }) {
  const [session, setSession] = useState<SessionState>();
  useEffect(() => {
    void send<SessionState>('GET', '/api/v1/session').then((got) => got.ok && setSession(got.value));
  }, []);
  if (!session?.guarded) return null;
  async function set(guardsCrib: boolean): Promise<void> {
    setSession((s) => s && { ...s, guardsCrib });
    const got = await send('PUT', '/api/v1/access', { guardsCrib });
    state.heard(got);
    if (!got.ok) setSession((s) => s && { ...s, guardsCrib: !guardsCrib });
  }
  return (
    <label className="plate mt-3 flex min-h-11 items-center gap-3 p-3">
      <input
        type="checkbox"
        className="size-5 accent-ink"
        checked={session.guardsCrib}
        onChange={(e) => void set(e.target.checked)}
      />
      Changing the crib and how this shop works needs the passcode again
    </label>
  );
}
