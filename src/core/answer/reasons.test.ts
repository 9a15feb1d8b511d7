import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { REASONS, reasonOfCaution, reasonOfRule } from './reasons';

const core = path.join(__dirname, '..');
const source = readdirSync(core, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !/test|reasons/.test(file))
  .map((file) => readFileSync(path.join(core, file), 'utf8'))
  .join('\n');

test('forty reasons, each a plain sentence that at least one figure or caution rests on', () => {
  const all: readonly { says: string; rules?: readonly string[]; cautions?: readonly string[] }[] =
    Object.values(REASONS);
  expect(all.length).toBeGreaterThanOrEqual(40);
  expect(new Set(all.map((r) => r.says)).size).toBe(all.length);
  for (const { says, rules = [], cautions = [] } of all) {
    expect([says, /^[A-Z].{30,160}\.$/.test(says), rules.length + cautions.length > 0]).toEqual([says, true, true]);
    // A rule or a code that core no longer has would leave its figure without a reason, unseen.
    for (const name of [...rules, ...cautions]) expect([name, source.includes(name)]).toEqual([name, true]);
  }
});

test('every rule that core works by has its reason, but for those that were typed', () => {
  const rules = [...source.matchAll(/^\s*rule: ['"]([A-Z].*)['"],$/gm)].map(([, rule]) => rule);
  expect(rules.length).toBeGreaterThan(30);
  expect(rules.filter((rule) => reasonOfRule(rule) === undefined)).toEqual([]);
  expect(reasonOfCaution('pilot-large')).toEqual({
    says: expect.stringContaining('they bite and chip'),
    href: '/practice/why?rule=pilot',
  });
});
