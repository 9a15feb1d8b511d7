import { DEFAULT_URL, openDatabase, type Database } from './database';
import { UnusableDatabase } from './database-faults';
import { seedSampleShop } from './demo/sample-shop';

/** Opens the server's database and, when it is new, fills it with the sample shop; `JOLLY_BIT_SEED=none` leaves it empty. */
async function start(): Promise<Database> {
  const { db } = await openDatabase(process.env.DATABASE_URL ?? DEFAULT_URL);
  if (process.env.JOLLY_BIT_SEED !== 'none') await seedSampleShop(db);
  return db;
}

const shared = globalThis as { jollyBitDatabase?: Promise<Database> };

/** The server's one database: opened at start, or again on the next use where that failed. */
export function database(): Promise<Database> {
  shared.jollyBitDatabase ??= start().catch((error: unknown) => {
    shared.jollyBitDatabase = undefined;
    throw error;
  });
  return shared.jollyBitDatabase;
}

/** Exit code of a server that another start would not help; scripts/serve.mjs reads it. */
const NOT_STARTABLE = 78;

/** Opens the database, or ends the process with one sentence where it cannot be used. */
export async function startOrEnd(): Promise<void> {
  try {
    await database();
  } catch (error) {
    if (!(error instanceof UnusableDatabase)) throw error;
    console.error(error.message);
    process.exit(NOT_STARTABLE);
  }
}
