'use client';

import { useState } from 'react';
import { FITS, jointZone, zoneOf, type Fit } from '@/core/layout/joint-zone';
import {
  PUNCH_SIGMA_MM,
  rankMeans,
  START_SIGMA_MM,
  type Joint,
  type Punching,
  type Starting,
} from '@/core/layout/means-of-layout';
import { tell, type Display } from '@/core/units/show';
import { SelectField } from '@/ui/field';
import { Working } from '@/ui/working';
import type { PlateState } from './use-plate';
import { ZoneField } from './zone-field';

interface Props {
  state: PlateState;
  letters: ReadonlyMap<string, string>;
  display: Display;
}

const PUNCHES: Record<Punching, string> = { eye: 'by eye', glass: 'with a glass', automatic: 'spring-loaded punch' };
const STARTS: Record<Starting, string> = {
  hand: 'hand drill',
  punch: 'press, on the punch mark',
  'centre-drill': 'press, centre drill',
  spot: 'mill, spotted',
  bushing: 'bushing',
};

/** What position each hole may have, and which means of layout hold it: the cheapest first. */
export function MeansPanel({ state, letters, display }: Props) {
  const { laid, selection } = state;
  const [joint, setJoint] = useState<Joint>('fixed');
  const [fit, setFit] = useState<Fit>('normal');
  const [punching, setPunching] = useState<Punching>('eye');
  const [starting, setStarting] = useState<Starting>('centre-drill');
  const hole =
    laid.holes.find((h) => selection.has(h.featureId)) ?? laid.holes.find((h) => h.footprint.tapped) ?? laid.holes[0];
  if (!hole) return <p>Lay out a hole first.</p>;
  const name = letters.get(hole.featureId) ?? '';
  const { zoneMm } = state.featureOf(hole.featureId) ?? {};
  const own = zoneOf({ ...hole.footprint, zoneMm });
  const byJoint = jointZone({ ...hole.footprint, joint, fit });
  return (
    <div className="flex flex-col gap-2">
      <ZoneField state={state} hole={hole} name={name} display={display} />
      <div className="grid grid-cols-2 items-end gap-2">
        {byJoint && (
          <>
            <SelectField label="Joint" value={joint} onChange={(j) => setJoint(j as Joint)}>
              <option value="fixed">one part tapped</option>
              <option value="floating">clearance in both</option>
            </SelectField>
            <SelectField label="Clearance hole of the mate" value={fit} onChange={(f) => setFit(f as Fit)}>
              {FITS.map((c) => (
                <option key={c}>{c}</option>
              ))}
            </SelectField>
          </>
        )}
        {byJoint && Math.abs(byJoint.value - own.value) > 1e-6 && (
          <p className="col-span-2 flex flex-wrap items-center gap-2 text-[15px]">
            <span>
              This joint leaves ø <Working of={byJoint} name="zone of this joint" display={display} />.
            </span>
            <button
              type="button"
              className="btn h-11 sm:h-9"
              onClick={() => state.changeHole(hole.featureId, (h) => ({ ...h, zoneMm: byJoint.value }))}
            >
              Use it for {name}
            </button>
          </p>
        )}
        <SelectField label="Punch" value={punching} onChange={(p) => setPunching(p as Punching)}>
          {(Object.keys(PUNCH_SIGMA_MM) as Punching[]).map((p) => (
            <option key={p} value={p}>
              {PUNCHES[p]}
            </option>
          ))}
        </SelectField>
        <SelectField label="Start and drill" value={starting} onChange={(s) => setStarting(s as Starting)}>
          {(Object.keys(START_SIGMA_MM) as Starting[]).map((s) => (
            <option key={s} value={s}>
              {STARTS[s]}
            </option>
          ))}
        </SelectField>
      </div>
      <ol className="flex flex-col">
        {rankMeans(own.value, punching, starting).map((m, i) => (
          <li key={m.id} className="border-t border-steel-200 py-1.5">
            <strong className={m.holds ? 'text-pass' : ''}>
              {m.holds ? '✓' : '✕'} {m.label}
            </strong>
            {i === 0 && m.holds && (
              <span className="ml-2 rounded-sm bg-brass px-1.5 font-cond font-semibold">cheapest that holds</span>
            )}{' '}
            ±<Working of={m.spread} name={`spread, ${m.label}`} display={display} />
            <p className="text-[15px]">{tell(m.reason, display)}</p>
          </li>
        ))}
      </ol>
    </div>
  );
}
