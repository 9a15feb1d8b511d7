'use client';

import { useState } from 'react';
import { readPlacedCallout } from '@/core/layout/placed-callout';
import type { LaidFace } from '@/core/layout/lay-out';
import type { FaceShape } from '@/core/layout/part';
import type { Placed } from '@/core/layout/place';
import { tell, trimmed, type Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import { FaceDrawing } from '@/ui/drawings/face-drawing';
import Modal from '@/ui/modal';
import { ghostsOf } from './ghosts';

type Kind = 'row' | 'circle' | 'grid';

interface Props {
  display: Display;
  onAdd: (line: string) => void;
  onClose: () => void;
  /** What stands in the text line: a pattern in it fills the dialog. */
  line: string;
  /** Face that it goes on: a circle is offered in its middle. */
  laid: LaidFace;
  others: readonly Placed[];
}

const USUAL: Record<string, string> = {
  callout: 'M5 THRU',
  x: '12',
  y: '12',
  count: '4',
  pitch: '20',
  angle: '0',
  diameter: '80',
  from: '90',
  skip: '',
  columns: '3',
  rows: '2',
  pitchY: '20',
};
const FIELDS: Record<Kind, [key: string, label: string][]> = {
  row: [
    ['count', 'Holes'],
    ['pitch', 'Pitch'],
    ['angle', 'Angle, °'],
  ],
  circle: [
    ['count', 'Holes'],
    ['diameter', 'Circle diameter'],
    ['from', 'First at, °'],
    ['skip', 'Skipped places'],
  ],
  grid: [
    ['columns', 'Columns'],
    ['rows', 'Rows'],
    ['pitch', 'Pitch across'],
    ['pitchY', 'Pitch up'],
  ],
};

/** What is offered at first: a circle in the middle of the face, three fifths of it across. */
function usualOn(shape: FaceShape, kind: Kind, display: Display): Record<string, string> {
  const shown = (mm: number): string => (display === 'inch' ? trimmed(mm / 25.4, 2) : trimmed(mm, 0));
  if (kind !== 'circle') return USUAL;
  if (shape.kind === 'circle') return { ...USUAL, x: '0', y: '0', diameter: shown(0.6 * shape.diameterMm) };
  const { widthMm, heightMm } = shape;
  return {
    ...USUAL,
    x: shown(widthMm / 2),
    y: shown(heightMm / 2),
    diameter: shown(0.6 * Math.min(widthMm, heightMm)),
  };
}

/** The line that says the same as the dialog, so that one is learned from the other. */
function lineOf(kind: Kind, v: Record<string, string>): string {
  const start = `at ${v.x},${v.y}`;
  if (kind === 'row')
    return `${v.count}x ${v.callout} ${start} pitch ${v.pitch}${Number(v.angle) === 0 ? '' : ` angle ${v.angle}`}`;
  if (kind === 'grid')
    return `${Number(v.columns) * Number(v.rows)}x ${v.callout} ${start} grid ${v.columns} by ${v.rows} pitch ${v.pitch},${v.pitchY}`;
  return `${v.count}x ${v.callout} circle ${v.diameter} ${start} from ${v.from}${v.skip.trim() === '' ? '' : ` skip ${v.skip}`}`;
}

/** The figures of a pattern that was written as a line; nothing where the line is none. */
function fromLine(text: string, display: Display): { kind: Kind; typed: Record<string, string> } | undefined {
  const read = readPlacedCallout(text, display === 'inch' ? 'in' : 'mm');
  if (!read.ok) return undefined;
  const { calloutText, place } = read.value;
  const length = (mm: number): string => (display === 'inch' ? trimmed(mm / 25.4, 4) : trimmed(mm, 3));
  if (place?.kind !== 'row' && place?.kind !== 'grid' && place?.kind !== 'circle') return undefined;
  const common = { callout: calloutText.replace(/^\d+\s*x\s*/i, ''), x: length(place.x), y: length(place.y) };
  if (place.kind === 'row')
    return {
      kind: 'row',
      typed: { ...common, count: String(place.count), pitch: length(place.pitch), angle: trimmed(place.angleDeg, 3) },
    };
  if (place.kind === 'grid')
    return {
      kind: 'grid',
      typed: {
        ...common,
        columns: String(place.columns),
        rows: String(place.rows),
        pitch: length(place.dx),
        pitchY: length(place.dy),
      },
    };
  const { divisions, diameter, startDeg, skip } = place;
  return {
    kind: 'circle',
    typed: {
      ...common,
      count: String(divisions - skip.length),
      diameter: length(diameter),
      from: trimmed(startDeg, 3),
      skip: skip.join(', '),
    },
  };
}

/** A row, a circle or a grid by its figures; the line that means the same stands below and is what is added. */
export default function PatternDialog({ laid, others, display, line: written, onAdd, onClose }: Props) {
  const { shape } = laid;
  const [begun] = useState(() => fromLine(written, display));
  const [kind, setKind] = useState<Kind>(begun?.kind ?? 'circle');
  const [typed, setTyped] = useState<Record<string, string>>(begun?.typed ?? {});
  const values = { ...usualOn(shape, kind, display), ...typed };
  const line = lineOf(kind, values);
  const ghosts = ghostsOf(line, display, laid, others);
  const there = laid.holes.map((h) => ({ ...h.onFace, diameterMm: h.footprint.diameterMm, letter: '' }));
  const sketch = {
    face: laid.face,
    shape,
    holes: [...there, ...ghosts.map(({ at, diameterMm }) => ({ ...at, diameterMm, letter: '' }))],
  };
  const read = readPlacedCallout(line, display === 'inch' ? 'in' : 'mm');
  const field = ([key, label]: [string, string]) => (
    <TextField key={key} label={label} value={values[key]} onChange={(next) => setTyped({ ...typed, [key]: next })} />
  );
  return (
    <Modal title="A pattern of holes" onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (read.ok) onAdd(line);
        }}
      >
        <Choice
          label="Pattern"
          value={kind}
          onChange={setKind}
          options={[
            ['circle', 'circle'],
            ['row', 'row'],
            ['grid', 'grid'],
          ]}
        />
        <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
          {field(['callout', 'Each hole'])}
          {field(['x', kind === 'circle' ? 'Centre x' : 'First x'])}
          {field(['y', kind === 'circle' ? 'Centre y' : 'First y'])}
          {FIELDS[kind].map(field)}
        </div>
        <div className="dye h-44 p-2">
          <FaceDrawing sketch={sketch} newFrom={there.length} className="size-full" />
        </div>
        <p>
          <span className="label">As a text line</span>
          <br />
          <strong data-testid="pattern-line">{line}</strong>
        </p>
        {!read.ok && (
          <p role="alert" className="font-bold text-danger">
            {tell(read.problems[0], display)}{' '}
            <span className="font-normal text-ink">{tell(read.problems[0].remedy, display)}</span>
          </p>
        )}
        <button type="submit" className="btn-next self-start" disabled={!read.ok}>
          Add the pattern
        </button>
      </form>
    </Modal>
  );
}
