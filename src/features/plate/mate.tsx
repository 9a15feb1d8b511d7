import { useState } from 'react';
import type { Job } from '@/contracts/job';
import type { Imported } from '@/core/layout/imported';
import { facesOf } from '@/core/layout/part';
import type { Display } from '@/core/units/show';
import { SelectField, TextField } from '@/ui/field';
import { send } from '@/ui/send';
import { useJobList } from '../job-store/use-job-list';
import { ImportPreview } from './import-preview';
import { useImport } from './use-import';
import type { PlateState } from './use-plate';

interface Props {
  state: PlateState;
  display: Display;
  machineId: string;
}

/** Holes that have to meet those of another part, bolts and dowels alike: its places, looked at before they are taken. */
export function MatePanel({ state, display, machineId }: Props) {
  const { face } = state;
  const jobId = state.inHand.job.id;
  const files = useImport(state, machineId, display);
  const onFound = (file: string, found: Imported): void => files.setPreview({ file, found, problems: [] });
  const [opened, setOpened] = useState(false);
  const list = useJobList(opened);
  const jobs = list.jobs.filter((j) => j.id !== jobId);
  const [failed, setFault] = useState<string>();
  const fault = failed ?? list.fault;
  const [mirrored, setMirrored] = useState(true);
  async function choose(id: string): Promise<void> {
    if (id === '') return;
    const got = await send<Job>('GET', `/api/v1/jobs/${id}`);
    setFault(got.ok ? undefined : got.fault);
    if (!got.ok) return;
    const mate = got.value;
    const { fromMate } = await import('@/core/layout/from-mate');
    const features = mate.holes.map((h) => ({ ...h, callout: h.question.callout }));
    onFound(mate.name, fromMate(mate.part, facesOf(mate.part.stock).includes(face) ? face : 'top', features, mirrored));
  }
  return (
    <section className="flex flex-col gap-2">
      <h2 className="font-cond text-lg font-semibold">Match a mating part</h2>
      <p className="text-[15px]">
        Bolts and dowels go through both: take the places from the part that is drawn already. Dowel holes are drilled
        and reamed through both once they are bolted together.
      </p>
      {fault && (
        <p role="alert" className="font-bold text-danger">
          {fault}
        </p>
      )}
      {!opened ? (
        <button type="button" className="btn self-start" onClick={() => setOpened(true)}>
          Choose the part
        </button>
      ) : (
        <>
          <label className="flex min-h-9 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={mirrored}
              onChange={(e) => setMirrored(e.target.checked)}
            />
            The faces lie on each other: mirror
          </label>
          {list.many && (
            <TextField
              label="Find a job"
              value={list.search}
              onChange={list.setSearch}
              placeholder="name, metal, thread"
            />
          )}
          <SelectField label="Mating part" value="" onChange={(id) => void choose(id)}>
            <option value="">choose</option>
            {jobs.map((j) => (
              <option key={j.id} value={j.id}>
                {j.name}
              </option>
            ))}
          </SelectField>
          <ImportPreview files={files} display={display} />
        </>
      )}
    </section>
  );
}
