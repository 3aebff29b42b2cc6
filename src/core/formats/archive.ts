import * as z from 'zod';
import { BatchEvent } from '../batch/events';
import { RecordedPlan } from '../batch/record';
import { BANDS } from '../flow/bands';
import { KeepEvent } from '../keep/events';
import { KitchenFile } from '../kitchen/kitchenFile';
import { HandActSchema } from '../learn/own/handAct';
import { WaterTest } from '../learn/waterTest';
import { issue } from '../message/told';
import { Recipe, type RecipeText } from '../recipe/recipe';
import { Via } from '../record/line';
import { Cycle, Service } from '../service/schema';
import { momentOf } from '../units/moment';
import { issueWords, valueAt } from '../words/issueWords';

const Time = momentOf('it');

/** A recipe as typed: checked as one, kept as it stands. */
const Body = z
  .looseObject({ id: z.string() })
  .superRefine((body, ctx) => {
    const read = Recipe.safeParse(body);
    if (read.success) return;
    for (const i of read.error.issues) {
      const { text, values } = issueWords(i, valueAt(body, i.path));
      ctx.addIssue({ code: 'custom', path: [...i.path], message: issue(text, values) });
    }
  })
  .transform((body) => body as RecipeText);

/** A recipe with all its versions, the oldest first. */
export const ArchivedRecipe = z
  .object({
    id: z.string(),
    archived: z.boolean(),
    versions: z
      .array(
        z.object({
          version: z.int().min(1),
          madeAt: Time,
          /** Absent in archives kept before it was written down. */
          by: z.string().max(80).default(''),
          note: z.string().max(200),
          body: Body,
        }),
      )
      .min(1),
  })
  .superRefine((r, ctx) => {
    for (const [n, v] of r.versions.entries()) {
      if (v.version !== n + 1)
        ctx.addIssue({
          code: 'custom',
          path: ['versions', n, 'version'],
          message: issue('is {version}; version {n} has that number', { version: v.version, n: n + 1 }),
        });
      if (v.body.id !== r.id)
        ctx.addIssue({
          code: 'custom',
          path: ['versions', n, 'body', 'id'],
          message: issue('is “{other}”; the recipe is “{id}”', { other: v.body.id, id: r.id }),
        });
    }
  });

/** Most lines of one batch's record: a busy one has some hundreds. */
const MOST_EVENTS = 50_000;

/** A batch with its whole record. */
export const ArchivedBatch = z.object({
  id: z.uuid(),
  recipeId: z.string(),
  recipeVersion: z.int().min(1),
  plan: RecordedPlan,
  startedAt: Time,
  serveAt: Time.nullable(),
  receivedAt: Time.optional(),
  via: Via.optional(),
  events: z.array(BatchEvent).max(MOST_EVENTS),
  /** Lines that could not be read where they stood: kept for whoever looks, taken in by nobody. */
  unreadable: z.array(z.unknown()).optional(),
  /** Lines that were put away in files where it comes from: it is not whole, and nobody takes it in. */
  away: z.array(z.object({ file: z.string(), lines: z.int() })).optional(),
});

/** Something kept with all its lines. */
export const ArchivedLot = z.object({
  id: z.uuid(),
  batchId: z.uuid().nullable().default(null),
  events: z.array(KeepEvent).min(1).max(MOST_EVENTS),
});
export type ArchivedLot = z.infer<typeof ArchivedLot>;

/** A pot measured with plain water, and what came of it. */
export const ArchivedWaterTest = z.object({
  id: z.uuid(),
  vesselId: z.string().max(60),
  burnerId: z.string().max(60),
  madeAt: Time,
  readings: WaterTest,
  lossFactor: z.number().min(0.01).max(100),
  intoPotW: z.number().min(0).max(1e6),
});
export type ArchivedWaterTest = z.infer<typeof ArchivedWaterTest>;

/** What somebody did about what the house learned. */
export const ArchivedAct = z.object({
  id: z.uuid(),
  at: Time,
  station: z.string().max(80),
  body: HandActSchema,
});
export type ArchivedAct = z.infer<typeof ArchivedAct>;

/** A batch of a notebook. */
export const ArchivedPast = z.object({
  id: z.uuid(),
  day: z.iso.date(),
  soup: z.string().max(200),
  recipeId: z.string().max(200).nullable(),
  ml: z.number().min(1).max(1e6),
  bowl: z
    .object({ at: z.number().min(0).max(1e7), by: z.enum(['test', 'band']), band: z.enum(BANDS) })
    .nullable(),
  pot: z.string().max(200),
  role: z.string().max(200),
  score: z.number().min(0).max(10).nullable(),
  note: z.string().max(2000),
  taught: z
    .object({
      ingredient: z.string().max(160),
      miss: z.number().min(-10).max(10),
      sure: z.number().min(0.01).max(1e6),
    })
    .nullable(),
});
export type ArchivedPast = z.infer<typeof ArchivedPast>;

/**
 * A whole kitchen: its settings, every version of every recipe, every batch, the services planned, and what is
 * kept. `panache.archive/1`.
 */
export const Archive = z
  .object({
    format: z.literal('panache.archive/1'),
    madeAt: Time,
    kitchen: KitchenFile,
    recipes: z.array(ArchivedRecipe).max(2000),
    batches: z.array(ArchivedBatch).max(20_000),
    /** Services planned, each as it stands, and the menu that comes round; absent in archives kept before there were any. */
    services: z.array(Service).max(20_000).default([]),
    cycle: Cycle.nullable().default(null),
    /** What is and was kept, and the lines of the kitchen: probes checked, days signed; absent before anything was kept here. */
    kept: z.array(ArchivedLot).max(50_000).default([]),
    kitchenLines: z.array(KeepEvent).max(50_000).default([]),
    /** Pots measured, what was set by hand of what the house learned, and batches of a notebook; absent of older archives. */
    waterTests: z.array(ArchivedWaterTest).max(10_000).default([]),
    acts: z.array(ArchivedAct).max(50_000).default([]),
    notebook: z.array(ArchivedPast).max(100_000).default([]),
  })
  .superRefine((a, ctx) => {
    const versions = new Map(a.recipes.map((r) => [r.id, r.versions.length]));
    if (versions.size < a.recipes.length)
      ctx.addIssue({ code: 'custom', path: ['recipes'], message: issue('two recipes have the same id') });
    for (const [n, b] of a.batches.entries()) {
      if (b.recipeVersion > (versions.get(b.recipeId) ?? 0))
        ctx.addIssue({
          code: 'custom',
          path: ['batches', n, 'recipeVersion'],
          message: issue('was cooked from version {version} of “{recipe}”, which the archive lacks', {
            version: b.recipeVersion,
            recipe: b.recipeId,
          }),
        });
    }
  });
export type Archive = z.infer<typeof Archive>;
