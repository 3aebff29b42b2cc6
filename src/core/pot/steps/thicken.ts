import { ingredient } from '../../food/catalogue';
import { swellingAt } from '../../thicken/granules';
import { putIn } from '../contents';
import { type Cooked, cook, heatTo, simmersAt } from '../cook';
import type { Kitchen } from '../kitchen';
import type { Pot } from '../pot';
import type { Step } from '../step';

type Thicken = Extract<Step, { kind: 'thicken' }>;

/** Minutes to stir one addition in before the next. Common practice, no source. */
const BETWEEN = 1;

/**
 * Slurry, kneaded butter, cooked roux or starch boiled in cream, whisked into the hot pot in its additions
 * and simmered. Looked at part way, all additions are in.
 */
export function thicken(pot: Pot, step: Thicken, kitchen: Kitchen, until: number): Cooked {
  const additions = step.additions ?? 1;
  const fire = {
    flame: 0.6,
    lid: step.lid ?? ('off' as const),
    hold: Math.min(simmersAt(kitchen), Math.max(pot.celsius, 70)),
  };
  const simmering = { ...fire, hold: simmersAt(kitchen) };
  const boiled = step.method === 'boiled cream';
  let now = pot;
  const trace: Cooked['trace'][number][] = [];
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
  if (boiled) {
    const done = cook(now, fire, kitchen, { forSeconds: step.minutes * 60, until });
    return { pot: done.pot, trace: [...trace, ...done.trace], stalled: false, cut: done.cut };
  }
  // The minutes count from the simmer: a slurry in a pot that is not there yet has not thickened.
  const there = heatTo(now, simmersAt(kitchen), { flame: fire.flame, lid: fire.lid }, kitchen, until);
  const done = cook(there.pot, simmering, kitchen, { forSeconds: step.minutes * 60, until });
  return {
    pot: done.pot,
    trace: [...trace, ...there.trace, ...done.trace],
    stalled: there.stalled,
    cut: done.cut || there.cut,
  };
}

/** What is left of it once all is in: its minutes at the simmer, less those since the last addition. */
export function thickenLeft(before: Pot, pot: Pot, step: Thicken): Step {
  const since = (pot.seconds - before.seconds) / 60 - (step.additions ?? 1) * BETWEEN;
  const minutes = Math.max(0, step.minutes - Math.max(0, since));
  const lid = step.lid ?? 'off';
  return step.method === 'boiled cream'
    ? { kind: 'hold', minutes, at: Math.min(95, Math.max(70, pot.celsius)), lid }
    : { kind: 'simmer', minutes, flame: 0.6, lid };
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
