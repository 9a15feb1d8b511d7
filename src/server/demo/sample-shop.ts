import { MATERIALS } from '@/core/materials/materials';
import * as schema from '../schema';
import type { Database } from '../database';
import { shopRow } from '../repositories/crib-repository';
import { insertJob } from '../services/job-service';
import { writing, type Writer } from '../writing';
import { SAMPLE_CASES, SAMPLE_DRILLS } from './sample-drills';
import { SAMPLE_JOBS } from './sample-jobs';
import { SAMPLE_MACHINES } from './sample-machines';
import { SAMPLE_TAPS } from './sample-taps';
import { SAMPLE_TOOLS } from './sample-tools';

export const SAMPLE_NAME = 'Quillow Hill Observatory workshop';
export const OWN_NAME = 'Workshop';

/** A shop with its name and the metals that everybody knows. */
async function begin(tx: Writer, name: string): Promise<void> {
  await tx.insert(schema.shop).values({ id: 'shop', name, units: 'mm' });
  await tx
    .insert(schema.materials)
    .values(MATERIALS.map((material, position) => ({ id: material.id, material, position })));
}

/** Begins a new database with an empty shop, to be set up; leaves any other untouched. */
export const beginEmptyShop = (db: Database): Promise<void> =>
  writing(db, async (tx) => {
    if (!(await shopRow(tx))) await begin(tx, OWN_NAME);
  });

/**
 * Fills a new database with the Quillow Hill Observatory's workshop; leaves any other untouched.
 * @returns whether it was new
 */
export async function seedSampleShop(db: Database): Promise<boolean> {
  return writing(db, async (tx) => {
    // Asked inside: two servers that start on one new file seed it once.
    if (await shopRow(tx)) return false;
    await begin(tx, SAMPLE_NAME);
    await tx.insert(schema.machines).values(SAMPLE_MACHINES);
    await tx.insert(schema.drillCases).values(SAMPLE_CASES);
    await tx.insert(schema.drills).values(SAMPLE_DRILLS);
    await tx.insert(schema.tools).values(SAMPLE_TOOLS);
    await tx.insert(schema.taps).values(SAMPLE_TAPS);
    for (const [i, job] of SAMPLE_JOBS.entries()) {
      const at = `2026-11-${String(9 + 2 * i).padStart(2, '0')}T09:00:00.000Z`;
      await insertJob(tx, job, at);
    }
    return true;
  });
}
