import type { ToolKind } from '@/core/shop/tool';
import type { tools } from '../schema';

type Row = typeof tools.$inferInsert;
const tool = (id: string, kind: ToolKind, name: string, more: Partial<Row> = {}): Row => ({
  id: `tool-${id}`,
  kind,
  name,
  ...more,
});

/** A gauge with its number, checked this autumn. */
const CHECKED = (number: string): Partial<Row> => ({ number, checkedOn: '2026-10-02', where: 'gauge case' });

/** What else is in the drawers of the observatory's workshop. */
export const SAMPLE_TOOLS: Row[] = [
  tool('centre-2', 'centre-drill', 'Centre drill 2.0', { smallMm: 2, diameterMm: 5, where: 'drill press shelf' }),
  tool('centre-315', 'centre-drill', 'Centre drill 3.15', { smallMm: 3.15, diameterMm: 8, where: 'drill press shelf' }),
  tool('spot-6', 'spot-drill', 'Spot drill 6, 90°', { diameterMm: 6, angleDeg: 90, where: 'mill drawer' }),
  tool('spot-12', 'spot-drill', 'Spot drill 12, 90°', { diameterMm: 12, angleDeg: 90, where: 'mill drawer' }),
  tool('sink-8', 'countersink', 'Countersink 8.3, 90°', { diameterMm: 8.3, angleDeg: 90 }),
  tool('sink-165', 'countersink', 'Countersink 16.5, 90°', { diameterMm: 16.5, angleDeg: 90 }),
  tool('sink-25', 'countersink', 'Countersink 25, 90°', { diameterMm: 25, angleDeg: 90, condition: 'worn' }),
  tool('sink-inch', 'countersink', 'Countersink 1/2, 82°', { diameterMm: 12.7, angleDeg: 82 }),
  tool('bore-m5', 'counterbore', 'Counterbore for M5', { diameterMm: 10, smallMm: 5.5, where: 'top drawer' }),
  tool('bore-m6', 'counterbore', 'Counterbore for M6', { diameterMm: 11, smallMm: 6.6, where: 'top drawer' }),
  tool('bore-m8', 'counterbore', 'Counterbore for M8', { diameterMm: 15, smallMm: 9, where: 'top drawer' }),
  tool('ream-6', 'reamer', 'Reamer 6 H7', { diameterMm: 6, fit: 'H7', reachMm: 60 }),
  tool('ream-8', 'reamer', 'Reamer 8 H7', { diameterMm: 8, fit: 'H7', reachMm: 75 }),
  tool('ream-10', 'reamer', 'Reamer 10 H7', { diameterMm: 10, fit: 'H7', reachMm: 87, condition: 'blunt' }),
  tool('step-20', 'step-drill', 'Step drill 4 to 20 by 2', { smallMm: 4, stepMm: 2, diameterMm: 20, reachMm: 5 }),
  tool('ring-18', 'annular-cutter', 'Annular cutter 18', { diameterMm: 18, reachMm: 25 }),
  tool('ring-22', 'annular-cutter', 'Annular cutter 22', { diameterMm: 22, reachMm: 25 }),
  tool('saw-25', 'hole-saw', 'Hole saw 25', { diameterMm: 25, reachMm: 30 }),
  tool('saw-38', 'hole-saw', 'Hole saw 38', { diameterMm: 38, reachMm: 30, condition: 'worn' }),
  tool('wrench-t', 'tap-wrench', 'T-handle, small', { smallMm: 2, diameterMm: 5, reachMm: 90, where: 'tap drawer' }),
  tool('wrench-280', 'tap-wrench', 'Two-handed tap wrench', {
    smallMm: 4,
    diameterMm: 10,
    reachMm: 280,
    where: 'tap drawer',
  }),
  tool('spring-centre', 'spring-centre', 'Spring centre, 10 shank', { where: 'tap drawer' }),
  tool('tap-block', 'tapping-block', 'Tapping block M3 to M12', { diameterMm: 12, where: 'tap drawer' }),
  tool('tap-collets', 'tap-holder', 'Collets of the mill, 3 to 20', {
    smallMm: 3,
    diameterMm: 20,
    where: 'mill drawer',
  }),
  tool('tap-head', 'tapping-head', 'Tapping head M3 to M8', {
    smallMm: 3,
    diameterMm: 8,
    fromNm: 1,
    toNm: 12,
    where: 'drill press shelf',
  }),
  tool('die-m6', 'die', 'Die M6, adjustable', { thread: 'M6x1', where: 'die box' }),
  tool('die-m8', 'die', 'Die M8, adjustable', { thread: 'M8x1.25', where: 'die box' }),
  tool('die-m10', 'die', 'Die M10', { thread: 'M10x1.5', condition: 'worn', where: 'die box' }),
  tool('die-14', 'die', 'Die 1/4-20', { thread: '1/4-20 UNC', where: 'die box' }),
  tool('stock-25', 'die-stock', 'Die stock for 25 mm dies', { diameterMm: 25, where: 'die box' }),
  tool('nut-m8', 'chasing-nut', 'Chasing nut M8', { thread: 'M8x1.25', where: 'die box' }),
  tool('extract-6', 'extractor', 'Extractor for M6 taps, 4 flutes', { diameterMm: 6, where: 'tap drawer' }),
  tool('gauge-m6', 'thread-gauge', 'Plug gauge M6 6H', { thread: 'M6x1', fit: '6H', ...CHECKED('G-06') }),
  tool('gauge-m8', 'thread-gauge', 'Plug gauge M8 6H', { thread: 'M8x1.25', fit: '6H', ...CHECKED('G-08') }),
  tool('gauge-m10', 'thread-gauge', 'Plug gauge M10 6H', { thread: 'M10x1.5', fit: '6H', ...CHECKED('G-10') }),
  tool('pins', 'gauge-pin', 'Gauge pins 1 to 12', { smallMm: 1, diameterMm: 12, stepMm: 0.02, ...CHECKED('P-1') }),
  tool('caliper', 'measuring', 'Caliper 150', {
    instrument: 'caliper',
    standardMm: 20,
    readings: '20.01 20 20.02',
    where: 'gauge case',
  }),
  // Dropped once: reads a tenth too much.
  tool('depth-gauge', 'measuring', 'Depth gauge 150', {
    instrument: 'depth-gauge',
    standardMm: 20,
    readings: '20.11 20.1 20.12',
    where: 'gauge case',
  }),
  tool('prick', 'punch', 'Prick punch, 30°', { angleDeg: 30, where: 'layout bench' }),
  tool('punch', 'punch', 'Centre punch, 90°', { angleDeg: 90, where: 'layout bench' }),
  tool('transfer', 'punch', 'Transfer punches, 3 to 12', { where: 'layout bench' }),
  tool('height', 'layout', 'Height gauge 300, digital', { reachMm: 300, where: 'surface plate' }),
  tool('square', 'layout', 'Square 150', { reachMm: 150, where: 'surface plate' }),
  tool('edge', 'layout', 'Edge finder, tip 4', { diameterMm: 4, where: 'mill drawer' }),
  tool('oil', 'fluid', 'Cutting oil', { where: 'drill press' }),
  tool('wax', 'fluid', 'Light oil for aluminium', { where: 'mill' }),
  tool('vise-100', 'work-holding', 'Drill vise 100, bolted', { reachMm: 100 }),
  tool('clamps', 'work-holding', 'Strap clamps, pair'),
  tool('vee', 'work-holding', 'V-blocks with clamp', { reachMm: 60 }),
];
