import { evaporate, putIn } from '../contents/contents';
import type { Kitchen } from '../kitchen';
import { OFF_THE_HEAT, type Pot } from '../pot';
import type { Step } from '../step';
import { inThePan } from './sweat';

/** °C of a roux when it has its colour. Common practice, no source. */
const ROUX_CELSIUS = { white: 120, blond: 140, brown: 160, dark: 175 } as const;

/** Flame a roux is cooked on. Common practice, no source. */
const ROUX_FLAME = 0.5;

type Roux = Extract<Step, { kind: 'roux' }>;

/** Whether there is too much liquid in the pot for flour and fat to cook: they would stew in it. Our assumption. */
export const isWet = (pot: Pot, { flour, fat }: Pick<Roux, 'flour' | 'fat'>): boolean =>
  pot.liquid.water > Math.max(60, flour.amount + fat.amount);

/** Flour and fat cooked to their colour in the pot; where that holds soup they go in, and the pot is as hot as it was. */
export function roux(pot: Pot, step: Roux, kitchen: Kitchen): Pot {
  const melted = putIn(pot, step.fat, kitchen);
  const mixed = putIn(melted, step.flour, kitchen, step.colour);
  if (isWet(pot, step)) return { ...mixed, seconds: pot.seconds + step.minutes * 60 };
  // The butter's water has foamed away by the time the flour has cooked.
  const water = pot.liquid.water < 1 ? mixed.liquid.water : 0;
  return {
    ...evaporate(mixed, water),
    celsius: ROUX_CELSIUS[step.colour],
    seconds: pot.seconds + step.minutes * 60,
    lid: 'off',
    fire: { flame: ROUX_FLAME },
  };
}

/** Flour over the sweated vegetables: their fat takes it up, their moisture keeps it pale; they sweat on meanwhile, to `until`. */
export function dust(pot: Pot, step: Extract<Step, { kind: 'dust' }>, kitchen: Kitchen, until: number): Pot {
  const dusted = putIn(pot, step.flour, kitchen);
  const fire = step.offHeat ? OFF_THE_HEAT : pot.fire;
  const end = pot.seconds + step.minutes * 60;
  return inThePan({ ...dusted, lid: 'off', fire }, Math.min(end, until), kitchen);
}
