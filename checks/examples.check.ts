import { readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';

/** What the comments of core say a function gives is what it gives: `expression // value`, to the digits written. */
const CORE = 'src/core';
const files = readdirSync(CORE, { recursive: true, encoding: 'utf8' }).filter(
  (f) => f.endsWith('.ts') && !f.endsWith('.test.ts'),
);

const examples = files.flatMap((file) => {
  const text = readFileSync(join(CORE, file), 'utf8');
  return [...text.matchAll(/@example\n((?: \* [^@\n]*\n)+)/g)].flatMap(([, block = '']) =>
    block
      .split('\n')
      .map((l) => l.replace(/^ \* ?/, '').trim())
      .filter(Boolean)
      .map((line) => ({ file, line })),
  );
});

/** The value of an expression in which the module’s exports go by their names. */
async function evaluated(file: string, expression: string): Promise<unknown> {
  const exported: Record<string, unknown> = await import(resolve(CORE, file));
  return new Function(...Object.keys(exported), `return (${expression})`)(...Object.values(exported));
}

/** Half of the last digit written. */
const within = (written: string): number => 0.5 * 10 ** -(written.split('.')[1]?.length ?? 0);

test('there are examples', () => {
  expect(examples.length).toBeGreaterThan(20);
});

test.each(examples)('$file: $line', async ({ file, line }) => {
  const [expression = '', written] = line.split(' // ');
  if (written === undefined) throw new Error('an example is an expression and, after //, what it gives');
  const value = await evaluated(file, expression);
  if (typeof value === 'number')
    expect(Math.abs(value - Number(written))).toBeLessThanOrEqual(within(written));
  else expect(value).toEqual(await evaluated(file, written));
});
