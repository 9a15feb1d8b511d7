'use client';

import { useState } from 'react';
import { zoneOf } from '@/core/layout/joint-zone';
import type { LaidHole } from '@/core/layout/lay-out';
import { dimpleFor, judgePunch, MARKED_WITH, type MarkedWith } from '@/core/layout/punch';
import { showText, tell, type Display } from '@/core/units/show';
import { SelectField, TextField } from '@/ui/field';
import { RecordFaults } from '../job-store/record-faults';
import { HoleSteps, PunchedList, PunchPicture } from './punch-parts';
import type { PlateState } from './use-plate';
import { drillsOf, useOffset, usePunchMarks, type PlanOf } from './use-punch';
import { ZoneField } from './zone-field';

type HoleKey = Pick<LaidHole, 'featureId' | 'number'>;
const isSameHole = (a: HoleKey, b: HoleKey): boolean => a.featureId === b.featureId && a.number === b.number;

interface Props {
  state: PlateState;
  letters: ReadonlyMap<string, string>;
  display: Display;
  /** How the feature of a hole is made. */
  planOf: PlanOf;
}

/** How true the marks are: typed, or dragged on the magnified picture; recorded and never edited. */
export function PunchPanel({ state, letters, display, planOf }: Props) {
  const { laid, selection } = state;
  const holes = laid.holes.filter((h) => selection.size === 0 || selection.has(h.featureId));
  const marks = usePunchMarks(state.inHand.job.id, holes, planOf);
  const [shown, setShown] = useState<HoleKey>();
  const { typed, setTyped, put, x, y, clear } = useOffset(display);
  const [means, setMeans] = useState<MarkedWith>('eye');
  const unit = display === 'inch' ? 'in' : 'mm';
  // A hole is known by its feature and number: laid out anew, it is another object.
  const at = Math.max(0, shown ? holes.findIndex((h) => isSameHole(h, shown)) : 0);
  const step = (to: number): void => setShown(holes[Math.min(to, holes.length - 1)]);
  const hole = holes[at];
  if (!hole) return <p>Lay out a hole first.</p>;
  const zoneMm = zoneOf({ ...hole.footprint, zoneMm: state.featureOf(hole.featureId)?.zoneMm }).value;
  const planned = planOf(hole.featureId);
  const impossible = planned && !planned.ok ? planned.problems : [];
  const { firstMm, lastMm } = drillsOf(planned, hole);
  const judged = x !== undefined && y !== undefined ? judgePunch({ x, y }, zoneMm, lastMm) : undefined;
  function undo(): void {
    const undone = marks.undo();
    if (undone) setShown(undone);
  }
  function record(): void {
    if (x === undefined || y === undefined || !hole) return;
    marks.add(hole, { x, y }, zoneMm, means);
    step(at + 1);
    clear();
  }
  const name = `${letters.get(hole.featureId)}${hole.number}`;
  return (
    <div className="flex flex-col gap-2">
      <HoleSteps name={name} at={at} last={holes.length - 1} onStep={step} />
      <p className="text-[15px]">
        Dimple at least {showText({ value: dimpleFor(firstMm), unit: 'mm', places: 1 }, display)} for the first drill,{' '}
        {showText({ value: firstMm, unit: 'mm' }, display)}, straight on the mark; one firm blow.
      </p>
      <div className="flex flex-col gap-2">
        <ZoneField state={state} hole={hole} name={letters.get(hole.featureId) ?? ''} display={display} />
        <SelectField label="Marked with" value={means} onChange={(m) => setMeans(m as MarkedWith)}>
          {Object.entries(MARKED_WITH).map(([id, label]) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </SelectField>
      </div>
      <PunchPicture zoneMm={zoneMm} x={x} y={y} isInside={judged?.verdict === 'inside'} onDrag={put} />
      <div className="grid grid-cols-2 gap-2">
        <TextField
          label={`Right of the cross, ${unit}`}
          value={typed.x}
          onChange={(v) => setTyped({ ...typed, x: v })}
          error={x === undefined && 'A length.'}
        />
        <TextField
          label={`Above the cross, ${unit}`}
          value={typed.y}
          onChange={(v) => setTyped({ ...typed, y: v })}
          error={y === undefined && 'A length.'}
        />
      </div>
      {judged && impossible.length === 0 && (
        <p className={judged.verdict === 'inside' ? 'font-bold text-pass' : 'font-bold text-danger'} role="status">
          {judged.verdict === 'inside' ? '✓ ' : judged.verdict === 'tight' ? '! ' : '✕ '}
          {tell(judged.advice, display)}
        </p>
      )}
      {impossible.length > 0 && (
        <p role="alert" className="font-bold text-danger">
          {name} can’t be made as drawn.{' '}
          {impossible.map((p) => `${tell(p, display)} ${tell(p.remedy, display)}`).join(' ')}
        </p>
      )}
      <RecordFaults {...marks.faults} />
      <button
        type="button"
        className="btn-next self-start"
        disabled={!judged || impossible.length > 0}
        onClick={record}
      >
        Record {name}
      </button>
      {marks.undoable && (
        <p role="status" className="flex items-center gap-3 text-[15px]">
          {letters.get(marks.undoable.featureId)}
          {marks.undoable.number} recorded.
          <button type="button" className="btn h-11 sm:h-9" onClick={undo}>
            Undo
          </button>
        </p>
      )}
      <PunchedList marks={marks.judged} letters={letters} display={display} onAgain={setShown} />
    </div>
  );
}
