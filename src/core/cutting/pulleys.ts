import type { SpeedStep } from './machine';

/** One belt between two stepped pulleys: diameters in mm of each row, driving and driven, top row first. */
export interface Belt {
  rows: readonly { name: string; drivingMm: number; drivenMm: number }[];
}

/** A motor and one to three belts one after the other. */
export interface PulleyTrain {
  motorRpm: number;
  belts: readonly Belt[];
}

/** Speeds are marked to this share of themselves on a plate: 5 under 500, 10 above. */
const marked = (rpm: number): number => (rpm < 500 ? Math.round(rpm / 5) * 5 : Math.round(rpm / 10) * 10);

/**
 * Every speed of a train of belts, slowest first: motor speed × driving ÷ driven of each belt, marked as plates are.
 * Belts slip by a per cent or two, which is not counted.
 */
export function speedsFromPulleys({ motorRpm, belts }: PulleyTrain): SpeedStep[] {
  const steps = belts.reduce<{ rpm: number; rows: string[] }[]>(
    (so, belt) =>
      so.flatMap(({ rpm, rows }) =>
        belt.rows.map((r) => ({ rpm: (rpm * r.drivingMm) / r.drivenMm, rows: [...rows, r.name] })),
      ),
    [{ rpm: motorRpm, rows: [] }],
  );
  return steps
    .sort((a, b) => a.rpm - b.rpm)
    .map(({ rpm, rows }) => ({ rpm: marked(rpm), label: `belts ${rows.join('-')}`, rows }));
}
