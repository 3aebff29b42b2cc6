import { placeAlone } from '../flow/readings/repeated';
import { ingredient } from '../food/catalogue';
import { rimVolume, volumeAt } from '../heat/vessel';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import { massG, putIn } from '../pot/contents/contents';
import { portionsIn } from '../pot/contents/portions';
import { boilsAt } from '../pot/cook';
import { FACTORS, type Kitchen, spreadOf } from '../pot/kitchen';
import { observe } from '../pot/observe';
import type { Pot } from '../pot/pot';
import type { Portion, Step } from '../pot/step';
import type { EventBody, StepKey } from './events';

/** What a figure is held against: the pot as the model has it, and what each step is to take. */
export type Against = {
  readonly pot: Pot;
  readonly kitchen: Kitchen;
  readonly doesOf: (key: StepKey) => Step | null;
};

/** So many spreads off what is planned a figure is asked about: one in ten thousand would be by chance. */
const SIGMAS = 4;

/**
 * What is planned is seldom weighed to better than this share, however fine the scale; what a soup hangs on, its salt and
 * what thickens it, with more care. Common practice, no source.
 */
const HAND = { usual: 0.1, careful: 0.05 } as const;

/** Times the house's salt over which a tongue would say so. Common practice, no source. */
export const SALTY = 1.4;

/** °C a reading may stand off the model before it is asked about, and over the boil. Common practice, no source. */
const APART = 30;
const OVER_BOIL = 2;

/** Times thicker or thinner than the model has it a test may say before it is asked about. Our assumption. */
const FLOWS = 5;

/** Under this, mL, there is no soup yet. */
const WET = 300;

/** The share of a soup that one thing put in unplanned may be. Common practice, no source. */
const MUCH = 0.3;

const percent = (share: number): string => share.toFixed(share < 2 ? 2 : 1);

const isCareful = (id: string): boolean => id === 'salt' || ingredient(id).thickener !== undefined;

/** How far off, ln, an amount may be by the plan's own spread: of how it is measured, and what a hand does. */
const allowed = ({ pot, kitchen }: Against, id: string): number =>
  SIGMAS *
  Math.hypot(
    isCareful(id) ? HAND.careful : HAND.usual,
    spreadOf('measuring', { vessel: pot.vessel, burner: pot.burner, kitchen }),
  );

/** What of salt a pot would hold, %, with `g` more of something in it. */
function saltWith({ pot, kitchen }: Against, id: string, g: number): number {
  const with_ = putIn(pot, { ingredient: id, amount: g }, kitchen);
  return observe(with_, kitchen).saltPercent;
}

/** Salt that a tongue would notice, brought by what goes in. */
function tooSalty(of: Against, id: string, g: number): Message | null {
  // Weighed out before there is a pot to speak of, it is held against the plan alone.
  if (observe(of.pot, of.kitchen).volumeMl < WET) return null;
  const now = observe(of.pot, of.kitchen).saltPercent;
  const then = saltWith(of, id, g);
  if (then < of.kitchen.saltPercent * SALTY || then < now + 0.1) return null;
  return message('{g} of {name} in {ml} make {percent} % of salt, the house wants {wanted} %: really?', {
    g: { g },
    name: { within: term(ingredient(id).name) },
    ml: { ml: observe(of.pot, of.kitchen).volumeMl },
    percent: percent(then),
    wanted: percent(of.kitchen.saltPercent),
  });
}

function weighed(body: Extract<EventBody, { kind: 'weighed' }>, of: Against): Message | null {
  const does = of.doesOf(body.step);
  const portion = does && portionsIn<Portion>(does)[body.item];
  // Nothing of it is left out on purpose.
  if (!portion || portion.amount <= 0 || body.g === 0) return null;
  if (Math.abs(Math.log(body.g / portion.amount)) <= allowed(of, portion.ingredient)) return null;
  return (
    tooSalty(of, portion.ingredient, body.g) ??
    message('{g} of {name} where {planned} are planned: really?', {
      g: { g: body.g },
      name: { within: term(ingredient(portion.ingredient).name) },
      planned: { g: portion.amount },
    })
  );
}

function putInto(body: Extract<EventBody, { kind: 'put-in' }>, of: Against): Message | null {
  const salty = tooSalty(of, body.ingredient, body.g);
  if (salty) return salty;
  const { pot, kitchen } = of;
  const before = observe(pot, kitchen);
  const then = observe(putIn(pot, { ingredient: body.ingredient, amount: body.g }, kitchen), kitchen);
  const name = { within: term(ingredient(body.ingredient).name) };
  if (then.volumeMl > rimVolume(pot.vessel))
    return message('{g} of {name} run over the rim: {ml} in a pot of {most}. Really?', {
      g: { g: body.g },
      name,
      ml: { ml: then.volumeMl },
      most: { ml: rimVolume(pot.vessel) },
    });
  if (body.g < MUCH * Math.max(1, massG(pot)) || before.volumeMl < WET) return null;
  return message('{g} of {name} in {ml} of soup: really?', {
    g: { g: body.g },
    name,
    ml: { ml: before.volumeMl },
  });
}

function temperature(celsius: number, { pot, kitchen }: Against): Message | null {
  const { waterMl } = observe(pot, kitchen);
  const boils = boilsAt(kitchen);
  if (waterMl > 100 && celsius > boils + OVER_BOIL)
    return message('{celsius} is over the boil of {boil}: really?', {
      celsius: { celsius, exact: true },
      boil: { celsius: boils },
    });
  if (waterMl <= 100 || Math.abs(celsius - pot.celsius) <= APART) return null;
  return message('{celsius}, where the model has {model}: the right pot, the right probe?', {
    celsius: { celsius, exact: true },
    model: { celsius: pot.celsius },
  });
}

/** A volume so far from what went in and boiled off that it is asked about, mL. */
function volume(ml: number, { pot, kitchen }: Against): Message | null {
  const has = observe(pot, kitchen).volumeMl;
  // What boils off is the least sure of what a level tells.
  const sigma = Math.hypot(HAND.usual, FACTORS.waterLoss.spread / 2);
  if (has < 200 || Math.abs(Math.log(ml / has)) <= SIGMAS * sigma * 0.5) return null;
  return message('{ml} in the pot, where the model has {model}: really?', { ml: { ml }, model: { ml: has } });
}

function flow(body: Extract<EventBody, { kind: 'flow' }>, { pot, kitchen }: Against): Message | null {
  const seen = observe(pot, kitchen);
  if (seen.waterMl < 200) return null;
  let bowl: number;
  try {
    bowl = placeAlone(body.test, body.readings, body.celsius, seen.fatFraction, kitchen.bandLimits).bowl;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
  if (Math.abs(Math.log(bowl / seen.bowlViscosity)) <= Math.log(FLOWS)) return null;
  return message('{bowl} mPa·s in the bowl, where the model has {model}: the right pot, the right test?', {
    bowl: Math.round(bowl),
    model: Math.round(seen.bowlViscosity),
  });
}

/**
 * What is asked about a figure before it is written down, by the plan's own spread and the pot as the model has it; null
 * where it is usual. What is not possible at all is refused elsewhere; what is asked about is written on a yes.
 */
export function askedAbout(body: EventBody, of: Against): Message | null {
  switch (body.kind) {
    case 'weighed':
      return weighed(body, of);
    case 'put-in':
      return putInto(body, of);
    case 'temperature':
      return temperature(body.celsius, of);
    case 'depth':
      return volume(volumeAt(of.pot.vessel, body.mm), of);
    case 'volume':
      return volume(body.ml, of);
    case 'mass': {
      const g = massG(of.pot);
      const ml = observe(of.pot, of.kitchen).volumeMl;
      return g > 0 ? volume((body.g * ml) / g, of) : null;
    }
    case 'flow':
      return flow(body, of);
    case 'finished':
      return body.yieldMl === undefined ? null : volume(body.yieldMl, of);
    default:
      return null;
  }
}
