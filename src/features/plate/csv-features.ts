import { dequal } from 'dequal/lite';
import { v7 as uuidv7 } from 'uuid';
import { featureInput, type FeatureInput } from '@/contracts/job';
import { BLANK_FORM, type AskForm } from '@/core/hole/form';
import type { CsvFeature } from '@/core/formats/plate-csv';
import type { FaceId } from '@/core/layout/part';
import type { Imported } from '@/core/layout/imported';

/** What of a feature stands in the last column, as text by field; the rest has columns of its own. */
const OWN = ['letter', 'exit', 'zoneMm', 'meets', 'edits'] as const;

/** Of those, what is text as it stands. */
const TEXTS: readonly string[] = ['letter', 'meets'];

/** A feature as a row: with the answers that differ from a blank question, its far end and changes to its operations. */
export function csvFeature({ id, name, question, face, place, ...rest }: FeatureInput): CsvFeature {
  const answers = Object.entries(question).filter(
    ([key, value]) => key !== 'callout' && String(value) !== String(BLANK_FORM[key as keyof AskForm]),
  );
  const own = OWN.filter((key) => rest[key] !== undefined).map((key): [string, string] => [
    key,
    typeof rest[key] === 'string' ? rest[key] : JSON.stringify(rest[key]),
  ]);
  const more = Object.fromEntries([...answers.map(([k, v]): [string, string] => [k, String(v)]), ...own]);
  return { id, name, callout: question.callout, face, place, more };
}

const { question: questionSchema, ...shape } = featureInput.shape;

/** The value that a text of the last column is, of its own type; undefined where it is none. */
function valueOf(key: string, text: string): { of: 'question' | 'feature'; value: unknown } | undefined {
  const own = OWN.find((k) => k === key);
  let value: unknown = key === 'dry' ? text === 'true' : text;
  if (own && !TEXTS.includes(own))
    try {
      value = JSON.parse(text);
    } catch {
      return undefined;
    }
  const schema = own ? shape[own] : Object.entries(questionSchema.shape).find(([field]) => field === key)?.[1];
  const read = schema?.safeParse(value);
  return read?.success ? { of: own ? 'feature' : 'question', value: read.data } : undefined;
}

/** Where what is imported goes when the file does not say. */
export interface Usual {
  face: FaceId;
  question: Partial<AskForm>;
  /** Ids that are there already: a feature under one of them gets a new one. */
  taken: ReadonlySet<string>;
}

/** What is done with rows that stand in the job already. */
export const WITH_DOUBLES = { update: 'update them', add: 'add them once more', skip: 'leave them out' } as const;
export type WithDoubles = keyof typeof WITH_DOUBLES;

const samePlace = (a: Pick<FeatureInput, 'face' | 'place'>, b: Pick<FeatureInput, 'face' | 'place'>): boolean =>
  a.face === b.face && a.place !== undefined && dequal(a.place, b.place);

/** The feature of the job that a row is of: by its id, else the same callout in the same place. */
const matchOf = (row: Imported['features'][number], face: FaceId, holes: readonly FeatureInput[]) =>
  holes.find((h) => h.id === row.id) ??
  holes.find((h) => h.question.callout === row.callout && samePlace(h, { face: row.face ?? face, place: row.place }));

/** Rows that stand in the job already, each with the feature that it is of. */
export const doublesOf = (found: Imported, { face }: Pick<Usual, 'face'>, holes: readonly FeatureInput[]) =>
  found.features.flatMap((row) => {
    const of = matchOf(row, face, holes);
    return of ? [{ row, of }] : [];
  });

/** The features of a job with imported rows in it: new ones after those there, doubles as it is said. */
export function withImported<F extends FeatureInput>(
  holes: readonly F[],
  found: Imported,
  usual: Usual,
  doubles: WithDoubles,
): (F | FeatureInput)[] {
  if (doubles === 'add') return [...holes, ...featuresFrom(found, usual).holes];
  const known = new Map(doublesOf(found, usual, holes).map(({ row, of }) => [row, of]));
  const fresh = featuresFrom({ ...found, features: found.features.filter((row) => !known.has(row)) }, usual).holes;
  if (doubles === 'skip') return [...holes, ...fresh];
  const rows = new Map([...known].map(([row, of]) => [of.id, row]));
  return [
    ...holes.map((hole) => {
      const row = rows.get(hole.id);
      if (!row) return hole;
      // Answers that came back count; those that the table does not hold stay.
      const own = { ...usual, question: hole.question };
      const { holes: read } = featuresFrom({ ...found, features: [{ ...row, id: undefined }] }, own);
      const { id: _, letter: _l, question, ...rest } = read[0];
      return { ...hole, ...rest, name: row.name || hole.name, question };
    }),
    ...fresh,
  ];
}

/** Imported rows as features of a job, what follows another still following it; and the answers that are none, by name. */
export function featuresFrom(found: Imported, usual: Usual): { holes: FeatureInput[]; wrong: string[] } {
  const isFree = (id: string): boolean => shape.id.safeParse(id).success && !usual.taken.has(id);
  const ids = new Map(found.features.flatMap(({ id }) => (id ? [[id, isFree(id) ? id : uuidv7()] as const] : [])));
  const wrong = new Set<string>();
  const holes = found.features.map(({ id, name, callout, place, face = usual.face, more = {} }): FeatureInput => {
    const own: Record<string, unknown> = {};
    const answers: Record<string, unknown> = {};
    for (const [key, text] of Object.entries(more)) {
      const read = valueOf(key, text);
      if (!read) wrong.add(key);
      else (read.of === 'feature' ? own : answers)[key] = read.value;
    }
    const follows = place?.kind === 'mirror' || place?.kind === 'offset';
    return {
      id: (id && ids.get(id)) ?? uuidv7(),
      name: name.slice(0, 120),
      face,
      place: follows ? { ...place, of: ids.get(place.of) ?? place.of } : place,
      ...own,
      ...(typeof own.meets === 'string' ? { meets: ids.get(own.meets) ?? own.meets } : {}),
      question: { ...BLANK_FORM, ...usual.question, ...answers, callout },
    };
  });
  return { holes, wrong: [...wrong] };
}
