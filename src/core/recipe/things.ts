import * as z from 'zod';
import { EFFICIENCY } from '../heat/burner';
import { MATERIALS } from '../heat/vessel';
import { PanName } from '../pot/kinds/shapes';
import { KEPT_AS, PAN_KINDS } from '../pot/pans/pan';
import { named } from '../units/named';

const keysOf = <T extends object>(o: T) => Object.keys(o) as [keyof T & string, ...(keyof T & string)[]];

export const VesselSchema = z.object({
  id: named(60),
  name: named(60),
  diameterMm: z.number().min(80).max(1200),
  heightMm: z.number().min(40).max(1200),
  material: z.enum(keysOf(MATERIALS)),
  massG: z.number().min(100).max(100_000),
  lossFactor: z.number().min(0.1).max(5).optional(),
});

export const BurnerSchema = z.object({
  id: named(60),
  name: named(60),
  kind: z.enum(keysOf(EFFICIENCY)),
  powerW: z.number().min(300).max(60_000),
  intoPotW: z.number().min(50).max(60_000).optional(),
});

/** A pan beside the pot that goes to the pass, by the name its steps have for it. */
export const PanSchema = z.object({
  name: PanName,
  as: z.enum(PAN_KINDS),
  /** How what waits in a bowl is kept; left to stand unless said. */
  kept: z.enum(KEPT_AS).optional(),
  /** The one it was written for; picked from the kitchen’s where it has one that does. */
  vessel: VesselSchema.optional(),
});
export type RecipePan = z.infer<typeof PanSchema>;
