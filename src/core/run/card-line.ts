import { depth, mm, phrase, quantity, type Phrase } from '../answer/answer';
import { drillName } from '../drills/drill';
import type { HolePlan } from '../hole/hole-plan';
import { KINDS } from '../operation/kinds';
import type { Operation, OperationCode } from '../operation/operation';
import { withdrawals } from '../operation/withdrawals';
import { lastTurn } from '../tapping/turning';

/** One operation as a card shows it, to be read at arm’s length. */
export interface CardLine {
  key: string;
  /** What is done, with the tool that does it. */
  head: Phrase;
  speed?: { rpm: number; label: string };
  /** What is set or counted: the stop, or the turns. */
  set?: Phrase;
  /** In small letters below: where to come out, how the tap is driven. */
  small: Phrase[];
}

/** Hand work that a card only ticks off. */
const TICKED: readonly OperationCode[] = ['lay-out', 'deburr', 'check'];

function tickOf({ code }: Operation, { thread }: HolePlan): Phrase {
  const limits = code === 'check' ? thread?.limits : undefined;
  return limits
    ? phrase('Gauge, minor {min} to {max}', { min: mm(limits.minorMinMm), max: mm(limits.minorMaxMm) })
    : phrase('{verb}', { verb: KINDS[code].verb });
}

function headOf(op: Operation, plan: HolePlan): Phrase {
  if (TICKED.includes(op.code)) return tickOf(op, plan);
  const { verb } = KINDS[op.code];
  const { cut, tap } = op;
  if (cut?.spec.drill) return phrase('{verb} {name}', { verb, name: drillName(cut.spec.drill) });
  if (cut) return phrase('{verb} {size}', { verb, size: mm(cut.spec.diameterMm) });
  if (tap)
    return phrase('{verb} {thread}, {name} ({threads})', {
      verb,
      thread: tap.thread.designation,
      name: tap.tap.name,
      threads: tap.tap.chamferThreads,
    });
  return op.order;
}

function setOf({ cut, tap }: Operation, { thread }: HolePlan): Phrase | undefined {
  if (cut?.spec.through && cut.spec.family === 'drill') return phrase('stop off');
  if (cut && !cut.spec.through) return phrase('stop {travel}', { travel: depth(cut.stopMm) });
  const use = tap && thread?.tapping.best.each[tap.place - 1];
  const turns = use && thread && lastTurn(use, thread.thread);
  return turns !== undefined && Number.isFinite(turns)
    ? phrase('{turns}', { turns: quantity(turns, 'turns') })
    : undefined;
}

/** Whether a row is hand work, to be ticked off only. */
export const isHandRow = (row: readonly CardLine[]): boolean => row.every((line) => !line.speed && !line.set);

/** Lines as rows: hand work that follows on hand work stands beside it. */
export function cardRows(lines: readonly CardLine[]): CardLine[][] {
  return lines.reduce<CardLine[][]>((rows, line) => {
    const last = rows.at(-1);
    if (last && isHandRow(last) && isHandRow([line])) last.push(line);
    else rows.push([line]);
    return rows;
  }, []);
}

/** The lines of a hole on a card, in the order of the work. */
export const cardLines = (plan: HolePlan): CardLine[] =>
  plan.operations.map((op) => {
    const { cut, tap } = op;
    const set = setOf(op, plan);
    const outs = cut && withdrawals(cut);
    const best = tap && plan.thread?.tapping.best;
    return {
      key: op.key,
      head: headOf(op, plan),
      ...(cut?.speed.ok ? { speed: { rpm: cut.speed.value.rpm, label: cut.speed.value.label } } : {}),
      ...(tap?.drive ? { speed: tap.drive } : {}),
      ...(set ? { set } : {}),
      small: [...(outs ? [outs] : []), ...(best && tap.place === 1 ? [phrase('{way}.', { way: best.label })] : [])],
    };
  });
