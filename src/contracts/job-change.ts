import { z } from 'zod';
import { MOST_HOLES } from '@/core/layout/place';
import { featureInput, headFields, versionNumber, type FeatureInput, type JobInput } from './job';
import { rowId } from './text';
import { exitSchema, faceSchema, partSchema, placeSchema } from './part';
import { questionSet } from './question';
import { operationEdits } from './operation-edits';

const changeId = rowId.describe('Made by the sender: the same change sent again is made once');

/** Fields of a job that a change sets; those left out stay. */
export const headSet = z
  .strictObject({
    ...headFields,
    units: headFields.units.nullable(),
    route: headFields.route.nullable(),
    papers: headFields.papers.nullable(),
    part: partSchema.partial().extend({ walls: partSchema.shape.walls.nullable() }),
  })
  .partial();
export type HeadSet = z.infer<typeof headSet>;

/** Fields of a feature that a change sets; those left out stay, null empties one that may be empty. */
export const featureSet = z
  .strictObject({
    name: featureInput.shape.name,
    position: z.number().min(-1e9).max(1e9),
    face: faceSchema,
    place: placeSchema.nullable(),
    exit: exitSchema.nullable(),
    zoneMm: featureInput.shape.zoneMm.unwrap().nullable(),
    meets: featureInput.shape.meets.unwrap().nullable(),
    edits: operationEdits.nullable(),
    question: questionSet,
  })
  .partial();
export type FeatureSet = z.infer<typeof featureSet>;

const madeFrom = versionNumber.describe('Version that the change was made from');
const many = <T extends z.ZodType>(one: T) => z.array(one).max(MOST_HOLES).default([]);

/** A change of one feature, at its own address. */
export const featureChange = z.strictObject({ change: changeId.optional(), version: madeFrom, set: featureSet });

/** A change of a job: all of it is made, or nothing. */
export const jobPatch = z.strictObject({
  change: changeId.optional(),
  head: z
    .strictObject({ version: madeFrom.describe('headVersion that the change was made from'), set: headSet })
    .optional(),
  add: many(featureInput).describe('New features; one that was removed comes back'),
  features: many(z.strictObject({ id: rowId, version: madeFrom, set: featureSet })),
  remove: many(z.strictObject({ id: rowId, version: madeFrom })),
});
export type JobPatch = z.infer<typeof jobPatch>;

/** What a change came to: the versions now, and the letters that were given. */
export const patchReceipt = z.object({
  version: versionNumber,
  headVersion: versionNumber,
  before: versionNumber.describe(
    'Version of the job before this change: another than yours says that others changed it too',
  ),
  features: z.array(z.object({ id: rowId, version: versionNumber, letter: z.string(), position: z.number() })),
});
export type PatchReceipt = z.infer<typeof patchReceipt>;

/** Values by field, nested ones by their path (`question.depth`); undefined where there is none. */
export type Fields = Record<string, unknown>;
/** What holds fields of its own: they merge one by one. */
const NESTED = ['question', 'part'];
/** A field that two may change without asking: the last one counts. */
export const LAST_COUNTS = 'position';

/** The fields of a head, a feature or a change of one. */
export function fieldsOf(value: HeadSet | FeatureSet | Partial<FeatureInput> | Partial<JobInput>): Fields {
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, inner]): [string, unknown][] =>
      NESTED.includes(key) && inner
        ? Object.entries(inner as object).map(([k, v]): [string, unknown] => [`${key}.${k}`, v ?? undefined])
        : [[key, inner ?? undefined]],
    ),
  );
}

/** A head or feature with some fields set; fields that are set to undefined go. */
export function withFields<T extends object>(value: T, fields: Fields): T {
  const next: Record<string, unknown> = { ...(value as Record<string, unknown>) };
  for (const [path, inner] of Object.entries(fields)) {
    const [key, under] = path.split('.');
    const into = under ? { ...(next[key] as object) } : next;
    if (inner === undefined) Reflect.deleteProperty(into, under ?? key);
    else (into as Record<string, unknown>)[under ?? key] = inner;
    if (under) next[key] = into;
  }
  return next as T;
}

/** Fields as a change sends them: nested, null for empty. The inverse of {@link fieldsOf}. */
export function setOf(fields: Fields): Record<string, unknown> {
  return withFields({}, Object.fromEntries(Object.entries(fields).map(([k, v]) => [k, v === undefined ? null : v])));
}
