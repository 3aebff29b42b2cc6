import { ingredient } from '../../food/catalogue';
import { swellingAt } from '../../thicken/granules';
import { putIn } from '../contents/contents';
import { type CookOutcome, cook, heatTo, simmersAt } from '../cook';
import type { Kitchen } from '../kitchen';
import type { Pot } from '../pot';
import type { Step } from '../step';

type Thicken = Extract<Step, { kind: 'thicken' }>;

/** Flame it is brought to the simmer on where the step does not say. Common practice, no source. */
const FLAME = 0.6;

/** Minutes to stir one addition in before the next. Common practice, no source. */
const BETWEEN = 1;

/**
 * Slurry, kneaded butter, cooked roux or starch boiled in cream, whisked into the hot pot in its additions
 * and simmered. Looked at part way, all additions are in.
 */
export function thicken(
  pot: Pot,
  step: Thicken,
  kitchen: Kitchen,
  until: number,
): CookOutcome & { readonly left: Step } {
  const additions = step.additions ?? 1;
  const fire = {
    flame: step.flame ?? FLAME,
    lid: step.lid ?? ('off' as const),
    hold: Math.min(simmersAt(kitchen), Math.max(pot.celsius, 70)),
  };
  const simmering = { ...fire, hold: simmersAt(kitchen) };
  const boiled = step.method === 'boiled cream';
  let now = pot;
  const trace: CookOutcome['trace'][number][] = [];
  for (let n = 0; n < additions; n++) {
    if (step.carrier) {
      const celsius = step.carrier.celsius ?? (boiled ? 98 : undefined);
      now = putIn(now, { ...step.carrier, amount: step.carrier.amount / additions, celsius }, kitchen);
    }
    now = putIn(now, { ...step.thickener, amount: step.thickener.amount / additions }, kitchen, step.colour);
    if (boiled) now = alreadySwollen(now);
    const stirred = cook(now, boiled ? fire : simmering, kitchen, {
      forSeconds: BETWEEN * 60,
      until,
    });
    now = stirred.pot;
    trace.push(...stirred.trace);
  }
  const toStir = Math.max(0, additions * BETWEEN - (now.seconds - pot.seconds) / 60);
  /** What is left when its minutes began, as far as they have, `from` s on the clock. */
  const leftOf = (from: number, seconds: number): Step => {
    const minutes = Math.max(0, toStir + step.minutes - Math.max(0, seconds - from) / 60);
    return boiled
      ? { kind: 'hold', minutes, at: Math.min(95, fire.hold), lid: fire.lid }
      : { kind: 'simmer', minutes, flame: fire.flame, lid: fire.lid };
  };
  if (boiled) {
    const done = cook(now, fire, kitchen, { forSeconds: step.minutes * 60, until });
    const left = leftOf(now.seconds, done.pot.seconds);
    return { pot: done.pot, trace: [...trace, ...done.trace], stalled: false, cut: done.cut, left };
  }
  // The minutes count from the simmer: a slurry in a pot that is not there yet has not thickened.
  const there = heatTo(now, simmersAt(kitchen), { flame: fire.flame, lid: fire.lid }, kitchen, until);
  const done = cook(there.pot, simmering, kitchen, { forSeconds: step.minutes * 60, until });
  return {
    pot: done.pot,
    trace: [...trace, ...there.trace, ...done.trace],
    stalled: there.stalled,
    cut: done.cut || there.cut,
    left: leftOf(there.pot.seconds, done.pot.seconds),
  };
}

/** Starch boiled in its cream has swollen before it meets the pot. */
function alreadySwollen(pot: Pot): Pot {
  const last = pot.thickeners.at(-1);
  if (!last || ingredient(last.from).group === 'dairy') return pot;
  return {
    ...pot,
    thickeners: pot.thickeners.with(-1, { ...last, swollen: swellingAt(last.kind, 98), cookedMinutes: 1 }),
  };
}
