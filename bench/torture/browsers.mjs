import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { folder, said } from './lib.mjs';

/** A day in one browser, full and forbidden stores, six tabs, gateway, two tablets: in the real interface. */
export async function browsers() {
  const report = path.join(folder, 'interface.json');
  spawnSync('npx', ['playwright', 'test', ...['day', 'holds', 'access'].flatMap((name) => ['--project', name])], {
    stdio: 'ignore',
    env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
  });
  const { suites } = JSON.parse(readFileSync(report, 'utf8'));
  for (const spec of suites.flatMap((s) => s.specs)) said(spec.title, spec.ok);
}
