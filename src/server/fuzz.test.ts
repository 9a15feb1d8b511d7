import fc from 'fast-check';
import { answerRequest, answerResponse } from '@/contracts/answer';
import { jobInput } from '@/contracts/job';
import { partFile } from '@/contracts/part-file';
import { USUAL_HABITS } from '@/core/ask/habits';
import { DRILL_SETS } from '@/core/drills/drill-sets';
import { readPlateCsv } from '@/core/formats/plate-csv';
import { readPlateDxf } from '@/core/formats/plate-dxf';
import { MATERIALS } from '@/core/materials/materials';
import { checked } from './http/respond';
import { answerRequestOf } from './services/answer-service';
import { Refusal } from './services/refusal';

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
    materialId: fc.constantFrom(...MATERIALS.map((m) => m.id)),
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
