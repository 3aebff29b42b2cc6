import { flowError, placeAlone } from '../../flow/readings/repeated';
import { BOWL_CELSIUS, equivalentsFor, viscosity } from '../../flow/viscosity';
import { ingredient } from '../../food/catalogue';
import { volumeAt } from '../../heat/vessel';
import { massG, volumeMl } from '../../pot/contents/contents';
import { tenderness } from '../../pot/cook';
import { consistency } from '../../pot/observe';
import type { Pot } from '../../pot/pot';
import { atWorkIn, steepnessOf } from '../../thicken/mixture';
import type { EventBody, Fork } from '../events';

/** What of a pot a reading speaks of: °C, ln mL, ln g of flour equivalent at work, ln softening of the hardest piece. */
export const ASPECTS = ['heat', 'water', 'thickness', 'softness'] as const;
export type Aspect = (typeof ASPECTS)[number];

/** A reading against a pot: which combination of aspects, by how much it is off, and its standard deviation. */
export type Evidence = {
  readonly of: Readonly<Partial<Record<Aspect, number>>>;
  readonly miss: number;
  readonly error: number;
  /** The aspect a surprise is laid to. */
  readonly speaksOf: Aspect;
  /** Of a flow test: mPa·s it puts the bowl at, what the pot is at, and how ln of that goes with ln of the dose. */
  readonly bowl?: { readonly measured: number; readonly believed: number; readonly steepness: number };
};

/** Standard errors of a reading by hand and by probe, °C; of a ruler, mm; of a litre mark and a scale, shares. Our assumptions. */
const ERRORS = { hand: 1, probe: 0.5, ruler: 2, mark: 0.03, scale: 0.01 } as const;

/** Softening a fork finds, as a share of tender, and how sure that is, in ln. Our assumptions. */
const FORK_FINDS: Readonly<Record<Fork, number>> = { hard: 0.45, nearly: 0.8, tender: 1.2, falling: 2 };
const FORK_ERROR = 0.25;

/** How much ln(viscosity) moves for a ln of the dose: near 3 where starch does the work. */
function steepness(equivalents: number, fat: number): number {
  const up = viscosity(equivalents * 1.02, fat, BOWL_CELSIUS) / viscosity(equivalents, fat, BOWL_CELSIUS);
  return Math.max(0.3, Math.log(up) / Math.log(1.02));
}

function byFlow(
  { test, readings, celsius }: Extract<EventBody, { kind: 'flow' }>,
  pot: Pot,
): Evidence | null {
  const { fatFraction, equivalents, waterMl, bowlViscosity } = consistency(pot);
  if (equivalents <= 0) return null;
  let bowl: number;
  try {
    bowl = placeAlone(test, readings, celsius, fatFraction).bowl;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
  const measured = equivalentsFor(Math.max(0.1, bowl), fatFraction);
  if (measured <= 0) return null;
  const steep = steepnessOf(atWorkIn(pot.thickeners), waterMl / 1000);
  const steepens = steepness(measured, fatFraction);
  return {
    of: { thickness: steep, water: -steep },
    miss: Math.log(measured / equivalents),
    error: flowError(test, readings.length) / steepens,
    speaksOf: 'thickness',
    bowl: { measured: bowl, believed: bowlViscosity, steepness: steepens },
  };
}

/** mL under which a pot counts as empty. */
const EMPTY = 20;

/** What a reading says of `pot`; null when it says nothing the model can use. */
export function evidenceOf(body: EventBody, pot: Pot): Evidence | null {
  const now = volumeMl(pot);
  // A level or a weight of a pot the model has empty is not of what is in it: the tap that says so is still to come.
  const level = (ml: number, error: number): Evidence | null =>
    now < EMPTY ? null : { of: { water: 1 }, miss: Math.log(ml / now), error, speaksOf: 'water' };
  switch (body.kind) {
    case 'temperature': {
      const error = body.from ? ERRORS.probe : ERRORS.hand;
      return { of: { heat: 1 }, miss: body.celsius - pot.celsius, error, speaksOf: 'heat' };
    }
    case 'depth':
      return level(volumeAt(pot.vessel, body.mm), ERRORS.ruler / body.mm);
    case 'volume':
      return level(body.ml, ERRORS.mark);
    case 'mass':
      return level((body.g * now) / Math.max(1, massG(pot)), ERRORS.scale);
    case 'flow':
      return byFlow(body, pot);
    case 'dice': {
      const soft = pot.pieces.filter((p) => ingredient(p.ingredient).softening);
      if (soft.length === 0) return null;
      const soFar = Math.max(0.02, Math.min(...soft.map(tenderness)));
      return {
        of: { softness: 1 },
        miss: Math.log(FORK_FINDS[body.fork] / soFar),
        error: FORK_ERROR,
        speaksOf: 'softness',
      };
    }
    default:
      return null;
  }
}
