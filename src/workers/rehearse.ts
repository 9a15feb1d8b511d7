import type { Alternative } from '../core/rehearsal/alternatives';
import { blame, type Blame } from '../core/rehearsal/blame';
import type { HoleModel } from '../core/rehearsal/hole-model';
import { proposalsFor, savedBy, type Proposal, type Saved } from '../core/rehearsal/proposals';
import {
  landings,
  rehearsal,
  SURE_ENOUGH,
  wilson,
  type Landed,
  type Rehearsed,
  type Rehearsing,
} from '../core/rehearsal/rehearse';

/** What is rehearsed; then, once they are planned, what could be done otherwise. */
export type RehearsalRequest = { models: HoleModel[]; rehearsing: Rehearsing } | { alternatives: Alternative[] };
export type RehearsalMessage =
  | { rehearsed: Rehearsed; share: number }
  | { landed: Landed[] }
  | { blamed: Blame[] }
  | { proposals: Proposal[]; saved: Saved[] }
  | { fault: string };

/** Holes rehearsed before something is shown, between two looks, at most, for each proposal, and to find what to blame. */
const HOLES = { first: 2_000, slice: 60_000, most: 4_000_000, proposed: 40_000, blamed: 60_000 } as const;
/** Jobs at least and at most. */
const JOBS = { least: 20, most: 40_000 } as const;
/** Jobs whose first part is drawn: fewer where it has many holes. */
const DRAWN = { jobs: 60, least: 4, holes: 6000 } as const;
const drawnOf = (models: readonly HoleModel[]): number =>
  Math.max(
    DRAWN.least,
    Math.min(
      DRAWN.jobs,
      Math.floor(
        DRAWN.holes /
          Math.max(
            1,
            models.reduce((n, m) => n + m.points.length, 0),
          ),
      ),
    ),
  );

const say = (message: RehearsalMessage): void => self.postMessage(message);
const turn = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** What was asked for first, with how many jobs are made of it. */
let asked: { models: HoleModel[]; rehearsing: Rehearsing; holes: number; worst: number[] } | undefined;

async function rehearse(models: HoleModel[], rehearsing: Rehearsing): Promise<void> {
  const holes = Math.max(1, rehearsing.quantity * models.reduce((n, m) => n + m.points.length, 0));
  const jobsOf = (n: number): number => Math.max(1, Math.floor(n / holes));
  const most = Math.max(JOBS.least, Math.min(JOBS.most, jobsOf(HOLES.most)));
  const run = rehearsal(models, rehearsing);
  let done = 0;
  let isSure = false;
  while (done < most && !isSure) {
    const next = Math.min(most - done, jobsOf(done === 0 ? HOLES.first : HOLES.slice));
    run.go(next);
    done += next;
    const rehearsed = run.now();
    const [from, to] = wilson(rehearsed.clean, done);
    isSure = to - from < SURE_ENOUGH;
    asked = { models, rehearsing, holes, worst: rehearsed.worst.map((w) => w.job) };
    say({ rehearsed, share: isSure ? 1 : done / most });
    if (done === next) say({ landed: landings(models, rehearsing, drawnOf(models)) });
    await turn();
  }
  say({ blamed: blame(models, rehearsing, Math.round(Math.max(100, jobsOf(HOLES.blamed) / 10))) });
}

let before = Promise.resolve();
self.onmessage = ({ data }: MessageEvent<RehearsalRequest>): void => {
  before = before
    .then(async () => {
      if ('models' in data) return rehearse(data.models, data.rehearsing);
      if (!asked) return;
      const { models, rehearsing, holes, worst } = asked;
      const jobs = Math.max(100, Math.floor(HOLES.proposed / holes));
      say({
        proposals: proposalsFor(models, rehearsing, data.alternatives, jobs),
        saved: savedBy(models, rehearsing, data.alternatives, worst),
      });
    })
    .catch((error: unknown) => say({ fault: error instanceof Error ? error.message : String(error) }));
};
