import { logCsvRows } from '../formats/log-csv';
import { logWords } from './log-words';

test.each([
  ['not good A2', ['"bad"', 'a2']],
  ['good', ['"good"']],
  ['tapped  pier', ['step-done', '/tap', 'pier']],
  ['last M6 in stainless', ['m6', 'stainless']],
  ['Broke', ['broken']],
  ['  ', []],
])('%s is looked for as %j', (said, words) => expect(logWords(said)).toEqual(words));

test('a log as a table: a row a record, nothing that a spreadsheet would run', () => {
  const row = { happenedAt: '2026-11-30T08:00:00Z', job: 'Pier', hole: 'A2', callout: 'M6 THRU', part: 3, who: 'Ann' };
  const told = { kind: 'note', body: { part: 3, text: '=1+1' } } as const;
  expect(logCsvRows([{ ...row, told }], 'mm').split('\n')[0]).toBe(
    '2026-11-30T08:00:00Z,Pier,A2,M6 THRU,3,"\'=1+1",Ann',
  );
});
