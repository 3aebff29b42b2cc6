import { ingredient } from '../../food/catalogue';
import { type Cut, centreTemperature, softeningIn, TENDER_AFTER } from '../../heat/softening';
import { depthOf } from '../../heat/vessel';
import { volumeMl } from '../../pot/contents/contents';
import { boilsAt, simmersAt, softeningPace, tenderness } from '../../pot/cook';
import { foodIn, type Kitchen } from '../../pot/kitchen';
import type { Pot } from '../../pot/pot';
import type { Step } from '../../pot/step';

/** Pieces of one kind, cut alike, on their way to tender. */
export type WatchedPieces = {
  readonly ingredient: string;
  readonly name: string;
  readonly cut: Cut;
  /** Share of the way to tender, 1 and above when a fork goes through. */
  readonly done: number;
  /** min until a fork goes through at the heat they have now; 0 when it does, null while they are too cool to soften. */
  readonly minutes: number | null;
};

/** What a step is about, to be watched large while it takes its time. */
export type Watch =
  | { readonly kind: 'pieces'; readonly of: readonly WatchedPieces[] }
  | { readonly kind: 'climb'; readonly from: number; readonly now: number; readonly to: number }
  | { readonly kind: 'level'; readonly fromMm: number; readonly nowMm: number; readonly toMm: number };

/** A piece that softens less than this a minute, of its way to tender, is not worth a forecast. Our assumption. */
const HARDLY = 0.002;

function piecesIn(pot: Pot, kitchen: Kitchen): readonly WatchedPieces[] {
  const found = new Map<string, WatchedPieces>();
  for (const p of pot.pieces) {
    const { softening, strainedOff } = ingredient(p.ingredient);
    if (!softening || strainedOff || p.g <= 0) continue;
    const done = tenderness(p);
    const rate =
      (softeningIn(60, centreTemperature(p.lag, p.cut, pot.celsius)) *
        softeningPace(pot, kitchen, p.ingredient)) /
      TENDER_AFTER[softening];
    const minutes = done >= 1 ? 0 : rate < HARDLY ? null : (1 - done) / rate;
    const key = `${p.ingredient} ${p.cut.shape} ${p.cut.edgeMm}`;
    const known = found.get(key);
    // Of several goes the last in is the hardest.
    if (!known || done < known.done)
      found.set(key, {
        ingredient: p.ingredient,
        name: foodIn(kitchen, p.ingredient).name,
        cut: p.cut,
        done,
        minutes,
      });
  }
  return [...found.values()].sort((a, b) => a.done - b.done);
}

/**
 * What is to be watched in `step` of the pot as it is: how far each kind of piece is at the simmer, how the level
 * falls where it is boiled down, how the heat climbs. `from` is the pot as the step came up, `endMl` what it should
 * come to. Null where there is nothing but the words.
 */
export function watchFor(
  step: Step,
  from: Pot,
  pot: Pot,
  endMl: number | null,
  kitchen: Kitchen,
): Watch | null {
  switch (step.kind) {
    case 'simmer': {
      const of = piecesIn(pot, kitchen);
      return of.length > 0 ? { kind: 'pieces', of } : null;
    }
    case 'bring-to':
    case 'reheat': {
      const to = step.to === 'simmer' ? simmersAt(kitchen) : step.to === 'boil' ? boilsAt(kitchen) : step.to;
      return to > from.celsius + 2 ? { kind: 'climb', from: from.celsius, now: pot.celsius, to } : null;
    }
    case 'reduce': {
      if (endMl === null) return null;
      const [fromMm, nowMm, toMm] = [volumeMl(from), volumeMl(pot), endMl].map((ml) =>
        depthOf(pot.vessel, ml),
      ) as [number, number, number];
      return fromMm - toMm > 1 ? { kind: 'level', fromMm, nowMm, toMm } : null;
    }
    default:
      return null;
  }
}
