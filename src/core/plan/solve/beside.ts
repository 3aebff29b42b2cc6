import { POURED } from '../../food/ingredient';
import type { Burner } from '../../heat/burner';
import { FILL_LIMIT, holding, rimVolume, surfaceArea, type Vessel } from '../../heat/vessel';
import { portionsIn } from '../../pot/contents/portions';
import { foodIn, type Kitchen } from '../../pot/kitchen';
import { floorForAll, ON_A_TRAY } from '../../pot/pans/lots';
import { NOTHING_BESIDE, type PanPlace, type PansBeside, panOf, THE_POT } from '../../pot/pans/pan';
import type { Recipe } from '../../recipe/recipe';
import type { RecipePortion, RecipeStep } from '../../recipe/recipeStep';
import type { RecipePan } from '../../recipe/things';
import { givenGrams } from './resolve';

/** g of thickener, and of liquid, a litre, to look for a pan with where the amount is still to be found. */
const USUAL = { thickness: 40, volume: 800, richness: 150, taste: 8 } as const;

/** g that will go in of one thing, near enough to choose a pan by. */
function roughly(p: RecipePortion, scale: number, litres: number, kitchen: Kitchen): number {
  const given = givenGrams(p, kitchen);
  if (given !== null) return given * scale;
  return p.amount.kind === 'solve' ? USUAL[p.amount.goal] * litres * (p.amount.share ?? 1) : 20 * litres;
}

/** What a pan has to hold: mL of all that is ever put into it by then, at the most, and m² of floor for one layer. */
function wants(
  recipe: Pick<Recipe, 'steps'>,
  scale: number,
  litres: number,
  kitchen: Kitchen,
): ReadonlyMap<string, { ml: number; floor: number }> {
  const now = new Map<string, number>();
  const most = new Map<string, { ml: number; floor: number }>();
  const put = (name: string, ml: number, floor = 0) => {
    const there = (now.get(name) ?? 0) + ml;
    now.set(name, there);
    const so = most.get(name) ?? { ml: 0, floor: 0 };
    most.set(name, { ml: Math.max(so.ml, there), floor: Math.max(so.floor, floor) });
  };
  for (const step of recipe.steps) {
    const name = panOf(step);
    if (step.kind === 'pour') {
      const from = step.from ?? THE_POT;
      const ml = (now.get(from) ?? 0) * (step.takes === 'fat' ? 0.1 : (step.share ?? 1));
      now.set(from, (now.get(from) ?? 0) - ml);
      put(name, ml);
      continue;
    }
    const items = portionsIn<RecipePortion>(step).map((p) => ({
      ingredient: p.ingredient,
      amount: roughly(p, scale, litres, kitchen),
    }));
    const ml = items.reduce((sum, i) => sum + i.amount / densityOf(i.ingredient, kitchen), 0);
    put(name, ml, oneLayer(step) ? floorForAll(items) : 0);
  }
  return most;
}

/** g/mL in the pan: what is poured by its own, pieces as they lie in what is poured over them. */
const densityOf = (id: string, kitchen: Kitchen): number => {
  const { density, group } = foodIn(kitchen, id);
  return POURED.has(group) && typeof density === 'number' ? density : 1;
};

const oneLayer = (step: RecipeStep): boolean =>
  step.kind === 'roast' || (step.kind === 'sweat' && step.layer === true);

/** Pans a kitchen is taken to have where it has written down none: mm wide and high. Common practice, no source. */
const PANS = [240, 280, 320, 360, 400].map((d) => [d, 60] as const);
const POTS = [
  [160, 100],
  [200, 120],
  [240, 160],
  [280, 200],
  [320, 260],
  [400, 320],
  [500, 400],
] as const;
const STEEL = { material: 'stainless steel', massG: 1500 } as const;

/** A tray of the usual size, m² of floor and mm of rim: 530 by 325 mm inside its rim. */
const TRAY = { m2: 0.15, heightMm: 40, massG: 1200 };

/** Lower than this share of its width a vessel is a pan: it browns, and holds little. */
const SHALLOW = 0.45;
const isPan = (v: Vessel): boolean => v.heightMm < SHALLOW * v.diameterMm;

const made = ([diameterMm, heightMm]: readonly [number, number], as: 'pan' | 'pot' | 'bowl'): Vessel => ({
  id: `${as}-${diameterMm}`,
  name: `${as}, ${diameterMm / 10} cm`,
  diameterMm,
  heightMm,
  ...STEEL,
  massG: STEEL.massG * (diameterMm / 280) ** 2,
});

/** Less of its room filled than this, and a pot is none for so little: a saucepan nobody wrote down is taken. Our assumption. */
const LEAST_FILLED = 0.12;

const roomOf = (v: Vessel): number => rimVolume(v) * FILL_LIMIT;

/** The smallest that holds it and has the floor for it; else the one with the most floor that holds it, or holds the most. */
function smallest(vessels: readonly Vessel[], ml: number, floor: number): Vessel | undefined {
  const hold = holding(vessels, ml);
  return (
    hold.find((v) => surfaceArea(v) >= floor) ??
    hold.toSorted((a, b) => surfaceArea(b) - surfaceArea(a))[0] ??
    vessels.toSorted((a, b) => roomOf(b) - roomOf(a))[0]
  );
}

/** The vessel for a pan that stands on a burner: of the kitchen’s, else the recipe’s own, else a usual one. */
function vesselFor(
  pan: RecipePan,
  { ml, floor }: { readonly ml: number; readonly floor: number },
  free: readonly Vessel[],
): { readonly vessel: Vessel; readonly guessed: boolean } {
  const like = free.filter((v) => isPan(v) === (pan.as === 'pan'));
  const own = smallest(like, ml, floor);
  const fits = own && roomOf(own) >= ml;
  if (fits && (ml >= roomOf(own) * LEAST_FILLED || surfaceArea(own) <= floor * 2))
    return { vessel: own, guessed: false };
  const any = pan.as === 'pot' ? undefined : smallest(free, ml, floor);
  const written = pan.vessel && roomOf(pan.vessel) >= ml ? pan.vessel : undefined;
  const usual = smallest(
    (pan.as === 'pan' ? PANS : POTS).map((d) => made(d, pan.as === 'pan' ? 'pan' : 'pot')),
    ml,
    floor,
  );
  if (written) return { vessel: written, guessed: true };
  if (usual && roomOf(usual) >= ml) return { vessel: usual, guessed: true };
  return { vessel: any ?? own ?? usual ?? made([400, 320], 'pot'), guessed: !any && !own };
}

const bowlFor = (ml: number): Vessel => {
  const bowl = smallest(
    POTS.map((d) => made(d, 'bowl')),
    ml,
    0,
  );
  return bowl ?? made([500, 400], 'bowl');
};

/** The trays of an oven as one floor: as many as are wanted, as far as they go in at once. */
function traysFor(floor: number, most: number): { readonly vessel: Vessel; readonly trays: number } {
  const trays = Math.max(1, Math.min(Math.max(1, most), Math.ceil(floor / (TRAY.m2 * ON_A_TRAY))));
  return {
    trays,
    vessel: {
      id: `tray-${trays}`,
      name: trays === 1 ? 'tray' : `${trays} trays`,
      diameterMm: Math.min(1200, 2000 * Math.sqrt((TRAY.m2 * trays) / Math.PI)),
      heightMm: TRAY.heightMm,
      material: 'stainless steel',
      massG: TRAY.massG * trays,
    },
  };
}

/** Trays an oven takes where the kitchen has not said. */
const USUAL_TRAYS = 2;

function placed(
  recipe: Recipe,
  pans: readonly RecipePan[],
  scale: number,
  { vessel, burner, kitchen }: { vessel: Vessel; burner: Burner; kitchen: Kitchen },
): PansBeside {
  const needs = wants(recipe, scale, recipe.yieldLitres * scale, kitchen);
  const { vessels = [], burners = [], trays = USUAL_TRAYS } = kitchen.stands ?? {};
  let free = vessels.filter((v) => v.id !== vessel.id);
  let fires = burners.filter((b) => b.id !== burner.id);
  const beside: Record<string, PanPlace> = {};
  for (const pan of pans) {
    const need = needs.get(pan.name) ?? { ml: 0, floor: 0 };
    if (pan.as === 'tray') {
      const oven = traysFor(need.floor, trays);
      beside[pan.name] = { as: 'tray', burner: null, ...oven };
      continue;
    }
    if (pan.as === 'bowl') {
      beside[pan.name] = { as: 'bowl', vessel: bowlFor(need.ml), burner: null, kept: pan.kept ?? 'left' };
      continue;
    }
    const chosen = vesselFor(pan, need, free);
    free = free.filter((v) => v.id !== chosen.vessel.id);
    const fire = fires[0] ?? burner;
    const shares = fires.length === 0 && burners.length > 0;
    fires = fires.slice(1);
    beside[pan.name] = {
      as: pan.as,
      vessel: chosen.vessel,
      burner: fire,
      ...(chosen.guessed && { guessed: true }),
      ...(shares && { shares: true }),
    };
  }
  return beside;
}

const known = new WeakMap<Recipe, Map<string, { of: Kitchen; beside: PansBeside }>>();

/**
 * Where each of a recipe's side pans stands, its amounts taken `scale` times: picked from the kitchen's pots and burners by what
 * it has to hold and by the floor it wants, so that the same order always has the same pans. Nothing of a recipe of one pot.
 */
export function besideOf(
  recipe: Recipe,
  scale: number,
  setup: { readonly vessel: Vessel; readonly burner: Burner; readonly kitchen: Kitchen },
): PansBeside {
  const { pans = [] } = recipe;
  if (pans.length === 0) return NOTHING_BESIDE;
  const found = known.get(recipe) ?? new Map();
  known.set(recipe, found);
  const key = `${scale} ${setup.vessel.id} ${setup.burner.id}`;
  const before = found.get(key);
  if (before?.of === setup.kitchen) return before.beside;
  const beside = placed(recipe, pans, scale, setup);
  found.set(key, { of: setup.kitchen, beside });
  return beside;
}
