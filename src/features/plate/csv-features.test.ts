import { featureInput, type FeatureInput } from '@/contracts/job';
import { readPlateCsv, writePlateCsv } from '@/core/formats/plate-csv';
import { BLANK_FORM } from '@/core/hole/form';
import type { Imported } from '@/core/layout/imported';
import { csvFeature, doublesOf, featuresFrom, withImported, type Usual, type WithDoubles } from './csv-features';

const usual: Usual = { face: 'front', question: { machine: 'lathe', units: 'inch' }, taken: new Set() };
const whole: FeatureInput = {
  id: 'feature-1',
  letter: 'C',
  name: 'rim, “outer”',
  face: 'top',
  place: { kind: 'circle', x: 1, y: -2.5, diameter: 40, divisions: 4, startDeg: 45, skip: [2] },
  exit: { dx: 3, dy: -0.5 },
  zoneMm: 0.2,
  meets: 'hole-0002',
  edits: {
    dropped: ['start'],
    overrides: { drill: { rpm: 330 } },
    inserted: [{ key: 'n', kind: 'note', text: '=1+1', seconds: 5 }],
  },
  question: {
    ...BLANK_FORM,
    callout: '3x M4 THRU',
    material: 'copper',
    hole: 'through',
    depth: '8',
    thickness: '10',
    width: '20',
    existing: '2',
    drills: 'all',
    drill: '3.3',
    tap: 'form',
    percent: '65',
    machine: 'press',
    start: 'spot',
    dry: true,
    bolt: 'A2-70',
    parts: '4',
    units: 'inch',
    coreVersion: '3',
  },
};
const readBack = (features: readonly FeatureInput[], of: Usual = usual) => {
  const read = readPlateCsv(writePlateCsv(features.map(csvFeature)), 'mm');
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return featuresFrom(read.value, of);
};

test('every field of a feature goes out as a table and comes back; none is forgotten', () => {
  // Position and version are its list’s and its server’s.
  const fields = Object.keys(featureInput.shape).filter((f) => f !== 'position' && f !== 'version');
  expect(Object.keys(whole).sort()).toEqual(fields.sort());
  expect(Object.keys(whole.question).sort()).toEqual(Object.keys(featureInput.shape.question.shape).sort());
  expect(readBack([whole])).toEqual({ holes: [whole], wrong: [] });
});

test('what follows another follows it under new ids; what the file does not say is the usual', () => {
  const follower: FeatureInput = {
    ...whole,
    id: 'feature-2',
    place: { kind: 'mirror', of: 'feature-1', axis: 'x', at: 0 },
  };
  const { holes } = readBack([whole, follower], { ...usual, taken: new Set(['feature-1']) });
  expect([holes[0].id === 'feature-1', holes[1].id, holes[1].place]).toEqual([
    false,
    'feature-2',
    { kind: 'mirror', of: holes[0].id, axis: 'x', at: 0 },
  ]);
  const bare = { features: [{ name: '', callout: 'M5', id: '?' }], understood: [], leftOut: [] };
  expect(featuresFrom(bare, usual).holes[0]).toMatchObject({
    face: 'front',
    question: { machine: 'lathe', units: 'inch' },
  });
});

test('an answer of the wrong type is left out by name, and nothing else', () => {
  const more = { tap: 'sideways', cheese: 'x', exit: '{"dx":', edits: '{"dropped":7}', depth: '8', letter: '7' };
  const found: Imported = { features: [{ name: '', callout: 'M5', more }], understood: [], leftOut: [] };
  const { holes, wrong } = featuresFrom(found, usual);
  expect(wrong.sort()).toEqual(['cheese', 'edits', 'exit', 'letter', 'tap']);
  expect([holes[0].question.depth, holes[0].question.tap, holes[0].exit]).toEqual(['8', 'auto', undefined]);
});

test('what was exported and comes back updates by its id; the same hole in the same place is a double; the rest is new', () => {
  const at = (x: number) => ({ kind: 'point' as const, x, y: 20 });
  const own = { ...whole, edits: undefined };
  const second: FeatureInput = {
    ...own,
    id: 'hole-0009',
    letter: 'B',
    question: { ...own.question, callout: 'M8 THRU' },
    place: at(50),
  };
  const found = {
    understood: [],
    leftOut: [],
    features: [
      { id: own.id, name: 'moved', callout: '3x M4 THRU', face: own.face, place: at(70) },
      { name: '', callout: 'M8 THRU', face: own.face, place: at(50) },
      { name: 'new', callout: 'M5 THRU', face: own.face, place: at(90) },
    ],
  };
  const here = [own, second];
  expect(doublesOf(found, usual, here).map((d) => d.of.id)).toEqual([own.id, second.id]);
  const after = (how: WithDoubles) =>
    withImported(here, found, usual, how).map((h) => [h.name, (h.place as { x?: number }).x]);
  expect(after('update')).toEqual([
    ['moved', 70],
    [second.name, 50],
    ['new', 90],
  ]);
  expect(after('skip')).toHaveLength(3);
  expect(after('skip')[0]).toEqual([own.name, (own.place as { x?: number }).x]);
  expect(after('add')).toHaveLength(5);
  // What is not in the table stays: answers, zone, letter.
  const [kept] = withImported(here, found, usual, 'update') as FeatureInput[];
  expect([kept.letter, kept.zoneMm, kept.question.percent]).toEqual([own.letter, own.zoneMm, own.question.percent]);
});
