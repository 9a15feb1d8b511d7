import type { PulleyTrain } from '@/core/cutting/machine';
import { speedsFromPulleys } from '@/core/cutting/pulleys';
import type { machines } from '../schema';

const steps = (rows: [rpm: number, label: string][]) => ({
  kind: 'steps' as const,
  steps: rows.map(([rpm, label]) => ({ rpm, label })),
});

/** Two belts: three rows from the motor to the idler, four from the idler to the spindle. */
const PRESS_PULLEYS: PulleyTrain = {
  motorRpm: 1420,
  belts: [
    {
      rows: [
        { name: '1', drivingMm: 40, drivenMm: 120 },
        { name: '2', drivingMm: 49, drivenMm: 111 },
        { name: '3', drivingMm: 60, drivenMm: 100 },
      ],
    },
    {
      rows: [
        { name: 'A', drivingMm: 43, drivenMm: 147 },
        { name: 'B', drivingMm: 78, drivenMm: 112 },
        { name: 'C', drivingMm: 118, drivenMm: 72 },
        { name: 'D', drivingMm: 151, drivenMm: 39 },
      ],
    },
  ],
};

/** The machines of the observatory's workshop. */
export const SAMPLE_MACHINES: (typeof machines.$inferInsert)[] = [
  {
    id: 'bench-drill-press',
    name: 'Bench drill press',
    kind: 'drill-press',
    speeds: { kind: 'steps', steps: speedsFromPulleys(PRESS_PULLEYS) },
    pulleys: PRESS_PULLEYS,
    depthStop: { kind: 'scale', divisionMm: 1 },
    chart: [
      { drillMm: 3, rpm: 2500 },
      { drillMm: 6, rpm: 1400 },
      { drillMm: 10, rpm: 800 },
      { drillMm: 13, rpm: 600 },
      { drillMm: 20, rpm: 350 },
    ],
    reversible: false,
    tappingHead: true,
    coastRevolutions: 1.5,
    coastAtRpm: 140,
    chuckMm: 16,
    quillStrokeMm: 80,
    powerW: 550,
    position: 1,
  },
  {
    id: 'pedestal-drill',
    name: 'Pedestal drill, variable',
    kind: 'drill-press',
    speeds: { kind: 'range', minRpm: 450, maxRpm: 2800 },
    depthStop: { kind: 'collar', divisionMm: 1 },
    reversible: false,
    tappingHead: false,
    coastRevolutions: 4,
    coastAtRpm: 450,
    chuckMm: 13,
    quillStrokeMm: 60,
    powerW: 370,
    position: 2,
  },
  {
    id: 'knee-mill',
    name: 'Knee mill',
    kind: 'mill',
    speeds: steps([
      [65, 'back gear, belt 1'],
      [110, 'back gear, belt 2'],
      [180, 'back gear, belt 3'],
      [300, 'back gear, belt 4'],
      [590, 'direct, belt 1'],
      [1000, 'direct, belt 2'],
      [1640, 'direct, belt 3'],
      [2720, 'direct, belt 4'],
    ]),
    reversible: true,
    tappingHead: false,
    coastRevolutions: 0.8,
    coastAtRpm: 65,
    chuckMm: 13,
    quillStrokeMm: 127,
    depthStop: { kind: 'readout', divisionMm: 0.01 },
    dialTravelMm: 5,
    dialDivisions: 250,
    powerW: 1500,
    position: 3,
  },
  {
    id: 'lathe',
    name: 'Lathe',
    kind: 'lathe',
    depthStop: { kind: 'tailstock', divisionMm: 0.1, turnMm: 5 },
    speeds: steps([
      [45, 'gear 1'],
      [75, 'gear 2'],
      [120, 'gear 3'],
      [190, 'gear 4'],
      [300, 'gear 5'],
      [470, 'gear 6'],
      [740, 'gear 7'],
      [1150, 'gear 8'],
      [1800, 'gear 9'],
    ]),
    reversible: true,
    tappingHead: false,
    coastRevolutions: 0.6,
    coastAtRpm: 45,
    chuckMm: 16,
    powerW: 1100,
    position: 4,
  },
  {
    id: 'cordless-drill',
    name: 'Cordless drill, two speeds',
    kind: 'hand-drill',
    depthStop: { kind: 'tape', divisionMm: 1 },
    speeds: steps([
      [450, 'gear 1, full trigger'],
      [1600, 'gear 2, full trigger'],
    ]),
    reversible: true,
    tappingHead: false,
    coastRevolutions: 1,
    coastAtRpm: 450,
    chuckMm: 13,
    powerW: 400,
    position: 5,
  },
];
