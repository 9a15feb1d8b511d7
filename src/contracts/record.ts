import { z } from 'zod';
import { CHIP_SIGNS } from '@/core/cutting/chips-adviser';
import { REMEDY_SCOPES, TAP_FEELS, type BenchKind, type BodyOf } from '@/core/run/bench-record';
import { CHECK_KINDS } from '@/core/gauging/checks-of';
import { CHOICES } from '@/core/gauging/verdict';
import { MOST_ZONE_MM } from '@/core/layout/joint-zone';
import { MARKED_WITH, type MarkedWith } from '@/core/layout/punch';
import { DIE_CAUSE_IDS, DIE_SIGNS } from '@/core/operation/die-trouble';
import { LAST_FELT } from '@/core/tapping/broken-tap';
import { CAUSE_IDS, SIGNS } from '@/core/tapping/trouble';
import { questionSet } from './question';
import { clockMoment, rowId } from './text';

const jobId = rowId.describe('Job that it is about');
const hole = {
  featureId: rowId.describe('Feature of that job; one that was removed since may still be recorded'),
  holeNumber: z.number().int().min(1).max(20000).describe('From 1 within its feature'),
};
const common = {
  id: rowId.describe('Made by the sender: the same record sent again counts once'),
  happenedAt: clockMoment.optional().describe('Left out: when it arrives'),
  corrects: rowId.optional().describe('Record that this one corrects'),
  who: z.string().trim().max(60).optional().describe('Who was at the bench'),
  device: z.string().min(1).max(64).optional().describe('Browser or program that made it'),
  sequence: z
    .number()
    .int()
    .min(1)
    .max(Number.MAX_SAFE_INTEGER)
    .optional()
    .describe('Rises with every record of its device: they happened in this order, whatever its clock said'),
  jobId,
  routeId: rowId.optional().describe('Issued route that was worked by'),
};
const keysOf = <T extends string>(table: Record<T, unknown>): [T, ...T[]] => Object.keys(table) as [T, ...T[]];

/** How far off a punch mark came out. */
const punchMark = z.strictObject({
  ...common,
  kind: z.literal('punch-mark'),
  ...hole,
  body: z.strictObject({
    dxMm: z.number().min(-50).max(50).describe('To the right of the cross, mm'),
    dyMm: z.number().min(-50).max(50).describe('Above the cross, mm'),
    zoneMm: z.number().positive().max(MOST_ZONE_MM).describe('Position zone that it was held against, a diameter'),
    withdrawn: z.literal(true).optional().describe('Undone: the hole counts as not marked'),
    means: z.enum(Object.keys(MARKED_WITH) as [MarkedWith, ...MarkedWith[]]).optional(),
  }),
});

/** A line of a layout sheet that was scribed, or whose tick was taken off. */
const layoutTick = z.strictObject({
  ...common,
  kind: z.literal('layout-tick'),
  body: z.strictObject({
    line: z.string().min(1).max(60).describe('Face, axis and height of the line'),
    ticked: z.boolean(),
  }),
});

const part = z.number().int().min(1).max(100000).describe('Part of the batch, from 1');
const step = z.string().min(1).max(300).describe('Feature, hole, operation and part, or the clamping');
const { broken: _, ...felt } = SIGNS;
const remedyChange = questionSet.pick({ drill: true, taps: true, way: true, room: true, dry: true, tap: true }).extend({
  overrides: z
    .record(
      z.string().max(100),
      z.strictObject({
        rpm: z.number().positive().max(2e5).optional(),
        feed: z.number().positive().max(10).optional(),
      }),
    )
    .optional(),
  pinnedOffMm: z.number().min(-5).max(5).optional().describe('Pinned minor diameter less the predicted one'),
});
const bodies = {
  'step-done': z.strictObject({
    step,
    part,
    seconds: z.number().min(0).max(1e6).optional(),
    feel: z.enum(TAP_FEELS).optional().describe('How the tap turned'),
    turns: z.number().min(0).max(1000).optional().describe('Turns of the tap that were counted'),
    torqueNm: z.number().positive().max(2000).optional().describe('Most that a torque wrench told'),
    coast: z
      .strictObject({ revolutions: z.number().min(0).max(100), rpm: z.number().positive().max(2e5) })
      .optional()
      .describe('How far the spindle ran on after the switch was thrown'),
  }),
  'step-skipped': z.strictObject({ step, part, reason: z.string().trim().min(1, 'Say why.').max(300) }),
  'step-undone': z.strictObject({ step, part }).describe('Takes back the record that it corrects'),
  'chip-seen': z.strictObject({ part, chips: z.enum(keysOf(CHIP_SIGNS)) }),
  'tap-felt': z.strictObject({ part, sign: z.enum(keysOf(felt)), cause: z.enum(CAUSE_IDS).optional() }),
  'die-felt': z.strictObject({ part, sign: z.enum(keysOf(DIE_SIGNS)), cause: z.enum(DIE_CAUSE_IDS).optional() }),
  'tap-broken': z.strictObject({
    part,
    tap: z.string().max(200),
    tapId: rowId.optional().describe('In the crib, where it is broken from then on'),
    turns: z.number().min(0).max(1000).optional().describe('Turned when it broke'),
    felt: z.enum(keysOf(LAST_FELT)).optional().describe('Just before'),
    packed: z.boolean().optional().describe('The flutes were full of chips'),
  }),
  'drill-dull': z.strictObject({ part, tool: z.string().max(200) }),
  note: z.strictObject({ part, text: z.string().trim().min(1).max(2000) }),
  remedy: z
    .strictObject({
      part,
      scope: z.enum(REMEDY_SCOPES),
      label: z.string().min(1).max(200),
      change: remedyChange,
    })
    .describe('From here on the hole, or it and the rest like it, or the rest alone, is made so'),
  checked: z
    .strictObject({
      part,
      check: z.enum(CHECK_KINDS),
      values: z.record(z.string().max(20), z.number().min(-1e5).max(1e5)),
      verdict: z.enum(['good', 'bad', 'open']),
      instrument: z.string().max(60).optional(),
    })
    .describe('What was gauged, mm or turns'),
  decision: z.strictObject({
    part,
    choice: z.enum(keysOf(CHOICES)),
    change: remedyChange.extend(questionSet.pick({ callout: true }).shape).optional(),
    by: z.string().trim().max(60).optional().describe('Who answers for it, where it is accepted as it is'),
    why: z.string().trim().max(300).optional(),
  }),
  'decision-undone': z.strictObject({ part }).describe('Takes back the decision that it corrects'),
  photo: z.strictObject({
    part,
    image: z
      .string()
      .regex(/^(data:image\/(jpeg|png|webp);base64,[A-Za-z0-9+/=]+)?$/, 'A picture as a data address.')
      .max(800_000, 'At most 600 KB: scale it down.')
      .describe('Left empty in lists'),
    dxMm: z.number().min(-50).max(50),
    dyMm: z.number().min(-50).max(50),
  }),
} satisfies { [K in BenchKind]: z.ZodType<BodyOf<K>> };
const maybeHole = { featureId: hole.featureId.optional(), holeNumber: hole.holeNumber.optional() };
/** About one hole, or a whole part or clamping where none is named. */
const atBench = <K extends BenchKind>(kind: K) =>
  z.strictObject({ ...common, ...maybeHole, kind: z.literal(kind), body: bodies[kind] });

const EACH = [
  punchMark,
  layoutTick,
  atBench('step-done'),
  atBench('step-skipped'),
  atBench('step-undone'),
  atBench('chip-seen'),
  atBench('tap-felt'),
  atBench('die-felt'),
  atBench('tap-broken'),
  atBench('drill-dull'),
  atBench('note'),
  atBench('remedy'),
  atBench('checked'),
  atBench('decision'),
  atBench('decision-undone'),
  atBench('photo'),
] as const;

/** What happened at the bench; the kind says what its body holds. */
export const recordInput = z.discriminatedUnion('kind', EACH);
/** Kinds that the bench and its checks write. */
export const BENCH_KINDS = keysOf(bodies);
export type RecordInput = z.infer<typeof recordInput>;
export type RecordKind = RecordInput['kind'];
export const RECORD_KINDS = recordInput.options.map((o) => o.shape.kind.value);

/** Records of one batch. */
export const MOST_RECORDS = 500;
export const recordBatch = z.strictObject({
  records: z
    .array(z.unknown())
    .min(1)
    .max(MOST_RECORDS)
    .describe('Each a RecordInput; one that cannot be read is refused by itself'),
  sentAt: clockMoment
    .optional()
    .describe('By the clock of the sender: where it is wrong, the times of its records are put right by as much'),
  agoMs: z
    .record(rowId, z.number().min(0).max(1e12))
    .optional()
    .describe('By id: how long ago it happened, measured by what no setting of a clock changes'),
  marks: z
    .record(rowId, z.string().max(100))
    .optional()
    .describe('By id: what shows that its name was signed in when it was made, for one that somebody else sends now'),
});
export type RecordBatch = z.infer<typeof recordBatch>;

const arrived = {
  happenedAt: z.string().describe('By the clock of the server'),
  arrivedAt: z.string(),
  arrival: z.number().int().describe('Rises with every record that arrived'),
  mark: z.string().optional().describe('Shows that it is of its name, should it have to be sent again'),
};
type Arrived<Each extends readonly z.ZodObject[]> = {
  -readonly [K in keyof Each]: Each[K] extends z.ZodObject<infer Shape, infer Rest>
    ? z.ZodObject<z.util.Extend<Shape, typeof arrived>, Rest>
    : never;
};
/** A record as it was taken in. */
export const recordKept = z.discriminatedUnion(
  'kind',
  EACH.map((one) => one.extend(arrived)) as unknown as Arrived<typeof EACH>,
);
export type RecordKept = z.infer<typeof recordKept>;
export type PunchMark = Extract<RecordKept, { kind: 'punch-mark' }>;

export const recordQuery = z.strictObject({
  id: z.string().min(1).max(100).optional().describe('One record alone, whole with its picture'),
  kind: z
    .enum([...(RECORD_KINDS as [RecordKind, ...RecordKind[]]), 'bench'])
    .optional()
    .describe('bench: everything of the bench and its checks, pictures left out'),
  after: z.coerce
    .number()
    .int()
    .min(0)
    .max(Number.MAX_SAFE_INTEGER)
    .optional()
    .describe('Only what arrived after this arrival, in the order of arrival, a few thousand at a time'),
});
export const recordList = z.object({
  records: z.array(recordKept),
  more: z.boolean().optional().describe('With after: there are more after these'),
});

/** What a batch came to, record by record. */
export const recordReceipt = z.object({
  taken: z.array(rowId),
  known: z.array(rowId).describe('Were here already, the same'),
  refused: z.array(z.object({ id: z.string(), code: z.string(), detail: z.string(), remedy: z.string() })),
  clockAheadS: z
    .number()
    .optional()
    .describe('By how much the clock of the sender is ahead, below zero behind; left out where it is right'),
  corrected: z.array(rowId).describe('Those whose time was put right by more than a few seconds'),
});
export type RecordReceipt = z.infer<typeof recordReceipt>;
