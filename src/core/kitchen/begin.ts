import type { Burner, BurnerKind } from '../heat/burner';
import type { Vessel } from '../heat/vessel';
import { type Message, message } from '../message/message';
import type { RuleSetId } from '../safety/rules';
import { within } from '../units/range';
import type { Show } from '../units/shown/show';
import type { House } from './house';

/** Where a kitchen stands: what it is read in, its money, and the rules it begins with. */
export type Region = {
  readonly id: RuleSetId;
  readonly words: Message;
  readonly show: Show;
  readonly currency: string;
};

export const REGIONS: readonly Region[] = [
  { id: 'uk', words: message('United Kingdom'), show: { volume: 'L', temperature: 'C' }, currency: '£' },
  { id: 'fda', words: message('United States'), show: { volume: 'gal', temperature: 'F' }, currency: '$' },
  { id: 'canada', words: message('Canada'), show: { volume: 'L', temperature: 'C' }, currency: '$' },
  {
    id: 'anz',
    words: message('Australia, New Zealand'),
    show: { volume: 'L', temperature: 'C' },
    currency: '$',
  },
  { id: 'eu', words: message('European Union'), show: { volume: 'L', temperature: 'C' }, currency: '€' },
];

/** g/mL of water at 20 °C. */
const WATER = 0.998;

/** g of a pot of stainless steel, by what steel of 1 mm in wall and 6 mm in base weighs. Our assumption. */
const steelG = (acrossMm: number, highMm: number): number =>
  Math.round((Math.PI * acrossMm * highMm * 1 + (Math.PI / 4) * acrossMm ** 2 * 6) * 0.0079);

/** A pot by its inside measures, mm; named by them where it has no name. Throws OutOfRange. */
export function potOf(acrossMm: number, highMm: number, name = ''): Vessel {
  const diameterMm = within('diameter', acrossMm, 80, 1200, 'mm');
  const heightMm = within('height', highMm, 40, 1200, 'mm');
  const size = `${Math.round(diameterMm / 10)} × ${Math.round(heightMm / 10)}`;
  return {
    id: `pot-${Math.round(diameterMm)}-${Math.round(heightMm)}`,
    name: name || `Pot ${size}`,
    diameterMm,
    heightMm,
    material: 'stainless steel',
    massG: Math.min(100_000, Math.max(100, steelG(diameterMm, heightMm))),
  };
}

/**
 * A pot by the water that fills it to the rim, g at room temperature, and how high it is inside, mm: how far across
 * follows. Throws OutOfRange.
 */
export const potOfWater = (waterG: number, highMm: number): Vessel => {
  const ml = within('water', waterG, 200, 400_000, 'g') / WATER;
  const high = within('height', highMm, 40, 1200, 'mm');
  return potOf(Math.round(2 * Math.sqrt((ml * 1000) / (Math.PI * high))), high);
};

/** Sizes pots are sold in, inside mm across and high. Common practice, no source. */
export const COMMON_POTS: readonly Vessel[] = [
  potOf(200, 140, 'Saucepan 20'),
  potOf(240, 160, 'Pot 24'),
  potOf(280, 200, 'Pot 28'),
  potOf(320, 260, 'Stockpot 32'),
  potOf(360, 340, 'Stockpot 36'),
  potOf(400, 400, 'Stockpot 40'),
  potOf(400, 180, 'Rondeau 40'),
  potOf(500, 500, 'Stockpot 50'),
];

/**
 * W of a burner for each cm² of its plate, or of the ring its flames stand in: the ratings of usual appliances (18 cm:
 * electric 1.8 kW, induction 2.1; gas ring of 10 cm 2.7 kW, of 16 cm 7). From memory.
 */
const W_PER_CM2: { readonly [K in BurnerKind]: number } = { gas: 35, electric: 7.1, induction: 8.2 };

/** A burner by its kind and the diameter of its plate, or of its ring of flames, cm. Throws OutOfRange. */
export function burnerOf(kind: BurnerKind, plateCm: number): Burner {
  const cm = within('plate', plateCm, 4, 60, 'cm');
  const powerW = Math.min(
    60_000,
    Math.max(300, Math.round(((Math.PI / 4) * cm ** 2 * W_PER_CM2[kind]) / 100) * 100),
  );
  return { id: `${kind}-${Math.round(cm * 10)}`, name: `${NAMES[kind]} ${cm} cm`, kind, powerW };
}
const NAMES: { readonly [K in BurnerKind]: string } = {
  gas: 'Gas',
  electric: 'Plate',
  induction: 'Induction',
};

/** What is mostly cooked on: offered first. */
export const COMMON_BURNERS: readonly Burner[] = [
  burnerOf('gas', 7),
  burnerOf('gas', 10),
  burnerOf('gas', 16),
  burnerOf('gas', 22),
  burnerOf('electric', 18),
  burnerOf('electric', 22),
  burnerOf('induction', 18),
  burnerOf('induction', 24),
];

/** What is asked of a kitchen that begins; what is not answered stays as it is. */
export type Answers = {
  readonly region?: RuleSetId;
  readonly name?: string;
  readonly altitudeM?: number;
  readonly pots?: readonly Vessel[];
  readonly burners?: readonly Burner[];
  readonly measures?: 'scale' | 'spoons';
};

/** A kitchen as it answered. */
export function begunWith(house: House, answers: Answers): House {
  const { region: id, name, altitudeM, pots, burners, measures } = answers;
  const region = REGIONS.find((r) => r.id === id);
  return {
    ...house,
    name: name?.trim() || house.name,
    vessels: pots?.length ? pots : house.vessels,
    burners: burners?.length ? burners : house.burners,
    ...(region && {
      show: region.show,
      currency: region.currency,
      keeping: { ...house.keeping, rules: region.id },
    }),
    kitchen: {
      ...house.kitchen,
      ...(altitudeM !== undefined && { altitudeM }),
      ...(measures && { measures }),
    },
  };
}
