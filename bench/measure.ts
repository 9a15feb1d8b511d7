/** Median time of a piece of work over some runs, ms. */
export function median(runs: number, work: () => void): number {
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)];
}

const numbers = Array.from({ length: 10_000 }, (_, i) => (i * 7919) % 10_007);
const yardstick = (): number => median(200, () => void Float64Array.from(numbers).sort());
/** The reference that other times are given against: sorting 10,000 numbers, ms. */
export const yardstickMs = yardstick();

/** Prints one measurement with its ratio to the yardstick; over its limit the bench fails. */
export function report(name: string, runs: number, work: () => void, limit?: number): void {
  // A machine that is shared changes its pace: the yardstick is laid on before and after.
  const before = yardstick();
  const ms = median(runs, work);
  const near = (before + yardstick()) / 2;
  const ratio = ms / near;
  console.log(JSON.stringify({ name, ms, yardstickMs: near, ratio, limit }));
  if (limit !== undefined && ratio > limit) process.exitCode = 1;
}
