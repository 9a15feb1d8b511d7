import type { Machine } from '../cutting/machine';

/** A machine as many shops have it, to begin with; every figure is set right in the crib. */
export type UsualMachine = Omit<Machine, 'id'>;

const steps = (...rpm: number[]): Machine['speeds'] => ({
  kind: 'steps',
  steps: rpm.map((r) => ({ rpm: r, label: `step ${r}` })),
});

/** The machines that a shop ticks when it sets itself up. Typical figures, our judgement. */
export const USUAL_MACHINES: readonly UsualMachine[] = [
  {
    name: 'Bench drill press',
    kind: 'drill-press',
    speeds: steps(280, 460, 640, 980, 1600, 2500),
    reversible: false,
    tappingHead: false,
    coastRevolutions: 1.5,
    coastAtRpm: 280,
    chuckMm: 13,
    quillStrokeMm: 60,
    powerW: 370,
    depthStop: { kind: 'scale', divisionMm: 1 },
  },
  {
    name: 'Pedestal drill',
    kind: 'drill-press',
    speeds: steps(150, 260, 300, 440, 490, 540, 1150, 1200, 1550, 2200, 2600, 2900),
    reversible: false,
    tappingHead: false,
    coastRevolutions: 1.5,
    coastAtRpm: 150,
    chuckMm: 16,
    quillStrokeMm: 80,
    powerW: 550,
    depthStop: { kind: 'scale', divisionMm: 1 },
  },
  {
    name: 'Mill with readout',
    kind: 'mill',
    speeds: steps(65, 110, 180, 300, 590, 1000, 1640, 2720),
    reversible: true,
    tappingHead: false,
    coastRevolutions: 0.8,
    coastAtRpm: 65,
    chuckMm: 13,
    quillStrokeMm: 125,
    powerW: 1500,
    depthStop: { kind: 'readout', divisionMm: 0.01 },
  },
  {
    name: 'Lathe',
    kind: 'lathe',
    speeds: steps(50, 80, 130, 200, 320, 500, 800, 1250, 1800),
    reversible: true,
    tappingHead: false,
    coastRevolutions: 0.6,
    coastAtRpm: 50,
    chuckMm: 16,
    powerW: 1100,
    depthStop: { kind: 'tailstock', divisionMm: 0.1, turnMm: 5 },
  },
  {
    name: 'Cordless drill, two gears',
    kind: 'hand-drill',
    speeds: steps(450, 1600),
    reversible: true,
    tappingHead: false,
    coastRevolutions: 1,
    coastAtRpm: 450,
    chuckMm: 13,
    powerW: 400,
    depthStop: { kind: 'tape', divisionMm: 1 },
  },
];

/** Threads of the usual sets of hand taps, by what the box says. */
export const USUAL_TAP_SETS = {
  'Metric hand taps, M3 to M12': ['M3', 'M4', 'M5', 'M6', 'M8', 'M10', 'M12'],
  'Unified coarse hand taps, #4 to 1/2': ['#4-40', '#6-32', '#8-32', '#10-24', '1/4-20', '5/16-18', '3/8-16', '1/2-13'],
  'Unified fine hand taps, #10 to 1/2': ['#10-32', '1/4-28', '5/16-24', '3/8-24', '1/2-20'],
  'BA hand taps, 0 to 8': ['0 BA', '2 BA', '4 BA', '6 BA', '8 BA'],
} as const;
export type UsualTapSet = keyof typeof USUAL_TAP_SETS;
