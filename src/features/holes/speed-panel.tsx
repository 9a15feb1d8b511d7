'use client';

import { useState } from 'react';
import { quantity } from '@/core/answer/answer';
import type { HolePlan } from '@/core/hole/hole-plan';
import { adviseFromChips, CHIP_SIGNS, type ChipSign } from '@/core/cutting/chips-adviser';
import { chooseSpeed } from '@/core/cutting/speed-step';
import type { Operation } from '@/core/operation/operation';
import { showText, tell, type Display } from '@/core/units/show';
import { BeltRows } from '@/ui/drawings/belt-rows';
import { StepLadder } from '@/ui/drawings/step-ladder';
import { SelectField } from '@/ui/field';
import { Working } from '@/ui/working';
import type { HolesState } from './use-holes';

interface Props {
  op: Operation;
  plan: HolePlan;
  state: HolesState;
  display: Display;
}

/** The speed of one operation: the machine's ladder, the three methods side by side, and what the chips say. */
export function SpeedPanel({ op, plan, state, display }: Props) {
  const { cut } = op;
  const [sign, setSign] = useState<ChipSign | ''>('');
  const { machine, material } = plan;
  if (!cut) return null;
  const setFigures = (part: { rpm?: number; feed?: number }): void =>
    state.setEdits((e) => ({ ...e, overrides: { ...e.overrides, [op.key]: { ...e.overrides?.[op.key], ...part } } }));
  const rpm = cut.speed.ok ? cut.speed.value.rpm : cut.ideal.value;
  const advice =
    sign === ''
      ? undefined
      : adviseFromChips(sign, { rpm, feed: cut.feed.value, idealRpm: cut.ideal.value }, material, machine);
  return (
    <div className="flex flex-col gap-2">
      {machine ? (
        <div className="dye h-[408px]">
          <StepLadder
            machine={machine}
            ideal={cut.ideal.value}
            speed={cut.speed}
            methods={cut.methods.map((s) => ({ label: s.label, rpm: s.rpm.value }))}
            belts={(pulleys, rows) => <BeltRows pulleys={pulleys} rows={rows} width={170} height={100} />}
            onPick={op.inserted ? undefined : (picked) => setFigures({ rpm: picked })}
          />
        </div>
      ) : (
        <p className="dye p-3">Choose a machine to see which of its speeds to set.</p>
      )}
      {!cut.speed.ok &&
        cut.speed.problems.map((p) => (
          <p key={p.code} className="font-bold text-danger">
            {tell(p, display)} <span className="font-normal text-ink">{tell(p.remedy, display)}</span>
          </p>
        ))}
      {cut.methods.length > 0 && (
        <table className="plate w-full text-[15px]">
          <caption className="label p-1 text-left">Methods and the step of each, rev/min</caption>
          <tbody>
            {cut.methods.map((s) => {
              const step = machine && chooseSpeed(machine, s.rpm.value, material, state.shop.habits.stepRule);
              return (
                <tr key={s.id} className="border-t border-steel-200">
                  <th scope="row" className="px-1.5 py-1 text-left text-sm leading-tight font-normal">
                    {s.label}
                  </th>
                  <td className="px-1 text-right font-cond text-[17px] font-semibold whitespace-nowrap">
                    <Working of={s.rpm} name={s.label} display={display}>
                      {s.rpm.value.toFixed(0)}
                    </Working>
                  </td>
                  <td className="px-1.5 text-right font-cond text-[17px] whitespace-nowrap">
                    {step && (step.ok ? `→ ${step.value.rpm}` : '→ none')}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <div className="plate flex flex-col gap-1.5 p-2">
        <SelectField label="The chips look like" value={sign} onChange={(s) => setSign(s as ChipSign | '')}>
          <option value="">pick what you see</option>
          {Object.entries(CHIP_SIGNS).map(([id, label]) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </SelectField>
        {advice && (
          <div role="status" className="text-[15px]">
            <p className="font-bold">{tell(advice.reason, display)}</p>
            <p>{tell(advice.look, display)}</p>
            {(advice.moved.speed !== 0 || advice.moved.feed !== 0 || advice.peckShare < 1) && (
              <p>
                {advice.moved.speed !== 0 &&
                  advice.speed.ok &&
                  `${showText(quantity(advice.speed.value.rpm, 'rpm'), display)}, ${advice.speed.value.label}. `}
                {advice.moved.feed !== 0 && `Feed ${showText(quantity(advice.feed, 'mm/rev'), display)}. `}
                {advice.peckShare < 1 &&
                  `Withdraw every ${showText({ value: cut.peckEveryMm * advice.peckShare, unit: 'mm', places: 1 }, display)}. `}
                {!op.inserted && (
                  <button
                    type="button"
                    className="btn mt-1 h-9"
                    onClick={() => {
                      setFigures({
                        ...(advice.speed.ok && advice.moved.speed !== 0 ? { rpm: advice.speed.value.rpm } : {}),
                        ...(advice.moved.feed !== 0 ? { feed: Number(advice.feed.toFixed(3)) } : {}),
                      });
                      setSign('');
                    }}
                  >
                    Apply
                  </button>
                )}
              </p>
            )}
          </div>
        )}
      </div>
      {cut.grab && (
        <p className="plate p-2 text-[15px]">
          If it grabs:{' '}
          <strong>
            <Working of={cut.grab.force} name="force when it grabs" display={display} />
          </strong>{' '}
          at the far edge. Enough to hold it: <strong>{cut.grab.holding.label}</strong>. Never by hand.
        </p>
      )}
    </div>
  );
}
