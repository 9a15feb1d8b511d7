'use client';

import { useState } from 'react';
import { z } from 'zod';
import type { SpeedStep } from '@/core/cutting/machine';
import type { PulleyTrain } from '@/core/cutting/machine';
import { speedsFromPulleys } from '@/core/cutting/pulleys';
import type { Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import RecordDialog, { type RecordField } from '@/ui/record-dialog';
import { RowsField } from '@/ui/rows-field';
import { CRIB_INPUT, type MachineEntry } from '@/contracts/crib';

type Texts = (key: string) => string;
/** A field that belongs to machines of these kinds. */
const of =
  (...kinds: string[]) =>
  (text: Texts): boolean =>
    kinds.includes(text('kind'));
const stopIs =
  (kind: string) =>
  (text: Texts): boolean =>
    text('depthStop.kind') === kind;

const FIELDS: readonly RecordField[] = [
  { key: 'name', label: 'Name', kind: 'text' },
  {
    key: 'kind',
    label: 'Kind',
    kind: 'choice',
    options: [
      ['drill-press', 'drill press'],
      ['mill', 'mill'],
      ['lathe', 'lathe'],
      ['hand-drill', 'held by hand'],
    ],
  },
  { key: 'chuckMm', label: 'Largest shank', kind: 'length' },
  { key: 'quillStrokeMm', label: 'Quill stroke', kind: 'length', optional: true, when: of('drill-press', 'mill') },
  { key: 'powerW', label: 'Motor', kind: 'power', optional: true },
  {
    key: 'depthStop.kind',
    label: 'Depth stop',
    kind: 'choice',
    optional: true,
    options: [
      ['scale', 'scale and nut'],
      ['collar', 'collar on the drill'],
      ['tape', 'tape on the drill'],
      ['readout', 'digital readout'],
      ['tailstock', 'tailstock wheel'],
    ],
  },
  { key: 'depthStop.divisionMm', label: 'One division of it', kind: 'length', optional: true, when: stopIs('scale') },
  {
    key: 'depthStop.turnMm',
    label: 'One turn of its wheel',
    kind: 'length',
    optional: true,
    when: stopIs('tailstock'),
  },
  {
    key: 'dial.travelMm',
    label: 'One turn of the feed dials',
    kind: 'length',
    optional: true,
    when: of('mill', 'lathe'),
  },
  { key: 'dial.divisions', label: 'Divisions of the dials', kind: 'number', optional: true, when: of('mill', 'lathe') },
  { key: 'coastRevolutions', label: 'Coasts, turns', kind: 'number', hint: 'From switch-off to standstill.' },
  { key: 'coastAtRpm', label: 'Measured at, rev/min', kind: 'number' },
  { key: 'times.toolChangeS', label: 'Change of tool, s', kind: 'number', optional: true, hint: 'Skipped: the usual.' },
  { key: 'times.speedChangeS', label: 'Change of speed, s', kind: 'number', optional: true },
  { key: 'times.moveS', label: 'To the next hole, s', kind: 'number', optional: true },
  { key: 'times.clampS', label: 'Part in or out, s', kind: 'number', optional: true },
  { key: 'times.turnOverS', label: 'Part turned over, s', kind: 'number', optional: true },
  { key: 'times.touchS', label: 'Tool down to touch, s', kind: 'number', optional: true },
  { key: 'times.backS', label: 'Tool back up, s', kind: 'number', optional: true },
  { key: 'reversible', label: 'Spindle reverses', kind: 'check' },
  { key: 'tappingHead', label: 'Has a reversing tapping head', kind: 'check', when: of('drill-press', 'mill') },
];

const machineSchema = z.object(CRIB_INPUT.machines.shape);

interface Props {
  machine: MachineEntry;
  display: Display;
  onSave: (machine: MachineEntry) => Promise<string | undefined>;
  onRemove?: () => void;
  onClose: () => void;
}

const number = (text: string): number => Number(text.replace(',', '.'));
const bad = (text: string): boolean => !(number(text) > 0);

const beltRows = (train: PulleyTrain | undefined): string[][] =>
  (train?.belts ?? []).flatMap((belt, i) =>
    belt.rows.map((r) => [String(i + 1), r.name, String(r.drivingMm), String(r.drivenMm)]),
  );

function trainOf(motor: string, rows: readonly (readonly string[])[]): PulleyTrain | undefined {
  const good = rows.filter((r) => r[1] !== '' && !bad(r[2] ?? '') && !bad(r[3] ?? ''));
  if (bad(motor) || good.length === 0) return undefined;
  const belts = [...new Set(good.map((r) => r[0] || '1'))].sort();
  return {
    motorRpm: number(motor),
    belts: belts.map((belt) => ({
      rows: good
        .filter((r) => (r[0] || '1') === belt)
        .map((r) => ({ name: r[1], drivingMm: number(r[2]), drivenMm: number(r[3]) })),
    })),
  };
}

/** Speeds, belts and chart of a machine as they are typed, and the machine that they make. */
function useSpeeds(machine: MachineEntry) {
  const [kind, setKind] = useState(machine.speeds.kind);
  const [steps, setSteps] = useState<string[][]>(
    machine.speeds.kind === 'steps' ? machine.speeds.steps.map((s) => [String(s.rpm), s.label]) : [],
  );
  const [range, setRange] = useState(
    machine.speeds.kind === 'range'
      ? { min: String(machine.speeds.minRpm), max: String(machine.speeds.maxRpm) }
      : { min: '', max: '' },
  );
  const [motor, setMotor] = useState(String(machine.pulleys?.motorRpm ?? ''));
  const [belts, setBelts] = useState(beltRows(machine.pulleys));
  const [chart, setChart] = useState<string[][]>((machine.chart ?? []).map((r) => [String(r.drillMm), String(r.rpm)]));
  const train = trainOf(motor, belts);
  /** Steps follow from the pulleys as they are typed. */
  function follow(motorRpm: string, rows: string[][]): void {
    const typed = trainOf(motorRpm, rows);
    if (typed) setSteps(speedsFromPulleys(typed).map((s) => [String(s.rpm), s.label]));
  }

  function whole(value: MachineEntry): MachineEntry {
    const listed = train ? speedsFromPulleys(train) : [];
    const typed: SpeedStep[] = steps
      .filter(([rpm]) => !bad(rpm))
      .map(([rpm, label]) => {
        const rows = listed.find((s) => s.label === label)?.rows;
        return { rpm: number(rpm), label: label ?? '', ...(rows ? { rows } : {}) };
      });
    const { depthStop, dial, ...rest } = value;
    return {
      ...rest,
      speeds:
        kind === 'steps'
          ? { kind, steps: typed.sort((a, b) => a.rpm - b.rpm) }
          : { kind, minRpm: number(range.min), maxRpm: number(range.max) },
      ...(depthStop?.kind ? { depthStop: { ...depthStop, divisionMm: depthStop.divisionMm ?? 1 } } : {}),
      ...(dial?.travelMm && dial.divisions ? { dial } : {}),
      pulleys: kind === 'steps' ? train : undefined,
      chart: chart
        .filter((r) => !bad(r[0] ?? '') && !bad(r[1] ?? ''))
        .map(([d, r]) => ({ drillMm: number(d), rpm: number(r) })),
    };
  }
  return {
    kind,
    setKind,
    steps,
    setSteps,
    range,
    setRange,
    motor,
    setMotor,
    belts,
    setBelts,
    chart,
    setChart,
    follow,
    whole,
  };
}
type Speeds = ReturnType<typeof useSpeeds>;

/** A machine whole: what it is, its speeds as on its plate or from its pulleys, the chart that it came with. */
export default function MachineDialog({ machine, display, onSave, onRemove, onClose }: Props) {
  const speeds = useSpeeds(machine);
  const { kind, setKind, chart, setChart, whole } = speeds;
  return (
    <RecordDialog
      title={machine.name === '' ? 'Add a machine' : machine.name}
      fields={FIELDS}
      value={machine}
      display={display}
      schema={machineSchema}
      compose={whole}
      leads={machine.pulleys !== undefined}
      onSave={onSave}
      onRemove={onRemove}
      onClose={onClose}
    >
      <Choice
        label="Speeds"
        value={kind}
        onChange={setKind}
        options={[
          ['steps', 'in steps'],
          ['range', 'variable'],
        ]}
      />
      {kind === 'range' ? (
        <RangeFields speeds={speeds} />
      ) : (
        <StepFields speeds={speeds} isOpen={machine.pulleys !== undefined || machine.name === ''} />
      )}
      <details>
        <summary className="min-h-9 cursor-pointer font-cond text-lg font-semibold">Chart on the machine</summary>
        <RowsField
          label="For mild steel: drill in mm and its speed"
          columns={['drill', 'rev/min']}
          rows={chart}
          onChange={setChart}
          wrong={(row, column) => bad(row[column])}
        />
      </details>
    </RecordDialog>
  );
}

function RangeFields({ speeds: { range, setRange } }: { speeds: Speeds }) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <TextField
        label="Slowest, rev/min"
        value={range.min}
        onChange={(min) => setRange({ ...range, min })}
        error={range.min !== '' && bad(range.min) && 'Enter a number above zero.'}
      />
      <TextField
        label="Fastest, rev/min"
        value={range.max}
        onChange={(max) => setRange({ ...range, max })}
        error={range.max !== '' && bad(range.max) && 'Enter a number above zero.'}
      />
    </div>
  );
}

/** Steps as on the plate, or as they follow from the pulleys. */
function StepFields({ speeds, isOpen }: { speeds: Speeds; isOpen: boolean }) {
  const { motor, setMotor, belts, setBelts, steps, setSteps, follow } = speeds;
  return (
    <>
      <details open={isOpen}>
        <summary className="min-h-9 cursor-pointer font-cond text-lg font-semibold">
          Pulleys and belts: the steps follow as you type
        </summary>
        <div className="flex flex-col gap-2">
          <TextField
            label="Motor, rev/min"
            value={motor}
            onChange={(typed) => {
              setMotor(typed);
              follow(typed, belts);
            }}
          />
          <RowsField
            label="One line for each belt row, from the motor on; diameters in mm"
            columns={['belt', 'row', 'driving', 'driven']}
            rows={belts}
            onChange={(rows) => {
              setBelts(rows);
              follow(motor, rows);
            }}
            wrong={(row, column) => column > 1 && bad(row[column])}
          />
        </div>
      </details>
      <RowsField
        label="Steps as on its plate"
        columns={['rev/min', 'what to set']}
        rows={steps}
        onChange={setSteps}
        wrong={(row, column) => column === 0 && bad(row[0])}
      />
    </>
  );
}
