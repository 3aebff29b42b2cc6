import type { House } from '../../core/house/house';
import type { StoredRecipe } from '../queries/recipes';
import { type Landing, work } from '../work/work';

/** Where each version of a recipe lands in a kitchen as it was saved: neither changes, so it is worked out once. */
const holder = globalThis as typeof globalThis & { panacheLandings?: Map<string, Landing | null> };
const MOST = 5000;

/** Recipes given to a thread at a time: one that takes too long costs only its like. */
const AT_A_TIME = 10;

const keyOf = ({ recipe, version }: StoredRecipe, { id, revision }: House): string =>
  `${id} ${revision} ${recipe.id} ${version}`;

/**
 * Where each recipe lands as written in its own pot, in the order given; null for one that takes longer to work out
 * than there is time for.
 */
export async function landingsOf(
  house: House,
  recipes: readonly StoredRecipe[],
): Promise<readonly (Landing | null)[]> {
  holder.panacheLandings ??= new Map();
  const known = holder.panacheLandings;
  const find = async (these: readonly StoredRecipe[]): Promise<void> => {
    try {
      const found = await work(
        'landings',
        these.map((r) => r.body),
      );
      for (const [n, r] of these.entries()) known.set(keyOf(r, house), found[n] ?? null);
    } catch {
      const [only, another] = these;
      if (only && !another) known.set(keyOf(only, house), null);
      else for (const r of these) await find([r]);
    }
  };
  const missing = recipes.filter((r) => !known.has(keyOf(r, house)));
  for (let n = 0; n < missing.length; n += AT_A_TIME) await find(missing.slice(n, n + AT_A_TIME));
  const landings = recipes.map((r) => known.get(keyOf(r, house)) ?? null);
  for (const oldest of known.keys()) {
    if (known.size <= MOST) break;
    known.delete(oldest);
  }
  return landings;
}
