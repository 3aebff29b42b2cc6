import type { HowToStep, Recipe as TheirRecipe, WithContext } from 'schema-dts';
import { demoHouse, demoIds, demoRecipe } from '../demo/demo';
import { toJsonLd } from '../src/core/formats/jsonLd/toJsonLd';
import { openFile } from '../src/core/formats/openFile';

/**
 * Our export and import of schema.org Recipe against the vocabulary's own types, as the package schema-dts
 * has them: `tsc` refuses this file if a property or a kind of value is not the vocabulary's.
 */
const { kitchen } = demoHouse();

/** What the vocabulary's types take of ours, by name. */
const asTheirs = (id: string): WithContext<TheirRecipe> => toJsonLd(demoRecipe(id), kitchen);

test.each(demoIds())('%s as schema.org has it', (id) => {
  const theirs = asTheirs(id);
  expect(theirs).toMatchObject({ '@context': 'https://schema.org', '@type': 'Recipe' });
  // ISO 8601, which the vocabulary's Duration asks for.
  expect(JSON.parse(JSON.stringify(theirs)).totalTime).toMatch(/^PT(\d+H)?(\d+M)?$/);
});

/**
 * A recipe built with the vocabulary's types: the shapes its documentation allows are read. From memory: the forms
 * of recipeInstructions and recipeYield.
 */
const steps: HowToStep[] = [
  { '@type': 'HowToStep', name: 'Sweat', text: 'Sweat the onion for 10 minutes.' },
  { '@type': 'HowToStep', text: 'Whisk in the stock and simmer 25 minutes.' },
];
const base = {
  '@type': 'Recipe',
  name: 'Onion cream',
  recipeIngredient: [
    '50 g butter',
    '500 g onions, sliced',
    '40 g plain flour',
    '1.2 L chicken stock',
    '200 mL heavy cream',
  ],
} as const;
const shapes: readonly (readonly [string, WithContext<TheirRecipe>])[] = [
  [
    'steps',
    { '@context': 'https://schema.org', ...base, recipeYield: '1.6 litres', recipeInstructions: steps },
  ],
  [
    'sections of steps',
    {
      '@context': 'https://schema.org',
      ...base,
      recipeYield: { '@type': 'QuantitativeValue', value: 6, unitText: 'servings' },
      recipeInstructions: { '@type': 'HowToSection', name: 'Soup', itemListElement: steps },
    },
  ],
  [
    'one text',
    {
      '@context': 'https://schema.org',
      ...base,
      recipeInstructions: 'Sweat the onion for 10 minutes.\nWhisk in the stock and simmer 25 minutes.',
    },
  ],
];

test.each(shapes)('instructions as %s are read', (_name, value) => {
  const opened = openFile(JSON.stringify(value));
  if (opened.kind !== 'drafts') throw new Error(JSON.stringify(opened));
  const [draft] = opened.drafts;
  expect(draft!.instructions).toEqual([
    'Sweat the onion for 10 minutes.',
    'Whisk in the stock and simmer 25 minutes.',
  ]);
  expect(draft!.lines.map((l) => l.ingredient)).toEqual([
    'butter',
    'onion',
    'plain-flour',
    'chicken-stock',
    'heavy-cream',
  ]);
  expect(draft!.lines.every((l) => l.doubts.length === 0)).toBe(true);
});
