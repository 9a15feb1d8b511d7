import { checkInstrument, type Instrument, type InstrumentCheck } from './instrument-check';
import type { DrillCondition } from '../drills/drill';

/** What stands in a crib beside drills, taps and machines. */
export const TOOL_KINDS = {
  'centre-drill': 'centre drill',
  'spot-drill': 'spot drill',
  countersink: 'countersink',
  counterbore: 'counterbore',
  reamer: 'reamer',
  'step-drill': 'step drill',
  'annular-cutter': 'annular cutter',
  'hole-saw': 'hole saw',
  punch: 'punch',
  layout: 'layout tool',
  die: 'die',
  'die-stock': 'die stock',
  'chasing-nut': 'chasing nut',
  'tap-wrench': 'tap wrench',
  'tapping-head': 'tapping head',
  'tap-holder': 'tap holder',
  'tapping-block': 'tapping block',
  'spring-centre': 'spring centre',
  extractor: 'tap extractor',
  'thread-gauge': 'thread gauge',
  'gauge-pin': 'gauge pins',
  measuring: 'measuring instrument',
  fluid: 'fluid',
  'work-holding': 'work holding',
} as const;
export type ToolKind = keyof typeof TOOL_KINDS;

/** One tool of the crib. Lengths in mm; what a kind does not have is left out. */
export interface Tool {
  id: string;
  kind: ToolKind;
  name: string;
  /**
   * Cutting diameter; the largest of a step drill, the body of a spot drill, the widest of a countersink, the largest
   * square of a tap wrench, the largest thread of a tapping head or extractor, the largest shank of a tap holder.
   */
  diameterMm?: number;
  /** Pilot of a counterbore; first step of a step drill; tip of a centre drill; smallest square or thread. */
  smallMm?: number;
  /** Rise from step to step of a step drill. */
  stepMm?: number;
  angleDeg?: number;
  /** Fit that a reamer makes: H7. */
  fit?: string;
  /** How deep it can go; length of a tap wrench. */
  reachMm?: number;
  /** Thread of a die, chasing nut or gauge; by its designation. */
  thread?: string;
  /** Clutch of a tapping head, Nm. */
  fromNm?: number;
  toNm?: number;
  /** What a measuring instrument is. */
  instrument?: Instrument;
  /** Its last check: length of the standard, and what it read there, mm, with spaces between. */
  standardMm?: number;
  readings?: string;
  /** Number of an instrument, and when it was last checked: 2026-11-24. */
  number?: string;
  checkedOn?: string;
  condition?: DrillCondition;
  /** Where it lies. */
  where?: string;
}

/** What the last check of a measuring instrument says of it; undefined where it was never checked. */
export function checkOfTool({ instrument, standardMm, readings }: Tool): InstrumentCheck | undefined {
  const read = (readings ?? '').split(/\s+/).filter(Boolean).map(Number);
  return instrument && standardMm !== undefined && read.length > 0
    ? checkInstrument(instrument, { standardMm, readings: read })
    : undefined;
}

export const isToolUsable = (t: Tool): boolean => t.condition !== 'blunt' && t.condition !== 'lost';

/** A tool as an operation uses it: one of the crib, or one to buy. */
export interface ToolUse {
  name: string;
  owned: boolean;
  tool?: Tool;
}

const near = (a: number | undefined, b: number, within: number): boolean =>
  a !== undefined && Math.abs(a - b) <= within + 1e-9;

/** Usable tools of a kind; none where the crib is not known. */
export const toolsOf = (tools: readonly Tool[] | undefined, kind: ToolKind): Tool[] =>
  (tools ?? []).filter((t) => t.kind === kind && isToolUsable(t));

const take = (tool: Tool | undefined, otherwise: string, known: boolean): ToolUse =>
  tool ? { name: tool.name, owned: true, tool } : { name: otherwise, owned: !known };

const smallest = (list: Tool[]): Tool | undefined =>
  list.reduce<Tool | undefined>((a, b) => (a && (a.diameterMm ?? 0) <= (b.diameterMm ?? 0) ? a : b), undefined);

const widest = (list: Tool[]): Tool | undefined =>
  list.reduce<Tool | undefined>((a, b) => (a && (a.diameterMm ?? 0) >= (b.diameterMm ?? 0) ? a : b), undefined);

/**
 * The tool for an operation. Where the crib is not known (`tools` undefined) the usual one is assumed to be in it;
 * where it is known and has none, `owned` is false.
 */
export const pickTool = {
  /** The smallest centre drill whose tip is wider than the chisel edge that follows, and under the hole; else the widest under it. */
  centreDrill: (tools: readonly Tool[] | undefined, chiselMm: number, holeMm: number): ToolUse => {
    const all = toolsOf(tools, 'centre-drill');
    const under = all.filter((t) => (t.smallMm ?? 0) < holeMm);
    const wide = under.filter((t) => (t.smallMm ?? 0) >= chiselMm);
    return take(smallest(wide) ?? widest(under) ?? smallest(all), 'centre drill', tools !== undefined);
  },
  /** The smallest spot drill that leaves the chamfer; else the widest there is. */
  spotDrill: (tools: readonly Tool[] | undefined, chamferMm: number): ToolUse => {
    const all = toolsOf(tools, 'spot-drill');
    const enough = all.filter((t) => (t.diameterMm ?? 0) >= chamferMm - 1e-9);
    return take(smallest(enough) ?? widest(all), '90° spot drill', tools !== undefined);
  },
  countersink: (tools: readonly Tool[] | undefined, mouthMm: number, angleDeg: number): ToolUse =>
    take(
      smallest(
        toolsOf(tools, 'countersink').filter(
          (t) => near(t.angleDeg ?? 90, angleDeg, 0.5) && (t.diameterMm ?? 0) >= mouthMm - 1e-9,
        ),
      ),
      `countersink ${angleDeg}°`,
      tools !== undefined,
    ),
  /** A counterbore of the size whose pilot runs in the hole, at most 0.6 mm under it. */
  counterbore: (tools: readonly Tool[] | undefined, mouthMm: number, holeMm: number): ToolUse =>
    take(
      toolsOf(tools, 'counterbore').find(
        (t) =>
          near(t.diameterMm, mouthMm, 0.15) &&
          (t.smallMm === undefined || (t.smallMm <= holeMm + 1e-9 && holeMm - t.smallMm <= 0.6)),
      ),
      'counterbore',
      tools !== undefined,
    ),
  reamer: (tools: readonly Tool[] | undefined, diameterMm: number, fit: string | undefined): ToolUse =>
    take(
      toolsOf(tools, 'reamer').find(
        (t) => near(t.diameterMm, diameterMm, 0.002) && (!fit || !t.fit || t.fit.toUpperCase() === fit.toUpperCase()),
      ),
      `reamer${fit ? ` ${fit}` : ''}`,
      tools !== undefined,
    ),
  /** A step drill with a step of just this size. */
  stepDrill: (tools: readonly Tool[] | undefined, diameterMm: number): Tool | undefined =>
    toolsOf(tools, 'step-drill').find((t) => {
      const { smallMm: from = 4, stepMm: by = 2, diameterMm: to = 0 } = t;
      const steps = (diameterMm - from) / by;
      return steps > -1e-6 && diameterMm <= to + 1e-6 && Math.abs(steps - Math.round(steps)) < 1e-6;
    }),
  annularCutter: (tools: readonly Tool[] | undefined, diameterMm: number, thicknessMm: number): Tool | undefined =>
    toolsOf(tools, 'annular-cutter').find(
      (t) => near(t.diameterMm, diameterMm, 0.1) && (t.reachMm ?? 25) >= thicknessMm - 1e-9,
    ),
  holeSaw: (tools: readonly Tool[] | undefined, diameterMm: number, thicknessMm: number): Tool | undefined =>
    toolsOf(tools, 'hole-saw').find(
      (t) => near(t.diameterMm, diameterMm, 0.4) && (t.reachMm ?? 20) >= thicknessMm - 1e-9,
    ),
};
