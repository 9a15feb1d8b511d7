'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { headFields, type Job, type JobFeature, type JobPapers } from '@/contracts/job';
import type { DrillPool } from '@/core/drills/drill-sets';
import { BLANK_FORM, toAddress } from '@/core/hole/form';
import { holeLine, type HoleLine } from '@/core/job/hole-line';
import { faceSketch } from '@/core/job/face-sketch';
import { plannerFor, questionInJob } from '@/core/job/plan-in-job';
import { workOf } from '@/core/job/summary';
import { wholeShop, type Shop } from '@/core/shop/shop';
import type { Display } from '@/core/units/show';
import { PickField } from '@/ui/pick-field';
import { useDraft } from '@/ui/use-draft';
import { JobBar } from '../job-store/job-bar';
import { useJob, type JobInHand } from '../job-store/use-job';
import { useJobUnits } from '../job-store/use-job-units';
import { FaceDrawing } from '@/ui/drawings/face-drawing';
import { lineText } from './job-summary';
import { RouteStrip } from './route-strip';

interface Props {
  job: Job;
  /** The shop with its crib; the usual sets are known here. */
  shop: Omit<Shop, 'pools'> & { crib: DrillPool };
  /** Machine for holes added here. */
  machineId: string;
}

/** One job: its name, material and number, and its holes in order, each with what to do. It saves itself. */
export function JobEditor({ job: opened, shop: shopHere, machineId }: Props) {
  const inHand = useJob(opened);
  const units = useJobUnits(inHand);
  const { job, editLaid } = inHand;
  const shop = useMemo<Shop>(() => wholeShop(shopHere), [shopHere]);
  const planner = useMemo(() => plannerFor(shop), [shop]);
  const lines = useMemo(() => job.holes.map((hole) => holeLine(hole, job, planner)), [job, planner]);
  const sketch = useMemo(() => faceSketch(job.part, job.holes), [job.part, job.holes]);
  const [callout, setCallout] = useDraft(`${job.id} add`);
  const [removed, setRemoved] = useState<JobFeature>();

  function add(): void {
    const text = callout.trim();
    if (text === '') return;
    const question = { ...BLANK_FORM, callout: text, machine: machineId, units };
    editLaid((laid) => ({ ...laid, holes: [...laid.holes, { id: uuidv7(), name: '', question, face: 'top' }] }));
    setCallout('');
  }
  function moveUp(i: number): void {
    editLaid((laid) => {
      const holes = [...laid.holes];
      [holes[i - 1], holes[i]] = [holes[i], holes[i - 1]];
      return { ...laid, holes };
    });
  }
  function remove(hole: JobFeature): void {
    editLaid((laid) => ({ ...laid, holes: laid.holes.filter((h) => h.id !== hole.id) }));
    setRemoved(hole);
  }

  return (
    <div className="flex flex-col gap-3">
      <JobBar inHand={inHand} />
      <section
        aria-label="The part"
        className="grid grid-cols-[minmax(0,1fr)] gap-3 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]"
      >
        <Link href={`/jobs/${job.id}/plate`} prefetch={false} className="dye grid h-60 place-items-center p-3">
          {sketch ? (
            <FaceDrawing sketch={sketch} letters className="size-full" />
          ) : (
            <span className="text-lg underline decoration-dotted underline-offset-4">
              Lay the part out on the plate
            </span>
          )}
        </Link>
        <div className="flex flex-col gap-3">
          <RouteStrip work={workOf(lines)} />
        </div>
      </section>
      <div className="plate grid gap-3 p-3 sm:grid-cols-[2fr_2fr_90px]">
        <HeadField inHand={inHand} field="name" label="Job" className="font-bold" />
        <PickField
          label="Material"
          value={job.materialId}
          options={shop.materials}
          find={() => import('@/ui/materials-found').then((m) => m.materialsFound(shop.materials))}
          onChange={(id) => inHand.edit((d) => void (d.head.materialId = id))}
          none={job.materialId}
        />
        <HeadField inHand={inHand} field="quantity" label="Parts" />
        <HeadField inHand={inHand} field="notes" label="Notes" />
        <PaperFields inHand={inHand} />
      </div>
      <section className="plate p-3">
        <h2 className="font-cond text-xl font-semibold">Holes</h2>
        {job.holes.length === 0 && <p className="py-2">No holes yet. Enter a callout below.</p>}
        <ol className="flex flex-col">
          {job.holes.map((hole, i) => (
            <HoleRow
              key={hole.id}
              inHand={inHand}
              hole={hole}
              line={lines[i]}
              units={units}
              onUp={i === 0 ? undefined : () => moveUp(i)}
              onRemove={() => remove(hole)}
            />
          ))}
        </ol>
        {removed && !job.holes.some((h) => h.id === removed.id) && (
          <p role="status" className="flex items-center gap-3 py-1">
            {removed.letter}, “{removed.name || removed.question.callout}”, was removed.
            <button type="button" className="btn" onClick={inHand.undo}>
              Undo
            </button>
          </p>
        )}
        <form
          className="mt-2 flex flex-wrap items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            add();
          }}
        >
          <label className="flex flex-1 flex-col gap-1">
            <span className="label">Add a hole</span>
            <input
              className="field"
              value={callout}
              maxLength={200}
              placeholder="4x M5 x 12 DEEP"
              onChange={(e) => setCallout(e.target.value)}
            />
          </label>
          <button type="submit" className="btn">
            Add
          </button>
        </form>
      </section>
    </div>
  );
}

interface HeadFieldProps {
  inHand: JobInHand;
  field: 'name' | 'quantity' | 'notes';
  label: string;
  className?: string;
}

/** A field of the job: what can be saved is, as it is typed; what cannot stays with the reason. */
function HeadField({ inHand, field, label, className = '' }: HeadFieldProps) {
  const { job, edit } = inHand;
  // A draft begins with a mark, as an emptied field is one too.
  const [draft, setDraft] = useDraft(`${job.id} ${field}`);
  const text = draft === '' ? String(job[field]) : draft.slice(1);
  const value = field === 'quantity' ? (text.trim() === '' ? NaN : Number(text)) : text;
  const read = headFields[field].safeParse(value);
  const type = (next: string): void => {
    setDraft(`=${next}`);
    const typed = headFields[field].safeParse(field === 'quantity' && next.trim() !== '' ? Number(next) : next);
    if (typed.success) edit((d) => void Object.assign(d.head, { [field]: typed.data }), true);
  };
  const props = {
    className: `field ${className} ${field === 'notes' ? 'h-20 py-2' : ''} ${read.success ? '' : 'border-danger'}`,
    value: text,
    'aria-invalid': !read.success,
    onBlur: () => read.success && setDraft(''),
  };
  return (
    <label className={`flex flex-col gap-1 ${field === 'notes' ? 'sm:col-span-3' : ''}`}>
      <span className="label">{label}</span>
      {field === 'notes' ? (
        <textarea {...props} onChange={(e) => type(e.target.value)} />
      ) : (
        <input
          {...props}
          inputMode={field === 'quantity' ? 'numeric' : undefined}
          onChange={(e) => type(e.target.value)}
        />
      )}
      {!read.success && (
        <span role="alert" className="text-sm font-bold text-danger">
          {read.error.issues[0].message}
        </span>
      )}
    </label>
  );
}

const PAPERS: [keyof JobPapers, string][] = [
  ['drawing', 'Drawing'],
  ['revision', 'Revision'],
  ['partNumber', 'Part number'],
  ['order', 'Order'],
  ['serial', 'First serial'],
];

/** What a customer looks for on the papers: drawing, revision, order, part and serial. */
function PaperFields({ inHand }: { inHand: JobInHand }) {
  const { papers = {} } = inHand.job;
  const set = (key: keyof JobPapers, text: string): void =>
    inHand.edit((d) => {
      const { [key]: _, ...rest } = d.head.papers ?? {};
      d.head.papers = text === '' ? rest : { ...rest, [key]: text };
    }, true);
  return (
    <div className="grid grid-cols-2 gap-3 sm:col-span-3 sm:grid-cols-5">
      {PAPERS.map(([key, label]) => (
        <label key={key} className="flex flex-col gap-1">
          <span className="label">{label}</span>
          <input
            className="field"
            maxLength={60}
            value={papers[key] ?? ''}
            onChange={(e) => set(key, e.target.value)}
          />
        </label>
      ))}
    </div>
  );
}

interface HoleRowProps {
  inHand: JobInHand;
  hole: JobFeature;
  line: HoleLine;
  units: Display;
  /** Undefined for the first. */
  onUp?: () => void;
  onRemove: () => void;
}

function HoleRow({ inHand, hole, line, units, onUp, onRemove }: HoleRowProps) {
  const { job, edit } = inHand;
  const text = lineText(line, units);
  const named = hole.name || hole.question.callout;
  const address = `/?${toAddress(questionInJob(hole.question, job))}&job=${job.id}&jobHole=${hole.id}`;
  return (
    <li className="grid gap-x-4 gap-y-1 border-t border-steel-200 py-2 first:border-0 md:grid-cols-[1fr_auto]">
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <strong className="font-cond text-xl">{hole.letter}</strong>
          <strong className="text-lg">{hole.question.callout}</strong>
          <input
            aria-label={`Name of ${hole.letter}`}
            className="h-9 min-w-40 flex-1 rounded-sm border border-steel-200 bg-white px-2"
            value={hole.name}
            maxLength={120}
            placeholder="name"
            onChange={(e) => edit((d) => void (d.features[hole.id].name = e.target.value), true)}
          />
        </div>
        {text.drill ? (
          <p className="text-[15px]">
            Drill <strong>{text.drill}</strong> at {text.speed}; {text.depth}. {text.then && `${text.then}.`}
          </p>
        ) : (
          text.then && <p className="text-[15px] text-steel-700">{text.then}.</p>
        )}
        {line.savedBy && (
          <p className="text-[15px] text-steel-700">
            Saved with rules {line.savedBy}; the figures here are by today’s rules.
          </p>
        )}
        {text.troubles.map((trouble) => (
          <p key={trouble} className="text-[15px] font-bold text-danger">
            ! {trouble}
          </p>
        ))}
      </div>
      <div className="flex items-start gap-2">
        <Link className="btn" href={`/jobs/${job.id}/holes?hole=${hole.id}`} prefetch={false}>
          In full
        </Link>
        <Link className="btn" href={address} prefetch={false}>
          Open in Ask
        </Link>
        <button
          type="button"
          className="btn px-3"
          disabled={!onUp}
          onClick={onUp}
          aria-label={`Move ${hole.letter}, ${named}, up`}
        >
          ↑
        </button>
        <button type="button" className="btn px-3" onClick={onRemove} aria-label={`Remove ${hole.letter}, ${named}`}>
          ✕
        </button>
      </div>
    </li>
  );
}
