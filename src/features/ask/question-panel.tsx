'use client';

import { useState } from 'react';
import type { Problem } from '@/core/answer/answer';
import { BLANK_FORM, type AskForm } from '@/core/hole/form';
import type { Shop } from '@/core/shop/shop';
import { START_LABEL } from '@/core/drills/predicted-hole';
import { BOLT_CLASSES } from '@/core/threads/engagement';
import { tell } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { SelectField, TextField } from '@/ui/field';
import { CalloutField } from './callout-field';

interface Props {
  form: AskForm;
  shop: Shop;
  problems: Problem[];
  change: (part: Partial<AskForm>) => void;
  /** The hole has no thread: its depth is that of the hole. */
  plain: boolean;
}

/** Fields that are folded away until one is used. */
const RARE = ['width', 'existing', 'drill', 'parts', 'start', 'bolt', 'dry'] as const;

const GROUP: Record<string, string> = {
  steel: 'Steel',
  stainless: 'Stainless',
  iron: 'Iron',
  aluminium: 'Aluminium',
  'copper-alloy': 'Copper, brass, bronze',
  titanium: 'Titanium',
  magnesium: 'Magnesium',
  zinc: 'Zinc',
  nickel: 'Nickel',
  plastic: 'Plastic',
};

/** What is asked: thread, material, depth, machine, drills. The rare wishes are folded away. */
export function QuestionPanel({ form, shop, problems, change, plain }: Props) {
  const [more, setMore] = useState(() => RARE.some((field) => form[field] !== BLANK_FORM[field]));
  const error = (field: string) => {
    const found = problems.find((p) => p.field === field);
    return found && `${tell(found, form.units)} ${tell(found.remedy, form.units)}`;
  };
  const groups = [...new Set(shop.materials.map((m) => m.group))];
  const unit = form.units === 'mm' ? 'mm' : 'in';
  return (
    <section aria-label="Question" className="plate px-3 pt-2 pb-2.5">
      <div className="grid grid-cols-2 items-start gap-x-3 gap-y-2 md:grid-cols-6 xl:grid-cols-[minmax(0,3fr)_minmax(0,2.4fr)_auto_minmax(0,1fr)_minmax(0,1fr)]">
        <div className="col-span-2 md:col-span-3 xl:col-span-1">
          <CalloutField
            value={form.callout}
            onChange={(callout) => change({ callout, drill: '' })}
            problem={problems.find((p) => p.field === 'callout')}
            display={form.units}
          />
        </div>
        <SelectField
          label="Material"
          value={form.material}
          onChange={(material) => change({ material, drill: '' })}
          error={error('material')}
          className="col-span-2 md:col-span-3 xl:col-span-1"
        >
          {groups.map((group) => (
            <optgroup key={group} label={GROUP[group]}>
              {shop.materials
                .filter((m) => m.group === group)
                .map((m) => (
                  <option key={m.id} value={m.id}>
                    {m.label}
                  </option>
                ))}
            </optgroup>
          ))}
        </SelectField>
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
        <div className="contents md:[&>*]:col-span-2 xl:[&>*]:col-span-1">
          <TextField
            label={`${plain ? 'Depth' : 'Thread depth'}, ${unit}`}
            value={form.depth}
            onChange={(depth) => change({ depth })}
            error={error('threadDepth')}
            placeholder="as written"
            inputMode="text"
          />
          <TextField
            label={`Plate, ${unit}`}
            value={form.thickness}
            onChange={(thickness) => change({ thickness })}
            error={error('thickness')}
            placeholder="thickness"
            inputMode="text"
          />
        </div>
      </div>
      <div className="mt-1.5 grid grid-cols-2 items-end gap-x-3 gap-y-2 md:grid-cols-6 xl:grid-cols-[minmax(0,2fr)_minmax(0,2.4fr)_auto_minmax(0,0.9fr)_auto]">
        <SelectField
          label="Machine"
          value={form.machine}
          onChange={(machine) => change({ machine })}
          error={error('machine')}
          className="col-span-2 md:col-span-3 xl:col-span-1"
        >
          <option value="">None: ideal speed only</option>
          {shop.machines.map((m) => (
            <option key={m.id} value={m.id}>
              {m.name}
            </option>
          ))}
        </SelectField>
        <SelectField
          label="Drills to choose from"
          value={form.drills}
          onChange={(drills) => change({ drills, drill: '' })}
          error={error('drills')}
          className="col-span-2 md:col-span-3 xl:col-span-1"
        >
          {shop.pools.map((p) => (
            <option key={p.id} value={p.id}>
              {p.label}
            </option>
          ))}
        </SelectField>
        <div className="col-span-2 xl:col-span-1">
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
        </div>
        <TextField
          label="Percent of thread"
          value={form.percent}
          onChange={(percent) => change({ percent, drill: '' })}
          placeholder="auto"
          inputMode="text"
          className="md:col-span-2 xl:col-span-1"
        />
        <button type="button" className="btn" aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? 'Less' : 'More'}
        </button>
      </div>
      {['targetPercent', 'tap', 'drill', 'quantity', 'stockWidth', 'bolt'].map((field) => {
        const text = error(field);
        return (
          text &&
          !(more && (field === 'stockWidth' || field === 'drill' || field === 'quantity')) && (
            <p key={field} role="alert" className="mt-2 font-bold text-danger">
              {text}
            </p>
          )
        );
      })}
      {more && (
        <div className="mt-2 grid grid-cols-2 items-end gap-3 border-t border-steel-300 pt-2 md:grid-cols-6">
          <TextField
            label={`Stock across, ${unit}`}
            value={form.width}
            onChange={(width) => change({ width })}
            error={error('stockWidth')}
            placeholder="narrowest"
          />
          <TextField
            label={`Existing hole, ${unit}`}
            value={form.existing}
            onChange={(existing) => change({ existing })}
            error={error('existing')}
            placeholder="none; or: thread"
          />
          <TextField
            label="Use this drill"
            value={form.drill}
            onChange={(drill) => change({ drill })}
            error={error('drill')}
            placeholder="6.8, 17/64, #7, F"
          />
          <TextField
            label="Parts to make"
            value={form.parts}
            onChange={(parts) => change({ parts })}
            error={error('quantity')}
          />
          <SelectField
            label="Start"
            value={form.start}
            onChange={(start) => change({ start: start as AskForm['start'] })}
          >
            <option value="auto">as usual for the machine</option>
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
          <label className="flex h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-6 accent-ink"
              checked={form.dry}
              onChange={(e) => change({ dry: e.target.checked })}
            />
            No fluid at hand
          </label>
        </div>
      )}
    </section>
  );
}
