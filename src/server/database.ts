import { chmodSync, existsSync, mkdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { copyDatabase, fileOf } from './backup';
import { mendedWords, mendRows } from './bad-rows';
import { UnusableDatabase, unusable } from './database-faults';
import { soundClient } from './sound-text';
import * as schema from './schema';

export type Database = LibSQLDatabase<typeof schema>;
export const DEFAULT_URL = 'file:data/jolly-bit.db';

/** How long a connection waits for another writer, ms. */
const BUSY_MS = 5000;
/** Only whoever runs the server reads it; what SQLite lays beside it has the same mode. */
const OWN_ONLY = 0o600;
const MIGRATIONS = path.join(process.cwd(), 'drizzle');

/** When each migration that this program knows was made, ms since 1970, in their order. */
function knownMigrations(): number[] {
  const journal: unknown = JSON.parse(readFileSync(path.join(MIGRATIONS, 'meta/_journal.json'), 'utf8'));
  return (journal as { entries: { when: number }[] }).entries.map((entry) => entry.when);
}

/** When the newest migration of a database was made; undefined in a new one. */
async function newestMigration(client: Client): Promise<number | undefined> {
  const tables = await client.execute("SELECT name FROM sqlite_schema WHERE type = 'table'");
  if (tables.rows.length === 0) return undefined;
  if (!tables.rows.some((row) => row.name === '__drizzle_migrations'))
    throw new UnusableDatabase('is a database of another program', 'Set DATABASE_URL to another file.');
  const { rows } = await client.execute('SELECT max(created_at) AS newest FROM __drizzle_migrations');
  return Number(rows[0].newest);
}

/** Sees that a file is whole, ours, and not from a newer program, and copies it before it is changed. */
async function prepare(client: Client, file: string): Promise<void> {
  await client.execute('PRAGMA journal_mode = WAL');
  const { rows } = await client.execute('PRAGMA quick_check(1)');
  if (rows[0].quick_check !== 'ok')
    throw new UnusableDatabase('is damaged', 'Move it away and restore a copy from its backups folder.');
  const newest = await newestMigration(client);
  const known = knownMigrations();
  const last = known[known.length - 1];
  if (newest !== undefined && newest > last)
    throw new UnusableDatabase(
      'was written by a newer Jolly Bit',
      'Start the newer version, or set DATABASE_URL to another file.',
    );
  if (newest !== undefined && newest < last) await copyDatabase(client, file, 'before-update');
  await client.batch(['CREATE TABLE IF NOT EXISTS write_probe (id INTEGER)', 'DROP TABLE write_probe'], 'write');
}

/** Of a file that was looked through for texts that cannot be read, since when none gets in. */
const LOOKED_THROUGH = 1;

/** Mends what older programs let in, once. */
async function mendOnce(client: Client): Promise<void> {
  const { rows } = await client.execute('PRAGMA user_version');
  if (Number(rows[0].user_version) >= LOOKED_THROUGH) return;
  for (const one of await mendRows(client)) console.error(mendedWords(one));
  await client.execute(`PRAGMA user_version = ${LOOKED_THROUGH}`);
}

/**
 * Opens a database and brings it to the newest migration; a file is copied first when that changes it.
 * @param url libSQL address; `file:` makes the folder when it is missing
 * @throws UnusableDatabase in one sentence with what to do: no database, damaged, of another program, newer, read-only, full
 */
export async function openDatabase(url: string): Promise<{ db: Database; client: Client }> {
  const file = fileOf(url);
  try {
    if (file) mkdirSync(path.dirname(path.resolve(file)), { recursive: true });
    const client = createClient({ url, timeout: BUSY_MS });
    try {
      if (file) await prepare(client, file);
      if (file) chmodSync(file, OWN_ONLY);
      const sound = soundClient(client);
      const db = drizzle(sound, { schema });
      await migrate(db, { migrationsFolder: MIGRATIONS });
      if (file) await mendOnce(sound);
      return { db, client: sound };
    } catch (error) {
      client.close();
      throw error;
    }
  } catch (error) {
    throw unusable(error, file ? path.resolve(file) : url, file !== undefined && existsSync(file));
  }
}
