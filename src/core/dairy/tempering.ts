import { within } from '../units/range';

export type Ladle = { readonly ladle: number /** °C of the liaison after it. */; readonly celsius: number };

export type Tempering = {
  readonly ladles: readonly Ladle[];
  /** °C of the whole pot once the liaison is back, before any heating. */
  readonly back: number;
  /** True when the soup is not hot enough to warm the liaison in as many ladles as the bowl can take. */
  readonly neverWarm: boolean;
};

/**
 * Ladles of hot soup into the liaison until it is at `warmTo` °C: heat balance, ladle by ladle. Heat
 * capacities in J/K (liaison, one ladle of soup, the pot without them).
 */
export function temperingSchedule(t: {
  readonly liaison: number;
  readonly liaisonCelsius: number;
  readonly ladle: number;
  readonly pot: number;
  readonly potCelsius: number;
  readonly warmTo: number;
}): Tempering {
  within('warm to', t.warmTo, 40, 75, '°C');
  within('liaison', t.liaison, 1, 1e10, 'J/K');
  within('ladle', t.ladle, 1, 1e10, 'J/K');
  within('pot', t.pot, 1, 1e10, 'J/K');
  const ladles: Ladle[] = [];
  let held = t.liaison;
  let celsius = t.liaisonCelsius;
  let left = t.pot;
  while (celsius < t.warmTo && ladles.length < 20 && left > t.ladle) {
    celsius = (held * celsius + t.ladle * t.potCelsius) / (held + t.ladle);
    held += t.ladle;
    left -= t.ladle;
    ladles.push({ ladle: ladles.length + 1, celsius });
  }
  return {
    ladles,
    back: (held * celsius + left * t.potCelsius) / (held + left),
    neverWarm: celsius < t.warmTo,
  };
}
