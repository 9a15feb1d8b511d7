import type { Client } from '@libsql/client';
import { isPasscode, setPasscode } from './access/passcode';
import { setDoor } from './access/session';
import { copyEveryNight, fileOf } from './backup';
import { mendedWords, mendRows, setRecordAside } from './bad-rows';
import { DEFAULT_URL, openDatabase, type Database } from './database';
import { UnusableDatabase } from './database-faults';
import { addSampleLog } from './demo/sample-log';
import { beginSampleRun } from './demo/sample-run';
import { beginEmptyShop, seedSampleShop } from './demo/sample-shop';
import { isLoopback } from './http/hosts';
import { accessRow, isEnded } from './repositories/access-repository';
import { forgetChanges } from './repositories/job-repository';
import { observeRest } from './services/run-service';
import { startMark, type LeftBehind, type StartMark } from './starting';
import { writing } from './writing';

/** So long a browser may keep a change before it sends it again, ms: a quarter of a year. */
const CHANGES_KEPT_MS = 90 * 24 * 3_600_000;

interface Opened {
  db: Database;
  client: Client;
  mark?: StartMark;
}

/** A server that would stand open to the shop's network without a passcode. */
class OpenDoor extends Error {}

/** Sets the passcode that PASSCODE names, and asks for one of those who come from elsewhere. @throws OpenDoor without one */
async function closeDoor(db: Database): Promise<void> {
  const { PASSCODE, HOST = '127.0.0.1', PUBLIC_URL } = process.env;
  // Given again with every start, it is set anew only when it is another: a new one signs everybody out.
  if (PASSCODE && !(await isPasscode(await accessRow(db), PASSCODE))) await setPasscode(db, PASSCODE);
  const { passcodeHash, sessionKey, nameKey } = await accessRow(db);
  const open = !isLoopback(HOST);
  const locked = passcodeHash !== null;
  if ((open || PUBLIC_URL) && !locked)
    throw new OpenDoor(
      `Not started: at ${open ? HOST : PUBLIC_URL} everyone on the network could come in, and there is no passcode. Set one once: PASSCODE='at least eight characters' npm start.`,
    );
  setDoor({
    guarded: open || PUBLIC_URL !== undefined,
    locked,
    key: sessionKey,
    nameKey,
    isEnded: (id) => isEnded(db, id),
  });
}

/** After a server that ended without having said so: mends what it may have ended by. */
async function mendAfter(client: Client, { jobId, after, again }: LeftBehind): Promise<void> {
  const mended = await mendRows(client);
  if (again && jobId !== undefined && after !== undefined) mended.push(...(await setRecordAside(client, jobId, after)));
  for (const one of mended) console.error(mendedWords(one));
}

/** Opens the server's database and, when it is new, fills it with the sample shop; `JOLLY_BIT_SEED=none` begins an empty one, `first-day` the sample shop before it made anything. */
async function start(): Promise<Opened> {
  const url = process.env.DATABASE_URL ?? DEFAULT_URL;
  const { db, client } = await openDatabase(url);
  const file = fileOf(url);
  const mark = file === undefined ? undefined : startMark(file);
  const left = mark?.left();
  if (left) await mendAfter(client, left);
  mark?.at(left ?? {});
  if (process.env.JOLLY_BIT_SEED === 'none') await beginEmptyShop(db);
  else if (await seedSampleShop(db)) {
    await beginSampleRun(db);
    // The shop is open meanwhile: its past fills in within seconds.
    if (process.env.JOLLY_BIT_SEED !== 'first-day') void addSampleLog(db).catch(console.error);
  }
  await writing(db, (tx) => forgetChanges(tx, new Date(Date.now() - CHANGES_KEPT_MS).toISOString()));
  await closeDoor(db);
  await observeRest(db, (at) => mark?.at(at, left), left?.jobId);
  copyEveryNight(client, url);
  return { db, client, mark };
}

const shared = globalThis as { jollyBitDatabase?: Promise<Opened>; jollyBitClose?: () => Promise<void> };

/** Called by scripts/server.mjs before the process ends: all data then stands in the one file. */
shared.jollyBitClose = async () => {
  const open = await shared.jollyBitDatabase?.catch(() => undefined);
  if (!open) return;
  await open.client.execute('PRAGMA wal_checkpoint(TRUNCATE)').catch(() => undefined);
  open.client.close();
  open.mark?.ended();
};

function opened(): Promise<Opened> {
  shared.jollyBitDatabase ??= start().catch((error: unknown) => {
    shared.jollyBitDatabase = undefined;
    throw error;
  });
  return shared.jollyBitDatabase;
}

/** The server's one database: opened at start, or again on the next use where that failed. */
export const database = async (): Promise<Database> => (await opened()).db;

/** The connection of that database, for what goes past its tables. */
export const openClient = async (): Promise<Client> => (await opened()).client;

/** Exit codes of a server that another start alone would not help; scripts/serve.mjs reads them. */
const NOT_STARTABLE = 78;
const NO_PASSCODE = 79;

/** Opens the database, or ends the process with one sentence where it cannot be used. */
export async function startOrEnd(): Promise<void> {
  try {
    await database();
  } catch (error) {
    if (!(error instanceof UnusableDatabase || error instanceof OpenDoor)) throw error;
    console.error(error.message);
    process.exit(error instanceof OpenDoor ? NO_PASSCODE : NOT_STARTABLE);
  }
}
