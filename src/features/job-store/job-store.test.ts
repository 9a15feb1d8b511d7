import fc from 'fast-check';
import type { Job } from '@/contracts/job';
import { fieldsOf, withFields, type PatchReceipt } from '@/contracts/job-change';
import { BLANK_FORM } from '@/core/hole/form';
import { USUAL_PART } from '@/core/layout/part';
import type { Sent } from '@/ui/send';
import { documentOf, putFeatures, type LocalChange } from './job-document';
import { JobStore } from './job-store';

jest.mock('./outbox', () => ({
  putWaiting: jest.fn(),
  dropWaiting: jest.fn(),
  waitingChanges: () => Promise.resolve([]),
}));
jest.mock('./tabs', () => ({ tabId: () => 'tab', otherTabs: () => Promise.resolve(new Set()), tellSaved: jest.fn() }));
jest.useFakeTimers();

const feature = (letter: string, i: number) => ({
  id: `feature-${letter}`,
  letter,
  position: i,
  version: 1,
  name: '',
  face: 'top' as const,
  question: { ...BLANK_FORM, callout: 'M5' },
});
const JOB: Job = {
  id: 'job-00001',
  version: 1,
  headVersion: 1,
  nextLetter: 'D',
  name: 'Bracket',
  materialId: 'copper',
  quantity: 1,
  notes: '',
  part: USUAL_PART,
  createdAt: '',
  updatedAt: '',
  holes: ['A', 'B', 'C'].map(feature),
};

type Post = Sent<PatchReceipt> | 'lost';
/** A store whose server answers as it is told, and what it was sent. */
function opened(...answers: Post[]) {
  const sent: LocalChange[] = [];
  let version = 1;
  const store = new JobStore(JOB, (_, change) => {
    sent.push(change);
    const answer = answers.shift();
    if (answer === 'lost') return Promise.resolve({ ok: false, status: 0, fault: 'The server cannot be reached.' });
    if (answer && !answer.ok && answer.partial) version = (answer.partial as Job).version;
    if (answer) return Promise.resolve(answer);
    const before = version++;
    const features = [...change.features, ...change.add].map((f) => ({
      id: f.id,
      version,
      letter: f.id.slice(-1),
      position: 0,
    }));
    return Promise.resolve({ ok: true, value: { version, headVersion: version, before, features } });
  });
  const name = (letter: string): string | undefined =>
    store.getState().job.holes.find((h) => h.letter === letter)?.name;
  const rename = (letter: string, to: string, typing = false) =>
    store.edit((d) => void (d.features[`feature-${letter}`].name = to), typing);
  return { store, sent, name, rename };
}
const settle = async (ms = 600): Promise<void> => void (await jest.advanceTimersByTimeAsync(ms));
const changed = (field: string, over: Partial<Job>): Sent<PatchReceipt> => ({
  ok: false,
  status: 409,
  fault: '',
  errors: [{ field, code: 'changed-meanwhile', detail: '', remedy: '' }],
  partial: { ...JOB, version: 7, ...over },
});

test('typing in one field is one change and one step of undo; another field, or a pause, is another', async () => {
  const { store, sent, name, rename } = opened();
  for (const text of ['r', 'ri', 'rim']) rename('B', text, true);
  expect(store.getState().saving).toEqual({ state: 'saving', waiting: 1 });
  await settle();
  expect(sent.map((c) => c.features)).toEqual([[{ id: 'feature-B', version: 1, set: { name: 'rim' } }]]);
  expect(store.getState().saving.state).toBe('saved');
  rename('A', 'x');
  rename('A', 'y');
  store.undo();
  expect(name('A')).toBe('x');
  store.undo();
  store.undo();
  expect([name('A'), name('B'), store.getState().canUndo]).toEqual(['', '', false]);
  store.redo();
  expect(name('B')).toBe('rim');
});

test('while the server is away changes wait, are counted, and go with growing pauses; then in their order', async () => {
  const { store, sent, rename } = opened('lost', 'lost', 'lost');
  rename('A', 'studs');
  rename('B', 'rim');
  await settle();
  expect(store.getState().saving).toMatchObject({ state: 'waiting', waiting: 2 });
  await settle(1000);
  await settle(1000);
  expect(sent).toHaveLength(2);
  await settle(1000);
  expect(sent).toHaveLength(3);
  store.heard('', undefined);
  await settle(0);
  expect([sent.slice(3).map((c) => c.features[0].set.name), store.getState().saving.state]).toEqual([
    ['studs', 'rim'],
    'saved',
  ]);
  expect(new Set(sent.slice(0, 4).map((c) => c.change)).size).toBe(1);
});

test('the same field changed elsewhere is offered from both sides: mine goes on theirs, or theirs stays', async () => {
  const theirs = { holes: JOB.holes.map((h) => (h.letter === 'B' ? { ...h, name: 'outer', version: 5 } : h)) };
  for (const keep of [true, false]) {
    const { store, sent, name, rename } = opened(changed('features.feature-B.name', theirs));
    rename('B', 'rim');
    await settle();
    const [conflict] = store.getState().conflicts;
    expect(conflict).toEqual({ target: 'feature-B', field: 'name', name: 'B name', mine: 'rim', theirs: 'outer' });
    expect([name('B'), store.getState().news]).toEqual(['rim', []]);
    if (keep) store.keepMine(conflict);
    else store.takeTheirs(conflict);
    await settle();
    expect([name('B'), store.getState().saving.state]).toEqual([keep ? 'rim' : 'outer', 'saved']);
    expect(sent.slice(1).map((c) => c.features[0].version)).toEqual(keep ? [5] : []);
  }
});

test('one’s own write whose answer was lost is no conflict; a feature that was removed elsewhere can be kept', async () => {
  const receipt = {
    version: 2,
    headVersion: 1,
    before: 1,
    features: [{ id: 'feature-B', version: 2, letter: 'B', position: 1 }],
  };
  const same = opened('lost', { ok: true, value: receipt });
  same.rename('B', 'rim');
  await settle();
  // The server had made it; the job is loaded with it, and with what others did, before it is sent again.
  same.store.receive({
    ...JOB,
    version: 3,
    notes: 'new',
    holes: JOB.holes.map((h) => (h.letter === 'B' ? { ...h, name: 'rim', version: 2 } : h)),
  });
  expect(same.store.getState().news).toEqual(['the notes']);
  await settle(1000);
  expect([same.store.getState().conflicts, same.store.getState().saving.state, same.store.version]).toEqual([
    [],
    'saved',
    3,
  ]);
  const gone = opened({
    ...changed('features.feature-B', { holes: JOB.holes.filter((h) => h.letter !== 'B') }),
    errors: [{ field: 'features.feature-B', code: 'removed-meanwhile', detail: '', remedy: '' }],
  } as Sent<PatchReceipt>);
  gone.rename('B', 'rim');
  await settle();
  const [conflict] = gone.store.getState().conflicts;
  expect(conflict).toMatchObject({ target: 'feature-B', theirs: undefined });
  gone.store.keepMine(conflict);
  await settle();
  expect(gone.sent.at(-1)?.add.map((f) => f.id)).toEqual(['feature-B']);
});

test('theirs that was loaded before mine is sent is no earlier write of mine: it is offered', async () => {
  const theirs = { holes: JOB.holes.map((h) => (h.letter === 'B' ? { ...h, name: 'outer', version: 5 } : h)) };
  const { store, rename } = opened(changed('features.feature-B.name', theirs));
  rename('B', 'rim');
  store.receive({ ...JOB, version: 7, ...theirs });
  await settle();
  expect(store.getState().conflicts).toMatchObject([{ name: 'B name', mine: 'rim', theirs: 'outer' }]);
});

test('after one’s own change later ones know the fields that it set, and no others', async () => {
  const receipt = {
    version: 9,
    headVersion: 1,
    before: 8,
    features: [{ id: 'feature-B', version: 4, letter: 'B', position: 1 }],
  };
  const { store, sent, rename } = opened('lost', { ok: true, value: receipt });
  rename('B', 'rim');
  await settle();
  store.edit((d) => Object.assign(d.features['feature-B'], { name: 'edge', face: 'front' }));
  store.heard('', undefined);
  await settle();
  expect(sent.at(-1)?.features).toEqual([
    { id: 'feature-B', version: 4, set: { name: 'edge' } },
    { id: 'feature-B', version: 1, set: { face: 'front' } },
  ]);
});

test('what others changed is told and merged under what waits; a refusal for good can be left out', async () => {
  const { store, name, rename } = opened({ ok: false, status: 422, fault: 'Too many holes.' });
  rename('A', 'studs');
  store.receive({
    ...JOB,
    version: 4,
    notes: 'new',
    holes: JOB.holes.map((h) => (h.letter === 'C' ? { ...h, name: 'lid' } : h)),
  });
  expect([store.getState().news, name('A'), name('C')]).toEqual([['the notes', 'C name'], 'studs', 'lid']);
  await settle();
  expect(store.getState().saving).toEqual({ state: 'refused', waiting: 1, why: 'Too many holes.' });
  store.dropRefused();
  expect([name('A'), store.getState().saving.state]).toEqual(['', 'saved']);
});

test('a feature that is moved up changes its own place and one other at most', () => {
  const moved = (order: string) => {
    const draft = structuredClone(documentOf({ ...JOB, holes: ['A', 'B', 'C', 'D', 'E'].map(feature) }));
    putFeatures(
      draft,
      [...order].map((l) => draft.features[`feature-${l}`]),
    );
    return [...order].map((l) => draft.features[`feature-${l}`].position);
  };
  expect([moved('BACDE'), moved('ABECD'), moved('ABCDE')]).toEqual([
    [1, 1.5, 2, 3, 4],
    [0, 1, 4, 5, 6],
    [0, 1, 2, 3, 4],
  ]);
});

test('a list put in becomes the features: letters for the new, places that rise, only what differs changed', () => {
  fc.assert(
    fc.property(fc.shuffledSubarray(['A', 'B', 'C']), fc.nat(3), (kept, added) => {
      const draft = structuredClone(documentOf(JOB));
      const fresh = Array.from({ length: added }, (_, i) => ({ ...feature('A', 0), id: `feature-new${i}` }));
      putFeatures(draft, [...kept.map((l) => draft.features[`feature-${l}`]), ...fresh]);
      const list = Object.values(draft.features).sort((a, b) => a.position - b.position);
      expect(list.map((f) => f.letter)).toEqual([...kept, ...['D', 'E', 'F'].slice(0, added)]);
      expect(new Set(list.map((f) => f.position)).size).toBe(list.length);
    }),
  );
  expect(withFields(JOB.holes[0], fieldsOf({ place: null } as never))).toEqual(JOB.holes[0]);
});

test('a change that the server would refuse is not made, and blocks none after it; a field being typed waits until it is right', async () => {
  const { store, sent } = opened();
  const faster = (rpm: number) =>
    store.edit((draft) => {
      draft.features['feature-A'].edits = { overrides: { drill: { rpm } } };
    });
  faster(999_999);
  expect(store.getState().notMade).toBe('Drill speed, rev/min: At most 200000.');
  expect(store.getState().job.holes[0].edits).toBeUndefined();
  faster(1200);
  expect(store.getState().notMade).toBeUndefined();
  await jest.advanceTimersByTimeAsync(1000);
  expect(sent).toHaveLength(1);
  const name = (text: string) => store.edit((draft) => void (draft.head.name = text), true);
  name('');
  await jest.advanceTimersByTimeAsync(1000);
  expect([sent.length, store.getState().saving]).toEqual([
    1,
    { state: 'refused', waiting: 1, why: 'Name: Enter a name for the job.' },
  ]);
  name('Lid');
  await jest.advanceTimersByTimeAsync(1000);
  expect([sent[1]?.head?.set.name, store.getState().saving.state]).toEqual(['Lid', 'saved']);
});
