import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Names that a package or the framework gives, and each page has. */
const GIVEN = new Set(['Props']);

test('a name of a type means one thing: none is exported by two files', () => {
  const by = new Map<string, string[]>();
  const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).filter(
    (f) => /\.tsx?$/.test(f) && !/\.test\.tsx?$/.test(f),
  );
  expect(files.length).toBeGreaterThan(500);
  for (const file of files)
    for (const [, name = ''] of readFileSync(join('src', file), 'utf8').matchAll(
      /^export (?:type|interface) (\w+)\b(?! from)/gm,
    ))
      by.set(name, [...(by.get(name) ?? []), file]);
  expect([...by].filter(([name, all]) => all.length > 1 && !GIVEN.has(name))).toEqual([]);
});
