import { z } from 'zod';
import { HOLE_CHOICES, ROOM_CHOICES, START_CHOICES, TAP_CHOICES, WAY_CHOICES } from '@/core/hole/form';
import { TAP_GEOMETRIES } from '@/core/tapping/tap';
import { DISPLAYS } from '@/core/units/show';

const length = z
  .union([z.number(), z.string().max(60)])
  .describe('Number in `units`, or text with a unit such as "16 mm", "5/8 in", "250 thou"');

/** A spindle that turns slower than once a minute cuts nothing. */
const rpm = z.number().min(1).max(200000);
const speedStep = z.strictObject({ rpm, label: z.string().max(60).default('') });

/** A machine given in the request instead of one of the crib's. */
export const machineInput = z.strictObject({
  name: z.string().min(1).max(80).default('machine'),
  kind: z.enum(['drill-press', 'mill', 'lathe', 'hand-drill']).default('drill-press'),
  stepsRpm: z
    .array(z.union([z.number().positive().max(200000), speedStep]))
    .min(1)
    .max(60)
    .optional(),
  rangeRpm: z.strictObject({ min: rpm, max: rpm }).optional(),
  reversible: z.boolean().default(false),
  tappingHead: z.boolean().default(false),
  coastRevolutions: z.number().min(0).max(200).default(1.5),
  coastAtRpm: rpm.default(140),
  chuckMm: z.number().positive().max(100).default(13),
});

export const answerRequest = z.strictObject({
  callout: z.string().max(200).optional().describe('As on the drawing: "M8x1.25-6H x 16 DEEP", "4x 1/4-20 UNC THRU"'),
  thread: z.string().max(200).optional().describe('Thread alone, instead of a callout: "M8", "10-32 UNF", "2 BA"'),
  materialId: z.string().max(80).describe('Id from GET /api/v1/materials'),
  hole: z
    .strictObject({
      kind: z.enum(HOLE_CHOICES).exclude(['auto']).optional().describe('Left out: as the callout says'),
      threadDepth: length.optional(),
      thickness: length.optional(),
      stockWidth: length.optional().describe('Narrowest width or diameter of the part across the hole'),
      behind: length.optional().describe('Free space behind a through hole, for the chamfer of the tap'),
      existing: length.optional().describe('Diameter of an existing hole, or "thread" for an old thread to keep'),
    })
    .optional(),
  drills: z.string().max(80).default('crib').describe('"crib", or the id of a set from GET /api/v1/drills'),
  drill: z
    .string()
    .max(20)
    .optional()
    .describe('A drill to judge instead of the proposed one: "6.9", "17/64", "#7", "F"'),
  tap: z.enum(TAP_CHOICES).default('auto'),
  way: z.enum(WAY_CHOICES).default('auto').describe('Way of driving the tap'),
  taps: z
    .array(z.string().max(80))
    .max(4)
    .optional()
    .describe('Taps to use, in order: ids of the crib, or roles such as "plug", "spiral-point"'),
  room: z.enum(ROOM_CHOICES).default('auto').describe('How the room at the bottom of a blind hole is made'),
  targetPercent: z
    .union([z.number(), z.string().max(12)])
    .default('auto')
    .describe('Percent of thread: "auto" or a number'),
  machine: z
    .union([z.string().max(80), machineInput])
    .optional()
    .describe('Id from GET /api/v1/machines, or a machine. Skipped: only the ideal speed'),
  start: z.enum(START_CHOICES).default('auto'),
  dry: z.boolean().default(false),
  bolt: z.string().max(20).optional().describe('Bolt class such as "8.8" or "SAE 5"'),
  quantity: z.number().int().min(1).max(100000).default(1).describe('Parts to make'),
  units: z.enum(DISPLAYS).default('mm').describe('Unit of bare numbers and of lengths in sentences'),
});
export type AnswerRequest = z.infer<typeof answerRequest>;

const source = z.object({ kind: z.enum(['standard', 'trade rule', 'model']), name: z.string() });
export const working = z.object({
  figure: z.string().describe('Path of the figure in this answer'),
  rule: z.string(),
  formula: z.string(),
  inputs: z.array(z.object({ label: z.string(), value: z.union([z.number(), z.string()]), unit: z.string() })),
  source,
  assumptions: z.array(z.string()),
});
const cautionItem = z.object({
  code: z.string(),
  level: z.enum(['note', 'warn', 'stop']),
  subject: z.string().describe('Key of the step that it is about, or "hole"'),
  text: z.string(),
});

const drillItem = z.object({
  label: z.string(),
  name: z.string(),
  series: z.enum(['metric', 'fraction', 'number', 'letter']),
  diameterMm: z.number(),
  diameterIn: z.number(),
});
const candidate = drillItem.extend({
  percentOfThread: z.number().nullable().describe("On the drill's own size; null for tapered threads"),
  percentOnPredictedHole: z.number().nullable(),
  predictedHoleMm: z.number(),
  predictedSpreadMm: z.number().describe('One standard deviation of the predicted hole'),
  insideShare: z
    .number()
    .nullable()
    .describe('Share of such holes that end up inside the class; null for tapered and formed threads'),
  finishedMinorMm: z.number(),
  verdict: z.enum(['inside', 'borderline', 'outside']).describe('Of the predicted minor diameter in the class'),
  beyondLimitMm: z.number(),
  owned: z.boolean(),
  torqueNm: z.number().nullable(),
  safetyAgainstBreaking: z.number().nullable(),
  threadNeededMm: z.number().nullable().describe('Thread that holds the bolt, with this hole'),
});
export const TAP_LEVEL_NAMES = ['calm', 'careful', 'warn', 'stop'] as const;
const tapItem = z.object({
  key: z.string().describe('Id in the crib, or the role of a usual tap'),
  name: z.string(),
  geometry: z.enum(TAP_GEOMETRIES),
  chamferThreads: z.number(),
  flutes: z.number(),
  inCrib: z.boolean(),
  torqueNm: z.number().nullable(),
  safety: z.number().nullable(),
  level: z.enum(TAP_LEVEL_NAMES).nullable(),
  turns: z.number(),
});
const way = z.object({
  id: z.string(),
  label: z.string(),
  possible: z.boolean(),
  reason: z.string().describe('Why it is chosen, or why it loses'),
  taps: z.array(tapItem),
  torqueNm: z.number().nullable(),
  breakingTorqueNm: z.number(),
  safetyAgainstBreaking: z.number().nullable(),
  leanDeg: z.number(),
  seconds: z.number().describe('For all holes'),
});

const threadItem = z.object({
  designation: z.string(),
  series: z.string(),
  standard: z.string(),
  majorDiameterMm: z.number(),
  pitchMm: z.number(),
  leftHand: z.boolean(),
  class: z.string().nullable(),
  minorDiameterMinMm: z.number().nullable(),
  minorDiameterMaxMm: z.number().nullable(),
  pitchDiameterMinMm: z.number().nullable(),
  pitchDiameterMaxMm: z.number().nullable(),
});
const holeItem = z.object({
  kind: z.enum(['through', 'blind']),
  threadDepthMm: z.number().nullable().describe('Null without a thread'),
  thicknessMm: z.number().nullable(),
  fullDiameterDepthMm: z.number().nullable().describe('Blind holes'),
  totalDepthMm: z.number().nullable().describe('Blind holes: to the tip, from where it touches'),
  tipMm: z.number().nullable(),
  chipRoomMm: z.number().nullable(),
  wallLeftMm: z.number().nullable(),
  chamferDiameterMm: z.number().nullable(),
});
const tapDrillItem = z.object({
  targetPercent: z.number().nullable(),
  rangeLowPercent: z.number().nullable(),
  rangeHighPercent: z.number().nullable(),
  because: z.enum(['chosen', 'asked', 'drawn', 'to-buy']),
  chosen: candidate,
  missing: candidate.nullable().describe('Best drill made, when the set misses it'),
  closestOutside: candidate.nullable(),
  nextSmaller: candidate.nullable(),
  nextLarger: candidate.nullable(),
  methods: z
    .array(
      z.object({
        id: z.string(),
        label: z.string(),
        diameterMm: z.number(),
        drill: z.string().nullable(),
        why: z.string(),
      }),
    )
    .describe('By other methods'),
});
const formingItem = z.object({
  allowed: z.boolean(),
  level: z.enum(['good', 'marginal']).nullable(),
  reason: z.string(),
  drill: candidate.nullable().describe('The larger drill that a forming tap needs'),
});
const drillingItem = z.object({
  start: z.string(),
  tool: z.string(),
  diameterMm: z.number(),
  inCrib: z.boolean(),
  idealRpm: z.number(),
  ruleOfThumbRpm: z.number().nullable(),
  setRpm: z.number().nullable().describe('Null when the machine cannot'),
  setLabel: z.string().nullable(),
  percentOfIdeal: z.number().nullable(),
  feedMmPerRev: z.number(),
  peckDepthsMm: z.array(z.number()),
  pilots: z.array(drillItem),
  fluid: z.string(),
});
const tappingItem = z.object({
  kind: z.enum(['cut', 'form']),
  way: z.string(),
  taps: z.array(tapItem),
  torqueNm: z.number().nullable(),
  breakingTorqueNm: z.number(),
  safetyAgainstBreaking: z.number().nullable(),
  turns: z.number(),
  biteTurns: z.number().describe('Turns forward before turning back; 0 for none'),
  wrench: z.string(),
  machineTappingRpm: z.number(),
  ways: z.array(way),
});
const engagementItem = z.object({
  boltClass: z.string(),
  neededMm: z.number(),
  nominalMm: z.number(),
  oneDiameterMm: z.number(),
  oneAndAHalfDiametersMm: z.number(),
  nutHeightMm: z.number(),
  boltStressAreaMm2: z.number(),
});

export const answerResponse = z.object({
  coreVersion: z.string(),
  thread: threadItem.nullable().describe('Null for a hole without a thread'),
  count: z.number().int().describe('Holes in one part'),
  materialId: z.string(),
  hole: holeItem,
  tapDrill: tapDrillItem.nullable().describe('Null where no thread is cut'),
  forming: formingItem.nullable(),
  drilling: drillingItem.nullable().describe('The main bore; null where nothing is drilled'),
  tapping: tappingItem.nullable(),
  engagement: engagementItem.nullable(),
  steps: z.array(z.object({ key: z.string(), code: z.string(), order: z.string(), details: z.array(z.string()) })),
  assumptions: z.array(z.string()),
  cautions: z.array(cautionItem),
  working: z.array(working),
});
export type AnswerResponse = z.infer<typeof answerResponse>;
