import type { Client } from '@libsql/client';
import type { CopyList } from '@/contracts/backup';
import { copiesOf, copyDatabase, fileOf } from '../backup';
import { DEFAULT_URL } from '../database';
import { Refusal } from '../refusal';

function ownFile(): string {
  const file = fileOf(process.env.DATABASE_URL ?? DEFAULT_URL);
  if (file) return file;
  throw new Refusal(422, 'No file', 'The data is in a database elsewhere, not in a file on this server.', [
    { field: 'backup', code: 'no-file', detail: 'There is no file to copy.', remedy: 'Copy it where it is stored.' },
  ]);
}

/** The copies that there are. @throws Refusal 422 where the data is no file here */
export const copiesNow = (): CopyList['copies'] =>
  copiesOf(ownFile()).map(({ name, at }) => ({ name, at: at.toISOString() }));

/** Copies the data as it stands, while others work. @throws Refusal 422 where the data is no file here */
export async function copyNow(client: Client): Promise<void> {
  await copyDatabase(client, ownFile(), 'by-hand');
}
