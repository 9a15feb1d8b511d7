import { phrase, type Phrase, type Problem, type Result } from '../answer/answer';
import type { Machine } from '../cutting/machine';
import { ALL_DRILLS, drillName, type Drill } from '../drills/drill';
import { suitedTo } from '../drills/suited';
import type { DrillPool } from '../drills/drill-sets';
import type { Tool } from '../drills/tool';
import type { Material } from '../materials/material';
import { parseLength } from '../units/length';
import { answerQuestion } from './answer-question';
import type { HolePlan } from './hole-plan';
import type { AskForm } from './ask-form';
import type { ShopHabits } from './habits';
import type { HoleQuestion } from './question';

/** What a shop has and how it works: the context in which a question is answered. */
export interface Shop {
  materials: readonly Material[];
  machines: readonly Machine[];
  /** The crib first, then the usual sets. */
  pools: readonly DrillPool[];
  habits: ShopHabits;
  /** Tools beside drills, taps and machines; undefined where the crib is not known. */
  tools?: readonly Tool[];
}

const unknown = (field: string, text: string, id: string, known: string[]): Problem => ({
  code: `${field}-unknown`,
  field,
  ...phrase(text, { id }),
  remedy: phrase('Take one of: {known}.', { known: known.slice(0, 30).join(', ') }),
  nearest: known.slice(0, 8),
});

/** A drill by label (`6.8`, `17/64`, `#7`, `F`, `6.8 mm`), first among the pool's own, then among all made. */
export function findDrill(text: string, pool: DrillPool): Drill | undefined {
  const typed = text
    .trim()
    .toLowerCase()
    .replace(/\s*(mm|in|")$/, '');
  const named = (d: Drill): boolean => d.label.toLowerCase() === typed || drillName(d).toLowerCase() === typed;
  const byName = pool.drills.find(named) ?? ALL_DRILLS.find(named);
  if (byName) return byName;
  const metric = Number(typed);
  return Number.isFinite(metric) && metric > 0
    ? ALL_DRILLS.find((d) => d.series === 'metric' && Math.abs(d.diameterMm - metric) < 1e-6)
    : undefined;
}

/** A form read in the context of a shop: the question for the core and what was assumed, or every bad field. */
export function readForm(form: AskForm, shop: Shop): Result<{ question: HoleQuestion; notes: Phrase[] }> {
  const problems: Problem[] = [];
  const notes: Phrase[] = [];
  const bareUnit = form.units === 'inch' ? 'in' : 'mm';
  const length = (field: string, text: string): number | undefined => {
    if (text.trim() === '') return undefined;
    const parsed = parseLength(text, bareUnit);
    if (!parsed.ok) {
      problems.push(...parsed.problems.map((p) => ({ ...p, field })));
      return undefined;
    }
    if (parsed.value.assumed) notes.push(parsed.value.assumed);
    return parsed.value.mm;
  };
  const material = shop.materials.find((m) => m.id === form.material);
  if (!material)
    problems.push(
      unknown(
        'material',
        'There is no material “{id}”.',
        form.material,
        shop.materials.map((m) => m.id),
      ),
    );
  const machine = form.machine === '' ? undefined : shop.machines.find((m) => m.id === form.machine);
  if (form.machine !== '' && !machine)
    problems.push(
      unknown(
        'machine',
        'There is no machine “{id}”.',
        form.machine,
        shop.machines.map((m) => m.id),
      ),
    );
  const pool = shop.pools.find((p) => p.id === form.drills);
  if (!pool)
    problems.push(
      unknown(
        'drills',
        'There is no drill set “{id}”.',
        form.drills,
        shop.pools.map((p) => p.id),
      ),
    );
  const drill = form.drill.trim() === '' || !pool ? undefined : findDrill(form.drill, pool);
  if (pool && form.drill.trim() !== '' && !drill)
    problems.push({
      code: 'drill-unknown',
      field: 'drill',
      ...phrase('“{typed}” is not a drill that is made.', { typed: form.drill }),
      remedy: phrase('Write its size as stamped: 6.8, 17/64, #7 or F.'),
    });
  const percentText = form.percent.trim().replace(/\s*%$/, '').replace(',', '.');
  const auto = percentText === '' || percentText.toLowerCase() === 'auto';
  const targetPercent = auto ? undefined : Number(percentText);
  if (targetPercent !== undefined && !Number.isFinite(targetPercent))
    problems.push({
      code: 'percent-unreadable',
      field: 'targetPercent',
      ...phrase('“{typed}” is not a percentage.', { typed: form.percent }),
      remedy: phrase('Type a number such as 70, or auto.'),
    });
  const threadDepthMm = length('threadDepth', form.depth);
  const thicknessMm = length('thickness', form.thickness);
  const stockWidthMm = length('stockWidth', form.width);
  const existingMm = length('existing', form.existing);
  if (problems.length > 0 || !material || !pool) return { ok: false, problems };
  const question: HoleQuestion = {
    callout: form.callout,
    bareUnit,
    material,
    hole: form.hole === 'auto' ? undefined : form.hole,
    threadDepthMm,
    thicknessMm,
    stockWidthMm,
    existingMm,
    pool: suitedTo(pool, material, machine),
    tools: shop.tools,
    drill,
    tap: form.tap,
    targetPercent,
    machine,
    start: form.start === 'auto' ? undefined : form.start,
    dry: form.dry,
    boltId: form.bolt === '' ? undefined : form.bolt,
    quantity: form.parts.trim() === '' ? 1 : Number(form.parts),
    habits: shop.habits,
  };
  return { ok: true, value: { question, notes } };
}

/** Reads a form and answers it. */
export function answerForm(form: AskForm, shop: Shop): Result<HolePlan> {
  const read = readForm(form, shop);
  if (!read.ok) return read;
  const plan = answerQuestion(read.value.question);
  if (plan.ok) plan.value.assumptions.unshift(...read.value.notes);
  return plan;
}
