import type { Composition } from '../food/composition';
import { NOTHING } from '../food/composition';
import type { Burner } from '../heat/burner';
import type { Cut, Lag } from '../heat/softening';
import type { Vessel } from '../heat/vessel';
import type { Lid } from '../heat/waterLoss';
import type { Thickener } from '../thicken/granules';

/** Pieces of one ingredient, cut alike and put in together. */
export type Piece = {
  readonly ingredient: string;
  /** Which go of this ingredient it came in, from 1. */
  readonly lot: number;
  readonly g: number;
  /** Grams of it as it went in, and of fat it has soaked up since. */
  readonly fresh: number;
  readonly soaked: number;
  /** Mass fractions now. */
  readonly composition: Composition;
  readonly cut: Cut;
  readonly lag: Lag;
  /** Softening so far, minutes at 100 °C in the centre. */
  readonly softened: number;
  /** Hottest its centre has been, °C, and minutes since that first passed 63 °C. */
  readonly centrePeak: number;
  readonly doneMinutes: number;
  /** Share of its starch that has gone into the liquid, out of its cells. */
  readonly leached: number;
  /** Share of its cells that has come off into the liquid, closed. */
  readonly parted: number;
  /** Grams of juice it has given to the liquid since it was cut. */
  readonly juice: number;
};

/** What a pot stands on: the flame, as a share of full, and °C the cook keeps it at by turning the flame down. */
type StandsOn = { readonly flame: number; readonly hold?: number };

/** A pot taken off the heat. */
export const OFF_THE_HEAT: StandsOn = { flame: 0 };

/** Before any step has said: lit when the pot is put on it, at half. Common practice, no source. */
const LIT: StandsOn = { flame: 0.5 };

/**
 * The state of one pot, and the only idea of a pot there is. Immutable. Grams, °C, seconds.
 * `liquid` is everything that flows except fat floating free and granules still counted dry:
 * stock, juices, dairy with its emulsified fat, blended vegetables.
 */
export type Pot = {
  readonly vessel: Vessel;
  readonly burner: Burner;
  /** Since the flame was lit. */
  readonly seconds: number;
  readonly celsius: number;
  /** Grams of each component. */
  readonly liquid: Composition;
  readonly freeFat: number;
  /** Of the fat in `liquid`, grams of butter whisked in that heat sets free again. */
  readonly mounted: number;
  readonly thickeners: readonly Thickener[];
  readonly pieces: readonly Piece[];
  /** How many goes of each ingredient have gone in as pieces. */
  readonly lots: Readonly<Record<string, number>>;
  /** Grams of sodium in everything. */
  readonly sodium: number;
  /** Buffering, mmol per pH unit, and its product with pH: what mixes to the pot's pH. */
  readonly buffer: { readonly capacity: number; readonly moment: number };
  /** Hottest it has been since yolk went in, °C; 0 without yolk. */
  readonly yolkPeak: number;
  /** Grams gone as steam so far: water, and what alcohol went with it. */
  readonly evaporated: number;
  /** Grams of what was poured in last: what a deglazing boils down. */
  readonly lastPoured: number;
  /** Grams taken out: fat poured off, solids strained away. */
  readonly removed: number;
  readonly lid: Lid;
  /** How it is kept where it has no flame of its own; absent of what stands on a burner. */
  readonly waits?: 'left' | 'warm' | 'cold' | undefined;
  /** What the last step left it standing on: what takes time without a flame of its own is cooked by this. */
  readonly fire: StandsOn;
};

/**
 * °C a pot can be spoken of at. What would freeze stands as slush at the lower end (the heat of melting is
 * not counted); hotter than the upper end nothing but smoke is left.
 */
const POT_CELSIUS = { least: -4, most: 190 } as const;

/** `celsius` kept to what a pot can be spoken of at. */
export const potCelsius = (celsius: number): number =>
  Math.min(POT_CELSIUS.most, Math.max(POT_CELSIUS.least, celsius));

/** An empty pot on its burner, at `celsius` °C. */
export const emptyPot = (vessel: Vessel, burner: Burner, celsius = 20): Pot => ({
  vessel,
  burner,
  seconds: 0,
  celsius,
  liquid: NOTHING,
  freeFat: 0,
  mounted: 0,
  thickeners: [],
  pieces: [],
  lots: {},
  sodium: 0,
  buffer: { capacity: 0, moment: 0 },
  yolkPeak: 0,
  evaporated: 0,
  lastPoured: 0,
  removed: 0,
  lid: 'off',
  fire: LIT,
});
