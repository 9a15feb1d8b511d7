import { randomUUID } from 'node:crypto';
import { copyFileSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { copyDatabase, DOOR_TABLES } from './backup';
import { openDatabase } from './database';
import { UnusableDatabase, unusable } from './database-faults';

/** What a database holds, to know one copy from another. */
export interface Contents {
  jobs: number;
  machines: number;
  drills: number;
  /** When a job was changed last, ISO 8601; undefined without jobs. */
  changedAt?: string;
}

async function contentsOf(client: Client): Promise<Contents> {
  const { rows } = await client.execute(
    'SELECT (SELECT count(*) FROM jobs WHERE deleted_at IS NULL) AS jobs, (SELECT count(*) FROM machines) AS machines, (SELECT count(*) FROM drills) AS drills, (SELECT max(updated_at) FROM jobs) AS changed',
  );
  const [{ jobs, machines, drills, changed }] = rows;
  return {
    jobs: Number(jobs),
    machines: Number(machines),
    drills: Number(drills),
    changedAt: typeof changed === 'string' ? changed : undefined,
  };
}

/** Counts changes of the crib: it goes on from where it stands. */
const REVISION = '"crib_revision"';
/** What is worked out anew from the rest. */
const DERIVED = ['"job_summaries"', '"job_progress"'];
/** The door stays locked as it is. */
const DOOR = DOOR_TABLES.map((name) => `"${name}"`);
/** Which data it is: another from now on. */
const MARK = '"data_mark"';

/** Whether a file holds data of ours at all. @throws for one that is no database */
async function isOurs(file: string): Promise<boolean> {
  const client = createClient({ url: `file:${file}` });
  try {
    const { rows } = await client.execute("SELECT 1 FROM sqlite_schema WHERE name = '__drizzle_migrations'");
    return rows.length > 0 && (await client.execute('SELECT 1 FROM __drizzle_migrations LIMIT 1')).rows.length > 0;
  } finally {
    client.close();
  }
}

/** A copy of a file, with what of it still stands in its log of changes. */
function copyWithLog(file: string, copy: string): void {
  copyFileSync(file, copy);
  if (existsSync(`${file}-wal`)) copyFileSync(`${file}-wal`, `${copy}-wal`);
}

/** A copy of data that somebody may be writing. */
async function copyInUse(file: string, copy: string): Promise<void> {
  const client = createClient({ url: `file:${file}`, timeout: 10_000 });
  try {
    await client.execute({ sql: 'VACUUM INTO ?', args: [copy] });
  } finally {
    client.close();
  }
}

/** Works on a copy of a file, brought to the newest state; the file itself stays as it is. */
async function withCopy<T>(
  file: string,
  inUse: boolean,
  work: (copy: string, client: Client) => Promise<T>,
): Promise<T> {
  if (!existsSync(file)) throw new UnusableDatabase(`${file} is not there`, 'Name a file from the backups folder.');
  const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-restore-'));
  try {
    const copy = path.join(folder, path.basename(file));
    await (inUse ? copyInUse(file, copy) : copyWithLog(file, copy));
    const ours = await isOurs(copy).catch((error: unknown) => {
      throw unusable(error, file, true);
    });
    if (!ours)
      throw new UnusableDatabase(`${file} holds no data of Jolly Bit`, 'Name another file from the backups folder.');
    const { client } = await openDatabase(`file:${copy}`).catch((error: Error) => {
      throw new Error(error.message.replace(copy, file));
    });
    try {
      return await work(copy, client);
    } finally {
      client.close();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** What a copy holds. @throws UnusableDatabase for a file that is empty, broken, foreign or newer */
export const inspectCopy = (file: string): Promise<Contents> =>
  withCopy(file, false, (_, client) => contentsOf(client));

/** What the data holds, while others may be writing it; undefined where there is none yet. */
export const inspectData = async (file: string): Promise<Contents | undefined> =>
  existsSync(file) ? withCopy(file, true, (_, client) => contentsOf(client)) : undefined;

/**
 * Puts what a copy holds in the place of everything in a database, in one transaction, so that a running server goes on
 * with it. The database is copied first.
 * @returns where that copy lies
 * @throws UnusableDatabase for a file that is empty, broken, foreign or newer; nothing is changed then
 */
export const restoreCopy = (file: string, into: string): Promise<string> =>
  withCopy(file, false, async (copy, given) => {
    if (path.resolve(file) === path.resolve(into))
      throw new UnusableDatabase(`${file} is the data itself`, 'Name a file from the backups folder.');
    await given.execute('PRAGMA wal_checkpoint(TRUNCATE)');
    const { client: current } = await openDatabase(`file:${into}`);
    current.close();
    // One connection, as an attached file belongs to the connection that attached it.
    const client = createClient({ url: `file:${into}`, timeout: 10_000, concurrency: 1 });
    try {
      const kept = await copyDatabase(client, into, 'before-restore');
      await client.execute({ sql: 'ATTACH DATABASE ? AS given', args: [copy] });
      const { rows } = await client.execute(
        // The words of records fill in with the records themselves.
        "SELECT name FROM main.sqlite_schema WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE '__drizzle%' AND name NOT LIKE 'record_words%'",
      );
      const tables = rows.map((row) => `"${String(row.name)}"`);
      const tx = await client.transaction('write');
      try {
        await tx.execute('PRAGMA defer_foreign_keys = ON');
        const given = tables.filter((t) => ![REVISION, MARK, ...DOOR].includes(t));
        for (const table of given) await tx.execute(`DELETE FROM main.${table}`);
        await tx.execute("INSERT INTO main.record_words (record_words) VALUES ('delete-all')");
        for (const table of given.filter((t) => !DERIVED.includes(t))) {
          const info = await tx.execute(`PRAGMA main.table_info(${table})`);
          const columns = info.rows.map((column) => `"${String(column.name)}"`).join(', ');
          await tx.execute(`INSERT INTO main.${table} (${columns}) SELECT ${columns} FROM given.${table}`);
        }
        await tx.execute(`DELETE FROM main.${MARK}`);
        await tx.execute({ sql: `INSERT INTO main.${MARK} (id, mark) VALUES ('data', ?)`, args: [randomUUID()] });
        await tx.commit();
      } finally {
        tx.close();
      }
      return kept;
    } finally {
      client.close();
    }
  });
