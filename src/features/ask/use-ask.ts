'use client';

import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import type { Problem } from '@/core/answer/answer';
import { refusals, type HolePlan } from '@/core/hole/hole-plan';
import { inUnits, toAddress, type AskForm } from '@/core/hole/form';
import { planForm } from '@/core/hole/read-form';
import type { Shop } from '@/core/shop/shop';
import { DRILL_SETS, type DrillPool } from '@/core/drills/drill-sets';

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
}

/** The question, its answer as one types, and its address. */
export function useAsk(first: AskForm, askShop: AskShop, extra: string) {
  const [form, setForm] = useState(first);
  const shop = useMemo<Shop>(() => ({ ...askShop, pools: [askShop.crib, ...DRILL_SETS] }), [askShop]);
  const settled = useDeferredValue(form);
  const asked = useMemo<Asked>(() => {
    if (settled.callout.trim() === '') return { problems: [] };
    const result = planForm(settled, shop);
    return result.ok ? { plan: result.value, problems: refusals(result.value) } : { problems: result.problems };
  }, [settled, shop]);
  const change = useCallback((part: Partial<AskForm>) => setForm((now) => ({ ...now, ...part })), []);
  const toggleUnits = useCallback(() => setForm((now) => inUnits(now, now.units === 'mm' ? 'inch' : 'mm')), []);

  const written = useRef(0);
  useEffect(() => {
    // Browsers allow only so many changes of the address a minute: at once when it is quiet, else a little later.
    const write = (): void => {
      written.current = performance.now();
      window.history.replaceState(null, '', `/?${toAddress(form)}${extra}`);
    };
    if (performance.now() - written.current > 300) {
      write();
      return undefined;
    }
    const timer = setTimeout(write, 150);
    return () => clearTimeout(timer);
  }, [form, extra]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      const typing = target.matches('input, textarea, select');
      if (event.key.toLowerCase() !== 'u' || event.ctrlKey || event.metaKey || (typing && !event.altKey)) return;
      event.preventDefault();
      toggleUnits();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [toggleUnits]);

  return { form, change, asked, shop };
}
