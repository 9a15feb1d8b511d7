import { depth as deep, mm, phrase, type Phrase, type Problem, type Result } from '../answer/answer';
import type { Callout, CalloutFeature } from '../threads/callout';
import { isTapered } from '../threads/thread';
import { taperTapDrill } from '../tapping/choose-tap-drill';
import type { HoleQuestion } from './question';

export type ThreadFeature = Extract<CalloutFeature, { kind: 'thread' }>;

/** The hole as it will be made: every open point settled, each assumption said. */
export interface ResolvedHole {
  feature: ThreadFeature;
  through: boolean;
  /** Full thread, from the face or from the floor of a larger part above it. */
  threadDepthMm: number;
  thicknessMm?: number;
  /** Larger part above the thread, from the face. */
  clearance?: { diameterMm: number; depthMm: number };
  notes: Phrase[];
}

/** Lengths that a shop of this kind never sees are taken for a slip of unit or key. mm */
export const LONGEST_MM = 2000;

const refuse = (
  code: string,
  field: string,
  text: string,
  remedy: string,
  values?: Phrase['values'],
  nearest?: string[],
): Problem => ({ code, field, ...phrase(text, values), remedy: phrase(remedy, values), nearest });

/** Lengths of a question that cannot be, field by field. */
export function lengthProblems(q: HoleQuestion): Problem[] {
  const fields = [
    ['threadDepth', 'The thread depth', q.threadDepthMm],
    ['thickness', 'The thickness', q.thicknessMm],
    ['stockWidth', 'The width of the stock', q.stockWidthMm],
    ['existing', 'The hole that is there', q.existingMm],
  ] as const;
  return fields.flatMap(([field, name, value]) => {
    if (value === undefined) return [];
    if (!Number.isFinite(value) || value <= 0)
      return [refuse('length-positive', field, `${name} must be above zero.`, 'Type a length above zero.')];
    return value > LONGEST_MM
      ? [
          refuse('length-long', field, `${name} of {value} is beyond {most}.`, 'Check the unit.', {
            value: deep(value),
            most: deep(LONGEST_MM),
          }),
        ]
      : [];
  });
}

function threadOf(callout: Callout): ThreadFeature | Problem {
  const thread = callout.features.find((f): f is ThreadFeature => f.kind === 'thread');
  return (
    thread ??
    refuse(
      'no-thread',
      'callout',
      'This callout names a plain hole; Ask answers for tapped holes.',
      'Add the thread, for example M8 or 1/4-20.',
    )
  );
}

function physicalProblems(q: HoleQuestion, hole: ResolvedHole): Problem[] {
  const { thread } = hole.feature;
  const problems: Problem[] = [];
  const { threadDepthMm: depth } = hole;
  const thickness = hole.thicknessMm === undefined ? undefined : hole.thicknessMm - (hole.clearance?.depthMm ?? 0);
  if (thickness !== undefined && thickness <= 0)
    return [
      refuse(
        'clearance-deep',
        'callout',
        'The larger part of {clearance} takes the whole plate of {plate}: nothing is left to tap.',
        'Make the larger part shallower.',
        { clearance: deep(hole.clearance?.depthMm ?? 0), plate: deep(hole.thicknessMm ?? 0) },
      ),
    ];
  if (thickness !== undefined && depth > thickness + 1e-9)
    problems.push(
      refuse(
        'thread-deeper-than-plate',
        'threadDepth',
        hole.clearance
          ? 'A thread of {depth} does not fit in the {thickness} that the larger part leaves of the plate.'
          : 'A thread {depth} deep does not fit in a plate of {thickness}.',
        'Tap at most {thickness}, through, or take thicker stock.',
        { depth: deep(depth), thickness: deep(thickness) },
      ),
    );
  if (depth < thread.pitchMm)
    problems.push(
      refuse(
        'thread-under-pitch',
        thickness !== undefined && thickness === depth ? 'thickness' : 'threadDepth',
        '{depth} is less than one pitch ({pitch}): no thread would stand.',
        'Check the unit, or take a finer thread.',
        { depth: deep(depth), pitch: mm(thread.pitchMm) },
      ),
    );
  if (q.stockWidthMm !== undefined && q.stockWidthMm <= thread.majorMm)
    problems.push(
      refuse(
        'tap-larger-than-stock',
        'stockWidth',
        'The tap is {major} and the stock only {width} across: nothing would be left around it.',
        'Take a smaller thread or wider stock.',
        { major: mm(thread.majorMm), width: deep(q.stockWidthMm) },
      ),
    );
  return problems;
}

/** Settles through or blind, depth and thickness from the question and the callout, or says what is impossible. */
export function resolveHole(q: HoleQuestion, callout: Callout): Result<ResolvedHole> {
  const feature = threadOf(callout);
  const bad = lengthProblems(q);
  if ('code' in feature) return { ok: false, problems: [feature, ...bad] };
  if (bad.length > 0) return { ok: false, problems: bad };
  const { thread, extent } = feature;
  const notes: Phrase[] = [];
  const larger = callout.features.filter((f) => f.kind === 'hole').find((f) => f.diameterMm >= thread.majorMm);
  const clearance =
    larger?.extent?.kind === 'depth' ? { diameterMm: larger.diameterMm, depthMm: larger.extent.mm } : undefined;
  const above = clearance?.depthMm ?? 0;
  const drilledThrough = callout.features.some(
    (f) => f.kind === 'hole' && f !== larger && f.extent?.kind === 'through',
  );
  const written =
    extent?.kind === 'through' || drilledThrough ? 'through' : extent?.kind === 'depth' ? 'blind' : undefined;
  let kind = q.hole ?? written;
  if (q.hole && written && q.hole !== written)
    notes.push(phrase('The callout reads {written}; {chosen} was chosen and is used.', { written, chosen: q.hole }));
  if (!kind) {
    kind = q.threadDepthMm !== undefined && q.threadDepthMm !== q.thicknessMm ? 'blind' : 'through';
    notes.push(phrase('Neither through nor blind was said; {kind} is taken.', { kind }));
  }
  if (clearance)
    notes.push(
      phrase('Depths are from the face: the thread begins under the larger part, at {above}.', { above: deep(above) }),
    );
  const writtenDepth = extent?.kind === 'depth' ? extent.mm : undefined;
  let depth = q.threadDepthMm ?? writtenDepth;
  if (q.threadDepthMm !== undefined && writtenDepth !== undefined && Math.abs(q.threadDepthMm - writtenDepth) > 1e-6)
    notes.push(
      phrase('The callout says {written} deep; {chosen} was typed and is used.', {
        written: deep(writtenDepth),
        chosen: deep(q.threadDepthMm),
      }),
    );
  let thickness = q.thicknessMm;
  if (depth === undefined) {
    const usual = isTapered(thread)
      ? taperTapDrill(thread).handTightMm + 3 * thread.pitchMm
      : (q.habits?.engagement === 'one' ? 1 : 1.5) * thread.majorMm;
    depth = kind === 'through' ? (thickness ?? usual + above) : usual + above;
    if (kind === 'blind' || thickness === undefined)
      notes.push(
        isTapered(thread)
          ? phrase('No depth was given: hand-tight length and three threads, {depth}, is taken.', {
              depth: deep(depth),
            })
          : phrase('No depth was given: {rule}, {depth}, is taken.', {
              rule: q.habits?.engagement === 'one' ? 'one diameter' : 'one and a half diameters',
              depth: deep(depth),
            }),
      );
  }
  if (kind === 'through' && thickness === undefined) {
    thickness = depth;
    notes.push(
      phrase('No thickness was given: the plate is taken as thick as the thread, {depth}.', { depth: deep(depth) }),
    );
  }
  if (kind === 'blind' && thickness === undefined)
    notes.push(phrase('No thickness was given: the wall left under the hole is not checked.'));
  const hole: ResolvedHole = {
    feature,
    through: kind === 'through',
    threadDepthMm: depth - above,
    thicknessMm: thickness,
    ...(clearance ? { clearance } : {}),
    notes,
  };
  const impossible = physicalProblems(q, hole);
  return impossible.length > 0 ? { ok: false, problems: impossible } : { ok: true, value: hole };
}
