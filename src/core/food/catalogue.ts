import { issue } from '../message/told';
import type { Ingredient } from './ingredient';

let foods: readonly Ingredient[] = [];
let byId: ReadonlyMap<string, Ingredient> = new Map();

/**
 * Gives the engine its ingredients. Whoever runs it does this once, first: `load.ts` with the data, a
 * worker with what its page hands over, so that a page carries the data once.
 */
export function loadCatalogue(all: readonly Ingredient[]): void {
  foods = all;
  byId = new Map(all.map((i) => [i.id, i]));
}

/** Every ingredient, in the catalogue's order. */
export const catalogue = (): readonly Ingredient[] => foods;

/** Whether the catalogue knows an ingredient by this id. */
export const isIngredient = (id: string): boolean => byId.has(id);

/** What a schema says of an id that is no ingredient’s. */
export const notCatalogued = (id: unknown): string =>
  issue('ingredient “{id}” is not in the catalogue', { id: String(id) });

/** The ingredient with this id. Throws a RangeError for an unknown one: validate at the edge. */
export function ingredient(id: string): Ingredient {
  const found = byId.get(id);
  if (!found) {
    throw new RangeError(
      foods.length === 0
        ? 'the catalogue is not loaded: import core/food/load first'
        : `ingredient “${id}” is not in the catalogue`,
    );
  }
  return found;
}
