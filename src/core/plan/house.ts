import type { Burner } from '../heat/burner';
import type { Vessel } from '../heat/vessel';
import type { Kitchen } from '../pot/kitchen';
import type { Show } from '../units/show';

/** A kitchen with what stands in it. */
export type House = {
  readonly id: string;
  readonly name: string;
  readonly kitchen: Kitchen;
  readonly vessels: readonly Vessel[];
  readonly burners: readonly Burner[];
  readonly show: Show;
  /** Before a price; empty when prices are not kept. */
  readonly currency: string;
  /** Who works here, by role. */
  readonly roles: readonly string[];
  /** Counts saves. */
  readonly revision: number;
};
