import { demoHouse, demoIds, demoRecipe } from '../../../demo/demo';
import { middleOf } from '../flow/bands';
import type { Here } from './arrange/jobs';
import { Service } from './schema';
import type { Soup } from './service';
import { Timetables } from './timetables';

export const HOUSE = demoHouse();
export const RECIPES = new Map(demoIds().map((id) => [id, demoRecipe(id)]));
export const TABLES = new Timetables(HOUSE, RECIPES);

/** What a test knows of the canteen on a day that is not today. */
export const here = (more: Partial<Here> = {}): Here => ({
  house: HOUSE,
  tables: TABLES,
  live: {},
  now: null,
  ...more,
});

/** A soup of the canteen: 6 L in Middle 28 on Front left at a quarter to twelve, unless said. */
export const soup = (
  recipeId: string,
  {
    vesselId = 'middle-28',
    burnerId = 'front-left',
    ...more
  }: Partial<Soup> & { vesselId?: string; burnerId?: string } = {},
): Soup => ({
  id: recipeId,
  order: {
    recipeId,
    target: Math.round(middleOf(RECIPES.get(recipeId)?.band ?? 'Coating', HOUSE.kitchen.bandLimits)),
    vesselId,
    burnerId,
  },
  amount: { litres: 6 },
  draws: [{ at: 705, part: 1 }],
  fresh: false,
  ...more,
});

/** A day with nothing on it yet. */
export const SERVICE = Service.parse({
  format: 'panache.service/1',
  id: '6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a09',
  name: 'Lunch',
  day: '2026-12-03',
  hands: 2,
  soups: [],
});

export const service = (soups: readonly Soup[], more: Partial<Service> = {}): Service => ({
  ...SERVICE,
  soups: [...soups],
  ...more,
});
