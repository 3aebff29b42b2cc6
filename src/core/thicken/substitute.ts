import { type Message, message } from '../message/message';
import { within } from '../units/range';
import {
  LEAST_SIMMER,
  ROUX_STRENGTH,
  type RouxColour,
  STARCH_STRENGTH,
  swellingAt,
  type ThickenerKind,
} from './granules';

/** Flours and starches a cook can weigh out in place of each other. */
export const EXCHANGEABLE = [
  'wheat',
  'rice flour',
  'maize',
  'waxy maize',
  'tapioca',
  'arrowroot',
  'potato starch',
] as const;
export type Exchangeable = (typeof EXCHANGEABLE)[number];

export type Substitution = {
  readonly grams: number;
  readonly leastMinutes: number;
  /** °C the pot must reach for it to swell fully. */
  readonly needsCelsius: number;
  readonly notes: readonly Message[];
};

const NOTES: { readonly [K in Exchangeable]: readonly Message[] } = {
  wheat: [message('opaque, holds and reheats well, tastes raw until simmered 10 min')],
  'rice flour': [message('free of wheat, opaque, freezes fairly well')],
  maize: [message('free of wheat, half clear, thins if blended or boiled long')],
  'waxy maize': [message('free of wheat, clear, freezes well, thins under a blender')],
  tapioca: [message('free of wheat, clear and a little stringy, freezes well')],
  arrowroot: [message('free of wheat, clear, slimy with dairy: use another when there is milk or cream')],
  'potato starch': [
    message('free of wheat, thickens below the boil, loses half in 20 minutes of boiling: add last'),
  ],
};

const fullySwollenAt = (kind: ThickenerKind): number => {
  let celsius = 20;
  while (celsius < 100 && swellingAt(kind, celsius) < 1) celsius++;
  return celsius;
};

/**
 * Grams of `to` that thicken like `grams` of `from` (flour by its roux colour).
 *
 * @example
 * substitute(100, 'wheat', 'maize').grams // 50
 */
export function substitute(
  grams: number,
  from: Exchangeable,
  to: Exchangeable,
  colour: RouxColour = 'white',
): Substitution {
  within('grams', grams, 0, 1e6, 'g');
  const equivalents = grams * (from === 'wheat' ? ROUX_STRENGTH[colour] : STARCH_STRENGTH[from]);
  return {
    grams: equivalents / STARCH_STRENGTH[to],
    leastMinutes: LEAST_SIMMER[to],
    needsCelsius: fullySwollenAt(to),
    notes: NOTES[to],
  };
}
