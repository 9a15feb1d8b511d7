import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import type { Client } from '@libsql/client';

/** So many copies of each kind are kept; the oldest goes first. */
const KEPT = 14;

const folderOf = (file: string): string => path.join(path.dirname(path.resolve(file)), 'backups');

const NIGHT = 'night';
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** Copies that there are of a database, newest first. */
export function copiesOf(file: string): { name: string; at: Date }[] {
  const folder = folderOf(file);
  if (!existsSync(folder)) return [];
  const stem = `${path.basename(file, path.extname(file))}.`;
  return readdirSync(folder)
    .filter((name) => name.startsWith(stem) && name.endsWith('.db'))
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

/**
 * Copies a database as it stands into the backups folder beside it, safe while others write.
 * @param kind why: part of the file's name, and copies are counted by it
 * @returns the copy's path
 */
export async function copyDatabase(client: Client, file: string, kind: string, now = new Date()): Promise<string> {
  const folder = folderOf(file);
  mkdirSync(folder, { recursive: true });
  const base = path.basename(file, path.extname(file));
  const stem = `${base}.${kind}.`;
  const copy = path.join(folder, `${stem}${now.toISOString().replace(/[:.]/g, '-')}.db`);
  await client.execute({ sql: 'VACUUM INTO ?', args: [copy] });
  const copies = readdirSync(folder)
    .filter((name) => name.startsWith(stem))
    .sort();
  for (const old of copies.slice(0, Math.max(0, copies.length - KEPT))) rmSync(path.join(folder, old));
  return copy;
}
