import type * as z from 'zod';
import { KeepingSchema } from './keeping';
import { KitchenFile } from './kitchenFile';

/** What kitchens of one group hold themselves to: whose rules and what beyond them, how often is probed, bands, allergens named first. */
export const GroupRules = KitchenFile.pick({ bandLimits: true, flagged: true }).extend({
  rules: KeepingSchema.shape.rules,
  tightened: KeepingSchema.shape.tightened,
  probeEvery: KeepingSchema.shape.probeEvery,
});
export type GroupRules = z.infer<typeof GroupRules>;

/** The rules a kitchen holds itself to. */
export const groupRulesOf = ({
  bandLimits,
  flagged,
  keeping: { rules, tightened, probeEvery },
}: KitchenFile): GroupRules => ({ bandLimits, flagged, rules, tightened, probeEvery });

/** The same kitchen by other rules: its room, pots, products, pans and places stay its own. */
export const withGroupRules = (
  file: KitchenFile,
  { bandLimits, flagged, rules, tightened, probeEvery }: GroupRules,
): KitchenFile => ({
  ...file,
  bandLimits,
  flagged,
  keeping: { ...file.keeping, rules, tightened, probeEvery },
});
