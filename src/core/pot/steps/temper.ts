import { type Tempering, temperingSchedule } from '../../dairy/tempering';
import { ingredient } from '../../food/catalogue';
import { times } from '../../food/composition';
import { heatHeldBy } from '../../food/thermal';
import { yolkLimit } from '../../thicken/granules';
import { arrivesAt, heatCapacity, metalCapacity, putAllIn, volumeMl } from '../contents/contents';
import { type CookOutcome, cook, heatTo } from '../cook';
import type { Kitchen } from '../kitchen';
import { observe } from '../observe';
import { emptyPot, type Pot } from '../pot';
import type { Step } from '../step';

type Temper = Extract<Step, { kind: 'temper' }>;

/** Seconds a ladle takes to be stirred in. Common practice, no source. */
const LADLE_SECONDS = 20;

/** A kitchen ladle, mL, and the most ladles worth spending on a liaison before a larger one is taken. */
const LADLE_ML = 250;
const MOST_LADLES = 8;

/**
 * The ladles of this pot that warm what is to be tempered in, °C after each. `ladleMl` is 250 unless said;
 * a larger vessel is used for a liaison that would take more than eight.
 */
export function temperingOf(pot: Pot, step: Temper, kitchen: Kitchen, ladleMl?: number): TemperPlan {
  const metal = metalCapacity(pot);
  const soup = Math.max(1, heatCapacity(pot) - metal);
  const bowl = putAllIn(
    { ...emptyPot(pot.vessel, pot.burner, 5), seconds: pot.seconds },
    step.items,
    kitchen,
  );
  const liaison = Math.max(1, heatCapacity(bowl) - metal);
  const celsius = coldOf(step, kitchen);
  const perMl = soup / Math.max(1, volumeMl(pot));
  const schedule = (ml: number) =>
    temperingSchedule({
      liaison,
      liaisonCelsius: celsius,
      ladle: Math.max(1, perMl * ml),
      pot: soup + metal,
      potCelsius: pot.celsius,
      warmTo: step.warmTo,
    });
  if (ladleMl !== undefined) return { ...schedule(ladleMl), ladleMl, startsAt: celsius };
  let ml = LADLE_ML;
  let found = schedule(ml);
  while ((found.ladles.length > MOST_LADLES || found.neverWarm) && ml < 4000) {
    ml *= 2;
    found = schedule(ml);
  }
  return { ...found, ladleMl: ml, startsAt: celsius };
}

/** A tempering with the size of its ladles, mL, and °C of what is tempered before the first. */
type TemperPlan = Tempering & { readonly ladleMl: number; readonly startsAt: number };

/** °C of what is tempered in as it comes together in its bowl. */
function coldOf(step: Temper, kitchen: Kitchen): number {
  let held = 0;
  let heat = 0;
  for (const item of step.items) {
    const i = ingredient(item.ingredient);
    const own = arrivesAt(item, kitchen);
    const c = heatHeldBy(times(i.composition, Math.max(1e-6, item.amount)), own);
    held += c;
    heat += c * own;
  }
  return heat / held;
}

/** Ladles of the pot warm the liaison or dairy; it joins, by the heat balance of the whole; then gently to `to`. */
export function temper(pot: Pot, step: Temper, kitchen: Kitchen, until: number): CookOutcome {
  const joined = putAllIn(pot, step.items, kitchen);
  // Looked at part way it is all in.
  const fresh = step.items.some((i) => i.amount > 0);
  const ladles = volumeMl(pot) > 0 && fresh ? temperingOf(pot, step, kitchen).ladles.length : 0;
  const yolk = step.items.some((i) => ingredient(i.ingredient).thickener === 'yolk');
  const start: Pot = {
    ...joined,
    yolkPeak: yolk ? Math.max(pot.yolkPeak, joined.celsius) : pot.yolkPeak,
  };
  const fire = { flame: step.flame, lid: 'off' as const, hold: step.to };
  const ladled = cook(start, fire, kitchen, { forSeconds: fresh ? (ladles + 2) * LADLE_SECONDS : 0, until });
  const heated = heatTo(ladled.pot, step.to, fire, kitchen, until);
  const set = cook(heated.pot, fire, kitchen, { forSeconds: 60, until });
  return {
    pot: set.pot,
    trace: [...ladled.trace, ...heated.trace, ...set.trace],
    stalled: heated.stalled,
    cut: ladled.cut || heated.cut || set.cut,
  };
}

/** °C the yolk in this pot must stay under, and whether it has been over. */
export function yolkState(
  pot: Pot,
  kitchen: Kitchen,
): { readonly limit: number; readonly scrambled: boolean } {
  const others = { ...pot, thickeners: pot.thickeners.filter((t) => t.kind !== 'yolk') };
  const limit = yolkLimit(observe(others, kitchen).equivalents);
  return { limit, scrambled: pot.yolkPeak > limit };
}
