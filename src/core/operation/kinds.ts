import type { OperationCode } from './operation';

/** What a kind of operation takes away: metal of the bore, of its mouth, between threads, the last of its size, or nothing. */
export type Removes = 'bore' | 'size' | 'mouth' | 'thread' | 'nothing';

/** What leaving an operation out means: it cannot be done without, or it should not. */
export interface Dropped {
  level: 'stop' | 'warn';
  /** May name `{wander}`, how far a drill wanders, and `{drill}`, the main one. */
  why: string;
  /** Where others of its kind stay: then it can be done without. */
  whereOthersStay?: string;
}

/** What a kind of operation means everywhere: the one row of it. Lists of kinds filter these. */
export interface Kind {
  /** The imperative, in as few words as can be read from across the shop. */
  verb: string;
  /** In the strip of a job. */
  sign: string;
  removes: Removes;
  /** At the bench before the machine where it marks out, on the machine, or at the bench after. */
  where: 'before' | 'machine' | 'after';
  /** It finds or begins the place of a hole. */
  marks?: true;
  /** What is in the hand where no cutter or tap is. */
  handTool?: string;
  dropped?: Dropped;
  /** How it is headed where it follows the main bore of a plain hole. */
  follows?: string;
  /** It is named after the drill of a plain hole. */
  finishes?: true;
  /** It is done for the thread, whatever was done for another one before. */
  forThread?: true;
  /** Its depth is a level in the section: what it is called there, and the feature of the callout that sets it. */
  level?: { name: string; feature: 'hole' | 'counterbore' };
  /** It makes a part of the bore beside the main one. */
  beside?: true;
  /** What matters of it is seen on the face, not in the section. */
  onFace?: true;
}

const stop = (why: string, whereOthersStay?: string): Dropped => ({ level: 'stop', why, whereOthersStay });
const warn = (why: string): Dropped => ({ level: 'warn', why });

export const KINDS: Record<OperationCode, Kind> = {
  'lay-out': {
    verb: 'Lay out',
    sign: 'lay out',
    removes: 'nothing',
    where: 'before',
    marks: true,
    handTool: 'layout tools',
    dropped: warn('Without a mark the hole goes where the drill lands: only with a jig or the mate as guide.'),
    onFace: true,
  },
  start: {
    verb: 'Start',
    sign: 'start',
    removes: 'nothing',
    where: 'machine',
    marks: true,
    handTool: 'start',
    dropped: warn('Without a start the drill follows its chisel edge and wanders {wander} or more.'),
    onFace: true,
  },
  pilot: {
    verb: 'Pilot',
    sign: 'pilot',
    removes: 'bore',
    where: 'machine',
    beside: true,
    dropped: warn(
      'Without the pilot the chisel edge of {drill} pushes instead of cutting: press hard, and it wanders.',
    ),
  },
  open: {
    verb: 'Drill',
    sign: 'open',
    removes: 'bore',
    where: 'machine',
    dropped: stop('The larger part is on the drawing.'),
    forThread: true,
    level: { name: 'larger part to', feature: 'hole' },
    beside: true,
  },
  counterdrill: {
    verb: 'Counterdrill',
    sign: 'counterdrill',
    removes: 'bore',
    where: 'machine',
    dropped: stop('It is on the drawing: its cone leads into the hole below.'),
    forThread: true,
    level: { name: 'counterdrilled to', feature: 'hole' },
    beside: true,
  },
  drill: {
    verb: 'Drill',
    sign: 'drill',
    removes: 'bore',
    where: 'machine',
    dropped: stop('Without it there is no hole.'),
    forThread: true,
  },
  deepen: {
    verb: 'Drill on',
    sign: 'drill on',
    removes: 'bore',
    where: 'machine',
    dropped: stop('Without it there is no hole.'),
    follows: 'Then drill',
    forThread: true,
  },
  'step-drill': {
    verb: 'Step-drill',
    sign: 'step drill',
    removes: 'bore',
    where: 'machine',
    dropped: stop('Without it there is no hole.'),
  },
  annular: {
    verb: 'Cut',
    sign: 'ring cut',
    removes: 'bore',
    where: 'machine',
    dropped: stop('Without it there is no hole.'),
  },
  saw: {
    verb: 'Saw',
    sign: 'saw',
    removes: 'bore',
    where: 'machine',
    dropped: stop('Without it there is no hole.'),
  },
  ream: {
    verb: 'Ream',
    sign: 'ream',
    removes: 'size',
    where: 'machine',
    dropped: stop('No drill holds the fit on the drawing.'),
    follows: 'Ream',
    finishes: true,
  },
  counterbore: {
    verb: 'Counterbore',
    sign: 'counterbore',
    removes: 'mouth',
    where: 'machine',
    dropped: stop('It is on the drawing: the head would sit proud.'),
    follows: 'Counterbore',
    level: { name: 'counterbore to', feature: 'counterbore' },
    finishes: true,
  },
  countersink: {
    verb: 'Countersink',
    sign: 'countersink',
    removes: 'mouth',
    where: 'machine',
    dropped: stop('It is on the drawing: the head would sit proud.'),
    follows: 'Countersink',
    finishes: true,
  },
  chamfer: {
    verb: 'Chamfer',
    sign: 'chamfer',
    removes: 'mouth',
    where: 'machine',
    dropped: warn('Without the chamfer the first thread is pushed up as a burr.'),
    forThread: true,
  },
  tap: {
    verb: 'Tap',
    sign: 'tap',
    removes: 'thread',
    where: 'machine',
    dropped: stop('Without it there is no thread.', 'Fewer taps load the rest more, or leave the bottom unthreaded.'),
    forThread: true,
  },
  chase: {
    verb: 'Chase',
    sign: 'chase',
    removes: 'nothing',
    where: 'after',
    handTool: 'tap by hand',
    finishes: true,
  },
  deburr: {
    verb: 'Deburr',
    sign: 'deburr',
    removes: 'nothing',
    where: 'after',
    handTool: 'deburring tool',
    dropped: warn('The burr keeps the part from seating, and cuts hands.'),
    forThread: true,
    onFace: true,
  },
  check: {
    verb: 'Gauge',
    sign: 'check',
    removes: 'nothing',
    where: 'after',
    handTool: 'gauges',
    dropped: warn('Then the fit is unchecked.'),
    forThread: true,
    onFace: true,
  },
  note: {
    verb: 'Note',
    sign: 'other',
    removes: 'nothing',
    where: 'machine',
  },
};

/** Every kind, in the order of the work. */
export const CODES = Object.keys(KINDS) as OperationCode[];

/** Whether an operation drills, steps or saws the hole itself. */
export const isBoring = (code: OperationCode): boolean => KINDS[code].removes === 'bore';

/** The kinds of which something holds. */
export const kindsThat = (holds: (kind: Kind) => unknown): readonly OperationCode[] =>
  CODES.filter((code) => holds(KINDS[code]));
