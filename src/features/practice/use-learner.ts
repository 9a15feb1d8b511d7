'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { PractisedInput } from '@/contracts/practice';
import { keepsWrong } from '@/core/practice/keeps-wrong';
import { standingOf } from '@/core/practice/learner';
import { useDraft } from '@/ui/use-draft';
import { keepPractised, practisedOf } from '../job-store/practised';
import { forgetWrong, WHO_PRACTISES } from '../run/use-reminders';

/** A name has so many characters at most. */
const LONGEST_NAME = 60;
/** Under this name somebody practises where none is given. */
export const NOBODY = 'apprentice';

/** Who practises in this browser, what they have done, and where they stand. */
export function useLearner(signedInAs: string | undefined) {
  const [typed, setName] = useDraft(WHO_PRACTISES);
  const who = signedInAs ?? (typed.trim().slice(0, LONGEST_NAME).trim() || NOBODY);
  const [known, setKnown] = useState<{ who: string; done: PractisedInput[] }>();
  useEffect(() => {
    let isOn = true;
    // What was done while it was read is not lost from view.
    const read = (): void =>
      void practisedOf(who).then(
        (done) =>
          isOn &&
          setKnown((before) => {
            const own = before?.who === who ? before.done : [];
            return { who, done: [...new Map([...done, ...own].map((p) => [p.id, p])).values()] };
          }),
      );
    read();
    window.addEventListener('online', read);
    return () => {
      isOn = false;
      window.removeEventListener('online', read);
    };
  }, [who]);
  const done = useMemo(() => (known?.who === who ? known.done : []), [known, who]);
  const keep = useCallback(
    async (one: Omit<PractisedInput, 'id' | 'who' | 'at'>): Promise<void> => {
      const whole = { ...one, id: uuidv7(), who, at: new Date().toISOString() };
      setKnown((before) => ({ who, done: [...(before?.who === who ? before.done : []), whole] }));
      await keepPractised(whole);
      forgetWrong();
    },
    [who],
  );
  /** Takes one out of view that was left out. */
  const forget = useCallback(
    (id: string): void => setKnown((before) => before && { ...before, done: before.done.filter((p) => p.id !== id) }),
    [],
  );
  const standing = useMemo(() => standingOf(done), [done]);
  return {
    who,
    typed,
    setName,
    done,
    standing,
    wrong: useMemo(() => keepsWrong(done), [done]),
    keep,
    forget,
  };
}
export type Learner = ReturnType<typeof useLearner>;
