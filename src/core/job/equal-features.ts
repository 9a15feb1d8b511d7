import type { CalloutFeature } from '../threads/callout';
import { readCallout } from '../threads/read-callout';
import { writeCallout } from '../threads/write-callout';
import { BLANK_FORM, type AskForm } from '../hole/form';
import type { JobFeature } from './plan-in-job';

export const HOLE_KINDS = ['tapped', 'outside', 'reamed', 'counterbored', 'countersunk', 'plain', 'unread'] as const;
export type HoleKind = (typeof HOLE_KINDS)[number];

function kindOf(features: readonly CalloutFeature[]): HoleKind {
  const has = (kind: CalloutFeature['kind']): boolean => features.some((f) => f.kind === kind);
  if (features.some((f) => f.kind === 'thread' && f.outside)) return 'outside';
  if (has('thread')) return 'tapped';
  if (features.some((f) => f.kind === 'hole' && (f.ream || f.fit !== undefined))) return 'reamed';
  if (has('counterbore')) return 'counterbored';
  return has('countersink') ? 'countersunk' : 'plain';
}

/** Features that are the same hole in different places. */
export interface EqualFeatures<F extends JobFeature> {
  /** Everything that decides how it is made, places and names apart. */
  key: string;
  kind: HoleKind;
  /** As a drawing writes one of them. */
  callout: string;
  features: F[];
  /** Holes in one part. */
  count: number;
}

interface Read {
  kind: HoleKind;
  callout: string;
  count: number;
}

function read(text: string): Read {
  const callout = readCallout(text);
  return callout.ok
    ? {
        kind: kindOf(callout.value.features),
        callout: writeCallout({ ...callout.value, count: 1 }),
        count: callout.value.count,
      }
    : { kind: 'unread', callout: text, count: 1 };
}

/** A callout as it was typed, for another number of holes: `2x M5 THRU` for four is `4x M5 THRU`. */
export const withCount = (text: string, count: number): string =>
  count > 1 ? `${count}x ${text.replace(/^\s*\d+\s*x\s*(?=\S)/i, '')}` : text;

/** Everything of a feature that decides how it is made; places, names and counts do not. */
function sameness({ question, edits }: JobFeature, callout: string): string {
  const asked = ASKED.map((field) => question[field]);
  return JSON.stringify([callout, asked, edits ?? {}]);
}

const ASKED = (Object.keys(BLANK_FORM) as (keyof AskForm)[]).filter((field) => field !== 'callout');

/** Features of a job grouped by how they are made, in the order in which each kind first comes. */
export function equalFeatures<F extends JobFeature>(features: readonly F[]): EqualFeatures<F>[] {
  const groups = new Map<string, EqualFeatures<F>>();
  for (const feature of features) {
    const { kind, callout, count } = read(feature.question.callout);
    const key = sameness(feature, callout);
    const before = groups.get(key);
    groups.set(
      key,
      before
        ? { ...before, features: [...before.features, feature], count: before.count + count }
        : { key, kind, callout, features: [feature], count },
    );
  }
  return [...groups.values()];
}
