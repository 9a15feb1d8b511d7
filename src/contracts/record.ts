import { z } from 'zod';
import { MARKED_WITH, type MarkedWith } from '@/core/layout/punch';
import { rowId } from './job';

const jobId = rowId.describe('Job that it is about');
const hole = {
  featureId: rowId.describe('Feature of that job; one that was removed since may still be recorded'),
  holeNumber: z.number().int().min(1).max(20000).describe('From 1 within its feature'),
};
const common = {
  id: rowId.describe('Made by the sender: the same record sent again counts once'),
  happenedAt: z.iso.datetime({ offset: true }).optional().describe('Left out: when it arrives'),
  corrects: rowId.optional().describe('Record that this one corrects'),
  who: z.string().trim().max(60).optional().describe('Who was at the bench'),
  jobId,
};

/** How far off a punch mark came out. */
const punchMark = z.strictObject({
  ...common,
  kind: z.literal('punch-mark'),
  ...hole,
  body: z.strictObject({
    dxMm: z.number().min(-50).max(50).describe('To the right of the cross, mm'),
    dyMm: z.number().min(-50).max(50).describe('Above the cross, mm'),
    zoneMm: z.number().positive().max(50).describe('Position zone that it was held against, a diameter'),
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

/** What happened at the bench; the kind says what its body holds. */
export const recordInput = z.discriminatedUnion('kind', [punchMark, layoutTick]);
export type RecordInput = z.infer<typeof recordInput>;
export type RecordKind = RecordInput['kind'];
export const RECORD_KINDS = recordInput.options.map((o) => o.shape.kind.value);

/** Records of one batch. */
export const MOST_RECORDS = 500;
export const recordBatch = z.strictObject({ records: z.array(recordInput).min(1).max(MOST_RECORDS) });

const arrived = { happenedAt: z.string(), arrivedAt: z.string() };
/** A record as it was taken in. */
export const recordKept = z.discriminatedUnion('kind', [punchMark.extend(arrived), layoutTick.extend(arrived)]);
export type RecordKept = z.infer<typeof recordKept>;
export type PunchMark = Extract<RecordKept, { kind: 'punch-mark' }>;
export type LayoutTick = Extract<RecordKept, { kind: 'layout-tick' }>;

export const recordQuery = z.strictObject({ kind: z.enum(RECORD_KINDS as [RecordKind, ...RecordKind[]]).optional() });
export const recordList = z.object({ records: z.array(recordKept) });

/** What a batch came to, record by record. */
export const recordReceipt = z.object({
  taken: z.array(rowId),
  known: z.array(rowId).describe('Were here already, the same'),
  refused: z.array(z.object({ id: rowId, code: z.string(), detail: z.string(), remedy: z.string() })),
});
export type RecordReceipt = z.infer<typeof recordReceipt>;
