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

test('what the glossary says stands in the code stands there', () => {
  const all = readdirSync('src', { recursive: true, encoding: 'utf8' })
    .filter((f) => /\.(tsx?|sql)$/.test(f) && !/\.test\.tsx?$/.test(f))
    .map((f) => readFileSync(join('src', f), 'utf8'))
    .join('\n');
  const words = new Set(all.match(/[A-Za-z_]\w*/g));
  const rows = readFileSync('docs/glossary.md', 'utf8')
    .split('\n')
    .filter((l) => l.startsWith('| **'));
  expect(rows.length).toBeGreaterThan(60);
  const missing = rows.flatMap((row) =>
    [...(row.split('|').at(-2) ?? '').matchAll(/`([A-Za-z_]\w*)(?:\.\w+)?`/g)].flatMap(([, name = '']) =>
      words.has(name) ? [] : [`${row.slice(4, 30)}: ${name}`],
    ),
  );
  expect(missing).toEqual([]);
});

test('no comment is wider than 140 characters: it is read beside the code', () => {
  const wide = readdirSync('src', { recursive: true, encoding: 'utf8' })
    .filter((f) => /\.tsx?$/.test(f))
    .flatMap((f) =>
      readFileSync(join('src', f), 'utf8')
        .split('\n')
        .flatMap((line, n) =>
          line.length > 140 && /^\s*(\/\*\*|\*|\/\/)/.test(line) ? [`${f}:${n + 1}`] : [],
        ),
    );
  expect(wide).toEqual([]);
});
