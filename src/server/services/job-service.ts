import { isDeepStrictEqual } from 'node:util';
import { v7 as uuidv7 } from 'uuid';
import { fieldsOf, setOf, type FeatureSet, type HeadSet, type JobPatch } from '@/contracts/job-change';
import {
  HEAD_FIELDS,
  MAYBE_HEAD,
  headOf,
  JOBS_PER_PAGE,
  type Job,
  type JobInput,
  type JobPage,
  type JobReplacement,
} from '@/contracts/job';
import type { Material } from '@/core/materials/material';
import { nextLetter } from '@/core/layout/letters';
import type { Database } from '../database';
import {
  findHead,
  findJob,
  insertFeatures,
  insertHead,
  jobIdTaken,
  listJobs,
  markDeleted,
  writeSearchText,
  type HeadState,
} from '../repositories/job-repository';
import { writing, type Writer } from '../writing';
import { changeIn, missingJob } from './change-job';
import { forgetLearned } from './learned-service';
import { Refusal } from '../refusal';

const now = (): string => new Date().toISOString();

/** The job with this id. @throws Refusal 404 */
export async function existingJob(db: Writer, id: string): Promise<Job> {
  const job = await findJob(db, id);
  if (!job) throw missingJob();
  return job;
}

/** The head of the job with this id, for what needs no features. @throws Refusal 404 */
export async function existingHead(db: Writer, id: string): Promise<HeadState> {
  const head = await findHead(db, id);
  if (!head) throw missingJob();
  return head;
}

/** Writes a new job with its features, each with a letter; the caller owns the transaction. */
export async function insertJob(tx: Writer, input: JobInput, at: string): Promise<void> {
  await insertHead(tx, input, at);
  const taken = new Set(input.holes.flatMap((h) => h.letter ?? []));
  const given = new Set<string>();
  const features = input.holes.map((hole, i) => {
    const letter = hole.letter && !given.has(hole.letter) ? hole.letter : nextLetter([...given, ...taken]);
    given.add(letter);
    return { ...hole, letter, position: hole.position ?? i, version: 1 };
  });
  await insertFeatures(tx, input.id, features);
  await writeSearchText(tx, input.id);
}

/** What somebody sent is what is there: letters, places in the list and versions apart, where they left them out. */
function sameJob(job: Job, input: JobInput): boolean {
  const bare = ({ holes, ...job }: JobInput) => ({
    ...fieldsOf(headOf(job)),
    holes: holes.map((h) => ({ ...fieldsOf(h), letter: undefined, position: undefined, version: undefined })),
  });
  // What was left out stays as it is.
  const left = Object.fromEntries(MAYBE_HEAD.map((field) => [field, input[field] ?? job[field]]));
  return isDeepStrictEqual(bare(job), bare({ ...input, ...left }));
}

/** Creates a job. The same job sent again is a success and makes no double. @throws Refusal 409 when the id is another's */
export async function createJob(db: Database, input: JobInput): Promise<Job> {
  return writing(db, async (tx) => {
    if (await jobIdTaken(tx, input.id)) {
      const there = await findJob(tx, input.id);
      if (there && sameJob(there, input)) return there;
      throw new Refusal(409, 'Job exists', 'Another job has this id.', [
        { field: 'id', code: 'job-exists', detail: 'This id is in use.', remedy: 'Open that job, or send a new id.' },
      ]);
    }
    await insertJob(tx, input, now());
    return existingJob(tx, input.id);
  });
}

const isMaybe = (field: string): boolean => (MAYBE_HEAD as readonly string[]).includes(field);

/** What a whole job changes of the one that is there, as a change made from its version. */
function asPatch(current: Job, { holes, ...input }: JobReplacement): JobPatch {
  const { part, ...rest } = headOf(input);
  const said = Object.entries(rest).filter(([field, value]) => value !== undefined || !isMaybe(field));
  const head: HeadSet = {
    ...Object.fromEntries(said),
    part: { ...part, walls: part.walls ?? null },
  };
  const there = new Map(current.holes.map((h) => [h.id, h]));
  const sent = new Set(holes.map((h) => h.id));
  return {
    head: { version: current.headVersion, set: head },
    add: holes.flatMap((h, i) => (there.has(h.id) ? [] : [{ ...h, position: i }])),
    features: holes.flatMap((h, i) => {
      const before = there.get(h.id);
      if (!before) return [];
      const { id: _, letter: _l, version: _v, ...own } = h;
      const blank = { place: undefined, exit: undefined, zoneMm: undefined, meets: undefined, edits: undefined };
      const set = setOf(fieldsOf({ ...blank, ...own, position: i })) as FeatureSet;
      return [{ id: h.id, version: before.version, set }];
    }),
    remove: current.holes.flatMap(({ id, version }) => (sent.has(id) ? [] : [{ id, version }])),
  };
}

/** Puts a whole job in the place of one of a known version. @throws Refusal 404, or 409 with what changed meanwhile */
export async function replaceJob(db: Database, change: JobReplacement): Promise<Job> {
  return writing(db, async (tx) => {
    const current = await existingJob(tx, change.id);
    if (sameJob(current, change)) return current;
    if (current.version !== change.version) {
      const fields = ([...HEAD_FIELDS, 'holes'] as const).filter(
        (key) => !sameJob({ ...current, [key]: change[key] } as Job, current),
      );
      throw new Refusal(
        409,
        'Changed elsewhere',
        `This job was changed elsewhere (version ${current.version}, yours ${change.version}).`,
        fields.map((field) => ({
          field,
          code: 'version-old',
          detail:
            field === 'holes'
              ? `It now has ${current.holes.length} features.`
              : `It is now “${typeof current[field] === 'object' ? JSON.stringify(current[field]) : current[field]}”.`,
          remedy: 'Reload the job and repeat your change, or send a PATCH of what you change.',
        })),
        current,
      );
    }
    await changeIn(tx, change.id, asPatch(current, change));
    return existingJob(tx, change.id);
  });
}

/** Deletes a job so that undo can bring it back; until then it teaches nothing. */
export async function deleteJob(db: Database, id: string): Promise<void> {
  await writing(db, async (tx) => {
    if (!(await markDeleted(tx, id, now()))) throw missingJob();
  });
  forgetLearned(db);
}

/** Brings a deleted job back. */
export async function restoreJob(db: Database, id: string): Promise<Job> {
  const job = await writing(db, async (tx) => {
    if (!(await markDeleted(tx, id, null))) throw missingJob();
    return existingJob(tx, id);
  });
  forgetLearned(db);
  return job;
}

/** A copy of a job under a new id; its features keep theirs, which are their job's own. */
export async function duplicateJob(db: Database, id: string): Promise<Job> {
  const job = await existingJob(db, id);
  const copy = { ...headOf(job), id: uuidv7(), name: `${job.name.slice(0, 110)} (copy)`, holes: job.holes };
  return createJob(db, copy);
}

/** A page of jobs that have every word in name, notes, callouts or the name of their metal; newest change first. */
export async function jobsPage(
  db: Writer,
  materials: readonly Material[],
  { search = '', page = 1 }: { search?: string; page?: number },
): Promise<JobPage> {
  const words = search
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => ({
      word,
      materialIds: materials.filter((m) => m.label.toLowerCase().includes(word)).map((m) => m.id),
    }));
  const { jobs, total } = await listJobs(db, words, { limit: JOBS_PER_PAGE, offset: (page - 1) * JOBS_PER_PAGE });
  return { jobs, page, pages: Math.max(1, Math.ceil(total / JOBS_PER_PAGE)), total };
}
