import { answer, mm, phrase, quantity, type Answer, type Phrase } from '../answer/answer';

/** What measures, and how far a sound one of its kind may be trusted, plus or minus mm. Trade rule. */
export const INSTRUMENTS = {
  rule: { label: 'rule', trustMm: 0.5 },
  caliper: { label: 'caliper', trustMm: 0.03 },
  'depth-gauge': { label: 'depth gauge', trustMm: 0.05 },
  'height-gauge': { label: 'height gauge', trustMm: 0.03 },
  micrometer: { label: 'micrometer', trustMm: 0.005 },
  readout: { label: 'digital readout', trustMm: 0.02 },
} as const;
export type Instrument = keyof typeof INSTRUMENTS;

/** An instrument read against a standard. */
export interface InstrumentReadings {
  standardMm: number;
  /** At least one, mm. */
  readings: number[];
}

export interface InstrumentCheck {
  /** Mean reading less the standard. */
  offset: Answer;
  /** One sigma of the readings, mm; undefined for fewer than two. */
  sigmaMm?: number;
  /** Off by more than one of its kind may be. */
  off: boolean;
  /** How far a reading may be trusted, plus or minus mm, with the offset subtracted. */
  trustMm: number;
  said: Phrase;
}

/** Offset and spread of an instrument against a standard. */
export function checkInstrument(kind: Instrument, { standardMm, readings }: InstrumentReadings): InstrumentCheck {
  const mean = readings.reduce((sum, r) => sum + r, 0) / readings.length;
  const { trustMm, label } = INSTRUMENTS[kind];
  const sigma =
    readings.length < 2
      ? undefined
      : Math.sqrt(readings.reduce((sum, r) => sum + (r - mean) ** 2, 0) / (readings.length - 1));
  const offset = answer(mean - standardMm, 'mm', {
    rule: 'Offset against a standard',
    formula: 'mean of the readings − standard',
    inputs: [
      ['mean', mm(mean)],
      ['standard', mm(standardMm)],
      ['readings', quantity(readings.length, 'count')],
    ],
    source: { kind: 'trade rule', name: 'The same length read several times against a gauge block or pin' },
  });
  const off = Math.abs(offset.value) > trustMm + 1e-9;
  const values = { offset: mm(Math.abs(offset.value)), way: offset.value > 0 ? 'large' : 'small', kind: label };
  return {
    offset,
    sigmaMm: sigma,
    off,
    trustMm: Math.max(trustMm, sigma === undefined ? 0 : 2 * sigma),
    said: off
      ? phrase('This {kind} reads {offset} too {way}: take that off, or have it set.', values)
      : phrase('This {kind} reads true to {offset}.', values),
  };
}
