import type { RecipeDraft } from '../../core/formats/draft/draft';
import type { RecipeText } from '../../core/recipe/recipe';

const KEY = 'panache.handed-over';
const DRAFTS = 'panache.drafts';

const read = <T>(key: string): T | null => {
  try {
    return JSON.parse(sessionStorage.getItem(key) ?? 'null') as T | null;
  } catch {
    return null;
  }
};

/** Hands a recipe from the import to the editor, within this tab. */
export const handOver = (body: RecipeText): void => sessionStorage.setItem(KEY, JSON.stringify(body));

/** What was handed over last; null when nothing was. */
export const handedOver = (): RecipeText | null => read(KEY);

/** Recipes of a file that wait to be looked at, and what they came from. */
export type Waiting = { readonly from: string; readonly drafts: readonly RecipeDraft[] };

/** Keeps what waits within this tab; nothing, once the last was made. */
export function keepWaiting(waiting: Waiting | null): void {
  if (waiting && waiting.drafts.length > 0) {
    try {
      sessionStorage.setItem(DRAFTS, JSON.stringify(waiting));
    } catch {
      // More than a tab keeps: they are shown, and gone when it is left.
    }
  } else sessionStorage.removeItem(DRAFTS);
}

export const stillWaiting = (): Waiting | null => read(DRAFTS);
