import { report } from './measure';
import { BLANK_FORM } from '../src/core/hole/form';
import { USUAL_HABITS } from '../src/core/shop/habits';
import { planForm } from '../src/core/hole/read-form';
import { plannerFor, type JobHead } from '../src/core/job/plan-in-job';
import { USUAL_PART } from '../src/core/layout/part';
import type { Shop } from '../src/core/shop/shop';
import { DRILL_SETS } from '../src/core/drills/drill-sets';
import { MATERIALS } from '../src/core/materials/materials';
import { SAMPLE_MACHINES } from '../src/server/demo/sample-machines';
import { SAMPLE_DRILLS } from '../src/server/demo/sample-drills';
import { SAMPLE_TOOLS } from '../src/server/demo/sample-tools';

const COUNT = 1000;
const CALLOUTS = ['M8 x 12 DEEP', '4x ø9 THRU CBORE ø15 x 8.6', 'ø8 H7 REAM THRU', 'ø9 x 10 DEEP M8 THRU', 'ø22 THRU'];
const shop = {
  materials: MATERIALS,
  machines: SAMPLE_MACHINES,
  pools: [{ id: 'crib', label: 'crib', drills: SAMPLE_DRILLS }, ...DRILL_SETS],
  habits: USUAL_HABITS,
  tools: SAMPLE_TOOLS,
} as unknown as Shop;

const question = (i: number) => ({
  ...BLANK_FORM,
  callout: CALLOUTS[i % CALLOUTS.length],
  thickness: String(20 + (i % 20)),
  machine: SAMPLE_MACHINES[i % 4].id,
});
const PARTS = 10;
const singly = Array.from({ length: PARTS }, (_, part) => () => {
  for (let i = part; i < COUNT; i += PARTS) planForm(question(i), shop);
});
singly.forEach((part) => part());
report(`${COUNT} features planned with the full crib, each on its own`, 9, singly, 700);

const head: JobHead = { materialId: MATERIALS[0].id, quantity: 1, part: USUAL_PART };
report(`${COUNT} features planned with the full crib, in a job (equal ones once)`, 5, () => {
  const { plan } = plannerFor(shop);
  for (let i = 0; i < COUNT; i++) plan({ question: question(i), face: 'top' }, head);
});
