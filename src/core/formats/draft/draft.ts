import type * as z from 'zod';
import { bandOf } from '../../flow/bands';
import { ingredient, isIngredient } from '../../food/catalogue';
import type { Group } from '../../food/ingredient';
import { type ReadLine, readLine } from '../../food/lines/readLine';
import { holding, rimVolume } from '../../heat/vessel';
import type { House } from '../../kitchen/house';
import { message } from '../../message/message';
import { simulate } from '../../plan/solve/simulate';
import { observe } from '../../pot/observe';
import { Recipe, type RecipeText } from '../../recipe/recipe';
import { type FoundWrong, issueWords, valueAt } from '../../words/issueWords';
import type { FoundRecipe } from '../jsonLd/jsonLd';
import { type LeftOpen, type ReviewedLine, stepsFrom, type When } from './draftSteps';
import { idFrom } from './ids';

type StepText = RecipeText['steps'][number];

const SWEATED = new Set(['onion', 'shallot', 'leek', 'spring-onion', 'garlic', 'celery', 'fennel']);

const WHEN: { readonly [G in Group]: When } = {
  liquid: 'liquid',
  flour: 'thickener',
  starch: 'thickener',
  fat: 'sweated',
  dairy: 'dairy at the end',
  egg: 'dairy at the end',
  cheese: 'dairy at the end',
  vegetable: 'simmered',
  grain: 'simmered',
  pulse: 'simmered',
  'cured meat': 'rendered',
  seafood: 'poached at the end',
  wine: 'liquid',
  seasoning: 'seasoning',
};

/** When an ingredient usually goes in. */
export function whenFor(id: string | null): When {
  if (id === null || !isIngredient(id)) return 'left out';
  if (SWEATED.has(id) || id.endsWith('mushroom')) return 'sweated';
  return WHEN[ingredient(id).group];
}

/** A line with where it would go, before anybody has looked. */
type DraftLine = ReadLine & { readonly when: When };

/** Somebody else's recipe, read line by line and waiting to be looked at. */
export type RecipeDraft = FoundRecipe & { readonly lines: readonly DraftLine[] };

/** Somebody else’s recipe with every line read as far as it can be, for a person to put right. */
export const draftOf = (found: FoundRecipe): RecipeDraft => ({
  ...found,
  lines: found.ingredients.map((text) => {
    const line = readLine(text);
    return { ...line, when: whenFor(line.ingredient) };
  }),
});

type DraftRefused = {
  readonly ok: false;
  readonly problems: readonly FoundWrong[];
};
type Drafted = {
  readonly ok: true;
  readonly body: RecipeText;
  /** What the amounts as written give, by the model. */
  readonly asWritten: { readonly litres: number; readonly viscosity: number; readonly band: string };
};

/**
 * A recipe of ours from looked-at lines. Its litres and band are what the amounts as written come to in the
 * house's smallest pot that holds them; with `open`, the dose and the liquid are then left to the plan.
 */
export function recipeFrom(
  name: string,
  lines: readonly ReviewedLine[],
  instructions: readonly string[],
  open: LeftOpen,
  house: House,
): Drafted | DraftRefused {
  const inUse = lines.filter((l) => l.when !== 'left out');
  const largest = house.vessels.toSorted((a, b) => rimVolume(a) - rimVolume(b)).at(-1);
  const [burner] = house.burners;
  if (!largest || !burner)
    return { ok: false, problems: [{ place: message('kitchen'), says: message('it has no pot or burner') }] };
  const body = (
    steps: readonly StepText[],
    home = largest,
    yieldLitres = 1,
    band = 'Coating',
  ): RecipeText => ({
    format: 'panache.recipe/1',
    id: idFrom(name),
    name: name.trim(),
    school: schoolOf(inUse),
    yieldLitres,
    band: band as RecipeText['band'],
    home: { vessel: home, burner },
    steps: [...steps],
  });
  const fixed = body(stepsFrom(inUse, instructions, { dose: false, liquid: false }));
  const written = Recipe.safeParse(fixed);
  if (!written.success) return { ok: false, problems: problemsOf(written.error, fixed) };
  const cookIn = (home: typeof largest) => {
    const setup = { vessel: home, burner, kitchen: house.kitchen };
    const { pot } = simulate(written.data, { scale: 1, dose: 0, liquid: 0, dairy: 0, rounded: false }, setup);
    return observe(pot, house.kitchen);
  };
  const first = cookIn(largest);
  const home = holding(house.vessels, first.volumeMl * 1.1)[0] ?? largest;
  const found = cookIn(home);
  const litres = Math.max(0.1, Math.round(found.volumeMl / 100) / 10);
  const band = bandOf(found.bowlViscosity, house.kitchen.bandLimits);
  const made = body(stepsFrom(inUse, instructions, open), home, litres, band);
  const read = Recipe.safeParse(made);
  if (!read.success) {
    return { ok: false, problems: problemsOf(read.error, made) };
  }
  return { ok: true, body: made, asWritten: { litres, viscosity: found.bowlViscosity, band } };
}

const problemsOf = (error: z.ZodError, value: unknown) =>
  error.issues.map((i) => ({ place: i.path.join('.'), says: issueWords(i, valueAt(value, i.path)) }));

function schoolOf(lines: readonly ReviewedLine[]): string {
  const kinds = new Set(lines.map((l) => ingredient(l.ingredient).thickener).filter(Boolean));
  if (kinds.has('wheat')) return 'Dusted flour';
  if (kinds.has('yolk')) return 'Liaison';
  const starch = lines.find((l) => l.when === 'thickener');
  if (starch) return `${ingredient(starch.ingredient).name} slurry`;
  if (lines.some((l) => l.ingredient.endsWith('potato'))) return 'Potato only';
  return 'Purée only';
}
