import * as z from 'zod';
import { issue } from '../message/told';
import { ORDER_BOUNDS } from '../order/bounds';
import { Order } from '../order/order';
import { numberFrom } from '../units/numberFrom';
import { isDay, MOST_DRAWS, MOST_SOUPS, MOST_WEEKS } from './bounds';

const DAY = /^20\d\d-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;

/** A day of the calendar: "2026-12-03". */
export const Day = z
  .string({ error: issue('a day is written {one}', { one: '2026-12-03' }) })
  .regex(DAY, issue('a day is written {one}', { one: '2026-12-03' }))
  .refine(isDay, { error: issue('there is no such day') });

/** Minutes since midnight, on the kitchen's own clock; beyond 1440 it is after the next midnight. */
const Minute = numberFrom('the time', 0, 2160, 'min').int();

const Id = z.string().regex(/^[a-z0-9-]{1,60}$/, issue('id is small letters, digits and hyphens'));

/** What is carried to the pass at one time: its part of the soup. */
const DrawSchema = z.object({ at: Minute, part: numberFrom('the part', 0.01, 100) });

/** How much of a soup: litres, or the part of the covers that take a ladle of it. */
const AmountSchema = z.union([
  z.object({ litres: numberFrom('litres', ...ORDER_BOUNDS.litres, 'L') }),
  z.object({
    share: numberFrom('the share', 0.01, 1),
    ladleMl: numberFrom('ladleMl', ...ORDER_BOUNDS.ladleMl, 'mL'),
  }),
]);

/** A soup of a service: an order without its litres, which follow from the amount. */
const SoupSchema = z.object({
  id: Id,
  order: Order.omit({ litres: true }),
  amount: AmountSchema,
  draws: z
    .array(DrawSchema)
    .min(1, issue('at least one time on the pass'))
    .max(MOST_DRAWS)
    .refine((draws) => draws.every((d, i) => i === 0 || d.at > (draws[i - 1]?.at ?? 0)), {
      error: issue('each time on the pass is after the one before'),
    }),
  /** Each draw cooked for itself; else one pot, kept hot until the last. */
  fresh: z.boolean().default(false),
  /** Whose it is, by role. */
  role: z.string().max(30).optional(),
});
export type Soup = z.infer<typeof SoupSchema>;

/** Where a batch of it stands: on which burner, in which pot, lit when. */
const PlaceSchema = z.object({
  burnerId: z.string().min(1).max(60),
  vesselId: z.string().min(1).max(60),
  lightAt: numberFrom('the time', -1440, 2880, 'min').int(),
  /** Set by hand: arranging the others leaves it where it is. */
  pinned: z.boolean().optional(),
  /** When it is weighed out; right before it is lit where it is not said. */
  miseAt: numberFrom('the time', -1440, 2880, 'min').int().optional(),
  /** Where its stock is made, and when that is lit. */
  stock: z
    .object({
      burnerId: z.string().min(1).max(60),
      vesselId: z.string().min(1).max(60),
      lightAt: numberFrom('the time', -1440, 2880, 'min').int(),
    })
    .optional(),
});
export type BoardPlace = z.infer<typeof PlaceSchema>;

const unlike = (soups: readonly { id: string }[]) => new Set(soups.map((s) => s.id)).size === soups.length;

/** A day and a time with its soups: `panache.service/1`. */
export const Service = z.object({
  format: z.literal('panache.service/1', {
    error: issue('this is not a {format} file', { format: 'panache.service/1' }),
  }),
  id: z.uuid({ error: issue('id is a UUID made by the station') }),
  name: z.string().trim().min(1, issue('give the service a name')).max(60),
  day: Day,
  /** Whom it feeds; null where litres are given. */
  covers: numberFrom('covers', 1, 20_000).int().nullable().default(null),
  /** Pairs of hands at once. */
  hands: numberFrom('hands', 1, 20).int(),
  /** Nothing is lit or weighed before. */
  opens: Minute.default(360),
  /** A pot kept hot stays on its burner, or goes into a water bath. */
  keptOn: z.enum(['bath', 'burner']).default('bath'),
  /** Minutes to empty, wash and dry a pot before the next soup. */
  wash: numberFrom('minutes to wash a pot', 0, 120, 'min').int().default(10),
  tools: z
    .object({
      'stick blender': numberFrom('stick blenders', 0, 12).int(),
      'jug blender': numberFrom('jug blenders', 0, 12).int(),
      sieve: numberFrom('sieves', 0, 12).int(),
    })
    .default({ 'stick blender': 1, 'jug blender': 1, sieve: 1 }),
  soups: z
    .array(SoupSchema)
    .max(MOST_SOUPS, issue('a service has at most {most} soups', { most: MOST_SOUPS }))
    .refine(unlike, { error: issue('two soups have one id') }),
  /** By batch. */
  placed: z.record(z.string(), PlaceSchema).default({}),
  /** The batch of the record each was started as. */
  started: z.record(z.string(), z.uuid()).default({}),
  /** Put away: no longer listed. */
  archived: z.boolean().optional(),
});
export type Service = z.infer<typeof Service>;

/** A menu that comes round: by week and day of the week, the service that is copied. Monday is the first day. */
export const Cycle = z.object({
  format: z.literal('panache.cycle/1'),
  /** The Monday its first week begins with. */
  from: Day.refine((d) => new Date(`${d}T00:00:00Z`).getUTCDay() === 1, {
    error: issue('a cycle begins on a Monday'),
  }),
  weeks: z
    .array(z.array(z.array(z.uuid()).max(6)).length(7))
    .min(1, issue('at least one week'))
    .max(MOST_WEEKS, issue('a cycle has at most {most} weeks', { most: MOST_WEEKS })),
});
export type Cycle = z.infer<typeof Cycle>;
