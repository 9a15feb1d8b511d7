import {
  caution,
  depth,
  mm,
  phrase,
  type Answer,
  type Caution,
  type Phrase,
  type Problem,
  type Result,
} from '../answer/answer';
import type { Machine } from '../cutting/machine';
import { coneDepth } from '../drills/drill-point';
import { drillName } from '../drills/drill';
import type { Material } from '../materials/material';
import { applyEdits, type EditedRoute, type RouteEdits } from '../route/edits';
import type { FeatureContext } from '../route/feature-context';
import { mouthProblems } from '../route/mouth-operations';
import { plainMain, plainOperations } from '../route/plain-operations';
import { thinWallMm, wallLeft } from '../tapping/blind-depth';
import { readCallout, type Callout } from '../threads/callout';
import { answerQuestion, contextOf, usualStart } from './answer-question';
import type { AskForm } from './ask-form';
import type { HolePlan } from './hole-plan';
import { findDrill, readForm, type Shop } from './read-form';
import type { HoleQuestion } from './question';
import { lengthProblems } from './resolve-hole';
import { safetyCautions } from './safety-cautions';
import { USUAL_HABITS } from './habits';

/** One feature of a part in full, threaded or not: its operations with the user's changes, and what to watch. */
export interface FeaturePlan extends EditedRoute {
  callout: Callout;
  material: Material;
  machine?: Machine;
  thicknessMm?: number;
  through: boolean;
  ctx: FeatureContext;
  /** The tapped hole's own plan; undefined where there is no thread. */
  thread?: HolePlan;
  /** Left under the tip of the deepest operation; undefined through, or where the thickness is not known. */
  wall?: Answer;
  /** For one hole, all operations, s. */
  seconds: number;
  assumptions: Phrase[];
  cautions: Caution[];
}

function wallUnder(route: EditedRoute, thicknessMm: number | undefined, through: boolean): Answer | undefined {
  if (through || thicknessMm === undefined) return undefined;
  const deepest = Math.max(0, ...route.operations.map((op) => (op.cut ? op.cut.spec.fullMm + op.cut.tipMm : 0)));
  return wallLeft(thicknessMm, deepest);
}

function plainContext(q: HoleQuestion, callout: Callout): Result<{ ctx: FeatureContext; notes: Phrase[] }> {
  const bad = lengthProblems(q);
  const habits = q.habits ?? USUAL_HABITS;
  const start = q.start ?? usualStart(q.machine, habits.start);
  const main = plainMain(callout, q.pool, start, q.material);
  if (!main)
    return {
      ok: false,
      problems: [
        ...bad,
        {
          code: 'no-hole',
          field: 'callout',
          ...phrase('This callout names a mouth without its hole.'),
          remedy: phrase('Add the hole: ø9 THRU CBORE ø15 x 8.6.'),
        },
      ],
    };
  const notes: Phrase[] = [...callout.notes];
  const { feature, chosen } = main;
  const { drill } = chosen;
  const writtenDeep = feature.extent?.kind === 'depth' ? feature.extent.mm : undefined;
  const through = q.hole ? q.hole === 'through' : writtenDeep === undefined;
  if (through && feature.extent === undefined && q.hole === undefined)
    notes.push(phrase('No depth is written: the hole is taken as through.'));
  const thicknessMm = q.thicknessMm;
  const deep = q.threadDepthMm ?? writtenDeep;
  const fullMm = through ? (thicknessMm ?? 2 * drill.diameterMm) : (deep ?? 1.5 * drill.diameterMm);
  if (through && thicknessMm === undefined)
    notes.push(phrase('No thickness was given: two diameters, {deep}, are taken.', { deep: depth(fullMm) }));
  const problems: Problem[] = [...bad];
  const total = fullMm + coneDepth(drill.diameterMm, drill.pointAngleDeg ?? 118);
  if (!through && thicknessMm !== undefined && total >= thicknessMm)
    problems.push({
      code: 'wall-zero',
      field: 'threadDepth',
      ...phrase('A hole {deep} deep reaches {total} with its tip; the plate is {plate}.', {
        deep: depth(fullMm),
        total: depth(total),
        plate: depth(thicknessMm),
      }),
      remedy: phrase('Drill at most {most}, or go through.', {
        most: depth(Math.max(0, thicknessMm - total + fullMm - 1.5)),
      }),
    });
  if (q.existingMm !== undefined && q.existingMm > drill.diameterMm - 0.05)
    problems.push({
      code: 'existing-large',
      field: 'existing',
      ...phrase('The hole that is there, {existing}, leaves the drill of {drill} nothing to cut.', {
        existing: mm(q.existingMm),
        drill: mm(drill.diameterMm),
      }),
      remedy: phrase('Nothing is to be done, or the drawing wants a larger hole.'),
    });
  if (problems.length > 0) return { ok: false, problems };
  const larger = callout.features.filter((f) => f.kind === 'hole').find((f) => f !== feature);
  return {
    ok: true,
    value: {
      notes,
      ctx: {
        callout,
        material: q.material,
        machine: q.machine,
        dry: q.dry ?? false,
        habits,
        thicknessMm,
        leverMm: q.leverMm,
        tiltDeg: q.tiltDeg,
        curved: q.curved,
        offAxisMm: q.offAxisMm,
        start,
        pool: q.pool,
        tools: q.tools,
        existingMm: q.existingMm,
        through,
        main: { chosen, fullMm },
        ...(larger?.extent?.kind === 'depth'
          ? { clearance: { diameterMm: larger.diameterMm, depthMm: larger.extent.mm } }
          : {}),
      },
    },
  };
}

/**
 * Plans one feature, with a thread or without, in the context of a shop, and applies the user's changes.
 * @param place what the part around the hole gives: its thickness behind the face, the distance to its far edge and to
 * its axis, mm, how far the hole leans, degrees, under 90, and whether its face is round
 * @returns the plan, or every bad field
 */
export function planFeature(
  form: AskForm,
  shop: Shop,
  edits: RouteEdits = {},
  place: Pick<HoleQuestion, 'thicknessMm' | 'leverMm' | 'tiltDeg' | 'curved' | 'offAxisMm'> = {},
): Result<FeaturePlan> {
  const read = readForm(form, shop);
  if (!read.ok) return read;
  const asked = read.value.question;
  const q: HoleQuestion = {
    ...asked,
    ...place,
    thicknessMm: along(asked.thicknessMm ?? place.thicknessMm, place.tiltDeg),
  };
  const callout = readCallout(q.callout, q.bareUnit);
  if (!callout.ok) return callout;
  const drillCalled = (label: string) => findDrill(label, q.pool);
  if (callout.value.features.some((f) => f.kind === 'thread')) {
    // Another tap drill changes more than its own figures: the thread is judged with it.
    const { drill: label, ...figures } = edits.overrides?.drill ?? {};
    const drill = label === undefined ? undefined : drillCalled(label);
    const answered = answerQuestion(drill ? { ...q, drill } : q);
    if (!answered.ok) return answered;
    const thread = answered.value;
    thread.assumptions.unshift(...read.value.notes);
    const ctx = contextOf(thread, q);
    const kept = drill ? { ...edits, overrides: { ...edits.overrides, drill: figures } } : edits;
    const route = applyEdits(thread.steps, kept, ctx, drillCalled);
    const main = route.operations.find((op) => op.key === 'drill');
    const before = drill && answerQuestion(q);
    if (main && drill && before?.ok)
      main.changes = [
        phrase('{now} instead of {before}.', {
          now: drillName(drill),
          before: drillName(before.value.tapDrill.used.drill),
        }),
        ...(main.changes ?? []),
      ];
    tooShallow(route, thread);
    return { ok: true, value: finished(route, ctx, thread.callout, thread.assumptions, thread) };
  }
  const plain = plainContext(q, callout.value);
  if (!plain.ok) return plain;
  const { notes } = plain.value;
  const ctx = { ...plain.value.ctx, wish: edits.tool };
  const planned = plainOperations(ctx);
  const tooDeep = mouthProblems(planned, ctx.thicknessMm);
  if (tooDeep.length > 0) return { ok: false, problems: tooDeep };
  const route = applyEdits(planned, edits, ctx, drillCalled);
  return { ok: true, value: finished(route, ctx, callout.value, [...read.value.notes, ...notes]) };
}

/** Says so on the drill where the user has set it less deep than the thread and its last tap want. */
function tooShallow(route: EditedRoute, thread: HolePlan): void {
  const needed = thread.tapping.best.depth?.fullDiameter.value;
  const main = route.operations.find((op) => op.key === 'drill' && op.cut);
  const full = main?.cut?.spec.fullMm;
  if (!main || needed === undefined || full === undefined || full > needed - 0.05) return;
  main.cautions = [
    ...main.cautions,
    caution(
      'warn',
      'too-shallow',
      'The last tap wants {needed} of full diameter: it stands on the bottom {short} too soon.',
      {
        needed: depth(needed),
        short: depth(needed - full),
      },
    ),
  ];
}

/** Thickness as an angled hole meets it, along its own axis. */
const along = (thicknessMm: number | undefined, tiltDeg = 0): number | undefined =>
  thicknessMm === undefined ? undefined : thicknessMm / Math.cos((tiltDeg * Math.PI) / 180);

function finished(
  route: EditedRoute,
  ctx: FeatureContext,
  callout: Callout,
  assumptions: Phrase[],
  thread?: HolePlan,
): FeaturePlan {
  const wall = wallUnder(route, ctx.thicknessMm, ctx.through);
  const size = thread?.thread.majorMm ?? ctx.main.chosen.drill.diameterMm;
  const cautions: Caution[] = thread
    ? [...thread.cautions]
    : [...safetyCautions(ctx.material, ctx.machine, ctx.through)];
  if (!thread && wall && wall.value < thinWallMm(size))
    cautions.unshift(
      caution('warn', 'wall-thin', 'Only {wall} is left under the tip; under {limit} the back bulges or breaks out.', {
        wall: depth(wall.value),
        limit: depth(thinWallMm(size)),
      }),
    );
  return {
    ...route,
    callout,
    material: ctx.material,
    machine: ctx.machine,
    thicknessMm: ctx.thicknessMm,
    through: ctx.through,
    ctx,
    thread,
    wall,
    seconds: route.operations.reduce((sum, op) => sum + op.time.value, 0),
    assumptions,
    cautions,
  };
}
