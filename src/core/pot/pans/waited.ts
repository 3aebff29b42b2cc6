import { liquidMl, massG } from '../contents/contents';
import { boilsAt, cook } from '../cook';
import type { Kitchen } from '../kitchen';
import { OFF_THE_HEAT, type Pot } from '../pot';
import { isPan } from '../steps/fire/standing';

/** Less liquid than this, mL, and nothing is kept hot by standing on the flame. */
const WET = 20;

/** °C of a cold place, and seconds for two thirds of the way to it, in a bowl. Our assumption. */
const COLD = 4;
const CHILLS_IN = 1800;

/**
 * The pot as it waits to `to` s on its clock: on its burner kept as hot as it is, under the lid it has, losing water;
 * without one as its place keeps it. For longer than `most` s it loses no more. What is waited with `aside`, for another
 * pan, is taken off the flame where it would fry on.
 */
export function waited(
  pot: Pot,
  to: number,
  kitchen: Kitchen,
  {
    most = Number.POSITIVE_INFINITY,
    aside = false,
  }: { readonly most?: number; readonly aside?: boolean } = {},
): Pot {
  const seconds = Math.max(0, to - pot.seconds);
  const idle = Math.min(seconds, most);
  if (pot.waits === 'warm') return { ...pot, seconds: Math.max(to, pot.seconds) };
  if (pot.waits === 'cold') {
    const celsius = COLD + (pot.celsius - COLD) * Math.exp(-seconds / CHILLS_IN);
    return { ...pot, celsius, seconds: Math.max(to, pot.seconds), fire: OFF_THE_HEAT };
  }
  const wet = liquidMl(pot) > WET && pot.celsius <= boilsAt(kitchen) + 0.1;
  const off = pot.waits === 'left' || (aside && (!wet || isPan(pot)));
  const fire = off ? OFF_THE_HEAT : { flame: 1, hold: pot.celsius };
  const cooks = (wet || off) && idle > 0 && massG(pot) > 0;
  // Without liquid flour neither swells nor cooks out.
  const own = wet ? pot : { ...pot, thickeners: [] };
  const stood = cooks ? cook(own, { ...fire, lid: pot.lid }, kitchen, { forSeconds: idle }).pot : own;
  const kept = wet ? stood : { ...stood, thickeners: pot.thickeners };
  return { ...kept, seconds: Math.max(to, pot.seconds), fire: pot.fire };
}
