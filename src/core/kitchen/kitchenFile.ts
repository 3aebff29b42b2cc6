import * as z from 'zod';
import { calibrateFunnel, THICK_VISCOSITY } from '../flow/readings/cups';
import { isIngredient, notCatalogued } from '../food/catalogue';
import { ALLERGENS } from '../food/ingredient';
import type { Product } from '../food/product';
import { issue } from '../message/told';
import { type Kitchen, PRIOR } from '../pot/kitchen';
import { BurnerSchema, VesselSchema } from '../recipe/things';
import { named } from '../units/named';
import { numberFrom } from '../units/numberFrom';
import { OutOfRange } from '../units/range';
import type { House } from './house';
import { KeepingSchema, rulesKept, USUAL_KEEPING } from './keeping';
import { unique } from './unique';

/** A house's own product; every figure left out is the catalogue's. */
export const ProductSchema = z.object({
  ingredient: z.string().refine(isIngredient, {
    error: ({ input }) => notCatalogued(input),
  }),
  name: named(60).optional(),
  sodium: numberFrom('sodium', 0, 40_000, 'mg per 100 g').optional(),
  fatPercent: numberFrom('fat', 0, 99, '%').optional(),
  pH: numberFrom('pH', 2, 9).optional(),
  edibleYield: numberFrom('edible share', 0.05, 1).optional(),
  /** The lot in use, as it stands on the sack: with another what was learned of it begins anew. */
  lot: z.string().trim().max(40).optional(),
  pricePerKg: numberFrom('price', 0, 10_000, 'a kilogram').optional(),
  packG: numberFrom('pack', 1, 50_000, 'g').optional(),
  kept: z.boolean().optional(),
  allergens: z.array(z.enum(ALLERGENS)).optional(),
});

const Run = z.object({
  nu: numberFrom('the liquid’s viscosity', 0.3, 100_000, 'mm²/s'),
  seconds: numberFrom('the time', 0.5, 3600, 's'),
});

/** A house funnel with the two runs it was calibrated by. */
export const FunnelSchema = z
  .object({
    id: z.string().regex(/^[a-z0-9-]{1,60}$/, issue('id is small letters, digits and hyphens')),
    name: named(60, issue('give the funnel a name')),
    orificeMm: numberFrom('the opening', 1, 30, 'mm'),
    ml: numberFrom('the measure', 5, 2000, 'mL'),
    thin: Run,
    thick: Run,
  })
  .superRefine(({ thin, thick }, ctx) => {
    try {
      calibrateFunnel(thin, thick);
    } catch (error) {
      if (!(error instanceof OutOfRange)) throw error;
      const of = error.field === THICK_VISCOSITY ? 'nu' : 'seconds';
      ctx.addIssue({
        code: 'custom',
        path: ['thick', of],
        message: issue(error.says.text, error.says.values),
      });
    }
  });
export type FunnelFile = z.infer<typeof FunnelSchema>;

const limit = numberFrom('a band’s limit', 5, 2500, 'mPa·s');

/** A kitchen with its pots, burners and products, as it travels between kitchens: `panache.kitchen/1`. */
export const KitchenFile = z.object({
  format: z.literal('panache.kitchen/1'),
  id: z.string().regex(/^[a-z0-9-]{1,60}$/, issue('id is small letters, digits and hyphens')),
  name: named(60, issue('give the kitchen a name')),
  altitudeM: numberFrom('altitude', -500, 5000, 'm'),
  airCelsius: numberFrom('air', -10, 60, '°C'),
  humidity: numberFrom('humidity', 0, 1),
  saltPercent: numberFrom('salt', 0, 3, '%'),
  /** Upper limits of Thin, Light, Coating and Hearty, mPa·s in the bowl. */
  bandLimits: z
    .tuple([limit, limit, limit, limit])
    .refine((l) => l.every((v, i) => i === 0 || v > (l[i - 1] ?? 0)), {
      error: issue('each band’s limit is above the one before'),
    }),
  measures: z.enum(['scale', 'spoons']).default('scale'),
  show: z
    .object({ volume: z.enum(['L', 'gal']), temperature: z.enum(['C', 'F']) })
    .default({ volume: 'L', temperature: 'C' }),
  /** Sign or letters before a price; empty when prices are not kept. */
  currency: z.string().max(4).default(''),
  flagged: z.array(z.enum(ALLERGENS)).default([]),
  roles: z
    .array(z.string().min(1).max(30))
    .min(1, issue('at least one role'))
    .max(12)
    .default(['Opener', 'Closer', 'Lead']),
  vessels: z.array(VesselSchema).min(1, issue('at least one pot')).max(60).superRefine(unique('pots', 'id')),
  burners: z
    .array(BurnerSchema)
    .min(1, issue('at least one burner'))
    .max(60)
    .superRefine(unique('burners', 'id')),
  /** Trays its oven takes at once; 0 without an oven. */
  trays: z.int().min(0).max(40).default(2),
  products: z.array(ProductSchema).max(400).superRefine(unique('products', 'ingredient')).default([]),
  funnels: z.array(FunnelSchema).max(20).superRefine(unique('funnels', 'id')).default([]),
  /** Absent in kitchens kept before soup was kept here. */
  keeping: KeepingSchema.default(USUAL_KEEPING),
});
export type KitchenFile = z.infer<typeof KitchenFile>;

const byIngredient = (products: readonly Product[]): Kitchen['products'] =>
  products.length > 0 ? Object.fromEntries(products.map((p) => [p.ingredient, p])) : undefined;

/** The house a kitchen file describes. */
export function houseOf(file: KitchenFile, revision = 1): House {
  const { id, name, vessels, burners, products, funnels, show, currency, roles, keeping, trays, ...rest } =
    file;
  const { format: _format, ...room } = rest;
  return {
    id,
    name,
    vessels,
    burners,
    show,
    currency,
    roles,
    funnels,
    keeping,
    revision,
    kitchen: {
      ...room,
      factors: PRIOR,
      products: byIngredient(products),
      rules: rulesKept(keeping),
      stands: { vessels, burners, trays },
    },
  };
}

/** The file that describes `house`; {@link houseOf} gives it back. */
export function kitchenFileOf(house: House): KitchenFile {
  const { kitchen: k } = house;
  return {
    format: 'panache.kitchen/1',
    id: house.id,
    name: house.name,
    altitudeM: k.altitudeM,
    airCelsius: k.airCelsius,
    humidity: k.humidity,
    saltPercent: k.saltPercent,
    bandLimits: [...k.bandLimits],
    measures: k.measures ?? 'scale',
    show: { ...house.show },
    currency: house.currency,
    flagged: [...(k.flagged ?? [])],
    roles: [...house.roles],
    vessels: house.vessels.map((v) => ({ ...v })),
    burners: house.burners.map((b) => ({ ...b })),
    trays: k.stands?.trays ?? 2,
    products: Object.values(k.products ?? {}).map((p) => ({
      ...p,
      allergens: p.allergens && [...p.allergens],
    })),
    funnels: house.funnels.map((f) => ({ ...f })),
    keeping: house.keeping,
  };
}
