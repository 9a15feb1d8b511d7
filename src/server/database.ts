import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import * as schema from './schema';

export type Database = LibSQLDatabase<typeof schema>;
export const DEFAULT_URL = 'file:data/jolly-bit.db';

/**
 * Opens a database and brings it to the newest migration.
 * @param url libSQL address; `file:` makes the folder when it is missing
 */
export async function openDatabase(url: string): Promise<{ db: Database; client: Client }> {
  const file = /^file:(?!:memory:)([^?]+)/.exec(url)?.[1];
  if (file) mkdirSync(path.dirname(path.resolve(file)), { recursive: true });
  const client = createClient({ url });
  if (file) await client.execute('PRAGMA journal_mode = WAL');
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: path.join(process.cwd(), 'drizzle') });
  return { db, client };
}
