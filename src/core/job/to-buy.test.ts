import { planned, pool, shop as bench, without } from '../tests/bench-shop';
import type { AskForm } from '../hole/form';
import type { Shop } from '../shop/shop';
import { usualOwnTap } from '../tapping/own-tap';
import type { Thread } from '../threads/thread';
import { threadNamed } from '../threads/thread-named';
import { tell } from '../units/show';
import { lacksOf, toBuy } from './to-buy';

const crib = { id: 'crib', label: 'the crib', drills: without('6.8') };
const shop: Shop = {
  ...bench,
  pools: [crib, pool('metric-1-13-by-0.1')],
  tools: [{ id: 'r', kind: 'reamer', name: 'Reamer 8 H7', diameterMm: 8, fit: 'H7', condition: 'blunt' }],
  taps: [usualOwnTap('m8', threadNamed('M8') as Thread, 'plug')],
};
const lacking = (form: Partial<AskForm>, at = shop) => {
  const plan = planned({ thickness: '12', machine: 'press', drills: 'crib', ...form }, { at });
  return lacksOf(plan, at).map(({ kind, name, needed, instead }) =>
    [kind, tell(name, 'mm'), needed ? 'needed' : 'better', instead ? tell(instead, 'mm') : ''].join(' | '),
  );
};

test('a better drill that is missing, a blunt reamer, taps that nobody has, a gauge: each with what would do', () => {
  const m8 = lacking({ callout: 'M8 THRU' });
  expect(m8).toContain('drill | 6.8 mm drill | better | planned with 6.7 mm meanwhile');
  expect(m8).toContain(
    'gauge | plug gauge M8x1.25 | better | its own bolt, which proves that this screw goes in, not the class',
  );
  expect(lacking({ callout: 'M8 THRU', material: 'stainless-austenitic' })[0]).toMatch(
    /^drill \| 6\.8 mm cobalt drill \| needed/,
  );
  expect(m8.some((x) => x.startsWith('tap'))).toBe(false);
  expect(lacking({ callout: 'M6 THRU' }).filter((x) => x.startsWith('tap'))).toEqual([
    expect.stringMatching(/^tap \| M6x1 .* chamfer threads \| needed/),
  ]);
  expect(lacking({ callout: 'ø8 H7 REAM THRU' })).toContain(
    'tool | reamer H7 8.0 mm | needed | Reamer 8 H7 is blunt, in the crib: sharpen it',
  );
  const blunt = {
    ...crib,
    drills: crib.drills.map((d) => (d.label === '5.0' ? { ...d, condition: 'blunt' as const } : d)),
  };
  expect(lacking({ callout: 'M6 THRU' }, { ...shop, pools: [blunt, shop.pools[1]] })).toContain(
    'drill | 5.0 mm drill | better | blunt, in the crib: sharpen it',
  );
});

test('one thing stands once, with every hole behind it; what holds up work comes first', () => {
  const lack = (key: string, needed: boolean) => ({ key, kind: 'drill' as const, name: { text: key }, needed });
  const list = toBuy([
    { lack: lack('drill 10', false), hole: 'A', count: 3 },
    { lack: lack('drill 9', false), hole: 'B', count: 1 },
    { lack: lack('drill 10', true), hole: 'C', count: 4 },
    { lack: lack('drill 9', false), hole: 'B', count: 2 },
  ]);
  expect(list.map((x) => [x.key, x.needed, x.holes.join(), x.count])).toEqual([
    ['drill 10', true, 'A,C', 7],
    ['drill 9', false, 'B', 3],
  ]);
});
