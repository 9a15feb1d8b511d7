import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { seedSampleShop } from './demo/sample-shop';
import * as schema from './schema';

export type Database = LibSQLDatabase<typeof schema>;
export const DEFAULT_URL = 'file:data/jolly-bit.db';

/**
 * Opens a database, brings it to the newest migration and, when it is new, fills it with the sample shop.
 * @param url libSQL address; `file:` makes the folder when it is missing
 * @param seed false leaves a new database empty
 */
export async function openDatabase(url: string, seed = true): Promise<{ db: Database; client: Client }> {
  const file = /^file:(?!:memory:)([^?]+)/.exec(url)?.[1];
  if (file) mkdirSync(path.dirname(path.resolve(file)), { recursive: true });
  const client = createClient({ url });
  if (file) await client.execute('PRAGMA journal_mode = WAL');
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: path.join(process.cwd(), 'drizzle') });
  if (seed) await seedSampleShop(db);
  return { db, client };
}

const shared = globalThis as { jollyBitDatabase?: Promise<{ db: Database }> };

/** The server's one database, opened on first use. `DATABASE_URL` and `JOLLY_BIT_SEED=none` steer it. */
export async function database(): Promise<Database> {
  shared.jollyBitDatabase ??= openDatabase(
    process.env.DATABASE_URL ?? DEFAULT_URL,
    process.env.JOLLY_BIT_SEED !== 'none',
  ).catch((error: unknown) => {
    shared.jollyBitDatabase = undefined;
    throw error;
  });
  return (await shared.jollyBitDatabase).db;
}
