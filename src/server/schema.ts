import { sql } from 'drizzle-orm';
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { PatchReceipt } from '@/contracts/job-change';
import type { JobPapers } from '@/contracts/job';
import type { KeptQuestion } from '@/contracts/question';
import type { RouteSettings } from '@/contracts/route';
import type { RouteInputs } from '@/contracts/route-issue';
import type { RecordKind } from '@/contracts/record';
import type { ShopHabits } from '@/core/shop/habits';
import type { Machine, MachineKind, Speeds } from '@/core/cutting/machine';
import type { PulleyTrain } from '@/core/cutting/machine';
import type { OperationEdits } from '@/core/operation/edits';
import type { Instrument } from '@/core/shop/instrument-check';
import type { ToolKind } from '@/core/shop/tool';
import type { OwnTap } from '@/core/tapping/own-tap';
import type { Display } from '@/core/units/show';
import type { DrillCondition, DrillMaterial, DrillSeries } from '@/core/drills/drill';
import type { Route } from '@/core/route/route';
import type { Observation } from '@/core/run/observations';
import type { KeptProgress } from '@/core/job/stage';
import type { JobSummary } from '@/core/job/summary';
import type { FaceId, Part } from '@/core/layout/part';
import type { Place } from '@/core/layout/place';
import type { Material } from '@/core/materials/material';

const id = () => text('id').primaryKey();
/** Rises with every write; a write that names an older one fails. */
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
  times: text('times', { mode: 'json' }).$type<NonNullable<Machine['times']>>(),
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
    thread: text('thread'),
    fromNm: real('from_nm'),
    toNm: real('to_nm'),
    instrument: text('instrument').$type<Instrument>(),
    standardMm: real('standard_mm'),
    readings: text('readings'),
    number: text('number'),
    checkedOn: text('checked_on'),
    condition: text('condition').$type<DrillCondition>().notNull().default('sharp'),
    where: text('place').notNull().default(''),
  },
  (t) => [index('tools_by_kind').on(t.kind, t.diameterMm)],
);

/** Taps, one row each. */
export const taps = sqliteTable(
  'taps',
  {
    id: id(),
    version: version(),
    thread: text('thread').notNull(),
    hand: text('hand').$type<OwnTap['hand']>().notNull().default('right'),
    geometry: text('geometry').$type<OwnTap['geometry']>().notNull(),
    place: text('set_place').$type<OwnTap['place']>().notNull().default('complete'),
    chamferThreads: real('chamfer_threads').notNull(),
    flutes: integer('flutes').notNull(),
    steel: text('steel').$type<OwnTap['steel']>().notNull().default('hss'),
    ground: integer('ground', { mode: 'boolean' }).notNull().default(true),
    makesClass: text('makes_class'),
    surface: text('surface').$type<OwnTap['surface']>().notNull().default('bright'),
    overallMm: real('overall_mm').notNull(),
    threadMm: real('thread_mm').notNull(),
    neckMm: real('neck_mm').notNull().default(0),
    shankMm: real('shank_mm').notNull(),
    squareMm: real('square_mm').notNull(),
    centre: text('centre').$type<OwnTap['centre']>().notNull().default('male'),
    condition: text('condition').$type<OwnTap['condition']>().notNull().default('sharp'),
    holesDone: integer('holes_done').notNull().default(0),
    where: text('place').notNull().default(''),
  },
  (t) => [index('taps_by_thread').on(t.thread)],
);

export const materials = sqliteTable('materials', {
  id: id(),
  version: version(),
  material: text('material', { mode: 'json' }).$type<Material>().notNull(),
  position: integer('position').notNull().default(0),
});

/** Version of its row in which each field last changed; a field that is not listed never did. */
const fieldVersions = () =>
  text('field_versions', { mode: 'json' }).$type<Record<string, number>>().notNull().default({});

export const jobs = sqliteTable(
  'jobs',
  {
    id: id(),
    /** Rises with every change of the job or of any of its features. */
    version: version(),
    /** Rises with every change of the fields of this row. */
    headVersion: integer('head_version').notNull().default(1),
    /** Version at which something changed last that its route is made from: not its name, its notes or the unit it is shown in. */
    workVersion: integer('work_version').notNull().default(1),
    fieldVersions: fieldVersions(),
    name: text('name').notNull(),
    materialId: text('material_id').notNull(),
    quantity: integer('quantity').notNull(),
    notes: text('notes').notNull().default(''),
    /** Unit that it is shown and typed in; null for that of the shop. */
    units: text('units').$type<Display>(),
    /** What the user has decided of its route. */
    route: text('route', { mode: 'json' }).$type<RouteSettings>(),
    /** Drawing, revision, order, part and serial. */
    papers: text('papers', { mode: 'json' }).$type<JobPapers>(),
    /** Stock and datums; null until the part is laid out. */
    part: text('part', { mode: 'json' }).$type<Part>(),
    /** Name, notes, names and callouts of its features in lower case. */
    searchText: text('search_text').notNull().default(''),
    createdAt: moment('created_at'),
    updatedAt: moment('updated_at'),
    /** Set when deleted; cleared by undo. Nothing recorded is lost. */
    deletedAt: text('deleted_at'),
  },
  (t) => [index('jobs_by_update').on(t.deletedAt, t.updatedAt)],
);

/** A hole or pattern of a job. Its id is its job's own: a copy of the job keeps it. */
export const jobFeatures = sqliteTable(
  'job_features',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    id: text('id').notNull(),
    version: version(),
    fieldVersions: fieldVersions(),
    /** A, B ... AA; given once, never to another feature of the job. */
    letter: text('letter').notNull(),
    /** Place in the list, lower first. */
    position: real('position').notNull(),
    name: text('name').notNull(),
    question: text('question', { mode: 'json' }).$type<KeptQuestion>().notNull(),
    face: text('face').$type<FaceId>().notNull().default('top'),
    place: text('place', { mode: 'json' }).$type<Place>(),
    exit: text('exit', { mode: 'json' }).$type<{ dx: number; dy: number }>(),
    /** Position zone of the drawing, a diameter, mm; null for what the joint leaves. */
    zoneMm: real('zone_mm'),
    /** Feature whose bore it is meant to run into. */
    meets: text('meets'),
    /** The user's changes to its operations. */
    edits: text('edits', { mode: 'json' }).$type<OperationEdits>(),
    /** Set when removed; records of it stay. */
    deletedAt: text('deleted_at'),
  },
  (t) => [
    primaryKey({ columns: [t.jobId, t.id] }),
    uniqueIndex('job_features_by_letter').on(t.jobId, t.letter),
    index('job_features_by_position').on(t.jobId, t.position),
  ],
);

/** Changes of jobs that were made, by the id that their sender gave them: sent again they are made once. */
export const jobChanges = sqliteTable(
  'job_changes',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    id: text('id').notNull(),
    /** What it came to: sent again, it comes to the same. */
    receipt: text('receipt', { mode: 'json' }).$type<PatchReceipt>(),
    at: moment('at'),
  },
  (t) => [primaryKey({ columns: [t.jobId, t.id] })],
);

/** What is shown of a job in a list, with the versions of all that it was made from. */
export const jobSummaries = sqliteTable('job_summaries', {
  jobId: text('job_id')
    .primaryKey()
    .references(() => jobs.id, { onDelete: 'cascade' }),
  jobVersion: integer('job_version').notNull(),
  cribRevision: integer('crib_revision').notNull(),
  coreVersion: text('core_version').notNull(),
  learnedMark: text('learned_mark').notNull().default(''),
  summary: text('summary', { mode: 'json' }).$type<JobSummary>().notNull(),
});

/** One row: rises by trigger with every change of the crib or the shop. */
export const cribRevision = sqliteTable('crib_revision', {
  id: integer('id').primaryKey(),
  revision: integer('revision').notNull(),
});

/** What happened, appended and never edited: a correction is a record that points at what it corrects. */
export const records = sqliteTable(
  'records',
  {
    /** Made by the sender. */
    id: id(),
    kind: text('kind').$type<RecordKind>().notNull(),
    jobId: text('job_id').references(() => jobs.id),
    routeId: text('route_id'),
    featureId: text('feature_id'),
    /** From 1 within its feature. */
    holeNumber: integer('hole_number'),
    /** Checked by the schema of its kind. */
    body: text('body', { mode: 'json' }).$type<Record<string, unknown>>().notNull(),
    corrects: text('corrects'),
    happenedAt: text('happened_at').notNull(),
    arrivedAt: moment('arrived_at'),
    /** Who was at the bench, as they gave it. */
    who: text('who'),
    /** The browser or program that made it; null where it did not say. */
    device: text('device'),
    /** Rises with every record that its device made. */
    sequence: integer('sequence'),
    /** Rises with every record that arrived. */
    arrival: integer('arrival').notNull(),
  },
  (t) => [
    index('records_by_job').on(t.jobId, t.kind, t.happenedAt),
    uniqueIndex('records_by_arrival').on(t.arrival),
    index('records_by_job_arrival').on(t.jobId, t.arrival),
    index('records_by_device').on(t.device, t.sequence),
    index('records_by_feature').on(t.featureId, t.holeNumber),
  ],
);

/** How far a job is by what was recorded, with what that was worked out from: moved on by each record. */
export const jobProgress = sqliteTable('job_progress', {
  jobId: text('job_id')
    .primaryKey()
    .references(() => jobs.id, { onDelete: 'cascade' }),
  /** Issue that it is the progress of; null where none was issued. */
  routeId: text('route_id'),
  /** Arrival of the last record that counts in it. */
  arrival: integer('arrival').notNull(),
  /** Arrival of the last record whose observation is kept. */
  observed: integer('observed').notNull().default(0),
  coreVersion: text('core_version').notNull(),
  progress: text('progress', { mode: 'json' }).$type<KeptProgress>().notNull(),
});

/** Each device's line of clocks: by how much it was ahead from a contact on, so that one that was set meanwhile is found. */
export const deviceClocks = sqliteTable(
  'device_clocks',
  {
    device: text('device').notNull(),
    /** The first contact at which it was so, ms since 1970. */
    sinceMs: integer('since_ms').notNull(),
    /** Below zero where it was behind. */
    aheadMs: integer('ahead_ms').notNull(),
  },
  (t) => [primaryKey({ columns: [t.device, t.sinceMs] })],
);

/** What a record observes of its hole, as the hole was made by then: worked out from the records, and anew where it is missing. */
export const observations = sqliteTable(
  'observations',
  {
    recordId: text('record_id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    featureId: text('feature_id').notNull(),
    holeNumber: integer('hole_number').notNull(),
    part: integer('part').notNull(),
    happenedAt: text('happened_at').notNull(),
    /** Tool that did it, or that it happened to. */
    tool: text('tool'),
    /** Whether a figure is learned of it. */
    teaches: integer('teaches', { mode: 'boolean' }).notNull(),
    observation: text('observation', { mode: 'json' }).$type<Observation>().notNull(),
  },
  (t) => [
    index('observations_by_hole').on(t.jobId, t.featureId, t.holeNumber, t.part),
    index('observations_by_tool').on(t.tool, t.happenedAt),
  ],
);

/** What is not learned from: a record, a figure, or a level of one, with the reason. */
export const setAside = sqliteTable('set_aside', {
  id: id(),
  reason: text('reason').notNull().default(''),
  who: text('who'),
  at: moment('at'),
});

/** Exercises as they were done: appended, taken away only with the name of who did them. */
export const practised = sqliteTable(
  'practised',
  {
    /** Made by the sender. */
    id: id(),
    who: text('who').notNull(),
    kind: text('kind').notNull(),
    seed: integer('seed').notNull(),
    right: integer('right', { mode: 'boolean' }).notNull(),
    hints: integer('hints').notNull(),
    seconds: real('seconds').notNull(),
    mistake: text('mistake').notNull(),
    /** The job that it was about; it may be gone by now. */
    jobId: text('job_id'),
    /** When it was done. */
    at: text('at').notNull(),
  },
  (t) => [index('practised_by_who').on(t.who, t.at)],
);

/** What a teacher sets for a class. */
export const assignments = sqliteTable('assignments', {
  id: id(),
  /** Kinds of exercise. */
  kinds: text('kinds', { mode: 'json' }).$type<string[]>().notNull(),
  /** Names; empty for everybody. */
  names: text('names', { mode: 'json' }).$type<string[]>().notNull(),
  /** Day by which, 2026-12-24. */
  due: text('due').notNull(),
  /** The job whose holes the exercises are about. */
  jobId: text('job_id').references(() => jobs.id, { onDelete: 'set null' }),
  at: moment('at'),
});

/** Routes as they were issued: frozen with what they were made from, never changed. */
export const routes = sqliteTable(
  'routes',
  {
    /** Made by the sender. */
    id: id(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    /** From 1 within its job. */
    number: integer('number').notNull(),
    jobVersion: integer('job_version').notNull(),
    coreVersion: text('core_version').notNull(),
    route: text('route', { mode: 'json' }).$type<Route>().notNull(),
    /** The job and the shop as they were. */
    inputs: text('inputs', { mode: 'json' }).$type<RouteInputs>().notNull(),
    issuedAt: moment('issued_at'),
    who: text('who'),
  },
  (t) => [uniqueIndex('routes_by_number').on(t.jobId, t.number)],
);

/** One row: who may come in. */
export const access = sqliteTable('access', {
  id: id(),
  /** argon2id; null while there is none. */
  passcodeHash: text('passcode_hash'),
  /** Seals sessions; a new one ends them all. */
  sessionKey: text('session_key').notNull(),
  /** Changing the crib and the shop asks for the passcode again. */
  guardsCrib: integer('guards_crib', { mode: 'boolean' }).notNull().default(false),
  /** Signs names; it stays when the passcode changes, so that what was recorded before is of who recorded it. */
  nameKey: text('name_key'),
});

/** Sessions that were signed out of before they ran out. */
export const endedSessions = sqliteTable('ended_sessions', { id: id(), at: moment('at') });

/** Wrong passcodes by the address that they came from; one row counts them all. */
export const signInAttempts = sqliteTable('sign_in_attempts', {
  address: text('address').primaryKey(),
  wrong: integer('wrong').notNull(),
  /** When the next attempt is looked at, ms since 1970. */
  notBefore: integer('not_before').notNull(),
});

/** What could not be read and was mended or taken out when the server started, as its bytes in hexadecimal. */
export const badRows = sqliteTable('bad_rows', {
  id: integer('id').primaryKey(),
  tableName: text('table_name').notNull(),
  rowName: text('row_name').notNull(),
  columnName: text('column_name').notNull(),
  was: text('was').notNull(),
  done: text('done').notNull(),
  at: moment('at'),
});

/** One row: which data this is. A copy that is brought back has another mark, so that pages notice. */
export const dataMark = sqliteTable('data_mark', { id: id(), mark: text('mark').notNull() });

/** One row: how this shop does things. */
export const shop = sqliteTable('shop', {
  id: id(),
  version: version(),
  name: text('name').notNull(),
  units: text('units').$type<'mm' | 'inch'>().notNull(),
  /** IANA name of the zone whose clock hangs in the shop; null for that of the server. */
  timeZone: text('time_zone'),
  /** What differs from the usual habits. */
  habits: text('habits', { mode: 'json' }).$type<Partial<ShopHabits>>().notNull().default({}),
});
