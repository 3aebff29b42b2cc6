import { FACTORS, type Factor, SOUP_SPREAD } from '../../pot/kitchen';

/**
 * How a number of the house may differ from the model before anybody has read anything: `spread`, the standard deviation of
 * its logarithm, and which shares of that variance all things of the kind have in common (`house`), and which begin anew
 * with a lot or a change (`epoch`). The rest is the thing's own.
 */
type Law = { readonly spread: number; readonly house: number; readonly epoch: number };

/**
 * All a house learns. Spreads of what the pot goes by are those of its factors; shares are our assumptions: half of what
 * is known of a flour is its lot's, air and hood are the whole room's. Tests of the house: our assumption. Work: our
 * assumption, a half more or less. Pouring: common practice, no source.
 */
const LAWS = {
  flour: { spread: FACTORS.flour.spread, house: 0, epoch: 0.5 },
  puree: { spread: FACTORS.puree.spread, house: 0.3, epoch: 0.2 },
  leaching: { spread: FACTORS.leaching.spread, house: 0.3, epoch: 0.2 },
  waterLoss: { spread: FACTORS.waterLoss.spread, house: 0.2, epoch: 0.3 },
  burner: { spread: FACTORS.burner.spread, house: 0.2, epoch: 0.4 },
  juices: { spread: FACTORS.juices.spread, house: 0.4, epoch: 0.2 },
  softening: { spread: FACTORS.softening.spread, house: 0.4, epoch: 0.2 },
  soup: { spread: SOUP_SPREAD, house: 0, epoch: 0 },
  instrument: { spread: 0.1, house: 0, epoch: 0.5 },
  work: { spread: 0.4, house: 0.3, epoch: 0.2 },
  pouring: { spread: 0.03, house: 0, epoch: 0.3 },
} as const satisfies Record<Exclude<Factor, 'measuring'> | 'soup' | 'instrument' | 'work' | 'pouring', Law>;

export type NumberKind = keyof typeof LAWS;
export const NUMBER_KINDS = Object.keys(LAWS) as readonly NumberKind[];

/** A number of the house: its kind, and what it is of. Of a pot the lid is told apart: “waterLoss tall-36 off”. */
export type NumberKey = `${NumberKind} ${string}`;

export const keyOf = (kind: NumberKind, of: string): NumberKey => `${kind} ${of}`;

export const kindOf = (key: NumberKey): NumberKind => key.slice(0, key.indexOf(' ')) as NumberKind;

/** What the number is of. */
export const thingOf = (key: NumberKey): string => key.slice(key.indexOf(' ') + 1);

/** What begins anew with a lot or a change: the thing; of a pot under a lid the pot. */
export const ownerOf = (key: NumberKey): string =>
  kindOf(key) === 'waterLoss' ? key.slice(0, key.lastIndexOf(' ')) : key;

/** Whether it may become another from one day to the next: a lot, a lid, a jet. A soup does not. */
export const canChange = (key: NumberKey): boolean => LAWS[kindOf(key)].epoch > 0;

/** A part of a number, shared by all that name it, with its variance. */
export type NumberPart = { readonly name: string; readonly variance: number };

/** Of a pot, the share of the thing’s own variance its lid has alone. Our assumption. */
const LID = 0.4;

/** Standard deviation of the logarithm a change that was noticed may have made. Our assumption: a third, or a quarter less. */
export const CHANGED = 0.3;

/** The parts a number is the sum of, `epoch` being how often its owner began anew, the last time by a change noticed or not. */
export function partsOf(key: NumberKey, epoch: number, noticed: boolean): readonly NumberPart[] {
  const kind = kindOf(key);
  const { spread, house, epoch: anew }: Law = LAWS[kind];
  const all = spread ** 2;
  const own = (1 - house - anew) * all;
  const owner = ownerOf(key);
  const parts = [
    { name: kind, variance: house * all },
    ...(owner === key
      ? [{ name: key, variance: own }]
      : [
          { name: owner, variance: (1 - LID) * own },
          { name: key, variance: LID * own },
        ]),
    {
      name: `${owner} @${epoch}`,
      variance: noticed ? Math.max(anew * all, CHANGED ** 2) : anew * all,
    },
  ];
  return parts.filter((p) => p.variance > 0);
}

/** Standard deviation of the logarithm before anything was read. */
export const spreadBefore = (key: NumberKey): number => LAWS[kindOf(key)].spread;
