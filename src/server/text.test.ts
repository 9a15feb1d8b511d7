import { createClient } from '@libsql/client';
import { z } from 'zod';
import { day, rowId } from '@/contracts/text';
import { cleaned, repaired } from '@/core/answer/sound-text';
import { readPlacedCallout } from '@/core/layout/placed-callout';
import { readInstrumentLine } from '@/core/gauging/instrument-line';
import { levelWords } from '@/core/learning/learned-words';
import { mendRows, setRecordAside } from './bad-rows';
import { openDatabase } from './database';
import { checked } from './http/respond';
import { openApiDocument } from './http/openapi';
import { soundText } from './sound-text';
import { startMark } from './starting';
import { logQuery } from '@/contracts/log';
import { wholeLog } from './services/log-service';
import { takeRecords } from './services/record-service';
import { listRecords } from './repositories/record-repository';
import { shopDatabase } from './tests/shop-database';

const { at, refusal } = shopDatabase();
const PIER = 'sample-job-pier-adapter-plate';
const note = (over: object) => ({
  id: 'text-note-1',
  kind: 'note',
  jobId: PIER,
  body: { part: 1, text: 'x' },
  ...over,
});

test('text is repaired where it can be and refused where it cannot, wherever it stands', async () => {
  expect([repaired('A\ud83d'), repaired('e\u0301'), cleaned('a\0b\u001bc\td\n')]).toEqual([
    'A\ufffd',
    '\u00e9',
    'abc\td\n',
  ]);
  expect(checked(z.unknown(), { a: ['x\udc00'], 'k\ud800': 'é' })).toEqual({ a: ['x\ufffd'], 'k\ufffd': 'é' });
  const { status, errors } = await refusal(() => checked(z.unknown(), { a: ['ok', 'b\u0000'] }));
  expect([status, errors[0].field, errors[0].code]).toEqual([422, 'a.1', 'control-character']);
  expect((await refusal(() => checked(z.unknown(), JSON.parse('{"__proto__":1}')))).errors[0].code).toBe('no-name');
  const nested = JSON.parse(`${'['.repeat(5000)}${']'.repeat(5000)}`);
  expect((await refusal(() => checked(z.unknown(), { a: nested }))).errors[0].code).toBe('nested');
  expect([day, rowId].map((s) => s.safeParse('constructor').success)).toEqual([false, false]);
  expect(['0001-01-01', '9999-12-31', '2026-02-30', '2026-12-24'].map((d) => day.safeParse(d).success)).toEqual([
    false,
    false,
    false,
    true,
  ]);
});

test('every text that is sent in has an end', () => {
  const { components } = openApiDocument();
  const open: string[] = [];
  const look = (name: string, s: unknown): void => {
    if (typeof s !== 'object' || s === null) return;
    const one = s as Record<string, unknown>;
    if (one.type === 'string' && !['maxLength', 'enum', 'const', 'format', 'pattern'].some((k) => k in one))
      open.push(name);
    for (const [key, inner] of Object.entries(one)) look(`${name}.${key}`, inner);
  };
  for (const [name, s] of Object.entries(components.schemas))
    if (
      /^(?!SignedIn).*(Request|Input|Change|Patch|Batch|Line|Item|Import|Drill|File|In|Assignment|Replacement)$/.test(
        name,
      )
    )
      look(name, s);
  expect(open).toEqual([]);
});

test('half an emoji, raw or as an escape, goes in and can be read again; so can all that was typed', async () => {
  expect(soundText('{"w":"A\\ud83d","x":"\\ud83d\\ude00","y":"\\\\ud83d","z":"\\u0000"}')).toBe(
    '{"w":"A\\ufffd","x":"\\ud83d\\ude00","y":"\\\\ud83d","z":"\\ufffd"}',
  );
  const sent = [
    note({ who: 'A\ud83d', device: 'tablet\udc00' }),
    note({ id: 'text-note-2', body: { part: 1, text: '\ud83d\ude00 \\ud83d' } }),
  ];
  await takeRecords(at.db, { records: sent as never });
  const [second, first] = await listRecords(at.db, PIER, 'note');
  expect([first.who, first.device, second.body]).toEqual([
    'A\ufffd',
    'tablet\ufffd',
    { part: 1, text: '\ud83d\ude00 \\ud83d' },
  ]);
  await at.client.execute({
    sql: "insert into bad_rows (table_name, row_name, column_name, was, done) values ('t', ?, 'c', '', '')",
    args: ['n\0m'],
  });
  expect((await at.client.execute("select row_name as n from bad_rows where table_name = 't'")).rows[0].n).toBe(
    'n\ufffdm',
  );
});

test('rows that older programs let in are mended, named and kept; what cannot be read is taken out', async () => {
  const file = `${at.folder}/shop.db`;
  await takeRecords(at.db, { records: [note({}), note({ id: 'text-note-2' })] as never });
  const raw = createClient({ url: `file:${file}` });
  await raw.batch([
    "update records set who = cast(x'41eda0bd' as text) where id = 'text-note-1'",
    `update job_features set question = json_set(question, '$.callout', 'M8') where job_id = '${PIER}'`,
    `update job_features set question = replace(question, '"M8"', '"M8\\ud83d"') where rowid = (select min(rowid) from job_features where job_id = '${PIER}')`,
    "update records set body = '{' where id = 'text-note-2'",
    'pragma user_version = 0',
  ]);
  raw.close();
  const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const again = await openDatabase(`file:${file}`);
  expect(said.mock.calls.map(([line]) => String(line).split(':')[0])).toEqual([
    expect.stringMatching(/^job_features /),
    'records text-note-2',
    'records text-note-1',
  ]);
  said.mockRestore();
  expect((await listRecords(again.db, PIER, 'note')).map((r) => [r.id, r.who])).toEqual([['text-note-1', 'A\ufffd']]);
  expect((await again.client.execute('select was, done from bad_rows order by id')).rows.map((r) => r.done)).toEqual([
    'repaired',
    'set aside',
    'repaired',
  ]);
  expect((await again.client.execute("select was from bad_rows where row_name = 'text-note-1'")).rows[0].was).toBe(
    '41EDA0BD',
  );
  expect(await mendRows(again.client)).toEqual([]);
  again.client.close();
});

test('a record at which the server ended twice in a row is taken out, and no other', async () => {
  const mark = startMark(`${at.folder}/shop.db`);
  expect(mark.left()).toBeUndefined();
  mark.at({ jobId: PIER, after: 7 }, { jobId: PIER });
  const first = mark.left();
  expect(first).toEqual({ jobId: PIER, after: 7 });
  mark.at({ jobId: PIER, after: 6 }, first);
  expect(mark.left()?.again).toBeUndefined();
  mark.at({ jobId: PIER, after: 7 }, first);
  expect(mark.left()?.again).toBe(true);
  mark.ended();
  expect(mark.left()).toBeUndefined();
  await takeRecords(at.db, { records: [note({}), note({ id: 'text-note-2' })] as never });
  const [one] = await listRecords(at.db, PIER, 'note');
  expect((await setRecordAside(at.client, PIER, one.arrival - 1)).map((m) => m.row)).toEqual(['text-note-1']);
  expect((await listRecords(at.db, PIER, 'note')).map((r) => r.id)).toEqual(['text-note-2']);
});

test('names that every object has are no word, unit or choice; a line of 400,000 digits comes to an end', () => {
  const names = { material: String, machine: String, tool: String };
  expect(levelWords('turns', 'constructor', names)).toBe('Constructor');
  expect(levelWords('oversize', 'toString|valueOf|m|constructor', names)).not.toContain('native');
  expect(readInstrumentLine('caliper size 8 constructor').ok).toBe(false);
  for (const word of ['at ', 'angle ', 'pitch 4', 'M8x', ''])
    expect(readPlacedCallout(`M8 THRU ${word}${'1'.repeat(400_000)}!`, 'mm').ok).toBe(false);
});

test('a file of the log has all that was looked for, and says how many', async () => {
  const many = Array.from({ length: 1203 }, (_, i) =>
    note({ id: `text-many-${i}`, body: { part: 1, text: `line ${i}` } }),
  );
  for (let i = 0; i < many.length; i += 500) await takeRecords(at.db, { records: many.slice(i, i + 500) as never });
  const { count, slices } = await wholeLog(at.db, logQuery.parse({ q: 'line' }));
  const ids: string[] = [];
  for await (const slice of slices) ids.push(...slice.map((e) => e.record.id));
  expect([count, ids.length, new Set(ids).size, ids[0]]).toEqual([1203, 1203, 1203, 'text-many-1202']);
});
