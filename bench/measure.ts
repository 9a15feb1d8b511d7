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
const yardstick = (times: number): number => median(times, () => void Float64Array.from(numbers).sort());
/** The reference that other times are given against: sorting 10,000 numbers, ms. */
export const yardstickMs = yardstick(200);

const middle = (of: number[]): number => of.sort((a, b) => a - b)[Math.floor(of.length / 2)];

/** Prints one measurement with its ratio to the yardstick; over its limit the bench fails. */
export function report(name: string, runs: number, work: () => void, limit?: number): void {
  // A machine that is shared changes its pace: the yardstick is laid on before and after every run.
  const found = Array.from({ length: runs }, () => {
    const before = yardstick(50);
    const ms = median(1, work);
    return { ms, near: (before + yardstick(50)) / 2 };
  });
  const ratio = middle(found.map(({ ms, near }) => ms / near));
  const ms = middle(found.map((f) => f.ms));
  console.log(JSON.stringify({ name, ms, yardstickMs: middle(found.map((f) => f.near)), ratio, limit }));
  if (limit !== undefined && ratio > limit) process.exitCode = 1;
}
