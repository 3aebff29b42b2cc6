import { ALLERGENS } from '../../core/food/ingredient';
import { allergensOn, kitchenThen, stepsOf } from '../../core/keep/soup/keptPot';
import { foodIn } from '../../core/pot/kitchen';
import {
  type AllergenSheet,
  allergensOfOrder,
  DECLARED,
  type DeclaredSoup,
} from '../../core/service/allergens';
import { batchesOf, orderOf } from '../../core/service/service';
import type { Queryable } from '../data/database';
import { readBatch } from '../queries/batches';
import { readRecipes } from '../queries/recipes';
import { theHouse } from './kitchen';
import { theService } from './services';

/** The allergens of a day’s soups for the pass: of what was cooked by what really went in, of the rest by its plan. */
export async function allergenSheet(db: Queryable, id: string): Promise<AllergenSheet> {
  const house = await theHouse(db);
  const { service } = await theService(db, id);
  const recipes = await readRecipes(db, house.id);
  const soups: DeclaredSoup[] = [];
  for (const batch of batchesOf(service)) {
    const { soup, key } = batch;
    const known = recipes.find((r) => r.recipe.id === soup.order.recipeId)?.recipe;
    const order = orderOf(batch, service.placed[key]);
    const started = service.started[key];
    const cooked = started ? await readBatch(db, started) : null;
    const kitchen = cooked ? kitchenThen(cooked, house.kitchen) : house.kitchen;
    const inPot = cooked
      ? allergensOn(stepsOf(cooked), kitchen)
      : known
        ? allergensOfOrder(known, order, kitchen)
        : [];
    const held = new Set([...inPot, ...(order.garnish ?? []).flatMap((g) => foodIn(kitchen, g).allergens)]);
    soups.push({
      key,
      name: known?.name ?? soup.order.recipeId,
      allergens: ALLERGENS.filter((a) => held.has(a)),
      cooked: cooked !== null,
    });
  }
  const rule = house.keeping.rules;
  return { day: service.day, name: service.name, rule, declared: DECLARED[rule], soups };
}
