import type { Burner } from '../../heat/burner';
import type { Vessel } from '../../heat/vessel';
import { bisect } from '../../maths/bisect';
import { advance } from '../../pot/advance';
import { volumeMl } from '../../pot/contents/contents';
import { observe } from '../../pot/observe';
import type { RuleSet } from '../../safety/rules';
import { type Kept, letDown, someOf } from './keptPot';

/** How something kept is brought back. */
export type Reheating = {
  readonly vessel: Vessel;
  readonly burner: Burner;
  readonly ml: number;
  /** °C it comes at. */
  readonly celsius: number;
  /** mPa·s in the bowl as measured since; absent where nobody did. */
  readonly measured?: number | undefined;
};

export type ReheatForecast = {
  /** mL of liquid that bring it back to what it was. */
  readonly liquid: number;
  /** Seconds on that burner to the rule’s temperature, stirred, with the liquid in; and with the time it is held there. */
  readonly seconds: number;
  readonly inTime: boolean;
  /** mPa·s in the bowl now, and when it was made. */
  readonly now: number;
  readonly was: number;
};

/**
 * How much thicker a starch-bound soup is when it has stood overnight and comes hot again. Common practice, no
 * source: it has set, and not all of it melts.
 */
const SETS = 1.15;

/** A flame soup is brought back on: it would catch on a stronger one. Common practice, no source. */
const FLAME = 0.5;

/** How to bring it back: by the same pot it was cooked in. */
export function reheatForecast(kept: Kept, r: Reheating, rule: RuleSet['reheat']): ReheatForecast {
  const { kitchen } = kept;
  const was = observe(kept.pot, kitchen).bowlViscosity;
  const cold = { ...someOf(kept.pot, r.ml, Math.max(-2, r.celsius), r.vessel), burner: r.burner };
  const asIs = observe(cold, kitchen).bowlViscosity;
  const now = r.measured ?? asIs * SETS;
  /** What the model has too thin or too thick against what is there. */
  const off = now / asIs;
  const withLiquid = (ml: number) => (ml <= 0 ? cold : letDown(cold, ml, kitchen));
  const liquid =
    now <= was * 1.02
      ? 0
      : bisect((ml) => observe(withLiquid(ml), kitchen).bowlViscosity * off > was, 0, volumeMl(cold), 20);
  const start = withLiquid(liquid);
  const { pot } = advance(start, { kind: 'reheat', to: rule.to, lid: 'on', flame: FLAME }, kitchen);
  const seconds = pot.seconds - start.seconds + rule.forSeconds;
  return {
    liquid: Math.round(liquid / 10) * 10,
    seconds,
    inTime: seconds <= rule.withinSeconds && pot.celsius >= rule.to - 0.5,
    now,
    was,
  };
}
