import { spawnSync } from 'node:child_process';
import { rows } from './lib.mjs';

/** Ten thousand exercises of each kind: each can be asked, and has its best answers. Takes an hour. */
export async function exercises() {
  const seeds = process.env.PRACTICE_SEEDS ?? '10000';
  const { status } = spawnSync('npx', ['jest', 'src/core/practice/exercises', '--testTimeout', '7200000'], {
    stdio: 'inherit',
    env: { ...process.env, PRACTICE_SEEDS: seeds },
  });
  rows.push({ name: 'exercises of every kind', holds: status === 0, figures: { seeds: Number(seeds) } });
}
