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
  readonly g: number;
  /** Mass fractions now. */
  readonly composition: Composition;
  readonly cut: Cut;
  readonly lag: Lag;
  /** Softening so far, minutes at 100 °C in the centre. */
  readonly softened: number;
  /** Share of its starch that has gone into the liquid. */
  readonly leached: number;
};

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
  readonly thickeners: readonly Thickener[];
  readonly pieces: readonly Piece[];
  /** Grams of sodium in everything. */
  readonly sodium: number;
  /** Grams of water gone as steam so far. */
  readonly evaporated: number;
  readonly lid: Lid;
};

export const emptyPot = (vessel: Vessel, burner: Burner, celsius = 20): Pot => ({
  vessel,
  burner,
  seconds: 0,
  celsius,
  liquid: NOTHING,
  freeFat: 0,
  thickeners: [],
  pieces: [],
  sodium: 0,
  evaporated: 0,
  lid: 'off',
});
