import { v7 as uuidv7 } from 'uuid';
import type { Job, JobChange, JobInput } from '@/contracts/job';
import type { Database } from '../database';
import { findJob, insertJob, jobIdTaken, markDeleted, updateJob } from '../repositories/job-repository';
import { Refusal } from './refusal';

const now = (): string => new Date().toISOString();
const missing = (): Refusal =>
  new Refusal(404, 'No such job', 'There is no job with this id, or it was deleted.', [
    {
      field: 'id',
      code: 'job-unknown',
      detail: 'No such job.',
      remedy: 'Open the list of jobs; undo brings a deleted one back.',
    },
  ]);

/** The job with this id. @throws Refusal 404 */
export async function existingJob(db: Database, id: string): Promise<Job> {
  const job = await findJob(db, id);
  if (!job) throw missing();
  return job;
}

/** Creates a job. The same id sent twice is refused, so that a repeated send makes no double. */
export async function createJob(db: Database, input: JobInput): Promise<Job> {
  if (await jobIdTaken(db, input.id))
    throw new Refusal(409, 'Job exists', 'A job with this id is already kept.', [
      { field: 'id', code: 'job-exists', detail: 'This id is taken.', remedy: 'Open the job, or send a new id.' },
    ]);
  await db.transaction((tx) => insertJob(tx, input, now()));
  return existingJob(db, input.id);
}

/** Changes a job made from a known version; an old version is refused with what changed meanwhile. */
export async function changeJob(db: Database, change: JobChange): Promise<Job> {
  const { version, ...input } = change;
  const done = await db.transaction((tx) => updateJob(tx, input, version, now()));
  if (done) return existingJob(db, input.id);
  const current = await existingJob(db, input.id);
  const fields = (['name', 'materialId', 'quantity', 'notes', 'part', 'holes'] as const).filter(
    (key) => JSON.stringify(current[key]) !== JSON.stringify(input[key]),
  );
  throw new Refusal(
    409,
    'Changed meanwhile',
    `This job was changed elsewhere (version ${current.version}, yours ${version}).`,
    fields.map((field) => ({
      field,
      code: 'version-old',
      detail:
        field === 'holes' ? `It now has ${current.holes.length} holes.` : `It is now “${String(current[field])}”.`,
      remedy: 'Load the job again and repeat your change.',
    })),
    current,
  );
}

/** Deletes a job so that undo can bring it back. */
export async function deleteJob(db: Database, id: string): Promise<void> {
  if (!(await markDeleted(db, id, now()))) throw missing();
}

/** Brings a deleted job back. */
export async function restoreJob(db: Database, id: string): Promise<Job> {
  if (!(await markDeleted(db, id, null))) throw missing();
  return existingJob(db, id);
}

/** A copy of a job under new ids. */
export async function duplicateJob(db: Database, id: string): Promise<Job> {
  const { name, materialId, quantity, notes, part, holes } = await existingJob(db, id);
  const copy: JobInput = {
    id: uuidv7(),
    name: `${name.slice(0, 110)} (copy)`,
    materialId,
    quantity,
    notes,
    part,
    holes: renumbered(holes),
  };
  return createJob(db, copy);
}

/** Holes under new ids, patterns that refer to another following it. */
function renumbered(holes: Job['holes']): Job['holes'] {
  const ids = new Map(holes.map((hole) => [hole.id, uuidv7()]));
  const idOf = (id: string): string => ids.get(id) ?? id;
  return holes.map((hole) => {
    const { place } = hole;
    const follows = place?.kind === 'mirror' || place?.kind === 'offset';
    return { ...hole, id: idOf(hole.id), ...(follows ? { place: { ...place, of: idOf(place.of) } } : {}) };
  });
}
