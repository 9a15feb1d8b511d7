import { phrase, type Phrase } from '../answer/answer';
import { nameOfSetUp } from './batch';
import type { Route, Visit } from './route';

/** What differs between two routes. */
export interface RouteChange {
  kind: 'added' | 'gone' | 'changed';
  text: Phrase;
}

const holesOf = (v: Visit): string =>
  [...new Set(v.items.map((i) => i.letter))]
    .sort()
    .map((letter) => {
      const n = v.items.filter((i) => i.letter === letter).length;
      return n > 1 ? `${letter} ×${n}` : letter;
    })
    .join(', ');

const round = (mm: number | undefined): string => (mm === undefined ? '' : mm.toFixed(2));

/** Figures of a visit that somebody sets. */
function figures(v: Visit): [string, string][] {
  const stops = [...new Set(v.items.map((i) => round(i.stopMm)).filter(Boolean))].join(', ');
  const turns = [...new Set(v.items.map((i) => i.turns?.toFixed(1) ?? '').filter(Boolean))].join(', ');
  return [
    ['rev/min', v.rpm?.toFixed(0) ?? ''],
    ['stop, mm', stops],
    ['turns', turns],
    ['holes', holesOf(v)],
  ];
}

/** Added, gone, and changed figure by figure, in the order of the route. */
export function compareRoutes(before: Route, now: Route): RouteChange[] {
  const changes: RouteChange[] = [];
  if (before.quantity !== now.quantity)
    changes.push({
      kind: 'changed',
      text: phrase('Parts: {before}, now {now}.', { before: before.quantity, now: now.quantity }),
    });
  const was = new Map(before.setUps.flatMap((s) => s.visits.map((v) => [v.key, { v, s }] as const)));
  const is = new Map(now.setUps.flatMap((s) => s.visits.map((v) => [v.key, { v, s }] as const)));
  for (const [key, { v, s }] of is) {
    const old = was.get(key);
    if (!old) {
      changes.push({
        kind: 'added',
        text: phrase('{setUp}: {tool} on {holes}.', { setUp: nameOfSetUp(s), tool: v.tool, holes: holesOf(v) }),
      });
      continue;
    }
    const earlier = new Map(figures(old.v));
    for (const [name, value] of figures(v))
      if (earlier.get(name) !== value)
        changes.push({
          kind: 'changed',
          text: phrase('{setUp}: {tool}, {name}: {before}, now {now}.', {
            setUp: nameOfSetUp(s),
            tool: v.tool,
            name,
            before: earlier.get(name) || 'none',
            now: value || 'none',
          }),
        });
  }
  for (const [key, { v, s }] of was)
    if (!is.has(key))
      changes.push({
        kind: 'gone',
        text: phrase('{setUp}: {tool} on {holes}.', { setUp: nameOfSetUp(s), tool: v.tool, holes: holesOf(v) }),
      });
  const order = (r: Route): string =>
    r.setUps
      .flatMap((s) => s.visits.map((v) => v.key))
      .filter((k) => was.has(k) && is.has(k))
      .join('\n');
  if (order(before) !== order(now)) changes.push({ kind: 'changed', text: phrase('The order of the visits.') });
  return changes;
}
