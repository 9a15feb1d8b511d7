import Papa from 'papaparse';
import { nameOfSetUp } from '../route/batch';
import type { Route } from '../route/route';
import { holeName } from '../route/work-item';
import { tell, type Display } from '../units/show';
import { trimmed } from '../units/show';
import { FORMULA_START } from './imported';

const COLUMNS = [
  'set-up',
  'visit',
  'tool',
  'in crib',
  'rev/min',
  'speed',
  'hole',
  'x mm',
  'y mm',
  'order',
  'stop mm',
  'turns',
  'seconds',
];

/** A route as one table, a row for every operation on every hole, in the order of the work. */
export function writeRouteCsv(route: Route, display: Display): string {
  const rows = route.setUps.flatMap((setUp) =>
    setUp.visits.flatMap((visit, i) =>
      visit.items.map((item) => [
        nameOfSetUp(setUp),
        i + 1,
        visit.tool,
        visit.inCrib ? 'yes' : 'no',
        visit.rpm === undefined ? '' : trimmed(visit.rpm, 0),
        visit.speedLabel ?? '',
        holeName(item),
        trimmed(item.x, 3),
        trimmed(item.y, 3),
        tell(item.order, display),
        item.stopOff ? 'off' : item.stopMm === undefined ? '' : trimmed(item.stopMm, 2),
        item.turns === undefined ? '' : trimmed(item.turns, 1),
        trimmed(item.seconds, 0),
      ]),
    ),
  );
  return Papa.unparse({ fields: COLUMNS, data: rows }, { newline: '\n', escapeFormulae: FORMULA_START });
}
