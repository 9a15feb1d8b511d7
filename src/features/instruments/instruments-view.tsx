'use client';

import { useState } from 'react';
import { writeInstrumentLine, type InstrumentLine } from '@/core/gauging/instrument-line';
import { half, move, NEW_READOUT, preset, shownAt, type Axis, type Readout } from '@/core/gauging/readout';
import { TextField } from '@/ui/field';
import { send } from '@/ui/send';

interface StandIn {
  name: string;
  label: string;
  unit: InstrumentLine['unit'];
  /** What it reports, with what it reads when it is switched on. */
  fields: [what: string, label: string, first: string][];
}

const STAND_INS: StandIn[] = [
  { name: 'caliper', label: 'Caliper', unit: 'mm', fields: [['size', 'size, mm', '8.52']] },
  { name: 'depth-gauge', label: 'Depth gauge', unit: 'mm', fields: [['depth', 'depth, mm', '16.2']] },
  { name: 'height-gauge', label: 'Height gauge', unit: 'mm', fields: [['height', 'height, mm', '24']] },
  {
    name: 'torque',
    label: 'Torque wrench',
    unit: 'Nm',
    fields: [
      ['now', 'now, Nm', '3.1'],
      ['peak', 'peak, Nm', '6.2'],
    ],
  },
  { name: 'thread-gauge-go', label: 'Thread gauge, go', unit: 'turns', fields: [['go', 'turns', '8']] },
  { name: 'thread-gauge-not-go', label: 'Thread gauge, not-go', unit: 'turns', fields: [['not-go', 'turns', '1']] },
  {
    name: 'pins',
    label: 'Gauge pins',
    unit: 'mm',
    fields: [
      ['in', 'largest that enters, mm', '8.5'],
      ['out', 'smallest that does not, mm', '8.6'],
    ],
  },
];

async function sendLine(line: InstrumentLine): Promise<string> {
  const text = writeInstrumentLine(line);
  const got = await send<{ heardBy: number }>('POST', '/api/v1/instruments', { line: text });
  return got.ok ? `${text} — heard by ${got.value.heardBy}` : got.fault;
}

/** Stand-ins of the instruments at a bench: each sends its reading as a real one would. */
export function InstrumentsView() {
  const [said, setSaid] = useState('');
  const say = (line: InstrumentLine): void => void sendLine(line).then(setSaid);
  return (
    <main id="main" className="mx-auto flex max-w-5xl flex-col gap-3 p-3">
      <h1 className="font-cond text-3xl font-semibold">Instruments, simulated</h1>
      <p className="max-w-2xl">
        A reading goes to the field that has the focus on Plate, Check or Bench, or to the check that waits for it. A
        real instrument sends the same lines to <code>/api/v1/instruments</code>.
      </p>
      <p role="status" className="min-h-7 font-bold">
        {said}
      </p>
      <div className="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-3">
        <ReadoutStandIn say={say} />
        {STAND_INS.map((of) => (
          <OneStandIn key={of.name} of={of} say={say} />
        ))}
      </div>
    </main>
  );
}

function OneStandIn({ of, say }: { of: StandIn; say: (line: InstrumentLine) => void }) {
  const [typed, setTyped] = useState(() => of.fields.map(([, , first]) => first));
  const values = typed.map((t) => Number(t.replace(',', '.')));
  const ready = values.every((v, i) => Number.isFinite(v) && typed[i].trim() !== '');
  return (
    <section aria-label={of.label} className="plate flex flex-col gap-2 p-3">
      <h2 className="font-cond text-xl font-semibold">{of.label}</h2>
      {of.fields.map(([what, label], i) => (
        <TextField
          key={what}
          label={label}
          value={typed[i]}
          onChange={(text) => setTyped((t) => t.map((old, n) => (n === i ? text : old)))}
          error={typed[i].trim() !== '' && !Number.isFinite(values[i]) && 'Enter a number.'}
        />
      ))}
      <button
        type="button"
        className="btn-next"
        disabled={!ready}
        onClick={() =>
          say({
            name: of.name.startsWith('thread-gauge') ? 'thread-gauge' : of.name,
            unit: of.unit,
            values: Object.fromEntries(of.fields.map(([what], i) => [what, values[i]])),
          })
        }
      >
        Send
      </button>
    </section>
  );
}

const AXES: Axis[] = ['x', 'y'];
const STEPS_MM = [-10, -1, -0.1, 0.1, 1, 10];

/** A two-axis readout: the table is moved, an axis zeroed, preset or halved. */
function ReadoutStandIn({ say }: { say: (line: InstrumentLine) => void }) {
  const [readout, setReadout] = useState<Readout>(NEW_READOUT);
  const [to, setTo] = useState('25');
  const mm = Number(to.replace(',', '.'));
  return (
    <section aria-label="Two-axis readout" className="plate flex flex-col gap-2 p-3 sm:col-span-2">
      <h2 className="font-cond text-xl font-semibold">Two-axis readout</h2>
      {AXES.map((axis) => (
        <div key={axis} className="flex flex-wrap items-center gap-1.5">
          <output className="dye min-w-36 px-3 py-1 text-right font-cond text-3xl font-semibold">
            {axis.toUpperCase()} {shownAt(readout, axis).toFixed(3)}
          </output>
          {STEPS_MM.map((by) => (
            <button
              key={by}
              type="button"
              className="btn px-2"
              aria-label={`Move ${axis.toUpperCase()} by ${by}`}
              onClick={() => setReadout((r) => move(r, axis, by))}
            >
              {by > 0 ? `+${by}` : String(by).replace('-', '−')}
            </button>
          ))}
          <button type="button" className="btn px-2" onClick={() => setReadout((r) => preset(r, axis, 0))}>
            Zero {axis.toUpperCase()}
          </button>
          <button type="button" className="btn px-2" onClick={() => setReadout((r) => half(r, axis))}>
            Half {axis.toUpperCase()}
          </button>
          <button
            type="button"
            className="btn px-2"
            disabled={!Number.isFinite(mm)}
            onClick={() => setReadout((r) => preset(r, axis, mm))}
          >
            Preset {axis.toUpperCase()}
          </button>
        </div>
      ))}
      <div className="flex items-end gap-2">
        <TextField label="Preset to, mm" value={to} onChange={setTo} className="w-32" />
        <button
          type="button"
          className="btn-next"
          onClick={() =>
            say({
              name: 'readout',
              unit: 'mm',
              values: { x: shownAt(readout, 'x'), y: shownAt(readout, 'y') },
            })
          }
        >
          Send
        </button>
      </div>
    </section>
  );
}
