import type { Burner } from '../heat/burner';
import type { Vessel } from '../heat/vessel';
import type { Kitchen } from '../pot/kitchen';

/** A kitchen with what stands in it. */
export type House = {
  readonly id: string;
  readonly name: string;
  readonly kitchen: Kitchen;
  readonly vessels: readonly Vessel[];
  readonly burners: readonly Burner[];
};
