import { between, boundOf, secondsOf, sequencesOf } from '../src/core/route/sequence';
import { planRoute } from '../src/core/route/route';
import { timesOf } from '../src/core/route/machine-times';
import type { SetUp, WorkItem } from '../src/core/route/work-item';
import { median, yardstickMs } from './measure';

/** The same numbers in every run. */
function random(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const times = timesOf(undefined);
const MACHINES = [
  { ...times, toolChangeS: 30, speedChangeS: 60, moveS: 20, perMmS: 0.02 },
  { ...times, toolChangeS: 40, speedChangeS: 30, moveS: 6, perMmS: 0.05 },
];

function items(holes: number, ops: number, next: () => number): WorkItem[] {
  const list: WorkItem[] = [];
  for (let hole = 1; hole <= holes; hole++) {
    const x = Math.round(next() * 300);
    const y = Math.round(next() * 200);
    for (let op = 0; op < ops; op++)
      list.push({
        id: list.length,
        featureId: 'f',
        letter: 'A',
        hole,
        opKey: `${op}`,
        code: op === 0 ? 'start' : op === ops - 1 ? 'tap' : 'drill',
        order: { text: '' },
        tool: `tool ${op}${op > 0 && next() < 0.3 ? 'b' : ''}`,
        inCrib: true,
        rpm: 300 * (op + 1),
        seconds: 10,
        x,
        y,
        after: op > 0 ? [list.length - 1] : [],
      });
  }
  return list;
}

/** Least time of all orders that respect precedence: by how far each hole is, and where the spindle is. */
function optimum(list: readonly WorkItem[], holes: number, ops: number, t: (typeof MACHINES)[number]): number {
  const base = ops + 1;
  const states = base ** holes;
  const best = Array.from({ length: holes }, () => new Float64Array(states).fill(Infinity));
  const power = Array.from({ length: holes }, (_, h) => base ** h);
  const at = (hole: number, done: number): WorkItem => list[hole * ops + done - 1];
  for (let h = 0; h < holes; h++) best[h][power[h]] = between(undefined, at(h, 1), undefined, t) + at(h, 1).seconds;
  let least = Infinity;
  for (let state = 1; state < states; state++)
    for (let last = 0; last < holes; last++) {
      const so = best[last][state];
      if (so === Infinity) continue;
      if (state === states - 1) least = Math.min(least, so);
      const before = at(last, Math.floor(state / power[last]) % base);
      for (let h = 0; h < holes; h++) {
        const done = Math.floor(state / power[h]) % base;
        if (done === ops) continue;
        const item = at(h, done + 1);
        const now = so + between(before, item, before.rpm, t) + item.seconds;
        if (now < best[h][state + power[h]]) best[h][state + power[h]] = now;
      }
    }
  return least;
}

const gaps: number[] = [];
for (let i = 0; i < 200; i++) {
  const next = random(i + 1);
  const holes = 2 + Math.floor(next() * 8);
  const ops = holes > 7 ? 2 : 3;
  const t = MACHINES[i % 2];
  const list = items(holes, ops, next);
  const ours = secondsOf(sequencesOf(list, t)[0].order, t);
  gaps.push(ours / optimum(list, holes, ops, t) - 1);
}
gaps.sort((a, b) => a - b);
console.log(
  JSON.stringify({
    name: 'route against the exact optimum, 200 cases to 9 holes',
    medianGap: gaps[100],
    worstGap: gaps[199],
    within: gaps.filter((g) => g < 1e-9).length,
    limits: { medianGap: 0, worstGap: 0.05 },
  }),
);

for (const [holes, faces, most] of [
  [300, 2, 2000],
  [2000, 1, 6000],
] as const) {
  const next = random(7);
  const setUps: SetUp[] = Array.from({ length: faces }, (_, f) => ({
    key: `mill|${f}`,
    items: items(holes / faces, 6, next).map((i) => ({ ...i, tool: `tool ${i.opKey}` })),
  }));
  let gap = 0;
  const ms = median(3, () => {
    const route = planRoute(setUps, 1, { order: 'tool-by-tool' });
    gap = route.seconds / route.boundS - 1;
  });
  const [{ items: list }] = setUps;
  const bound = boundOf(list, times);
  console.log(
    JSON.stringify({
      name: `${holes} holes, 6 tools, ${faces} faces: planned`,
      ms,
      limitMs: most,
      yardstickMs,
      ratio: ms / yardstickMs,
      gapToBound: gap,
      cutShare: bound.cutS / (bound.cutS + bound.movesS + bound.changesS),
    }),
  );
}
