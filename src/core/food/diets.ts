import type { Ingredient } from './ingredient';

/** What a batch may be asked to be free of. */
export const DIETS = [
  'vegetarian',
  'no pork',
  'no alcohol',
  'no gluten',
  'no milk',
  'no egg',
  'no shellfish',
] as const;
export type Diet = (typeof DIETS)[number];

/** Made of meat or its bones without being in a group that says so. */
const OF_MEAT: ReadonlySet<string> = new Set([
  'beef-stock',
  'chicken-stock',
  'chicken-stock-bought',
  'chicken-stock-low-salt',
  'chicken-stock-strong',
  'ham-stock',
  'lard',
  'bacon-fat',
  'turkey-stock',
  'brown-sauce',
  'meat-concentrate',
  'meat-bouillon',
  'brown-stock',
  'duck-fat',
  'chicken-fat',
]);
/** Cured meat is pork here, and so are its fat and its stock. */
const OF_PORK: ReadonlySet<string> = new Set(['ham-stock', 'lard', 'bacon-fat']);

const SHELLFISH = ['crustaceans', 'molluscs'] as const;
const SEAFOOD = [...SHELLFISH, 'fish'] as const;

/**
 * Whether a food breaks a diet, by its group, its allergens and its alcohol, as the catalogue or its label has them.
 * What a label says decides, not this.
 */
export function breaksDiet(food: Ingredient, diet: Diet): boolean {
  switch (diet) {
    case 'vegetarian':
      return (
        food.group === 'cured meat' ||
        food.group === 'meat' ||
        food.group === 'seafood' ||
        OF_MEAT.has(food.id) ||
        SEAFOOD.some((a) => food.allergens.includes(a))
      );
    case 'no pork':
      return (food.group === 'cured meat' && !food.strainedOff) || OF_PORK.has(food.id);
    case 'no alcohol':
      return food.composition.alcohol > 0;
    case 'no gluten':
      return food.allergens.includes('gluten') || food.allergens.includes('wheat');
    case 'no milk':
      return food.allergens.includes('milk');
    case 'no egg':
      return food.allergens.includes('egg');
    case 'no shellfish':
      return SHELLFISH.some((a) => food.allergens.includes(a));
  }
}
