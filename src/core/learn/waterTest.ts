import * as z from 'zod';
import { componentDensity } from '../food/thermal';
import type { Burner } from '../heat/burner';
import { surfaceArea, type Vessel } from '../heat/vessel';
import { bisectRatio } from '../maths/bisect';
import { type Message, message } from '../message/message';
import { issue, Told } from '../message/told';
import { putAllIn } from '../pot/contents/contents';
import { boilsAt, cook, heatTo } from '../pot/cook';
import type { Kitchen } from '../pot/kitchen';
import { emptyPot, type Pot } from '../pot/pot';
import { numberFrom } from '../units/numberFrom';

/**
 * What is read in a water test: plain water heated on the full flame, lid off, then kept just under
 * the boil, weighed or its level read at the start and the end of that.
 */
export const WaterTest = z
  .object({
    litres: numberFrom('the water', 0.5, 400, 'L'),
    startCelsius: numberFrom('its temperature at the start', 1, 60, '°C'),
    heatedTo: numberFrom('what it was heated to', 50, 97, '°C'),
    heatMinutes: numberFrom('the time to heat', 0.5, 240, 'min'),
    keptAt: numberFrom('where it was kept', 80, 98, '°C'),
    keptMinutes: numberFrom('the time kept there', 10, 240, 'min'),
    by: z.enum(['weight', 'level']),
    /** g with the pot, or mm from the bottom. */
    before: numberFrom('the first reading', 1, 500_000, 'g or mm'),
    after: numberFrom('the second reading', 1, 500_000, 'g or mm'),
  })
  .superRefine((t, ctx) => {
    const wrong = (field: string, error: string) =>
      ctx.addIssue({ code: 'custom', path: [field], message: error });
    if (t.heatedTo - t.startCelsius < 20)
      wrong('heatedTo', issue('heat it by at least 20 °C: a shorter climb says little about the burner'));
    if (t.after >= t.before)
      wrong('after', issue('the second reading is less than the first: water has gone'));
  });
export type WaterTest = z.infer<typeof WaterTest>;

/** What a pot and a burner are worth by a water test. */
export type WaterTested = {
  /** Water lost against the model's. */
  readonly lossFactor: number;
  /** W that reach the pot on the full flame, and that as a share of the rated power. */
  readonly intoPotW: number;
  readonly efficiency: number;
  /** g of water that went while it was kept hot, and what the model alone would have said. */
  readonly lostG: number;
  readonly expectedG: number;
};

/** A reading that cannot be right, whatever the pot: which field, and why. */
export class ImplausibleReading extends Told {
  constructor(
    readonly field: keyof WaterTest,
    readonly given: number,
    says: Message,
  ) {
    super(says);
  }
}

const LIKELY_LOSS = [0.2, 4] as const;
const LIKELY_POWER = [100, 50_000] as const;
/** Nearer the boil than this, °C, the flame decides what goes off and not the pot. */
const CLEAR_OF_BOIL = 2;

const waterIn = (vessel: Vessel, burner: Burner, litres: number, celsius: number, kitchen: Kitchen): Pot =>
  putAllIn(
    { ...emptyPot(vessel, burner, celsius), celsius },
    [{ ingredient: 'water', amount: litres * componentDensity('water', celsius), celsius }],
    kitchen,
  );

/** Seconds this much power takes over the climb of the test. */
function secondsWith(intoPotW: number, test: WaterTest, vessel: Vessel, burner: Burner, kitchen: Kitchen) {
  const pot = waterIn(vessel, { ...burner, intoPotW }, test.litres, test.startCelsius, kitchen);
  const heated = heatTo(pot, test.heatedTo, { flame: 1, lid: 'off' }, kitchen);
  return heated.stalled ? Number.POSITIVE_INFINITY : heated.pot.seconds;
}

/**
 * Fits the pot's loss factor and the burner's power to one water test, by cooking it in thought.
 * Throws {@link ImplausibleReading} when no likely pot or burner could have given the readings.
 */
export function fitWaterTest(test: WaterTest, vessel: Vessel, burner: Burner, kitchen: Kitchen): WaterTested {
  const boils = boilsAt(kitchen);
  if (test.keptAt > boils - CLEAR_OF_BOIL) {
    throw new ImplausibleReading(
      'keptAt',
      test.keptAt,
      message(
        'keep it at {most} °C or less: at the boil ({boils} °C here) the flame decides what goes off, not the pot',
        { most: Math.floor(boils - CLEAR_OF_BOIL), boils: boils.toFixed(1) },
      ),
    );
  }
  if (test.heatedTo > boils - CLEAR_OF_BOIL) {
    throw new ImplausibleReading(
      'heatedTo',
      test.heatedTo,
      message('read the climb to {most} °C or less: water boils at {boils} °C here', {
        most: Math.floor(boils - CLEAR_OF_BOIL),
        boils: boils.toFixed(1),
      }),
    );
  }
  const plain: Vessel = { ...vessel, lossFactor: 1 };
  const lostG =
    test.by === 'weight'
      ? test.before - test.after
      : (test.before - test.after) * surfaceArea(vessel) * componentDensity('water', test.keptAt);
  const hot = waterIn(plain, burner, test.litres, test.keptAt, kitchen);
  // As hot as it is kept from the first second: the fire only has to hold it there.
  const kept = cook(hot, { flame: 1, lid: 'off', hold: test.keptAt }, kitchen, {
    forSeconds: test.keptMinutes * 60,
  });
  const expectedG = kept.pot.evaporated;
  const lossFactor = lostG / expectedG;
  if (!(lossFactor >= LIKELY_LOSS[0] && lossFactor <= LIKELY_LOSS[1])) {
    throw new ImplausibleReading(
      'after',
      test.after,
      message('{lost} g gone where {low} to {high} g can be: read it again, lid off, no draught', {
        lost: lostG.toFixed(0),
        low: (expectedG * LIKELY_LOSS[0]).toFixed(0),
        high: (expectedG * LIKELY_LOSS[1]).toFixed(0),
      }),
    );
  }

  const tested: Vessel = { ...vessel, lossFactor };
  const wanted = test.heatMinutes * 60;
  const [low, high] = LIKELY_POWER;
  if (
    secondsWith(low, test, tested, burner, kitchen) < wanted ||
    secondsWith(high, test, tested, burner, kitchen) > wanted
  ) {
    throw new ImplausibleReading(
      'heatMinutes',
      test.heatMinutes,
      message('no burner of {low} W to {high} kW heats {litres} L from {from} to {to} °C in {minutes} min', {
        low: LIKELY_POWER[0],
        high: LIKELY_POWER[1] / 1000,
        litres: test.litres,
        from: test.startCelsius,
        to: test.heatedTo,
        minutes: test.heatMinutes,
      }),
    );
  }
  const slower = (watts: number): boolean => secondsWith(watts, test, tested, burner, kitchen) > wanted;
  const intoPotW = bisectRatio(slower, low, high, 40);
  return { lossFactor, intoPotW, efficiency: intoPotW / burner.powerW, lostG, expectedG };
}
