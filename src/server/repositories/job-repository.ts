import { and, asc, count, desc, eq, inArray, isNull, like, lt, or, sql, type SQL } from 'drizzle-orm';
import {
  headOf,
  type FeatureInput,
  type Job,
  type JobFeature,
  type JobHeadFields,
  type JobInput,
  type ListedJob,
} from '@/contracts/job';
import type { Fields, PatchReceipt } from '@/contracts/job-change';
import { BLANK_FORM } from '@/core/hole/form';
import { nextLetter } from '@/core/layout/letters';
import { USUAL_PART } from '@/core/layout/part';
import type { Placed } from '@/core/layout/place';
import { builtOnce } from '../built-once';
import type { Database } from '../database';
import { jobChanges, jobFeatures, jobProgress, jobs } from '../schema';
import type { Writer } from '../writing';

type JobRow = typeof jobs.$inferSelect;
type FeatureRow = typeof jobFeatures.$inferSelect;
export type FieldVersions = Record<string, number>;

/** Rows written in one statement; SQLite takes only so many values at once. */
const BATCH = 500;

const headColumns = (job: JobHeadFields) => {
  const head = headOf(job);
  return { ...head, units: head.units ?? null, route: head.route ?? null, papers: head.papers ?? null };
};

/** A feature with all that is kept with it. */
export interface FeatureState {
  feature: JobFeature;
  fieldVersions: FieldVersions;
  deleted: boolean;
}
/** The head of a job with all that is kept with it. */
export interface HeadState extends JobHeadFields {
  id: string;
  version: number;
  headVersion: number;
  /** Version at which something changed last that its route is made from. */
  workVersion: number;
  fieldVersions: FieldVersions;
  createdAt: string;
  updatedAt: string;
}

function featureOf(row: FeatureRow): JobFeature {
  const { id, letter, position, version, name, question, face, place, exit, zoneMm, meets, edits } = row;
  return {
    id,
    letter,
    position,
    version,
    name,
    // Questions saved before a field was asked lack it.
    question: { ...BLANK_FORM, ...question },
    face,
    ...(place ? { place } : {}),
    ...(exit ? { exit } : {}),
    ...(zoneMm ? { zoneMm } : {}),
    ...(meets ? { meets } : {}),
    ...(edits ? { edits } : {}),
  };
}

const featureColumns = ({ name, question, face, place, exit, zoneMm, meets, edits }: FeatureInput) => ({
  name,
  question,
  face,
  place: place ?? null,
  exit: exit ?? null,
  zoneMm: zoneMm ?? null,
  meets: meets ?? null,
  edits: edits ?? null,
});

/** Writes a new job without its features; the caller owns the transaction. */
export async function insertHead(tx: Writer, job: JobInput, at: string): Promise<void> {
  await tx.insert(jobs).values({ id: job.id, ...headColumns(job), createdAt: at, updatedAt: at });
}

/** Writes new features. */
export async function insertFeatures(tx: Writer, jobId: string, features: readonly JobFeature[]): Promise<void> {
  const rows = features.map((f) => ({
    jobId,
    id: f.id,
    letter: f.letter,
    position: f.position,
    version: f.version,
    ...featureColumns(f),
  }));
  for (let at = 0; at < rows.length; at += BATCH) await tx.insert(jobFeatures).values(rows.slice(at, at + BATCH));
}

/** Writes a feature over the row that is there. */
export async function writeFeature(
  tx: Writer,
  jobId: string,
  { feature, ...state }: FeatureState,
  at: string,
): Promise<void> {
  await tx
    .update(jobFeatures)
    .set({
      ...featureColumns(feature),
      version: feature.version,
      position: feature.position,
      fieldVersions: state.fieldVersions,
      deletedAt: state.deleted ? at : null,
    })
    .where(and(eq(jobFeatures.jobId, jobId), eq(jobFeatures.id, feature.id)));
}

/** Writes the head of a job over the row that is there. */
export async function writeHead(tx: Writer, head: HeadState): Promise<void> {
  const { id, version, headVersion, workVersion, fieldVersions, updatedAt } = head;
  await tx
    .update(jobs)
    .set({ ...headColumns(head), version, headVersion, workVersion, fieldVersions, updatedAt })
    .where(eq(jobs.id, id));
}

/** Makes the words of a job findable anew: its name and notes, names and callouts of its features. */
export async function writeSearchText(tx: Writer, jobId: string): Promise<void> {
  const words = await tx
    .select({ name: jobFeatures.name, callout: sql<string>`json_extract(${jobFeatures.question}, '$.callout')` })
    .from(jobFeatures)
    .where(and(eq(jobFeatures.jobId, jobId), isNull(jobFeatures.deletedAt)));
  const [head] = await tx.select({ name: jobs.name, notes: jobs.notes }).from(jobs).where(eq(jobs.id, jobId));
  const text = [head.name, head.notes, ...new Set(words.flatMap((w) => [w.callout, w.name]))].join(' ').toLowerCase();
  await tx.update(jobs).set({ searchText: text }).where(eq(jobs.id, jobId));
}

/** What a change came to that was made before; undefined when it was not. */
export async function findChange(tx: Writer, jobId: string, id: string): Promise<PatchReceipt | undefined> {
  const where = and(eq(jobChanges.jobId, jobId), eq(jobChanges.id, id));
  return (await tx.select().from(jobChanges).where(where))[0]?.receipt ?? undefined;
}

/** Notes what a change came to. */
export async function noteChange(tx: Writer, jobId: string, id: string, receipt: PatchReceipt): Promise<void> {
  await tx.insert(jobChanges).values({ jobId, id, receipt });
}

/** Changes older than a moment are forgotten: nobody sends them again. */
export async function forgetChanges(tx: Writer, before: string): Promise<void> {
  await tx.delete(jobChanges).where(lt(jobChanges.at, before));
}

/** The head of a job that is not deleted. */
export async function findHead(tx: Writer, id: string): Promise<HeadState | undefined> {
  const [row] = await tx
    .select()
    .from(jobs)
    .where(and(eq(jobs.id, id), isNull(jobs.deletedAt)));
  if (!row) return undefined;
  const { units, route, papers } = row;
  return {
    ...row,
    units: units ?? undefined,
    route: route ?? undefined,
    papers: papers ?? undefined,
    part: row.part ?? USUAL_PART,
  };
}

/** Features of a job by id, removed ones too; all of them where no ids are named. */
export async function findFeatures(
  tx: Writer,
  jobId: string,
  ids?: readonly string[],
): Promise<Map<string, FeatureState>> {
  const found = new Map<string, FeatureState>();
  const asked = ids && [...new Set(ids)];
  for (let at = 0; at === 0 || (asked && at < asked.length); at += BATCH) {
    const rows = await tx
      .select()
      .from(jobFeatures)
      .where(
        and(eq(jobFeatures.jobId, jobId), asked ? inArray(jobFeatures.id, asked.slice(at, at + BATCH)) : undefined),
      )
      .orderBy(asc(jobFeatures.position), asc(jobFeatures.id));
    for (const row of rows)
      found.set(row.id, { feature: featureOf(row), fieldVersions: row.fieldVersions, deleted: row.deletedAt !== null });
  }
  return found;
}

/** A feature by what tells its holes apart. */
export interface NamedFeature extends Placed {
  letter: string;
}

const naming = builtOnce((db) =>
  db
    .select({ id: jobFeatures.id, letter: jobFeatures.letter, place: jobFeatures.place })
    .from(jobs)
    .leftJoin(
      jobFeatures,
      and(
        eq(jobFeatures.jobId, jobs.id),
        sql`${jobFeatures.id} in (select value from json_each(${sql.placeholder('ids')}))`,
      ),
    )
    .where(eq(jobs.id, sql.placeholder('jobId')))
    .prepare(),
);

/**
 * Features that somebody names, removed ones too, and those that their patterns follow.
 * @returns undefined for a job that never was; one that was deleted is there
 */
export async function findNamed(
  db: Database,
  jobId: string,
  ids: readonly string[],
): Promise<Map<string, NamedFeature> | undefined> {
  const found = new Map<string, NamedFeature>();
  let wanted = [...new Set(ids)];
  do {
    const rows = await naming(db).all({ jobId, ids: JSON.stringify(wanted) });
    if (rows.length === 0) return undefined;
    const named = rows.flatMap(({ id, letter, place }) =>
      id === null || letter === null ? [] : [{ id, letter, place: place ?? undefined }],
    );
    for (const feature of named) found.set(feature.id, feature);
    const followed = named.flatMap(({ place }) =>
      place?.kind === 'mirror' || place?.kind === 'offset' ? [place.of] : [],
    );
    wanted = [...new Set(followed)].filter((id) => !found.has(id));
  } while (wanted.length > 0);
  return found;
}

/** Where the features of a job are that are not removed: what its holes are counted from. */
export async function findPlaces(tx: Writer, jobId: string): Promise<Placed[]> {
  const rows = await tx
    .select({ id: jobFeatures.id, place: jobFeatures.place })
    .from(jobFeatures)
    .where(and(eq(jobFeatures.jobId, jobId), isNull(jobFeatures.deletedAt)));
  return rows.map(({ id, place }) => ({ id, place: place ?? undefined }));
}

/** Every letter that a job has given, and where its list ends. */
export async function findLetters(tx: Writer, jobId: string): Promise<{ letters: string[]; lastPosition: number }> {
  const rows = await tx
    .select({ letter: jobFeatures.letter, position: jobFeatures.position })
    .from(jobFeatures)
    .where(eq(jobFeatures.jobId, jobId));
  return { letters: rows.map((r) => r.letter), lastPosition: rows.reduce((p, r) => Math.max(p, r.position), -1) };
}

/** Names of jobs, and the letters of all their features, by the jobs’ ids. */
export async function findNames(
  db: Writer,
  jobIds: readonly string[],
): Promise<Map<string, { name: string; letters: Map<string, string> }>> {
  if (jobIds.length === 0) return new Map();
  const rows = await db
    .select({ id: jobs.id, name: jobs.name, featureId: jobFeatures.id, letter: jobFeatures.letter })
    .from(jobs)
    .leftJoin(jobFeatures, eq(jobFeatures.jobId, jobs.id))
    .where(inArray(jobs.id, [...jobIds]));
  const found = new Map<string, { name: string; letters: Map<string, string> }>();
  for (const { id, name, featureId, letter } of rows) {
    const job = found.get(id) ?? { name, letters: new Map<string, string>() };
    if (featureId !== null && letter !== null) job.letters.set(featureId, letter);
    found.set(id, job);
  }
  return found;
}

/** Jobs at work are looked through no further than this. */
const MOST_OPEN = 30;

/** Jobs that are not made yet, the latest first. */
export const openJobs = (db: Writer): Promise<{ id: string }[]> =>
  db
    .select({ id: jobs.id })
    .from(jobs)
    .leftJoin(jobProgress, eq(jobProgress.jobId, jobs.id))
    .where(
      and(
        isNull(jobs.deletedAt),
        sql`coalesce(json_extract(${jobProgress.progress}, '$.bench.done') < json_extract(${jobProgress.progress}, '$.bench.steps'), 1)`,
      ),
    )
    .orderBy(desc(jobs.updatedAt))
    .limit(MOST_OPEN);

/** Marks a job deleted (a moment) or brings it back (null). */
export async function markDeleted(db: Writer, id: string, deletedAt: string | null): Promise<boolean> {
  const done = await db
    .update(jobs)
    .set({ deletedAt, version: sql`${jobs.version} + 1` })
    .where(and(eq(jobs.id, id), deletedAt === null ? undefined : isNull(jobs.deletedAt)))
    .returning({ id: jobs.id });
  return done.length > 0;
}

/** One job that is not deleted, or undefined. */
export async function findJob(db: Writer, id: string): Promise<Job | undefined> {
  const head = await findHead(db, id);
  if (!head) return undefined;
  const features = await findFeatures(db, id);
  const { version, headVersion, createdAt, updatedAt } = head;
  const all = [...features.values()];
  return {
    id,
    ...headOf(head),
    version,
    headVersion,
    nextLetter: nextLetter(all.map((f) => f.feature.letter)),
    createdAt,
    updatedAt,
    holes: all.filter((f) => !f.deleted).map((f) => f.feature),
  };
}

/** Whether an id is in use, deleted rows included. */
export async function jobIdTaken(db: Writer, id: string): Promise<boolean> {
  return (await db.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, id))).length > 0;
}

/** A word as a pattern of LIKE, its own wildcards taken literally. */
const containing = (word: string): string => `%${word.replace(/[\\%_]/g, '\\$&')}%`;

/** Jobs that are not deleted and have every word, in their text or as the name of their metal. */
function matching(words: readonly { word: string; materialIds: string[] }[]): SQL | undefined {
  return and(
    isNull(jobs.deletedAt),
    ...words.map(({ word, materialIds }) =>
      or(
        sql`${like(jobs.searchText, containing(word))} ESCAPE '\\'`,
        materialIds.length > 0 ? inArray(jobs.materialId, materialIds) : undefined,
      ),
    ),
  );
}

const rowOf = (row: JobRow & { features: number }): ListedJob => {
  const { id, version, name, materialId, quantity, notes, units, updatedAt, features } = row;
  return { id, version, name, materialId, quantity, notes, units: units ?? undefined, updatedAt, features };
};

/** A page of the jobs that have every word, newest change first, and how many there are. */
export async function listJobs(
  db: Writer,
  words: readonly { word: string; materialIds: string[] }[] = [],
  { limit, offset }: { limit: number; offset: number } = { limit: 50, offset: 0 },
): Promise<{ jobs: ListedJob[]; total: number }> {
  const where = matching(words);
  const [{ total }] = await db.select({ total: count() }).from(jobs).where(where);
  const rows = await db
    .select()
    .from(jobs)
    .where(where)
    .orderBy(desc(jobs.updatedAt), desc(jobs.id))
    .limit(limit)
    .offset(offset);
  const ids = rows.map((r) => r.id);
  const counts =
    ids.length === 0
      ? []
      : await db
          .select({ jobId: jobFeatures.jobId, n: count() })
          .from(jobFeatures)
          .where(and(inArray(jobFeatures.jobId, ids), isNull(jobFeatures.deletedAt)))
          .groupBy(jobFeatures.jobId);
  return {
    total,
    jobs: rows.map((row) => rowOf({ ...row, features: counts.find((c) => c.jobId === row.id)?.n ?? 0 })),
  };
}

/** A hole of a job, as a search shows it. */
export interface FoundHole {
  jobId: string;
  jobName: string;
  id: string;
  letter: string;
  name: string;
  callout: string;
}

/** Holes of jobs that have every word in callout or name, those of the newest change first. */
export async function findHoles(db: Writer, words: readonly string[], limit: number): Promise<FoundHole[]> {
  const callout = sql<string>`json_extract(${jobFeatures.question}, '$.callout')`;
  return db
    .select({
      jobId: jobs.id,
      jobName: jobs.name,
      id: jobFeatures.id,
      letter: jobFeatures.letter,
      name: jobFeatures.name,
      callout,
    })
    .from(jobFeatures)
    .innerJoin(jobs, eq(jobs.id, jobFeatures.jobId))
    .where(
      and(
        isNull(jobs.deletedAt),
        isNull(jobFeatures.deletedAt),
        ...words.map((w) => sql`lower(${callout} || ' ' || ${jobFeatures.name}) like ${containing(w)} ESCAPE '\\'`),
      ),
    )
    .orderBy(desc(jobs.updatedAt), asc(jobFeatures.position))
    .limit(limit);
}

/** Fields of a row that a change sets, with the version that they now have. */
export const stamped = (versions: FieldVersions, fields: Fields, version: number): FieldVersions => ({
  ...versions,
  ...Object.fromEntries(Object.keys(fields).map((field) => [field, version])),
});
