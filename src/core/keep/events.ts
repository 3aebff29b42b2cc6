import * as z from 'zod';
import { ALLERGENS } from '../food/ingredient';
import { issue } from '../message/told';
import { COMMON, lineOf, readCelsius, words } from '../record/line';
import { momentOf } from '../units/moment';
import { numberFrom } from '../units/numberFrom';

const Id = z.string().min(1).max(60);
const celsius = readCelsius;
const ml = numberFrom('volume', 1, 600_000, 'mL');

/** What soup stands in: its pot, or pans and tubs of one kind. */
const ContainerSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('pot'), vessel: Id }),
  z.object({
    kind: z.literal('pans'),
    pan: Id,
    count: z
      .int({ error: issue('how many pans is a whole number') })
      .min(1, issue('at least one pan'))
      .max(200),
  }),
]);
export type Container = z.infer<typeof ContainerSchema>;

/** A way of cooling, as core/keep/cool has it. */
const WaySchema = z.object({
  into: ContainerSchema,
  place: Id,
  lid: z.boolean().optional(),
  stirEvery: numberFrom('minutes between two stirrings', 1, 120, 'min').optional(),
  wands: z.int().min(0).max(20).optional(),
  iceG: numberFrom('ice', 0, 200_000, 'g').optional(),
});

/** What is kept. */
export const KEPT_KINDS = ['soup', 'stock', 'purée', 'roux', 'kneaded butter', 'other'] as const;
export type KeptKind = (typeof KEPT_KINDS)[number];

/** Why something is thrown away. */
export const WHY_THROWN = [
  'past its date',
  'cooled too slowly',
  'too cold too long',
  'spoilt',
  'left over',
] as const;
export type WhyThrown = (typeof WHY_THROWN)[number];

const day = z.iso.date({ error: issue('a day such as 2026-01-31') });

/** What a station may write down of something kept. Each kind names its body; °C, mL, s. */
export const KeepBody = z.discriminatedUnion('kind', [
  /** It begins: out of a batch, out of something kept before, or by hand. */
  z
    .object({
      kind: z.literal('put by'),
      what: z.enum(KEPT_KINDS),
      name: words('the name', 80),
      batch: z.uuid().optional(),
      /** What it was taken out of. */
      from: z.uuid().optional(),
      madeAt: momentOf('made'),
      ml,
      allergens: z.array(z.enum(ALLERGENS)).max(40),
      container: ContainerSchema,
      place: Id,
      /** Last day it may be used, where that is not for the rule to say. */
      useBy: day.optional(),
      /** Days of its date mark already used up before it came here. */
      daysUsed: z.int().min(0).max(60).optional(),
      reheated: z.boolean().optional(),
      /** Cost of a litre, in the kitchen’s currency. */
      costPerL: z.number().min(0).max(10_000).optional(),
      /** How many things of it have no price and are not in that. */
      unpriced: z.int().min(0).max(200).optional(),
      celsius: celsius.optional(),
    })
    .superRefine((b, ctx) => {
      if (b.useBy && b.useBy < b.madeAt.slice(0, 10))
        ctx.addIssue({
          code: 'custom',
          path: ['useBy'],
          message: issue('not before it was made, {made}', { made: b.madeAt.slice(0, 10) }),
        });
    }),
  z.object({
    kind: z.literal('temperature'),
    celsius,
    /** The probe it was read from; absent when read by hand. */
    from: z.string().max(60).optional(),
    /** °C put right by the probe’s last check, already in `celsius`. */
    correction: z.number().min(-5).max(5).optional(),
  }),
  z.object({ kind: z.literal('set to cool'), way: WaySchema }),
  z.object({
    kind: z.literal('kept hot'),
    place: Id,
    lid: z.boolean(),
    container: ContainerSchema.optional(),
  }),
  /** Cold: where it goes, and the factor its room’s film was found to be on ours. */
  z.object({
    kind: z.literal('cooled'),
    place: Id,
    film: z
      .object({ place: Id, factor: z.number().min(0.05).max(20), spread: z.number().min(0).max(2) })
      .optional(),
  }),
  /** To another place, into other containers. Into or out of a freezer it freezes and thaws. */
  z.object({ kind: z.literal('moved'), place: Id, container: ContainerSchema.optional() }),
  /** Some of it is put by on its own: what is kept under `into`. */
  z.object({ kind: z.literal('parted'), ml, into: z.uuid() }),
  z.object({ kind: z.literal('taken'), ml, note: z.string().max(200).optional() }),
  /** New onto old: asked for, and refused with the reason. */
  z.object({ kind: z.literal('topped up'), ml }),
  /** Let down while it is kept hot. */
  z.object({ kind: z.literal('let down'), ml, ingredient: Id }),
  /** Set on a burner to be brought back. */
  z.object({ kind: z.literal('reheating'), vessel: Id, burner: Id, ml: ml.optional() }),
  z.object({
    kind: z.literal('reheated'),
    celsius,
    seconds: numberFrom('seconds held', 0, 3600, 's'),
    /** Where it is kept hot from here. */
    place: Id.optional(),
  }),
  /** What was done about something that was not right. */
  z.object({
    kind: z.literal('put right'),
    what: words('what was done', 300),
    /** The deviation it answers, by its id. */
    about: z.string().min(1).max(80).optional(),
  }),
  z.object({
    kind: z.literal('thrown away'),
    ml,
    why: z.enum(WHY_THROWN),
    note: z.string().max(300).optional(),
    cost: z.number().min(0).max(100_000).optional(),
  }),
  z.object({ kind: z.literal('used up') }),
  z.object({
    kind: z.literal('labelled'),
    count: z.int().min(1, issue('at least one label')).max(200),
    size: z.string().max(20),
    again: z.boolean(),
  }),
  z.object({
    kind: z.literal('paired'),
    device: z.string().min(1).max(60).nullable(),
    name: z.string().max(60).optional(),
  }),
  ...COMMON,
  /** Of the kitchen, not of one thing kept: a probe in melting ice or in boiling water. */
  z.object({
    kind: z.literal('probe checked'),
    probe: z.string().min(1).max(60),
    point: z.enum(['ice', 'boil']),
    celsius,
    /** °C it should have shown. */
    expected: numberFrom('what it should show', -1, 110, '°C'),
  }),
  z.object({
    kind: z.literal('probe put right'),
    probe: z.string().min(1).max(60),
    how: words('what was done', 200),
  }),
  /** A lead has looked at the record of these days. */
  z.object({
    kind: z.literal('signed'),
    from: day,
    to: day,
    by: words('the name', 60),
    note: z.string().max(500).optional(),
  }),
]);
export type KeepBody = z.infer<typeof KeepBody>;
export type KeepBodyOf<K extends KeepBody['kind']> = Extract<KeepBody, { kind: K }>;

/** Kinds that speak of the kitchen. */
export const OF_THE_KITCHEN: ReadonlySet<KeepBody['kind']> = new Set([
  'probe checked',
  'probe put right',
  'signed',
]);

/** One line of what is kept. */
export const KeepEvent = lineOf(KeepBody);
export type KeepEvent = z.infer<typeof KeepEvent>;
