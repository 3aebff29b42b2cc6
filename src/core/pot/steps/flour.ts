import { evaporate, putIn } from '../contents';
import type { Kitchen } from '../kitchen';
import type { Pot } from '../pot';
import type { Step } from '../step';

/** °C of a roux when it has its colour. Common practice, no source. */
const ROUX_CELSIUS = { white: 120, blond: 140, brown: 160, dark: 175 } as const;

export function roux(pot: Pot, step: Extract<Step, { kind: 'roux' }>, kitchen: Kitchen): Pot {
  const melted = putIn(pot, step.fat, kitchen);
  const mixed = putIn(melted, step.flour, kitchen, step.colour);
  // The butter's water has foamed away by the time the flour has cooked.
  const water = pot.liquid.water < 1 ? mixed.liquid.water : 0;
  return {
    ...evaporate(mixed, water),
    celsius: ROUX_CELSIUS[step.colour],
    seconds: pot.seconds + step.minutes * 60,
    lid: 'off',
  };
}

/** Flour over the sweated vegetables: their fat takes it up, their moisture keeps it pale. */
export function dust(pot: Pot, step: Extract<Step, { kind: 'dust' }>, kitchen: Kitchen): Pot {
  const dusted = putIn(pot, step.flour, kitchen);
  return {
    ...dusted,
    celsius: Math.max(pot.celsius, 98),
    seconds: pot.seconds + step.minutes * 60,
    lid: 'off',
  };
}
