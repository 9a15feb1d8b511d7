import { copyFileSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { answerRequest, answerResponse } from '@/contracts/answer';
import { CRIB_INPUT } from '@/contracts/crib';
import { operationsResponse } from '@/contracts/operations';
import { jobInput } from '@/contracts/job';
import { BLANK_FORM } from '@/core/hole/form';
import { USUAL_HABITS } from '@/core/shop/habits';
import { speedsFromPulleys } from '@/core/cutting/pulleys';
import { plannerFor } from '@/core/job/plan-in-job';
import { boresOf, checkBores } from '@/core/layout/bores';
import { layOutFace } from '@/core/layout/lay-out';
import { facesOf, USUAL_PART } from '@/core/layout/part';
import type { Material } from '@/core/materials/material';
import { setPasscode } from './access/passcode';
import { accessRow } from './repositories/access-repository';
import { copiesOf, copyDatabase } from './backup';
import { findDataMark } from './repositories/data-repository';
import { inspectCopy, inspectData, restoreCopy } from './restore';
import { isOurHost } from './http/hosts';
import { openDatabase } from './database';
import { seedSampleShop } from './demo/sample-shop';
import { drillList, drillQuery, queryOf, threadList, threadQuery } from './http/catalogue';
import { openApiDocument } from './http/openapi';
import { answering, checked, problemResponse, readBody } from './http/respond';
import { markMissing } from './services/crib-service';
import { search } from './services/search-service';
import { listDrillCases, listMachines, listMaterials, shopRow } from './repositories/crib-repository';
import { answerRequestOf } from './services/answer-service';
import { addItem, changeInUse, changeItem, changeShop, cribKind, importCrib, takeOut } from './services/crib-service';
import { createJob, deleteJob, existingJob, replaceJob } from './services/job-service';
import { operationsOf } from './services/operations-service';
import { Refusal } from './refusal';
import { shopNow } from './services/shop-service';
import { allJobs, shopDatabase } from './tests/shop-database';
import { sheetsFor, templatePdf, templateSheets } from './services/template-pdf';

const { at, refusal, job } = shopDatabase();

describe('the sample shop', () => {
  test('is laid into a new database once, and only there', async () => {
    const jobs = await allJobs(at.db);
    expect(jobs.map((j) => j.name)).toEqual([
      'Pier adapter plate',
      'Azimuth bearing block',
      'Counterweight collar',
      'Dust-cap ring',
      'Spreader bars',
      'Fork trunnion',
      'Mirror-cell studs',
    ]);
    await deleteJob(at.db, jobs[0].id);
    const again = await openDatabase(`file:${at.folder}/shop.db`);
    await seedSampleShop(again.db);
    expect(await allJobs(again.db)).toHaveLength(6);
    again.client.close();
    const empty = await openDatabase(`file:${at.folder}/empty.db`);
    expect([await allJobs(empty.db), await shopRow(empty.db)]).toEqual([[], undefined]);
    expect((await shopNow(empty.db)).materials).toHaveLength(34);
    empty.client.close();
  });

  test('has the machines, and the drills with the gaps, of the workshop', async () => {
    const machines = await listMachines(at.db);
    expect(machines.map((m) => [m.id, m.reversible])).toEqual([
      ['bench-drill-press', false],
      ['pedestal-drill', false],
      ['knee-mill', true],
      ['lathe', true],
      ['cordless-drill', true],
    ]);
    const [index] = await listDrillCases(at.db);
    expect(index.drills).toHaveLength(118);
    expect(index.drills.some((d) => ['2.5', '6.8', '10.2'].includes(d.label))).toBe(false);
    expect(index.drills.find((d) => d.label === '11.0')?.condition).toBe('blunt');
  });

  test('every hole of the sample jobs has an answer and a place', async () => {
    const shop = await shopNow(at.db);
    for (const j of await allJobs(at.db)) {
      for (const { question: q } of j.holes) {
        const { thickness, width: stockWidth, existing } = q;
        const hole = {
          thickness: thickness || undefined,
          stockWidth: stockWidth || undefined,
          existing: existing || undefined,
        };
        const request = { callout: q.callout, materialId: j.materialId, hole, tap: q.tap, machine: q.machine };
        expect(answerRequestOf(checked(answerRequest, request), shop).steps.length).toBeGreaterThan(2);
      }
      const features = j.holes.map((h) => ({ ...h, callout: h.question.callout }));
      for (const face of facesOf(j.part.stock)) expect(layOutFace(j.part, face, features).problems).toEqual([]);
      expect(j.holes.every((h) => h.place)).toBe(true);
    }
  });
});

describe('parts', () => {
  test.each([
    [
      { part: { stock: { shape: 'tube', diameterMm: 40, boreMm: 50, lengthMm: 10 }, condition: '', datums: {} } },
      'part.stock.boreMm',
    ],
    [
      { part: { stock: { shape: 'plate', widthMm: -1, heightMm: 1, thicknessMm: 1 }, condition: '', datums: {} } },
      'part.stock.widthMm',
    ],
    [
      { holes: [{ id: uuidv7(), name: '', face: 'inside', question: { ...BLANK_FORM, callout: 'M4' } }] },
      'holes.0.face',
    ],
    [
      {
        holes: [
          {
            id: uuidv7(),
            name: '',
            place: { kind: 'point', x: 1e9, y: 0 },
            question: { ...BLANK_FORM, callout: 'M4' },
          },
        ],
      },
      'holes.0.place.x',
    ],
  ])('%#: refused at %s', async (over, field) => {
    const { errors } = await refusal(() => checked(jobInput, { ...job(), ...over }));
    expect(errors.map((e) => e.field)).toContain(field);
  });

  test('the template tiles over as many sheets as the face needs', async () => {
    expect([100, 186, 187, 362, 363].map((mm) => sheetsFor(mm, 186))).toEqual([1, 1, 2, 2, 3]);
    const part = { ...USUAL_PART, stock: { shape: 'plate', widthMm: 300, heightMm: 100, thicknessMm: 5 } } as const;
    const laid = layOutFace(part, 'top', [
      { id: 'a', name: '', callout: 'ø9 THRU', face: 'top', place: { kind: 'point', x: 150, y: 50 } },
    ]);
    const sheets = templateSheets(laid, 'Bracket <ø>', String, 'a4');
    expect(sheets).toHaveLength(2);
    // A window of 186 x 259 inside margins of 12; the second sheet begins at 176. From the top: 12 + 259 - 50.
    expect(sheets[0]).toContain('<circle cx="162" cy="221" r="4.5"');
    expect(sheets[1]).not.toContain('<circle');
    expect(sheets[0]).toContain('Bracket &lt;ø>, top face, sheet 1.1 of 2 x 1');
    const pdf = Buffer.from(await templatePdf(laid, 'Bracket <ø>', String, 'a4')).toString('latin1');
    expect(pdf.match(/MediaBox \[0 0 595\.28 841\.89\]/g)).toHaveLength(2);
  });
});

const drillItemOf = (caseId: string, id: string) => ({
  id,
  caseId,
  series: 'metric' as const,
  label: '6.7',
  diameterMm: 6.7,
  pointAngleDeg: 118,
  material: 'hss' as const,
  where: '',
});

describe('a database that cannot be used ends in one sentence with what to do', () => {
  const said = async (name: string): Promise<string> => {
    try {
      (await openDatabase(`file:${at.folder}/${name}`)).client.close();
      return 'opened';
    } catch (error) {
      return (error as Error).message.replace(at.folder, '');
    }
  };

  test('no database, another program’s, a newer one, a folder', async () => {
    writeFileSync(path.join(at.folder, 'letter.db'), 'Dear workshop, this is a letter and no database at all.');
    expect(await said('letter.db')).toBe(
      'The database /letter.db is no database. Set DATABASE_URL to another file, or move this one away to start a new one.',
    );
    const other = createClient({ url: `file:${at.folder}/other.db` });
    await other.execute('CREATE TABLE recipes (id INTEGER)');
    other.close();
    expect(await said('other.db')).toContain('/other.db is a database of another program.');
    const newer = await openDatabase(`file:${at.folder}/newer.db`);
    await newer.client.execute("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('later', 9999999999999)");
    newer.client.close();
    expect(await said('newer.db')).toContain('/newer.db was written by a newer Jolly Bit. Start the newer version');
    expect(await said('')).toMatch(/ cannot be opened .*Check that its folder exists/);
  });

  test('damage inside a file is found before anything is written', async () => {
    const file = path.join(at.folder, 'torn.db');
    const whole = await openDatabase(`file:${file}`);
    await seedSampleShop(whole.db);
    await whole.client.execute('PRAGMA wal_checkpoint(TRUNCATE)');
    whole.client.close();
    const bytes = readFileSync(file);
    bytes.fill(0xa5, 3 * 4096, 12 * 4096);
    writeFileSync(file, bytes);
    expect(await said('torn.db')).toContain('/torn.db is damaged. Move it away and restore a copy');
  });

  test('while another holds the file for long, it is busy: 503 with when to come again', async () => {
    const url = `file:${at.folder}/held.db`;
    const { client } = await openDatabase(url);
    const holder = createClient({ url });
    const held = await holder.transaction('write');
    const hasty = createClient({ url, timeout: 1 });
    const response = await answering(async () => {
      await hasty.execute('CREATE TABLE t (id INTEGER)');
      return new Response();
    });
    expect([response.status, response.headers.get('retry-after')]).toEqual([503, '2']);
    await held.rollback();
    for (const c of [client, holder, hasty]) c.close();
  });
});

describe('the crib', () => {
  test('what is put out of use is no longer chosen from', async () => {
    const ask = async () =>
      answerRequestOf(
        checked(answerRequest, { callout: 'M8 THRU', materialId: 'steel-low-carbon' }),
        await shopNow(at.db),
      ).tapDrill;
    expect(await ask()).toMatchObject({ because: 'chosen', chosen: { label: '17/64' }, missing: { label: '6.8' } });
    await changeInUse(at.db, 'cases', 'fraction-index', { inUse: false, version: 1 });
    expect((await ask())?.chosen.label).not.toBe('17/64');
    await changeInUse(at.db, 'machines', 'lathe', { inUse: false, version: 1 });
    expect((await shopNow(at.db)).machines.map((m) => m.id)).not.toContain('lathe');
    expect((await refusal(changeInUse(at.db, 'machines', 'lathe', { inUse: true, version: 1 }))).status).toBe(409);
    expect((await refusal(changeInUse(at.db, 'spoons', 'lathe', { inUse: true, version: 1 }))).status).toBe(404);
  });

  test('habits are changed once per version, and answers follow them', async () => {
    const drill = async () =>
      answerRequestOf(
        checked(answerRequest, { callout: 'M10 THRU', materialId: 'stainless-austenitic' }),
        await shopNow(at.db),
      );
    const usual = await drill();
    const habits = {
      ...USUAL_HABITS,
      stepRule: 'below',
      tapDrill: 'chart',
      firstTap: 'plug',
      notGoTurns: '3',
    } as const;
    const change = { version: 1, units: 'inch', habits } as const;
    await changeShop(at.db, change);
    const shop = await shopNow(at.db);
    expect([shop.units, shop.habits]).toEqual(['inch', habits]);
    expect((await refusal(changeShop(at.db, change))).status).toBe(409);
    const now = await drill();
    expect([usual.tapDrill?.chosen.label, now.tapDrill?.chosen.label]).toEqual(['8.6', '8.5']);
    expect([usual.tapping?.taps[0].name, now.tapping?.taps[0].name]).toEqual(['taper', 'plug']);
    expect(now.steps.at(-1)?.order).toContain('at most 3 turns');
    await changeShop(at.db, { ...change, version: 2, habits: USUAL_HABITS, units: 'mm' });
  });

  test('entries are added, changed from a known version, taken out and put back', async () => {
    const reamer = {
      id: 'r-12',
      kind: 'reamer',
      name: 'Reamer 12 H7',
      diameterMm: 12,
      fit: 'H7',
      condition: 'sharp',
      where: '',
    } as const;
    await addItem(at.db, 'tools', reamer);
    expect((await refusal(addItem(at.db, 'tools', reamer))).status).toBe(409);
    expect((await shopNow(at.db)).tools?.find((t) => t.id === 'r-12')).toMatchObject({ diameterMm: 12, fit: 'H7' });
    await changeItem(at.db, 'tools', { ...reamer, condition: 'blunt', version: 1 });
    expect((await refusal(changeItem(at.db, 'tools', { ...reamer, version: 1 }))).status).toBe(409);
    expect((await refusal(takeOut(at.db, 'tools', 'r-12', 1))).status).toBe(409);
    await takeOut(at.db, 'tools', 'r-12', 2);
    expect((await refusal(takeOut(at.db, 'tools', 'r-12', 2))).status).toBe(404);
    await addItem(at.db, 'tools', reamer);
    expect((await refusal(async () => cribKind('toString'))).status).toBe(404);
  });

  test('a material is copied and changed; a drill marked lost is no longer chosen; a machine keeps its pulleys', async () => {
    const { version: _, ...steel } = (await listMaterials(at.db)).find(
      (m) => m.id === 'steel-low-carbon',
    ) as Material & {
      version: number;
    };
    await addItem(at.db, 'materials', {
      ...steel,
      id: 'our-bar',
      label: 'Our bar',
      threadPercent: { low: 70, target: 80, high: 85 },
    });
    const ask = async () =>
      answerRequestOf(checked(answerRequest, { callout: 'M8 THRU', materialId: 'our-bar' }), await shopNow(at.db))
        .tapDrill?.chosen.label;
    expect(await ask()).toBe('6.7');
    const drill = { ...drillItemOf('metric-index', 'metric-index-hss-6.7'), condition: 'lost' as const };
    await changeItem(at.db, 'drills', { ...drill, version: 1 });
    expect(await ask()).not.toBe('6.7');
    await importCrib(at.db, { drills: [{ ...drill, condition: 'sharp' }], tools: [], taps: [] });
    expect(await ask()).toBe('6.7');
    expect(
      (await refusal(importCrib(at.db, { drills: [{ ...drill, id: 'x', caseId: 'nowhere' }], tools: [], taps: [] })))
        .status,
    ).toBe(404);
    const press = (await listMachines(at.db)).find((m) => m.id === 'bench-drill-press');
    expect(press?.pulleys && speedsFromPulleys(press.pulleys)).toEqual(
      press?.speeds.kind === 'steps' && press.speeds.steps,
    );
  });

  test.each([
    ['machines', { speeds: { kind: 'range', minRpm: 900, maxRpm: 100 } }, 'speeds.maxRpm'],
    ['drills', { diameterMm: -1 }, 'diameterMm'],
    ['tools', { kind: 'spoon' }, 'kind'],
    ['materials', { threadPercent: { low: 80, target: 60, high: 70 } }, 'threadPercent'],
  ] as const)('a bad entry of %s is refused at its field', async (kind, body, field) => {
    const { errors } = await refusal(() => checked(CRIB_INPUT[kind], { id: 'x', name: 'x', ...body }));
    expect(errors.map((e) => e.field)).toContain(field);
  });
});

describe('the operations of a job', () => {
  test('every feature of every sample job has its operations, in the schema that is published, and nothing that cannot be', async () => {
    const shop = await shopNow(at.db);
    for (const job of await allJobs(at.db)) {
      const document = { features: [...operationsOf(job, shop, 'mm')] };
      const planner = plannerFor(shop);
      const laid = job.holes.map((h) => ({ ...h, callout: h.question.callout, made: planner.made(h, job) }));
      const meeting = checkBores(boresOf(job.part, laid), () => true).listed.filter((f) => f.level === 'stop');
      expect([job.name, meeting.map((f) => `${f.a.featureId} ${f.b.featureId}`)]).toEqual([job.name, []]);
      expect(operationsResponse.parse(document)).toEqual(document);
      for (const f of document.features) {
        expect([f.callout, f.problems, f.faults]).toEqual([f.callout, [], []]);
        expect(f.operations.length).toBeGreaterThan(2);
        for (const op of f.operations) {
          expect(op.cautions.filter((c) => c.level === 'stop')).toEqual([]);
          if (op.tool) expect([f.callout, op.tool, op.inCrib]).toEqual([f.callout, op.tool, true]);
          if (op.diameterMm !== null && op.code === 'drill') expect(op.stop.length).toBeGreaterThan(3);
        }
      }
    }
  });

  test('the missing 6.8 leads to 17/64; the angled screws are tilted for; old threads are kept', async () => {
    const shop = await shopNow(at.db);
    const orders = async (id: string): Promise<string> =>
      [...operationsOf(await existingJob(at.db, `sample-job-${id}`), shop, 'mm')]
        .flatMap((f) => f.operations.map((op) => op.order))
        .join(' ');
    expect(await orders('fork-trunnion')).toMatch(/gauge binds: chase 1\/2-12 BSW.*Drill 17\/64 in to/);
    // Tilt of 4 across in 14 of wall: 15.95 degrees.
    expect(await orders('counterweight-collar')).toContain(
      'Turn the part until the back lies along the tilt, tilt it 15.95°',
    );
    expect(await orders('pier-adapter-plate')).toContain('Ream 8.0 mm H7, through');
  });

  test('changes are kept with the hole and come back in its operations; a bad one is refused at its field', async () => {
    const kept = await existingJob(at.db, 'sample-job-bearing-block');
    const edits = {
      dropped: ['start'],
      overrides: { drill: { rpm: 330 } },
      inserted: [{ key: 'own-1', kind: 'note' as const, text: 'Warm it', seconds: 60 }],
    };
    const body = kept;
    const changed = await replaceJob(at.db, {
      ...body,
      holes: body.holes.map((h, i) => (i === 0 ? { ...h, edits } : h)),
    });
    expect(changed.holes[0].edits).toEqual(edits);
    const [first] = operationsOf(changed, await shopNow(at.db), 'inch');
    expect(first.operations.map((op) => op.code)).not.toContain('start');
    expect(first.operations.find((op) => op.key === 'drill')?.setRpm).toBe(330);
    expect(first.operations.find((op) => op.key === 'own-1')?.order).toBe('Warm it');
    expect(first.faults.map((f) => f.key)).toEqual(['start']);
    const { errors } = await refusal(() =>
      checked(jobInput, job({ holes: [{ ...body.holes[0], edits: { overrides: { drill: { rpm: -1 } } } }] })),
    );
    expect(errors.map((e) => e.field)).toContain('holes.0.edits.overrides.drill.rpm');
  });
});

describe('the answer over HTTP', () => {
  const answer = async (request: unknown) => answerRequestOf(checked(answerRequest, request), await shopNow(at.db));
  const mild = { materialId: 'steel-low-carbon', drills: 'metric-1-13-by-0.1' };

  test('holds the whole plan with units in the names, and its own schema', async () => {
    const document = await answer({
      ...mild,
      callout: '2x M8 x 16 DEEP',
      hole: { thickness: 25 },
      machine: 'bench-drill-press',
    });
    expect(answerResponse.parse(document)).toEqual(document);
    expect(document).toMatchObject({
      count: 2,
      thread: { designation: 'M8x1.25', class: '6H' },
      hole: { kind: 'blind', threadDepthMm: 16, thicknessMm: 25, fullDiameterDepthMm: 19.75 },
      tapDrill: { targetPercent: 75, chosen: { label: '6.8', verdict: 'inside', owned: true } },
      drilling: { setRpm: 1030, setLabel: 'belts 2-C' },
    });
    expect(document.tapDrill?.chosen.percentOfThread).toBeCloseTo(73.9, 1);
    expect(document.working.map((w) => w.figure)).toEqual(
      expect.arrayContaining(['drilling.idealRpm', 'tapping.torqueNm', 'hole.totalDepthMm']),
    );
    expect(JSON.stringify(document)).not.toMatch(/[{][a-z]+[}]|NaN|undefined/);
  });

  test('numbers are in the units named, text carries its own', async () => {
    const inch = await answer({
      ...mild,
      thread: 'M8',
      units: 'inch',
      hole: { kind: 'blind', threadDepth: 0.5, thickness: '30 mm' },
    });
    expect(inch.hole).toMatchObject({ threadDepthMm: 12.7, thicknessMm: 30 });
    expect(inch.steps.map((s) => s.order).join()).toContain(' in ');
  });

  test('a machine of the request; a speed it cannot reach is refused with the rest of the answer', async () => {
    const machine = { name: 'old press', stepsRpm: [300, { rpm: 600, label: 'middle' }, 1200] };
    expect((await answer({ ...mild, thread: 'M8', machine })).drilling).toMatchObject({
      setRpm: 1200,
      setLabel: '1200 rev/min',
    });
    const r = await refusal(
      answer({
        thread: 'M20',
        drills: 'all',
        materialId: 'nickel-alloy',
        machine: { rangeRpm: { min: 450, max: 2800 } },
      }),
    );
    expect([r.status, r.errors[0].field]).toEqual([422, 'machine']);
    expect(answerResponse.parse(r.partial)).toMatchObject({
      tapDrill: { chosen: { label: '17.5' } },
      drilling: { setRpm: null },
    });
  });

  test.each([
    [{ ...mild }, 'callout'],
    [{ ...mild, thread: 'M8', callout: 'M8' }, 'callout'],
    [{ ...mild, thread: 'M8 blah' }, 'thread'],
    [{ ...mild, callout: 'M8', materialId: 'cheese' }, 'materialId'],
    [{ ...mild, callout: 'M8', drills: 'spoons' }, 'drills'],
    [{ ...mild, callout: 'M8', machine: 'spaceship' }, 'machine'],
    [{ ...mild, callout: 'M8', machine: { stepsRpm: [-1] } }, 'machine.stepsRpm.0'],
    [{ ...mild, callout: 'M8', machine: { name: 'press' } }, 'machine.stepsRpm'],
    [{ ...mild, callout: 'M8', machine: { stepRpm: [100] } }, 'machine.stepRpm'],
    [{ ...mild, callout: 'M8', hole: { threadDepth: -4 } }, 'hole.threadDepth'],
    [{ ...mild, callout: 'M8', hole: { threadDepth: '4 furlongs' } }, 'hole.threadDepth'],
    [{ ...mild, callout: 'M8', hole: { kind: 'sideways' } }, 'hole.kind'],
    [{ ...mild, callout: 'M8', targetPercent: 400 }, 'targetPercent'],
    [{ ...mild, callout: 'M8', targetPercent: 'many' }, 'targetPercent'],
    [{ ...mild, callout: 'M8', quantity: 1e9 }, 'quantity'],
    [{ ...mild, callout: 'M8', depth: 4 }, 'depth'],
    [null, 'body'],
    ['M8', 'body'],
  ])('%j is refused at %s', async (request, field) => {
    const { status, errors } = await refusal(answer(request));
    expect(status).toBe(422);
    expect(errors.map((e) => e.field)).toContain(field);
    for (const e of errors) expect([e.detail.length > 3, e.remedy.length > 3]).toEqual([true, true]);
  });
});

describe('copies of the data', () => {
  test('a copy brings everything back, and what stood there is kept; a broken or foreign file changes nothing', async () => {
    const file = path.join(at.folder, 'kept.db');
    const { db: kept, client } = await openDatabase(`file:${file}`);
    await seedSampleShop(kept);
    const copy = await copyDatabase(client, file, 'backup');
    const before = await allJobs(kept);
    await deleteJob(kept, before[0].id);
    await createJob(kept, job({ name: 'After the copy' }));
    expect(await inspectCopy(copy)).toMatchObject({ jobs: 7, machines: 5, changedAt: before[0].updatedAt });
    for (const [name, text] of [
      ['torn', readFileSync(copy).subarray(0, 9000)],
      ['half', readFileSync(copy).subarray(0, readFileSync(copy).length / 2)],
      ['letter', 'Dear workshop, this is no database.'],
      ['empty', ''],
    ] as const) {
      writeFileSync(path.join(at.folder, `${name}.copy`), text);
      await expect(restoreCopy(path.join(at.folder, `${name}.copy`), file)).rejects.toThrow(
        /is (no database|damaged)|holds no data of Jolly Bit/,
      );
    }
    await expect(restoreCopy(file, file)).rejects.toThrow('is the data itself');
    await expect(restoreCopy(path.join(at.folder, 'nowhere.db'), file)).rejects.toThrow('is not there');
    expect((await allJobs(kept)).map((j) => j.name)).toContain('After the copy');
    const mark = await findDataMark(kept);
    const aside = await restoreCopy(copy, file);
    expect(await allJobs(kept)).toEqual(before);
    expect(await findDataMark(kept)).not.toBe(mark);
    expect(await inspectCopy(aside)).toMatchObject({ jobs: 7 });
    client.close();
  });

  test('data whose changes still stand beside it are read with them, in use or copied by hand', async () => {
    const file = path.join(at.folder, 'open.db');
    const { db: open, client } = await openDatabase(`file:${file}`);
    await seedSampleShop(open);
    expect(readFileSync(`${file}-wal`).length).toBeGreaterThan(0);
    expect(await inspectData(file)).toMatchObject({ jobs: 7, machines: 5 });
    expect(await inspectData(path.join(at.folder, 'none.db'))).toBeUndefined();
    for (const end of ['', '-wal']) copyFileSync(file + end, path.join(at.folder, `byhand.db${end}`));
    client.close();
    const { client: other } = await openDatabase(`file:${at.folder}/other-shop.db`);
    other.close();
    await restoreCopy(path.join(at.folder, 'byhand.db'), path.join(at.folder, 'other-shop.db'));
    expect(await inspectData(path.join(at.folder, 'other-shop.db'))).toMatchObject({ jobs: 7 });
  });

  test('nobody gets in by a copy; one that broke off is none', async () => {
    const file = path.join(at.folder, 'door.db');
    const { db: kept, client } = await openDatabase(`file:${file}`);
    await setPasscode(kept, 'three brass taps');
    const { passcodeHash, sessionKey } = await accessRow(kept);
    const copy = await copyDatabase(client, file, 'by-hand');
    const text = readFileSync(copy, 'latin1');
    expect([text.includes(passcodeHash ?? '?'), text.includes(sessionKey)]).toEqual([false, false]);
    expect((await accessRow(kept)).sessionKey).toBe(sessionKey);
    expect(copiesOf(file)).toHaveLength(1);
    writeFileSync(copy, readFileSync(copy).subarray(0, 9000));
    writeFileSync(path.join(at.folder, 'backups', 'door.night.0.db'), '');
    expect(copiesOf(file)).toEqual([]);
    client.close();
  });

  test('fourteen of a kind are kept, the newest', async () => {
    const file = path.join(at.folder, 'many.db');
    const { client } = await openDatabase(`file:${file}`);
    for (let day = 1; day <= 16; day++) await copyDatabase(client, file, 'night', new Date(Date.UTC(2026, 10, day)));
    const copies = readdirSync(path.join(at.folder, 'backups'))
      .filter((f) => f.startsWith('many.night.'))
      .sort();
    expect([copies.length, copies[0].slice(11, 21)]).toEqual([14, '2026-11-03']);
    // A large shop: as many as have room, and never fewer than two.
    await copyDatabase(client, file, 'night', new Date('2026-12-01T00:00:00Z'), 1000);
    expect(readdirSync(`${at.folder}/backups`).filter((name) => name.includes('.night.'))).toHaveLength(2);
    client.close();
  });
});

test('a request is for us by loopback, HOST or PUBLIC_URL, whatever the port; by no other name', () => {
  const env = { HOST: 'bench.lan', PUBLIC_URL: 'https://holes.quillow.example/shop' };
  const ours = ['localhost', '127.0.0.1:3000', '127.8.9.1', '[::1]:3000', 'BENCH.lan:80', 'holes.quillow.example'];
  const foreign = [
    'evil.example',
    'localhost.evil.example',
    '127.0.0.1.evil.example:80',
    'evil.example:127',
    '',
    null,
    '10.0.0.9',
  ];
  expect(ours.filter((host) => !isOurHost(host, env))).toEqual([]);
  expect(foreign.filter((host) => isOurHost(host, env))).toEqual([]);
  expect(['', 'bench.lan', null].map((host) => isOurHost(host, {}))).toEqual([false, false, false]);
});

describe('bodies and problems', () => {
  const schema = z.strictObject({ a: z.number() });
  const body = (content: BodyInit, type = 'application/json') =>
    readBody(
      new Request('http://shop/x', { method: 'POST', body: content, headers: { 'content-type': type } }),
      schema,
    );

  test('a good body is read; others are refused with their own status', async () => {
    expect(await body('{"a":1}')).toEqual({ a: 1 });
    const status = async (content: BodyInit, type?: string): Promise<number> =>
      (await refusal(body(content, type))).status;
    expect(await status('{"a":')).toBe(400);
    expect(await status('')).toBe(400);
    expect(await status(new Uint8Array([0x7b, 0xff, 0xfe]))).toBe(400);
    expect(await status('{"a":1}', 'text/html')).toBe(415);
    expect(await status('{"a":"1"}')).toBe(422);
    expect(await status(`{"a":1,"b":"${'x'.repeat(10_000_000)}"}`)).toBe(413);
  });

  test('a problem document names the fields; a fault tells nothing of its inside', async () => {
    const refused = problemResponse(
      new Refusal(422, 'Not so', 'It is not so.', [{ field: 'a', code: 'c', detail: 'd', remedy: 'r' }]),
    );
    expect(refused.headers.get('content-type')).toContain('application/problem+json');
    expect(await refused.json()).toMatchObject({
      type: 'urn:jolly-bit:problem:not-so',
      status: 422,
      errors: [{ field: 'a' }],
    });
    const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const fault = await answering(() => Promise.reject(new Error('secret path')));
    quiet.mockRestore();
    expect([fault.status, (await fault.text()).includes('secret')]).toEqual([500, false]);
  });
});

test('the OpenAPI document is generated from the schemas and every reference in it resolves', () => {
  const document = openApiDocument();
  const text = JSON.stringify(document);
  const schemas = Object.keys(document.components.schemas);
  for (const [, name] of text.matchAll(/#\/components\/schemas\/(\w+)/g)) expect(schemas).toContain(name);
  expect(text).toContain('targetPercent');
  expect(text).toContain('fullDiameterDepthMm');
  expect(Object.keys(document.paths)).toEqual(
    expect.arrayContaining(['/api/v1/answer', '/api/v1/threads', '/api/v1/materials', '/api/v1/drills']),
  );
});

test('the catalogue: threads by series and part of the name, drills by set', async () => {
  const threads = (query: string) => threadList(checked(threadQuery, queryOf(new Request(`http://shop/?${query}`))));
  expect(threads('series=BA')).toHaveLength(17);
  expect(threads('q=10-32').map((t) => [t.designation, t.threadsPerInch, t.class])).toEqual([
    ['#10-32 UNF', 32, '2B'],
    ['#10-32 UNF STI', 32, 'insert'],
  ]);
  expect(threads('series=NPT')[0]).toMatchObject({ class: null, minorDiameterMinMm: null });
  expect((await refusal(() => threads('series=cheese'))).errors[0].field).toBe('series');
  const shop = await shopNow(at.db);
  expect(drillList(shop, 'inch-fraction-29')[0].drills[0]).toMatchObject({ name: '1/16 in', diameterIn: 0.0625 });
  expect(drillList(shop, undefined).map((s) => s.id)).toContain('crib');
  expect((await refusal(() => checked(drillQuery, { sets: 'x' }))).status).toBe(422);
});

test('anything is found by what it is called; a missing drill is passed over until it is given back', async () => {
  const found = async (q: string) => (await search(at.db, q, 'mm')).map((f) => `${f.kind} ${f.name}`);
  expect([await found('7/32 missing'), await found('6.8 is lost')]).toEqual([['missing Mark 7/32 in missing'], []]);
  const [answer] = await search(at.db, 'M8 x 16 DEEP 1018', 'mm');
  expect([answer.kind, answer.name, answer.detail]).toEqual([
    'answer',
    'M8 x 16 DEEP in Low-carbon (mild) steel',
    expect.stringMatching(/^Drill 17\/64 in, \d+ rev\/min, stop 24\.5 mm$/),
  ]);
  expect(await found('edge holes')).toContain('hole D  4x M5 THRU');
  expect(await found('pier')).toContain('job Pier adapter plate');
  expect(await found('1.4301')).toContain('material Stainless, austenitic');
  expect(await found('lathe')).toContain('machine Lathe');
  expect(await found('%')).toEqual([]);
  const size = (17 / 64) * 25.4;
  const { marks } = await markMissing(at.db, { diameterMm: size, restore: [] });
  expect(marks.map((m) => m.condition)).toEqual(['sharp']);
  expect((await search(at.db, 'M8 x 16 DEEP 1018', 'mm'))[0].detail).toMatch(/^Drill 6\.7 mm/);
  expect((await markMissing(at.db, { diameterMm: size, restore: [] })).marks).toEqual([]);
  await markMissing(at.db, { restore: marks });
  expect((await search(at.db, 'M8 x 16 DEEP 1018', 'mm'))[0].detail).toMatch(/^Drill 17\/64 in/);
});
