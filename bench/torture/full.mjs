import { spawnSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { buildSync } from 'esbuild';
import { folder, PIER, said, send, Server, tick } from './lib.mjs';

/** A file of drawings with so many blank lines is read in about as many steps. */
async function parsers() {
  const outfile = path.join(folder, 'dxf.mjs');
  buildSync({ entryPoints: ['src/core/formats/plate-dxf.ts'], bundle: true, format: 'esm', platform: 'node', outfile });
  const { readPlateDxf } = await import(pathToFileURL(outfile).href);
  const ms = (n) => {
    const text = `0\nSECTION\n2\nENTITIES\n${'\n'.repeat(n)}0\nENDSEC\n0\nEOF\n`;
    const { error, log } = console;
    Object.assign(console, { error: () => undefined, log: () => undefined });
    const start = performance.now();
    readPlateDxf(text, 1);
    const took = performance.now() - start;
    Object.assign(console, { error, log });
    return took;
  };
  ms(20_000);
  const [few, many] = [ms(50_000), ms(800_000)];
  said('a DXF with sixteen times as many blank lines takes about as many times as long', many < 64 * Math.max(few, 2), {
    few,
    many,
  });
}

/** A disk of a few megabytes that is filled to its end; only root can make one. */
async function disk() {
  const at = path.join(folder, 'small-disk');
  mkdirSync(at);
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=6m', 'tmpfs', at]).status === 0;
  if (!mounted) return console.log('not tried: a full disk (needs root)');
  const server = new Server(3971, `file:${at}/full.db`);
  try {
    await server.start();
    for (let i = 0; i < 2000; i++) {
      const note = {
        id: `full-${String(i).padStart(6, '0')}`,
        kind: 'note',
        jobId: PIER,
        body: { part: 1, text: 'x'.repeat(1900) },
      };
      if ((await send(server.base, 'POST', '/api/v1/records', { records: [note] })).status === 507) break;
    }
    // What is left of the disk goes too, so that nothing can be kept while reading.
    spawnSync('dd', ['if=/dev/zero', `of=${at}/rest`, 'bs=4k']);
    await send(server.base, 'POST', '/api/v1/crib/missing', { diameterMm: 12.3 });
    const jobs = await fetch(`${server.base}/jobs`);
    const write = await send(server.base, 'POST', '/api/v1/records', { records: [tick('on-a-full-disk')] });
    said('Jobs opens on a full disk; a record is told that it is full', jobs.ok && write.status === 507, {
      jobs: jobs.status,
      record: write.status,
    });
  } finally {
    await server.kill();
    spawnSync('umount', ['-l', at]);
  }
}

async function addresses() {
  const server = new Server(3972);
  await server.start();
  const odd = await fetch(`${server.base}/api/v1/jobs/${PIER}/routes/abc`);
  const table = await fetch(`${server.base}/jobs/${PIER}/routes/abc/route.csv`);
  said('a route whose number is none is of no route', odd.status === 404 && table.status === 404, {
    odd: odd.status,
    table: table.status,
  });
  await server.kill();
}

export async function full() {
  await parsers();
  await disk();
  await addresses();
}
