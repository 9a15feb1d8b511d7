import { isDeepStrictEqual } from 'node:util';
import {
  fieldsOf,
  LAST_COUNTS,
  withFields,
  type Fields,
  type JobPatch,
  type PatchReceipt,
} from '@/contracts/job-change';
import type { FeatureInput, Job, JobFeature } from '@/contracts/job';
import type { FieldError } from '@/contracts/problem';
import { inUnits } from '@/core/hole/form-in-units';
import { nextLetter } from '@/core/layout/letters';
import { countHoles, MOST_HOLES } from '@/core/layout/place';
import type { Database } from '../database';
import {
  findChange,
  findFeatures,
  findHead,
  findJob,
  findLetters,
  findPlaces,
  insertFeatures,
  noteChange,
  stamped,
  writeFeature,
  writeHead,
  writeSearchText,
  type FeatureState,
  type FieldVersions,
  type HeadState,
} from '../repositories/job-repository';
import { writing, type Writer } from '../writing';
import { Refusal } from '../refusal';

export const missingJob = (): Refusal =>
  new Refusal(404, 'No such job', 'There is no job with this id, or it was deleted.', [
    {
      field: 'id',
      code: 'job-unknown',
      detail: 'No such job.',
      remedy: 'Open the list of jobs; undo restores a deleted one.',
    },
  ]);

const shown = (value: unknown): string =>
  value === undefined ? 'empty' : `“${(typeof value === 'string' ? value : JSON.stringify(value)).slice(0, 200)}”`;

const changedMeanwhile = (field: string, now: unknown): FieldError => ({
  field,
  code: 'changed-meanwhile',
  detail: `It is now ${shown(now)}.`,
  remedy: 'Send it again with this version to keep yours, or drop it.',
});
const removedMeanwhile = (id: string): FieldError => ({
  field: `features.${id}`,
  code: 'removed-meanwhile',
  detail: 'It was removed elsewhere.',
  remedy: 'Add it again to keep yours, or drop it.',
});

/** Fields of a change that differ from what is there; those that another changed since are conflicts. */
function merged(
  there: Fields,
  versions: FieldVersions,
  set: Fields,
  madeFrom: number,
  path: string,
): { fields: Fields; conflicts: FieldError[] } {
  const differing = Object.entries(set).filter(([field, value]) => !isDeepStrictEqual(there[field], value));
  return {
    fields: Object.fromEntries(differing),
    conflicts: differing
      .filter(([field]) => field !== LAST_COUNTS && (versions[field] ?? 1) > madeFrom)
      .map(([field]) => changedMeanwhile(`${path}.${field}`, there[field])),
  };
}

/** What a change makes of a job: rows to write, and why it cannot be. */
interface Outcome {
  head?: HeadState;
  written: FeatureState[];
  added: JobFeature[];
  conflicts: FieldError[];
}

const without = <T extends object, K extends keyof T>(value: T, key: K): Omit<T, K> => {
  const { [key]: _, ...rest } = value;
  return rest;
};

function changedHead(head: HeadState, patch: JobPatch['head']): Pick<Outcome, 'head' | 'conflicts'> {
  if (!patch) return { conflicts: [] };
  const { fields, conflicts } = merged(
    fieldsOf(head as never),
    head.fieldVersions,
    fieldsOf(patch.set),
    patch.version,
    'head',
  );
  if (Object.keys(fields).length === 0) return { conflicts };
  const headVersion = head.headVersion + 1;
  return {
    head: { ...withFields(head, fields), headVersion, fieldVersions: stamped(head.fieldVersions, fields, headVersion) },
    conflicts,
  };
}

/** A feature with fields set, or as it is where nothing differs. */
function withSet(state: FeatureState, fields: Fields): FeatureState {
  if (Object.keys(fields).length === 0 && !state.deleted) return state;
  const version = state.feature.version + 1;
  return {
    feature: { ...withFields(state.feature, fields), version },
    fieldVersions: stamped(state.fieldVersions, fields, version),
    deleted: false,
  };
}

/** Features that the change sets or removes. A removal is a conflict where another changed the feature since. */
function changedFeatures(
  there: ReadonlyMap<string, FeatureState>,
  patch: JobPatch,
): Pick<Outcome, 'written' | 'conflicts'> {
  const written = new Map<string, FeatureState>();
  const conflicts: FieldError[] = [];
  for (const { id, version, set } of patch.features) {
    const state = written.get(id) ?? there.get(id);
    if (!state || state.deleted) {
      conflicts.push(removedMeanwhile(id));
      continue;
    }
    const found = merged(fieldsOf(state.feature), state.fieldVersions, fieldsOf(set), version, `features.${id}`);
    conflicts.push(...found.conflicts);
    written.set(id, withSet(state, found.fields));
  }
  for (const { id, version } of patch.remove) {
    const state = there.get(id);
    if (!state || state.deleted) continue;
    const newest = Object.entries(state.fieldVersions).find(([field, v]) => field !== LAST_COUNTS && v > version);
    if (newest) conflicts.push(changedMeanwhile(`features.${id}`, fieldsOf(state.feature)[newest[0]]));
    written.set(id, { ...state, feature: { ...state.feature, version: state.feature.version + 1 }, deleted: true });
  }
  return { written: [...written.values()].filter((s) => s !== there.get(s.feature.id)), conflicts };
}

/** New features with their letters and places; one with the id of a removed one brings that back. */
function addedFeatures(
  there: ReadonlyMap<string, FeatureState>,
  add: readonly FeatureInput[],
  { letters, lastPosition }: { letters: string[]; lastPosition: number },
): Pick<Outcome, 'written' | 'added' | 'conflicts'> {
  const taken = new Set(letters);
  const out: Pick<Outcome, 'written' | 'added' | 'conflicts'> = { written: [], added: [], conflicts: [] };
  for (const [i, given] of add.entries()) {
    const state = there.get(given.id);
    const position = given.position ?? state?.feature.position ?? lastPosition + 1 + i;
    const fields = { ...fieldsOf(without(without(without({ ...given, position }, 'letter'), 'version'), 'id')) };
    if (state) {
      const all = Object.fromEntries(
        Object.keys(fieldsOf(state.feature)).map((k): [string, unknown] => [k, undefined]),
      );
      const { fields: differing } = merged(
        fieldsOf(state.feature),
        state.fieldVersions,
        { ...without(without(without(all, 'id'), 'letter'), 'version'), ...fields },
        Infinity,
        '',
      );
      if (!state.deleted && Object.keys(without(differing, LAST_COUNTS)).length > 0)
        out.conflicts.push({
          field: `features.${given.id}`,
          code: 'feature-exists',
          detail: `Feature ${state.feature.letter} has this id already.`,
          remedy: 'Change that one, or send a new id.',
        });
      else out.written.push(withSet(state, differing));
      continue;
    }
    const letter = given.letter && !taken.has(given.letter) ? given.letter : nextLetter(taken);
    taken.add(letter);
    out.added.push({ ...given, letter, position, version: 1 });
  }
  return out;
}

function checkCount(places: Awaited<ReturnType<typeof findPlaces>>): void {
  const total = countHoles(places);
  if (total > MOST_HOLES)
    throw new Refusal(
      422,
      'Too many holes',
      `With its patterns this job would have ${total} holes; at most ${MOST_HOLES}.`,
      [
        {
          field: 'features',
          code: 'place-many',
          detail: `These are ${total} holes.`,
          remedy: 'Remove some, or split it into two jobs.',
        },
      ],
    );
}

async function refuseConflicts(tx: Writer, jobId: string, conflicts: readonly FieldError[]): Promise<void> {
  if (conflicts.length === 0) return;
  const current: Job | undefined = await findJob(tx, jobId);
  throw new Refusal(
    409,
    'Changed elsewhere',
    `${conflicts.length === 1 ? 'One field was' : `${conflicts.length} fields were`} changed elsewhere; none of this change was made.`,
    [...conflicts],
    current,
  );
}

const idsIn = ({ features, remove, add }: JobPatch): string[] => [...features, ...remove, ...add].map((f) => f.id);

async function receipt(tx: Writer, head: HeadState, before: number, ids: readonly string[]): Promise<PatchReceipt> {
  const states = ids.length > 0 ? await findFeatures(tx, head.id, ids) : new Map<string, FeatureState>();
  return {
    version: head.version,
    headVersion: head.headVersion,
    before,
    features: [...states.values()].map(({ feature: { id, version, letter, position } }) => ({
      id,
      version,
      letter,
      position,
    })),
  };
}

/** Fields of a job and of a feature that no route is made from: what they are called and the unit they are shown in. */
const ASIDE: readonly string[] = ['name', 'notes', 'units', 'papers'];
const isWork = (set: object): boolean => Object.keys(set).some((field) => !ASIDE.includes(field));

/** Whether a feature is made otherwise than before: not by another name, or by the same lengths in another unit. */
function isMadeOtherwise(
  { feature: before, deleted }: FeatureState,
  { feature: after, ...now }: FeatureState,
): boolean {
  const asWork = ({ question, ...feature }: JobFeature): Fields =>
    without(fieldsOf({ ...feature, question: inUnits({ ...question }, after.question.units), version: 0 }), 'name');
  return deleted !== now.deleted || !isDeepStrictEqual(asWork(before), asWork(after));
}

const finds = (set: object): boolean => 'name' in set || 'notes' in set || 'question' in set;
const moves = (set: object): boolean => 'place' in set;

async function made(tx: Writer, head: HeadState, patch: JobPatch): Promise<PatchReceipt> {
  const jobId = head.id;
  const ids = idsIn(patch);
  const there = await findFeatures(tx, jobId, ids);
  const { head: newHead, conflicts } = changedHead(head, patch.head);
  const changed = changedFeatures(there, patch);
  const added =
    patch.add.length > 0
      ? addedFeatures(there, patch.add, await findLetters(tx, jobId))
      : { written: [], added: [], conflicts: [] };
  await refuseConflicts(tx, jobId, [...conflicts, ...changed.conflicts, ...added.conflicts]);
  const written = [...changed.written, ...added.written].filter((s) => s !== there.get(s.feature.id));
  if (!newHead && written.length === 0 && added.added.length === 0) return receipt(tx, head, head.version, ids);
  const at = new Date().toISOString();
  for (const state of written) await writeFeature(tx, jobId, state, at);
  await insertFeatures(tx, jobId, added.added);
  if (patch.add.length > 0 || patch.features.some((f) => moves(f.set))) checkCount(await findPlaces(tx, jobId));
  const version = head.version + 1;
  const works =
    added.added.length > 0 ||
    isWork(patch.head?.set ?? {}) ||
    written.some((s) => {
      const before = there.get(s.feature.id);
      return before === undefined || isMadeOtherwise(before, s);
    });
  const next = { ...(newHead ?? head), version, updatedAt: at, workVersion: works ? version : head.workVersion };
  await writeHead(tx, next);
  const found = patch.add.length + patch.remove.length > 0 || patch.features.some((f) => finds(f.set));
  if (found || (patch.head && finds(patch.head.set))) await writeSearchText(tx, jobId);
  return receipt(tx, next, head.version, ids);
}

/**
 * Makes a change of a job in a transaction of the caller: what touches other fields than others did is merged.
 * @throws Refusal 404 without such a job, 409 with the job as it is where others changed the same, 422 for too many holes
 */
export async function changeIn(tx: Writer, jobId: string, patch: JobPatch): Promise<PatchReceipt> {
  const head = await findHead(tx, jobId);
  if (!head) throw missingJob();
  const before = patch.change && (await findChange(tx, jobId, patch.change));
  if (before) return before;
  const now = await made(tx, head, patch);
  if (patch.change) await noteChange(tx, jobId, patch.change, now);
  return now;
}

/** Makes a change of a job; see {@link changeIn}. */
export const patchJob = (db: Database, jobId: string, patch: JobPatch): Promise<PatchReceipt> =>
  writing(db, (tx) => changeIn(tx, jobId, patch));
