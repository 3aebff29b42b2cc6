import { type Message, message } from '../message/message';
import type { RecipeText } from './recipe';

type Steps = RecipeText['steps'];

/** A way of making a thickened soup, with a soup of it to begin from: amounts for {@link SCHOOL_LITRES}, common practice, no source. */
export type School = {
  readonly id: string;
  /** As it stands in a recipe, and as it is chosen. */
  readonly school: string;
  readonly words: Message;
  /** What it is known by. */
  readonly says: Message;
  readonly steps: Steps;
  /** Pans beside the pot. */
  readonly pans?: RecipeText['pans'];
};

/** L the schools' soups are written for. */
export const SCHOOL_LITRES = 4;

const sweat = (vegetable: string, g: number): Steps[number] => ({
  kind: 'sweat',
  items: [
    { ingredient: 'butter', amount: '80 g' },
    { ingredient: vegetable, amount: `${g} g`, cut: { shape: 'cube', edgeMm: 6 }, prep: 'diced small' },
  ],
  minutes: 8,
  to: 'translucent',
});
const boil: Steps[number] = { kind: 'bring-to', to: 'simmer', flame: 0.9, lid: 'on' };
const tender = (minutes: number): Steps[number] => ({
  kind: 'simmer',
  minutes,
  untilTender: true,
  lid: 'on',
});
const blend: Steps[number] = { kind: 'puree', fraction: 'all', tool: 'stick blender' };
const cream: Steps = [
  { kind: 'add', items: [{ ingredient: 'heavy-cream', amount: '300 mL', celsius: 20 }] },
  { kind: 'bring-to', to: 82, flame: 0.4, lid: 'off' },
];
const salt: Steps[number] = { kind: 'season', items: [{ ingredient: 'salt', amount: 'to taste' }] };
const stock = (ingredient: string) => ({ ingredient, amount: 'to volume', celsius: 50 });
const diced = (ingredient: string, amount: string, edgeMm: number) => ({
  ingredient,
  amount,
  cut: { shape: 'cube' as const, edgeMm },
  prep: `${edgeMm} mm dice`,
});

export const SCHOOLS: readonly School[] = [
  {
    id: 'roux',
    school: 'Roux, blended',
    words: message('Roux, blended'),
    says: message('flour cooked in butter first, the liquid whisked in, vegetables blended smooth'),
    steps: [
      sweat('onion', 300),
      {
        kind: 'roux',
        flour: { ingredient: 'plain-flour', amount: 'to thicken' },
        fat: { ingredient: 'butter', amount: 'to match' },
        rule: 'weight',
        colour: 'white',
        minutes: 2,
      },
      { kind: 'add', items: [stock('vegetable-stock')], gradually: true },
      { kind: 'add', items: [diced('carrot', '700 g', 12)] },
      boil,
      tender(15),
      blend,
      ...cream,
      salt,
    ],
  },
  {
    id: 'roux-apart',
    school: 'Roux apart',
    words: message('Roux, made apart'),
    says: message('vegetables cooked in their stock, the roux made in a pan of its own and whisked in'),
    pans: [{ name: 'roux pan', as: 'pot' }],
    steps: [
      sweat('onion', 300),
      { kind: 'add', items: [diced('celeriac', '600 g', 15), stock('vegetable-stock')] },
      boil,
      tender(16),
      {
        kind: 'roux',
        in: 'roux pan',
        flour: { ingredient: 'plain-flour', amount: 'to thicken' },
        fat: { ingredient: 'butter', amount: 'to match' },
        rule: 'weight',
        colour: 'blond',
        minutes: 4,
        look: 'straw, smells of biscuit',
      },
      { kind: 'pour', from: 'roux pan', takes: 'all', gradually: true },
      { kind: 'simmer', minutes: 12, lid: 'ajar', look: 'no taste of flour' },
      blend,
      ...cream,
      salt,
    ],
  },
  {
    id: 'dusted',
    school: 'Dusted flour, with potatoes',
    words: message('Dusted flour, with potatoes'),
    says: message('a chowder: flour over the sweated vegetables, potato left in pieces, milk at the end'),
    steps: [
      { kind: 'render', items: [{ ingredient: 'streaky-bacon', amount: '150 g' }], minutes: 8, keep: 1 },
      sweat('onion', 350),
      { kind: 'dust', flour: { ingredient: 'plain-flour', amount: 'to thicken' }, minutes: 2 },
      { kind: 'add', items: [stock('fish-stock')], gradually: true },
      { kind: 'add', items: [diced('waxy-potato', '900 g', 12)] },
      boil,
      tender(12),
      { kind: 'add', items: [{ ingredient: 'whole-milk', amount: '600 mL', celsius: 60, prep: 'warmed' }] },
      { kind: 'bring-to', to: 82, flame: 0.5, lid: 'off' },
      salt,
    ],
  },
  {
    id: 'slurry',
    school: 'Cornstarch slurry',
    words: message('Starch slurry'),
    says: message('free of wheat, quick: starch in cold water into the simmering pot, near the end'),
    steps: [
      sweat('leek', 300),
      { kind: 'add', items: [stock('vegetable-stock')] },
      boil,
      { kind: 'add', items: [{ ingredient: 'green-peas', amount: '700 g', celsius: -18, prep: 'frozen' }] },
      tender(5),
      blend,
      {
        kind: 'thicken',
        method: 'slurry',
        thickener: { ingredient: 'cornstarch', amount: 'to thicken' },
        carrier: { ingredient: 'water', amount: 'to match', celsius: 10, prep: 'cold' },
        minutes: 2,
        lid: 'off',
      },
      ...cream,
      salt,
    ],
  },
  {
    id: 'kneaded-butter',
    school: 'Kneaded butter at the end',
    words: message('Kneaded butter'),
    says: message('flour worked into soft butter, whisked in by pieces at the end'),
    steps: [
      sweat('shallot', 200),
      {
        kind: 'sweat',
        items: [
          {
            ingredient: 'button-mushroom',
            amount: '900 g',
            cut: { shape: 'slab', edgeMm: 5 },
            prep: 'sliced',
          },
        ],
        minutes: 14,
        to: 'translucent',
      },
      { kind: 'add', items: [stock('mushroom-stock')] },
      boil,
      tender(10),
      {
        kind: 'thicken',
        method: 'kneaded butter',
        thickener: { ingredient: 'plain-flour', amount: 'to thicken' },
        carrier: { ingredient: 'butter', amount: 'to match', prep: 'soft' },
        additions: 3,
        minutes: 10,
        lid: 'off',
      },
      ...cream,
      salt,
    ],
  },
  {
    id: 'liaison',
    school: 'Roux, liaison at the end',
    words: message('Liaison'),
    says: message('yolk and cream, tempered in at the end over a light roux: never boiled after'),
    steps: [
      sweat('leek', 350),
      {
        kind: 'dust',
        flour: { ingredient: 'plain-flour', amount: 'to thicken' },
        minutes: 2,
      },
      { kind: 'add', items: [stock('chicken-stock')], gradually: true },
      boil,
      { kind: 'simmer', minutes: 15, lid: 'off' },
      blend,
      { kind: 'rest', minutes: 10, lid: 'off', look: 'under 85 °C before the yolks' },
      {
        kind: 'temper',
        items: [
          { ingredient: 'egg-yolk', amount: '120 g', prep: 'beaten' },
          { ingredient: 'heavy-cream', amount: '360 mL', celsius: 5, prep: 'beaten with the yolks' },
        ],
        warmTo: 60,
        to: 80,
        flame: 0.3,
      },
      salt,
    ],
  },
  {
    id: 'potato',
    school: 'Potato only, no flour',
    words: message('Potato only'),
    says: message('floury potato, as much of it blended as the soup needs, the rest in pieces'),
    steps: [
      sweat('leek', 400),
      { kind: 'add', items: [stock('chicken-stock'), diced('floury-potato', '1300 g', 14)] },
      boil,
      tender(12),
      { kind: 'puree', fraction: 'to thicken', of: ['floury-potato'], tool: 'stick blender' },
      ...cream,
      salt,
    ],
  },
  {
    id: 'rice',
    school: 'Rice, blended and strained',
    words: message('Rice, strained'),
    says: message('a bisque: shells, wine, rice cooked till it falls apart, blended and strained'),
    steps: [
      sweat('onion', 250),
      { kind: 'add', items: [{ ingredient: 'white-wine', amount: '200 mL' }] },
      { kind: 'reduce', flame: 0.9, to: { ofLast: 0.5 } },
      {
        kind: 'add',
        items: [
          {
            ingredient: 'crab-shells',
            amount: '1200 g',
            cut: { shape: 'cube', edgeMm: 40 },
            prep: 'cracked',
          },
          stock('shell-stock'),
        ],
      },
      boil,
      { kind: 'simmer', minutes: 25, lid: 'on', look: 'shells pale, liquor red' },
      { kind: 'strain', of: ['crab-shells'] },
      { kind: 'add', items: [{ ingredient: 'white-rice', amount: 'to thicken', prep: 'rinsed' }] },
      boil,
      { kind: 'simmer', minutes: 20, untilTender: true, lid: 'on' },
      { kind: 'puree', fraction: 'all', tool: 'jug blender' },
      ...cream,
      salt,
    ],
  },
  {
    id: 'boiled-cream',
    school: 'Starch boiled in the cream',
    words: message('Starch boiled in the cream'),
    says: message('the cream is boiled with its starch and goes in thick: it does not split'),
    steps: [
      sweat('onion', 250),
      { kind: 'add', items: [diced('parsnip', '800 g', 15), stock('vegetable-stock')] },
      boil,
      tender(14),
      blend,
      {
        kind: 'thicken',
        method: 'boiled cream',
        thickener: { ingredient: 'cornstarch', amount: 'to thicken' },
        carrier: { ingredient: 'heavy-cream', amount: '400 mL', celsius: 98, prep: 'boiled with the starch' },
        additions: 3,
        minutes: 3,
        lid: 'off',
      },
      salt,
    ],
  },
  {
    id: 'puree',
    school: 'Purée only',
    words: message('Purée only'),
    says: message('nothing but the vegetable, blended: as much of it as the soup needs'),
    steps: [
      sweat('onion', 300),
      { kind: 'add', items: [diced('celeriac', 'to thicken', 15), stock('vegetable-stock')] },
      boil,
      tender(16),
      blend,
      ...cream,
      salt,
    ],
  },
];

/** The school of this id; undefined of none. */
export const schoolOf = (id: string | undefined): School | undefined => SCHOOLS.find((s) => s.id === id);
