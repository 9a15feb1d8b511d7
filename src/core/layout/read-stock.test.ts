import { tell } from '../units/show';
import { readStock } from './read-stock';

test.each([
  ['180 x 120 x 16', { shape: 'plate', widthMm: 180, heightMm: 120, thicknessMm: 16 }],
  ['plate 7 in x 4-1/2 in x 1/2', { shape: 'plate', widthMm: 177.8, heightMm: 114.3, thicknessMm: 12.7 }],
  ['ø30 x 200', { shape: 'bar', diameterMm: 30, lengthMm: 200 }],
  ['round bar 1" × 12"', { shape: 'bar', diameterMm: 25.4, lengthMm: 304.8 }],
  ['disc 180x12', { shape: 'disc', diameterMm: 180, thicknessMm: 12 }],
  ['tube 70 x 40 x 60', { shape: 'tube', diameterMm: 70, boreMm: 40, lengthMm: 60 }],
  ['ø70 x 40 x 60', { shape: 'tube', diameterMm: 70, boreMm: 40, lengthMm: 60 }],
])('%s', (text, stock) => {
  const read = readStock(text, 'mm');
  const sizes = read.ok
    ? Object.entries(read.value).map(([k, v]) => [k, typeof v === 'number' ? +v.toFixed(6) : v])
    : [];
  expect(Object.fromEntries(sizes)).toEqual(stock);
});

test.each([
  ['180 x 120', 'A plate needs other sizes than “180 x 120”. Write it so: 180 x 120 x 16.'],
  ['tube 40 x 70 x 60', 'A tube needs other sizes than “40 x 70 x 60”. Write it so: tube 70 x 40 x 60.'],
  ['disc 180', 'A disc needs other sizes than “180”. Write it so: disc 180 x 12.'],
  ['180 x big x 16', '“big” is not a size of stock. Write it so: 180 x 120 x 16, or ø30 x 200.'],
  ['0 x 10 x 10', '“0” is not a size of stock. Write it so: 180 x 120 x 16, or ø30 x 200.'],
])('%s is asked again', (text, said) => {
  const read = readStock(text, 'mm');
  expect(read.ok ? '' : `${tell(read.problems[0], 'mm')} ${tell(read.problems[0].remedy, 'mm')}`).toBe(said);
});

test('bare sizes are in the unit of the shop', () => {
  const read = readStock('7 x 4 x 1', 'in');
  expect(read.ok && read.value).toMatchObject({ widthMm: expect.closeTo(177.8, 6), thicknessMm: 25.4 });
});
