/**
 * Who may import whom, from one list: `node --import tsx checks/writeLayers.ts` writes the linter's rule from it into biome.json. A folder
 * uses itself and those before it, never one after it, so no two import each other.
 */
export const CORE: readonly string[] = [
  'maths',
  'schedule',
  'message',
  'units',
  'text',
  'record',
  'thickeners',
  'food',
  'heat',
  'flow',
  'thicken',
  'dairy',
  'salt',
  'safety',
  'pot',
  'recipe',
  'kitchen',
  'words',
  'order',
  'plan',
  'doubt',
  'compare',
  'service',
  'batch',
  'keep',
  'adjust',
  'learn',
  'log',
  'formats',
];

/** What every view stands on, in order, and the views, which know nothing of each other. */
export const UI: readonly string[] = ['shared', 'device', 'order', 'frame'];
export const VIEWS: readonly string[] = [
  'begin',
  'check',
  'compare',
  'fix',
  'help',
  'keep',
  'kitchen',
  'log',
  'pair',
  'plan',
  'print',
  'recipes',
  'service',
  'stove',
];

/** Not for core: the interface, the server and Node. */
const WORLDLY = [
  'node:*',
  'react',
  'react-dom',
  'react-dom/**',
  'next',
  'next/**',
  'pg',
  'echarts',
  'echarts/**',
  'radix-ui',
  'fs',
  'path',
  'crypto',
];

/** Where a function may be over 80 lines: what is one table by kind, one course of a search, or is tried and not shipped. */
const LONG = [
  'src/core/words/cautions.ts',
  'src/core/keep/safe/fold.ts',
  'src/core/plan/solve/solve.ts',
  'src/core/plan/solve/resolve.ts',
  'src/core/formats/draft/draftSteps.ts',
  'src/core/formats/draft/toldSteps.ts',
  'src/server/data/demo/**',
  '**/*.test.ts',
  '**/*.test.tsx',
  'checks/**',
  'bench/**',
  'cli/**',
  'demo/**',
  'drill/**',
  'e2e/**',
];

type Pattern = readonly [group: readonly string[], message: string];

const inside = (names: readonly string[]) => names.map((name) => `**/${name}/**`);
const rule = (includes: readonly string[], ...patterns: readonly Pattern[]): object => ({
  includes,
  linter: {
    rules: {
      style: {
        noRestrictedImports: {
          level: 'error',
          options: { patterns: patterns.map(([group, message]) => ({ group, message })) },
        },
      },
    },
  },
});

const PURE: readonly Pattern[] = [
  [
    inside(['ui', 'server', 'app', 'workers', 'devices', 'headless', 'contract']),
    'core imports nothing of ours outside core',
  ],
  [WORLDLY, 'core is pure: no interface, no server, no Node'],
];

export const overrides = (): readonly object[] => [
  ...CORE.map((name, at) => {
    const later = CORE.slice(at + 1);
    const may = CORE.slice(0, at + 1).join(', ');
    return rule(
      [`src/core/${name}/**`],
      ...PURE,
      ...(later.length > 0 ? [[inside(later), `core/${name} may import only ${may}`] as const] : []),
    );
  }),
  ...UI.map((name, at) =>
    rule(
      [`src/ui/${name}/**`],
      [inside(['server', 'app', 'devices', 'headless']), 'ui imports core, the contract, workers and itself'],
      [['pg', 'node:*'], 'ui runs on a station: no database, no Node'],
      [
        inside([...UI.slice(at + 1), ...VIEWS]).map((glob) => glob.replace('**/', '**/../')),
        `ui/${name} knows no view, and of the rest only ${UI.slice(0, at + 1).join(', ')}`,
      ],
    ),
  ),
  ...VIEWS.map((name) =>
    rule(
      [`src/ui/${name}/**`],
      [inside(['server', 'app', 'devices', 'headless']), 'ui imports core, the contract, workers and itself'],
      [['pg', 'node:*'], 'ui runs on a station: no database, no Node'],
      [
        VIEWS.filter((v) => v !== name).flatMap((v) => [`../${v}/**`, `../../${v}/**`, `../../../${v}/**`]),
        `ui/${name} knows no other view: what both need stands in shared, station, order or frame`,
      ],
    ),
  ),
  rule(
    ['src/server/**'],
    [
      [...inside(['ui', 'app', 'workers']), 'react', 'next', 'next/**'],
      'server imports core, the contract and itself',
    ],
  ),
  rule(
    ['src/contract/**'],
    [inside(['ui', 'server', 'app', 'workers', 'devices', 'headless']), 'the contract knows only core'],
    [WORLDLY, 'the contract is for server and interface alike'],
  ),
  rule(
    ['src/workers/**'],
    [[...inside(['ui', 'app', 'server']), 'react', 'next', 'next/**'], 'workers are thin shells over core'],
  ),
  { includes: LONG, linter: { rules: { complexity: { noExcessiveLinesPerFunction: 'off' } } } },
  {
    includes: ['**/*.test.ts', '**/*.test.tsx', 'checks/**', 'e2e/**'],
    linter: { rules: { style: { noNonNullAssertion: 'off', noRestrictedImports: 'off' } } },
  },
];

/** biome.json as the list has it. */
export function written(text: string): string {
  return `${JSON.stringify({ ...JSON.parse(text), overrides: overrides() }, null, 2)}\n`;
}
