'use client';

import { useMemo } from 'react';
import type { Job, JobFeature } from '@/contracts/job';
import { machineFigures, type MachineFigures } from '@/core/hole/compare-machines';
import type { Planner } from '@/core/job/plan-in-job';
import type { Shop } from '@/core/shop/shop';
import { START_SHORT } from '@/core/drills/expected-hole';
import { showText, tell, type Display } from '@/core/units/show';

interface Props {
  job: Job;
  feature: JobFeature;
  shop: Shop;
  planner: Planner;
  display: Display;
  onUse: (machineId: string) => void;
}

/** The same hole on every machine of the shop: what differs from the one in use stands out. */
export function MachinesTable({ job, feature, shop, planner, display, onUse }: Props) {
  const all = useMemo(
    () =>
      shop.machines.map((m) =>
        machineFigures(
          m,
          // Figures set for one machine mean nothing on another.
          planner.plan({ ...feature, edits: undefined, question: { ...feature.question, machine: m.id } }, job),
        ),
      ),
    [feature, job, shop, planner],
  );
  const here = all.find((f) => f.machine.id === feature.question.machine);
  const rows: [string, (f: MachineFigures) => string][] = [
    ['Start', (f) => (f.start ? START_SHORT[f.start] : 'existing hole')],
    [
      'Speed, rev/min',
      (f) =>
        f.rpm === undefined
          ? f.problems.map((p) => tell(p, display)).join(' ') || '—'
          : `${f.rpm} (${(f.percentOfIdeal ?? 0).toFixed(0)} %)`,
    ],
    ['Depth stop', (f) => f.stop ?? ''],
    ['Oversize', (f) => (f.oversizeMm === undefined ? '—' : showText({ value: f.oversizeMm, unit: 'mm' }, display))],
    ['Tapped', (f) => f.tapping ?? '—'],
    ['Operations', (f) => String(f.operations)],
    ['Time a hole', (f) => `${Math.round(f.seconds)} s`],
    ['To watch', (f) => (f.warnings.length === 0 ? 'nothing' : f.warnings.map((c) => tell(c, display)).join(' '))],
  ];
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-[15px]">
        <thead>
          <tr className="border-b border-steel-300 text-left">
            <td />
            {all.map((f) => (
              <th key={f.machine.id} scope="col" className="p-1.5 align-bottom">
                {f.machine.name}
                <br />
                {f === here ? (
                  <span className="font-normal text-steel-700">in use</span>
                ) : (
                  <button
                    type="button"
                    className="btn h-9 px-2"
                    aria-label={`Use this: ${f.machine.name}`}
                    onClick={() => onUse(f.machine.id)}
                  >
                    Use this
                  </button>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([label, of]) => (
            <tr key={label} className="border-b border-steel-200 align-top">
              <th scope="row" className="p-1.5 text-left font-normal whitespace-nowrap text-steel-700">
                {label}
              </th>
              {all.map((f) => {
                const cannot = f.problems.length > 0 && f.operations === 0;
                const differs = here && !cannot && of(f) !== of(here);
                return (
                  <td key={f.machine.id} className={`p-1.5 ${differs ? 'font-bold' : ''}`}>
                    {cannot ? (label === 'Start' ? f.problems.map((p) => tell(p, display)).join(' ') : '') : of(f)}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-steel-700">
        Bold: differs from the machine in use. Times and oversize are our estimate.
      </p>
    </div>
  );
}
