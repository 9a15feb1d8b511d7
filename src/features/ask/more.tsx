'use client';

import { START_LABEL } from '@/core/drills/expected-hole';
import type { AskForm } from '@/core/hole/form';
import { BOLT_CLASSES } from '@/core/threads/engagement';
import { Choice } from '@/ui/choice';
import { SelectField, TextField } from '@/ui/field';

interface Props {
  form: AskForm;
  change: (part: Partial<AskForm>) => void;
  /** What is wrong with a field. */
  error: (field: string) => string | undefined;
  /** Nothing is tapped. */
  plain: boolean;
}

/** What most questions leave alone. */
export default function More({ form, change, error, plain }: Props) {
  const unit = form.units === 'mm' ? 'mm' : 'in';
  return (
    <div className="plate grid grid-cols-2 items-start gap-3 p-3 md:grid-cols-4 xl:grid-cols-6">
      <div className="col-span-2 xl:col-span-1">
        <Choice
          label="Hole"
          value={form.hole}
          onChange={(hole) => change({ hole })}
          options={[
            ['auto', 'as written'],
            ['through', 'through'],
            ['blind', 'blind'],
          ]}
        />
      </div>
      <TextField
        label={`${plain ? 'Depth' : 'Thread depth'}, ${unit}`}
        value={form.depth}
        onChange={(deep) => change({ depth: deep })}
        error={error('threadDepth')}
        placeholder="as written"
      />
      <Choice
        label="Tap"
        value={form.tap}
        onChange={(tap) => change({ tap, drill: '' })}
        options={[
          ['auto', 'auto'],
          ['cut', 'cut'],
          ['form', 'form'],
        ]}
      />
      <TextField
        label="Percent of thread"
        value={form.percent}
        onChange={(percent) => change({ percent, drill: '' })}
        error={error('targetPercent') ?? error('tap')}
        placeholder="auto"
      />
      <TextField
        label="Use this drill"
        value={form.drill}
        onChange={(drill) => change({ drill })}
        error={error('drill')}
        placeholder="6.8, 17/64, #7, F"
      />
      <TextField
        label={`Existing hole, ${unit}`}
        value={form.existing}
        onChange={(existing) => change({ existing })}
        error={error('existing')}
        placeholder="none; or: thread"
      />
      <TextField
        label={`Narrowest stock width, ${unit}`}
        value={form.width}
        onChange={(width) => change({ width })}
        error={error('stockWidth')}
      />
      <TextField
        label={`Free behind, ${unit}`}
        value={form.behind}
        onChange={(behind) => change({ behind })}
        error={error('behind')}
        placeholder="not known"
      />
      <SelectField label="Start" value={form.start} onChange={(start) => change({ start: start as AskForm['start'] })}>
        <option value="auto">usual for the machine</option>
        {Object.entries(START_LABEL).map(([id, text]) => (
          <option key={id} value={id}>
            {text}
          </option>
        ))}
      </SelectField>
      <SelectField label="Bolt" value={form.bolt} onChange={(bolt) => change({ bolt })} error={error('bolt')}>
        <option value="">usual for the thread</option>
        {BOLT_CLASSES.map((b) => (
          <option key={b.id} value={b.id}>
            {b.label}
          </option>
        ))}
      </SelectField>
      <TextField
        label="Parts to make"
        value={form.parts}
        onChange={(parts) => change({ parts })}
        error={error('quantity')}
      />
      <label className="flex h-11 items-center gap-2 self-end">
        <input
          type="checkbox"
          className="size-6 accent-ink"
          checked={form.dry}
          onChange={(e) => change({ dry: e.target.checked })}
        />
        Dry: no fluid
      </label>
    </div>
  );
}
