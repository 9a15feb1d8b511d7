'use client';

import { useMemo, useState } from 'react';
import { dialList, pathLength, shownTurns, touchOff, visitingOrder } from '@/core/layout/dial-list';
import type { LaidFace } from '@/core/layout/lay-out';
import type { Machine } from '@/core/cutting/machine';
import { mmToInch, parseLength } from '@/core/units/length';
import { show, showText, trimmed, type Display } from '@/core/units/show';
import { SelectField, TextField } from '@/ui/field';
import { Working } from '@/ui/working';

interface Props {
  laid: LaidFace;
  letters: ReadonlyMap<string, string>;
  display: Display;
  /** Machines of the shop with feed dials. */
  machines: readonly Machine[];
}

const SHOWN = 400;

/** From the edge found: turns and divisions of the dials, or readout coordinates, in a short order. */
export function DialsPanel({ laid, letters, display, machines }: Props) {
  const inch = display === 'inch';
  const [tool, setTool] = useState(inch ? '.200' : '10');
  const [shim, setShim] = useState('0');
  const [own] = machines;
  const inUnit = (mm: number): string => (inch ? trimmed(mmToInch(mm), 4) : trimmed(mm, 3));
  const [travel, setTravel] = useState(own?.dial ? inUnit(own.dial.travelMm) : inch ? '.100' : '2');
  const [marks, setMarks] = useState(String(own?.dial?.divisions ?? 100));
  const read = (text: string): number | undefined => {
    const parsed = parseLength(text, inch ? 'in' : 'mm');
    return parsed.ok && parsed.value.mm >= 0 ? parsed.value.mm : undefined;
  };
  const [toolMm, shimMm, travelMm, divisions] = [read(tool), read(shim), read(travel), Number(marks)];
  const usable =
    travelMm !== undefined && travelMm > 0 && Number.isInteger(divisions) && divisions > 0 && divisions <= 1000;
  const points = useMemo(() => laid.holes.map((h) => h.at), [laid.holes]);
  const order = useMemo(() => visitingOrder(points), [points]);
  const rows = useMemo(
    () => (usable ? dialList(order, points, { travelMm: travelMm as number, divisions }) : []),
    [usable, order, points, travelMm, divisions],
  );
  const unit = inch ? 'in' : 'mm';
  const wrong = 'Enter a length, zero or more.';
  return (
    <div className="flex flex-col gap-2">
      {machines.length > 0 && (
        <SelectField
          label="Dials of"
          value={
            machines.find((m) => m.dial && inUnit(m.dial.travelMm) === travel && String(m.dial.divisions) === marks)
              ?.id ?? ''
          }
          onChange={(id) => {
            const dial = machines.find((m) => m.id === id)?.dial;
            if (!dial) return;
            setTravel(inUnit(dial.travelMm));
            setMarks(String(dial.divisions));
          }}
        >
          <option value="">as typed below</option>
          {machines.map((m) => (
            <option key={m.id} value={m.id}>
              {m.name}
            </option>
          ))}
        </SelectField>
      )}
      <div className="grid grid-cols-2 gap-2">
        <TextField
          label={`Edge finder or tool, ${unit}`}
          value={tool}
          onChange={setTool}
          error={toolMm === undefined && wrong}
        />
        <TextField label={`Shim, ${unit}`} value={shim} onChange={setShim} error={shimMm === undefined && wrong} />
        <TextField label={`Dial, ${unit} a turn`} value={travel} onChange={setTravel} error={!travelMm && wrong} />
        <TextField
          label="Divisions"
          value={marks}
          onChange={setMarks}
          error={!(divisions > 0) && 'Enter how many divisions.'}
        />
      </div>
      {toolMm !== undefined && shimMm !== undefined && (
        <p>
          Touch the {laid.datum.x} edge, lift clear, go on{' '}
          <strong>
            <Working of={touchOff(toolMm, shimMm)} name="touch-off" display={display} />
          </strong>{' '}
          in the same direction, zero, lock. Then the {laid.datum.y} edge.
        </p>
      )}
      <div className="max-h-[330px] overflow-auto" role="region" aria-label="Settings" tabIndex={0}>
        <DialTable rows={rows.slice(0, SHOWN)} laid={laid} letters={letters} display={display} />
      </div>
      {rows.length > SHOWN && (
        <p className="text-sm">
          The first {SHOWN} of {rows.length} are shown; the CSV has all of them.
        </p>
      )}
      <p className="text-sm text-steel-700">
        ↩ go back past it and approach from the same side. Path between the holes{' '}
        {showText({ value: pathLength(order, points), unit: 'mm', places: 1 }, display)}, by nearest neighbour and
        uncrossing.
      </p>
    </div>
  );
}

interface TableProps extends Pick<Props, 'laid' | 'letters' | 'display'> {
  rows: ReturnType<typeof dialList>;
}

function DialTable({ rows, laid, letters, display }: TableProps) {
  return (
    <table className="w-full text-right font-cond text-base">
      <thead className="label sticky top-0 bg-steel-50">
        <tr>
          <th className="text-left">Hole</th>
          <th>x</th>
          <th>turns</th>
          <th>y</th>
          <th>turns</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ index, x, y, backUp }) => {
          const hole = laid.holes[index];
          return (
            <tr key={index} className="border-t border-steel-200">
              <th scope="row" className="py-1 text-left font-semibold">
                {letters.get(hole.featureId)}
                {hole.number}
              </th>
              <td>{show({ value: x.mm, unit: 'mm' }, display).number}</td>
              <td className={backUp.x ? 'text-danger' : ''}>
                {backUp.x && '↩ '}
                {shownTurns(x)}
              </td>
              <td>{show({ value: y.mm, unit: 'mm' }, display).number}</td>
              <td className={backUp.y ? 'text-danger' : ''}>
                {backUp.y && '↩ '}
                {shownTurns(y)}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
