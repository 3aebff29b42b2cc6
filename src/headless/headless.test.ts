import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const file = 'demo/recipes/cockle-and-leek-chowder.json';
const panache = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(join(process.cwd(), 'panache'), args, {
    encoding: 'utf8',
    env: { ...process.env, DATABASE_URL: '' },
  });
  return { status, stdout, stderr };
};

test('plan prints a table, and the same as JSON', () => {
  const text = panache('plan', file, '--litres', '12', '--pot', 'tall-steel-36');
  expect(text.stdout).toMatch(/12\.0 L, Coating/);
  expect(text.stdout).toMatch(/Plain flour \(the dose\)/);
  const json = JSON.parse(panache('plan', file, '--portions', '40', '--portion-ml', '300', '--json').stdout);
  expect(Math.abs(json.found.volumeMl / 12_000 - 1)).toBeLessThan(0.01);
  expect(json.chance).toBeGreaterThan(0.5);
});

test('another thickener, a pot by its size, a hill, a target in words', () => {
  const made = JSON.parse(
    panache(
      'plan',
      file,
      '--thicken',
      'maize',
      '--pot',
      '36x34',
      '--burner',
      'gas:7kW',
      '--altitude',
      '1600',
      '--target',
      'Hearty',
      '--json',
    ).stdout,
  );
  expect(made.found.band).toBe('Hearty');
  expect(made.weighOut.find((l: { solved: string }) => l.solved === 'thickness').ingredient).toBe(
    'cornstarch',
  );
  expect(made.weighOut.some((l: { ingredient: string }) => l.ingredient === 'plain-flour')).toBe(false);
});

test('predict takes a recipe as written, and says what is open in one that is not', () => {
  const fixed = JSON.parse(readFileSync(file, 'utf8'));
  fixed.steps[1].flour.amount = '100 g';
  fixed.steps[2].items[0].amount = '1140 g';
  const path = join(tmpdir(), `panache-${process.pid}.json`);
  writeFileSync(path, JSON.stringify(fixed));
  try {
    const { stdout } = panache('predict', path);
    expect(stdout).toMatch(/At serving .* Coating/);
    expect(stdout.trim().split('\n')).toHaveLength(13);
  } finally {
    rmSync(path);
  }
  expect(panache('predict', file).stderr).toMatch(/leaves amounts open \(to thickness, to volume\)/);
});

test.each([
  [['plan'], /name one recipe file/],
  [['plan', 'nowhere.json'], /nowhere\.json cannot be read/],
  [['plan', 'package.json'], /package\.json is not a recipe:[\s\S]*neither a Panache file/],
  [['plan', file, '--litres', 'twelve'], /--litres is “twelve”: use a number from 0.2 to 500/],
  [['plan', file, '--target', 'gloopy'], /--target is “gloopy”: use Thin, Light/],
  [['plan', file, '--pot', 'bucket'], /diameter×height in cm/],
  [['plan', file, '--portions', '40'], /go together/],
  [['plan', file, '--thicken', 'sand'], /use cooked-roux\.plain-flour.*, wheat, rice flour/],
  [['plan', file, '--lid', 'on'], /--lid/],
])('%j is one clear complaint', (args, says) => {
  const { status, stderr } = panache(...(args as string[]));
  expect(status).toBe(1);
  expect(stderr).toMatch(says);
  expect(stderr).not.toMatch(/\n\s+at /);
});

test('the schema is JSON Schema', () => {
  expect(JSON.parse(panache('schema').stdout).$schema).toMatch(/json-schema/);
});
