import { depth, mm, phrase, type Phrase } from '../answer/answer';
import { usualTapFigures } from '../tapping/tap-lengths.table';
import { isBoring, KINDS } from './kinds';
import { mainOperation, type Operation } from './operation';

/** Why an order of operations is bad: `stop` cannot be done at all, `warn` can and should not. */
export interface OrderFault {
  level: 'warn' | 'stop';
  /** The operation that stands wrongly, and the one that it stands wrongly to. */
  key: string;
  against: string;
  why: Phrase;
}

type Rule = (op: Operation, later: Operation) => [level: OrderFault['level'], why: Phrase] | undefined;

const isBore = (op: Operation): boolean => isBoring(op.code) && op.cut !== undefined;
const isMouth = (op: Operation): boolean => KINDS[op.code].removes === 'mouth';

/** Each looks at two operations, `op` done before `later`, and says what is wrong with that. */
const RULES: Rule[] = [
  (op, later) =>
    later.code === 'lay-out' && op.code !== 'note'
      ? ['stop', phrase('Find the place first: otherwise the hole is wherever the drill goes in.')]
      : undefined,
  (op, later) =>
    isBore(op) && later.code === 'start'
      ? ['warn', phrase('A start after the drill guides nothing: the drill has already wandered.')]
      : undefined,
  (op, later) => {
    if (!isBore(op) || !isBore(later) || !op.cut || !later.cut) return undefined;
    const [a, b] = [op.cut.spec, later.cut.spec];
    if (b.diameterMm <= a.diameterMm + 1e-6 && b.fullMm <= a.fullMm + 1e-6)
      return [
        'stop',
        phrase('{small} after {large} and no deeper has nothing left to cut.', {
          small: mm(b.diameterMm),
          large: mm(a.diameterMm),
        }),
      ];
    if (op.code !== 'pilot' && b.diameterMm > a.diameterMm && b.fullMm < a.fullMm)
      return [
        'warn',
        phrase(
          '{large} after {small} runs in a hole over half its size: it grabs, binds and chips its lips. Larger and shallower first.',
          {
            large: mm(b.diameterMm),
            small: mm(a.diameterMm),
          },
        ),
      ];
    return undefined;
  },
  (op, later) =>
    op.code === 'tap' && isBore(later)
      ? [
          'stop',
          phrase('There is no hole to tap before {size} is drilled.', { size: mm(later.cut?.spec.diameterMm ?? 0) }),
        ]
      : undefined,
  (op, later) => {
    if (later.code !== 'ream' || !isBore(op) || !op.cut || !later.cut) return undefined;
    const [bore, ream] = [op.cut.spec, later.cut.spec];
    return bore.diameterMm >= ream.diameterMm - 1e-6 && bore.fullMm >= ream.fullMm - 1e-6
      ? [
          'stop',
          phrase('A reamer of {size} has nothing left to cut in a hole of {hole}.', {
            size: mm(ream.diameterMm),
            hole: mm(bore.diameterMm),
          }),
        ]
      : undefined;
  },
  (op, later) =>
    op.code === 'ream' && isBore(later)
      ? ['stop', phrase('A reamer only follows: without its hole it cannot enter.')]
      : undefined,
  (op, later) =>
    (op.code === 'counterbore' || op.code === 'countersink') && later.code === 'drill'
      ? [
          'stop',
          phrase('The pilot of the {tool} has no hole to run in before the drill: it walks across the face.', {
            tool: op.code,
          }),
        ]
      : undefined,
  (op, later) =>
    op.code === 'tap' && (later.code === 'chamfer' || later.code === 'countersink')
      ? [
          'warn',
          phrase(
            'Tapped before the mouth is opened, the first thread is pushed up as a burr; countersunk afterwards, it is bruised shut.',
          ),
        ]
      : undefined,
  (op, later) =>
    op.code === 'counterbore' && later.code === 'tap' && op.cut
      ? later.tap && op.cut.spec.fullMm > 0.6 * usualTapFigures(later.tap.thread).overallMm
        ? [
            'stop',
            phrase('From the floor of a counterbore {deep} deep the tap does not reach.', {
              deep: depth(op.cut.spec.fullMm),
            }),
          ]
        : undefined
      : undefined,
  (op, later) =>
    op.tap && later.tap && op.tap.place > later.tap.place
      ? ['warn', phrase('The shorter chamfer first loads few teeth with the whole cut: that is how taps break.')]
      : undefined,
  (op, later) =>
    op.code === 'tap' && later.code === 'counterbore'
      ? ['warn', phrase('A counterbore after the tap drags its pilot through the thread: counterbore first.')]
      : undefined,
  (op, later) =>
    op.code === 'deburr' && (isBore(later) || later.code === 'tap' || isMouth(later))
      ? ['warn', phrase('Cutting after deburring raises a new burr.')]
      : undefined,
  (op, later) =>
    op.code === 'check' && !['note', 'deburr', 'chase'].includes(later.code)
      ? ['warn', phrase('Checked before it is finished.')]
      : undefined,
];

/** Everything wrong with an order, in the order of the work. */
export function orderFaults(operations: readonly Operation[]): OrderFault[] {
  const faults: OrderFault[] = [];
  operations.forEach((op, i) =>
    operations.slice(i + 1).forEach((later) => {
      for (const rule of RULES) {
        const found = rule(op, later);
        if (found) faults.push({ level: found[0], key: later.key, against: op.key, why: found[1] });
      }
    }),
  );
  return faults;
}

/** How far a drill wanders that follows its own chisel edge, mm. Our judgement. */
const WANDER_MM = 0.5;

/** What leaving an operation out costs; undefined where nothing is lost that matters. */
export function dropFault(op: Operation, rest: readonly Operation[]): OrderFault | undefined {
  const { dropped } = KINDS[op.code];
  if (!dropped) return undefined;
  const others = dropped.whereOthersStay !== undefined && rest.some((o) => o.code === op.code);
  const drill = mm(mainOperation(rest)?.cut?.spec.diameterMm ?? 0);
  return {
    level: others ? 'warn' : dropped.level,
    key: op.key,
    against: op.key,
    why: phrase(others ? (dropped.whereOthersStay ?? '') : dropped.why, { drill, wander: depth(WANDER_MM) }),
  };
}
