import { ok, type Result } from '../answer/answer';
import type { AskForm } from '../hole/form';
import type { HolePlan } from '../hole/hole-plan';
import { planForm } from '../hole/read-form';
import { tilt } from '../layout/angled-hole';
import { farEdgeMm } from '../layout/far-edge';
import type { MadeHole } from '../layout/lay-out';
import { depthBehind, faceShape, facesOf, type FaceId, type Part } from '../layout/part';
import { pointsOf, type Place } from '../layout/place';
import type { Setting } from '../operation/context';
import { withEdits, type OperationEdits } from '../operation/edits';
import type { Shop } from '../shop/shop';

/** What a job says of all its holes. */
export interface JobHead {
  materialId: string;
  quantity: number;
  part: Part;
}

/** A job's own figures go before those of each hole: its material and its number of parts. */
export const questionInJob = (question: AskForm, job: Pick<JobHead, 'materialId' | 'quantity'>): AskForm => ({
  ...question,
  material: job.materialId,
  parts: String(job.quantity),
});

/** A feature of a job as it is saved. */
export interface JobFeature {
  question: AskForm;
  face: FaceId;
  place?: Place;
  /** Angled: how far across the far end lies, mm. */
  exit?: { dx: number; dy: number };
  /** Position zone of the drawing, a diameter, mm; undefined: what the joint leaves. */
  zoneMm?: number;
  /** Id of the feature whose bore it is meant to run into. */
  meets?: string;
  edits?: OperationEdits;
}

/** How far the first hole of a feature lies from the axis of its part, mm; Infinity on a face that has none. */
function offAxisMm({ stock }: Part, { face, place }: JobFeature): number | undefined {
  if (!place || place.kind === 'mirror' || place.kind === 'offset') return undefined;
  const [first] = pointsOf(place);
  const shape = faceShape(stock, face);
  return first && (shape.kind === 'circle' ? Math.hypot(first.x, first.y) : Infinity);
}

/** How far and which way an angled hole leans on its face; nothing for a square one. */
function leanOf(exit: JobFeature['exit'], thicknessMm: number): Pick<Setting, 'tiltDeg' | 'towardsDeg'> {
  const tiltDeg = exit ? tilt(Math.hypot(exit.dx, exit.dy), thicknessMm).value : 0;
  if (!exit || tiltDeg === 0) return {};
  return { tiltDeg, towardsDeg: (360 + (Math.atan2(exit.dy, exit.dx) * 180) / Math.PI) % 360 };
}

/**
 * What the part gives a feature: thickness and lever, tilt, where it lies. The stock counts once the feature has a place
 * on it; before that it is only what a new part starts as.
 */
export function settingOf(part: Part, feature: JobFeature): Setting {
  const { face, place, exit } = feature;
  if (place === undefined || !facesOf(part.stock).includes(face)) return {};
  const thicknessMm = depthBehind(part.stock, face);
  return {
    thicknessMm,
    leverMm: farEdgeMm(part, face, place),
    ...leanOf(exit, thicknessMm),
    curved: face === 'side' && part.stock.shape !== 'plate',
    offAxisMm: offAxisMm(part, feature),
  };
}

/** What the plate has to know of a plan: how deep it goes, how deep its tap. */
export function madeHole({ operations, hole, outside }: HolePlan): MadeHole {
  if (outside) return { boredMm: 0, through: false };
  const boredMm = operations.reduce((d, { cut }) => Math.max(d, cut ? cut.spec.fullMm + cut.tipMm : 0), 0);
  const threadEndMm = hole.thread && hole.thread.fromMm + hole.thread.lengthMm;
  return {
    boredMm: hole.through ? (hole.thicknessMm ?? boredMm) : Math.max(boredMm, threadEndMm ?? 0),
    through: hole.through,
    threadEndMm,
  };
}

/** Plans of a shop, remembered: equal questions in equal settings are planned once. */
export interface Planner {
  /** Plans a feature in its job: material and parts of the job, what the part gives, changes of the user. */
  plan: (feature: JobFeature, job: JobHead) => Result<HolePlan>;
  /** What the plate's checks need: of features that differ only in lever and place on the face, planned once. */
  made: (feature: JobFeature, job: JobHead) => Result<MadeHole>;
}

/** So many plans are remembered; then the oldest go, as when someone types. */
const REMEMBERED = 2500;

/** The result of `make` for a key, made once while it is remembered. */
function remembering<T>(): (key: string, make: () => T) => T {
  const known = new Map<string, T>();
  return (key, make) => {
    const before = known.get(key);
    if (before !== undefined) return before;
    const now = make();
    const [oldest] = known.size >= REMEMBERED ? known.keys() : [];
    if (oldest !== undefined) known.delete(oldest);
    known.set(key, now);
    return now;
  };
}

/** A planner for one shop. */
export function plannerFor(shop: Shop): Planner {
  const plans = remembering<Result<HolePlan>>();
  const planned = ({ question, edits }: JobFeature, job: JobHead, setting: Setting): Result<HolePlan> => {
    const asked = questionInJob(question, job);
    // JSON has no Infinity: a face without an axis is told apart from a hole that is not laid out.
    const key = JSON.stringify([asked, setting, setting.offAxisMm === Infinity, edits]);
    return plans(key, () => planForm(asked, shop, setting, edits && withEdits(edits)));
  };
  return {
    plan: (feature, job) => planned(feature, job, settingOf(job.part, feature)),
    made: (feature, job) => {
      const { leverMm: _, offAxisMm: _off, ...setting } = settingOf(job.part, feature);
      const plan = planned(feature, job, setting);
      return plan.ok ? ok(madeHole(plan.value)) : plan;
    },
  };
}
