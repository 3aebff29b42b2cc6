import { readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { build } from 'esbuild';
import { type Mutant, withMutants } from './mutants';

/** What each mistake calls, and what it gives while another is tried. */
const MADE = `
const mutantNumber = (n, was, is) => n === mutantNow ? is : was;
const mutantCompared = (n, how, a, b) => {
  const now = n === mutantNow;
  switch (how) {
    case '<': return now ? a >= b : a < b;
    case '<=': return now ? a > b : a <= b;
    case '>': return now ? a <= b : a > b;
    case '>=': return now ? a < b : a >= b;
    case '===': return now ? a !== b : a === b;
    default: return now ? a === b : a !== b;
  }
};
const mutantCondition = (n, how, a, b) => ((how === '&&') !== (n === mutantNow)) ? a() && b() : a() || b();
`;

/** Packages that come as ES modules only, or differ by how they are asked for. */
const ES_ONLY =
  /^(intl-messageformat|@formatjs|@noble|uuid|ical-generator|htmlparser2|dom[a-z-]+|entities|read-excel-file)/;

/** Tests of the project whose path fits one of the patterns, as Jest finds them. */
export const testsLike = (patterns: readonly string[]): readonly string[] =>
  ['src', 'checks']
    .flatMap((root) =>
      readdirSync(root, { recursive: true, encoding: 'utf8' }).map((f) =>
        join(root, f).replaceAll('\\', '/'),
      ),
    )
    .filter((f) => /\.(test|check)\.ts$/.test(f) && patterns.some((p) => new RegExp(p).test(f)))
    .sort();

/** One script of all these tests and what they use, with every mistake in it, written to `to`. */
export async function bundle(
  tests: readonly string[],
  mutants: readonly Mutant[],
  to: string,
): Promise<void> {
  const by = new Map<string, Map<Mutant, number>>();
  for (const [n, m] of mutants.entries()) {
    const path = resolve(m.file);
    by.set(path, (by.get(path) ?? new Map()).set(m, n));
  }
  await build({
    stdin: {
      // Each file in a room of its own: what it does before and after its tests is not done for the others’.
      contents: [
        `import './src/core/food/load.ts';`,
        ...tests.map(
          (t) => `describe(${JSON.stringify(t)}, () => void require(${JSON.stringify(`./${t}`)}));`,
        ),
      ].join('\n'),
      resolveDir: process.cwd(),
      loader: 'ts',
    },
    bundle: true,
    // A test gives nothing out and is wanted all the same.
    ignoreAnnotations: true,
    outfile: to,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    logLevel: 'error',
    banner: { js: MADE },
    plugins: [
      {
        name: 'mistakes',
        setup({ onLoad, onResolve }) {
          onResolve({ filter: /^[^./]/ }, ({ path }) =>
            ES_ONLY.test(path) ? undefined : { path, external: true },
          );
          onLoad({ filter: /\.ts$/ }, ({ path }) => {
            const numbers = by.get(path);
            if (!numbers) return undefined;
            const text = readFileSync(path, 'utf8');
            return {
              contents: withMutants(text, [...numbers.keys()], (m) => numbers.get(m) ?? -1),
              loader: 'ts',
            };
          });
        },
      },
    ],
  });
}
