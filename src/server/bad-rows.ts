import type { Client, Row } from '@libsql/client';
import { getTableColumns, is } from 'drizzle-orm';
import { getTableConfig, SQLiteTable } from 'drizzle-orm/sqlite-core';
import * as schema from './schema';
import { soundText } from './sound-text';

/** A text of a row that could not be read, and what was done about it. */
export interface Mended {
  table: string;
  row: string;
  column: string;
  done: 'repaired' | 'emptied' | 'set aside';
}

const quoted = (name: string): string => `"${name}"`;
/** Half a pair as its three bytes, as an escape of JSON, or a NUL; told without decoding anything. */
const suspect = (column: string): string =>
  `typeof(${column}) = 'text' and (instr(${column}, '\\ud') > 0 or instr(${column}, '\\uD') > 0 or instr(${column}, '\\u0000') > 0 or hex(${column}) glob '*ED[AB]*' or instr(cast(${column} as blob), x'00') > 0)`;

/** What bytes say, half a pair as one U+FFFD. */
const wholeText = (bytes: Buffer): string =>
  Buffer.from(bytes.toString('latin1').replace(/\xed[\xa0-\xbf][\x80-\xbf]/g, '\xef\xbf\xbd'), 'latin1').toString(
    'utf8',
  );

const tables = (Object.values(schema) as unknown[]).filter((one): one is SQLiteTable => is(one, SQLiteTable));

/** Keeps what stood there, so that nothing is lost by mending it. */
const KEEP = 'insert into bad_rows (table_name, row_name, column_name, was, done) values (?, ?, ?, ?, ?)';

/**
 * Mends what would end the process when it is read, and sets aside what cannot be read at all; what stood there is kept in
 * `bad_rows`. Nothing is decoded that may not be: rows are looked at as bytes.
 */
export async function mendRows(client: Client): Promise<Mended[]> {
  const mended: Mended[] = [];
  const keep = async (what: Mended, was: unknown): Promise<void> => {
    mended.push(what);
    await client.execute({ sql: KEEP, args: [what.table, what.row, what.column, String(was), what.done] });
  };
  for (const table of tables) {
    const { name: tableName } = getTableConfig(table);
    const all = Object.values(getTableColumns(table));
    const hasId = all.some((c) => c.name === 'id');
    const id = hasId ? 'hex(id)' : 'rowid';
    const called = ({ name, at }: Row): string =>
      hasId ? Buffer.from(String(name), 'hex').toString('utf8') : String(at);
    for (const { name, dataType, notNull, hasDefault } of all.filter((c) => c.getSQLType() === 'text')) {
      const column = quoted(name);
      const from = `from ${quoted(tableName)} where`;
      const { rows } = await client.execute(
        `select rowid as at, ${id} as name, hex(${column}) as was ${from} ${suspect(column)}`,
      );
      for (const row of rows) {
        const bytes = Buffer.from(String(row.was), 'hex');
        const text = soundText(wholeText(bytes));
        if (Buffer.from(text).equals(bytes)) continue;
        await client.execute({
          sql: `update ${quoted(tableName)} set ${column} = ? where rowid = ?`,
          args: [text, row.at],
        });
        await keep({ table: tableName, row: called(row), column: name, done: 'repaired' }, row.was);
      }
      if (dataType !== 'json') continue;
      const unread = await client.execute(
        `select rowid as at, ${id} as name, hex(${column}) as was ${from} ${column} is not null and not json_valid(${column})`,
      );
      for (const row of unread.rows) {
        const fallback = !notNull ? 'null' : hasDefault ? `'{}'` : undefined;
        await client.execute({
          sql: fallback
            ? `update ${quoted(tableName)} set ${column} = ${fallback} where rowid = ?`
            : `delete from ${quoted(tableName)} where rowid = ?`,
          args: [row.at],
        });
        await keep(
          { table: tableName, row: called(row), column: name, done: fallback ? 'emptied' : 'set aside' },
          row.was,
        );
      }
    }
  }
  return mended;
}

/** Takes a record out of the log that ended the server whenever it was counted, and keeps it with its bytes. */
export async function setRecordAside(client: Client, jobId: string, after: number): Promise<Mended[]> {
  const { rows } = await client.execute({
    sql: 'select rowid as at, hex(id) as name, hex(kind) || 0 || hex(body) as was from records where job_id = ? and arrival > ? order by arrival limit 1',
    args: [jobId, after],
  });
  const [row] = rows;
  if (!row) return [];
  const mended: Mended = {
    table: 'records',
    row: Buffer.from(String(row.name), 'hex').toString('utf8'),
    column: 'body',
    done: 'set aside',
  };
  await client.batch(
    [
      { sql: KEEP, args: [mended.table, mended.row, mended.column, String(row.was), mended.done] },
      { sql: 'delete from records where rowid = ?', args: [row.at] },
    ],
    'write',
  );
  return [mended];
}

/** One line for whoever reads what the server prints. */
export const mendedWords = ({ table, row, column, done }: Mended): string =>
  `${table} ${row}: its ${column} could not be read and was ${done}; what stood there is kept in bad_rows.`;
