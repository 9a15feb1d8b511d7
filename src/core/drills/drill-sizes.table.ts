/** ISO 235 metric sizes as they are made: from, to and step in mm. */
export const METRIC_RANGES_MM = [
  { from: 0.3, to: 3, step: 0.05 },
  { from: 3, to: 14, step: 0.1 },
  { from: 3, to: 32, step: 0.25 },
  { from: 32, to: 50, step: 0.5 },
] as const;
