'use client';

import { useEffect, useRef } from 'react';
import { readInstrumentLine, type InstrumentLine } from '@/core/gauging/instrument-line';

type Heard = (line: InstrumentLine) => void;

const listeners = new Set<Heard>();
const NAME = 'jolly-bit-instruments';
let channel: BroadcastChannel | undefined;
/** Ends this tab's turn at the stream. */
let release: (() => void) | undefined;

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

/** A line that came, in the tab that somebody looks at. */
function take(line: string): void {
  const read = document.visibilityState === 'visible' ? readInstrumentLine(line) : undefined;
  if (!read?.ok) return;
  // What has the focus takes the reading; else the last that began to listen, which is the one in front.
  if (!intoField(read.value)) [...listeners].at(-1)?.(read.value);
}

/** The stream itself, passed on to the other tabs; it is opened anew by the browser when it breaks. */
function openStream(): EventSource {
  const source = new EventSource('/api/v1/instruments');
  source.onmessage = ({ data }: MessageEvent<string>) => {
    channel?.postMessage(data);
    take(data);
  };
  return source;
}

/**
 * One stream a browser, whatever number of tabs listen: a browser has few connections. The first tab holds it and the next takes
 * it over. Where a browser knows no turns among its tabs, each has one while somebody looks at it.
 */
function holdStream(): () => void {
  channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(NAME);
  if (channel) channel.onmessage = ({ data }: MessageEvent<string>) => take(data);
  const end = new AbortController();
  let source: EventSource | undefined;
  const close = (): void => {
    source?.close();
    source = undefined;
  };
  end.signal.addEventListener('abort', () => {
    close();
    channel?.close();
    channel = undefined;
  });
  if ('locks' in navigator && channel) {
    const turn = new Promise<void>((resolve) => end.signal.addEventListener('abort', () => resolve()));
    navigator.locks
      .request(NAME, { signal: end.signal }, () => {
        source = openStream();
        return turn;
      })
      .catch(() => undefined);
  } else {
    const look = (): void => {
      if (document.visibilityState !== 'visible') close();
      else source ??= openStream();
    };
    document.addEventListener('visibilitychange', look, { signal: end.signal });
    look();
  }
  return () => end.abort();
}

function listen(heard: Heard): () => void {
  listeners.add(heard);
  release ??= holdStream();
  return () => {
    listeners.delete(heard);
    if (listeners.size > 0) return;
    release?.();
    release = undefined;
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
