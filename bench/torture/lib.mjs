// What the torture shares: servers that can be killed, jobs of any size, and one table of what holds.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';

export { wait };
export const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-torture-'));
const DB = `file:${folder}/shop.db`;
export const PIER = 'sample-job-pier-adapter-plate';
const JSON_TYPE = { 'content-type': 'application/json' };
const children = new Set();
process.on('exit', () => {
  children.forEach((child) => child.kill('SIGKILL'));
  rmSync(folder, { recursive: true, force: true });
});

/** What was tried, whether it holds, and its figures. */
export const rows = [];
export function said(name, holds, figures = {}) {
  rows.push({ name, holds, figures });
  console.log(`${holds ? 'holds ' : 'BROKEN'} ${name} ${JSON.stringify(figures)}`);
}

export class Server {
  constructor(port, url = DB, env = {}) {
    this.url = url;
    this.base = `http://127.0.0.1:${port}`;
    this.start = async (awaited = true) => {
      this.child = spawn(process.execPath, ['scripts/server.mjs', '127.0.0.1', String(port)], {
        stdio: 'ignore',
        env: { ...process.env, DATABASE_URL: url, JOLLY_BIT_SEED: 'first-day', ...env },
      });
      children.add(this.child);
      if (awaited) await this.up();
    };
  }
  async up() {
    for (let i = 0; i < 300; i++) {
      if (
        await fetch(`${this.base}/api/v1/materials`).then(
          (r) => r.ok,
          () => false,
        )
      )
        return;
      await wait(100);
    }
    throw new Error('The server did not come up.');
  }
  kill(signal = 'SIGKILL') {
    return new Promise((resolve) => {
      this.child.once('exit', resolve);
      this.child.kill(signal);
    });
  }
}
export const send = (base, method, at, body, headers = JSON_TYPE) =>
  fetch(base + at, { method, headers, body: body === undefined ? undefined : JSON.stringify(body) });
export const tick = (id, jobId = PIER) => ({
  id,
  kind: 'layout-tick',
  jobId,
  body: { line: `top x ${id}`, ticked: true },
});
export const percentile = (times, share) => [...times].sort((a, b) => a - b)[Math.floor(times.length * share)];

export const feature = (id, place, callout = 'ø1 THRU') => ({
  id,
  name: '',
  face: 'top',
  place,
  question: {
    callout,
    material: 'steel-low-carbon',
    hole: 'auto',
    depth: '',
    thickness: '',
    width: '',
    existing: '',
    drills: 'crib',
    drill: '',
    tap: 'auto',
    percent: 'auto',
    machine: 'bench-drill-press',
    start: 'auto',
    dry: false,
    bolt: '',
    parts: '1',
    units: 'mm',
  },
});
export const grid = (columns, rows, pitch) => ({ kind: 'grid', x: 1, y: 1, columns, rows, dx: pitch, dy: pitch });
export const plate = (width, height) => ({
  stock: { shape: 'plate', widthMm: width, heightMm: height, thicknessMm: 8 },
  condition: '',
  datums: {},
});
