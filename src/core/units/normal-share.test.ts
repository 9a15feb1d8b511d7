import { shareWithin } from './normal-share';

test('shares of a normal spread: 68.3, 95.4 and 99.7 % within one, two and three sigma', () => {
  expect([1, 2, 3].map((n) => +shareWithin(5, 0.1, 5 - n / 10, 5 + n / 10).toFixed(4))).toEqual([
    0.6827, 0.9545, 0.9973,
  ]);
  expect(
    [shareWithin(0, 1, 0, 99), shareWithin(0, 1, -99, -1.2816), shareWithin(0, 1, 2, 1)].map((s) => +s.toFixed(4)),
  ).toEqual([0.5, 0.1, 0]);
});
