'use client';

import { useState } from 'react';
import { CLEARANCE_HOLES, rowFor } from '@/core/layout/heads.table';
import type { LaidFace } from '@/core/layout/lay-out';
import {
  positionZone,
  PUNCH_SPREAD_MM,
  rankMeans,
  START_SPREAD_MM,
  type Joint,
  type Punching,
  type Starting,
} from '@/core/layout/means-of-layout';
import { parseLength } from '@/core/units/length';
import { showText, tell, type Display } from '@/core/units/show';
import { SelectField, TextField } from '@/ui/field';
import { Working } from '@/ui/working';

interface Props {
  laid: LaidFace;
  letters: ReadonlyMap<string, string>;
  selection: ReadonlySet<string>;
  display: Display;
}

const CLASSES = ['close', 'normal', 'loose'] as const;
const PUNCHES: Record<Punching, string> = { eye: 'by eye', glass: 'with a glass', automatic: 'spring-loaded punch' };
const STARTS: Record<Starting, string> = {
  hand: 'hand drill',
  punch: 'press, on the punch mark',
  'centre-drill': 'press, centre drill',
  spot: 'mill, spotted',
  bushing: 'bushing',
};

/** What the joint allows, and which means of layout hold it: the cheapest first. */
export function MeansPanel({ laid, letters, selection, display }: Props) {
  const [joint, setJoint] = useState<Joint>('fixed');
  const [fit, setFit] = useState<(typeof CLASSES)[number]>('normal');
  const [typed, setTyped] = useState('');
  const [punching, setPunching] = useState<Punching>('eye');
  const [starting, setStarting] = useState<Starting>('centre-drill');
  const hole =
    laid.holes.find((h) => selection.has(h.featureId) && h.footprint.tapped) ??
    laid.holes.find((h) => h.footprint.tapped);
  const row = hole && rowFor(CLEARANCE_HOLES, hole.footprint.diameterMm);
  const own = parseLength(typed, display === 'inch' ? 'in' : 'mm');
  const zone =
    typed.trim() === '' && row && hole
      ? positionZone(joint, row[1 + CLASSES.indexOf(fit)], hole.footprint.diameterMm)
      : undefined;
  const zoneMm = typed.trim() === '' ? zone?.value : own.ok && own.value.mm > 0 ? own.value.mm : undefined;
  return (
    <div className="flex flex-col gap-2">
      <div className="grid grid-cols-2 gap-2">
        <SelectField label="Joint" value={joint} onChange={(j) => setJoint(j as Joint)}>
          <option value="fixed">one part tapped</option>
          <option value="floating">clearance in both</option>
        </SelectField>
        <SelectField label="Clearance hole of the mate" value={fit} onChange={(f) => setFit(f as typeof fit)}>
          {CLASSES.map((c) => (
            <option key={c}>{c}</option>
          ))}
        </SelectField>
        <SelectField label="Punch" value={punching} onChange={(p) => setPunching(p as Punching)}>
          {(Object.keys(PUNCH_SPREAD_MM) as Punching[]).map((p) => (
            <option key={p} value={p}>
              {PUNCHES[p]}
            </option>
          ))}
        </SelectField>
        <SelectField label="Start and drill" value={starting} onChange={(s) => setStarting(s as Starting)}>
          {(Object.keys(START_SPREAD_MM) as Starting[]).map((s) => (
            <option key={s} value={s}>
              {STARTS[s]}
            </option>
          ))}
        </SelectField>
      </div>
      <TextField
        label={`Or a position zone from the drawing, ${display === 'inch' ? 'in' : 'mm'}`}
        value={typed}
        onChange={setTyped}
        placeholder="diameter"
        error={typed.trim() !== '' && zoneMm === undefined && 'Enter a length above zero.'}
      />
      {zoneMm === undefined ? (
        <p>Pick a tapped hole with a listed clearance hole, or enter a zone.</p>
      ) : (
        <>
          <p>
            {zone && hole && `${letters.get(hole.featureId)}: `}each hole may lie within{' '}
            <strong>
              ø{' '}
              {zone ? (
                <Working of={zone} name="position zone" display={display} />
              ) : (
                showText({ value: zoneMm, unit: 'mm' }, display)
              )}
            </strong>
          </p>
          <ol className="flex flex-col">
            {rankMeans(zoneMm, punching, starting).map((m, i) => (
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
        </>
      )}
    </div>
  );
}
