import { chanceOfBand } from '../../flow/bands';
import { FILL_LIMIT, rimVolume } from '../../heat/vessel';
import { type Message, message } from '../../message/message';
import { term } from '../../message/term';
import type { Advanced } from '../../pot/advance';
import { type Factor, foodIn } from '../../pot/kitchen';
import type { Step } from '../../pot/step';
import { roundToScale } from '../../units/shown/round';
import type { Measured } from '../measured';
import { type InTwo, type Option, type Wishes, YIELD_SHORT } from '../option';
import { dosesOf, effectsOf } from './effects';
import { landing } from './landing';
import { asItIs, toThePass } from './pass';

/** A correction before its dose is known. */
export type Means = {
  readonly id: string;
  readonly title: Message;
  readonly how: readonly Message[];
  /** Steps for a dose: g of the thickener or liquid, a share to blend, or minutes. */
  readonly steps: (dose: number) => readonly Step[];
  /** The first half of all of it, where a tongue has to say how it goes on; absent where two thirds of the dose do. */
  readonly half?: (dose: number) => readonly Step[];
  /** Where to look for the dose: a guess, and the most that makes sense. */
  readonly guess: number;
  readonly most: number;
  /** What the dose is read as, so that it can be rounded to what a cook can do. */
  readonly unit: 'g' | 'share' | 'minutes';
  /** What has to be to hand. */
  readonly needs: readonly string[];
  /** Minutes to weigh, mix and make ready before the pot feels it. */
  readonly makeReady: number;
  /** The house factor its own effect hangs on. */
  readonly hangsOn: Factor;
  readonly forecloses: readonly Message[];
  /** More than this, g a litre of soup, and it is another soup; absent where there is no such limit. */
  readonly mostPerLitre?: number | undefined;
  /** Two means one after the other; something happens even without a dose of the second. */
  readonly isPair?: boolean;
  /** The starch it is stirred in with water, where it is a slurry. */
  readonly isSlurry?: boolean;
};

/** Misses of ln(viscosity) below this are done. */
const CLOSE = 0.004;
const MOST_TRIES = 14;

/**
 * The dose with which the pot, as believed, comes to the target at the pass: false position on the ln of
 * viscosity, which goes one way with the dose. `reached` is false when even the most does not do it.
 */
export function solveDose(
  measured: Measured,
  draft: Means,
): { readonly dose: number; readonly reached: boolean } {
  const miss = (dose: number): number =>
    Math.log(toThePass(measured, draft.steps(dose)).seen.bowlViscosity / measured.target);
  let low = 0;
  // Two means together do something even without the second.
  let atLow = draft.isPair ? miss(0) : Math.log(asItIs(measured).seen.bowlViscosity / measured.target);
  if (Math.abs(atLow) < CLOSE) return { dose: 0, reached: true };
  const sign = Math.sign(atLow);
  let high = Math.min(draft.most, draft.guess);
  let atHigh = miss(high);
  while (Math.sign(atHigh) === sign && high < draft.most) {
    [low, atLow] = [high, atHigh];
    high = Math.min(draft.most, high * 2);
    atHigh = miss(high);
  }
  if (Math.sign(atHigh) === sign && Math.abs(atHigh) > CLOSE) return { dose: high, reached: false };
  let dose = high;
  let side = 0;
  for (let n = 0; n < MOST_TRIES; n++) {
    dose = low + ((high - low) * -atLow) / (atHigh - atLow);
    const at = miss(dose);
    if (Math.abs(at) < CLOSE) break;
    // The end that stays twice is halved, so that it does not stay for good (Illinois).
    if (Math.sign(at) === Math.sign(atHigh)) {
      [high, atHigh] = [dose, at];
      if (side === 1) atLow /= 2;
      side = 1;
    } else {
      [low, atLow] = [dose, at];
      if (side === -1) atHigh /= 2;
      side = -1;
    }
  }
  return { dose, reached: true };
}

const tidy = (dose: number, unit: Means['unit']): number =>
  unit === 'g'
    ? roundToScale(dose)
    : unit === 'share'
      ? Math.round(dose * 100) / 100
      : Math.round(dose * 2) / 2;

/** Under this chance two thirds, a test and the rest are advised. Our assumption. */
const SURE = 0.85;

/** % of salt over which a soup is salty. Common practice, no source. */
const SALTY = 1.15;

/** Why a correction cannot be done; null when it can. */
function struckBy(
  measured: Measured,
  draft: Means,
  wishes: Wishes,
  o: Omit<Option, 'struck'>,
  reached: boolean,
  notes: Advanced['notes'],
): Message | null {
  const name = (id: string) => ({ within: term(foodIn(measured.kitchen, id).name) });
  const missing = draft.needs.filter((id) => id !== 'water' && !wishes.larder.includes(id));
  if (missing.length > 0) return message('not here: {what}', { what: { listed: missing.map(name) } });
  const broken = o.doses
    .flatMap((d) => foodIn(measured.kitchen, d.ingredient).allergens)
    .find((a) => wishes.freeOf.includes(a));
  if (broken) return message('brings {broken}, which it is promised to be free of', { broken: term(broken) });
  if (
    wishes.pins.noFlour &&
    o.doses.some((d) => foodIn(measured.kitchen, d.ingredient).thickener === 'wheat')
  )
    return message('it is flour, and you said none');
  if (notes.some((n) => n.kind === 'scrambled')) return message('the yolk in the pot would scramble');
  if (notes.some((n) => n.kind === 'stalled'))
    return message('this burner cannot bring it to where it works');
  const main = Math.max(0, ...o.doses.map((d) => d.g));
  if (draft.mostPerLitre !== undefined && main > draft.mostPerLitre * (o.volumeMl / 1000))
    return message('it would take {grams}: over {most} in {litre} it is another soup', {
      grams: { g: Math.round(main) },
      most: { g: draft.mostPerLitre },
      litre: { litres: 1 },
    });
  const [saltBefore, saltAfter] = o.effects.salt;
  if (saltAfter > Math.max(SALTY, saltBefore + 0.05))
    return message('it would be too salty: {salt} %', { salt: saltAfter.toFixed(2) });
  if (!reached)
    return message('it cannot get there: {viscosity} mPa·s at the most', {
      viscosity: Math.round(o.viscosity),
    });
  if (o.peakMl > rimVolume(measured.pot.vessel) * FILL_LIMIT)
    return message('{peak} is over the headroom line of {line}: ladle some out first', {
      peak: { ml: o.peakMl },
      line: { ml: rimVolume(measured.pot.vessel) * FILL_LIMIT },
    });
  if (wishes.pins.keepYield && o.volumeMl < measured.owedMl * (1 - YIELD_SHORT))
    return message('it leaves {left} of the {owed} owed', {
      left: { ml: o.volumeMl },
      owed: { ml: measured.owedMl },
    });
  if (o.minutes > wishes.minutes + 1e-9)
    return message('on the pass in {minutes} min, you have {have}', {
      minutes: Math.ceil(o.minutes),
      have: Math.floor(wishes.minutes),
    });
  return null;
}

function firstOf(measured: Measured, draft: Means, dose: number, chance: number): InTwo {
  const steps = draft.half?.(tidy(dose / 2, draft.unit)) ?? draft.steps(tidy((dose * 2) / 3, draft.unit));
  const { bowlViscosity } = toThePass(measured, steps).seen;
  const { bracket } = landing(measured, steps, draft.hangsOn, bowlViscosity);
  return {
    half: draft.half !== undefined,
    first: dosesOf(steps, measured.kitchen),
    steps,
    viscosity: bowlViscosity,
    bracket,
    chance,
  };
}

/** A draft with its dose solved, tried, and judged by what the cook has and wants. */
export function tried(measured: Measured, draft: Means, wishes: Wishes, fixed?: number): Option {
  const solved = fixed === undefined ? solveDose(measured, draft) : { dose: fixed, reached: true };
  const dose = tidy(solved.dose, draft.unit);
  const steps = draft.steps(dose);
  const before = asItIs(measured);
  const after = toThePass(measured, steps);
  const { bracket, chance, left, band } = landing(measured, steps, draft.hangsOn, after.seen.bowlViscosity);
  const doses = dosesOf(steps, measured.kitchen);
  // Made hotter by the cure, a pot is served hotter: nobody waits for it to come down to what the plan had next.
  const ownMinutes = Math.min(before.pot.seconds - before.curedAt, after.pot.seconds - after.curedAt) / 60;
  const second = chanceOfBand(after.seen.bowlViscosity, left, band, measured.kitchen.bandLimits);
  const option: Omit<Option, 'struck'> = {
    id: draft.id,
    isPair: draft.isPair ?? false,
    title: draft.title,
    how: draft.how,
    steps,
    doses,
    minutes: draft.makeReady + (after.curedAt - measured.pot.seconds) / 60 + ownMinutes,
    ownMinutes,
    viscosity: after.seen.bowlViscosity,
    volumeMl: after.seen.volumeMl,
    peakMl: after.peakMl,
    bracket,
    chance,
    inTwo:
      draft.unit === 'g' && (draft.half || (chance < SURE && second > chance))
        ? firstOf(measured, draft, dose, Math.max(chance, second))
        : null,
    effects: effectsOf(measured, doses, before, after),
    forecloses: draft.forecloses,
  };
  return { ...option, struck: struckBy(measured, draft, wishes, option, solved.reached, after.notes) };
}
