'use client';

import { later } from '@/ui/later';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { JobFeature } from '@/contracts/job';
import { BLANK_FORM } from '@/core/hole/form';
import { readLine } from '@/core/hole/read-line';
import type { Problem } from '@/core/answer/answer';
import { PLACE_WORDS, readPlacedCallout } from '@/core/layout/placed-callout';
import { writePlace } from '@/core/layout/write-place';
import { tell, type Display } from '@/core/units/show';
import { TextField } from '@/ui/field';
import { useDraft } from '@/ui/use-draft';
import type { PlateState } from './use-plate';

const PatternDialog = later(() => import('./pattern-dialog'));

interface Props {
  state: PlateState;
  display: Display;
  machineId: string;
}

const unitOf = (display: Display) => (display === 'inch' ? 'in' : 'mm') as 'in' | 'mm';

/** Where the line that is typed is kept. */
export const lineDraft = (jobId: string): string => `${jobId} line`;

/** A line typed as on a drawing, with its place; what cannot be read is marked and stays. */
export function AddLine({ state, display, machineId }: Props) {
  const [line, setLine] = useDraft(lineDraft(state.inHand.job.id));
  const [problem, setProblem] = useState<Problem>();
  const [pattern, setPattern] = useState(false);
  const word = /(\S*)$/.exec(line)?.[1].toLowerCase() ?? '';
  const begun = line.includes(' ');
  const completions = PLACE_WORDS.filter(([w]) => begun && (word === '' || (w.startsWith(word) && w !== word)));

  function add(text: string): void {
    const read = readLine(text, unitOf(display));
    if (!read.ok) {
      setProblem(read.problems[0]);
      return;
    }
    const id = uuidv7();
    const { calloutText, place } = read.value;
    state.edit((p) => ({
      ...p,
      holes: [
        ...p.holes,
        {
          id,
          name: '',
          face: state.face,
          place,
          question: { ...BLANK_FORM, callout: calloutText, machine: machineId, units: display },
        },
      ],
    }));
    state.setSelection(new Set([id]));
    setLine('');
    setProblem(undefined);
  }

  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        add(line);
      }}
      className="flex flex-col gap-1"
    >
      <div className="flex flex-wrap items-end gap-2">
        <TextField
          label="Add: callout and place"
          inputClass="font-cond text-xl"
          className="basis-full"
          value={line}
          onChange={(next) => {
            setLine(next);
            setProblem(undefined);
          }}
          placeholder="4x M5 THRU at 12,12 pitch 40"
        />
        <button type="submit" className="btn-next">
          Add
        </button>
        <button type="button" className="btn px-2.5" onClick={() => setPattern(true)}>
          Pattern
        </button>
      </div>
      {pattern && (
        <PatternDialog
          laid={state.laid}
          others={state.plan.holes}
          display={display}
          line={line}
          onClose={() => setPattern(false)}
          onAdd={(text) => {
            add(text);
            setPattern(false);
          }}
        />
      )}
      {problem && (
        <div role="alert" className="text-sm">
          {problem.at && (
            <span className="block font-mono text-base">
              {line.slice(0, problem.at.start)}
              <mark className="bg-danger/15 font-bold text-danger underline decoration-wavy">
                {line.slice(problem.at.start, problem.at.end) || ' '}
              </mark>
              {line.slice(problem.at.end)}
            </span>
          )}
          <strong className="text-danger">{tell(problem, display)}</strong> {tell(problem.remedy, display)}
        </div>
      )}
      {completions.length > 0 && (
        <div className="flex flex-wrap gap-1">
          {completions.map(([w, example]) => (
            <button
              key={w}
              type="button"
              className="min-h-8 rounded-sm border border-steel-500 bg-white px-2 font-cond text-base"
              onClick={() => setLine(line.slice(0, line.length - word.length) + example)}
            >
              {example}
            </button>
          ))}
        </div>
      )}
    </form>
  );
}

/** Features as a table: callout and place are edited where they stand; Enter goes down. */
export function FeatureTable({ state, display }: Omit<Props, 'machineId'>) {
  const { plan, laid, selection, setSelection } = state;
  const faulty = new Set([...laid.faults.faulty].map((i) => laid.holes[i].featureId));
  const rows = plan.holes.filter((hole) => hole.face === state.face);
  const scroller = useRef<HTMLDivElement>(null);
  // Only the rows in sight are there: a part may have hundreds of features.
  // eslint-disable-next-line react-hooks/incompatible-library -- its functions are used in this render only
  const shown = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 8,
    initialRect: { width: 330, height: 600 },
    getItemKey: (i) => rows[i].id,
  });
  const items = shown.getVirtualItems();
  const before = items[0]?.start ?? 0;
  const after = Math.max(0, shown.getTotalSize() - (items.at(-1)?.end ?? 0));
  if (rows.length === 0)
    return <p className="py-2 text-[15px]">No holes on this face yet. Type a line above, or click on the plate.</p>;
  return (
    <div ref={scroller} className="max-h-[430px] overflow-auto lg:max-h-[max(430px,calc(100dvh-300px))]">
      <table className="w-full text-[15px]">
        <thead className="label sticky top-0 bg-steel-50 text-left">
          <tr>
            <th className="py-1 pr-1">
              <span className="sr-only">Letter</span>
            </th>
            <th>Callout and place</th>
            <th className="sr-only">Remove</th>
          </tr>
        </thead>
        {before > 0 && <tbody aria-hidden style={{ height: before }} />}
        {items.map(({ key, index }) => {
          const hole = rows[index];
          return (
            <tbody key={key} data-index={index} ref={shown.measureElement}>
              <Row
                hole={hole}
                draftKey={`${state.inHand.job.id} row ${hole.id}`}
                chosen={selection.has(hole.id)}
                faulty={faulty.has(hole.id)}
                problem={laid.problems.find((p) => p.field === hole.id)}
                display={display}
                onChoose={(more) => setSelection(new Set(more ? [...selection, hole.id] : [hole.id]))}
                onChange={(next) => state.changeHole(hole.id, () => next)}
                onRemove={() => state.edit((p) => ({ ...p, holes: p.holes.filter((h) => h.id !== hole.id) }))}
              />
            </tbody>
          );
        })}
        {after > 0 && <tbody aria-hidden style={{ height: after }} />}
      </table>
    </div>
  );
}

/** About so many signs fit in a line of a row. */
const LINE_SIGNS = 32;
const oneLine = (text: string): string => text.replace(/\s*\n\s*/g, ' ');
const rowsFor = (text: string): number => Math.max(1, Math.ceil(text.length / LINE_SIGNS));

/** Usual height of a row. */
const ROW_PX = 72;

interface Typed {
  callout?: string;
  place?: string;
  /** Unit of its bare numbers: the one that was shown. */
  unit?: 'mm' | 'in';
}

/** What was being typed in a row, as it was kept. */
function typedIn(draft: string): Typed {
  try {
    return draft === '' ? {} : (JSON.parse(draft) as Typed);
  } catch {
    return {};
  }
}

interface RowProps {
  hole: JobFeature;
  /** Under which what is typed here is kept until it can be read. */
  draftKey: string;
  chosen: boolean;
  faulty: boolean;
  problem?: Problem;
  display: Display;
  onChoose: (more: boolean) => void;
  onChange: (hole: JobFeature) => void;
  onRemove: () => void;
}

function Row({ hole, draftKey, chosen, faulty, problem, display, onChoose, onChange, onRemove }: RowProps) {
  const [draft, setDraft] = useDraft(draftKey);
  const typed = useMemo(() => typedIn(draft), [draft]);
  // What is half typed keeps the unit that it was begun in.
  const unit = typed.unit ?? unitOf(display);
  const written = hole.place ? (writePlace(hole.place, unit) ?? `${hole.place.kind} of another`) : '';
  const setTyped = (next: Typed): void => setDraft(Object.keys(next).length === 0 ? '' : JSON.stringify(next));
  const { letter } = hole;
  const [fault, setFault] = useState<string>();
  const committed = useRef<typeof typed>(undefined);
  const callout = typed.callout ?? hole.question.callout;
  const placeText = typed.place ?? written;
  const follows =
    hole.place?.kind === 'mirror' || hole.place?.kind === 'offset' || (hole.place && !writePlace(hole.place, unit));

  function commit(): void {
    if ((typed.callout === undefined && typed.place === undefined) || committed.current === typed) return;
    const read = readPlacedCallout(follows ? callout : `${callout} ${placeText}`, unit);
    if (!read.ok) {
      setFault(`${tell(read.problems[0], display)} ${tell(read.problems[0].remedy, display)}`);
      return;
    }
    setFault(undefined);
    setTyped({});
    const place = follows ? hole.place : read.value.place;
    // Enter commits and then leaves the field, which would commit the same again.
    committed.current = typed;
    onChange({ ...hole, question: { ...hole.question, callout: read.value.calloutText }, place });
  }
  const keys = (e: React.KeyboardEvent<HTMLTextAreaElement>): void => {
    if (e.key === 'Escape') {
      setTyped({});
      setFault(undefined);
    }
    if (e.key !== 'Enter') return;
    e.preventDefault();
    commit();
    const column = e.currentTarget.dataset.column;
    const next = e.currentTarget
      .closest('tbody')
      ?.nextElementSibling?.querySelector<HTMLTextAreaElement>(`[data-column=${column}]`);
    next?.focus();
  };
  const field =
    'block w-full min-w-0 resize-none border bg-white px-1.5 py-0.5 font-cond text-[17px] leading-[26px] [field-sizing:content]';
  return (
    <>
      <tr className={chosen ? 'bg-brass/30' : ''} onFocus={() => !chosen && onChoose(false)}>
        <td className="pr-1">
          <button
            type="button"
            className="min-h-9 min-w-7 font-cond text-lg font-semibold"
            aria-pressed={chosen}
            onClick={(e) => onChoose(e.shiftKey)}
          >
            {letter}
            {faulty && <span className="text-danger"> !</span>}
          </button>
        </td>
        <td className="py-1 pr-1">
          <textarea
            aria-label={`Callout of ${letter}`}
            rows={rowsFor(callout)}
            data-column="callout"
            className={`${field} ${fault ? 'border-danger' : 'border-steel-300'} font-bold`}
            value={callout}
            onChange={(e) => setTyped({ ...typed, unit, callout: oneLine(e.target.value) })}
            onBlur={commit}
            onKeyDown={keys}
          />
          <textarea
            aria-label={`Place of ${letter}`}
            rows={rowsFor(placeText)}
            data-column="place"
            className={`${field} ${fault ? 'border-danger' : 'border-steel-300'}`}
            value={placeText}
            placeholder="at 12,12"
            readOnly={Boolean(follows)}
            onChange={(e) => setTyped({ ...typed, unit, place: oneLine(e.target.value) })}
            onBlur={commit}
            onKeyDown={keys}
          />
        </td>
        <td>
          <button type="button" className="min-h-9 min-w-8 text-lg" aria-label={`Remove ${letter}`} onClick={onRemove}>
            ✕
          </button>
        </td>
      </tr>
      {(fault ?? problem) && (
        <tr>
          <td />
          <td colSpan={2} role="alert" className="pb-1 text-sm font-bold text-danger">
            {fault ?? (problem && tell(problem, display))}
          </td>
        </tr>
      )}
    </>
  );
}
