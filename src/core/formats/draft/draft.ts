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
import { amountOf, gramsGiven } from '../../recipe/amountOf';
import { Recipe, type RecipeText } from '../../recipe/recipe';
import { type FoundWrong, issueWords, valueAt } from '../../words/issueWords';
import type { FoundRecipe } from '../found/found';
import { type LeftOpen, type ReviewedLine, usualSteps, type When } from './draftSteps';
import { idFrom } from './ids';
import { clausesOf, type ToldSentence } from './method';
import { toldSteps } from './toldSteps';

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
  meat: 'simmered',
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
export type DraftLine = ReadLine & { readonly when: When };

/** Somebody else's recipe, read line by line and waiting to be looked at. */
export type RecipeDraft = FoundRecipe & {
  readonly lines: readonly DraftLine[];
  /** Its method, and what each sentence of it does to the pot. */
  readonly told: readonly ToldSentence[];
};

/** Nobody can say how much, or what: it is left out until somebody does. */
const isOpen = (l: ReadLine): boolean => l.ingredient === null || l.amount === null;

/** Lines with where they go: as the method tells, else where such a thing usually does. */
function placed(lines: readonly ReadLine[], instructions: readonly string[]): readonly DraftLine[] {
  const usual = lines.map((line) => ({
    ...line,
    when: isOpen(line) ? ('left out' as const) : whenFor(line.ingredient),
  }));
  const used = usual.flatMap((l, n) =>
    l.when === 'left out' || l.ingredient === null || l.amount === null
      ? []
      : [{ n, ingredient: l.ingredient, amount: l.amount, prep: l.prep, when: l.when }],
  );
  const told = toldSteps(used, instructions, { dose: false, liquid: false });
  return usual.map((l, n) => {
    const at = used.findIndex((u) => u.n === n);
    return { ...l, when: (at >= 0 && told?.whens.get(at)) || l.when };
  });
}

/** Lines of a list as far as they can be read, each where its method puts it. */
export const linesOfDraft = (
  ingredients: readonly string[],
  instructions: readonly string[],
): readonly DraftLine[] => placed(ingredients.map(readLine), instructions);

/** What a soup nobody has named is called: by what there is most of in it that is no stock. */
function nameOf(lines: readonly DraftLine[]): string {
  const weighed = lines.flatMap((l) => {
    const food = l.ingredient === null || l.when === 'left out' ? null : ingredient(l.ingredient);
    return food && ['vegetable', 'seafood'].includes(food.group)
      ? [{ food, g: l.amount === null ? 0 : (gramsGiven(food, amountOf(l.amount)) ?? 0) }]
      : [];
  });
  const [most] = weighed.toSorted((a, b) => b.g - a.g);
  return most ? `${most.food.name.split(',')[0]} soup` : '';
}

/** Somebody else’s recipe with every line read as far as it can be, for a person to put right. */
export function draftOf(found: FoundRecipe): RecipeDraft {
  const lines = linesOfDraft(found.ingredients, found.instructions);
  return {
    ...found,
    name: found.name || nameOf(lines),
    lines,
    told: clausesOf(found.instructions, lines).sentences,
  };
}

/** Steps of a recipe in the making, and the pans beside its pot. */
type Way = { readonly steps: readonly StepText[]; readonly pans: NonNullable<RecipeText['pans']> };

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
  const body = ({ steps, pans }: Way, home = largest, yieldLitres = 1, band = 'Coating'): RecipeText => ({
    format: pans.length > 0 ? 'panache.recipe/2' : 'panache.recipe/1',
    id: idFrom(name),
    name: name.trim(),
    school: schoolOf(inUse),
    yieldLitres,
    band: band as RecipeText['band'],
    home: { vessel: home, burner },
    ...(pans.length > 0 && { pans: [...pans] }),
    steps: [...steps],
  });
  const suggested = placedAgain(inUse, instructions);
  const stepsOf = (left: LeftOpen): readonly Way[] => {
    const told = toldSteps(inUse, instructions, left, suggested);
    const usual = usualSteps(inUse, instructions, left);
    const tray = usual.some((s) => s.in === 'tray');
    return [...(told ? [told] : []), { steps: usual, pans: tray ? [{ name: 'tray', as: 'tray' }] : [] }];
  };
  // As its method tells it; where that does not make a recipe, in the order cooks work.
  const which = stepsOf({ dose: false, liquid: false }).findIndex(
    (way) => Recipe.safeParse(body(way)).success,
  );
  const pick = (left: LeftOpen): Way => stepsOf(left).at(Math.max(-1, which)) ?? { steps: [], pans: [] };
  const fixed = body(pick({ dose: false, liquid: false }));
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
  const made = body(pick(open), home, litres, band);
  const read = Recipe.safeParse(made);
  if (!read.success) {
    return { ok: false, problems: problemsOf(read.error, made) };
  }
  return { ok: true, body: made, asWritten: { litres, viscosity: found.bowlViscosity, band } };
}

/** Where the method would put lines that nobody has moved. */
function placedAgain(lines: readonly ReviewedLine[], instructions: readonly string[]): readonly When[] {
  const asIs = lines.map((l) => ({ ...l, when: whenFor(l.ingredient) }));
  const told = toldSteps(asIs, instructions, { dose: false, liquid: false });
  return asIs.map((l, n) => told?.whens.get(n) ?? l.when);
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
