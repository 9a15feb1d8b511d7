'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useFieldArray, useForm } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import type { Job } from '@/contracts/job';
import { BLANK_FORM } from '@/core/hole/form';
import type { Material } from '@/core/materials/material';
import type { Display } from '@/core/units/show';
import { send } from '@/ui/send';
import type { HoleLine } from './job-summary';

interface Props {
  job: Job;
  lines: HoleLine[];
  materials: readonly Material[];
  /** Machine for holes added here. */
  machineId: string;
  units: Display;
}

type Draft = Pick<Job, 'name' | 'materialId' | 'quantity' | 'notes' | 'holes'>;

/** One job: its name, material and number, and its holes in order, each with what to do. */
export function JobEditor({ job, lines, materials, machineId, units }: Props) {
  const router = useRouter();
  const { register, control, handleSubmit, reset, formState, setValue } = useForm<Draft>({
    values: job,
    resetOptions: { keepDirtyValues: true },
  });
  const { fields, append, remove, move, insert } = useFieldArray({ control, name: 'holes', keyName: 'key' });
  const [callout, setCallout] = useState('');
  const [fault, setFault] = useState<string>();
  const [removed, setRemoved] = useState<{ at: number; hole: Job['holes'][number] }>();
  const error = formState.errors.name ?? formState.errors.quantity;

  async function save(draft: Draft): Promise<void> {
    const { name, materialId, quantity, notes, holes } = draft;
    const body = {
      id: job.id,
      version: job.version,
      name,
      materialId,
      quantity,
      notes,
      part: job.part,
      holes: holes.map(({ id, name: holeName, question, face, place, exit, edits }) => ({
        id,
        name: holeName,
        question,
        face,
        place,
        exit,
        edits,
      })),
    };
    const got = await send<Job>('PUT', `/api/v1/jobs/${job.id}`, body);
    if (!got.ok) {
      setFault(got.fault);
      return;
    }
    setFault(undefined);
    setRemoved(undefined);
    reset(got.value);
    router.refresh();
  }
  function add(): void {
    if (callout.trim() === '') return;
    append({
      id: uuidv7(),
      name: callout.trim(),
      question: { ...BLANK_FORM, callout: callout.trim(), machine: machineId, units },
      face: 'top',
    });
    setCallout('');
  }

  return (
    <form className="flex flex-col gap-3" onSubmit={(e) => void handleSubmit(save)(e)}>
      <div className="plate grid gap-3 p-3 sm:grid-cols-[2fr_2fr_90px]">
        <label className="flex flex-col gap-1">
          <span className="label">Job</span>
          <input
            className="field font-bold"
            {...register('name', {
              required: 'Give the job a name.',
              maxLength: { value: 120, message: 'A name has at most 120 characters.' },
            })}
          />
        </label>
        <label className="flex flex-col gap-1">
          <span className="label">Material</span>
          <select className="field" {...register('materialId')}>
            {materials.map((m) => (
              <option key={m.id} value={m.id}>
                {m.label}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col gap-1">
          <span className="label">Parts</span>
          <input
            className="field"
            inputMode="numeric"
            {...register('quantity', {
              setValueAs: Number,
              validate: (n) =>
                (Number.isInteger(n) && n >= 1 && n <= 100000) || 'Parts: a whole number from 1 to 100000.',
            })}
          />
        </label>
        <label className="flex flex-col gap-1 sm:col-span-3">
          <span className="label">Notes</span>
          <textarea className="field h-20 py-2" {...register('notes', { maxLength: 4000 })} />
        </label>
      </div>
      <section className="plate p-3">
        <h2 className="font-cond text-xl font-semibold">Holes</h2>
        {fields.length === 0 && <p className="py-2">No holes yet. Type a callout below as the drawing writes it.</p>}
        <ol className="flex flex-col">
          {fields.map((hole, i) => {
            const line = lines.find((l) => l.id === hole.id);
            return (
              <li
                key={hole.key}
                className="grid gap-x-4 gap-y-1 border-t border-steel-200 py-2 first:border-0 md:grid-cols-[1fr_auto]"
              >
                <div className="min-w-0">
                  <div className="flex flex-wrap items-baseline gap-x-3">
                    <strong className="text-lg">{hole.question.callout}</strong>
                    <input
                      aria-label={`Name of hole ${i + 1}`}
                      className="h-9 min-w-40 flex-1 rounded-sm border border-steel-200 bg-white px-2"
                      {...register(`holes.${i}.name`)}
                    />
                  </div>
                  {line?.drill ? (
                    <p className="text-[15px]">
                      Drill <strong>{line.drill}</strong> at {line.speed}; {line.depth}.{' '}
                      {line.tapping && `${line.tapping}.`}
                    </p>
                  ) : (
                    <p className="text-[15px] text-steel-700">
                      {line ? line.tapping && `${line.tapping}.` : 'Save to see what to do.'}
                    </p>
                  )}
                  {line?.savedBy && (
                    <p className="text-[15px] text-steel-700">
                      Saved with rules {line.savedBy}; the figures here are by the rules of today.
                    </p>
                  )}
                  {line?.troubles.map((trouble) => (
                    <p key={trouble} className="text-[15px] font-bold text-danger">
                      ! {trouble}
                    </p>
                  ))}
                </div>
                <div className="flex items-start gap-2">
                  {line && (
                    <Link className="btn" href={`/jobs/${job.id}/holes?hole=${hole.id}`} prefetch={false}>
                      In full
                    </Link>
                  )}
                  {line && (
                    <Link className="btn" href={line.address} prefetch={false}>
                      Open in Ask
                    </Link>
                  )}
                  <button
                    type="button"
                    className="btn px-3"
                    disabled={i === 0}
                    onClick={() => move(i, i - 1)}
                    aria-label={`Move ${hole.name} up`}
                  >
                    ↑
                  </button>
                  <button
                    type="button"
                    className="btn px-3"
                    onClick={() => {
                      setRemoved({
                        at: i,
                        hole: {
                          id: hole.id,
                          name: hole.name,
                          question: hole.question,
                          face: hole.face,
                          place: hole.place,
                          exit: hole.exit,
                          edits: hole.edits,
                        },
                      });
                      remove(i);
                    }}
                    aria-label={`Remove ${hole.name}`}
                  >
                    ✕
                  </button>
                </div>
              </li>
            );
          })}
        </ol>
        {removed && (
          <p role="status" className="flex items-center gap-3 py-1">
            “{removed.hole.name}” is taken out when you save.
            <button
              type="button"
              className="btn"
              onClick={() => {
                insert(removed.at, removed.hole);
                setRemoved(undefined);
              }}
            >
              Undo
            </button>
          </p>
        )}
        <div className="mt-2 flex flex-wrap items-end gap-2">
          <label className="flex flex-1 flex-col gap-1">
            <span className="label">Add a hole</span>
            <input
              className="field"
              value={callout}
              placeholder="4x M5 x 12 DEEP"
              onChange={(e) => setCallout(e.target.value)}
              onKeyDown={(e) => {
                if (e.key !== 'Enter') return;
                e.preventDefault();
                add();
              }}
            />
          </label>
          <button type="button" className="btn" onClick={add}>
            Add
          </button>
        </div>
      </section>
      {(fault ?? error?.message) && (
        <p role="alert" className="font-bold text-danger">
          {fault ?? error?.message}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="btn-next" disabled={!formState.isDirty || formState.isSubmitting}>
          {formState.isDirty ? 'Save' : 'Saved'}
        </button>
        {formState.isDirty && (
          <button
            type="button"
            className="btn"
            onClick={() => {
              reset(job);
              setValue('holes', job.holes);
              setRemoved(undefined);
            }}
          >
            Undo all changes
          </button>
        )}
        <Link className="btn" href={`/jobs/${job.id}/holes`} prefetch={false}>
          Holes in full
        </Link>
        <Link className="btn" href={`/jobs/${job.id}/plate`} prefetch={false}>
          Lay out the plate
        </Link>
        <Link className="btn" href={`/jobs/${job.id}/card`} prefetch={false}>
          Print the card
        </Link>
      </div>
    </form>
  );
}
