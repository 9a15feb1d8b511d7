import { writePlace } from '../layout/write-place';
import { readPlateCsv } from './plate-csv';
import { guessColumns, isEnough, tableHead, withOurColumns } from './table-columns';

test.each([
  [
    ['Nr.', 'Durchmesser', 'X (mm)', 'Y (mm)', 'Tiefe'],
    { name: 'Nr.', size: 'Durchmesser', x: 'X (mm)', y: 'Y (mm)', depth: 'Tiefe' },
  ],
  [
    ['Repère', 'Filetage', 'pos x', 'pos y', 'Profondeur'],
    { name: 'Repère', size: 'Filetage', x: 'pos x', y: 'pos y', depth: 'Profondeur' },
  ],
  [['y_in', 'x_in', 'Ø'], { size: 'Ø', x: 'x_in', y: 'y_in' }],
  [['part', 'colour'], {}],
])('%j', (headings, map) => expect(guessColumns(headings)).toEqual(map));

test('odd headings in any order become features: sizes, depths, places, units of the headings', () => {
  const text = 'Tiefe;Y (mm);X (mm);Gewinde;Bezeichnung\n12;15;20;M8;Fuß\ndurch;30;40;6.6;Kopf\n';
  const { headings, rows } = tableHead(text);
  expect(rows).toHaveLength(2);
  const read = readPlateCsv(withOurColumns(text, guessColumns(headings)), 'in');
  const found = read.ok
    ? read.value.features.map((f) => [f.name, f.callout, f.place && writePlace(f.place, 'mm')])
    : read.problems;
  expect(found).toEqual([
    ['Fuß', 'M8 x 12 DEEP', 'at 20,15'],
    ['Kopf', 'ø6.6 THRU', 'at 40,30'],
  ]);
});

test('a map needs what each hole is, and both of its places or none', () => {
  expect(
    [{ size: 'd', x: 'a', y: 'b' }, { callout: 'c' }, { x: 'a', y: 'b' }, { size: 'd', x: 'a' }].map(isEnough),
  ).toEqual([true, true, false, false]);
});
