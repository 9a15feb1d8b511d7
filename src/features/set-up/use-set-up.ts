'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
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

const tapsOf = (set: UsualTapSet) =>
  USUAL_TAP_SETS[set].flatMap((name) => {
    const thread = threadNamed(name);
    return thread ? HAND_SET.map((role) => usualOwnTap(uuidv7(), thread, role)) : [];
  });

type Work = () => Promise<Sent<unknown>>;
/** A step of the set-up: its key, what it is called while it runs, and what it does. */
type Step = readonly [key: string, name: string, work: Work];

function caseSteps(setId: string, caseId: string): Step[] {
  const set = DRILL_SETS.find((s) => s.id === setId);
  if (!set) return [];
  const drills = set.drills.map((d) => ({
    id: uuidv7(),
    caseId,
    series: d.series,
    label: d.label,
    diameterMm: d.diameterMm,
    pointAngleDeg: pointAngleOf(d),
    material: d.material ?? 'hss',
    condition: 'sharp',
    where: '',
  }));
  const entry = { id: caseId, name: set.label, setId };
  return [
    [`case ${setId}`, 'Drills', () => send('POST', '/api/v1/crib/cases', entry)],
    [`drills ${setId}`, 'Drills', () => send('POST', '/api/v1/crib/import', { drills })],
  ];
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

  /** Steps that are done: pressed again, it goes on where it stopped. */
  const done = useRef(new Set<string>());
  /** Ids of the cases that are made, the same at every press. */
  const cases = useRef(new Map<string, string>());
  const caseOf = (setId: string): string => {
    const id = cases.current.get(setId) ?? uuidv7();
    cases.current.set(setId, id);
    return id;
  };

  function stepsNow(): Step[] {
    const change: ShopChange = { version: shop.version, units: ticked.units, habits: shop.habits };
    const sample: Step = ['sample', 'Taking the sample out', () => send('DELETE', '/api/v1/shop/sample')];
    const machines = USUAL_MACHINES.filter((m) => ticked.machines.has(m.name)).map((m): Step => [
      `machine ${m.name}`,
      m.name,
      () => send('POST', '/api/v1/crib/machines', { ...m, id: uuidv7() }),
    ]);
    const taps = [...ticked.taps].map((set): Step => [
      `taps ${set}`,
      'Taps',
      () => send('POST', '/api/v1/crib/import', { taps: tapsOf(set) }),
    ]);
    return [
      ...(ticked.withoutSample ? [sample] : []),
      ['units', 'Units', () => send('PUT', '/api/v1/shop', change)],
      ...machines,
      ...[...ticked.drills].flatMap((set) => caseSteps(set, caseOf(set))),
      ...taps,
    ];
  }

  async function make(): Promise<void> {
    setFault(undefined);
    for (const [key, name, work] of stepsNow()) {
      if (done.current.has(key)) continue;
      setBusy(name);
      const got = await work();
      if (!got.ok) {
        setBusy(undefined);
        setFault(`${name}: ${got.fault}`);
        return;
      }
      done.current.add(key);
    }
    router.push('/?callout=');
    router.refresh();
  }
  return { ticked, setTicked, busy, fault, make };
}
