import type { PulleyTrain, SpeedStep } from './machine';

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
