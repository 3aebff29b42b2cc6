import { readdirSync, readFileSync } from 'node:fs';

/** What a file asks for as it is read. */
const asks = (code: string): readonly string[] =>
  [
    ...code.matchAll(
      /^\s*(?:import|export)\b[^'"()]*from\s+['"]([^'"]+)['"]|^\s*import\s+['"]([^'"]+)['"]/gm,
    ),
  ].map(([, named, bare]) => named ?? bare ?? '');

test('the command runs on a bare machine: nothing of it is read from a package before packages are installed', () => {
  const files = readdirSync('cli').filter((f) => f.endsWith('.mjs'));
  expect(files.length).toBeGreaterThan(15);
  const early = files.flatMap((file) =>
    asks(readFileSync(`cli/${file}`, 'utf8'))
      .filter((from) => !/^(node:|\.)/.test(from))
      .map((from) => `${file} reads ${from}`),
  );
  expect(early).toEqual([]);
});

test('such a reading would be found', () => {
  expect(asks("import { build } from 'esbuild';\nconst x = await import('pg');")).toEqual(['esbuild']);
  expect(
    asks("import {\n  a,\n  b,\n} from 'left';\nimport 'right';\nexport { c } from './here.mjs';"),
  ).toEqual(['left', 'right', './here.mjs']);
});
