import { times } from '../../food/composition';
import { within } from '../../units/range';
import type { Pot } from '../pot';

/** The pot with `share` (above 0, to 1) of all that is in it left, each thing alike: ladled off after a stir. Throws {@link OutOfRange}. */
export function ladled(pot: Pot, share: number): Pot {
  within('share', share, 1e-6, 1);
  return {
    ...pot,
    liquid: times(pot.liquid, share),
    freeFat: pot.freeFat * share,
    thickeners: pot.thickeners.map((t) => ({ ...t, dry: t.dry * share, equivalents: t.equivalents * share })),
    pieces: pot.pieces.map((p) => ({
      ...p,
      g: p.g * share,
      fresh: p.fresh * share,
      soaked: p.soaked * share,
      juice: p.juice * share,
    })),
    sodium: pot.sodium * share,
    buffer: { capacity: pot.buffer.capacity * share, moment: pot.buffer.moment * share },
    lastPoured: pot.lastPoured * share,
  };
}
