import { useState } from 'react';
import { START_SHORT } from '@/core/drills/expected-hole';
import { START_CHOICES } from '@/core/hole/form';
import { SelectField, TextField } from '@/ui/field';
import { PickField } from '@/ui/pick-field';
import type { HolesState } from './use-holes';

/** What is asked of the holes of a group: callout, machine, start, what is there already. */
export function Question({ state }: { state: HolesState }) {
  const { group, ask, shop } = state;
  const first = group?.holes[0];
  const [callout, setCallout] = useState(group?.callout ?? '');
  const [existing, setExisting] = useState(first?.question.existing ?? '');
  if (!group || !first) return null;
  const commit = (): void => {
    if (callout.trim() !== '' && callout.trim() !== group.callout) ask({ callout: callout.trim(), depth: '' });
  };
  return (
    <div className="plate grid grid-cols-2 gap-2 p-2">
      <form
        className="col-span-2"
        onSubmit={(e) => {
          e.preventDefault();
          commit();
        }}
        onBlur={commit}
      >
        <TextField
          label={group.count > 1 ? `Callout, for all ${group.count}` : 'Callout'}
          value={callout}
          onChange={setCallout}
        />
      </form>
      <PickField
        label="Machine"
        className="col-span-2"
        value={first.question.machine}
        options={[...shop.machines.map((m) => ({ id: m.id, label: m.name })), { id: '', label: 'No machine' }]}
        onChange={(machine) => ask({ machine })}
      />
      <SelectField
        label="Start"
        value={first.question.start}
        onChange={(start) => ask({ start: start as typeof first.question.start })}
      >
        {START_CHOICES.map((start) => (
          <option key={start} value={start}>
            {start === 'auto' ? 'shop default' : START_SHORT[start]}
          </option>
        ))}
      </SelectField>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          ask({ existing });
        }}
        onBlur={() => existing !== first.question.existing && ask({ existing })}
      >
        <TextField
          label={`Existing hole, ${first.question.units === 'inch' ? 'in' : 'mm'}`}
          value={existing}
          onChange={setExisting}
          placeholder="none; or: thread"
        />
      </form>
      <label className="col-span-2 flex min-h-9 items-center gap-2">
        <input
          type="checkbox"
          className="size-5 accent-ink"
          checked={first.question.dry}
          onChange={(e) => ask({ dry: e.target.checked })}
        />
        Dry: no fluid
      </label>
    </div>
  );
}
