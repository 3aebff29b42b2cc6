import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FAULTS } from '../core/adjust/faults';

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
    const lines = stdout.trim().split('\n');
    expect(lines.filter((l) => !l.startsWith('!'))).toHaveLength(13);
    // The same warnings as a plan of it.
    expect(lines.filter((l) => l.startsWith('!')).join()).toMatch(/Brings .*MILK|milk/);
  } finally {
    rmSync(path);
  }
  expect(panache('predict', file).stderr).toMatch(/leaves amounts open \(to thicken, to volume\)/);
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

test('fix ranks what can be done about a pot as measured, and says what is near enough', () => {
  const veloute = 'demo/recipes/smoked-parsnip-veloute.json';
  const ask = (measured: string, ...more: string[]) =>
    panache(
      'fix',
      veloute,
      '--litres',
      '8',
      '--pot',
      'middle-28',
      '--at',
      '9',
      '--measured',
      measured,
      '--minutes',
      '12',
      '--hand',
      'cornstarch,plain-flour',
      ...more,
    );
  const thin = JSON.parse(ask('62mPa·s', '--json').stdout);
  expect(thin[0].struck).toBeNull();
  expect(thin[0].id).toBe('slurry.cornstarch');
  expect(thin[0].viscosity).toBeGreaterThan(120);
  expect(thin.find((o: { id: string }) => o.id === 'slurry.arrowroot').struck).toMatch(/not here/);
  expect(ask('62').stdout).toMatch(/^1\. Cornstarch slurry: .*\d+ g cornstarch/);
  expect(ask('150').stdout).toMatch(/near enough to 150: nothing to do/);
  expect(ask('900').stdout).toMatch(/water/i);
  expect(panache('fix', veloute, '--at', '99', '--measured', '60', '--minutes', '5').stderr).toMatch(
    /--at is “99”|steps 1 to/,
  );
  expect(panache('fix', veloute).stderr).toMatch(/fix wants --at STEP/);
  // Every fault the page knows, by its name; what is none is refused with those that are.
  const at = (...more: string[]) =>
    panache('fix', veloute, '--at', '9', '--minutes', '20', '--hand', 'cornstarch,heavy-cream', ...more);
  expect(at('--wrong', 'too salty').stdout).toMatch(/^1\. Water, then cornstarch slurry: /m);
  const dosed = ['too thin', 'too thick', 'too salty'];
  const mended = FAULTS.filter((f) => !dosed.includes(f));
  const { stdout } = at('--wrong', mended.join(','));
  for (const fault of mended) expect(stdout).toMatch(new RegExp(`^${fault}: .+, \\d+ min$`, 'm'));
  expect(at('--wrong', 'cursed').stderr).toMatch(/--wrong is “cursed”: use too thin, too thick/);
});

test('help is ours, what a command does not use is refused, and only the answer goes to standard output', () => {
  const help = panache('predict', '--help');
  expect(help.status).toBe(0);
  expect(help.stdout).toMatch(/^\.\/panache predict FILE/);
  expect(help.stdout).not.toMatch(/--target/);
  const refused = panache('predict', file, '--target', 'Hearty');
  expect(refused.status).toBe(1);
  expect(refused.stdout).toBe('');
  expect(refused.stderr).toMatch(/predict takes no --target: use --litres/);
  expect(panache('schema').stdout.trimStart().startsWith('{')).toBe(true);
});

test.each([
  [
    'a kind there is not',
    '"kind": "sweat"',
    '"kind": "swet"',
    /steps\[0\]\.kind: kind is one of sweat, .*reheat/,
  ],
  [
    'a field misspelt',
    '"minutes":',
    '"minuts": 3, "minutes":',
    /steps\[\d\]\.minuts: is no field of a recipe/,
  ],
])('%s is refused by its name and place', (_what, from, to, says) => {
  const path = join(tmpdir(), `panache-${process.pid}-bad.json`);
  writeFileSync(path, readFileSync(file, 'utf8').replace(from, to));
  try {
    expect(panache('plan', path).stderr).toMatch(says);
  } finally {
    rmSync(path);
  }
});
