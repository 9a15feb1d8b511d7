'use client';

import { useQuery } from '@tanstack/react-query';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Job, JobFeature } from '@/contracts/job';
import type { WayState } from '@/contracts/way';
import type { DrillPool } from '@/core/drills/drill-sets';
import { BLANK_FORM } from '@/core/hole/form';
import { holeLine } from '@/core/job/hole-line';
import { faceSketch } from '@/core/job/face-sketch';
import { plannerFor } from '@/core/job/plan-in-job';
import { workOf } from '@/core/job/summary';
import { partSaid } from '@/core/job/way';
import { wholeShop, type Shop } from '@/core/shop/shop';
import { tell, unitOnce, type Display } from '@/core/units/show';
import { PickField } from '@/ui/pick-field';
import { useDraft } from '@/ui/use-draft';
import { JobBar } from '../job-store/job-bar';
import { useJob, type JobInHand } from '../job-store/use-job';
import { useJobUnits } from '../job-store/use-job-units';
import { FaceDrawing } from '@/ui/drawings/face-drawing';
import { HeadField, PaperFields } from './head-fields';
import { HoleRow } from './hole-row';
import { madeIn } from './made-in';
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
  const { job } = inHand;
  const shop = useMemo<Shop>(() => wholeShop(shopHere), [shopHere]);
  const planner = useMemo(() => plannerFor(shop), [shop]);
  const lines = useMemo(() => job.holes.map((hole) => holeLine(hole, job, planner)), [job, planner]);
  // As the way above has it, kept up with what is recorded.
  const { data: way } = useQuery<WayState>({ queryKey: ['way', job.id], enabled: false });
  const bench = way?.bench;
  const sketch = useMemo(() => faceSketch(job.part, job.holes), [job.part, job.holes]);
  return (
    <div className="flex flex-col gap-3">
      <JobBar inHand={inHand} />
      <section
        aria-label="The part"
        className="grid grid-cols-[minmax(0,1fr)] gap-3 md:grid-cols-[minmax(0,4fr)_minmax(0,5fr)]"
      >
        <Link
          href={`/jobs/${job.id}/plate`}
          prefetch={false}
          className="dye grid h-80 grid-rows-[minmax(0,1fr)_auto] place-items-center gap-2 p-3 md:h-auto"
        >
          {sketch ? (
            <FaceDrawing sketch={sketch} letters isMade={madeIn(bench)} className="size-full md:max-h-72" />
          ) : (
            <span className="text-lg underline decoration-dotted underline-offset-4">
              Lay the part out on the plate
            </span>
          )}
          <span className="justify-self-start font-cond text-lg">
            {job.part.stock.shape}, {unitOnce(tell(partSaid(job.part), units))}
            {job.quantity > 1 && bench?.inHand ? `; part ${bench.inHand.part} of ${job.quantity} in hand` : ''}
          </span>
        </Link>
        <div className="flex flex-col gap-3">
          <RouteStrip work={workOf(lines)} done={bench?.inHand?.done} />
          <div className="plate grid gap-3 p-3 sm:grid-cols-[minmax(0,1fr)_80px]">
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
        </div>
      </section>
      <JobHoles inHand={inHand} lines={lines} machineId={machineId} units={units} />
    </div>
  );
}

interface HolesProps {
  inHand: JobInHand;
  lines: readonly ReturnType<typeof holeLine>[];
  machineId: string;
  units: Display;
}

/** The holes in order; one is added by its callout, and one that was removed can be had back. */
function JobHoles({ inHand, lines, machineId, units }: HolesProps) {
  const { job, editLaid } = inHand;
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
  );
}
