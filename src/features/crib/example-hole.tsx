'use client';

import { useMemo } from 'react';
import type { CaseEntry, MachineEntry, MaterialEntry, TapEntry, ToolEntry } from '@/contracts/crib';
import { depth, quantity } from '@/core/answer/answer';
import { DRILL_SETS } from '@/core/drills/drill-sets';
import { BLANK_FORM, EXAMPLE_HOLE } from '@/core/hole/form';
import { mainCut } from '@/core/hole/hole-plan';
import { planForm } from '@/core/hole/read-form';
import type { ShopHabits } from '@/core/shop/habits';
import { showText, tell, type Display } from '@/core/units/show';

interface Props {
  habits: ShopHabits;
  machines: readonly MachineEntry[];
  cases: readonly CaseEntry[];
  tools: readonly ToolEntry[];
  taps: readonly TapEntry[];
  materials: readonly MaterialEntry[];
  display: Display;
}

/** One hole by the habits as they are set: what they come to is seen at once. */
export function ExampleHole({ habits, machines, cases, tools, taps, materials, display }: Props) {
  const planned = useMemo(() => {
    const inUse = machines.filter((m) => m.inUse);
    const drills = cases.filter((c) => c.inUse).flatMap((c) => c.drills);
    const shop = {
      materials: [...materials],
      machines: inUse,
      tools: tools.length > 0 ? [...tools] : undefined,
      taps: taps.length > 0 ? [...taps] : undefined,
      pools: [{ id: 'crib', label: 'The crib', drills }, ...DRILL_SETS],
      habits,
    };
    return planForm({ ...BLANK_FORM, ...EXAMPLE_HOLE, machine: inUse[0]?.id ?? '' }, shop);
  }, [habits, machines, cases, tools, taps, materials]);
  if (!planned.ok) return null;
  const plan = planned.value;
  const cut = mainCut(plan);
  const tapping = plan.thread?.tapping.best;
  const cells: [string, string][] = [
    ...(cut
      ? ([
          ['Drill', cut.spec.tool.name],
          ['Speed', cut.speed.ok ? showText(quantity(cut.speed.value.rpm, 'rpm'), display) : 'other machine'],
          ['Stop', showText(depth(cut.travel.value), display)],
        ] as [string, string][])
      : []),
    ...(tapping
      ? ([
          ['Taps', tapping.taps.map((t) => `${t.name} ${t.chamferThreads}`).join(', ')],
          ['Way', tapping.label],
          ['Back after', tapping.biteTurns > 0 ? showText(quantity(tapping.biteTurns, 'turns'), display) : 'never'],
        ] as [string, string][])
      : []),
    ['One hole', `${Math.round(plan.seconds)} s`],
  ];
  const last = plan.operations.at(-1);
  return (
    <section aria-label="Example" className="dye p-3">
      <h2 className="font-cond text-lg font-semibold">
        Example: {EXAMPLE_HOLE.callout} in {EXAMPLE_HOLE.thickness} of {plan.material.label}
      </h2>
      <dl className="mt-1 flex flex-wrap gap-x-6 gap-y-1">
        {cells.map(([label, value]) => (
          <div key={label}>
            <dt className="font-cond text-sm text-dye-200">{label}</dt>
            <dd className="font-cond text-xl font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-1 text-[15px] text-[#d5def7]">
        {[last?.order, ...(last?.details ?? [])].flatMap((p) => (p ? [tell(p, display)] : [])).join(' ')}
      </p>
    </section>
  );
}
