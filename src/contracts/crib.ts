import { z } from 'zod';
import { HABITS } from '@/core/shop/habit-questions';
import type { ShopHabits } from '@/core/shop/habits';
import { INSTRUMENTS, type Instrument } from '@/core/shop/instrument-check';
import { TOOL_KINDS, type Tool, type ToolKind } from '@/core/shop/tool';
import type { Machine } from '@/core/cutting/machine';
import type { Drill } from '@/core/drills/drill';
import { MATERIAL_GROUPS, type Material } from '@/core/materials/material';
import { TAP_CENTRES, TAP_CONDITIONS, type OwnTap } from '@/core/tapping/own-tap';
import { TAP_GEOMETRIES, TAP_PLACES, TAP_STEELS, TAP_SURFACES, type TapSteel } from '@/core/tapping/tap';
import { threadNamed } from '@/core/threads/thread-named';
import { isTimeZone } from '@/core/units/shop-time';
import { DISPLAYS } from '@/core/units/show';
import { isName } from '@/core/answer/sound-text';
import { day, NOT_A_NAME } from './text';

const rowId = z
  .string()
  .regex(/^[\w.-]{1,80}$/, 'An id is 1 to 80 letters, digits, dots, - or _.')
  .refine(isName, NOT_A_NAME);
const name = z.string().trim().min(1, 'Enter a name.').max(120, 'A name has at most 120 characters.');
const size = z.number().positive('Above zero.').max(10000);
const rpm = z.number('Enter rev/min.').min(1, 'At least 1 rev/min.').max(200000, 'At most 200000 rev/min.');
const seconds = z.number('Enter seconds.').min(0, 'Zero or more.').max(36000);
const version = z.number().int().min(1);
const condition = z.enum(['sharp', 'worn', 'blunt', 'lost']);
const where = z.string().trim().max(120).default('');

export const inUseChange = z.strictObject({ inUse: z.boolean(), version });

const speeds = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('steps'),
    steps: z
      .array(
        z.strictObject({ rpm, label: z.string().trim().max(60), rows: z.array(z.string().max(20)).max(4).optional() }),
      )
      .min(1, 'A machine has at least one speed.')
      .max(60),
  }),
  z
    .strictObject({ kind: z.literal('range'), minRpm: rpm, maxRpm: rpm })
    .refine((r) => r.minRpm < r.maxRpm, { path: ['maxRpm'], message: 'The fastest must be above the slowest.' }),
]);

export const machineInput = z.strictObject({
  id: rowId,
  name,
  kind: z.enum(['drill-press', 'mill', 'lathe', 'hand-drill']),
  speeds,
  reversible: z.boolean(),
  tappingHead: z.boolean(),
  coastRevolutions: z.number().min(0).max(1000),
  coastAtRpm: rpm,
  chuckMm: size,
  quillStrokeMm: size.optional(),
  powerW: z.number().positive().max(100000).optional(),
  depthStop: z
    .strictObject({
      kind: z.enum(['scale', 'collar', 'tape', 'readout', 'tailstock']),
      divisionMm: z.number().positive().max(100),
      turnMm: size.optional(),
    })
    .optional(),
  pulleys: z
    .strictObject({
      motorRpm: rpm,
      belts: z
        .array(
          z.strictObject({
            rows: z
              .array(z.strictObject({ name: z.string().trim().min(1).max(20), drivingMm: size, drivenMm: size }))
              .min(1)
              .max(8),
          }),
        )
        .min(1)
        .max(3),
    })
    .optional(),
  chart: z
    .array(z.strictObject({ drillMm: size, rpm }))
    .max(40)
    .optional(),
  times: z
    .strictObject({
      toolChangeS: seconds,
      speedChangeS: seconds,
      moveS: seconds,
      perMmS: seconds,
      clampS: seconds,
      turnOverS: seconds,
      touchS: seconds,
      backS: seconds,
    })
    .partial()
    .optional()
    .describe('What it costs besides cutting, s; the usual for what is left out'),
  dial: z.strictObject({ travelMm: size, divisions: z.number().int().min(1).max(10000) }).optional(),
});

export const caseInput = z.strictObject({ id: rowId, name, setId: z.string().max(80).nullable().default(null) });

export const drillInput = z.strictObject({
  id: rowId,
  caseId: rowId,
  series: z.enum(['metric', 'fraction', 'number', 'letter']),
  label: z.string().trim().min(1).max(20),
  diameterMm: size.max(100),
  pointAngleDeg: z.number().min(60).max(180),
  material: z.enum(['hss', 'cobalt', 'carbide']),
  condition,
  fluteMm: size.optional(),
  where,
});

const threadName = z
  .string()
  .trim()
  .max(40)
  .refine((text) => threadNamed(text) !== undefined, 'Enter a thread as on a drawing, such as M8 or 1/4-20.')
  .transform((text) => threadNamed(text)?.designation ?? text);
const nm = z.number().positive().max(1000);

export const tapInput = z.strictObject({
  id: rowId,
  thread: threadName,
  hand: z.enum(['right', 'left']).default('right'),
  geometry: z.enum(TAP_GEOMETRIES),
  place: z.enum(TAP_PLACES).default('complete'),
  chamferThreads: z.number().min(1).max(12),
  flutes: z.number().int().min(1).max(12),
  steel: z.enum(Object.keys(TAP_STEELS) as [TapSteel, ...TapSteel[]]).default('hss'),
  ground: z.boolean().default(true),
  makesClass: z.string().trim().max(10).optional(),
  surface: z.enum(TAP_SURFACES).default('bright'),
  overallMm: size,
  threadMm: size,
  neckMm: z.number().min(0).max(1000).default(0),
  shankMm: size,
  squareMm: size,
  centre: z.enum(TAP_CENTRES).default('male'),
  condition: z.enum(TAP_CONDITIONS).default('sharp'),
  holesDone: z.number().int().min(0).max(1_000_000).default(0),
  where,
});

export const toolInput = z.strictObject({
  id: rowId,
  kind: z.enum(Object.keys(TOOL_KINDS) as [ToolKind, ...ToolKind[]]),
  name,
  diameterMm: size.optional(),
  smallMm: size.optional(),
  stepMm: size.optional(),
  angleDeg: z.number().min(1).max(180).optional(),
  fit: z.string().trim().max(10).optional(),
  reachMm: size.optional(),
  thread: threadName.optional(),
  fromNm: nm.optional(),
  toNm: nm.optional(),
  instrument: z.enum(Object.keys(INSTRUMENTS) as [Instrument, ...Instrument[]]).optional(),
  standardMm: size.optional(),
  readings: z
    .string()
    .trim()
    .max(200)
    .regex(/^-?\d+(\.\d+)?( +-?\d+(\.\d+)?)*$/, 'Readings in mm with spaces between: 50.02 50.03.')
    .optional(),
  number: z.string().trim().max(40).optional().describe('Number of the instrument'),
  checkedOn: day.optional().describe('When it was last checked'),
  condition: condition.default('sharp'),
  where,
});

const range = z.strictObject({ low: z.number().positive(), high: z.number().positive() });
export const materialInput = z.strictObject({
  id: rowId,
  label: name,
  group: z.enum(MATERIAL_GROUPS),
  hardnessHb: z.number().min(0).max(800),
  tensileMPa: z.number().positive().max(5000),
  shearMPa: z.number().positive().max(5000),
  elongationPercent: z.number().min(0).max(300),
  formTapping: z.enum(['good', 'marginal', 'no']),
  drillSfmHss: z
    .strictObject({ low: z.number().positive(), start: z.number().positive(), high: z.number().positive() })
    .refine((s) => s.low <= s.start && s.start <= s.high, 'Low, start and high must rise.'),
  tapSfmCut: range,
  kc11: z.number().positive().max(10000),
  mc: z.number().min(0).max(1),
  feedFactor: z.number().positive().max(5),
  threadPercent: z
    .strictObject({
      low: z.number().min(30).max(95),
      target: z.number().min(30).max(95),
      high: z.number().min(30).max(95),
    })
    .refine((p) => p.low <= p.target && p.target <= p.high, 'Low, target and high must rise.'),
  chips: z.enum(['short', 'powder', 'long', 'stringy']),
  lubricant: z.string().trim().min(1).max(120),
  runsDry: z.boolean().default(false).describe('Cut dry as a rule: no fluid is missed'),
  notes: z.string().max(400),
  hazard: z.string().max(400),
}) satisfies z.ZodType<Material>;

/** What each kind of the crib is made of; a change carries the version that it was made from. */
export const CRIB_INPUT = {
  machines: machineInput,
  cases: caseInput,
  drills: drillInput,
  tools: toolInput,
  taps: tapInput,
  materials: materialInput,
} as const;
export type CribKind = keyof typeof CRIB_INPUT;
export type CribItem<K extends CribKind> = z.infer<(typeof CRIB_INPUT)[K]>;
export const versionField = z.object({ version });

/** Drills, tools and taps brought in together: all of them, or none. */
export const cribImport = z.strictObject({
  drills: z.array(drillInput).max(2000).default([]),
  tools: z.array(toolInput).max(2000).default([]),
  taps: z.array(tapInput).max(2000).default([]),
});

const drillMark = z.strictObject({ id: rowId, condition });
/** A size of drill that turns out to be missing; `restore` undoes it. */
export const missingDrill = z.strictObject({
  diameterMm: z.number().positive().max(500).optional().describe('Every drill of this size in use is marked lost'),
  restore: z.array(drillMark).max(100).default([]).describe('Marks as they were, from the answer of before'),
});
export type DrillMark = z.infer<typeof drillMark>;
export const drillMarks = z.object({ marks: z.array(drillMark).describe('What was marked, as it was before') });

/** What was taken out with the sample shop. */
export const sampleOut = z.object({
  jobs: z.number().int().min(0),
  entries: z.number().int().min(0).describe('Entries of the crib that nobody had changed'),
});

const habitsSchema = z.strictObject(
  Object.fromEntries(HABITS.map((h) => [h.id, z.enum(h.options.map(([value]) => value) as [string, ...string[]])])),
) as unknown as z.ZodType<ShopHabits>;

export const shopChange = z.strictObject({
  version,
  units: z.enum(DISPLAYS),
  timeZone: z
    .string()
    .max(60)
    .refine(isTimeZone, 'No such time zone.')
    .optional()
    .describe('IANA name of the zone of the shop; left out, it stays'),
  habits: habitsSchema,
});
export type ShopChange = z.infer<typeof shopChange>;

interface Versioned {
  id: string;
  version: number;
}
/** Entries of the crib as they are saved, each with the version that a change is made from. */
export type MachineEntry = Machine & Versioned & { inUse: boolean };
export type DrillEntry = Drill & Versioned;
export type CaseEntry = Versioned & { name: string; setId: string | null; inUse: boolean; drills: DrillEntry[] };
export type ToolEntry = Tool & Versioned;
export type TapEntry = OwnTap & Versioned;
export type MaterialEntry = Material & Versioned;
