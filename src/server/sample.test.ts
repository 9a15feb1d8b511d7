import { v7 as uuidv7 } from 'uuid';
import { BLANK_FORM } from '@/core/hole/form';
import { planForm } from '@/core/hole/read-form';
import { USUAL_MACHINES, USUAL_TAP_SETS } from '@/core/shop/usual-machines';
import { threadNamed } from '@/core/threads/thread-named';
import { machineInput } from '@/contracts/crib';
import { listDrillCases, listMachines, listMaterials, listTools, shopRow } from './repositories/crib-repository';
import { addItem, markMissing } from './services/crib-service';
import { createJob, existingJob, jobsPage } from './services/job-service';
import { isSampleThere, takeSampleOut } from './demo/sample-out';
import { shopNow } from './services/shop-service';
import { shopDatabase } from './tests/shop-database';

const { at, job } = shopDatabase();

test('the sample goes in one step; what is one’s own, or was changed, or is needed by it, stays', async () => {
  const mine = await createJob(
    at.db,
    job({
      holes: [
        { id: uuidv7(), name: '', face: 'top', question: { ...BLANK_FORM, callout: 'M6 THRU', machine: 'lathe' } },
      ],
    }),
  );
  await addItem(at.db, 'tools', {
    id: 'own-tool-1',
    kind: 'countersink',
    name: 'My countersink',
    diameterMm: 12,
  } as never);
  const { marks } = await markMissing(at.db, { diameterMm: 5, restore: [] });
  expect(marks.length).toBeGreaterThan(0);
  expect(await isSampleThere(at.db)).toBe(true);
  const out = await takeSampleOut(at.db);
  expect(out.jobs).toBe(7);
  expect((await jobsPage(at.db, [], {})).jobs.map((j) => j.id)).toEqual([mine.id]);
  expect((await existingJob(at.db, mine.id)).holes).toHaveLength(1);
  expect((await listMachines(at.db)).map((m) => m.id)).toEqual(['lathe']);
  expect((await listTools(at.db)).map((t) => t.id)).toEqual(['own-tool-1']);
  // The drills that were marked are changed: their case stays for them.
  const left = (await listDrillCases(at.db)).flatMap((c) => c.drills.map((d) => d.id));
  expect(left.sort()).toEqual(marks.map((m) => m.id).sort());
  expect([(await shopRow(at.db))?.name, (await listMaterials(at.db)).length > 30]).toEqual(['Workshop', true]);
  // Once more takes out nothing of one's own.
  expect(await takeSampleOut(at.db)).toEqual({ jobs: 0, entries: 0 });
  expect(await jobsPage(at.db, [], {})).toMatchObject({ total: 1 });
});

test('every usual machine is one that the crib takes and that plans a hole; every usual tap is of a thread', async () => {
  const shop = await shopNow(at.db);
  for (const usual of USUAL_MACHINES) {
    const machine = { ...usual, id: uuidv7() };
    expect([usual.name, machineInput.safeParse(machine).success]).toEqual([usual.name, true]);
    const form = { ...BLANK_FORM, callout: 'M6 THRU', thickness: '12', machine: machine.id };
    const plan = planForm(form, { ...shop, machines: [machine] });
    expect([usual.name, plan.ok]).toEqual([usual.name, true]);
  }
  const names = Object.values(USUAL_TAP_SETS).flat();
  expect(names.filter((name) => threadNamed(name) === undefined)).toEqual([]);
});
