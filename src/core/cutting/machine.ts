export type MachineKind = 'drill-press' | 'mill' | 'lathe' | 'hand-drill';

/** One position of belts or gears, with what to set on the machine. */
export interface SpeedStep {
  rpm: number;
  label: string;
  /** Row of each belt, in the order from the motor, where the machine's pulleys are known. */
  rows?: readonly string[];
}

/** One belt between two stepped pulleys: diameters in mm of each row, driving and driven, top row first. */
export interface Belt {
  rows: readonly { name: string; drivingMm: number; drivenMm: number }[];
}

/** A motor and one to three belts one after the other. */
export interface PulleyTrain {
  motorRpm: number;
  belts: readonly Belt[];
}

/** Fixed steps, or a range that can be set anywhere in between. */
export type Speeds = { kind: 'steps'; steps: readonly SpeedStep[] } | { kind: 'range'; minRpm: number; maxRpm: number };

/** A scale with a nut, a collar on the drill, tape on the drill, a digital readout, a tailstock handwheel. */
export type DepthStopKind = 'scale' | 'collar' | 'tape' | 'readout' | 'tailstock';

export interface Machine {
  id: string;
  name: string;
  kind: MachineKind;
  speeds: Speeds;
  /** The spindle can be reversed under power. */
  reversible: boolean;
  /** A reversing tapping head belongs to it. */
  tappingHead: boolean;
  /** Revolutions until the spindle stands after switching off, and the speed at which that was measured. */
  coastRevolutions: number;
  coastAtRpm: number;
  /** Largest straight shank that the chuck takes, mm. */
  chuckMm: number;
  quillStrokeMm?: number;
  powerW?: number;
  /** What says how deep the drill is, with its smallest division; the tailstock's handwheel also by turns. */
  depthStop?: { kind: DepthStopKind; divisionMm: number; turnMm?: number };
  /** Pulleys and belts that its steps come from. */
  pulleys?: PulleyTrain;
  /** Chart on the machine: drill diameters in mild steel with their speed. */
  chart?: readonly { drillMm: number; rpm: number }[];
  /** What it costs besides cutting, s, as timed in this shop; the usual for what is left out. */
  times?: Partial<
    Record<'toolChangeS' | 'speedChangeS' | 'moveS' | 'perMmS' | 'clampS' | 'turnOverS' | 'touchS' | 'backS', number>
  >;
  /** Feed dials of a mill: travel of one turn in mm, and the divisions marked on it. */
  dial?: { travelMm: number; divisions: number };
}

/** The slowest speed of a machine, rev/min. */
export const lowestRpm = ({ speeds }: Machine): number =>
  speeds.kind === 'range' ? speeds.minRpm : Math.min(...speeds.steps.map((s) => s.rpm));
/** The fastest speed of a machine, rev/min. */
export const highestRpm = ({ speeds }: Machine): number =>
  speeds.kind === 'range' ? speeds.maxRpm : Math.max(...speeds.steps.map((s) => s.rpm));

/** Rigid enough for solid carbide. */
export const isRigid = (m: Machine | undefined): boolean => m?.kind === 'mill' || m?.kind === 'lathe';
export const isHandHeld = (m: Machine | undefined): boolean => m?.kind === 'hand-drill';
