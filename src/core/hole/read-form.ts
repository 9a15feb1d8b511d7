import { ok, problem, refuse, type Phrase, type Problem, type Result } from '../answer/answer';
import { suitedTo } from '../cutting/suited-drills';
import type { Drill } from '../drills/drill';
import { unknownDrill } from '../drills/unknown-drill';
import type { DrillPool } from '../drills/drill-sets';
import type { Setting } from '../operation/context';
import type { EditWork } from '../operation/edits';
import type { Shop } from '../shop/shop';
import { parseLength, type LengthUnit } from '../units/length';
import { findDrill } from './find-drill';
import { OLD_THREAD, type AskForm } from './form';
import type { HolePlan } from './hole-plan';
import { planHole } from './plan-hole';
import type { ExistingHole, HoleQuestion } from './question';

/** A field as read: its value where it has one, and what is to be said of it. */
interface Field<T> {
  value?: T;
  problems: Problem[];
  notes?: Phrase[];
  /** The unit that was assumed for a bare length. */
  assumed?: LengthUnit;
}

const KNOWN_SHOWN = 30;
const NEAREST_SHOWN = 8;

/** An entry of the shop by its id; an empty id is none. */
function byId<T extends { id: string }>(
  field: 'material' | 'drills' | 'machine',
  what: string,
  id: string,
  among: readonly T[],
): Field<T> {
  const value = among.find((entry) => entry.id === id);
  if (value) return { value, problems: [] };
  const known = among.map((entry) => entry.id);
  return {
    problems: [
      problem(
        `${field}-unknown`,
        field,
        `There is no ${what} “{id}”.`,
        'Pick one of: {known}.',
        { id, known: known.slice(0, KNOWN_SHOWN).join(', ') },
        { nearest: known.slice(0, NEAREST_SHOWN) },
      ),
    ],
  };
}

function readLength(field: string, text: string, bareUnit: LengthUnit): Field<number> {
  if (text.trim() === '') return { problems: [] };
  const parsed = parseLength(text, bareUnit);
  if (!parsed.ok) return { problems: parsed.problems.map((p) => ({ ...p, field })) };
  const { mm, unit, assumed } = parsed.value;
  return assumed ? { value: mm, problems: [], notes: [assumed], assumed: unit } : { value: mm, problems: [] };
}

/** Fields that hold a length, in the order in which they are spoken of, by the name that problems bear. */
const LENGTHS = {
  threadDepth: 'depth',
  thickness: 'thickness',
  stockWidth: 'width',
  existing: 'existing',
  behind: 'behind',
} as const satisfies Record<string, keyof AskForm>;
type LengthField = keyof typeof LENGTHS;

const isOldThread = (text: string): boolean => text.trim().toLowerCase() === OLD_THREAD;

function readLengths(form: AskForm, bareUnit: LengthUnit): Record<LengthField, Field<number>> {
  const read = Object.entries(LENGTHS).map(([field, of]) => {
    const text = form[of];
    return [field, readLength(field, field === 'existing' && isOldThread(text) ? '' : text, bareUnit)];
  });
  return Object.fromEntries(read) as Record<LengthField, Field<number>>;
}

/** A diameter, or the word for an old thread. */
const existingOf = (text: string, diameterMm: number | undefined): ExistingHole | undefined =>
  isOldThread(text) ? { kind: 'thread' } : diameterMm === undefined ? undefined : { kind: 'plain', diameterMm };

function readDrill(text: string, pool: DrillPool | undefined): Field<Drill> {
  if (text.trim() === '' || !pool) return { problems: [] };
  const value = findDrill(text, pool);
  return value ? { value, problems: [] } : { problems: [unknownDrill('drill-unknown', 'drill', text)] };
}

function readPercent(text: string): Field<number> {
  const typed = text.trim().replace(/\s*%$/, '').replace(',', '.');
  if (typed === '' || typed.toLowerCase() === 'auto') return { problems: [] };
  const value = Number(typed);
  if (Number.isFinite(value)) return { value, problems: [] };
  return {
    problems: [
      problem(
        'percent-unreadable',
        'targetPercent',
        '“{typed}” is not a percentage.',
        'Type a number such as 70, or auto.',
        { typed: text },
      ),
    ],
  };
}

/** A form read in the context of a shop: the question for the core and what was assumed, or every bad field. */
export function readForm(form: AskForm, shop: Shop): Result<{ question: HoleQuestion; notes: Phrase[] }> {
  const bareUnit = form.units === 'inch' ? 'in' : 'mm';
  const material = byId('material', 'material', form.material, shop.materials);
  const machine = form.machine === '' ? { problems: [] } : byId('machine', 'machine', form.machine, shop.machines);
  const pool = byId('drills', 'drill set', form.drills, shop.pools);
  const percent = readPercent(form.percent);
  const lengths = readLengths(form, bareUnit);
  const { threadDepth: deep, thickness, stockWidth, existing, behind } = lengths;
  const drill = readDrill(form.drill, pool.value);
  const fields: Field<unknown>[] = [material, machine, pool, drill, percent, ...Object.values(lengths)];
  const problems = fields.flatMap((f) => f.problems);
  if (problems.length > 0 || !material.value || !pool.value) return refuse(...problems);
  return ok({
    notes: fields.flatMap((f) => f.notes ?? []),
    question: {
      callout: form.callout,
      bareUnit,
      material: material.value,
      machine: machine.value,
      pool: suitedTo(pool.value, material.value, machine.value),
      hole: form.hole === 'auto' ? undefined : form.hole,
      depthMm: deep.value,
      depthUnit: deep.assumed,
      thicknessMm: thickness.value,
      stockWidthMm: stockWidth.value,
      existing: existingOf(form.existing, existing.value),
      drill: drill.value,
      tap: form.tap,
      way: form.way === 'auto' ? undefined : form.way,
      taps: form.taps.trim() === '' ? undefined : form.taps.split(',').map((key) => key.trim()),
      room: form.room === 'auto' ? undefined : form.room,
      behindMm: behind.value,
      targetPercent: percent.value,
      start: form.start === 'auto' ? undefined : form.start,
      dry: form.dry,
      boltId: form.bolt === '' ? undefined : form.bolt,
      parts: form.parts.trim() === '' ? 1 : Number(form.parts),
    },
  });
}

/**
 * Reads a form and plans its hole.
 * @param setting what the part around the hole gives
 * @param work the user's changes to its operations, with what makes them
 * @returns the plan, or every bad field
 */
export function planForm(form: AskForm, shop: Shop, setting: Setting = {}, work?: EditWork): Result<HolePlan> {
  const read = readForm(form, shop);
  if (!read.ok) return read;
  const plan = planHole(read.value.question, shop, setting, work);
  return plan.ok ? ok({ ...plan.value, assumptions: [...read.value.notes, ...plan.value.assumptions] }) : plan;
}
