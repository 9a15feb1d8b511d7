'use client';

import Link from 'next/link';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Job } from '@/contracts/job';
import type { KeptQuestion } from '@/contracts/question';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { AskForm } from '@/core/hole/form';
import { TextField } from '@/ui/field';
import { PickField } from '@/ui/pick-field';
import Modal from '@/ui/modal';
import { send } from '@/ui/send';
import { useJobList } from '../job-store/use-job-list';
import type { Origin } from './use-ask';

type JobToKeepIn = Pick<Job, 'id' | 'name' | 'materialId'>;

interface Props {
  form: AskForm;
  plan: HolePlan;
  origin?: Origin;
  onClose: () => void;
}

const NEW = 'new';

/** The change that adds the hole to a job, or puts it back where it came from. */
function withHole(job: Job, question: KeptQuestion, name: string, origin: Origin | undefined) {
  const before = origin?.jobId === job.id ? job.holes.find((h) => h.id === origin.holeId) : undefined;
  const change = uuidv7();
  return before
    ? {
        change,
        head: { version: job.headVersion, set: { materialId: question.material } },
        features: [{ id: before.id, version: before.version, set: { name, question } }],
      }
    : { change, add: [{ id: uuidv7(), name, question, face: 'top' }] };
}

/** Keeps the question as a new job, in an existing job, or back in the job that it came from. */
export default function KeepDialog({ form, plan, origin, onClose }: Props) {
  const { jobs, setSearch, fault: listFault } = useJobList();
  const [target, setTarget] = useState(origin?.jobId ?? NEW);
  const [name, setName] = useState(
    `${plan.hole.thread?.feature.thread.designation ?? form.callout} in ${plan.material.label}`,
  );
  const [holeName, setHoleName] = useState(origin?.holeName ?? form.callout);
  // A job that a search has passed by is still the one that was picked.
  const [chosen, setChosen] = useState<JobToKeepIn | undefined>(
    origin && { id: origin.jobId, name: origin.jobName, materialId: form.material },
  );
  const [fault, setFault] = useState<string>();
  const [kept, setKept] = useState<{ id: string; name: string }>();
  const [busy, setBusy] = useState(false);
  const [newId] = useState(() => uuidv7());

  const existing = target === NEW ? undefined : (jobs.find((j) => j.id === target) ?? chosen);
  async function saveIn({ id }: { id: string }, question: KeptQuestion) {
    const job = await send<Job>('GET', `/api/v1/jobs/${id}`);
    if (!job.ok) return job;
    return send('PATCH', `/api/v1/jobs/${id}`, withHole(job.value, question, holeName, origin));
  }
  async function keep(): Promise<void> {
    setBusy(true);
    const quantity = Number(form.parts) || 1;
    const question = { ...form, coreVersion: plan.coreVersion };
    const got = existing
      ? await saveIn(existing, question)
      : await send('POST', '/api/v1/jobs', {
          id: newId,
          name,
          materialId: form.material,
          quantity,
          notes: '',
          units: form.units,
          holes: [{ id: uuidv7(), name: holeName, question }],
        });
    setBusy(false);
    if (got.ok) setKept(existing ?? { id: newId, name });
    else setFault(got.fault);
  }

  if (kept)
    return (
      <Modal title="Saved" onClose={onClose}>
        <p>
          The hole is in <strong>{kept.name}</strong>.
        </p>
        <p className="flex flex-wrap gap-3">
          <Link className="btn-next" href={`/jobs/${kept.id}`}>
            Open the job
          </Link>
          <Link className="btn" href={`/jobs/${kept.id}/card`}>
            Print the card
          </Link>
        </p>
      </Modal>
    );
  const otherMetal = existing && existing.materialId !== form.material && !(origin && origin.jobId === existing.id);
  return (
    <Modal title="Save this hole" onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void keep();
        }}
      >
        <PickField
          label="Where"
          value={target}
          options={[
            { id: NEW, label: 'A new job' },
            ...(existing && !jobs.some((j) => j.id === existing.id) ? [{ id: existing.id, label: existing.name }] : []),
            ...jobs.map((j) => ({ id: j.id, label: j.name })),
          ]}
          none={origin?.jobName}
          onText={setSearch}
          onChange={(id) => {
            setTarget(id);
            setChosen(jobs.find((j) => j.id === id));
          }}
        />
        {!existing && <TextField label="Name of the job" value={name} onChange={setName} />}
        <TextField label="Name of the hole" value={holeName} onChange={setHoleName} />
        {otherMetal && (
          <p className="font-bold text-danger">That job is in another material, which this hole will use too.</p>
        )}
        {(fault ?? listFault) && (
          <p role="alert" className="font-bold text-danger">
            {fault ?? listFault}
          </p>
        )}
        <button type="submit" className="btn-next self-start" disabled={busy}>
          Save
        </button>
      </form>
    </Modal>
  );
}
