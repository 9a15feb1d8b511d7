'use client';

import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import type { Problem } from '@/core/answer/answer';
import { refusals, type HolePlan } from '@/core/hole/hole-plan';
import { EXAMPLE_HOLE, inUnits, toAddress, type AskForm } from '@/core/hole/form';
import { planForm } from '@/core/hole/read-form';
import { wholeShop, type Shop } from '@/core/shop/shop';
import type { DrillPool } from '@/core/drills/drill-sets';
import type { Display } from '@/core/units/show';
import { useOwnUnits } from '@/ui/units';
import { useSpoken } from './use-spoken';

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

export interface Asked {
  plan?: HolePlan;
  /** By field of the question; empty when the question stands. */
  problems: Problem[];
  /** A worked sample hole is shown, as nothing is asked yet. */
  sample?: boolean;
}

function answerTo(form: AskForm, shop: Shop): Asked {
  const sample = form.callout.trim() === '';
  const result = planForm(sample ? { ...form, ...EXAMPLE_HOLE } : form, shop);
  if (!result.ok) return { problems: sample ? [] : result.problems };
  return { plan: result.value, problems: refusals(result.value), sample };
}

/** The question, its answer as one types, and its address. */
export function useAsk(first: AskForm, askShop: AskShop, extra: string) {
  const [form, setForm] = useState(first);
  const shop = useMemo<Shop>(() => wholeShop(askShop), [askShop]);
  const settled = useDeferredValue(form);
  const read = useSpoken(settled.callout, shop);
  // What was heard is of the line as it stands: never of one that was typed on since.
  const heard = settled.callout === form.callout ? read : undefined;
  const asked = useMemo(() => answerTo({ ...settled, ...heard?.part }, shop), [settled, heard, shop]);
  // What was said counts as soon as anything else is changed; the line itself may still be typed on.
  const change = useCallback(
    (part: Partial<AskForm>) =>
      setForm((now) => ({ ...now, ...(part.callout === undefined ? heard?.part : undefined), ...part })),
    [heard],
  );
  const toUnits = useCallback((units: Display) => setForm((now) => inUnits(now, units)), []);
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

  return { form, heard, change, asked, shop };
}
