import { advance } from '../../pot/advance';
import { volumeMl } from '../../pot/contents';
import { emptyPot } from '../../pot/pot';
import type { Step } from '../../pot/step';
import { within } from '../../units/range';
import type { Setup } from '../solve/simulate';

export type StockPlan = {
  /** g of water to cover with. */
  readonly water: number;
  readonly yieldMl: number;
  readonly seconds: number;
  /** mL at its fullest, solids in. */
  readonly peakMl: number;
};

export type StockWish = {
  readonly yieldMl: number;
  readonly solids: readonly { readonly ingredient: string; readonly g: number }[];
  /** Minutes at the simmer: shells 15 to 45, bones longer. Common practice, no source. */
  readonly minutes: number;
};

/** Water, time and peak of a stock that strains to `yieldMl`: cooked in thought, the water corrected until it does. */
export function stockFor(wish: StockWish, { vessel, burner, kitchen }: Setup): StockPlan {
  within('yield', wish.yieldMl, 100, 500_000, 'mL');
  within('minutes', wish.minutes, 1, 600, 'min');
  const make = (water: number) => {
    const steps: Step[] = [
      {
        kind: 'add',
        items: [
          ...wish.solids.map((s) => ({ ingredient: s.ingredient, amount: s.g })),
          { ingredient: 'water', amount: water },
        ],
      },
      { kind: 'bring-to', to: 'simmer', flame: 0.9, lid: 'off' },
      { kind: 'simmer', minutes: wish.minutes, lid: 'ajar' },
      { kind: 'strain' },
    ];
    let pot = emptyPot(vessel, burner, kitchen.airCelsius);
    let peakMl = 0;
    for (const step of steps) {
      const next = advance(pot, step, kitchen);
      peakMl = next.trace.reduce((p, s) => Math.max(p, s.volumeMl), peakMl);
      pot = next.pot;
    }
    return { pot, peakMl };
  };
  let water = wish.yieldMl * 1.1;
  let made = make(water);
  for (let i = 0; i < 6; i++) {
    const miss = wish.yieldMl - volumeMl(made.pot);
    if (Math.abs(miss) < wish.yieldMl * 0.001) break;
    water = Math.max(100, water + miss);
    made = make(water);
  }
  return { water, yieldMl: volumeMl(made.pot), seconds: made.pot.seconds, peakMl: made.peakMl };
}
