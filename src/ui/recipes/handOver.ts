import type { RecipeText } from '../../core/recipe/recipe';

const KEY = 'panache.handed-over';

/** Hands a recipe from the import to the editor, within this tab. */
export const handOver = (body: RecipeText): void => sessionStorage.setItem(KEY, JSON.stringify(body));

/** What was handed over last; null when nothing was. */
export function handedOver(): RecipeText | null {
  try {
    return JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as RecipeText | null;
  } catch {
    return null;
  }
}
