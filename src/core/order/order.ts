import * as z from 'zod';
import { DIETS } from '../food/diets';
import { issue } from '../message/told';
import { EQUAL_PARTS } from '../thicken/equalParts';
import { ROUX_COLOURS } from '../thicken/granules';
import { numberFrom } from '../units/numberFrom';
import { ORDER_BOUNDS } from './bounds';
import { FINISHES } from './changes/finishes';
import { GARNISHES, MOST_GARNISHES } from './changes/garnishes';
import { GENTLY } from './changes/gently';
import { MADE, STOCKS } from './changes/stocks';
import { AS_WRITTEN, WAYS } from './ways';

const named = (what: string) =>
  z
    .string({ error: issue('{what} is the id of one', { what }) })
    .min(1)
    .max(60);

/** What an order changes in its recipe before it is cooked. */
const amendment = {
  /** What the roux’s equal parts are of. */
  rule: z.enum(EQUAL_PARTS).optional(),
  colour: z.enum(ROUX_COLOURS).optional(),
  /** Way to thicken by instead of the recipe’s own. */
  way: z.enum([AS_WRITTEN.id, ...WAYS.map((w) => w.id)]).optional(),
  /** Every amount multiplied as the recipe gives it, though its thickness is then what it comes to. */
  asWritten: z.literal(true).optional(),
  /** Part of the thickening that way does; the recipe’s own does the rest. 1 unless said. */
  share: numberFrom('share', ...ORDER_BOUNDS.share).optional(),
  /** g of butter added before the flour, at the recipe’s yield. */
  moreFat: numberFrom('moreFat', ...ORDER_BOUNDS.moreFat, 'g').optional(),
  /** Minutes added to the last simmer before the dairy. */
  moreSimmer: numberFrom('moreSimmer', ...ORDER_BOUNDS.moreSimmer, 'min').optional(),
  /** The liquid goes in at this temperature, °C. */
  liquidAt: numberFrom('liquidAt', ...ORDER_BOUNDS.liquidAt, '°C').optional(),
  /** Dairy, or two, it is finished with instead of the recipe’s own. */
  finish: z.enum(FINISHES.map((f) => f.id)).optional(),
  /** % of fat its liquid is to hold, by as much of the finish as that takes; as much as the recipe has where it is not said. */
  rich: numberFrom('rich', ...ORDER_BOUNDS.rich, '%').optional(),
  /** mL of the finish for each litre made, instead of a richness. */
  finishMl: numberFrom('finishMl', ...ORDER_BOUNDS.finishMl, 'mL').optional(),
  /** Liquid it stands on instead of the recipe’s own. */
  stock: z.enum(STOCKS.map((s) => s.id)).optional(),
  /** Made here for it, or made before and kept. */
  made: z.enum(MADE).optional(),
  /** mL of that stock there is for each litre made; the rest is made up. */
  stockMl: numberFrom('stockMl', ...ORDER_BOUNDS.stockMl, 'mL').optional(),
  /** What it is made up with; water unless said. */
  topUp: z.enum(STOCKS.map((s) => s.id)).optional(),
  /** Share of itself each wine is boiled down to; as the recipe has it unless said. */
  wineTo: numberFrom('wineTo', ...ORDER_BOUNDS.wineTo).optional(),
  /** What it is to be free of. */
  diet: z.array(z.enum(DIETS)).max(DIETS.length).optional(),
  /** How its dairy is spared. */
  dairy: z.enum(GENTLY).optional(),
};

/** What a cook asks for: so much of a soup, so thick in the bowl, in this pot on this burner, and what is changed in the recipe. */
export const Order = z.object({
  recipeId: named('recipeId'),
  litres: numberFrom('litres', ...ORDER_BOUNDS.litres, 'L'),
  /** mPa·s in the bowl. */
  target: numberFrom('target', ...ORDER_BOUNDS.target, 'mPa·s'),
  vesselId: named('vesselId'),
  burnerId: named('burnerId'),
  ...amendment,
  /** What is held back for the bowl. */
  garnish: z
    .array(z.enum(GARNISHES.map((g) => g.id)))
    .max(MOST_GARNISHES)
    .optional(),
  /** mL of a portion. */
  ladleMl: numberFrom('ladleMl', ...ORDER_BOUNDS.ladleMl, 'mL').optional(),
});
export type Order = z.infer<typeof Order>;

/** An order for a time of the day: "18:30". */
export type TimedOrder = Readonly<Order> & {
  readonly serveAt: string;
  /** Where a stock made here stands; the plan chooses where it is not said. */
  readonly stockPotId?: string | undefined;
  readonly stockBurnerId?: string | undefined;
};

/** The end an order asks for: what the solver works towards. */
export type Aim = Readonly<Pick<Order, 'litres' | 'target' | 'rich' | 'diet'>>;

export type Amendment = Readonly<Pick<Order, keyof typeof amendment>>;
