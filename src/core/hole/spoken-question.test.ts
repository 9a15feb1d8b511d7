import { MATERIALS } from '../materials/materials';
import { tapShop } from '../tests/bench-taps';
import { readCallout } from '../threads/read-callout';
import { tell } from '../units/show';
import { spokenQuestion } from './spoken-question';

const shop = { materials: MATERIALS, machines: tapShop().machines };

test.each([
  ['tap 10-32 in brass', 'tap 10-32', 'brass-free-cutting'],
  ['M6 blind in 304', 'M6 x 9 mm DEEP', 'stainless-austenitic'],
  ['5/16 x 18', '5/16-18', undefined],
  ['ream 10', 'ream 10', undefined],
  ['reamed hole 10 through', 'ø10 H7 REAM thru', undefined],
  ['reamed hole 10', 'ø10 H7 REAM', undefined],
  ['10 mm reamed through', '10 mm reamed through', undefined],
  ['6.5 thru', 'ø6.5 THRU', undefined],
  ['6.5 mm hole', 'ø6.5 mm', undefined],
  ['drill 6.5', 'drill 6.5', undefined],
  ['1/4 hole through in mild steel', 'ø1/4 THRU', 'steel-low-carbon'],
  ['M6 clearance', 'ø6.6 mm THRU', undefined],
  ['M6 close clearance', 'ø6.4 mm THRU', undefined],
  ['clearance for M8 loose', 'ø10 mm THRU', undefined],
  ['M6 counterbore', 'ø6.6 mm THRU CBORE ø11 mm X 6.3 mm', undefined],
  ['M8 countersunk', 'ø9 mm THRU CSK ø16 mm X 90°', undefined],
  ['dowel 6', 'ø6 H7 REAM THRU', undefined],
  ['two 6 mm dowels matched with the mate', '2x ø6 mm H7 REAM THRU', undefined],
  ['four M5 through in aluminium', '4x M5 THRU', 'aluminium-wrought-6000'],
  ['M8 brass', 'M8', 'brass-free-cutting'],
  ['M8 in brass', 'M8', 'brass-free-cutting'],
  ['1/4-20 x .5 DEEP 304', '1/4-20 x .5 DEEP', 'stainless-austenitic'],
  ['4x M5 THRU', '4x M5 THRU', undefined],
  ['2 BA aluminium casting', '2 BA', 'aluminium-cast'],
])('%s', (said, callout, metal) => {
  const found = spokenQuestion(said, shop);
  expect([found?.callout, found?.material?.id]).toEqual([callout, metal]);
  expect(readCallout(callout).ok).toBe(true);
});

test('a machine anywhere in the line, by its kind or its name; what was chosen is named', () => {
  const found = spokenQuestion('on the mill ream 10 in grey iron', shop);
  expect([found?.callout, found?.material?.id, found?.machine?.kind]).toEqual(['ream 10', 'iron-grey', 'mill']);
  const bolt = spokenQuestion('M6 counterbore', shop)?.chosen.map((p) => tell(p, 'mm'));
  // ISO 273 normal for M6 is 6.6; ISO 4762 head 10 by 6, counterbore 11, and 0.3 deeper than the head.
  expect(bolt).toEqual(['Clearance for M6, normal: 6.6 mm.', 'Counterbore for a socket head: 11.0 mm, 6.3 mm deep.']);
});

test('what says no hole is no question', () => {
  for (const said of ['pier plate', 'M8 cheese', 'brass', 'mill', '', 'the quick brown fox', 'M6 clearance cheese'])
    expect([said, spokenQuestion(said, shop)]).toEqual([said, undefined]);
});
