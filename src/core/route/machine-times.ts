import type { Machine, MachineKind } from '../cutting/machine';
import type { SetUp } from './work-item';

/** What a machine costs besides cutting, s; typed once in the crib, replaced by logged times later. */
export interface MachineTimes {
  toolChangeS: number;
  /** Belt, gear or dial. */
  speedChangeS: number;
  /** To the next hole: unlock, find it, lock. */
  moveS: number;
  /** Besides, for each millimetre on the way. */
  perMmS: number;
  /** A part in or out of its clamping. */
  clampS: number;
  /** A part turned to another face. */
  turnOverS: number;
}

/** Usual times of a kind of machine. Our judgement. */
const USUAL: Record<MachineKind, MachineTimes> = {
  'drill-press': { toolChangeS: 30, speedChangeS: 60, moveS: 20, perMmS: 0.02, clampS: 60, turnOverS: 45 },
  mill: { toolChangeS: 40, speedChangeS: 30, moveS: 12, perMmS: 0.05, clampS: 120, turnOverS: 180 },
  lathe: { toolChangeS: 25, speedChangeS: 8, moveS: 10, perMmS: 0.02, clampS: 45, turnOverS: 45 },
  'hand-drill': { toolChangeS: 15, speedChangeS: 2, moveS: 10, perMmS: 0.01, clampS: 40, turnOverS: 30 },
};
/** At the bench, without a machine. */
const BENCH: MachineTimes = { toolChangeS: 5, speedChangeS: 0, moveS: 3, perMmS: 0.005, clampS: 15, turnOverS: 10 };

/** The times of a machine as typed, the usual ones for what is left out; of the bench where there is none. */
export function timesOf(
  machine: (Pick<Machine, 'kind' | 'speeds'> & { times?: Partial<MachineTimes> }) | undefined,
): MachineTimes {
  if (!machine) return BENCH;
  const usual = USUAL[machine.kind];
  // A dial or trigger needs no belt to be moved.
  const dialled = machine.speeds.kind === 'range' ? { speedChangeS: Math.min(usual.speedChangeS, 5) } : {};
  return { ...usual, ...dialled, ...machine.times };
}

/** Levels at which times of clamping pool: all of it, then the machine. */
export const clampLevels = (machine: Pick<Machine, 'id'>): [string, string] => ['clamp', `clamp|${machine.id}`];

/** The times of a set-up: those of its machine, clamping as it was timed here. */
export function timesIn({ machine, clampShare = 1 }: Pick<SetUp, 'machine' | 'clampShare'>): MachineTimes {
  const times = timesOf(machine);
  return { ...times, clampS: times.clampS * clampShare };
}
