import { COOLING_METHODS } from '../../../../core/heat/cool/body';
import { type Message, message } from '../../../../core/message/message';
import { term } from '../../../../core/message/term';
import type { RecipeText } from '../../../../core/recipe/recipe';
import { EQUAL_PARTS, EQUAL_PARTS_WORDS } from '../../../../core/thicken/equalParts';
import { ROUX_COLOURS } from '../../../../core/thicken/granules';
import { PUREE_TOOLS } from '../../../../core/thicken/puree';
import { THICKEN_METHODS } from '../../../../core/thickeners/row';

export type StepKind = RecipeText['steps'][number]['kind'];

type Option = { readonly value: string; readonly words: Message };

/** One thing a step's short form asks. */
export type FieldSpec =
  | {
      readonly as: 'number';
      readonly key: string;
      readonly words: Message;
      readonly unit: string;
      readonly optional?: boolean;
      /** What an empty field means, where that is not nothing. */
      readonly empty?: Message;
    }
  | {
      readonly as: 'text';
      readonly key: string;
      readonly words: Message;
      readonly hint: Message;
      /** Of a figure in it. */
      readonly unit?: '°C';
      readonly optional?: boolean;
    }
  | {
      readonly as: 'choice';
      readonly key: string;
      readonly words: Message;
      readonly options: readonly Option[];
      readonly optional?: boolean;
    }
  | { readonly as: 'tick'; readonly key: string; readonly words: Message }
  | { readonly as: 'pieces'; readonly key: string; readonly words: Message };

const plain = (values: readonly string[]): readonly Option[] =>
  values.map((v) => ({ value: v, words: term(v) }));

const minutes: FieldSpec = { as: 'number', key: 'minutes', words: message('Minutes'), unit: 'min' };
const lid: FieldSpec = {
  as: 'choice',
  key: 'lid',
  words: message('Lid'),
  options: plain(['on', 'ajar', 'off']),
};
const lidIfAny: FieldSpec = { ...lid, optional: true };
const flame: FieldSpec = { as: 'number', key: 'flame', words: message('Flame, 0.05 to 1'), unit: '' };
const minutesIfAny: FieldSpec = {
  ...minutes,
  words: message('Takes'),
  optional: true,
  empty: message('as it takes'),
};
const offHeat: FieldSpec = { as: 'tick', key: 'offHeat', words: message('Off the heat') };
const pieces: FieldSpec = { as: 'pieces', key: 'of', words: message('Only these (none ticked: everything)') };

/** The short form of each kind of step: what it asks besides its ingredients. */
export const ASKS: { readonly [K in StepKind]: readonly FieldSpec[] } = {
  sweat: [
    minutes,
    { as: 'choice', key: 'to', words: message('Until'), options: plain(['translucent', 'gold']) },
    lidIfAny,
  ],
  roux: [
    {
      as: 'choice',
      key: 'rule',
      words: message('Equal parts'),
      options: EQUAL_PARTS.map((r) => ({ value: r, words: term(EQUAL_PARTS_WORDS[r]) })),
    },
    { as: 'choice', key: 'colour', words: message('Colour'), options: plain(ROUX_COLOURS) },
    minutes,
  ],
  dust: [minutes, offHeat],
  add: [
    { as: 'tick', key: 'gradually', words: message('Gradually, whisking') },
    offHeat,
    minutesIfAny,
    lidIfAny,
  ],
  'bring-to': [
    {
      as: 'text',
      key: 'to',
      words: message('To'),
      hint: message('simmer, boil, or a temperature'),
      unit: '°C',
    },
    flame,
    lid,
  ],
  simmer: [
    minutes,
    { as: 'tick', key: 'untilTender', words: message('Longer while anything is hard') },
    lid,
    { ...flame, optional: true },
  ],
  puree: [
    { as: 'text', key: 'fraction', words: message('How much'), hint: message('1/2, all, or to thickness') },
    { as: 'choice', key: 'tool', words: message('With'), options: plain(PUREE_TOOLS) },
    {
      as: 'number',
      key: 'reserve',
      words: message('Pieces set aside first, 0 to 0.95'),
      unit: '',
      optional: true,
    },
    offHeat,
    minutesIfAny,
    pieces,
  ],
  season: [offHeat, minutesIfAny],
  render: [minutes, { as: 'number', key: 'keep', words: message('Share of the fat kept, 0 to 1'), unit: '' }],
  reduce: [
    {
      as: 'choice',
      key: 'until',
      words: message('Until'),
      options: [
        { value: 'minutes', words: message('minutes have gone') },
        { value: 'share', words: message('this share is left') },
        { value: 'ofLast', words: message('this share of what was poured last is left') },
        { value: 'dropMm', words: message('the level has dropped, mm') },
      ],
    },
    { as: 'number', key: 'untilValue', words: message('How much'), unit: '' },
    flame,
  ],
  strain: [
    {
      as: 'number',
      key: 'keeps',
      words: message('Share of liquid lost with it, 0 to 1'),
      unit: '',
      optional: true,
    },
    minutesIfAny,
    pieces,
  ],
  thicken: [
    { as: 'choice', key: 'method', words: message('How'), options: plain(THICKEN_METHODS) },
    minutes,
    { as: 'number', key: 'additions', words: message('In so many additions'), unit: '', optional: true },
    {
      as: 'choice',
      key: 'colour',
      words: message('Roux colour'),
      options: plain(ROUX_COLOURS),
      optional: true,
    },
    lidIfAny,
  ],
  temper: [
    { as: 'number', key: 'warmTo', words: message('Warm it by ladles to'), unit: '°C' },
    { as: 'number', key: 'to', words: message('Then bring to'), unit: '°C' },
    flame,
  ],
  poach: [{ as: 'number', key: 'at', words: message('At'), unit: '°C' }, lid],
  rest: [minutes, lid],
  hold: [minutes, { as: 'number', key: 'at', words: message('At'), unit: '°C' }, lid],
  chill: [
    { as: 'choice', key: 'method', words: message('Where'), options: plain(COOLING_METHODS) },
    { as: 'number', key: 'depthMm', words: message('Depth in the pans'), unit: 'mm' },
    { as: 'number', key: 'to', words: message('To'), unit: '°C' },
  ],
  reheat: [{ as: 'number', key: 'to', words: message('To'), unit: '°C' }, flame, lid],
  keep: [
    { as: 'number', key: 'days', words: message('Days, the day it is made counted'), unit: '' },
    { as: 'number', key: 'at', words: message('At'), unit: '°C' },
  ],
};

/** What a step holds: a list of ingredients, or single ones by name. */
export const HOLDS: {
  readonly [K in StepKind]?: 'items' | readonly ('flour' | 'fat' | 'thickener' | 'carrier')[];
} = {
  sweat: 'items',
  roux: ['flour', 'fat'],
  dust: ['flour'],
  add: 'items',
  season: 'items',
  render: 'items',
  thicken: ['thickener', 'carrier'],
  temper: 'items',
  poach: 'items',
};

/** A step as it begins when it is put in. */
export const FRESH: { readonly [K in StepKind]: Extract<RecipeText['steps'][number], { kind: K }> } = {
  sweat: {
    kind: 'sweat',
    items: [
      { ingredient: 'butter', amount: '60 g' },
      { ingredient: 'onion', amount: '300 g', cut: { shape: 'cube', edgeMm: 6 } },
    ],
    minutes: 8,
    to: 'translucent',
  },
  roux: {
    kind: 'roux',
    flour: { ingredient: 'plain-flour', amount: 'to thickness' },
    fat: { ingredient: 'butter', amount: 'by rule' },
    rule: 'weight',
    colour: 'blond',
    minutes: 3,
  },
  dust: { kind: 'dust', flour: { ingredient: 'plain-flour', amount: 'to thickness' }, minutes: 2 },
  add: { kind: 'add', items: [{ ingredient: 'vegetable-stock', amount: 'to volume' }] },
  'bring-to': { kind: 'bring-to', to: 'simmer', flame: 0.8, lid: 'off' },
  simmer: { kind: 'simmer', minutes: 15, untilTender: true, lid: 'on' },
  puree: { kind: 'puree', fraction: 'all', tool: 'stick blender' },
  season: { kind: 'season', items: [{ ingredient: 'salt', amount: 'to taste' }] },
  render: { kind: 'render', items: [{ ingredient: 'streaky-bacon', amount: '150 g' }], minutes: 8, keep: 1 },
  reduce: { kind: 'reduce', flame: 1, to: { share: 0.8 } },
  strain: { kind: 'strain' },
  thicken: {
    kind: 'thicken',
    method: 'slurry',
    thickener: { ingredient: 'cornstarch', amount: 'to thickness' },
    carrier: { ingredient: 'water', amount: 'by rule', celsius: 10 },
    minutes: 2,
  },
  temper: {
    kind: 'temper',
    items: [
      { ingredient: 'egg-yolk', amount: '100 g' },
      { ingredient: 'heavy-cream', amount: 'by rule' },
    ],
    warmTo: 60,
    to: 80,
    flame: 0.3,
  },
  poach: { kind: 'poach', items: [{ ingredient: 'cod', amount: '400 g' }], at: 82, lid: 'off' },
  rest: { kind: 'rest', minutes: 10, lid: 'off' },
  hold: { kind: 'hold', minutes: 60, at: 75, lid: 'on' },
  chill: { kind: 'chill', method: 'blast', depthMm: 50, to: 5 },
  reheat: { kind: 'reheat', to: 75, flame: 0.5, lid: 'on' },
  keep: { kind: 'keep', days: 3, at: 3 },
};
