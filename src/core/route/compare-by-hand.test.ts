import { tell } from '../units/show';
import { compareRoutes } from './compare-routes';
import type { Route, Visit } from './route';
import type { WorkItem } from './work-item';

const item = (letter: string, over: object = {}): WorkItem => ({ letter, ...over }) as never;
const visit = (key: string, items: WorkItem[], rpm?: number): Visit => ({ key, tool: key, items, rpm }) as never;
const route = (quantity: number, ...visits: Visit[]): Route =>
  ({ quantity, setUps: [{ key: 's', machine: { id: 'mill', name: 'mill' }, face: 'top', visits }] }) as never;
const said = (before: Route, now: Route): string[] =>
  compareRoutes(before, now).map((c) => `${c.kind}: ${tell(c.text, 'mm')}`);

test('a figure of a visit that changed is said with both; one that is not there is none', () => {
  const before = route(2, visit('5.0 mm', [item('A', { stopMm: 12 }), item('A', { stopMm: 12.004 })], 1400));
  expect(said(before, route(2, visit('5.0 mm', [item('A', { stopMm: 12 }), item('A', { stopMm: 12 })], 1400)))).toEqual(
    [],
  );
  const now = route(3, visit('5.0 mm', [item('B', { stopMm: 12 }), item('A', { stopMm: 9.5, turns: 6 })]));
  expect(said(before, now)).toEqual([
    'changed: Parts: 2, now 3.',
    'changed: mill, top: 5.0 mm, rev/min: 1400, now none.',
    'changed: mill, top: 5.0 mm, stop, mm: 12.00, now 12.00, 9.50.',
    'changed: mill, top: 5.0 mm, turns: none, now 6.0.',
    'changed: mill, top: 5.0 mm, holes: A ×2, now A, B.',
  ]);
});

test('what came, what went, and that those in both are done in another order', () => {
  const [spot, drill, ream, tap] = ['spot', '5.0 mm', 'reamer', 'M6'].map((key) => visit(key, [item('A')]));
  expect(said(route(1, spot, drill, tap), route(1, ream, drill, spot))).toEqual([
    'added: mill, top: reamer on A.',
    'gone: mill, top: M6 on A.',
    'changed: The order of the visits.',
  ]);
  // What came between the others leaves their order as it was.
  expect(said(route(1, spot, drill), route(1, spot, ream, drill))).toEqual(['added: mill, top: reamer on A.']);
});
