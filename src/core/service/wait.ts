import { bandOf } from '../flow/bands';
import { ingredient } from '../food/catalogue';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import type { Plan } from '../plan/types';
import { advance } from '../pot/advance';
import { portionsIn } from '../pot/contents/portions';
import { observe } from '../pot/observe';
import type { Portion, Step } from '../pot/step';
import { THICKENERS } from '../thickeners/thickeners';

/** How long a finished soup may wait hot, minutes, and what sets that. */
export type Wait = { readonly minutes: number; readonly why: Message };

/** °C a soup is kept at, with its lid on: well over the rule's limit, under where yolk sets. */
const KEPT_AT = 72;

/** The longest any soup is kept hot on the pass: four hours is what is usual. Common practice, no source. */
const MOST = 240;

/** Minutes between two looks at how thick it has become. */
const LOOK = 20;

/** Minutes by what is in it; the shortest counts. Common practice, no source. */
const YOLK = 30;
const POACHED = 20;
const SEAFOOD = 45;
const GREEN = 40;
const DAIRY = 120;
const GREENS = ['green-peas', 'lettuce', 'spinach', 'watercress'];

/** How long what `steps` put in may wait hot, and what of it keeps worst; `still` is what is in the pot as pieces. */
export function keepsAtMost(steps: readonly Step[], still: ReadonlySet<string>): Wait {
  const found: Wait[] = [];
  for (const step of steps) {
    for (const { ingredient: id, amount } of portionsIn<Portion>(step)) {
      if (amount <= 0) continue;
      const { group, thickener } = ingredient(id);
      const starch = thickener && THICKENERS[thickener].keepsHot;
      if (group === 'egg') found.push({ minutes: YOLK, why: message('a liaison of yolk sets, kept hot') });
      else if (starch !== undefined)
        found.push({
          minutes: starch,
          why: message('{starch} thins, kept hot', { starch: { opening: term(ingredient(id).name) } }),
        });
      else if (group === 'seafood' && still.has(id))
        found.push({
          minutes: step.kind === 'poach' ? POACHED : SEAFOOD,
          why: message('seafood toughens, kept hot'),
        });
      else if (GREENS.includes(id)) found.push({ minutes: GREEN, why: message('its green dulls, kept hot') });
      else if (group === 'dairy' || group === 'cheese')
        found.push({ minutes: DAIRY, why: message('dairy skins over and grains, kept hot') });
    }
  }
  const longest: Wait = { minutes: MOST, why: message('no soup is kept hot longer') };
  return found.reduce((worst, w) => (w.minutes < worst.minutes ? w : worst), longest);
}

/** What is in it that keeps badly. Shells and bones are strained off: only what is still in it toughens. */
const kept = (plan: Plan): Wait =>
  keepsAtMost(
    plan.steps.map((s) => s.step),
    new Set(plan.solved.run.pot.pieces.map((p) => p.ingredient)),
  );

/**
 * How long this soup may wait between the stove and the pass: by what is in it, and by how it thickens under a lid at
 * 72 °C until it leaves its band, by the same pot the plan was cooked in.
 */
export function waitOf(plan: Plan): Wait {
  const worst = kept(plan);
  const { kitchen } = plan.setup;
  const band = bandOf(plan.found.bowlViscosity, kitchen.bandLimits);
  let { pot } = plan.solved.run;
  for (let minutes = LOOK; minutes < worst.minutes; minutes += LOOK) {
    pot = advance(pot, { kind: 'hold', minutes: LOOK, at: KEPT_AT, lid: 'on' }, kitchen).pot;
    const now = bandOf(observe(pot, kitchen).bowlViscosity, kitchen.bandLimits);
    if (now !== band)
      return {
        minutes: minutes - LOOK / 2,
        why: message('it is {band} by then', { band: term(now) }),
      };
  }
  return worst;
}
