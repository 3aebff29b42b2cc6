import { type Band, bandOf } from '../../flow/bands';
import { latentHeat } from '../../heat/steam';
import { surfaceArea, type Vessel } from '../../heat/vessel';
import type { Lid } from '../../heat/waterLoss';
import type { Place } from '../../kitchen/keeping';
import { bisect } from '../../maths/bisect';
import type { Message } from '../../message/message';
import { advance } from '../../pot/advance';
import { volumeMl } from '../../pot/contents/contents';
import { ladled } from '../../pot/contents/ladled';
import { steamRate } from '../../pot/cook';
import type { Kitchen } from '../../pot/kitchen';
import { observe } from '../../pot/observe';
import type { Pot } from '../../pot/pot';
import { keepsAtMost } from '../../service/wait';
import { type Kept, letDown, someOf } from './keptPot';

/** How it is kept hot, and what is ladled off meanwhile. */
export type Holding = {
  readonly place: Place;
  readonly vessel: Vessel;
  readonly lid: Lid;
  readonly ml: number;
  /** °C now. */
  readonly celsius: number;
  /** mL ladled off an hour. */
  readonly servedPerHour: number;
  readonly minutes: number;
};

type HotPoint = {
  readonly minutes: number;
  readonly celsius: number;
  readonly ml: number;
  /** mPa·s in the bowl. */
  readonly viscosity: number;
  readonly band: Band;
  /** g gone as steam so far. */
  readonly lost: number;
};

/** What becomes of it on the pass. */
export type HotForecast = {
  readonly points: readonly HotPoint[];
  /** °C it settles at. */
  readonly settles: number;
  /** Minutes until it is ladled out, as it is served; null where it lasts. */
  readonly lasts: number | null;
  /** Minutes until it leaves its band, and which it is in then; null where it does not. */
  readonly leaves: { readonly minutes: number; readonly band: Band } | null;
  /** mL of hot liquid each half hour that keep it as it is; 0 where that is not worth it. */
  readonly letDown: number;
  /** Minutes until a skin forms, uncovered and unstirred; null under a lid. */
  readonly skin: number | null;
  /** Minutes from now by what keeps badly in it, and why. */
  readonly worst: { readonly minutes: number; readonly why: Message };
};

/** W/(m²·K) from a hot bath through the wall into a soup that hardly moves. Our assumption. */
const THROUGH_WALL = 110;

/**
 * °C it settles at where it stands: what the bath gives through base and wall is what the surface loses. A ring
 * keeps what it is set to.
 */
export function settlesAt(pot: Pot, place: Place, lid: Lid, kitchen: Kitchen): number {
  if (place.kind !== 'bath') return Math.min(96, place.celsius);
  const area = surfaceArea(pot.vessel);
  const wall = area + (volumeMl(pot) / 1e6 / area) * Math.PI * (pot.vessel.diameterMm / 1000);
  return bisect(
    (celsius) =>
      THROUGH_WALL * wall * (place.celsius - celsius) >
      steamRate({ ...pot, celsius }, lid, kitchen) * latentHeat(celsius) +
        area * 9 * (lid === 'on' ? 0.5 : 1) * (celsius - kitchen.airCelsius),
    kitchen.airCelsius,
    place.celsius,
    24,
  );
}

/** Minutes between two points, and until there is a skin on what stands still, hot and open. Common practice, no source. */
const LOOK = 10;
const SKIN = 10;

/** mL that are worth stirring in. */
const WORTH = 20;

const HALF_HOUR = 30;

/** Share of it below which it is ladled out, and how many times thicker it is no soup any more. Our assumptions. */
const SPENT = 0.12;
const UNSERVED = 4;

const pointOf = (pot: Pot, kitchen: Kitchen, minutes: number, lost: number): HotPoint => {
  const seen = observe(pot, kitchen);
  return {
    minutes,
    celsius: pot.celsius,
    ml: seen.volumeMl,
    viscosity: seen.bowlViscosity,
    band: seen.band,
    lost,
  };
};

/** On by `minutes`, and then what was served of it off. */
function on(pot: Pot, h: Holding, at: number, minutes: number, kitchen: Kitchen): Pot {
  const { pot: kept } = advance(pot, { kind: 'hold', minutes, at, lid: h.lid }, kitchen);
  const served = (h.servedPerHour * minutes) / 60;
  const has = volumeMl(kept);
  return has - served > 200 ? ladled(kept, 1 - served / has) : kept;
}

/** °C of what lets a hot soup down. */
export const HOT_LIQUID = 80;

/** The soup in its vessel on the pass, by the same pot it was cooked in. */
export function holdForecast(kept: Kept, holding: Holding): HotForecast {
  const { kitchen } = kept;
  const start = someOf(kept.pot, holding.ml, holding.celsius, holding.vessel);
  const settles = settlesAt(start, holding.place, holding.lid, kitchen);
  const first = observe(start, kitchen);
  const points: HotPoint[] = [pointOf(start, kitchen, 0, 0)];
  let pot = start;
  let half: Pot | null = null;
  for (let minutes = LOOK; minutes <= holding.minutes; minutes += LOOK) {
    pot = on(pot, holding, settles, LOOK, kitchen);
    const point = pointOf(pot, kitchen, minutes, pot.evaporated - start.evaporated);
    if (minutes === HALF_HOUR) half = pot;
    // Ladled out, or boiled down to what nobody would serve: there is nothing more to foresee.
    if (point.ml < holding.ml * SPENT || point.viscosity > first.bowlViscosity * UNSERVED) break;
    points.push(point);
  }
  half ??= pot;
  const target = first.bowlViscosity;
  const dose =
    observe(half, kitchen).bowlViscosity <= target * 1.01
      ? 0
      : bisect(
          (ml) => observe(letDown(half as Pot, ml, kitchen, HOT_LIQUID), kitchen).bowlViscosity > target,
          0,
          volumeMl(half),
          18,
        );
  const leaving = points.find((p) => bandOf(p.viscosity, kitchen.bandLimits) !== first.band);
  const last = points.at(-1);
  const still = new Set(kept.pot.pieces.map((p) => p.ingredient));
  const worst = keepsAtMost(kept.steps, still);
  return {
    points,
    settles,
    lasts:
      last && last.minutes < holding.minutes - LOOK && holding.servedPerHour > 0 ? last.minutes + LOOK : null,
    leaves: leaving ? { minutes: leaving.minutes, band: leaving.band } : null,
    letDown: dose < WORTH ? 0 : Math.round(dose / 10) * 10,
    skin: holding.lid === 'on' ? null : SKIN,
    worst,
  };
}
