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

const sum = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0);

/** Prints one measurement with its ratio to the yardstick; over its limit the bench fails. @param work whole, or in parts that make it up */
export function report(name: string, runs: number, work: (() => void) | readonly (() => void)[], limit?: number): void {
  const parts = typeof work === 'function' ? [work] : work;
  // A machine that is shared changes its pace within a second: the yardstick is laid on before and after every part.
  const found = Array.from({ length: runs }, () =>
    parts.map((part) => {
      const before = yardstick(30);
      const ms = median(1, part);
      return { ms, near: (before + yardstick(30)) / 2 };
    }),
  );
  const ratio = middle(found.map((run) => sum(run.map(({ ms, near }) => ms / near))));
  const ms = middle(found.map((run) => sum(run.map((part) => part.ms))));
  console.log(JSON.stringify({ name, ms, yardstickMs: middle(found.flat().map((part) => part.near)), ratio, limit }));
  if (limit !== undefined && ratio > limit) process.exitCode = 1;
}
