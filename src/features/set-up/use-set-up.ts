'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { ShopChange } from '@/contracts/crib';
import { pointAngleOf } from '@/core/drills/drill';
import { DRILL_SETS } from '@/core/drills/drill-sets';
import type { ShopHabits } from '@/core/shop/habits';
import { USUAL_MACHINES, USUAL_TAP_SETS, type UsualTapSet } from '@/core/shop/usual-machines';
import { usualOwnTap } from '@/core/tapping/own-tap';
import { threadNamed } from '@/core/threads/thread-named';
import type { Display } from '@/core/units/show';
import { send, type Sent } from '@/ui/send';

/** The shop as it is set up: what is ticked. */
export interface Ticked {
  units: Display;
  machines: ReadonlySet<string>;
  drills: ReadonlySet<string>;
  taps: ReadonlySet<UsualTapSet>;
  /** The sample shop goes. */
  withoutSample: boolean;
}

export interface ShopNow {
  version: number;
  units: Display;
  habits: ShopHabits;
  /** Something of the sample shop is still there. */
  hasSample: boolean;
}

const HAND_SET = ['taper', 'plug', 'bottoming'] as const;

function tapsOf(sets: ReadonlySet<UsualTapSet>) {
  return [...sets].flatMap((set) =>
    USUAL_TAP_SETS[set].flatMap((name) => {
      const thread = threadNamed(name);
      return thread ? HAND_SET.map((role) => usualOwnTap(uuidv7(), thread, role)) : [];
    }),
  );
}

/** Adds a case and its drills. */
async function addCase(setId: string): Promise<Sent<unknown>> {
  const set = DRILL_SETS.find((s) => s.id === setId);
  const id = uuidv7();
  const made = await send('POST', '/api/v1/crib/cases', { id, name: set?.label ?? 'Case', setId });
  if (!made.ok || !set) return made;
  const drills = set.drills.map((d) => ({
    id: uuidv7(),
    caseId: id,
    series: d.series,
    label: d.label,
    diameterMm: d.diameterMm,
    pointAngleDeg: pointAngleOf(d),
    material: d.material ?? 'hss',
    condition: 'sharp',
    where: '',
  }));
  return send('POST', '/api/v1/crib/import', { drills });
}

/** The drills and taps that most shops of a unit have. */
export const usualFor = (units: Display): Pick<Ticked, 'drills' | 'taps'> =>
  units === 'mm'
    ? { drills: new Set(['metric-1-13-by-0.1']), taps: new Set<UsualTapSet>(['Metric hand taps, M3 to M12']) }
    : { drills: new Set(['inch-index-115']), taps: new Set<UsualTapSet>(['Unified coarse hand taps, #4 to 1/2']) };

/** What is ticked becomes the shop, step after step; what fails is said, and what was done stays. */
export function useSetUp(shop: ShopNow) {
  const router = useRouter();
  const [ticked, setTicked] = useState<Ticked>({
    units: shop.units,
    machines: new Set(['Bench drill press']),
    ...usualFor(shop.units),
    withoutSample: shop.hasSample,
  });
  const [busy, setBusy] = useState<string>();
  const [fault, setFault] = useState<string>();

  async function make(): Promise<void> {
    setFault(undefined);
    const change: ShopChange = { version: shop.version, units: ticked.units, habits: shop.habits };
    const steps: [string, () => Promise<Sent<unknown>>][] = [
      ...(ticked.withoutSample
        ? ([['Taking the sample out', () => send('DELETE', '/api/v1/shop/sample')]] as [
            string,
            () => Promise<Sent<unknown>>,
          ][])
        : []),
      ['Units', () => send('PUT', '/api/v1/shop', change)],
      ...USUAL_MACHINES.filter((m) => ticked.machines.has(m.name)).map((m): [string, () => Promise<Sent<unknown>>] => [
        m.name,
        () => send('POST', '/api/v1/crib/machines', { ...m, id: uuidv7() }),
      ]),
      ...[...ticked.drills].map((set): [string, () => Promise<Sent<unknown>>] => ['Drills', () => addCase(set)]),
      ...(ticked.taps.size > 0
        ? ([['Taps', () => send('POST', '/api/v1/crib/import', { taps: tapsOf(ticked.taps) })]] as [
            string,
            () => Promise<Sent<unknown>>,
          ][])
        : []),
    ];
    for (const [name, work] of steps) {
      setBusy(name);
      const got = await work();
      if (!got.ok) {
        setBusy(undefined);
        setFault(`${name}: ${got.fault}`);
        return;
      }
    }
    router.push('/');
    router.refresh();
  }
  return { ticked, setTicked, busy, fault, make };
}
