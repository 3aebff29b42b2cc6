import * as z from 'zod';
import { isIngredient, notCatalogued } from '../food/catalogue';
import { COOLING_METHODS } from '../heat/cool/body';
import { issue } from '../message/told';
import { EQUAL_PARTS } from '../thicken/equalParts';
import { ROUX_COLOURS } from '../thicken/granules';
import { PUREE_TOOLS } from '../thicken/puree';
import { THICKEN_METHODS } from '../thickeners/row';
import { lotOf } from './lots';

export const CutSchema = z.object({
  shape: z.enum(['slab', 'rod', 'cube']),
  edgeMm: z.number().min(1).max(80),
});

const IngredientId = z.string().refine(isIngredient, { error: ({ input }) => notCatalogued(input) });

const LidSchema = z.enum(['on', 'ajar', 'off']);
const Minutes = z.number().min(0).max(600);
const Flame = z.number().min(0.05).max(1);
const Share = z.number().min(0).max(1);
const Celsius = z.number().min(-25).max(200);

/** Which of several goes of one ingredient is meant: "floury-potato#2" is the second that went in, without a number all. */
const PiecesOf = z.string().refine((name) => isIngredient(lotOf(name).ingredient) && lotOf(name).lot !== 0, {
  error: ({ input }) =>
    issue('“{given}” is not in the catalogue: an ingredient, or its second go as leek#2', {
      given: String(input),
    }),
});

/** Every kind of step, in the order a cook meets them. */
export const STEP_KINDS = [
  'sweat',
  'render',
  'roux',
  'dust',
  'add',
  'bring-to',
  'simmer',
  'reduce',
  'puree',
  'strain',
  'thicken',
  'temper',
  'poach',
  'season',
  'rest',
  'hold',
  'chill',
  'reheat',
  'keep',
] as const;

/**
 * The shape of every step, over whatever stands for an amount: grams in a {@link Step}, amounts
 * still to be resolved in a recipe. One definition, so that the two cannot drift apart.
 */
export function stepSchema<A extends z.ZodType, F extends z.ZodType>(amount: A, fraction: F) {
  const portion = z.object({
    ingredient: IngredientId,
    amount,
    celsius: Celsius.optional(),
    cut: CutSchema.optional(),
    prep: z.string().max(80).optional(),
    /** Cooked and broken open in another pan before it goes in. */
    as: z.enum(['puree', 'mash']).optional(),
  });
  const items = z.array(portion).min(1).max(30);
  const note = { look: z.string().max(200).optional() };
  /** What takes its time on the flame it finds, unless the pot is taken off; for so long, or as long as it takes. */
  const standing = { offHeat: z.boolean().optional(), minutes: Minutes.optional() };
  return z.discriminatedUnion(
    'kind',
    [
      z.object({
        kind: z.literal('sweat'),
        ...note,
        items,
        minutes: Minutes,
        to: z.enum(['translucent', 'gold']),
        lid: LidSchema.optional(),
        /** Gentle for translucent and stronger for gold unless said. */
        flame: Flame.optional(),
      }),
      z.object({
        kind: z.literal('roux'),
        ...note,
        flour: portion,
        /** Fat to cook it in; in a recipe its amount follows from the flour and the rule. */
        fat: portion,
        rule: z.enum(EQUAL_PARTS),
        colour: z.enum(ROUX_COLOURS),
        minutes: Minutes,
      }),
      z.object({
        kind: z.literal('dust'),
        ...note,
        flour: portion,
        minutes: Minutes,
        offHeat: z.boolean().optional(),
      }),
      z.object({
        kind: z.literal('add'),
        ...note,
        ...standing,
        items,
        gradually: z.boolean().optional(),
        lid: LidSchema.optional(),
      }),
      z.object({
        kind: z.literal('bring-to'),
        ...note,
        /** °C, or the simmer or the boil wherever this kitchen stands. */
        to: z.union([z.literal('simmer'), z.literal('boil'), z.number().min(30).max(100)]),
        flame: Flame,
        lid: LidSchema,
      }),
      z.object({
        kind: z.literal('simmer'),
        ...note,
        minutes: Minutes,
        untilTender: z.boolean().optional(),
        lid: LidSchema,
        flame: Flame.optional(),
      }),
      z.object({
        kind: z.literal('puree'),
        ...note,
        ...standing,
        fraction,
        of: z.array(PiecesOf).optional(),
        /** Share of the pieces set aside before blending and put back after. */
        reserve: z.number().min(0).max(0.95).optional(),
        tool: z.enum(PUREE_TOOLS),
      }),
      z.object({ kind: z.literal('season'), ...note, ...standing, items }),
      /** Fat cooked out of cured meat; `keep` is the share of it left in the pot, the rest is poured off. */
      z.object({ kind: z.literal('render'), ...note, items, minutes: Minutes, keep: Share }),
      /** Boiled down to a share of its volume, by a drop of the level in mm, or for minutes. */
      z.object({
        kind: z.literal('reduce'),
        ...note,
        flame: Flame,
        to: z.union([
          z.object({ share: z.number().min(0.1).max(1) }),
          /** Of what was poured in last. */
          z.object({ ofLast: z.number().min(0.1).max(1) }),
          z.object({ dropMm: z.number().positive().max(400) }),
          z.object({ minutes: Minutes }),
        ]),
      }),
      /** Pieces taken out; `keeps` is the share of liquid that clings to them and is lost. */
      z.object({
        kind: z.literal('strain'),
        ...note,
        minutes: Minutes.optional(),
        keeps: Share.optional(),
        of: z.array(PiecesOf).optional(),
      }),
      /** A correction or finish: slurry, kneaded butter, cooked roux, or starch boiled in cream, in `additions`. */
      z.object({
        kind: z.literal('thicken'),
        ...note,
        method: z.enum(THICKEN_METHODS),
        thickener: portion,
        /** Cold water of a slurry, butter of a kneaded butter or roux, cream the starch is boiled in. */
        carrier: portion.optional(),
        colour: z.enum(ROUX_COLOURS).optional(),
        additions: z.number().int().min(1).max(6).optional(),
        minutes: Minutes,
        lid: LidSchema.optional(),
      }),
      /** Dairy or a liaison warmed by ladles of the pot, then back, and brought to `to` °C. */
      z.object({
        kind: z.literal('temper'),
        ...note,
        items,
        warmTo: z.number().min(40).max(75),
        to: z.number().min(50).max(90),
        flame: Flame,
      }),
      /** Late proteins cooked in the soup at `at` °C until their centre is done, and for `minutes` at least. */
      z.object({
        kind: z.literal('poach'),
        ...note,
        items,
        at: z.number().min(60).max(98),
        lid: LidSchema,
        minutes: Minutes.optional(),
      }),
      z.object({ kind: z.literal('rest'), ...note, minutes: Minutes, lid: LidSchema }),
      z.object({
        kind: z.literal('hold'),
        ...note,
        minutes: Minutes,
        at: z.number().min(50).max(95),
        lid: LidSchema,
      }),
      /** Cooled in pans `depthMm` deep (an ice bath takes the pot as it is) to `to` °C. */
      z.object({
        kind: z.literal('chill'),
        ...note,
        method: z.enum(COOLING_METHODS),
        depthMm: z.number().min(10).max(400),
        to: z.number().min(1).max(20),
      }),
      /** Put by for so many days, the day it is made counted, at `at` °C: cold, or frozen. */
      z.object({
        kind: z.literal('keep'),
        ...note,
        days: z.number().int().min(1).max(365),
        at: z.number().min(-40).max(15),
      }),
      z.object({
        kind: z.literal('reheat'),
        ...note,
        to: z.number().min(60).max(95),
        flame: Flame,
        lid: LidSchema,
      }),
    ],
    {
      error: ({ code, note }) =>
        code === 'invalid_union' && note === 'No matching discriminator'
          ? issue('kind is one of {kinds}', { kinds: { listed: [...STEP_KINDS] } })
          : undefined,
    },
  );
}

const Grams = z.number().min(0).max(2e6);

/** What the cook does, with every amount in grams. */
export const Step = stepSchema(Grams, z.number().min(0).max(1));
export type Step = z.infer<typeof Step>;

/** A step of one kind. */
export type StepOf<K extends Step['kind']> = Extract<Step, { kind: K }>;
export type StepKind = Step['kind'];

/** A weighed amount of one ingredient, in grams, as it goes in. */
export type Portion = Extract<Step, { kind: 'dust' }>['flour'];
