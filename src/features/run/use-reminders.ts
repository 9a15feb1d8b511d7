'use client';

import { useEffect, useState } from 'react';
import type { Mistake } from '@/core/practice/exercise';
import { useDraft } from '@/ui/use-draft';
import { signedInHere } from '../job-store/signed-in';

/** Line in which this browser keeps who practises here. */
export const WHO_PRACTISES = 'practice name';
/** Line in which it keeps that reminders from practice are off. */
const REMINDERS = 'practice reminders';

/** Whether reminders from practice are shown in the plan and at the bench; those about safety always are. */
export function useRemindersOn(): [on: boolean, setOn: (on: boolean) => void] {
  const [off, setOff] = useDraft(REMINDERS);
  return [off === '', (on) => setOff(on ? '' : 'off')];
}

/** Read of one name lately: from step to step it is not asked again. */
let read: { name: string; at: number; wrong: Promise<readonly Mistake[]> } | undefined;
const ASKED_AGAIN_MS = 30_000;

function wrongOf(name: string): Promise<readonly Mistake[]> {
  const now = performance.now();
  if (read?.name === name && now - read.at < ASKED_AGAIN_MS) return read.wrong;
  const wrong = Promise.all([import('../job-store/practised'), import('@/core/practice/keeps-wrong')]).then(
    async ([{ practisedOf }, { keepsWrong }]) => keepsWrong(await practisedOf(name)),
  );
  read = { name, at: now, wrong };
  return wrong;
}

/** Something was practised: what goes wrong is read anew. */
export const forgetWrong = (): void => void (read = undefined);

/** Who works at this browser, and what they keep getting wrong in practice; nothing where nobody has practised here. */
export function useKeepsWrong(): { who: string; wrong: readonly Mistake[] } | undefined {
  const [typed] = useDraft(WHO_PRACTISES);
  const [known, setKnown] = useState<{ who: string; wrong: readonly Mistake[] }>();
  const who = typed.trim();
  useEffect(() => {
    let isOn = true;
    const name = signedInHere()?.who ?? who;
    if (name === '') return;
    void wrongOf(name).then((wrong) => {
      if (isOn) setKnown({ who: name, wrong });
    });
    return () => {
      isOn = false;
    };
  }, [who]);
  // Whoever was here before is not reminded of to whoever is now.
  return known && known.wrong.length > 0 && known.who === (signedInHere()?.who ?? who) ? known : undefined;
}
