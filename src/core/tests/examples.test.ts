import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { handTap } from '../tapping/tap';
import { THREADS } from '../threads/standards';
import { material, METRIC_INDEX } from './bench-shop';

const CORE = join(__dirname, '..');
const sources = readdirSync(CORE, { recursive: true, encoding: 'utf8' }).filter((f) => /(?<!\.test)\.ts$/.test(f));

/** What the worked examples call by name. */
const NAMED = {
  M8: THREADS.find((t) => t.designation === 'M8x1.25'),
  mildSteel: material('steel-low-carbon'),
  drill68: METRIC_INDEX.drills.find((d) => d.label === '6.8'),
  plug: handTap('plug', 8, 'taper-plug-bottoming'),
};

/** Every figure within half of the last digit that is written. */
function near(value: unknown, text: string): unknown {
  if (typeof value === 'number') {
    const digits = /\.(\d+)/.exec(text)?.[1].length ?? 0;
    return expect.closeTo(value, digits);
  }
  return value;
}

const examples = sources.flatMap((file) =>
  [...readFileSync(join(CORE, file), 'utf8').matchAll(/@example (.*?)(?: \*\/)?$/gm)].map(
    ([, line]) => [relative('', file), line] as const,
  ),
);

test('enough figures have a worked example', () => expect(examples.length).toBeGreaterThan(80));

test.each(examples)('%s: %s', async (file, line) => {
  const [call, result] = line.split(' // ');
  const text = result.split(' = ').at(-1) as string;
  const found = (await import(join(CORE, file))) as Record<string, unknown>;
  const names = { ...NAMED, ...found };
  const evaluated = (expression: string): unknown =>
    // The examples are our own.
    new Function(...Object.keys(names), `return (${expression})`)(...Object.values(names));
  const wanted = evaluated(text);
  const value = evaluated(call);
  if (typeof wanted === 'object')
    expect(value).toMatchObject(
      Array.isArray(wanted)
        ? wanted.map((v) => near(v, text))
        : Object.fromEntries(Object.entries(wanted as object).map(([k, v]) => [k, near(v, text)])),
    );
  else expect(value).toEqual(near(wanted, text));
});
