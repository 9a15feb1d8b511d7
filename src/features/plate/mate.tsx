import { useState } from 'react';
import type { Job } from '@/contracts/job';
import type { Imported } from '@/core/layout/imported';
import { facesOf, type FaceId } from '@/core/layout/part';
import { SelectField, TextField } from '@/ui/field';
import { send } from '@/ui/send';
import { useJobList } from '../job-store/use-job-list';

interface MateProps {
  jobId: string;
  face: FaceId;
  onFound: (name: string, found: Imported) => void;
}

/** Match-drilling on paper: the places of a mating part, looked at above before they are taken. */
export function Mate({ jobId, face, onFound }: MateProps) {
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
        </>
      )}
    </section>
  );
}
