import type { Burner } from '../../heat/burner';
import type { Vessel } from '../../heat/vessel';
import { emptyPot, OFF_THE_HEAT, type Pot } from '../pot';

/** What a pan is, by what can be done in it: a pot or a pan stands on a burner, a tray in the oven, a bowl on the bench. */
export const PAN_KINDS = ['pot', 'pan', 'tray', 'bowl'] as const;
export type PanKind = (typeof PAN_KINDS)[number];

/** How what waits in a bowl is kept. */
export const KEPT_AS = ['left', 'warm', 'cold'] as const;
export type KeptAs = (typeof KEPT_AS)[number];

/** The pot that goes to the pass, among the pans of a recipe: what a step without a pan is done in. */
export const THE_POT = '';

/** What a step, a recipe's or a batch's, is done in: the name of its pan. */
export const panOf = (step: { readonly in?: string | undefined }): string => step.in ?? THE_POT;

/** One pan where it stands: a tray and a bowl have no burner. */
export type PanPlace = {
  readonly as: PanKind;
  readonly vessel: Vessel;
  readonly burner: Burner | null;
  readonly kept?: KeptAs | undefined;
  /** Trays of the oven filled at once, and how many times over. */
  readonly trays?: number | undefined;
  readonly loads?: number | undefined;
  /** It is not among what the kitchen has written down. */
  readonly guessed?: true;
  /** It has to share its burner with another pan. */
  readonly shares?: true;
};

/** Side pans by name, each where it stands. */
export type PansBeside = Readonly<Record<string, PanPlace>>;

/** Of a recipe of one pot. */
export const NOTHING_BESIDE: PansBeside = {};

/** A place without a flame. */
const NO_FLAME: Burner = { id: 'none', name: '', kind: 'electric', powerW: 0 };

/** The pan before anything is in it. */
export function emptyPan({ vessel, burner, as, kept }: PanPlace, celsius: number): Pot {
  if (burner) return emptyPot(vessel, burner, celsius);
  return {
    ...emptyPot(vessel, NO_FLAME, celsius),
    fire: OFF_THE_HEAT,
    waits: as === 'bowl' ? (kept ?? 'left') : 'left',
  };
}
