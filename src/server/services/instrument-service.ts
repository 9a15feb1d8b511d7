import { readInstrumentLine, writeInstrumentLine } from '@/core/gauging/instrument-line';
import { Refusal } from '../refusal';

type Heard = (line: string) => void;
/** All that listen on this server, whichever bundle they came by. */
const shared = globalThis as { jollyBitInstruments?: Set<Heard> };
const listeners = (): Set<Heard> => (shared.jollyBitInstruments ??= new Set());

/** Listens to the lines of all instruments. @returns ends it */
export function listenToInstruments(heard: Heard): () => void {
  listeners().add(heard);
  return () => void listeners().delete(heard);
}

/** Passes a reading on to all that listen. @throws Refusal 422 where the line is none */
export function passReading(line: string): { line: string; heardBy: number } {
  const read = readInstrumentLine(line);
  if (!read.ok) {
    const [{ text, remedy }] = read.problems;
    throw new Refusal(422, 'Not a reading', text, [
      { field: 'line', code: 'instrument-line', detail: text, remedy: remedy.text },
    ]);
  }
  const written = writeInstrumentLine(read.value);
  for (const heard of listeners()) heard(written);
  return { line: written, heardBy: listeners().size };
}
