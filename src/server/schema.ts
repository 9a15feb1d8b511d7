import { sql } from 'drizzle-orm';
import { index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { KeptQuestion } from '@/contracts/question';
import type { ShopHabits } from '@/core/shop/habits';
import type { Machine, MachineKind, Speeds } from '@/core/cutting/machine';
import type { PulleyTrain } from '@/core/cutting/machine';
import type { OperationEdits } from '@/core/operation/edits';
import type { ToolKind } from '@/core/shop/tool';
import type { DrillCondition, DrillMaterial, DrillSeries } from '@/core/drills/drill';
import type { MarkedWith } from '@/core/layout/punch';
import type { FaceId, Part } from '@/core/layout/part';
import type { Place } from '@/core/layout/place';
import type { Material } from '@/core/materials/material';

const id = () => text('id').primaryKey();
/** Rises with every write; a write that names an older one is refused. */
const version = () => integer('version').notNull().default(1);
const moment = (name: string) =>
  text(name)
    .notNull()
    .default(sql`(strftime('%Y-%m-%dT%H:%M:%fZ', 'now'))`);

export const machines = sqliteTable('machines', {
  id: id(),
  version: version(),
  name: text('name').notNull(),
  kind: text('kind').$type<MachineKind>().notNull(),
  speeds: text('speeds', { mode: 'json' }).$type<Speeds>().notNull(),
  reversible: integer('reversible', { mode: 'boolean' }).notNull(),
  tappingHead: integer('tapping_head', { mode: 'boolean' }).notNull(),
  coastRevolutions: real('coast_revolutions').notNull(),
  coastAtRpm: real('coast_at_rpm').notNull(),
  chuckMm: real('chuck_mm').notNull(),
  quillStrokeMm: real('quill_stroke_mm'),
  powerW: real('power_w'),
  dialTravelMm: real('dial_travel_mm'),
  dialDivisions: integer('dial_divisions'),
  depthStop: text('depth_stop', { mode: 'json' }).$type<NonNullable<Machine['depthStop']>>(),
  pulleys: text('pulleys', { mode: 'json' }).$type<PulleyTrain>(),
  chart: text('chart', { mode: 'json' }).$type<{ drillMm: number; rpm: number }[]>(),
  inUse: integer('in_use', { mode: 'boolean' }).notNull().default(true),
  position: integer('position').notNull().default(0),
});

/** A case, index or drawer of drills. */
export const drillCases = sqliteTable('drill_cases', {
  id: id(),
  version: version(),
  name: text('name').notNull(),
  /** The usual set that the case was made for, so that gaps show. */
  setId: text('set_id'),
  inUse: integer('in_use', { mode: 'boolean' }).notNull().default(true),
  position: integer('position').notNull().default(0),
});

export const drills = sqliteTable(
  'drills',
  {
    id: id(),
    version: version(),
    caseId: text('case_id')
      .notNull()
      .references(() => drillCases.id, { onDelete: 'cascade' }),
    series: text('series').$type<DrillSeries>().notNull(),
    label: text('label').notNull(),
    diameterMm: real('diameter_mm').notNull(),
    pointAngleDeg: real('point_angle_deg').notNull(),
    material: text('material').$type<DrillMaterial>().notNull(),
    condition: text('condition').$type<DrillCondition>().notNull(),
    fluteMm: real('flute_mm'),
    where: text('place').notNull().default(''),
  },
  (t) => [index('drills_by_case').on(t.caseId, t.diameterMm)],
);

/** Everything in the crib that is no drill, tap, machine or material. */
export const tools = sqliteTable(
  'tools',
  {
    id: id(),
    version: version(),
    kind: text('kind').$type<ToolKind>().notNull(),
    name: text('name').notNull(),
    diameterMm: real('diameter_mm'),
    smallMm: real('small_mm'),
    stepMm: real('step_mm'),
    angleDeg: real('angle_deg'),
    fit: text('fit'),
    reachMm: real('reach_mm'),
    condition: text('condition').$type<DrillCondition>().notNull().default('sharp'),
    where: text('place').notNull().default(''),
  },
  (t) => [index('tools_by_kind').on(t.kind, t.diameterMm)],
);

export const materials = sqliteTable('materials', {
  id: id(),
  version: version(),
  material: text('material', { mode: 'json' }).$type<Material>().notNull(),
  position: integer('position').notNull().default(0),
});

export const jobs = sqliteTable(
  'jobs',
  {
    id: id(),
    version: version(),
    name: text('name').notNull(),
    materialId: text('material_id').notNull(),
    quantity: integer('quantity').notNull(),
    notes: text('notes').notNull().default(''),
    /** Stock and datums; null until the part is laid out. */
    part: text('part', { mode: 'json' }).$type<Part>(),
    createdAt: moment('created_at'),
    updatedAt: moment('updated_at'),
    /** Set when deleted; cleared by undo. Nothing recorded is lost. */
    deletedAt: text('deleted_at'),
  },
  (t) => [index('jobs_by_update').on(t.deletedAt, t.updatedAt)],
);

export const jobHoles = sqliteTable(
  'job_holes',
  {
    id: id(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    question: text('question', { mode: 'json' }).$type<KeptQuestion>().notNull(),
    face: text('face').$type<FaceId>().notNull().default('top'),
    place: text('place', { mode: 'json' }).$type<Place>(),
    exit: text('exit', { mode: 'json' }).$type<{ dx: number; dy: number }>(),
    /** The user's changes to its operations. */
    edits: text('edits', { mode: 'json' }).$type<OperationEdits>(),
  },
  (t) => [index('job_holes_by_job').on(t.jobId, t.position)],
);

/** How far off each punch mark came out. Appended, never edited: a correction points at what it corrects. */
export const punchMarks = sqliteTable(
  'punch_marks',
  {
    id: id(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    holeId: text('hole_id').notNull(),
    /** From 1 within its feature. */
    number: integer('number').notNull(),
    dxMm: real('dx_mm').notNull(),
    dyMm: real('dy_mm').notNull(),
    /** Position zone that it was held against. */
    zoneMm: real('zone_mm').notNull(),
    corrects: text('corrects'),
    /** How it was marked; null on records from before that was asked. */
    means: text('means').$type<MarkedWith>(),
    at: moment('at'),
  },
  (t) => [index('punch_marks_by_job').on(t.jobId, t.at)],
);

/** Lines of a layout sheet that are scribed: ticked off as one goes. */
export const layoutTicks = sqliteTable(
  'layout_ticks',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    /** Face, axis and height of the line. */
    line: text('line').notNull(),
    at: moment('at'),
  },
  (t) => [primaryKey({ columns: [t.jobId, t.line] })],
);

/** One row: how this shop does things. */
export const shop = sqliteTable('shop', {
  id: id(),
  version: version(),
  name: text('name').notNull(),
  units: text('units').$type<'mm' | 'inch'>().notNull(),
  /** What differs from the usual habits. */
  habits: text('habits', { mode: 'json' }).$type<Partial<ShopHabits>>().notNull().default({}),
});
