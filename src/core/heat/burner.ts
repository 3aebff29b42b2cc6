import { within } from '../units/range';
/** Share of a burner's power that reaches the pot: appliance test figures (US DOE cooking-top tests), from memory. */
export const EFFICIENCY = { gas: 0.4, induction: 0.84, electric: 0.74 } as const;
export type BurnerKind = keyof typeof EFFICIENCY;

export type Burner = {
  readonly id: string;
  readonly name: string;
  readonly kind: BurnerKind;
  readonly powerW: number;
  /** W that reach a pot at full flame, by a water test; absent: the rated power's usual share. */
  readonly intoPotW?: number | undefined;
};

/** Heat lost through the wall to the room, W/(m²·K). Our assumption. */
export const WALL_LOSS = 11;

/**
 * W into the pot at `flame` 0–1. Throws {@link OutOfRange}.
 *
 * @example
 * heatInto({ id: 'b', name: 'B', kind: 'gas', powerW: 7000 }, 0.5) // 1400
 */
export const heatInto = (b: Burner, flame: number): number =>
  within('power', b.intoPotW ?? b.powerW * EFFICIENCY[b.kind], 0, 1e5, 'W') * within('flame', flame, 0, 1);
