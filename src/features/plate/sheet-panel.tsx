'use client';

import { useMemo, useState } from 'react';
import { GAUGES, gaugeReading, heightList, type Gauge, type HeightLine } from '@/core/layout/height-list';
import type { LaidFace } from '@/core/layout/lay-out';
import { scribedLines } from '@/core/layout/scribed-lines';
import type { Display } from '@/core/units/show';
import { SelectField } from '@/ui/field';
import { RecordFaults } from '../job-store/record-faults';
import { useRecords } from '../job-store/use-records';

interface Props {
  laid: LaidFace;
  letters: ReadonlyMap<string, string>;
  display: Display;
  jobId: string;
}

/** Distinct heights per axis in rising order, in the reading of the gauge in use; ticked off as one goes. */
export function SheetPanel({ laid, letters, display, jobId }: Props) {
  const [gauge, setGauge] = useState<Gauge>(display === 'inch' ? 'digital-inch' : 'digital-mm');
  const { records, record, ...faults } = useRecords(jobId, 'layout-tick');
  const ticks = useMemo(() => scribedLines(records), [records]);
  const tick = (line: string): void => record({ body: { line, ticked: !ticks.has(line) } });
  const holes = laid.holes.map((h) => ({ featureId: h.featureId, at: h.at }));
  const round = laid.shape.kind === 'circle';
  const { datum } = laid;
  const lists: [string, 'x' | 'y'][] = [
    [round ? 'Centre line first, then across from it' : `From the ${datum.x} edge`, 'x'],
    [round ? 'Turn a quarter: from the other centre line' : `Roll a quarter turn: from the ${datum.y} edge`, 'y'],
  ];
  return (
    <div className="flex flex-col gap-2">
      <SelectField label="Height gauge" value={gauge} onChange={(g) => setGauge(g as Gauge)}>
        {GAUGES.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </SelectField>
      <p className="text-sm text-steel-700">
        Touch the plate and zero. Lock, set, lock again, one light scratch. All of one face before the turn.
      </p>
      <RecordFaults {...faults} />
      {lists.map(([title, axis]) => (
        <section key={axis}>
          <h3 className="font-cond text-lg font-semibold">{title}</h3>
          <ol className="max-h-[230px] overflow-auto">
            {heightList(holes, axis).map((line) => {
              const key = `${laid.face} ${axis} ${line.mm.toFixed(3)}`;
              return (
                <li key={key}>
                  <label
                    className={`flex min-h-9 items-center gap-2 border-b border-steel-200 ${ticks.has(key) ? 'text-steel-700 line-through' : ''}`}
                  >
                    <input
                      type="checkbox"
                      className="size-5 accent-ink"
                      checked={ticks.has(key)}
                      onChange={() => tick(key)}
                    />
                    <strong className="min-w-24 text-lg">{gaugeReading(line.mm, gauge)}</strong>
                    <span className="font-cond text-[15px]">{serves(line, letters)}</span>
                  </label>
                </li>
              );
            })}
          </ol>
          {holes.length === 0 && <p className="text-[15px]">Nothing to scribe yet.</p>}
        </section>
      ))}
    </div>
  );
}

const serves = (line: HeightLine, letters: ReadonlyMap<string, string>): string =>
  line.serves
    .map(({ featureId, count }) => `${letters.get(featureId) ?? '?'}${count > 1 ? ` ×${count}` : ''}`)
    .join(', ');
