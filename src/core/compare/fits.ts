import { ingredient } from '../food/catalogue';
import type { Allergen } from '../food/ingredient';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import { cannotBe } from '../order/amended';
import { AS_WRITTEN, allergensOfWay, type Way } from '../order/ways';
import type { Plan } from '../plan/types';
import { portionsIn } from '../pot/contents/portions';
import type { Recipe } from '../recipe/recipe';
import type { RecipePortion } from '../recipe/recipeStep';
import { ACID_BELOW } from '../thicken/granules';
import { THICKENERS } from '../thickeners/thickeners';

/** One reason for or against a way of thickening this pot. */
export type Reason = { readonly good: boolean; readonly says: Message };

/** Whether a way of thickening suits a soup: a grade in words, and why. Never a bare number. */
export type Fit = {
  readonly grade: 'fits' | 'with care' | 'does not fit';
  readonly reasons: readonly Reason[];
};

/** The reason against what brings allergens, and whether the house flags any; null where nothing is brought. */
export function bringing(
  brought: readonly Allergen[],
  flags: readonly Allergen[],
): { readonly flagged: boolean; readonly reason: Reason } | null {
  const watched = brought.filter((a) => flags.includes(a));
  if (watched.length > 0)
    return {
      flagged: true,
      reason: {
        good: false,
        says: message('Brings {watched}, which this house flags.', { watched: { and: watched.map(term) } }),
      },
    };
  if (brought.length === 0) return null;
  return {
    flagged: false,
    reason: { good: false, says: message('Brings {brought}.', { brought: { and: brought.map(term) } }) },
  };
}

/** Minutes of boiling after thickening that delicate starches do not stand. */
const LONG_BOIL = 10;

const allergensIn = (recipe: Recipe): ReadonlySet<Allergen> =>
  new Set(
    recipe.steps.flatMap((s) =>
      portionsIn<RecipePortion>(s).flatMap((p) => ingredient(p.ingredient).allergens),
    ),
  );

const holds = (recipe: Recipe, group: string): boolean =>
  recipe.steps.some((s) =>
    portionsIn<RecipePortion>(s).some((p) => ingredient(p.ingredient).group === group),
  );

/** Minutes at or over the simmer after the last thickener went in. */
function boiledAfter(plan: Plan): number {
  const at = plan.steps.findLastIndex((s) => s.step.kind === 'thicken' || s.step.kind === 'temper');
  if (at === -1) return 0;
  return plan.steps
    .slice(at + 1)
    .filter((s) => s.step.kind === 'simmer' || s.step.kind === 'reduce')
    .reduce((sum, s) => sum + s.seconds / 60, 0);
}

/**
 * Whether `way` suits `recipe` as the house writes it. `plan` is the soup planned with the way; its pH,
 * misses and times are what the reasons are drawn from. `flagged` are allergens the house watches.
 */
export function fitOf(
  way: Way,
  share: number,
  recipe: Recipe,
  plan: Plan,
  flagged: readonly Allergen[] = [],
): Fit {
  const barred = way === AS_WRITTEN ? null : cannotBe(recipe, share);
  if (barred) return { grade: 'does not fit', reasons: [{ good: false, says: barred }] };
  const grave: Reason[] = [];
  const mild: Reason[] = [];
  const good: Reason[] = [];
  /** Worth knowing, without making it a worse choice for tonight. */
  const noted: Reason[] = [];
  const properties = way.kind && THICKENERS[way.kind].properties;

  for (const miss of plan.solved.missed) {
    grave.push({
      good: false,
      says:
        miss === 'too thick without'
          ? message('The soup is thicker than asked without it.')
          : miss === 'too thin with all'
            ? message('It cannot be made this thick so.')
            : message('Its liquid alone is more than the litres asked for.'),
    });
  }
  if (way.kind && THICKENERS[way.kind].slimyWithMilk && holds(recipe, 'dairy'))
    grave.push({
      good: false,
      says: message('{thickener} turns slimy with milk or cream.', {
        thickener: { opening: term(way.kind) },
      }),
    });
  if (way.kind === 'yolk' && plan.warnings.some((w) => w.kind === 'scrambled'))
    grave.push({ good: false, says: message('The yolk would scramble: the pot gets too hot after it.') });
  if (plan.found.pH < ACID_BELOW && properties) {
    if (properties.acid === 'poor')
      grave.push({
        good: false,
        says: message('Breaks down in this acid (pH {pH}).', { pH: plan.found.pH.toFixed(1) }),
      });
    else if (properties.acid === 'good') good.push({ good: true, says: message('Stands this soup’s acid.') });
  }
  const boiled = boiledAfter(plan);
  if (properties && boiled > LONG_BOIL && properties.holding === 'poor')
    mild.push({
      good: false,
      says: message('Boiled {boiled} min after: it thins.', { boiled: boiled.toFixed(0) }),
    });
  if (properties?.holding === 'poor')
    mild.push({ good: false, says: message('Thins on the pass: use it within the hour.') });
  if (properties?.freezing === 'poor') noted.push({ good: false, says: message('Weeps after freezing.') });
  if (properties?.freezing === 'good') good.push({ good: true, says: message('Freezes well.') });
  if (properties?.shear === 'poor') noted.push({ good: false, says: message('Never blend it after.') });
  if (properties?.clarity === 'clear')
    good.push({ good: true, says: message('Leaves the soup clear and glossy.') });
  if (properties?.holding === 'good') good.push({ good: true, says: message('Holds and reheats well.') });

  if (way.method === 'boiled cream' || way.method === 'liaison') {
    const cream = plan.weighOut.filter((l) => l.solved === 'by rule' && l.ingredient === 'heavy-cream');
    const g = cream.reduce((sum, l) => sum + l.g, 0);
    if (g > 0)
      mild.push({
        good: false,
        says: message('Brings {g} of cream: richer and dearer.', { g: { g } }),
      });
  }

  const held = allergensIn(recipe);
  const brought = allergensOfWay(way).filter((a) => !held.has(a));
  const news = bringing(brought, flagged);
  if (news) (news.flagged ? grave : mild).push(news.reason);
  if (way.kind && way.kind !== 'wheat' && way.method === 'slurry' && !brought.includes('wheat'))
    good.push({ good: true, says: message('No wheat of its own.') });
  if (way.leastMinutes > 0)
    good.push({
      good: way.leastMinutes <= 3,
      says: message('{leastMinutes} min at the simmer before it can be judged.', {
        leastMinutes: way.leastMinutes,
      }),
    });
  if (way === AS_WRITTEN) good.push({ good: true, says: message('As the house makes it.') });

  return {
    grade: grave.length > 0 ? 'does not fit' : mild.length > 0 ? 'with care' : 'fits',
    reasons: [...grave, ...mild, ...good, ...noted],
  };
}
