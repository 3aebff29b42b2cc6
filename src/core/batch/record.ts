import * as z from 'zod';
import { BANDS } from '../flow/bands';
import { KitchenFile, ProductSchema } from '../kitchen/kitchenFile';
import { MessageSchema } from '../message/schema';
import { PanName } from '../pot/kinds/shapes';
import { FACTORS, type Factor } from '../pot/kitchen';
import { KEPT_AS, PAN_KINDS } from '../pot/pans/pan';
import { Step } from '../pot/step';
import { GOALS } from '../recipe/amountOf';
import { BurnerSchema, VesselSchema } from '../recipe/things';
import type { PutAway } from '../record/awayWords';
import type { Via } from '../record/line';
import type { BatchEvent } from './events';

const Figure = z.number();

/** Said by whoever reads it; text in records kept before sentences were kept as data. */
const Sentence = z.union([z.string(), MessageSchema]);

/** An amount of a step the plan worked out: which item (or the share to blend), and what it was to meet. */
export const OpenAmount = z.object({
  item: z.union([z.int().min(0).max(40), z.literal('fraction')]),
  goal: z.enum([...GOALS, 'by rule']),
});
export type OpenAmount = z.infer<typeof OpenAmount>;

/** A step as it was planned, in words and on the clock, kept with the batch for good. */
export const RecordedStep = z.object({
  title: z.string(),
  details: z.array(z.string()),
  look: z.string(),
  reason: Sentence,
  /** Seconds from lighting the flame. */
  startsAt: Figure,
  seconds: Figure,
  celsius: Figure,
  /** °C before it; absent in records kept before it was. */
  from: Figure.optional(),
  volumeMl: Figure,
  /** Absent in records kept before cautions stood with their steps. */
  cautions: z
    .array(z.object({ id: z.string(), says: Sentence, do: Sentence, rule: z.string() }).readonly())
    .readonly()
    .optional(),
  /** The step in grams, for the model to go along; absent in records kept before it did. */
  does: Step.optional(),
  open: z.array(OpenAmount).optional(),
});
export type RecordedStep = z.infer<typeof RecordedStep>;

const { altitudeM, airCelsius, humidity, bandLimits, saltPercent, measures, flagged } = KitchenFile.shape;
const factorNames = Object.keys(FACTORS) as [Factor, ...Factor[]];

const OwnNumberSchema = z.object({
  by: z.number().positive().max(20),
  spread: z.number().min(0).max(3),
  readings: z.int().min(0),
});
const OwnNumbersSchema = z.partialRecord(
  z.enum([...factorNames, 'soup']),
  z.record(z.string().max(130), OwnNumberSchema),
);

/** The room as it was on the day: settings, house factors and products. */
const RecordedKitchen = z.object({
  altitudeM,
  airCelsius,
  humidity,
  bandLimits,
  saltPercent,
  measures,
  flagged,
  factors: z.record(z.enum(factorNames), z.number().positive().max(20)),
  /** What the house knew of its own things on that day; absent in records kept before it learned. */
  own: OwnNumbersSchema.optional(),
  /** What it knew of this soup. */
  soup: OwnNumberSchema.optional(),
  products: z.record(z.string(), ProductSchema).optional(),
});

/** What the model needs to go along with a batch. */
export const CookedWith = z.object({
  /** mPa·s asked for in the bowl. */
  target: z.number().positive(),
  vessel: VesselSchema,
  burner: BurnerSchema,
  kitchen: RecordedKitchen,
  /** Pans beside the pot, by name, each where it stood; absent of one pot. */
  beside: z
    .record(
      PanName,
      z.object({
        as: z.enum(PAN_KINDS),
        vessel: VesselSchema,
        burner: BurnerSchema.nullable(),
        kept: z.enum(KEPT_AS).optional(),
        trays: z.int().optional(),
      }),
    )
    .optional(),
});
export type CookedWith = z.infer<typeof CookedWith>;

/** The plan a batch was started from. */
export const RecordedPlan = z.object({
  recipeName: z.string(),
  litres: Figure,
  viscosity: Figure,
  band: z.enum(BANDS),
  vesselId: z.string(),
  vesselName: z.string(),
  burnerName: z.string(),
  seconds: Figure,
  steps: z.array(RecordedStep).max(80),
  cautions: z.array(z.string()),
  cooked: CookedWith.optional(),
  /** What was held back for the bowls. */
  garnish: z
    .array(z.object({ name: z.string(), each: Figure, g: Figure, portions: z.int(), how: MessageSchema }))
    .optional(),
});
export type RecordedPlan = z.infer<typeof RecordedPlan>;

export type Batch = {
  readonly id: string;
  readonly recipeId: string;
  readonly recipeVersion: number;
  readonly plan: RecordedPlan;
  readonly startedAt: string;
  readonly serveAt: string | null;
  /** When the server took the start. */
  readonly receivedAt?: string | undefined;
  /** By whose key it was begun; absent at the machine itself. */
  readonly via?: Via | undefined;
  /** An archive brought it. */
  readonly brought?: boolean | undefined;
  readonly events: readonly BatchEvent[];
  /** Lines of its record that cannot be read: they stand in it, and count for nothing here. */
  readonly unreadable?: readonly Unreadable[] | undefined;
  /** Lines of its record that are put away in files: it is not whole without them. */
  readonly away?: readonly PutAway[] | undefined;
};

/** A line of a record as it is stored, and why it cannot be read. */
export type Unreadable = { readonly id: string; readonly why: string };
