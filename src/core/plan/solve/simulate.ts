import type { Burner } from '../../heat/burner';
import type { Vessel } from '../../heat/vessel';
import { same } from '../../maths/same';
import { portionsIn, withPortions } from '../../pot/contents/portions';
import { forSoup, type Kitchen } from '../../pot/kitchen';
import { emptyPan, NOTHING_BESIDE, type PansBeside, panOf, THE_POT } from '../../pot/pans/pan';
import { type DoneIn, goOn, pansOf, type Together } from '../../pot/pans/together';
import { emptyPot, type Pot } from '../../pot/pot';
import type { Portion, Step } from '../../pot/step';
import type { Recipe } from '../../recipe/recipe';
import type { RecipePortion } from '../../recipe/recipeStep';
import { besideOf } from './beside';
import { inOrder, taskOf } from './hands';
import { type Dosing, givenGrams, resolve } from './resolve';

/** One step as it would go: what is done, its pan before it, and where it leads. */
export type StepRun = DoneIn & {
  readonly step: Step;
  /** All pans before it and after, each as far as it has come. */
  readonly was: Together;
  readonly now: Together;
};

export type Setup = { readonly vessel: Vessel; readonly burner: Burner; readonly kitchen: Kitchen };

export type Run = {
  readonly ran: readonly StepRun[];
  /** The pot that goes to the pass. */
  readonly pot: Pot;
  /** All pans at the end, by name, that one among them. */
  readonly pots: Readonly<Record<string, Pot>>;
  /** Where the others stand. */
  readonly beside: PansBeside;
};

/** Pans together are the same where each is, and where the hands are as far on. */
function sameAs(a: Together, b: Together, names: readonly string[]): boolean {
  return names.every((n) => a.pots[n] === b.pots[n]) && (a.hands === b.hands || alone(a));
}

/** Of one pan alone the hands are never what is waited for. */
const alone = ({ pots }: Together): boolean => Object.keys(pots).length === 1;

/** What has to be as it was for a step to go as it went. */
type Cooks<S> = {
  readonly steps: readonly S[];
  /** Each for its pan as it stands when the step begins. */
  readonly inGrams: (step: S, pot: Pot) => Step;
  readonly setup: Setup;
  readonly beside: PansBeside;
  /** s before which a pan is not begun, so that it does not wait for the others. */
  readonly begins?: Readonly<Record<string, number>> | undefined;
};

/**
 * Steps cooked in thought, one after another, each in its pan. What `before` cooked in the same setup is taken over as
 * far as the two go the same way.
 */
function cookThrough<S extends { readonly in?: string | undefined }>(
  { steps, inGrams, setup, beside, begins = {} }: Cooks<S>,
  before?: Run,
): Run {
  const { vessel, burner, kitchen } = setup;
  const known = before?.ran ?? [];
  let now: Together = known[0]?.was ?? {
    hands: 0,
    pots: {
      [THE_POT]: emptyPot(vessel, burner, kitchen.airCelsius),
      ...Object.fromEntries(
        Object.entries(beside).map(([name, place]) => [name, emptyPan(place, kitchen.airCelsius)]),
      ),
    },
  };
  const ran = steps.map((s, n): StepRun => {
    const was = now;
    const name = panOf(s);
    const pan = was.pots[name];
    if (!pan) throw new RangeError(`there is no pan “${name}”`);
    const step = inGrams(s, pan);
    const went = known[n];
    const names = pansOf(step);
    if (went && sameAs(went.was, was, names) && same(went.step, step)) {
      const taken = Object.fromEntries(names.map((p) => [p, went.now.pots[p] as Pot]));
      now = { pots: { ...was.pots, ...taken }, hands: went.now.hands };
      return alone(was) ? went : { ...went, was, now };
    }
    const on = goOn(was, step, kitchen, begins[name]);
    now = on.now;
    return { ...on.done, step, was, now };
  });
  return { ran, pot: now.pots[THE_POT] as Pot, pots: now.pots, beside };
}

/** The setup as it cooks this recipe: its kitchen with what it has learned of the soup. */
export function setupFor({ id }: Recipe, setup: Setup): Setup {
  const kitchen = forSoup(id, setup.kitchen);
  return kitchen === setup.kitchen ? setup : { ...setup, kitchen };
}

function cookAsItStands(recipe: Recipe, dosing: Dosing, at: Setup, before?: Run): Run {
  const setup = setupFor(recipe, at);
  const beside = besideOf(recipe, dosing.scale, setup);
  return cookThrough(
    {
      steps: recipe.steps,
      inGrams: (step, pot) => resolve(step, dosing, pot, setup.kitchen),
      setup,
      beside,
      begins: recipe.begins,
    },
    // In other pans it is another run.
    before && same(before.beside, beside) ? before : undefined,
  );
}

/** What is still to be found of a soup, a litre, near enough to say how long its steps take: g, or a share of the pot. */
const ROUGHLY = { dose: 35, share: 0.4, liquid: 1080, least: 200, dairy: 150 };

/** Litres so many times apart are put in the same order. */
const APART = 1.5;

const known = new WeakMap<Recipe, Map<string, { readonly of: Setup['kitchen']; readonly recipe: Recipe }>>();

/**
 * The recipe with the steps of all its pans in the order one pair of hands does them in for about `litres`: what is
 * cooked beside the pot begins so that it is ready when it is poured. Cooked once, roughly, to know how long each step
 * takes. A recipe of one pot is itself, and so is one in order already.
 */
export function inHandOrder(recipe: Recipe, litres: number, setup: Setup): Recipe {
  if (!recipe.pans?.length || recipe.begins) return recipe;
  const size = Math.round(Math.log(litres) / Math.log(APART));
  const key = `${size} ${setup.vessel.id} ${setup.burner.id}`;
  const found = known.get(recipe) ?? new Map();
  known.set(recipe, found);
  const before = found.get(key);
  if (before?.of === setup.kitchen) return before.recipe;
  const about = APART ** size;
  const shared = recipe.steps.some((s) => s.kind === 'puree' && typeof s.fraction !== 'number');
  const scale = about / recipe.yieldLitres;
  const given = recipe.steps
    .flatMap((s) => portionsIn<RecipePortion>(s))
    .reduce((sum, p) => sum + (givenGrams(p, setup.kitchen) ?? 0) * scale, 0);
  const run = cookAsItStands(
    recipe,
    {
      scale,
      dose: shared ? ROUGHLY.share : ROUGHLY.dose * about,
      liquid: Math.max(ROUGHLY.least * about, ROUGHLY.liquid * about - given),
      dairy: ROUGHLY.dairy * about,
      rounded: false,
    },
    setup,
  );
  const arranged = inOrder(
    recipe,
    run.ran.map((r) => taskOf(r.step, r.pot.seconds + r.wait - r.before.seconds)),
  );
  found.set(key, { of: setup.kitchen, recipe: arranged });
  return arranged;
}

/**
 * The recipe cooked in thought, step by step in the order of its hands; `before` is another run in the same setup: only
 * what comes after the first step that differs is cooked.
 */
export const simulate = (recipe: Recipe, dosing: Dosing, setup: Setup, before?: Run): Run =>
  cookAsItStands(inHandOrder(recipe, dosing.scale * recipe.yieldLitres, setup), dosing, setup, before);

/** The same steps with the same grams in any pot, its side pans where they stand. */
export const repeat = (steps: readonly Step[], setup: Setup, beside: PansBeside = NOTHING_BESIDE): Run =>
  cookThrough({ steps, inGrams: (step) => step, setup, beside });

/** `step` with every amount multiplied, as a cook does who only multiplies the recipe. */
export const multiplied = (step: Step, by: number): Step =>
  withPortions(step, (p: Portion) => ({ ...p, amount: p.amount * by }));

/** Largest volume in mL at any moment, also in the middle of a step. */
export function peakVolume(run: Run): number {
  return peakIn(run, THE_POT);
}

/** The same of one of its pans. */
export const peakIn = (run: Run, pan: string): number =>
  run.ran.reduce(
    (peak, r) => (r.pan === pan ? r.trace.reduce((p, s) => Math.max(p, s.volumeMl), peak) : peak),
    0,
  );
