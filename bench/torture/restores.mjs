import { spawnSync } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { folder, PIER, said, send, Server, tick, wait } from './lib.mjs';

const at = path.join(folder, 'restores');
const FILE = path.join(at, 'shop.db');
const env = { ...process.env, DATABASE_URL: `file:${FILE}` };
const restore = (file, ...more) =>
  spawnSync(process.execPath, ['scripts/data.mjs', 'restore', file, ...more], { env, encoding: 'utf8' });
const copies = () => {
  const backups = path.join(at, 'backups');
  return existsSync(backups) ? readdirSync(backups).map((name) => path.join(backups, name)) : [];
};
const ticksOf = async (server) => {
  const at = `${server.base}/api/v1/jobs/${PIER}/records?kind=layout-tick`;
  // A connection that was kept open may have been closed while a restore had this process's whole time.
  const got = await fetch(at).catch(() => fetch(at));
  return (await got.json()).records.length;
};

/** Copies under load and under kills, and what is brought back of them. */
export async function restores() {
  mkdirSync(at, { recursive: true });
  const server = new Server(3969, `file:${FILE}`);
  await server.start();
  let written = 0;
  let going = true;
  const writers = Promise.all(
    Array.from({ length: 8 }, async (_, w) => {
      for (let i = 0; going; i++) {
        const got = await send(server.base, 'POST', '/api/v1/records', { records: [tick(`restore-${w}-${i}`)] }).catch(
          () => undefined,
        );
        if (got?.ok) written += 1;
        else await wait(30);
      }
    }),
  );
  for (let i = 0; i < 12; i++) {
    void send(server.base, 'POST', '/api/v1/backup', {}).catch(() => undefined);
    await wait(randomInt(120));
    if (i % 2) {
      await server.kill();
      await server.start();
    } else await wait(400);
  }
  // One before the last writes, so that there is an older one however many were killed.
  await send(server.base, 'POST', '/api/v1/backup', {});
  await wait(500);
  going = false;
  await writers;
  const listed = (await (await fetch(`${server.base}/api/v1/backup`)).json()).copies.map((c) => c.name);
  const whole = listed.filter(
    (name) => !/is (no|damaged)|holds no data/.test(restore(path.join(at, 'backups', name)).stderr),
  );
  said(
    'copies made under load, half of them killed: every one that is listed is whole',
    whole.length === listed.length,
    {
      listed: listed.length,
      leftOver: copies().filter((f) => !f.endsWith('.db')).length,
    },
  );
  const before = await ticksOf(server);
  const [oldest] = copies()
    .filter((f) => f.includes('.by-hand.') && f.endsWith('.db'))
    .sort();
  const done = restore(oldest, '--yes');
  const after = await ticksOf(server);
  said('an older copy is brought back while the server runs', done.status === 0 && after < before, {
    before,
    after,
    written,
  });
  const bad = [
    ['empty', Buffer.alloc(0)],
    ['half', readFileSync(oldest).subarray(0, statSync(oldest).size / 2)],
    ['text', Buffer.from('Dear workshop')],
  ];
  for (const [name, bytes] of bad) {
    const file = path.join(at, `${name}.db`);
    writeFileSync(file, bytes);
    const { status, stderr } = restore(file, '--yes');
    said(`a file that is ${name} is refused`, status === 1 && (await ticksOf(server)) === after, {
      stderr: stderr.trim(),
    });
  }
  for (const end of ['', '-wal']) copyFileSync(FILE + end, path.join(at, `by-hand.db${end}`));
  const preview = restore(path.join(at, 'by-hand.db'));
  said(
    'a file with its log of changes is read whole; the running data too',
    preview.stdout.match(/holds 7 jobs/g)?.length === 2,
    {
      said: preview.stdout.trim().split('\n').slice(0, 2).join(' '),
    },
  );
  await server.kill('SIGTERM');
  said(
    'after a normal stop all data stands in the one file',
    !existsSync(`${FILE}-wal`) || statSync(`${FILE}-wal`).size === 0,
    {},
  );
}
