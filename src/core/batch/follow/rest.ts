import { type Attempt, balance, missesOf, type Turned } from '../../plan/solve/balance';
import { saltStillToAdd } from '../../plan/solve/resolve';
import { advance } from '../../pot/advance';
import { withPortions } from '../../pot/contents/portions';
import { observe } from '../../pot/observe';
import type { Pot } from '../../pot/pot';
import type { Portion, Step } from '../../pot/step';
import { roundToScale } from '../../units/shown/round';
import type { StepKey } from '../events';
import type { StepState } from '../state';
import type { PotVariant } from './move';

/** What is still to be done after the step at hand, and by how much its open amounts are turned. */
export type Rescale = { readonly dose: number; readonly liquid: number; readonly rounded: boolean };

/** A step with its open amounts turned: what was for thickness by one share, what was for volume by another, salt to what is missing. */
export function rescaled(
  s: StepState,
  pot: Pot,
  kitchen: PotVariant['kitchen'],
  rescale: Rescale,
): Step | null {
  if (!s.does) return null;
  const open = s.planned?.open ?? [];
  if (open.length === 0) return s.does;
  const tidy = (g: number): number => (rescale.rounded ? roundToScale(g) : g);
  const step = withPortions(s.does, (p: Portion, item) => {
    if (s.weighed.has(item)) return p;
    const goal = open.find((o) => o.item === item)?.goal;
    if (goal === 'thickness' || goal === 'by rule') return { ...p, amount: tidy(p.amount * rescale.dose) };
    if (goal === 'volume') return { ...p, amount: tidy(p.amount * rescale.liquid) };
    return goal === 'taste' ? { ...p, amount: tidy(saltStillToAdd(pot, kitchen)) } : p;
  });
  if (step.kind === 'puree' && open.some((o) => o.item === 'fraction'))
    return { ...step, fraction: Math.min(1, step.fraction * rescale.dose) };
  return step;
}

type RestOutcome = { readonly pot: Pot; readonly steps: ReadonlyMap<StepKey, Step> };

/** The step at hand done by the model, from where it stands. */
export function stepDone({ pot, left, wait, startsAt, kitchen }: PotVariant): { readonly pot: Pot } {
  const ready = { ...pot, seconds: Math.max(pot.seconds, startsAt) };
  const on = left ? advance(ready, left, kitchen) : { pot: ready, wait };
  return { pot: { ...on.pot, seconds: on.pot.seconds + on.wait } };
}

/** The pot at the pass, from where it stands, when the rest is done as `turn` says. */
export function toTheEnd(variant: PotVariant, rest: readonly StepState[], rescale: Rescale): RestOutcome {
  const { kitchen } = variant;
  let { pot } = stepDone(variant);
  const steps = new Map<StepKey, Step>();
  for (const s of rest) {
    const step = rescaled(s, pot, kitchen, rescale);
    if (!step) {
      pot = { ...pot, seconds: pot.seconds + s.seconds };
      continue;
    }
    steps.set(s.key, step);
    const on = advance(pot, step, kitchen);
    pot = { ...on.pot, seconds: on.pot.seconds + on.wait };
  }
  return { pot, steps };
}

const openIn = (rest: readonly StepState[], goal: 'thickness' | 'volume'): boolean =>
  rest.some((s) =>
    s.planned?.open?.some((o) => o.goal === goal && !(typeof o.item === 'number' && s.weighed.has(o.item))),
  );

/** A turned dose or liquid is never more than this many times the planned. */
const MOST_RESCALE = 4;

/** Misses below this share need no new amounts: a scoop is no more exact. */
const CLOSE_ENOUGH = 0.005;

/** Turned by less than this share, what was planned stays as it was weighed out. */
const CALM = 0.02;

const calm = (by: number): number => (Math.abs(by - 1) < CALM ? 1 : by);

/**
 * By how much the amounts still open are to be turned, so that the pot comes to `litres` at `target` mPa·s
 * in the bowl after `rest`; 1 where nothing is open, or hardly anything would change.
 */
export function solveRest(
  variant: PotVariant,
  rest: readonly StepState[],
  target: number,
  litres: number,
): { readonly dose: number; readonly liquid: number } {
  const goals = { thickness: openIn(rest, 'thickness'), volume: openIn(rest, 'volume') };
  if (!goals.thickness && !goals.volume) return { dose: 1, liquid: 1 };
  const attempt = ({ dose, liquid }: Turned): Attempt => {
    const found = observe(toTheEnd(variant, rest, { dose, liquid, rounded: false }).pot, variant.kitchen);
    return { dose, liquid, dairy: 0, ...missesOf(found, { litres, target }, { ...goals, richness: false }) };
  };
  const { found } = balance(
    { dose: 1, liquid: 1, dairy: 0 },
    {
      dose: goals.thickness ? { unit: 1, most: MOST_RESCALE } : null,
      liquid: goals.volume ? { unit: 1, most: MOST_RESCALE } : null,
      dairy: null,
    },
    attempt,
    { close: CLOSE_ENOUGH },
  );
  return { dose: calm(found.dose), liquid: calm(found.liquid) };
}
