import { ingredient } from '../food/catalogue';
import type { Allergen } from '../food/ingredient';
import { waterPhaseMl } from '../pot/contents/contents';
import { portionsIn } from '../pot/contents/portions';
import { foodIn, type Kitchen } from '../pot/kitchen';
import { consistency } from '../pot/observe';
import type { Portion } from '../pot/step';
import { isWet } from '../pot/steps/flour';
import type { RouxColour } from '../thicken/granules';
import { THICKENERS } from '../thickeners/thickeners';
import type { Run, StepRun } from './solve/simulate';
import type { Plan, Warning } from './types';

/** Minutes a roux takes to each colour, from the quickest to the slowest of hands. Common practice, no source. */
const ROUX_MINUTES: { readonly [C in RouxColour]: readonly [least: number, most: number] } = {
  white: [1, 8],
  blond: [3, 15],
  brown: [8, 40],
  dark: [15, 90],
};

/** A roux begun where there is soup already, or in another time than its colour takes. */
function rouxes(run: Run): Warning[] {
  return run.ran.flatMap(({ step, before }, n): Warning[] => {
    if (step.kind !== 'roux' || step.flour.amount <= 0) return [];
    if (isWet(before, step)) return [{ id: `wet-roux-${n}`, kind: 'wet-roux', severity: 'stop', step: n }];
    const { colour, minutes } = step;
    const [least, most] = ROUX_MINUTES[colour];
    if (minutes >= least && minutes <= most) return [];
    return [
      { id: `roux-time-${n}`, kind: 'roux-time', severity: 'caution', step: n, colour, minutes, least, most },
    ];
  });
}

/** mL of liquid from which starch that goes in dry can lump. */
const ENOUGH_TO_LUMP = 100;

/** Cold liquid, g for a gram of starch, that takes it up smoothly where both go in together. Common practice, no source. */
const SLURRY = 0.8;

/** Flour or starch that goes dry into what is hot enough to set it at once. */
function lumps(run: Run, kitchen: Kitchen): Warning[] {
  return run.ran.flatMap(({ step, before }, n): Warning[] => {
    if (step.kind !== 'add' && step.kind !== 'season') return [];
    if (waterPhaseMl(before) < ENOUGH_TO_LUMP) return [];
    const of = (p: Portion) => foodIn(kitchen, p.ingredient);
    const dry = step.items.filter((p) => p.amount > 0 && ['flour', 'starch'].includes(of(p).group));
    const wet = step.items
      .filter((p) => of(p).group === 'liquid' || of(p).group === 'dairy')
      .filter((p) => (p.celsius ?? 5) < 50)
      .reduce((sum, p) => sum + p.amount, 0);
    const hot = dry.filter((p) => {
      const swells = THICKENERS[of(p).thickener ?? 'wheat'].swells;
      return swells !== 'already' && before.celsius >= swells[0] && wet < p.amount * SLURRY;
    });
    if (hot.length === 0) return [];
    const foods = hot.map((p) => of(p).name);
    return [{ id: `lumps-${n}`, kind: 'lumps', severity: 'danger', step: n, foods, celsius: before.celsius }];
  });
}

/**
 * From so much of the full flame, g/L of flour equivalent and minutes on, the bottom catches unless it is stirred.
 * Common practice, no source.
 */
const CATCHES = { flame: 0.8, equivalents: 30, minutes: 6 };

/** What is thick already, heated or boiled down on a full flame by a step that says nothing of stirring. */
function scorches(run: Run): Warning[] {
  return run.ran.flatMap(({ step, before, pot }, n): Warning[] => {
    if (step.kind !== 'bring-to' && step.kind !== 'reduce') return [];
    const minutes = Math.round((pot.seconds - before.seconds) / 60);
    const thick = consistency(before).equivalents >= CATCHES.equivalents;
    const stirred = /stir|scrape/i.test(step.look ?? '');
    if (!thick || stirred || step.flame < CATCHES.flame || minutes < CATCHES.minutes) return [];
    return [{ id: `scorch-${n}`, kind: 'scorch', severity: 'caution', step: n, minutes }];
  });
}

/**
 * Minutes at 63 °C and over in the middle from which it toughens, by what it is of; bought cooked it has longer, for its
 * middle was done before. Common practice, no source.
 */
const TOUGH_AFTER: readonly (readonly [of: Allergen, minutes: number])[] = [
  ['crustaceans', 5],
  ['molluscs', 5],
  ['fish', 10],
];

/** Seafood that stays in and is cooked longer than it can take: what is strained out meant to give its taste. */
function overcooked(run: Run): Warning[] {
  const tough = run.pot.pieces.flatMap((p) => {
    const { group, allergens, name } = ingredient(p.ingredient);
    const most = group === 'seafood' && TOUGH_AFTER.find(([of]) => allergens.includes(of))?.[1];
    return most && p.doneMinutes > most ? [{ name, minutes: p.doneMinutes, most }] : [];
  });
  const [worst] = [...tough].sort((a, b) => b.minutes / b.most - a.minutes / a.most);
  if (!worst) return [];
  const foods = [...new Set(tough.map((t) => t.name))];
  return [
    {
      id: 'tough',
      kind: 'tough',
      severity: 'caution',
      foods,
      minutes: Math.round(worst.minutes),
      most: worst.most,
    },
  ];
}

/** What is lifted out before it is eaten: always, or where it goes in by the sprig or in a bundle. */
const LIFTED = new Set(['bay-leaf', 'star-anise']);
const ON_A_STALK = new Set(['thyme', 'rosemary', 'parsley', 'sage', 'tarragon', 'cinnamon', 'cloves']);
const AS_A_SPRIG = /sprig|bundle|bouquet|stalk|stem|stick|whole|tied/i;

const strainsAll = ({ step }: StepRun): boolean => step.kind === 'strain' && step.of === undefined;

/** Leaves and stalks that nothing lifts out again: blended with the soup, or on the spoon. */
function leftIn(run: Run, kitchen: Kitchen): Warning[] {
  let inPot: string[] = [];
  for (const [n, r] of run.ran.entries()) {
    if (strainsAll(r)) inPot = [];
    if (r.step.kind === 'puree' && inPot.length > 0 && r.step.fraction > 0)
      return [{ id: 'left-in', kind: 'left-in', severity: 'caution', foods: inPot, blended: n }];
    for (const p of portionsIn<Portion>(r.step))
      if (LIFTED.has(p.ingredient) || (ON_A_STALK.has(p.ingredient) && AS_A_SPRIG.test(p.prep ?? '')))
        inPot = [...new Set([...inPot, foodIn(kitchen, p.ingredient).name])];
  }
  return inPot.length > 0
    ? [{ id: 'left-in', kind: 'left-in', severity: 'caution', foods: inPot, blended: null }]
    : [];
}

/** Over the house's figure by this share and more it is told of, and by that it is a danger to the dish. Our assumption. */
const SALTIER = { told: 1.1, danger: 1.35 };
/** Of what brings the salt, so many are named. */
const NAMED = 3;

/** More salt than the house wants, of what is in it and of what boiled away. */
function salty({ found, setup }: Pick<Plan, 'found' | 'setup'>, run: Run): Warning[] {
  const { kitchen } = setup;
  const over = found.saltPercent / kitchen.saltPercent;
  if (over < SALTIER.told) return [];
  const brought = new Map<string, number>();
  for (const p of run.ran.flatMap((r) => portionsIn<Portion>(r.step))) {
    const { name, sodium } = foodIn(kitchen, p.ingredient);
    if (sodium > 0) brought.set(name, (brought.get(name) ?? 0) + p.amount * sodium);
  }
  const most = [...brought].sort(([, a], [, b]) => b - a).slice(0, NAMED);
  return [
    {
      id: 'salty',
      kind: 'salty',
      severity: over >= SALTIER.danger ? 'danger' : 'caution',
      salt: found.saltPercent,
      wanted: kitchen.saltPercent,
      foods: most.map(([name]) => name),
    },
  ];
}

/** What a cook would see coming and a table of amounts does not say. */
export const mishaps = (plan: Pick<Plan, 'found' | 'setup'>, run: Run): readonly Warning[] => [
  ...rouxes(run),
  ...lumps(run, plan.setup.kitchen),
  ...scorches(run),
  ...overcooked(run),
  ...leftIn(run, plan.setup.kitchen),
  ...salty(plan, run),
];
