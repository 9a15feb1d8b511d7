import { mm, phrase, type Phrase } from '../answer/answer';
import { gaugeReading, type Gauge } from '../layout/height-list';
import { inchToMm } from '../units/length';
import { chanceOf } from './chance';

/** A height gauge with a scale or a dial, of which one line is the finest that is read. Lengths in mm. */
export type ScaledGauge = Exclude<Gauge, 'digital-mm' | 'digital-inch'>;

/** What a gauge shows: its finest step, and a line of its main scale or a turn of its dial, mm. */
export const GAUGE_STEPS: Record<ScaledGauge, { stepMm: number; wholeMm: number }> = {
  'vernier-mm': { stepMm: 0.02, wholeMm: 1 },
  'vernier-inch': { stepMm: inchToMm(0.001), wholeMm: inchToMm(0.025) },
  'dial-mm': { stepMm: 0.02, wholeMm: 1 },
  'dial-inch': { stepMm: inchToMm(0.001), wholeMm: inchToMm(0.1) },
};

/** A height to scribe. Lengths in mm. */
export interface HeightTask {
  gauge: ScaledGauge;
  heightMm: number;
  /** What the gauge shows as its scriber stands on the plate: nobody has zeroed it since the scriber was changed. */
  showsMm: number;
  /** Where the scriber stands to begin with. */
  startMm: number;
  /** How far an unlocked slider drops as one scribes. */
  dropMm: number;
}

/** Allowed off the height, mm: a scribed line is no finer. */
export const HEIGHT_WITHIN_MM = 0.05;
/** Most that a gauge of this size reaches, mm. */
export const HIGHEST_MM = 160;

export interface HeightState {
  /** Of the scriber over the plate. */
  atMm: number;
  /** What the gauge shows more than that. */
  offMm: number;
  isLocked: boolean;
  /** Its scriber has stood on the plate. */
  touched: boolean;
  /** Where the line came to be. */
  lineMm?: number;
}

export type HeightAct =
  | { do: 'move'; mm: number }
  | { do: 'plate' }
  /** Sets what it shows to zero, wherever it stands. */
  | { do: 'zero' }
  | { do: 'lock' }
  | { do: 'scribe' };

/** @param gauges those that the shop uses; every kind where left out */
export function heightTask(
  seed: number,
  gauges: readonly ScaledGauge[] = Object.keys(GAUGE_STEPS) as ScaledGauge[],
): HeightTask {
  const chance = chanceOf(seed);
  const gauge = chance.pick(gauges);
  const { stepMm, wholeMm } = GAUGE_STEPS[gauge];
  const lines = chance.whole(12, Math.floor(90 / wholeMm));
  // Never on a whole line: then there would be nothing to read.
  const rest = chance.whole(1, Math.round(wholeMm / stepMm) - 1);
  const off = chance.whole(6, 40) * stepMm * (chance.even() < 0.5 ? -1 : 1);
  return {
    gauge,
    heightMm: lines * wholeMm + rest * stepMm,
    showsMm: chance.even() < 0.6 ? off : 0,
    startMm: (lines + chance.whole(3, 9)) * wholeMm,
    dropMm: 0.15 + 0.2 * chance.even(),
  };
}

export const freshHeight = ({ startMm, showsMm }: HeightTask): HeightState => ({
  atMm: startMm,
  offMm: showsMm,
  isLocked: false,
  touched: false,
});

/** What the gauge shows, mm. */
export const shownMm = ({ atMm, offMm }: HeightState): number => atMm + offMm;

/** The gauge after an act; locked it stands, and once the line is scribed it is there. */
export function atGauge(task: HeightTask, before: HeightState, act: HeightAct): HeightState {
  if (before.lineMm !== undefined) return before;
  const to = (atMm: number): HeightState => {
    const held = Math.min(HIGHEST_MM, Math.max(0, atMm));
    return { ...before, atMm: held, touched: before.touched || held === 0 };
  };
  switch (act.do) {
    case 'move':
      return before.isLocked ? before : to(before.atMm + act.mm);
    case 'plate':
      return before.isLocked ? before : to(0);
    case 'zero':
      return { ...before, offMm: -before.atMm };
    case 'lock':
      return { ...before, isLocked: !before.isLocked };
    case 'scribe':
      return { ...before, lineMm: before.atMm - (before.isLocked ? 0 : task.dropMm) };
  }
}

const close = (a: number, b: number): boolean => Math.abs(a - b) <= HEIGHT_WITHIN_MM + 1e-9;

/** How the line came out, and what would have helped; the causes are those that people confess. */
export function heightTold(task: HeightTask, s: HeightState): { right: boolean; says: Phrase } {
  const line = s.lineMm ?? s.atMm;
  const { wholeMm } = GAUGE_STEPS[task.gauge];
  const off = line - task.heightMm;
  const values = {
    line: mm(Math.round(line * 1000) / 1000),
    asked: mm(task.heightMm),
    read: gaugeReading(task.heightMm, task.gauge),
    drop: mm(Math.round(task.dropMm * 100) / 100),
    zero: mm(Math.round(Math.abs(s.offMm) * 1000) / 1000),
    whole: mm(wholeMm),
  };
  if (close(line, task.heightMm))
    return { right: true, says: phrase('The line lies at {line}, {asked} asked for.', values) };
  const says = ((): Phrase => {
    if (!s.isLocked && close(off + task.dropMm, 0))
      return phrase('The slider was not locked and dropped {drop}: lock it, then scribe.', values);
    if (Math.abs(s.offMm) > 1e-6 && close(off + s.offMm, 0))
      return phrase(
        'It shows {zero} on the plate, so the line is off by that: touch the plate and zero it first.',
        values,
      );
    const divisions = Math.round(off / wholeMm);
    if (divisions !== 0 && close(off, divisions * wholeMm))
      return phrase(
        'Off by a whole division of {whole}: {asked} reads {read}. Read it once more before scribing.',
        values,
      );
    return phrase('The line lies at {line}; {asked} was asked for, which reads {read}.', values);
  })();
  return { right: false, says };
}
