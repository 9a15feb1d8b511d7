import { randomUUID } from 'node:crypto';
import { builtOnce } from '../built-once';
import type { Database } from '../database';
import { dataMark } from '../schema';
import { writing } from '../writing';

const ROW = 'data';
const marking = builtOnce((db) => db.select().from(dataMark).prepare());

/** Which data this is; it gets a mark of its own where it has none. */
export async function findDataMark(db: Database): Promise<string> {
  const [row] = await marking(db).all();
  if (row) return row.mark;
  await writing(db, async (tx) => {
    await tx.insert(dataMark).values({ id: ROW, mark: randomUUID() }).onConflictDoNothing();
  });
  return findDataMark(db);
}
