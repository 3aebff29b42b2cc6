import type { Burner } from '../heat/burner';
import type { Vessel } from '../heat/vessel';
import type { Kitchen } from '../pot/kitchen';
import type { Show } from '../units/shown/show';
import type { Keeping } from './keeping';

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
  /** Its own flow funnels, each with the two runs it was calibrated by. */
  readonly funnels: readonly HouseFunnel[];
  /** How it keeps its soup. */
  readonly keeping: Keeping;
  /** How much longer each kind of work takes here than a plan has it; as planned where it is not known. */
  readonly pace?: Readonly<Record<string, number>> | undefined;
  /** Counts what it has learned; 0 before it has learned anything. */
  readonly learned?: number | undefined;
  /** Counts saves. */
  readonly revision: number;
};

type Run = { /** mm²/s. */ readonly nu: number; readonly seconds: number };

/** A funnel with an opening of `orificeMm` that lets `ml` run. */
export type HouseFunnel = {
  readonly id: string;
  readonly name: string;
  readonly orificeMm: number;
  readonly ml: number;
  readonly thin: Run;
  readonly thick: Run;
};
