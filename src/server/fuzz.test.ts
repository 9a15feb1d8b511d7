import fc from 'fast-check';
import { answerRequest, answerResponse } from '@/contracts/answer';
import { CRIB_INPUT, cribImport, shopChange, toolInput } from '@/contracts/crib';
import { jobInput } from '@/contracts/job';
import { partFile } from '@/contracts/part-file';
import { operationEdits } from '@/contracts/operation-edits';
import { BLANK_FORM } from '@/core/hole/form';
import { USUAL_HABITS } from '@/core/shop/habits';
import { planForm } from '@/core/hole/read-form';
import { withEdits } from '@/core/operation/edits';
import { DRILL_SETS } from '@/core/drills/drill-sets';
import { readCribCsv } from '@/core/formats/crib-csv';
import { readPlateCsv } from '@/core/formats/plate-csv';
import { readPlateDxf } from '@/core/formats/plate-dxf';
import type { InsertedOperation } from '@/core/operation/inserted-step';
import { MATERIALS } from '@/core/materials/materials';
import { checked } from './http/respond';
import { answerRequestOf } from './services/answer-service';
import { changeSchema } from './services/crib-service';
import { Refusal } from './refusal';

const shop = {
  materials: MATERIALS,
  machines: [],
  pools: [{ ...DRILL_SETS[6], id: 'crib' }, ...DRILL_SETS],
  habits: USUAL_HABITS,
};

/** Runs what may be refused: a refusal with fields and remedies is an answer, anything else thrown is a fault. */
function answeredOrRefused(work: () => unknown): 'answered' | 'refused' {
  try {
    work();
    return 'answered';
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    expect(error.status).toBe(422);
    expect(error.errors.length).toBeGreaterThan(0);
    for (const e of error.errors)
      expect([typeof e.field, e.detail.length > 0, e.remedy.length > 0]).toEqual(['string', true, true]);
    return 'refused';
  }
}

const odd = fc.oneof(
  fc.anything(),
  fc.double(),
  fc.string({ maxLength: 20 }),
  fc.constantFrom('M8', '16 mm', '1/0', '', 'NaN', '-1', '1e999', '9'.repeat(40)),
);

test('whatever is sent as a question: an answer or a refusal that names its fields, never a fault', () => {
  const request = fc.record(
    {
      callout: fc.oneof(fc.constantFrom('M8 x 16 DEEP', '1/4-20', '4x M5 THRU', 'G 1/8', '1/8 NPT', '2 BA'), odd),
      materialId: fc.oneof(fc.constantFrom(...MATERIALS.map((m) => m.id)), odd),
      hole: fc.oneof(
        fc.record(
          {
            kind: fc.oneof(fc.constantFrom('through', 'blind'), odd),
            threadDepth: odd,
            thickness: odd,
            stockWidth: odd,
            existing: odd,
          },
          { requiredKeys: [] },
        ),
        odd,
      ),
      drills: fc.oneof(fc.constantFrom('crib', 'inch-index-115', 'all'), odd),
      drill: odd,
      tap: fc.oneof(fc.constantFrom('cut', 'form', 'auto'), odd),
      targetPercent: fc.oneof(fc.double({ min: 0, max: 120 }), odd),
      machine: fc.oneof(
        fc.record({ stepsRpm: fc.array(fc.double({ min: 1, max: 9000, noNaN: true }), { maxLength: 5 }) }),
        odd,
      ),
      units: fc.oneof(fc.constantFrom('mm', 'inch'), odd),
      quantity: odd,
    },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(fc.oneof(request, fc.anything()), (body) => {
      answeredOrRefused(() => answerResponse.parse(answerRequestOf(checked(answerRequest, body), shop)));
    }),
    { numRuns: 600 },
  );
});

test('sensible questions are mostly answered, and every answer fits its published schema', () => {
  const sensible = fc.record({
    thread: fc.constantFrom('M3', 'M6', 'M10x1', '#6-32', '1/2-13', 'G 1/4', '1/4 NPT', '4 BA', '3/8 BSF'),
    // Metals that no tap cuts by hand are refused, as they should be.
    materialId: fc.constantFrom(...MATERIALS.filter((m) => m.hardnessHb <= 355).map((m) => m.id)),
    hole: fc.record({
      kind: fc.constantFrom('through', 'blind'),
      threadDepth: fc.integer({ min: 4, max: 12 }),
      thickness: fc.integer({ min: 30, max: 60 }),
    }),
    machine: fc.constant({ rangeRpm: { min: 40, max: 4000 } }),
  });
  const seen = { answered: 0, refused: 0 };
  fc.assert(
    fc.property(sensible, (body) => {
      seen[answeredOrRefused(() => answerResponse.parse(answerRequestOf(checked(answerRequest, body), shop)))] += 1;
    }),
    { numRuns: 200 },
  );
  expect(seen.answered).toBeGreaterThan(190);
});

test('whatever is sent as a job or a part file is taken or refused by its fields', () => {
  fc.assert(
    fc.property(fc.anything(), (body) => {
      answeredOrRefused(() => checked(jobInput, body));
      answeredOrRefused(() => checked(partFile, body));
    }),
    { numRuns: 300 },
  );
});

test('whatever is in a file: features or a reason, never a fault', () => {
  const lines = fc.array(
    fc.constantFrom(
      'callout,x,y',
      'M8,1,2',
      '"',
      ',,,,',
      'x',
      '0',
      'SECTION',
      '2',
      'ENTITIES',
      'CIRCLE',
      '10',
      '20',
      '40',
      'ENDSEC',
      'EOF',
      '-1e9',
      '\t',
    ),
    { maxLength: 30 },
  );
  const text = fc.oneof(
    fc.string({ maxLength: 200 }),
    lines.map((l) => l.join('\n')),
  );
  fc.assert(
    fc.property(text, (content) => {
      for (const result of [
        readPlateCsv(content, 'mm'),
        readPlateDxf(content, 1),
        readPlateDxf(`${content}\nEOF\n`, 25.4),
      ])
        if (!result.ok) expect(result.problems[0].remedy.text.length).toBeGreaterThan(0);
    }),
    { numRuns: 400 },
  );
});

test('whatever is sent to the crib is taken or refused by its fields; whatever is in its table is read or explained', () => {
  fc.assert(
    fc.property(
      fc.anything(),
      fc.constantFrom(...(Object.keys(CRIB_INPUT) as (keyof typeof CRIB_INPUT)[])),
      (body, kind) => {
        answeredOrRefused(() => checked(CRIB_INPUT[kind], body));
        answeredOrRefused(() => checked(changeSchema(kind), body));
        answeredOrRefused(() => checked(shopChange, body));
        answeredOrRefused(() => checked(cribImport, body));
      },
    ),
    { numRuns: 200 },
  );
  const cell = fc.constantFrom(
    'drill',
    'reamer',
    '6.8',
    '1/4 in',
    '-1',
    '=1+1',
    '',
    'sharp',
    'x'.repeat(300),
    '\u202e',
    '1e99',
  );
  const table = fc.array(fc.tuple(cell, cell, cell, cell), { maxLength: 8 });
  fc.assert(
    fc.property(table, (rows) => {
      const read = readCribCsv(['kind,name,diameter,condition', ...rows.map((r) => r.join(','))].join('\n'), 'mm');
      if (!read.ok) for (const p of read.problems) expect(p.remedy.text.length).toBeGreaterThan(0);
      else
        for (const t of read.value.tools)
          expect(toolInput.safeParse({ ...t, id: 'x' }).success || t.name === '' || t.fit !== undefined).toBe(true);
    }),
    { numRuns: 300 },
  );
});

test('whatever changes a user makes, there is a plan, and what cannot be is said', () => {
  const key = fc.constantFrom('lay-out', 'start', 'pilot-1', 'drill', 'chamfer', 'tap-1', 'check', 'own', 'strange');
  const edits = fc.record(
    {
      order: fc.array(key, { maxLength: 8 }),
      dropped: fc.array(key, { maxLength: 4 }),
      inserted: fc.constantFrom<InsertedOperation[][]>(
        [],
        [{ key: 'own', kind: 'drill' as const, drill: '5', fullMm: 8 }],
        [{ key: 'own', kind: 'drill' as const, drill: 'spoon', fullMm: 8 }],
        [{ key: 'own', kind: 'note' as const, text: 'Look', seconds: 5 }],
      ),
      overrides: fc.dictionary(
        key,
        fc.record(
          { rpm: fc.double({ min: 1, max: 1e5, noNaN: true }), fullMm: fc.double({ min: 0.1, max: 100, noNaN: true }) },
          { requiredKeys: [] },
        ),
      ),
    },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(edits, fc.constantFrom('M8 x 12 DEEP', 'ø9 x 8 DEEP M8 THRU', 'ø8 H7 REAM THRU'), (change, callout) => {
      answeredOrRefused(() => checked(operationEdits, change));
      const planned = planForm({ ...BLANK_FORM, callout, thickness: '25' }, shop, {}, withEdits(change));
      if (!planned.ok) throw new Error(planned.problems.map((p) => p.text).join(' '));
      const { operations, dropped, problems } = planned.value;
      const plain = planForm({ ...BLANK_FORM, callout, thickness: '25' }, shop);
      const asked = plain.ok ? plain.value.operations.length : 0;
      const added = operations.filter((op) => op.inserted).length;
      expect(operations.length + dropped.length).toBe(asked + added);
      for (const op of operations)
        if (op.cut && !op.cut.spec.through) expect(op.cut.spec.fullMm + op.cut.tipMm).toBeLessThan(25);
      for (const p of problems) expect(p.remedy.text.length).toBeGreaterThan(0);
    }),
    { numRuns: 250 },
  );
});
