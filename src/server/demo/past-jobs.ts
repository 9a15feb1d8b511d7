import type { JobInput } from '@/contracts/job';
import { circle, hole, job, point, row } from './sample-jobs';

const plate = (widthMm: number, heightMm: number, thicknessMm: number) =>
  ({ shape: 'plate', widthMm, heightMm, thicknessMm }) as const;
const GAUGED = 4;

/** What the observatory made before, oldest first: brackets, feet, caps and pins of the mount and its dome. */
export const PAST_JOBS: JobInput[] = [
  job(
    'shutter-brackets',
    'Shutter brackets',
    {
      material: 'aluminium-wrought-6000',
      machine: 'bench-drill-press',
      stock: plate(80, 50, 8),
      condition: 'sawn',
      quantity: 50,
      checkEvery: GAUGED,
    },
    'Two at each rib of the dome.',
    [hole('past-bracket', 'Feet', { callout: '4x M6 THRU', thickness: '8' }, row(13, 25, 4, 18))],
  ),
  job(
    'finder-rings',
    'Finder rings',
    {
      material: 'brass-free-cutting',
      machine: 'bench-drill-press',
      stock: { shape: 'disc', diameterMm: 90, thicknessMm: 12 },
      condition: 'turned',
      quantity: 32,
      checkEvery: GAUGED,
    },
    'Three screws hold the tube.',
    [hole('past-finder', 'Screws', { callout: '3x M5 THRU', thickness: '12' }, circle(0, 0, 70, 3, 90))],
  ),
  job(
    'pier-feet',
    'Pier feet',
    {
      material: 'steel-low-carbon',
      machine: 'bench-drill-press',
      stock: plate(120, 80, 12),
      condition: 'flame cut, edges milled',
      quantity: 36,
      checkEvery: GAUGED,
    },
    'Levelling screws of the pier.',
    [
      hole('past-foot-level', 'Levelling', { callout: '4x M8 THRU', thickness: '12' }, row(18, 40, 4, 28)),
      hole('past-foot-lock', 'Lock', { callout: '2x M6 THRU', thickness: '12' }, row(40, 16, 2, 40)),
    ],
  ),
  job(
    'rail-clamps',
    'Rail clamps',
    {
      material: 'steel-low-carbon',
      machine: 'knee-mill',
      stock: plate(60, 40, 18),
      condition: 'milled',
      quantity: 60,
      checkEvery: GAUGED,
    },
    'Clamps of the counterweight rail.',
    [
      hole('past-clamp-screw', 'Clamp screws', { callout: '4x M6 x 12 DEEP', thickness: '18' }, row(10, 20, 4, 13)),
      hole('past-clamp-pin', 'Pin', { callout: 'ø5 THRU', thickness: '18' }, point(30, 8)),
    ],
  ),
  job(
    'cell-pads',
    'Mirror-cell pads',
    {
      material: 'stainless-austenitic',
      machine: 'knee-mill',
      stock: plate(50, 50, 10),
      condition: 'annealed',
      quantity: 44,
      checkEvery: GAUGED,
    },
    'Pads under the mirror. Fluid always.',
    [hole('past-pad', 'Pad screws', { callout: '4x M5 THRU', thickness: '10' }, row(10, 25, 4, 10))],
  ),
  job(
    'bearing-caps',
    'Bearing caps',
    {
      material: 'iron-grey',
      machine: 'bench-drill-press',
      stock: plate(90, 45, 20),
      condition: 'as cast, skin removed',
      quantity: 45,
      checkEvery: GAUGED,
    },
    'Caps of the azimuth rollers.',
    [hole('past-cap', 'Cap bolts', { callout: '4x M8 x 14 DEEP', thickness: '20' }, row(15, 22, 4, 20))],
  ),
  job(
    'spindle-stubs',
    'Spindle stubs',
    {
      material: 'steel-alloy-annealed',
      machine: 'lathe',
      stock: { shape: 'bar', diameterMm: 25, lengthMm: 60 },
      condition: 'from the hard bar',
      quantity: 60,
      checkEvery: GAUGED,
    },
    'One bar was harder than its paper said.',
    [hole('past-stub', 'Axis', { callout: 'M8 x 16 DEEP', width: '25' }, point(0, 0))],
  ),
  job(
    'cover-plates',
    'Cover plates',
    {
      material: 'aluminium-wrought-6000',
      machine: 'knee-mill',
      stock: plate(140, 70, 6),
      condition: 'rolled plate',
      quantity: 40,
      checkEvery: GAUGED,
    },
    'Covers of the drive box.',
    [
      hole('past-cover-m5', 'Corners', { callout: '4x M5 THRU', thickness: '6' }, row(20, 15, 4, 33)),
      hole('past-cover-m4', 'Label', { callout: '4x M4 THRU', thickness: '6' }, row(20, 50, 4, 33)),
    ],
  ),
  job(
    'tail-studs',
    'Tail blocks',
    {
      material: 'steel-low-carbon',
      machine: 'bench-drill-press',
      stock: plate(70, 40, 16),
      condition: 'milled',
      quantity: 40,
      checkEvery: GAUGED,
    },
    'Blocks for the tail of the rail.',
    [
      hole('past-tail-m10', 'Through bolts', { callout: '3x M10 THRU', thickness: '16' }, row(15, 20, 3, 20)),
      hole('past-tail-m6', 'Stops', { callout: '4x M6 THRU', thickness: '16' }, row(12, 8, 4, 15)),
    ],
  ),
  job(
    'drive-brackets',
    'Drive brackets',
    {
      material: 'aluminium-wrought-6000',
      machine: 'bench-drill-press',
      stock: plate(90, 60, 10),
      condition: 'sawn',
      quantity: 64,
      checkEvery: GAUGED,
    },
    'Second lot, for the altitude drive.',
    [
      hole('past-drive-m6', 'Motor', { callout: '4x M6 THRU', thickness: '10' }, row(15, 30, 4, 20)),
      hole('past-drive-m5', 'Guard', { callout: '3x M5 THRU', thickness: '10', tap: 'cut' }, row(20, 12, 3, 24)),
    ],
  ),
];
