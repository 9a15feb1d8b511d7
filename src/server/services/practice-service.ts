import type { Assignment, PractisedInput } from '@/contracts/practice';
import type { Database } from '../database';
import { findJob } from '../repositories/job-repository';
import {
  appendPractised,
  listAssignments,
  putAssignment,
  removeAssignment,
  removePractised,
} from '../repositories/practice-repository';
import { writing } from '../writing';
import { missingJob } from './change-job';

/**
 * Takes in what was practised: the same one sent again counts once.
 * @param session name of who is signed in: what they do is theirs; undefined where nobody has to
 */
export async function takePractised(
  db: Database,
  sent: readonly PractisedInput[],
  session?: string,
): Promise<{ taken: string[]; known: string[] }> {
  const rows = session === undefined ? sent : sent.map((r) => ({ ...r, who: session }));
  const there = await writing(db, (tx) => appendPractised(tx, rows));
  const ids = rows.map((r) => r.id);
  return { taken: ids.filter((id) => !there.has(id)), known: ids.filter((id) => there.has(id)) };
}

/** Takes a name away with all that was done under it, and out of what was set for it. */
export async function forgetName(db: Database, who: string): Promise<void> {
  const set = await listAssignments(db);
  await writing(db, async (tx) => {
    await removePractised(tx, who);
    for (const one of set) {
      if (!one.names.includes(who)) continue;
      const names = one.names.filter((n) => n !== who);
      // What was set for nobody else is not set for everybody now.
      await (names.length > 0 ? putAssignment(tx, { ...one, names }) : removeAssignment(tx, one.id));
    }
  });
}

/** Sets exercises for a class. @throws Refusal where the job that they are about is not there */
export async function setAssignment(db: Database, one: Assignment): Promise<void> {
  if (one.jobId !== undefined && !(await findJob(db, one.jobId))) throw missingJob();
  await writing(db, (tx) => putAssignment(tx, one));
}
export const dropAssignment = (db: Database, id: string): Promise<void> =>
  writing(db, (tx) => removeAssignment(tx, id));
