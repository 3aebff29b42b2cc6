import { type Attempt, balance, missesOf, type Turned } from '../../plan/solve/balance';
import { saltStillToAdd } from '../../plan/solve/resolve';
import { advance } from '../../pot/advance';
import { massG } from '../../pot/contents/contents';
import { withPortions } from '../../pot/contents/portions';
import { ROWS } from '../../pot/kinds/rows';
import type { Kitchen } from '../../pot/kitchen';
import { observe } from '../../pot/observe';
import { panOf, THE_POT } from '../../pot/pans/pan';
import { goOn, pourOne, type Together } from '../../pot/pans/together';
import type { Pot } from '../../pot/pot';
import type { Portion, Step } from '../../pot/step';
import { roundToScale } from '../../units/shown/round';
import type { StepKey } from '../events';
import type { StepState } from '../state';
import { type OnItsWay, type PotVariant, panIn } from './move';

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

/** What is under way in one pan done by the model, from where it stands. */
function doneIn({ pot, left, wait, startsAt }: OnItsWay, kitchen: Kitchen): Pot {
  const ready = { ...pot, seconds: Math.max(pot.seconds, startsAt) };
  const on = left && left.kind !== 'pour' ? advance(ready, left, kitchen) : { pot: ready, wait };
  return { ...on.pot, seconds: on.pot.seconds + on.wait };
}

/** The step at hand done by the model in its pan, from where it stands; a pouring too, unless it is `unpoured` yet. */
export function stepDone(
  variant: PotVariant,
  pan = THE_POT,
  poured: 'poured' | 'unpoured' = 'poured',
): { readonly pot: Pot } {
  const one = panIn(variant, pan);
  if (one.left?.kind !== 'pour' || poured === 'unpoured') return { pot: doneIn(one, variant.kitchen) };
  const from = panIn(variant, one.left.from ?? THE_POT);
  return { pot: pourOne(from.pot, one.pot, one.left, variant.kitchen).run.pot };
}

/** All pans of a variant as they stand together, what is under way in them done. */
function together(variant: PotVariant): Together {
  const { kitchen } = variant;
  const names = [THE_POT, ...Object.keys(variant.beside)];
  const pouring = names.find((n) => panIn(variant, n).left?.kind === 'pour');
  const attended = names.filter((n) => {
    const { left } = panIn(variant, n);
    return left !== null && left.kind !== 'pour' && ROWS[left.kind].attended;
  });
  const pots = Object.fromEntries(names.map((n) => [n, doneIn(panIn(variant, n), kitchen)]));
  const now = Math.max(...names.map((n) => panIn(variant, n).pot.seconds));
  const hands = Math.max(now, ...attended.map((n) => pots[n]?.seconds ?? 0));
  const step = pouring === undefined ? null : panIn(variant, pouring).left;
  return step ? goOn({ pots, hands }, step, kitchen).now : { pots, hands };
}

/** The pot at the pass, from where it stands, when the rest is done as `turn` says. */
export function toTheEnd(variant: PotVariant, rest: readonly StepState[], rescale: Rescale): RestOutcome {
  const { kitchen } = variant;
  const steps = new Map<StepKey, Step>();
  let now = together(variant);
  const single = Object.keys(variant.beside).length === 0;
  const begun = new Set<string>(
    [THE_POT, ...Object.keys(variant.beside)].filter((n) => massG(panIn(variant, n).pot) > 0),
  );
  for (const s of rest) {
    const pan = panOf(s.does ?? {});
    const pot = now.pots[pan] ?? (now.pots[THE_POT] as Pot);
    const step = rescaled(s, pot, kitchen, rescale);
    if (!step) {
      now = {
        hands: now.hands + s.seconds,
        pots: { ...now.pots, [THE_POT]: { ...pot, seconds: pot.seconds + s.seconds } },
      };
      continue;
    }
    steps.set(s.key, step);
    if (single) {
      const on = advance(pot, step, kitchen);
      now = { ...now, pots: { [THE_POT]: { ...on.pot, seconds: on.pot.seconds + on.wait } } };
    } else now = goOn(now, step, kitchen, begun.has(pan) ? 0 : s.planned?.startsAt).now;
    begun.add(pan);
  }
  return { pot: now.pots[THE_POT] as Pot, steps };
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
