import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import type { Client } from '@libsql/client';

/** So many copies of each kind are kept; the oldest goes first. */
const KEPT = 14;

const folderOf = (file: string): string => path.join(path.dirname(path.resolve(file)), 'backups');

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
