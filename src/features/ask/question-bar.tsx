'use client';

import { later } from '@/ui/later';
import Link from 'next/link';
import { useState } from 'react';
import type { Problem } from '@/core/answer/answer';
import { BLANK_FORM, type AskForm } from '@/core/hole/form';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { Shop } from '@/core/shop/shop';
import { showText, tell } from '@/core/units/show';
import { depth } from '@/core/answer/answer';
import { PickField } from '@/ui/pick-field';
import { CalloutField } from './callout-field';
import type { Heard } from './answered';

const More = later(() => import('./more'));

interface Props {
  /** As it was typed. */
  form: AskForm;
  heard?: Heard;
  shop: Shop;
  problems: Problem[];
  plan?: HolePlan;
  change: (part: Partial<AskForm>) => void;
  onSave?: () => void;
  saveLabel: string;
}

/** Fields that most questions leave alone. */
const RARE = [
  'hole',
  'depth',
  'tap',
  'percent',
  'width',
  'existing',
  'drill',
  'parts',
  'start',
  'bolt',
  'dry',
  'behind',
] as const;
/** Fields of a problem that stand folded under More. */
const FOLDED = ['threadDepth', 'stockWidth', 'existing', 'drill', 'quantity', 'bolt', 'targetPercent', 'tap', 'behind'];

/** The callout as it was read: the whole thread, through or blind. */
function reading({ hole }: HolePlan, units: AskForm['units']): string {
  const { thread, through } = hole;
  if (!thread) return through ? 'through' : 'blind';
  if (thread.feature.outside)
    return `${thread.feature.thread.designation} outside, ${showText(depth(thread.lengthMm), units)} long`;
  const { series, designation } = thread.feature.thread;
  const kind = series === 'metric-coarse' ? ', coarse' : series === 'metric-fine' ? ', fine' : '';
  return `${designation}${kind} · ${thread.through ? 'through' : 'blind'}, full thread ${showText(depth(thread.lengthMm), units)}`;
}

/** The question: the callout as one large line, what it is made of and with as chips, the rest folded. */
export function QuestionBar({ form: typed, heard, shop, problems, plan, change, onSave, saveLabel }: Props) {
  const form = { ...typed, ...heard?.part, callout: typed.callout };
  const [opened, setOpened] = useState(() => RARE.some((field) => form[field] !== BLANK_FORM[field]));
  const more = opened || problems.some((p) => FOLDED.includes(p.field));
  const error = (field: string) => {
    const found = problems.find((p) => p.field === field);
    return found && `${tell(found, form.units)} ${tell(found.remedy, form.units)}`;
  };
  const unit = form.units === 'mm' ? 'mm' : 'in';
  return (
    <section aria-label="Question" className="flex flex-col gap-2">
      <CalloutField
        value={form.callout}
        onChange={(callout) => change({ callout, drill: '', taps: '' })}
        problem={problems.find((p) => p.field === 'callout')}
        display={form.units}
        reading={plan && reading(plan, form.units)}
        heard={heard?.said}
        onHeard={() => change({ ...heard?.part })}
      />
      <div className="flex gap-2 overflow-x-auto pb-0.5 [&>*]:shrink-0 sm:flex-wrap sm:overflow-visible">
        <PickField
          chip
          label="Material"
          value={form.material}
          options={shop.materials}
          find={() => import('@/ui/materials-found').then((m) => m.materialsFound(shop.materials))}
          onChange={(material) => change({ material, drill: '', taps: '' })}
          error={error('material')}
        />
        <label className={`chip gap-1.5 ${error('thickness') ? 'border-danger' : ''}`}>
          plate
          <input
            aria-label={`Plate, ${unit}`}
            aria-invalid={!!error('thickness')}
            className="h-9 w-14 rounded-sm border-b-2 border-steel-500 bg-transparent text-center"
            value={form.thickness}
            autoComplete="off"
            placeholder="?"
            onChange={(e) => change({ thickness: e.target.value })}
          />
          {unit}
        </label>
        <PickField
          chip
          label="Machine"
          value={form.machine}
          options={[...shop.machines.map((m) => ({ id: m.id, label: m.name })), { id: '', label: 'No machine' }]}
          onChange={(machine) => change({ machine })}
          error={error('machine')}
          none="No machine"
        />
        <PickField
          chip
          label="Drills to choose from"
          value={form.drills}
          options={shop.pools}
          onChange={(drills) => change({ drills, drill: '' })}
          error={error('drills')}
        />
        <button type="button" className="chip" aria-expanded={more} onClick={() => setOpened(!more)}>
          {more ? 'Less' : 'More'}
        </button>
        <Link className="chip" href="/thread" prefetch={false}>
          What thread is this?
        </Link>
        {onSave && (
          <button type="button" className="btn-next sm:ml-auto" onClick={onSave}>
            {saveLabel}
          </button>
        )}
      </div>
      {['material', 'machine', 'drills', 'thickness'].map((field) => {
        const text = error(field);
        return (
          text && (
            <p key={field} role="alert" className="font-bold text-danger">
              {text}
            </p>
          )
        );
      })}
      {more && <More form={form} change={change} error={error} plain={plan !== undefined && !plan.thread} />}
    </section>
  );
}
