'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import { GAUGES, gaugeReading, usualGauge, type Gauge } from '@/core/layout/height-list';
import type { LaidFace } from '@/core/layout/lay-out';
import { scribedLines } from '@/core/layout/scribed-lines';
import type { Display } from '@/core/units/show';
import type { ScribedLine } from '@/ui/drawings/face-figures';
import { SelectField } from '@/ui/field';
import { useReadings } from '@/ui/instruments/use-readings';
import { RecordFaults } from '../job-store/record-faults';
import { useRecords } from '../job-store/use-records';
import { serves, sheetLists } from '@/core/layout/sheet-lists';

interface Props {
  laid: LaidFace;
  letters: ReadonlyMap<string, string>;
  display: Display;
  jobId: string;
  lit?: ScribedLine;
  onLit: (line: ScribedLine | undefined) => void;
}

/** Nearer than a height gauge can be set, mm. */
const ON_LINE_MM = 0.015;

const isLit = (lit: ScribedLine | undefined, axis: 'x' | 'y', mm: number): boolean =>
  lit?.axis === axis && Math.abs(lit.mm - mm) < 0.006;

/** Distinct heights per axis in rising order, in the reading of the gauge in use; ticked off as one goes. */
export function SheetPanel({ laid, letters, display, jobId, lit, onLit }: Props) {
  const [gauge, setGauge] = useState<Gauge>(usualGauge(display));
  const { records, record, ...faults } = useRecords(jobId, 'layout-tick');
  const ticks = useMemo(() => scribedLines(records), [records]);
  const [readMm, setReadMm] = useState<number>();
  useReadings(({ values }) => {
    if (values.height !== undefined) setReadMm(values.height);
  });
  const open = sheetLists(laid)
    .flatMap(({ lines }) => lines)
    .find((line) => !ticks.has(line.key));
  const tick = (line: string): void => record({ body: { line, ticked: !ticks.has(line) } });
  return (
    <div className="flex flex-col gap-2">
      <div className="flex items-end gap-2">
        <SelectField label="Height gauge" value={gauge} onChange={(g) => setGauge(g as Gauge)} className="flex-1">
          {GAUGES.map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
        <Link className="btn" href={`/jobs/${jobId}/sheet?face=${laid.face}&gauge=${gauge}`} prefetch={false}>
          Print
        </Link>
      </div>
      <p className="text-sm text-steel-700">
        Touch the plate and zero. Lock, set, lock again, one light scratch. Finish one face before you turn the part.
      </p>
      {readMm !== undefined && (
        <p role="status" className="rounded-sm border-2 border-brass-dark px-2 py-1 text-lg">
          Gauge reads <strong>{gaugeReading(readMm, gauge)}</strong>
          {open &&
            (Math.abs(open.mm - readMm) < ON_LINE_MM ? (
              <strong> ✓ on the line {gaugeReading(open.mm, gauge)}</strong>
            ) : (
              <>
                : <strong>{gaugeReading(Math.abs(open.mm - readMm), gauge)}</strong> {open.mm > readMm ? 'up' : 'down'}{' '}
                to go to {gaugeReading(open.mm, gauge)}
              </>
            ))}
        </p>
      )}
      <RecordFaults {...faults} />
      {sheetLists(laid).map(({ title, axis, lines }) => (
        <section key={axis}>
          <h2 className="font-cond text-lg font-semibold">{title}</h2>
          <ol onMouseLeave={() => onLit(undefined)}>
            {lines.map((line) => (
              <li key={line.key}>
                <label
                  onMouseEnter={() => onLit({ axis, mm: line.onFaceMm })}
                  onFocus={() => onLit({ axis, mm: line.onFaceMm })}
                  onBlur={() => onLit(undefined)}
                  className={`flex min-h-11 items-center gap-2 border-b border-steel-200 px-1 sm:min-h-9 ${
                    ticks.has(line.key) ? 'text-steel-700 line-through' : ''
                  } ${isLit(lit, axis, line.onFaceMm) ? 'bg-brass/40' : ''}`}
                >
                  <input
                    type="checkbox"
                    className="size-5 accent-ink"
                    checked={ticks.has(line.key)}
                    onChange={() => tick(line.key)}
                  />
                  <strong className="min-w-24 text-lg">{gaugeReading(line.mm, gauge)}</strong>
                  <span className="font-cond text-[15px]">{serves(line, letters)}</span>
                </label>
              </li>
            ))}
          </ol>
          {lines.length === 0 && <p className="text-[15px]">Nothing to scribe yet.</p>}
        </section>
      ))}
    </div>
  );
}
