import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const all = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((f) => f.isFile())
    .map((f) => path.join(f.parentPath, f.name));
const read = (file: string): string => readFileSync(file, 'utf8');

test('every link of README and docs leads to a file that is there', () => {
  const dead = ['README.md', 'CONTRIBUTING.md', ...all('docs').filter((f) => f.endsWith('.md'))].flatMap((file) =>
    [...read(file).matchAll(/\]\(([^)#\s]+)/g)]
      .map(([, to]) => to)
      .filter((to) => !/^[a-z]+:/.test(to) && !existsSync(path.join(path.dirname(file), to)))
      .map((to) => `${file}: ${to}`),
  );
  expect(dead).toEqual([]);
});

test('every address that a screen leads to is a page or a file of ours', () => {
  const paths = all('src/app')
    .filter((f) => /\/(page|route)\.tsx?$/.test(f))
    .map((f) => path.dirname(f).replace('src/app', ''));
  const screens = [...all('src/features'), ...all('src/ui'), ...all('src/app')].filter((f) => f.endsWith('.tsx'));
  const led = screens.flatMap((file) =>
    [...read(file).matchAll(/href=(?:"(\/[^"]*)"|\{`(\/[^`]*)`\})/g)].map(([, plain, made]) => ({
      file,
      to: plain ?? made,
    })),
  );
  const dead = led.filter(({ to }) => {
    // What is filled in may be any part of an address: one of ours has to have its shape.
    const at = to.replace(/[?#].*$/, '').replace(/\$\{[^}]*\}/g, '\u0000');
    const shape = new RegExp(`^${at.replaceAll('.', '\\.').replaceAll('\u0000', '[^/]+')}$`);
    return at !== '/' && !paths.some((p) => shape.test(p));
  });
  expect(led.length).toBeGreaterThan(20);
  expect(dead).toEqual([]);
});
