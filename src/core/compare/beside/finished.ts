import type { Risk } from '../../dairy/risk';
import { ingredient } from '../../food/catalogue';
import type { Allergen } from '../../food/ingredient';
import { type Message, message } from '../../message/message';
import { term } from '../../message/term';
import { amended } from '../../order/amended';
import { type Finish, finishOf, ownFinish, partsOf } from '../../order/changes/finishes';
import type { Aim, Amendment } from '../../order/order';
import { dairyFate } from '../../plan/dairyRisk';
import { planFor } from '../../plan/plan';
import type { Setup } from '../../plan/solve/simulate';
import type { Plan, WeighLine } from '../../plan/types';
import { wholeCost } from '../../pot/contents/goesIn';
import type { Recipe } from '../../recipe/recipe';
import { reasonWords } from '../../words/dairy';
import { bringing, type Fit, type Reason } from '../fits';
import {
  allergensIn,
  allergensMoved,
  type Beside,
  costOfLines,
  thickenerBeside,
  thickenerOf,
} from '../plans';

/** What is held while the dairy is changed; the rest follows. */
export const HELD = ['richness', 'litres', 'cost', 'dose'] as const;
export type Held = (typeof HELD)[number];

/** One finish for the pot at hand, beside the others. */
export type Finished = {
  readonly finish: Finish;
  readonly fit: Fit;
  /** What an order says to have it so. */
  readonly change: Pick<Amendment, 'finish' | 'finishMl'> & Pick<Aim, 'rich'>;
  readonly doses: readonly { readonly ingredient: string; readonly g: number; readonly ml: number }[];
  /** g of what thickens with it, and how much more that is than as ordered; null where a share is blended. */
  readonly thickener: Beside | null;
  readonly fatPercent: number;
  readonly saltPercent: number;
  /** Of the finish, in the house's currency; null when a price is missing. */
  readonly cost: number | null;
  readonly allergens: readonly Allergen[];
  /** How it fares in this pot; null of what cannot split. */
  readonly risk: Risk | null;
  /** When and how it goes in. */
  readonly how: Message;
  /** The same pot leaner and richer by it, as far as that can be had; empty unless asked for. */
  readonly curve: readonly RichPoint[];
};

/** A pot as rich as that: g of the thickener, and what the finish costs. */
export type RichPoint = {
  readonly rich: number;
  readonly dose: number | null;
  readonly cost: number | null;
};

/** % of fat at which a curve is drawn. */
const RICHNESS = [2, 4, 6, 8, 10, 12, 15] as const;

const HOW: Readonly<Record<Finish['goesIn'], Message>> = {
  poured: message('warmed, poured in off the boil; kept under {most} from there', { most: { celsius: 85 } }),
  boils: message('poured in; it may come to the boil'),
  ladled: message('warmed by ladles of soup, then back; no hotter than {most}', { most: { celsius: 78 } }),
  melted: message('off the heat, in handfuls, stirred until it has melted'),
};

const linesOf = (plan: Plan, finish: Finish): readonly WeighLine[] => {
  const last = new Map<string, WeighLine>();
  for (const l of plan.weighOut)
    if (finish.of.some((id) => id === l.ingredient) && l.solved !== 'by rule' && l.solved !== 'volume')
      last.set(l.ingredient, l);
  return [...last.values()];
};

/** Price of a gram of a finish, in the house's currency; null when one is missing. */
const priceOf = (finish: Finish, recipe: Recipe, { kitchen }: Setup): number | null =>
  wholeCost(
    [...partsOf(finish, ownFinish(recipe))].map(([ingredient, amount]) => ({ ingredient, amount })),
    kitchen,
  );

function fitOf(finish: Finish, plan: Plan, risk: Risk | null, flagged: readonly Allergen[], as: Plan): Fit {
  const grave: Reason[] = [];
  const mild: Reason[] = [];
  const good: Reason[] = [];
  for (const miss of plan.solved.missed) {
    if (miss === 'never so rich')
      grave.push({
        good: false,
        says: message('Not so rich: {fat} % of fat at the most.', {
          fat: (plan.found.fatFraction * 100).toFixed(1),
        }),
      });
    else if (miss === 'too rich without')
      grave.push({ good: false, says: message('The soup is richer than that without any.') });
    else if (!plan.solved.missed.includes('never so rich'))
      grave.push({ good: false, says: message('There is no room for it in these litres.') });
  }
  if (risk && risk.grade !== 'safe' && risk.reasons[0]) {
    const reason: Reason = {
      good: false,
      says: message('{grade}: {why}.', {
        grade: { opening: term(risk.grade) },
        why: { all: risk.reasons.slice(0, 2).map((r) => reasonWords(r).says) },
      }),
    };
    (risk.grade === 'take care' ? mild : grave).push(reason);
  }
  if (risk?.grade === 'safe') good.push({ good: true, says: message('Does not split in this pot.') });
  if (finish.goesIn === 'boils') good.push({ good: true, says: message('Stands the boil.') });
  const { brought, saved } = allergensMoved(plan, as);
  const news = bringing(brought, flagged);
  if (news) (news.flagged ? grave : mild).push(news.reason);
  if (saved.length > 0)
    good.push({ good: true, says: message('Saves {saved}.', { saved: { and: saved.map(term) } }) });
  if (finish.of.every((id) => !ingredient(id).allergens.includes('milk')))
    mild.push({
      good: false,
      says: message('No milk in it: it neither rounds acid nor tastes of cream.'),
    });
  if (finish.freezing === 'poor') mild.push({ good: false, says: message('Not to be frozen: it parts.') });
  if (finish.freezing === 'good') good.push({ good: true, says: message('Freezes well.') });
  if (finish.holding === 'poor') mild.push({ good: false, says: message('Does not hold hot for long.') });
  const care = risk?.grade === 'take care' && mild.length > 0;
  const grade = grave.length > 0 ? 'does not fit' : care ? 'with care' : 'fits';
  return { grade, reasons: [...grave, ...mild, ...good] };
}

/** A smaller share of a blend is none. */
const LEAST_PART = 0.02;

/** How often the amount of a finish is tried for a dose that is to stay. */
const TRIES = 12;

/**
 * One pot finished with `finish`, with `held` as it stands in `as`, the plan as ordered. `recipe` is the house's
 * own; `curved` works its curve out too. Null where what is held cannot be said of it: a cost without a price, a
 * dose where a share is blended.
 */
export function finishedBy(
  finish: Finish,
  held: Held,
  recipe: Recipe,
  order: Aim & Amendment,
  as: Plan,
  { curved = false }: { readonly curved?: boolean } = {},
): Finished | null {
  const { setup } = as;
  const { rich: _rich, finishMl: _ml, finish: _finish, ...rest } = order;
  const chosen = finishOf(order.finish);
  const made = (change: Finished['change']): Plan => {
    const all = { ...rest, ...change };
    return planFor(amended(recipe, all), all, setup);
  };
  const now = chosen ? linesOf(as, chosen) : [];
  const own = ownFinish(recipe);
  const ownMl = (own.ml / recipe.yieldLitres) * order.litres;
  const nowMl = chosen ? now.reduce((sum, l) => sum + (l.ml ?? l.g), 0) : ownMl;
  const litres = order.litres;

  const changeFor = (): Finished['change'] | null => {
    if (held === 'richness')
      return { finish: finish.id, rich: order.rich ?? Math.round(as.found.fatFraction * 1000) / 10 };
    if (held === 'litres') return { finish: finish.id, finishMl: Math.round(nowMl / litres) };
    if (held === 'cost') {
      const asked = chosen
        ? costOfLines(now, setup)
        : costOfLines(
            own.of.map((o) => ({ ...o, g: (o.g / recipe.yieldLitres) * litres })),
            setup,
          );
      const price = priceOf(finish, recipe, setup);
      if (asked === null || price === null || price === 0) return null;
      // A gram of dairy is within a few parts in a hundred of a millilitre; the amount is rounded anyway.
      return { finish: finish.id, finishMl: Math.min(800, Math.round(asked / price / litres)) };
    }
    const wanted = thickenerOf(as)?.g;
    if (!wanted) return null;
    let [low, high] = [0, 600];
    const doseAt = (ml: number): number => thickenerOf(made({ finish: finish.id, finishMl: ml }))?.g ?? 0;
    const up = doseAt(high) > doseAt(low);
    for (let i = 0; i < TRIES && high - low > 2; i++) {
      const middle = (low + high) / 2;
      if (doseAt(middle) > wanted === up) high = middle;
      else low = middle;
    }
    return { finish: finish.id, finishMl: Math.round((low + high) / 2) };
  };

  // A blend that is all of the one or the other is that one.
  if (partsOf(finish, own).some(([, share]) => share < LEAST_PART)) return null;
  const change = changeFor();
  if (!change) return null;
  const plan = made(change);
  const lines = linesOf(plan, finish);
  const risk = dairyFate(plan.solved.run, setup.kitchen)?.risk ?? null;
  return {
    finish,
    fit: fitOf(finish, plan, risk, setup.kitchen.flagged ?? [], as),
    change,
    doses: lines.map((l) => ({ ingredient: l.ingredient, g: l.g, ml: l.ml ?? l.g })),
    thickener: thickenerBeside(plan, as),
    fatPercent: plan.found.fatFraction * 100,
    saltPercent: plan.found.saltPercent,
    cost: costOfLines(lines, setup),
    allergens: allergensIn(plan),
    risk,
    how: HOW[finish.goesIn],
    curve: curved
      ? RICHNESS.flatMap((rich): RichPoint[] => {
          const at = made({ finish: finish.id, rich });
          if (at.solved.missed.length > 0) return [];
          return [{ rich, dose: thickenerOf(at)?.g ?? null, cost: costOfLines(linesOf(at, finish), setup) }];
        })
      : [],
  };
}
