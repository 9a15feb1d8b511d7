import { useState } from 'react';
import type { PunchMark } from '@/contracts/record';
import type { Result } from '@/core/answer/answer';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { LaidHole } from '@/core/layout/lay-out';
import type { Point } from '@/core/layout/part';
import { judgePunch, type MarkedWith } from '@/core/layout/punch';
import { parseLength } from '@/core/units/length';
import type { Display } from '@/core/units/show';
import { useReadings } from '@/ui/instruments/use-readings';
import { useRecords } from '../job-store/use-records';

const FARTHEST_MM = 50;
const CROSS = { x: '0', y: '0' };

export type PlanOf = (featureId: string) => Result<HolePlan> | undefined;

export interface JudgedMark {
  hole: LaidHole;
  mark: PunchMark;
  verdict: ReturnType<typeof judgePunch>;
}

const lengthText = (mm: number, display: Display): string =>
  display === 'inch' ? (mm / 25.4).toFixed(4) : mm.toFixed(2);

/** Drill that meets the mark, and the one that the hole ends with. */
export function drillsOf(planned: Result<HolePlan> | undefined, hole: LaidHole): { firstMm: number; lastMm: number } {
  const drills = planned?.ok
    ? planned.value.operations.flatMap((op) => (op.cut && op.cut.spec.family === 'drill' ? [op.cut.spec] : []))
    : [];
  return {
    firstMm: drills[0]?.diameterMm ?? hole.footprint.diameterMm,
    lastMm: drills.reduce((d, s) => Math.max(d, s.diameterMm), 0) || hole.footprint.diameterMm,
  };
}

/** How far off the crossing: typed, dragged, or sent by a readout that is zeroed there; it keeps its size when the unit changes. */
export function useOffset(display: Display) {
  const [typed, setTyped] = useState(CROSS);
  const [typedIn, setTypedIn] = useState(display);
  const put = ({ x, y }: Point): void => setTyped({ x: lengthText(x, display), y: lengthText(y, display) });
  useReadings(({ values: { x, y } }) => {
    if (x !== undefined && y !== undefined) put({ x, y });
  });
  if (typedIn !== display) {
    const inNew = (text: string): string => {
      const was = parseLength(text, typedIn === 'inch' ? 'in' : 'mm');
      return was.ok ? lengthText(was.value.mm, display) : text;
    };
    setTypedIn(display);
    setTyped({ x: inNew(typed.x), y: inNew(typed.y) });
  }
  const read = (text: string): number | undefined => {
    const parsed = parseLength(text, display === 'inch' ? 'in' : 'mm');
    return parsed.ok && Math.abs(parsed.value.mm) <= FARTHEST_MM ? parsed.value.mm : undefined;
  };
  return { typed, setTyped, put, x: read(typed.x), y: read(typed.y), clear: () => setTyped(CROSS) };
}

/** The marks of a job's holes as they were recorded, each judged. */
export function usePunchMarks(jobId: string, holes: readonly LaidHole[], planOf: PlanOf) {
  const { records, record, ...faults } = useRecords(jobId, 'punch-mark');
  const [undoable, setUndoable] = useState<LaidHole>();
  const latest = (h: LaidHole): PunchMark | undefined =>
    records.findLast((m) => m.featureId === h.featureId && m.holeNumber === h.number);
  /** What is out of allowance stays on top with its remedy until a new mark puts it right. */
  const judged = holes
    .flatMap((hole): JudgedMark[] => {
      const mark = latest(hole);
      if (!mark || mark.body.withdrawn) return [];
      const { lastMm } = drillsOf(planOf(hole.featureId), hole);
      return [{ hole, mark, verdict: judgePunch({ x: mark.body.dxMm, y: mark.body.dyMm }, mark.body.zoneMm, lastMm) }];
    })
    .sort((a, b) => Number(a.verdict.verdict === 'inside') - Number(b.verdict.verdict === 'inside'));

  /** Undo is a record too: the mark before counts again, or none. */
  function undo(): LaidHole | undefined {
    const last = undoable && latest(undoable);
    if (!undoable || !last) return undefined;
    const before = records.find((m) => m.id === last.corrects);
    record({
      featureId: undoable.featureId,
      holeNumber: undoable.number,
      body: before ? before.body : { ...last.body, withdrawn: true },
      corrects: last.id,
    });
    setUndoable(undefined);
    return undoable;
  }
  function add(hole: LaidHole, off: Point, zoneMm: number, means: MarkedWith): void {
    const before = latest(hole);
    record({
      featureId: hole.featureId,
      holeNumber: hole.number,
      body: { dxMm: off.x, dyMm: off.y, zoneMm, means },
      ...(before ? { corrects: before.id } : {}),
    });
    setUndoable(hole);
  }
  return { judged, undoable, undo, add, faults };
}
