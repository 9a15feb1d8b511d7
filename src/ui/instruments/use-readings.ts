'use client';

import { useEffect, useRef } from 'react';
import { readInstrumentLine, type InstrumentLine } from '@/core/inspection/instrument-line';

type Heard = (line: InstrumentLine) => void;

const listeners = new Set<Heard>();
let source: EventSource | undefined;

/** Types a reading into the field that has the focus; false where none has, or it is for something else. */
function intoField({ values, unit }: InstrumentLine): boolean {
  const field = document.activeElement;
  if (!(field instanceof HTMLInputElement) || field.type !== 'text' || field.readOnly) return false;
  const wanted = field.dataset.reading;
  const value = wanted === undefined ? Object.values(values)[0] : values[wanted];
  if (value === undefined) return false;
  const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
  set?.call(field, unit === 'turns' ? String(value) : `${Number(value.toFixed(4))} ${unit}`);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  return true;
}

/** One stream for all that listen in this tab; it is opened anew by the browser when it breaks. */
function listen(heard: Heard): () => void {
  listeners.add(heard);
  if (!source) {
    source = new EventSource('/api/v1/instruments');
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const read = readInstrumentLine(data);
      if (!read.ok) return;
      // What has the focus takes the reading; else the last that began to listen, which is the one in front.
      if (!intoField(read.value)) [...listeners].at(-1)?.(read.value);
    };
  }
  return () => {
    listeners.delete(heard);
    if (listeners.size > 0) return;
    source?.close();
    source = undefined;
  };
}

/** Calls with each reading that an instrument sends while the component is there. */
export function useReadings(heard: Heard): void {
  const now = useRef(heard);
  useEffect(() => {
    now.current = heard;
  });
  useEffect(() => listen((line) => now.current(line)), []);
}
