import { ingredient } from '../../food/catalogue';
import { volumeOf } from '../../food/thermal';
import { portionsIn } from '../../pot/contents/portions';
import type { Amount } from '../../recipe/amountOf';
import type { Recipe } from '../../recipe/recipe';
import type { RecipePortion, RecipeStep } from '../../recipe/recipeStep';
import { densityOf, toGrams } from '../../units/measure';

/** A liquid a soup can stand on, or what is stirred into water to make one. */
export type Stock = { readonly id: string };

/** g of it stirred into a litre of water; 0 of what is poured itself. */
export const stirredIn = ({ id }: Stock): number => ingredient(id).byTheLitre ?? 0;

const WATER: Stock = { id: 'water' };

/** Every liquid a soup can stand on: plain, of the house, bought, and by the spoon. */
export const STOCKS: readonly Stock[] = [
  { id: 'vegetable-stock' },
  { id: 'chicken-stock' },
  { id: 'chicken-stock-strong' },
  { id: 'beef-stock' },
  { id: 'ham-stock' },
  { id: 'fish-stock' },
  { id: 'shell-stock' },
  { id: 'cob-stock' },
  { id: 'mushroom-stock' },
  { id: 'cockle-liquor' },
  { id: 'mussel-liquor' },
  { id: 'vegetable-stock-bought' },
  { id: 'chicken-stock-bought' },
  { id: 'chicken-stock-low-salt' },
  { id: 'fish-stock-bought' },
  { id: 'clam-juice' },
  { id: 'stock-concentrate' },
  { id: 'bouillon-powder' },
  WATER,
];

/** The stock of this id; undefined of none. */
export const stockOf = (id: string | undefined): Stock | undefined => STOCKS.find((s) => s.id === id);

/** Made for this soup just before it, or made before, cooled and kept. */
export const MADE = ['now', 'before'] as const;
export type Made = (typeof MADE)[number];

/** °C it comes from the sieve at, and out of the fridge. Common practice, no source. */
const FROM_SIEVE = 85;
const FROM_FRIDGE = 4;

type StockWish = {
  readonly stock?: string | undefined;
  readonly made?: Made | undefined;
  /** mL of it there is for each litre made; the rest is made up. */
  readonly stockMl?: number | undefined;
  readonly topUp?: string | undefined;
};

const isVolume = (p: RecipePortion): boolean => p.amount.kind === 'solve' && p.amount.goal === 'volume';
const gramsOf = ({ ingredient: id, amount }: RecipePortion): number =>
  amount.kind === 'fixed' ? toGrams(amount.quantity, ingredient(id).density) : 0;

type Place = { readonly step: number; readonly portion: RecipePortion };

/** The liquid a recipe stands on: what makes up its litres, else the most of what is a stock; null where it has none. */
export function baseOf(recipe: Pick<Recipe, 'steps'>): Place | null {
  const all = recipe.steps.flatMap((s, step): Place[] =>
    s.kind === 'add' ? s.items.map((portion) => ({ step, portion })) : [],
  );
  const open = all.find(({ portion }) => isVolume(portion));
  if (open) return open;
  const stocks = all.filter(({ portion }) => stockOf(portion.ingredient));
  return stocks.reduce<Place | null>(
    (most, one) => (most && gramsOf(most.portion) >= gramsOf(one.portion) ? most : one),
    null,
  );
}

/** About the mL a recipe stands on, at its yield: as it says, or what its litres leave beside everything else in it. */
function standsOnMl(recipe: Recipe, portion: RecipePortion): number {
  if (portion.amount.kind === 'fixed')
    return gramsOf(portion) / densityOf(ingredient(portion.ingredient).density);
  const others = recipe.steps
    .flatMap((s) => portionsIn<RecipePortion>(s))
    .filter((p) => p !== portion && !ingredient(p.ingredient).strainedOff)
    .reduce((sum, p) => sum + gramsOf(p) * volumeOf(ingredient(p.ingredient).composition, 20), 0);
  return recipe.yieldLitres * 1000 - others;
}

/**
 * Part of what a recipe stands on up to which a stock is taken for scarce: nearer to all of it, all of it is taken
 * for there. Our assumption.
 */
const SCARCE = 0.85;

const grams = (value: number): Amount => ({ kind: 'fixed', quantity: { value, unit: 'g' } });

/** What stands in a recipe for a stock: the liquid itself, or water with so much stirred in. */
function poured(stock: Stock, amount: Amount, celsius: number | undefined): readonly RecipePortion[] {
  const warm = celsius === undefined ? {} : { celsius };
  if (stirredIn(stock) === 0) return [{ ingredient: stock.id, amount, ...warm }];
  return [
    { ingredient: 'water', amount, ...warm },
    { ingredient: stock.id, amount: { kind: 'by rule' } },
  ];
}

/**
 * The steps on another stock: in the place of the liquid the recipe stands on, hot from the sieve or cold from the
 * fridge where it is made here, and made up with `topUp` where there is not enough. As written without a place for it.
 */
export function onStock(recipe: Recipe, wish: StockWish): readonly RecipeStep[] {
  const stock = stockOf(wish.stock);
  const base = baseOf(recipe);
  if (!stock || !base) return recipe.steps;
  const { portion } = base;
  const celsius = wish.made === undefined ? portion.celsius : wish.made === 'now' ? FROM_SIEVE : FROM_FRIDGE;
  const there = (wish.stockMl ?? Number.POSITIVE_INFINITY) * recipe.yieldLitres;
  const topUp = stockOf(wish.topUp) ?? WATER;
  const scarce = there < standsOnMl(recipe, portion) * SCARCE && topUp !== stock;
  const { density } = ingredient(stirredIn(stock) > 0 ? 'water' : stock.id);
  const items = scarce
    ? [
        ...poured(stock, grams(there * densityOf(density)), celsius),
        ...poured(topUp, portion.amount, portion.celsius),
      ]
    : poured(stock, portion.amount, celsius);
  return recipe.steps.map((s, n) =>
    n === base.step && s.kind === 'add'
      ? { ...s, items: s.items.flatMap((p) => (p === portion ? items : [p])) }
      : s,
  );
}
