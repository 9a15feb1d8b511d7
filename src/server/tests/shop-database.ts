import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Client } from '@libsql/client';
import { v7 as uuidv7 } from 'uuid';
import type { Job, JobInput } from '@/contracts/job';
import { BLANK_FORM } from '@/core/hole/form';
import { USUAL_PART } from '@/core/layout/part';
import { openDatabase, type Database } from '../database';
import { seedSampleShop } from '../demo/sample-shop';
import { listJobs } from '../repositories/job-repository';
import { existingJob } from '../services/job-service';
import { Refusal } from '../refusal';

/** A database of the sample shop in a folder of its own, new for every test of a file. */
export function shopDatabase() {
  const at = {} as { folder: string; db: Database; client: Client };
  beforeEach(async () => {
    at.folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-test-'));
    Object.assign(at, await openDatabase(`file:${at.folder}/shop.db`));
    await seedSampleShop(at.db);
  });
  afterEach(() => {
    at.client.close();
    rmSync(at.folder, { recursive: true, force: true });
  });
  return { at, refusal, job };
}

const job = (over: Partial<JobInput> = {}): JobInput => ({
  id: uuidv7(),
  name: 'Bracket',
  materialId: 'steel-low-carbon',
  quantity: 2,
  notes: '',
  part: USUAL_PART,
  holes: [{ id: uuidv7(), name: 'feet', face: 'top', question: { ...BLANK_FORM, callout: '4x M5 THRU' } }],
  ...over,
});

/** What was refused; anything else thrown is a fault. */
export async function refusal(work: Promise<unknown> | (() => unknown)): Promise<Refusal> {
  try {
    await (typeof work === 'function' ? work() : work);
  } catch (error) {
    if (error instanceof Refusal) return error;
    throw error;
  }
  throw new Error('nothing was refused');
}

/** Every job that is not deleted, whole. */
export async function allJobs(db: Database): Promise<Job[]> {
  const { jobs } = await listJobs(db);
  return Promise.all(jobs.map((j) => existingJob(db, j.id)));
}
