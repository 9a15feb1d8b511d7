import {
  chmodSync,
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import path from 'node:path';
import { createClient, type Client } from '@libsql/client';

/** So many copies of each kind are kept; the oldest goes first. */
const KEPT = 14;
/** And so much of each kind, bytes; of a large database at least the newest two. */
const KEPT_BYTES = 500 * 1024 * 1024;
const LEAST_KEPT = 2;

const folderOf = (file: string): string => path.join(path.dirname(path.resolve(file)), 'backups');

const NIGHT = 'night';
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** What lets somebody in: it stays with the data that it is of, and is in no copy. */
export const DOOR_TABLES = ['access', 'ended_sessions', 'sign_in_attempts'];

const HEADER_BYTES = 100;

/** Whether a file is a database from its first page to its last, by what its head says of it. */
function isWhole(file: string): boolean {
  const head = Buffer.alloc(HEADER_BYTES);
  const opened = openSync(file, 'r');
  try {
    if (readSync(opened, head, 0, HEADER_BYTES, 0) < HEADER_BYTES) return false;
  } finally {
    closeSync(opened);
  }
  const pageBytes = head.readUInt16BE(16) === 1 ? 65_536 : head.readUInt16BE(16);
  return (
    head.toString('latin1', 0, 16) === 'SQLite format 3\0' && head.readUInt32BE(28) * pageBytes === statSync(file).size
  );
}

/** Copies that there are of a database, newest first; one that is not whole is none. */
export function copiesOf(file: string): { name: string; at: Date }[] {
  const folder = folderOf(file);
  if (!existsSync(folder)) return [];
  const stem = `${path.basename(file, path.extname(file))}.`;
  return readdirSync(folder)
    .filter((name) => name.startsWith(stem) && name.endsWith('.db') && isWhole(path.join(folder, name)))
    .map((name) => ({ name, at: statSync(path.join(folder, name)).mtime }))
    .sort((a, b) => b.at.getTime() - a.at.getTime());
}

/** The file of a database address; undefined for one that is no file here. */
export const fileOf = (url: string): string | undefined => /^file:(?!:memory:)([^?]+)/.exec(url)?.[1];

/** Copies a database once a day while the server runs, the first time when the last copy is a day old. */
export function copyEveryNight(client: Client, url: string): void {
  const file = fileOf(url);
  if (!file) return;
  const copy = async (): Promise<void> => {
    const last = copiesOf(file).find(({ name }) => name.includes(`.${NIGHT}.`));
    if (last && Date.now() - last.at.getTime() < DAY_MS) return;
    try {
      await copyDatabase(client, file, NIGHT);
    } catch (error) {
      console.error(`The nightly copy failed: ${(error as Error).message}`);
    }
  };
  setTimeout(() => void copy(), 60_000).unref();
  setInterval(() => void copy(), HOUR_MS).unref();
}

/** Takes what lets somebody in out of a copy, sees that the rest is whole, and that it is on the disk. */
async function finish(copy: string): Promise<void> {
  const client = createClient({ url: `file:${copy}` });
  try {
    await client.execute('PRAGMA journal_mode = DELETE');
    await client.execute('PRAGMA secure_delete = ON');
    const { rows } = await client.execute("SELECT name FROM sqlite_schema WHERE type = 'table'");
    for (const { name } of rows)
      if (DOOR_TABLES.includes(String(name))) await client.execute(`DELETE FROM "${String(name)}"`);
    const check = await client.execute('PRAGMA quick_check(1)');
    if (check.rows[0].quick_check !== 'ok') throw new Error('the copy is not whole');
  } finally {
    client.close();
  }
  const opened = openSync(copy, 'r+');
  fsyncSync(opened);
  closeSync(opened);
}

/** So old a copy that is not finished is none that is being made, ms. */
const BROKEN_OFF_MS = HOUR_MS;

/** Takes away what copies left that broke off, as when the power failed. */
function forgetBrokenOff(folder: string): void {
  for (const name of readdirSync(folder)) {
    const file = path.join(folder, name);
    if (name.endsWith('.part') && Date.now() - statSync(file).mtimeMs > BROKEN_OFF_MS) rmSync(file, { force: true });
  }
}

/**
 * Copies a database as it stands into the backups folder beside it, safe while others write. It is written aside, checked and
 * then named, so that one that breaks off is never taken for a copy; what lets somebody in is not part of it.
 * @param kind why: part of the file's name, and copies are counted by it
 * @param mostBytes that copies of a kind take; the oldest go
 * @returns the copy's path
 */
export async function copyDatabase(
  client: Client,
  file: string,
  kind: string,
  now = new Date(),
  mostBytes = KEPT_BYTES,
): Promise<string> {
  const folder = folderOf(file);
  mkdirSync(folder, { recursive: true });
  const base = path.basename(file, path.extname(file));
  const stem = `${base}.${kind}.`;
  const copy = path.join(folder, `${stem}${now.toISOString().replace(/[:.]/g, '-')}.db`);
  const part = `${copy}.part`;
  forgetBrokenOff(folder);
  try {
    await client.execute({ sql: 'VACUUM INTO ?', args: [part] });
    await finish(part);
    chmodSync(part, 0o600);
    renameSync(part, copy);
  } finally {
    rmSync(part, { force: true });
  }
  let bytes = 0;
  const newestFirst = readdirSync(folder)
    .filter((name) => name.startsWith(stem) && name.endsWith('.db'))
    .sort()
    .reverse();
  newestFirst.forEach((name, i) => {
    const one = path.join(folder, name);
    bytes += statSync(one).size;
    if (i >= KEPT || (i >= LEAST_KEPT && bytes > mostBytes)) rmSync(one);
  });
  return copy;
}
