'use client';

import { useState, type PointerEvent } from 'react';
import type { PunchMark } from '@/contracts/record';
import type { Result } from '@/core/answer/answer';
import type { HolePlan } from '@/core/hole/hole-plan';
import { zoneOf } from '@/core/layout/joint-zone';
import type { LaidHole } from '@/core/layout/lay-out';
import { dimpleFor, judgePunch, MARKED_WITH, type MarkedWith } from '@/core/layout/punch';
import { parseLength } from '@/core/units/length';
import { showText, tell, type Display } from '@/core/units/show';
import { SelectField, TextField } from '@/ui/field';
import { useReadings } from '@/ui/instruments/use-readings';
import { RecordFaults } from '../job-store/record-faults';
import { useRecords } from '../job-store/use-records';
import type { PlateState } from './use-plate';
import { ZoneField } from './zone-field';

interface Props {
  state: PlateState;
  letters: ReadonlyMap<string, string>;
  display: Display;
  /** How the feature of a hole is made. */
  planOf: (featureId: string) => Result<HolePlan> | undefined;
}

const SIZE = 240;
const lengthText = (mm: number, display: Display): string =>
  display === 'inch' ? (mm / 25.4).toFixed(4) : mm.toFixed(2);
/** Drill that meets the mark, and the one that the hole ends with. */
function drillsOf(planned: Result<HolePlan> | undefined, hole: LaidHole): { firstMm: number; lastMm: number } {
  const drills = planned?.ok
    ? planned.value.operations.flatMap((op) => (op.cut && op.cut.spec.family === 'drill' ? [op.cut.spec] : []))
    : [];
  return {
    firstMm: drills[0]?.diameterMm ?? hole.footprint.diameterMm,
    lastMm: drills.reduce((d, s) => Math.max(d, s.diameterMm), 0) || hole.footprint.diameterMm,
  };
}

/** How true the marks are: typed, or dragged on the magnified picture; recorded and never edited. */
export function PunchPanel({ state, letters, display, planOf }: Props) {
  const { laid, selection } = state;
  const holes = laid.holes.filter((h) => selection.size === 0 || selection.has(h.featureId));
  const { records: marks, record: append, ...faults } = useRecords(state.inHand.job.id, 'punch-mark');
  const [at, setAt] = useState(0);
  const [typed, setTyped] = useState({ x: '0', y: '0' });
  const [typedIn, setTypedIn] = useState(display);
  const [undoable, setUndoable] = useState<LaidHole>();
  const [means, setMeans] = useState<MarkedWith>('eye');
  const unit = display === 'inch' ? 'in' : 'mm';
  // From the crossing, as a readout shows it once it is zeroed there.
  useReadings(({ values: { x: right, y: up } }) => {
    if (right !== undefined && up !== undefined)
      setTyped({ x: lengthText(right, display), y: lengthText(up, display) });
  });
  if (typedIn !== display) {
    // What was typed keeps its size when the unit changes.
    const inNew = (text: string): string => {
      const was = parseLength(text, typedIn === 'inch' ? 'in' : 'mm');
      return was.ok ? lengthText(was.value.mm, display) : text;
    };
    setTypedIn(display);
    setTyped({ x: inNew(typed.x), y: inNew(typed.y) });
  }
  const hole = holes[Math.min(at, holes.length - 1)];
  if (!hole) return <p>Lay out a hole first.</p>;
  const latest = (h: LaidHole): PunchMark | undefined =>
    marks.filter((m) => m.featureId === h.featureId && m.holeNumber === h.number).at(-1);
  const standing = (h: LaidHole): PunchMark | undefined => {
    const mark = latest(h);
    return mark?.body.withdrawn ? undefined : mark;
  };
  const zoneMm = zoneOf({ ...hole.footprint, zoneMm: state.featureOf(hole.featureId)?.zoneMm }).value;
  const planned = planOf(hole.featureId);
  const impossible = planned && !planned.ok ? planned.problems : [];
  const { firstMm, lastMm: drillMm } = drillsOf(planned, hole);
  const [x, y] = [typed.x, typed.y].map((text) => {
    const parsed = parseLength(text, unit);
    return parsed.ok && Math.abs(parsed.value.mm) <= 50 ? parsed.value.mm : undefined;
  });
  const judged = x !== undefined && y !== undefined ? judgePunch({ x, y }, zoneMm, drillMm) : undefined;
  const span = Math.max(zoneMm * 1.6, 0.2);
  const scale = SIZE / (2 * span);
  const toText = (mm: number): string => lengthText(mm, display);

  function dragTo(event: PointerEvent<SVGSVGElement>): void {
    if (event.buttons === 0 && event.type === 'pointermove') return;
    const rect = event.currentTarget.getBoundingClientRect();
    const k = SIZE / rect.width;
    setTyped({
      x: toText(((event.clientX - rect.left) * k - SIZE / 2) / scale),
      y: toText((SIZE / 2 - (event.clientY - rect.top) * k) / scale),
    });
  }
  /** What is out of allowance stays on top with its remedy until a new mark puts it right. */
  const judgedMarks = holes
    .flatMap((h) => {
      const mark = standing(h);
      if (!mark) return [];
      const { lastMm } = drillsOf(planOf(h.featureId), h);
      const verdict = judgePunch({ x: mark.body.dxMm, y: mark.body.dyMm }, mark.body.zoneMm, lastMm);
      return [{ hole: h, mark, verdict }];
    })
    .sort((a, b) => Number(a.verdict.verdict === 'inside') - Number(b.verdict.verdict === 'inside'));

  /** Undo is a record too: the mark before counts again, or none. */
  function undo(): void {
    const last = undoable && latest(undoable);
    if (!undoable || !last) return;
    const before = marks.find((m) => m.id === last.corrects);
    append({
      featureId: undoable.featureId,
      holeNumber: undoable.number,
      body: before ? before.body : { ...last.body, withdrawn: true },
      corrects: last.id,
    });
    setAt(holes.indexOf(undoable));
    setUndoable(undefined);
  }
  function record(): void {
    if (x === undefined || y === undefined || !hole) return;
    const before = latest(hole);
    append({
      featureId: hole.featureId,
      holeNumber: hole.number,
      body: { dxMm: x, dyMm: y, zoneMm, means },
      ...(before ? { corrects: before.id } : {}),
    });
    setUndoable(hole);
    setAt((n) => Math.min(n + 1, holes.length - 1));
    setTyped({ x: '0', y: '0' });
  }
  const name = `${letters.get(hole.featureId)}${hole.number}`;
  const color = judged?.verdict === 'inside' ? '#7fdca0' : '#ff9aa2';
  return (
    <div className="flex flex-col gap-2">
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="btn px-3"
          disabled={at === 0}
          onClick={() => setAt(at - 1)}
          aria-label="Hole before"
        >
          ←
        </button>
        <strong className="flex-1 text-center text-xl">{name}</strong>
        <button
          type="button"
          className="btn px-3"
          disabled={at >= holes.length - 1}
          onClick={() => setAt(at + 1)}
          aria-label="Next hole"
        >
          →
        </button>
      </div>
      <p className="text-[15px]">
        Dimple at least {showText({ value: dimpleFor(firstMm), unit: 'mm', places: 1 }, display)} for the first drill,{' '}
        {showText({ value: firstMm, unit: 'mm' }, display)}, straight on the mark; one firm blow.
      </p>
      <div className="grid grid-cols-2 items-start gap-2">
        <ZoneField state={state} hole={hole} name={letters.get(hole.featureId) ?? ''} display={display} />
        <SelectField label="Marked with" value={means} onChange={(m) => setMeans(m as MarkedWith)}>
          {Object.entries(MARKED_WITH).map(([id, label]) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </SelectField>
      </div>
      <svg
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        className="dye w-full max-w-[300px] cursor-crosshair touch-none self-center"
        role="img"
        aria-label="The mark, magnified: drag it to where it landed"
        onPointerDown={dragTo}
        onPointerMove={dragTo}
      >
        <circle
          cx={SIZE / 2}
          cy={SIZE / 2}
          r={(zoneMm / 2) * scale}
          fill="#4063b8"
          stroke="#eef2ff"
          strokeDasharray="4 3"
        />
        <path d={`M0,${SIZE / 2}H${SIZE}M${SIZE / 2},0V${SIZE}`} stroke="#eef2ff" strokeWidth="1" />
        {x !== undefined && y !== undefined && (
          <circle
            cx={SIZE / 2 + x * scale}
            cy={SIZE / 2 - y * scale}
            r="9"
            fill="#0a1432"
            stroke={color}
            strokeWidth="3"
          />
        )}
      </svg>
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
      <RecordFaults {...faults} />
      <button
        type="button"
        className="btn-next self-start"
        disabled={!judged || impossible.length > 0}
        onClick={record}
      >
        Record {name}
      </button>
      {undoable && (
        <p role="status" className="flex items-center gap-3 text-[15px]">
          {letters.get(undoable.featureId)}
          {undoable.number} recorded.
          <button type="button" className="btn h-11 sm:h-9" onClick={undo}>
            Undo
          </button>
        </p>
      )}
      <ul className="text-[15px]">
        {judgedMarks.map(({ hole: h, mark, verdict }) => (
          <li key={`${h.featureId}${h.number}`} className="border-t border-steel-200 py-1">
            <strong className={verdict.verdict === 'inside' ? '' : 'text-danger'}>
              {letters.get(h.featureId)}
              {h.number}
            </strong>{' '}
            {showText({ value: verdict.offsetMm, unit: 'mm', places: 2 }, display)} off, {verdict.direction}:{' '}
            {verdict.verdict}
            {mark.body.means && `, ${MARKED_WITH[mark.body.means]}`}
            {verdict.verdict !== 'inside' && (
              <span className="block">
                {tell(verdict.advice, display)}{' '}
                <button type="button" className="link min-h-9" onClick={() => setAt(holes.indexOf(h))}>
                  Measure again
                </button>
              </span>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
