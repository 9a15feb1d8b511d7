import { biteTurns } from '../tapping/rhythm';
import { typicalLean } from '../tapping/expected-tapping';
import type { HolePlan } from '../hole/hole-plan';
import { HOLDING_SIGMA, TORQUE_SIGMA } from '../rehearsal/rehearse-job';
import { chanceOf, type Chance } from './chance';
import type { TapTask } from './simulated-tap';
import { someHole, type PracticeSource } from './some-hole';

/** Stock below the thread’s end, pitches: room for chips. */
const ROOM_PITCHES = 1;
/** A hole is worth practising where a sharp, straight, oiled tap has so much in hand. */
const LEAST_SAFETY = 1.6;

const normal = ({ even }: Chance): number => Math.sqrt(-2 * Math.log(1 - even())) * Math.cos(2 * Math.PI * even());

/** A hole to tap by hand, and this very tap. */
export interface PracticeHole {
  plan: HolePlan;
  task: TapTask;
}

/**
 * A blind hole of the shop to tap by hand on the screen: the same seed, the same hole and tap.
 * @returns undefined where the shop has none
 */
export function practiceHole(source: PracticeSource, seed: number): PracticeHole | undefined {
  const chance = chanceOf(seed);
  const plan = someHole(source, chance, {
    blind: true,
    machines: ['drill-press', 'hand-drill'],
    form: { tap: 'cut', way: 'hand-free', taps: '' },
    fits: (p) => {
      const worst = p.thread?.tapping.best.worst;
      return (
        worst?.load !== undefined &&
        worst.tap.geometry === 'straight' &&
        !p.thread?.at.through &&
        worst.load.safety > LEAST_SAFETY
      );
    },
  });
  const worst = plan?.thread?.tapping.best.worst;
  if (!plan?.thread || !worst) return undefined;
  const { thread, at } = plan.thread;
  const turns = at.lengthMm / thread.pitchMm + worst.tap.chamferThreads;
  const { mean, sigma } = typicalLean('hand-free');
  const lean = Math.min(2.5, Math.abs(mean + sigma * normal(chance)));
  const way = 2 * Math.PI * chance.even();
  return {
    plan,
    task: {
      conditions: { ...worst.conditions, takes: undefined, measured: undefined },
      turns,
      bottomTurns: turns + ROOM_PITCHES,
      biteTurns: biteTurns(thread, worst.tap, plan.material, 'hand'),
      holds: 1 + HOLDING_SIGMA * Math.abs(normal(chance)),
      harder: Math.exp(TORQUE_SIGMA * normal(chance)),
      startLean: [lean * Math.cos(way), lean * Math.sin(way)],
    },
  };
}
