import '../food/load';
import { Recipe, type RecipeText } from '../recipe/recipe';

type Steps = RecipeText['steps'];
type Step = Steps[number];
type Item = Extract<Step, { kind: 'season' }>['items'][number];

const STOCK: Item = { ingredient: 'vegetable-stock', amount: 'to volume' };
const cut = (ingredient: string, amount: string, edgeMm: number): Item => ({
  ingredient,
  amount,
  cut: { shape: 'cube', edgeMm },
});
const sweat = (...items: Item[]): Step => ({
  kind: 'sweat',
  items: [{ ingredient: 'butter', amount: '60 g' }, ...items],
  minutes: 8,
  to: 'translucent',
});
const toSimmer: Step = { kind: 'bring-to', to: 'simmer', flame: 0.9, lid: 'on' };
const simmer = (minutes: number, more: Partial<Extract<Step, { kind: 'simmer' }>> = {}): Step => ({
  kind: 'simmer',
  minutes,
  lid: 'ajar',
  ...more,
});
const roux: Step = {
  kind: 'roux',
  flour: { ingredient: 'plain-flour', amount: 'to thicken' },
  fat: { ingredient: 'butter', amount: 'to match' },
  rule: 'weight',
  colour: 'blond',
  minutes: 4,
};
const cream: Step = {
  kind: 'add',
  items: [{ ingredient: 'heavy-cream', amount: '400 mL', celsius: 20 }],
  gradually: true,
};
const salt: Step = { kind: 'season', items: [{ ingredient: 'salt', amount: 'to taste' }] };
const blend: Step = { kind: 'puree', fraction: 'all', tool: 'stick blender' };
const onion = cut('onion', '300 g', 8);

/** So many things made in a pan of their own, each step in it. */
const inPan = (pan: string, ...steps: Step[]): Step[] => steps.map((s) => ({ ...s, in: pan }));
const pour = (from: string | undefined, more: Partial<Extract<Step, { kind: 'pour' }>> = {}): Step => ({
  kind: 'pour',
  ...(from && { from }),
  takes: 'all',
  ...more,
});

/** The ways this trade works with more than one pan, each as a recipe of 4 L of the project’s own. */
export const WAYS_OF_PANS = {
  'roux apart into simmering base': {
    pans: [{ name: 'roux pan', as: 'pot' }],
    steps: [
      sweat(onion, cut('celeriac', '500 g', 12)),
      { kind: 'add', items: [STOCK] },
      toSimmer,
      simmer(18),
      ...inPan('roux pan', roux),
      pour('roux pan', { gradually: true }),
      simmer(12),
      cream,
      salt,
    ],
  },
  'mushrooms browned in lots, a third kept back': {
    pans: [
      { name: 'skillet', as: 'pan' },
      { name: 'bowl', as: 'bowl' },
    ],
    steps: [
      sweat(onion),
      roux,
      { kind: 'add', items: [STOCK], gradually: true },
      toSimmer,
      simmer(15),
      ...inPan('skillet', {
        kind: 'sweat',
        items: [
          { ingredient: 'butter', amount: '80 g' },
          { ingredient: 'chestnut-mushroom', amount: '900 g', cut: { shape: 'slab', edgeMm: 6 } },
        ],
        minutes: 8,
        to: 'gold',
        layer: true,
      }),
      pour('skillet', { in: 'bowl', takes: 'pieces', share: 0.33 }),
      pour('skillet'),
      simmer(6),
      blend,
      cream,
      pour('bowl'),
      salt,
    ],
  },
  'roux made in the emptied pot while the vegetables wait in a bowl': {
    pans: [{ name: 'bowl', as: 'bowl' }],
    steps: [
      sweat(onion, cut('carrot', '500 g', 10)),
      pour(undefined, { in: 'bowl' }),
      roux,
      { kind: 'add', items: [STOCK], gradually: true },
      toSimmer,
      pour('bowl'),
      simmer(20),
      cream,
      salt,
    ],
  },
  'potatoes boiled apart, put through, joined with their water': {
    pans: [{ name: 'potato pot', as: 'pot' }],
    steps: [
      sweat(onion, cut('leek', '300 g', 10)),
      { kind: 'add', items: [STOCK] },
      toSimmer,
      simmer(12),
      ...inPan(
        'potato pot',
        {
          kind: 'add',
          items: [cut('floury-potato', 'to thicken', 25), { ingredient: 'water', amount: '1500 mL' }],
        },
        toSimmer,
        simmer(25, { untilTender: true }),
        { kind: 'puree', fraction: 'all', tool: 'masher' },
      ),
      pour('potato pot'),
      simmer(4),
      cream,
      salt,
    ],
  },
  'bacon rendered in a pan, a spoon of its fat into the pot': {
    pans: [{ name: 'skillet', as: 'pan' }],
    steps: [
      ...inPan('skillet', {
        kind: 'render',
        items: [cut('streaky-bacon', '250 g', 8)],
        minutes: 9,
        keep: 1,
      }),
      pour('skillet', { takes: 'fat', share: 0.4 }),
      { kind: 'sweat', items: [onion], minutes: 8, to: 'translucent' },
      roux,
      { kind: 'add', items: [STOCK], gradually: true },
      toSimmer,
      simmer(15),
      cream,
      pour('skillet', { takes: 'pieces' }),
      salt,
    ],
  },
  'shells roasted, deglazed, boiled, strained, the pot rinsed and used again': {
    pans: [
      { name: 'tray', as: 'tray' },
      { name: 'stock pot', as: 'pot' },
    ],
    steps: [
      ...inPan('tray', {
        kind: 'roast',
        items: [cut('crab-shells', '1200 g', 40)],
        at: 200,
        minutes: 20,
      }),
      ...inPan('tray', { kind: 'add', items: [{ ingredient: 'white-wine', amount: '200 mL' }] }),
      pour('tray', { in: 'stock pot' }),
      ...inPan(
        'stock pot',
        { kind: 'add', items: [{ ingredient: 'water', amount: 'to volume' }] },
        toSimmer,
        simmer(25),
      ),
      sweat(onion),
      roux,
      pour('stock pot', { takes: 'liquid', gradually: true }),
      toSimmer,
      simmer(12),
      cream,
      salt,
    ],
  },
  'cream thickened on the next ring': {
    pans: [{ name: 'cream pan', as: 'pot' }],
    steps: [
      sweat(onion, cut('parsnip', '800 g', 15)),
      { kind: 'add', items: [STOCK] },
      toSimmer,
      simmer(18, { untilTender: true }),
      blend,
      ...inPan(
        'cream pan',
        { kind: 'add', items: [{ ingredient: 'single-cream', amount: '600 mL', celsius: 5 }] },
        { kind: 'bring-to', to: 85, flame: 0.5, lid: 'off' },
        {
          kind: 'thicken',
          method: 'slurry',
          thickener: { ingredient: 'cornstarch', amount: 'to thicken' },
          carrier: { ingredient: 'water', amount: 'to match', celsius: 10 },
          minutes: 2,
          lid: 'off',
        },
      ),
      pour('cream pan', { gradually: true }),
      salt,
    ],
  },
  'soup moved to a larger pot before the milk': {
    pans: [{ name: 'first pot', as: 'pot' }],
    steps: [
      ...inPan(
        'first pot',
        sweat(onion, cut('celeriac', '600 g', 12)),
        roux,
        { kind: 'add', items: [STOCK], gradually: true },
        toSimmer,
        simmer(20),
      ),
      pour('first pot'),
      { kind: 'add', items: [{ ingredient: 'whole-milk', amount: '1 L', celsius: 5 }], gradually: true },
      toSimmer,
      salt,
    ],
  },
  'crab half cooked, chilled, put back at the end': {
    pans: [{ name: 'cold bowl', as: 'bowl', kept: 'cold' }],
    steps: [
      { kind: 'add', items: [{ ingredient: 'fish-stock', amount: '1500 mL' }] },
      toSimmer,
      { kind: 'poach', items: [cut('crab-meat', '400 g', 15)], at: 80, minutes: 1, lid: 'off' },
      pour(undefined, { in: 'cold bowl', takes: 'pieces', of: ['crab-meat'] }),
      { kind: 'add', items: [cut('onion', '300 g', 8), STOCK] },
      toSimmer,
      simmer(18),
      blend,
      {
        kind: 'thicken',
        method: 'kneaded butter',
        thickener: { ingredient: 'plain-flour', amount: 'to thicken' },
        carrier: { ingredient: 'butter', amount: 'to match' },
        additions: 3,
        minutes: 12,
        lid: 'off',
      },
      cream,
      pour('cold bowl'),
      { kind: 'bring-to', to: 80, flame: 0.6, lid: 'off' },
      salt,
    ],
  },
  'herb bundle lifted out': {
    pans: [],
    steps: [
      sweat(onion, cut('carrot', '500 g', 10)),
      roux,
      {
        kind: 'add',
        items: [{ ingredient: 'thyme', amount: '20 g' }, STOCK],
        gradually: true,
      },
      toSimmer,
      simmer(20),
      { kind: 'strain', of: ['thyme'] },
      cream,
      salt,
    ],
  },
  'vegetables lifted out, base reduced, poured back over': {
    pans: [{ name: 'warm bowl', as: 'bowl', kept: 'warm' }],
    steps: [
      sweat(onion, cut('carrot', '700 g', 10)),
      roux,
      { kind: 'add', items: [STOCK], gradually: true },
      toSimmer,
      simmer(18),
      pour(undefined, { in: 'warm bowl', takes: 'pieces' }),
      { kind: 'reduce', flame: 0.9, to: { share: 0.85 } },
      pour('warm bowl'),
      cream,
      salt,
    ],
  },
  'squash roasted on two trays while the base cooks': {
    pans: [{ name: 'trays', as: 'tray' }],
    steps: [
      ...inPan('trays', {
        kind: 'roast',
        items: [{ ingredient: 'olive-oil', amount: '40 g' }, cut('squash', '1400 g', 25)],
        at: 200,
        minutes: 35,
      }),
      sweat(onion),
      roux,
      { kind: 'add', items: [STOCK], gradually: true },
      toSimmer,
      simmer(15),
      pour('trays'),
      simmer(5),
      blend,
      cream,
      salt,
    ],
  },
} as const satisfies Record<
  string,
  { readonly pans: NonNullable<RecipeText['pans']>; readonly steps: Steps }
>;

export type WayOfPans = keyof typeof WAYS_OF_PANS;

const HOME: RecipeText['home'] = {
  vessel: {
    id: 'home',
    name: 'Home 28',
    diameterMm: 280,
    heightMm: 200,
    material: 'stainless steel',
    massG: 2900,
  },
  burner: { id: 'ring', name: 'Ring', kind: 'gas', powerW: 7000 },
};

/** One of them, read as its file would be. */
export function recipeOfPans(way: WayOfPans, more: Partial<RecipeText> = {}): Recipe {
  const { pans, steps } = WAYS_OF_PANS[way];
  return Recipe.parse({
    format: 'panache.recipe/2',
    id: 'of-pans',
    name: 'Of pans',
    school: way.slice(0, 80),
    yieldLitres: 4,
    band: 'Coating',
    home: HOME,
    pans: [...pans],
    steps: [...steps],
    ...more,
  });
}
