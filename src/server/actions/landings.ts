import type { House } from '../../core/kitchen/house';
import type { Landing } from '../../core/recipe/listed';
import { perKitchen } from '../guard/asking';
import type { NamedRecipe } from '../queries/recipes';
import { work } from '../work/work';

/**
 * Where each version of a recipe lands in a kitchen as it was saved: neither changes, so it is worked out once, in a
 * thread, for as long as somebody waits for it.
 */
type Landings = {
  readonly known: Map<string, Landing | null>;
  /** What is wanted and not known, newest asking first. */
  wanted: readonly NamedRecipe[];
  house: House | null;
  askedAt: number;
  filling: Promise<void> | null;
};
const holder = globalThis as typeof globalThis & { panacheLandings?: () => Landings };

const MOST = 20_000;

/** Recipes given to a thread at a time: one that takes too long costs only its like. */
const AT_A_TIME = 10;

/** Nobody has asked for this long, ms: it is given up. */
const GIVEN_UP = 6000;

const keyOf = ({ id: recipe, version }: NamedRecipe, { id, revision }: House): string =>
  `${id} ${revision} ${recipe} ${version}`;

async function find(of: Landings, house: House, these: readonly NamedRecipe[]): Promise<void> {
  try {
    const found = await work('landings', {
      kitchen: house.id,
      versions: these.map(({ id, version }) => ({ id, version })),
    });
    for (const [n, r] of these.entries()) of.known.set(keyOf(r, house), found[n] ?? null);
  } catch {
    const [only, another] = these;
    if (only && !another) of.known.set(keyOf(only, house), null);
    else for (const r of these) await find(of, house, [r]);
  }
}

async function fill(of: Landings): Promise<void> {
  while (of.house && Date.now() - of.askedAt < GIVEN_UP) {
    const { house } = of;
    const missing = of.wanted.filter((r) => !of.known.has(keyOf(r, house))).slice(0, AT_A_TIME);
    if (missing.length === 0) return;
    await find(of, house, missing);
  }
}

/**
 * Where each recipe lands as written in its own pot, in the order given: what is known after `patience` ms at the most.
 * Undefined for what is still being worked out; null for one that takes longer than there is time for.
 */
export async function landingsOf(
  house: House,
  recipes: readonly NamedRecipe[],
  patience: number,
): Promise<readonly (Landing | null | undefined)[]> {
  holder.panacheLandings ??= perKitchen(() => ({
    known: new Map(),
    wanted: [],
    house: null,
    askedAt: 0,
    filling: null,
  }));
  const of = holder.panacheLandings();
  const here = () => recipes.map((r) => of.known.get(keyOf(r, house)));
  const until = Date.now() + patience;
  while (here().some((l) => l === undefined)) {
    Object.assign(of, { wanted: recipes, house, askedAt: Date.now() });
    of.filling ??= fill(of).finally(() => {
      of.filling = null;
    });
    const left = until - Date.now();
    if (left <= 0) break;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const late = new Promise<void>((resolve) => {
      timer = setTimeout(resolve, left);
    });
    await Promise.race([of.filling, late]);
    clearTimeout(timer);
  }
  for (const oldest of of.known.keys()) {
    if (of.known.size <= MOST) break;
    of.known.delete(oldest);
  }
  return here();
}
