import { mm, phrase, type Phrase } from '../answer/answer';
import { gaugeReading, gaugeSteps, type ScaledGauge } from '../layout/height-list';
import { chanceOf } from './chance';

const GAUGES: readonly ScaledGauge[] = ['vernier-mm', 'vernier-inch', 'dial-mm', 'dial-inch'];

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

export function heightTask(seed: number): HeightTask {
  const chance = chanceOf(seed);
  const gauge = chance.pick(GAUGES);
  const { stepMm, wholeMm } = gaugeSteps(gauge);
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
});

/** What the gauge shows, mm. */
export const shownMm = ({ atMm, offMm }: HeightState): number => atMm + offMm;

/** The gauge after an act; locked it stands, and once the line is scribed it is there. */
export function atGauge(task: HeightTask, before: HeightState, act: HeightAct): HeightState {
  if (before.lineMm !== undefined) return before;
  const to = (atMm: number): HeightState => ({ ...before, atMm: Math.min(HIGHEST_MM, Math.max(0, atMm)) });
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
  const { wholeMm } = gaugeSteps(task.gauge);
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
