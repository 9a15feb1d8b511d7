import { dequal } from 'dequal';
import type { Draft, Patch } from 'immer';
import {
  fieldsOf,
  setOf,
  withFields,
  type FeatureSet,
  type Fields,
  type HeadSet,
  type JobPatch,
  type PatchReceipt,
} from '@/contracts/job-change';
import { headOf, type FeatureInput, type Job, type JobFeature, type MaybeHead } from '@/contracts/job';
import { indexOfLetter, letterAt } from '@/core/layout/letters';

export type Head = Required<Omit<HeadSet, MaybeHead>> & Pick<Job, 'part' | MaybeHead>;

/** A job as it is edited: its features by id, each with its place in the list. */
export interface JobDocument {
  id: string;
  version: number;
  headVersion: number;
  /** Letter of the next feature that is added. */
  nextLetter: string;
  head: Head;
  features: Record<string, JobFeature>;
}

/** A change on its way to the server, under the id that makes sending it twice harmless. */
export type LocalChange = JobPatch & { change: string };

export function documentOf(job: Job): JobDocument {
  const { id, version, headVersion, nextLetter: next, holes } = job;
  return {
    id,
    version,
    headVersion,
    nextLetter: next,
    head: headOf(job),
    features: Object.fromEntries(holes.map((h) => [h.id, h])),
  };
}

/** The features in the order of the list. */
export const featuresOf = ({ features }: JobDocument): JobFeature[] =>
  Object.values(features).sort((a, b) => a.position - b.position || (a.id < b.id ? -1 : 1));

/** Letter of the next feature: after every one that is there, and every one that the server has given. */
function freeLetter(doc: JobDocument): string {
  const given = [indexOfLetter(doc.nextLetter), ...Object.values(doc.features).map((f) => indexOfLetter(f.letter) + 1)];
  return letterAt(Math.max(...given));
}

const isFree = (letter: string, next: string): boolean => indexOfLetter(letter) >= indexOfLetter(next);

/** Places in a list that rise: one that does not goes half way to the next that is free to stay. */
function rising(positions: readonly (number | undefined)[]): number[] {
  let before = -1;
  return positions.map((p, i) => {
    if (p !== undefined && p > before) before = p;
    else {
      const next = positions.slice(i + 1).find((later) => later !== undefined && later > before);
      before = next === undefined ? before + 1 : (before + next) / 2;
    }
    return before;
  });
}

/** Makes the features of a document those of a list, in its order: added, removed, and changed field by field. */
export function putFeatures(draft: Draft<JobDocument>, list: readonly FeatureInput[]): void {
  const there = draft.features as Record<string, JobFeature>;
  const kept = new Set(list.map((f) => f.id));
  const taken = new Set(list.flatMap((f) => (there[f.id] ? [there[f.id].letter] : [])));
  for (const id of Object.keys(there)) if (!kept.has(id)) Reflect.deleteProperty(there, id);
  const positions = rising(list.map((f) => there[f.id]?.position));
  for (const [i, feature] of list.entries()) {
    const before = there[feature.id];
    const position = positions[i];
    if (before) {
      const fields = difference(ownFields(before), { ...ownFields(feature), position });
      for (const [path, value] of Object.entries(fields)) setField(before, path, value);
      continue;
    }
    const own = feature.letter && isFree(feature.letter, draft.nextLetter) && !taken.has(feature.letter);
    const letter = own && feature.letter ? feature.letter : freeLetter(draft as JobDocument);
    taken.add(letter);
    there[feature.id] = { ...feature, letter, position, version: 1 };
  }
}

function setField(feature: object, path: string, value: unknown): void {
  const [key, under] = path.split('.');
  const into = (under ? (feature as Record<string, object>)[key] : feature) as Record<string, unknown>;
  if (value === undefined) Reflect.deleteProperty(into, under ?? key);
  else into[under ?? key] = value;
}

/** Fields of a feature that a change may set. */
function ownFields(feature: JobFeature | FeatureInput): Fields {
  const { id: _, letter: _l, version: _v, ...own } = feature;
  return fieldsOf(own);
}

/** Fields that differ from one state to the next; those that went are undefined. */
function difference(before: Fields, after: Fields): Fields {
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
  return Object.fromEntries(keys.filter((k) => !dequal(before[k], after[k])).map((k) => [k, after[k]]));
}

/**
 * The change that patches of the document amount to, field by field; undefined when nothing differs.
 * @param patches what was touched, by paths into the document
 */
export function changeOf(
  before: JobDocument,
  after: JobDocument,
  patches: readonly Patch[],
  change: string,
): LocalChange | undefined {
  const touched = new Set(patches.flatMap(({ path }) => (path[0] === 'features' ? [String(path[1])] : [])));
  const result: LocalChange = { change, add: [], features: [], remove: [] };
  for (const id of touched) {
    const [a, b] = [before.features[id], after.features[id]];
    if (!a && b) result.add.push(b);
    else if (a && !b) result.remove.push({ id, version: a.version });
    else if (a && b) {
      const set = difference(ownFields(a), ownFields(b));
      if (Object.keys(set).length > 0) result.features.push({ id, version: a.version, set: setOf(set) as FeatureSet });
    }
  }
  if (patches.some(({ path }) => path[0] === 'head')) {
    const set = difference(fieldsOf(before.head), fieldsOf(after.head));
    if (Object.keys(set).length > 0) result.head = { version: before.headVersion, set: setOf(set) as HeadSet };
  }
  const nothing = result.add.length + result.features.length + result.remove.length === 0 && !result.head;
  return nothing ? undefined : result;
}

/** What a feature has until the server gives it its own. */
const NEW = { version: 1, position: 0, letter: '?' };

/** A document with a change made. What the change sets of a feature that is gone is left out. */
export function withChange(doc: JobDocument, { head, add, features, remove }: JobPatch): JobDocument {
  const next = { ...doc.features };
  for (const { id } of remove) Reflect.deleteProperty(next, id);
  for (const f of add) next[f.id] = { ...(next[f.id] ?? NEW), ...f };
  for (const { id, set } of features) if (next[id]) next[id] = withFields(next[id], fieldsOf(set));
  return { ...doc, head: head ? withFields(doc.head, fieldsOf(head.set)) : doc.head, features: next };
}

/** A document after the server made a change: its versions, and the letters that it gave. */
export function withReceipt(doc: JobDocument, receipt: PatchReceipt): JobDocument {
  const features = { ...doc.features };
  for (const { id, version, letter, position } of receipt.features)
    if (features[id]) features[id] = { ...features[id], version, letter, position };
  return { ...doc, version: receipt.version, headVersion: receipt.headVersion, features };
}

/** A change made from the versions of a document, all of it: after somebody has decided about every conflict with that. */
export const madeFrom = (change: LocalChange, doc: JobDocument): LocalChange => {
  const at = <T extends { id: string; version: number }>(one: T): T => ({
    ...one,
    version: doc.features[one.id]?.version ?? one.version,
  });
  return {
    ...change,
    head: change.head && { ...change.head, version: doc.headVersion },
    features: change.features.map(at),
    remove: change.remove.map(at),
  };
};

/**
 * A change that was made after another of one's own which the server has taken. It knows the fields that that one set, as
 * nobody else had changed them; of all others it knows what it knew.
 */
export function madeAfter(later: LocalChange, done: LocalChange, receipt: PatchReceipt): LocalChange {
  const versionOf = new Map(receipt.features.map((f) => [f.id, f.version]));
  const entries = (id: string) => done.features.filter((f) => f.id === id);
  const known = (id: string): Set<string> => new Set(entries(id).flatMap((f) => Object.keys(fieldsOf(f.set))));
  const features = later.features.flatMap((f) => {
    const version = versionOf.get(f.id);
    const own = known(f.id);
    const fields = Object.entries(fieldsOf(f.set));
    const part = (of: typeof fields, at: number): LocalChange['features'] =>
      of.length === 0 ? [] : [{ id: f.id, version: at, set: setOf(Object.fromEntries(of)) as FeatureSet }];
    return version === undefined
      ? [f]
      : [
          ...part(
            fields.filter(([k]) => own.has(k)),
            version,
          ),
          ...part(
            fields.filter(([k]) => !own.has(k)),
            f.version,
          ),
        ];
  });
  // A feature that went up by one's own steps alone was changed by nobody else.
  const remove = later.remove.map((r) => {
    const own = entries(r.id);
    const version = versionOf.get(r.id);
    return own.length > 0 && version === own[0].version + own.length ? { ...r, version } : r;
  });
  const set = Object.keys(fieldsOf(done.head?.set ?? {}));
  const headKnown = later.head && Object.keys(fieldsOf(later.head.set)).every((f) => set.includes(f));
  return {
    ...later,
    features,
    remove,
    head: later.head && headKnown ? { ...later.head, version: receipt.headVersion } : later.head,
  };
}

/** The one field that a change sets, by its path; undefined when it does more. */
export function onlyField({ head, add, features, remove }: JobPatch): string | undefined {
  if (add.length + remove.length > 0 || features.length + (head ? 1 : 0) !== 1) return undefined;
  const fields = Object.keys(fieldsOf(head?.set ?? features[0].set));
  return fields.length === 1 ? `${head ? 'head' : features[0].id}.${fields[0]}` : undefined;
}

/** A change without one field of a feature or the head; without the whole of it where no field is named. */
export function withoutField(change: LocalChange, target: string, field: string | undefined): LocalChange {
  const cut = <T extends { set: object }>(part: T): T[] => {
    const left = Object.entries(fieldsOf(part.set as FeatureSet)).filter(([f]) => field !== undefined && f !== field);
    return left.length === 0 ? [] : [{ ...part, set: setOf(Object.fromEntries(left)) }];
  };
  return {
    ...change,
    head: change.head && target === 'head' ? cut(change.head)[0] : change.head,
    features: change.features.flatMap((f) => (f.id === target ? cut(f) : [f])),
    remove: field === undefined ? change.remove.filter((r) => r.id !== target) : change.remove,
    add: field === undefined ? change.add.filter((f) => f.id !== target) : change.add,
  };
}

export const isEmpty = ({ head, add, features, remove }: JobPatch): boolean =>
  !head && add.length + features.length + remove.length === 0;

/** What others changed, in words: "B callout", "the name". */
export function newsOf(before: JobDocument, after: JobDocument): string[] {
  const head = Object.keys(difference(fieldsOf(before.head), fieldsOf(after.head))).map((f) => `the ${wordOf(f)}`);
  const features = Object.keys({ ...before.features, ...after.features }).flatMap((id): string[] => {
    const [a, b] = [before.features[id], after.features[id]];
    if (!a) return [`${b.letter} added`];
    if (!b) return [`${a.letter} removed`];
    return Object.keys(difference(ownFields(a), ownFields(b)))
      .filter((f) => f !== 'position')
      .map((f) => `${b.letter} ${wordOf(f)}`);
  });
  return [...head, ...features];
}

const WORDS: Record<string, string> = {
  materialId: 'material',
  quantity: 'number of parts',
  'question.callout': 'callout',
  'question.existing': 'existing hole',
  'question.dry': 'fluid',
  'question.percent': 'percent of thread',
  exit: 'far end',
  zoneMm: 'position zone',
  meets: 'bore that it meets',
  edits: 'operations',
  rpm: 'speed, rev/min',
  fullMm: 'depth',
};
/** A field as people call it. */
export const wordOf = (field: string): string => WORDS[field] ?? field.replace(/^(question|part)\./, '');
