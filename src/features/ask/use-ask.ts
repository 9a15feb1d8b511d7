'use client';

import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { toAddress, type AskForm } from '@/core/hole/form';
import { wholeShop, type Shop } from '@/core/shop/shop';
import type { DrillPool } from '@/core/drills/drill-sets';
import type { Display } from '@/core/units/show';
import { useOwnUnits } from '@/ui/units';
import type * as planning from './answer-question';
import type { Answered } from './answered';

/** What the server hands the view: the shop with its crib; the usual sets are known here. */
export interface AskShop extends Omit<Shop, 'pools'> {
  crib: DrillPool;
}

/** Where the question came from, when it was opened from a job. */
export interface Origin {
  jobId: string;
  holeId: string;
  jobName: string;
  holeName: string;
}

/** What comes with the page. */
export interface AskedFirst {
  first: AskForm;
  /** The answer to it. */
  answered: Answered;
  shop: AskShop;
}

type Planner = Pick<typeof planning, 'answerQuestion' | 'inUnits'>;

/** Fetched once, when a question is first touched: the first answer comes with the page. */
let planner: Promise<Planner> | undefined;
const fetchPlanner = (): Promise<Planner> =>
  (planner ??= import('./answer-question').catch((fault: unknown) => {
    planner = undefined;
    throw fault;
  }));

/** The question, its answer as one types, and its address. */
export function useAsk({ first, answered, shop: given }: AskedFirst, askShop: AskShop, extra: string) {
  const [form, setForm] = useState(first);
  const [{ answerQuestion }, setPlanner] = useState<Partial<Planner>>({});
  const shop = useMemo<Shop>(() => wholeShop(askShop), [askShop]);
  const settled = useDeferredValue(form);
  const isGiven = settled === first && askShop === given;
  const [unreachable, setUnreachable] = useState(false);
  const touch = useCallback(
    () =>
      void fetchPlanner().then(
        (found) => {
          setUnreachable(false);
          setPlanner(found);
        },
        () => setUnreachable(true),
      ),
    [],
  );
  // Each change asks again for it, where the server could not be reached.
  useEffect(() => {
    if (!isGiven && !answerQuestion) touch();
  }, [isGiven, answerQuestion, settled, touch]);
  const {
    of,
    heard: read,
    asked,
  } = useMemo(
    () => (isGiven || !answerQuestion ? answered : answerQuestion(settled, shop)),
    [isGiven, answerQuestion, answered, settled, shop],
  );
  // What was heard is of the line as it stands: never of one that was typed on since.
  const heard = of === form.callout ? read : undefined;
  // What was said counts as soon as anything else is changed; the line itself may still be typed on.
  const change = useCallback(
    (part: Partial<AskForm>) =>
      setForm((now) => ({ ...now, ...(part.callout === undefined ? heard?.part : undefined), ...part })),
    [heard],
  );
  const toUnits = useCallback(
    (units: Display) =>
      void fetchPlanner().then(
        ({ inUnits }) => setForm((now) => inUnits(now, units)),
        () => setUnreachable(true),
      ),
    [],
  );
  useOwnUnits(form.units, toUnits);

  const written = useRef(0);
  const mine = useRef(new Set([toAddress(first)]));
  // Another question in the address, from a link or “go to anything”, replaces this one; one that was written here does not.
  const arrived = toAddress(first);
  useEffect(() => {
    if (mine.current.has(arrived)) return;
    mine.current.add(arrived);
    setForm(first);
  }, [arrived, first]);
  useEffect(() => {
    // Browsers allow only so many changes of the address a minute: at once when it is quiet, else a little later.
    const write = (): void => {
      written.current = performance.now();
      const address = toAddress(form);
      mine.current.add(address);
      window.history.replaceState(null, '', `/?${address}${extra}`);
    };
    if (performance.now() - written.current > 300) {
      write();
      return undefined;
    }
    const timer = setTimeout(write, 150);
    return () => clearTimeout(timer);
  }, [form, extra]);

  // Without its planner what is changed has no answer: that on the screen is of the question before.
  return { form, heard, change, asked, shop, touch, isOld: unreachable && !answerQuestion };
}
