import type { Vessel } from '../../heat/vessel';
import type { House } from '../../kitchen/house';
import { advance } from '../../pot/advance';
import { volumeMl } from '../../pot/contents/contents';
import type { Container } from '../events';
import { type LotState, placeOf } from '../lot';
import { HOT_LIQUID, settlesAt } from './hot';
import { type Kept, letDown, panVessel, someOf } from './keptPot';

/** What it stands in as a straight-sided vessel; null where the kitchen no longer has it. */
export function vesselOf(
  container: Container,
  { keeping, vessels }: Pick<House, 'keeping' | 'vessels'>,
): Vessel | null {
  if (container.kind === 'pot') return vessels.find((v) => v.id === container.vessel) ?? null;
  const pan = keeping.pans.find((p) => p.id === container.pan);
  return pan ? panVessel(pan, container.count) : null;
}

/** Minutes of one stretch on the pass that are worth following: beyond it nobody would serve it. */
const LONGEST = 8 * 60;

/**
 * The soup as it is at `now` (ms): what steam took on the pass, what was ladled off and what was stirred in since it was
 * finished, done to the pot it was cooked in. Cooled, stored and frozen it loses nothing.
 */
export function keptNow(
  kept: Kept,
  state: LotState,
  house: Pick<House, 'keeping' | 'vessels'>,
  now: number,
): Kept {
  const { kitchen } = kept;
  const first = vesselOf(state.put.container, house) ?? kept.pot.vessel;
  let pot = someOf(kept.pot, state.put.ml, kept.pot.celsius, first);
  let at = state.putAt;
  let place = placeOf(house.keeping, state.put.place);
  let lid = true;
  let hot = place?.kind === 'bath' || place?.kind === 'ring';
  const until = (ms: number) => {
    const minutes = Math.min(LONGEST, (ms - at) / 60_000);
    if (hot && place && minutes > 0.5) {
      const cover = lid ? ('on' as const) : ('off' as const);
      const celsius = Math.min(95, Math.max(50, settlesAt(pot, place, cover, kitchen)));
      pot = advance(pot, { kind: 'hold', minutes, at: celsius, lid: cover }, kitchen).pot;
    }
    at = Math.max(at, ms);
  };
  const off = (ml: number) => {
    const has = volumeMl(pot);
    if (has - ml > 1) pot = someOf(pot, has - ml, pot.celsius);
  };
  for (const { at: when, body } of state.events) {
    const ms = Date.parse(when);
    if (ms < state.putAt || ms > now) continue;
    switch (body.kind) {
      case 'kept hot': {
        until(ms);
        place = placeOf(house.keeping, body.place);
        ({ lid } = body);
        hot = true;
        const vessel = body.container && vesselOf(body.container, house);
        if (vessel) pot = { ...pot, vessel };
        break;
      }
      case 'taken':
      case 'parted':
        until(ms);
        off(body.ml);
        break;
      case 'thrown away':
        until(ms);
        off(body.ml);
        break;
      case 'let down':
        until(ms);
        pot = letDown(pot, body.ml, kitchen, hot ? HOT_LIQUID : 20);
        break;
      case 'set to cool':
      case 'cooled':
      case 'moved':
      case 'reheating':
        until(ms);
        hot = false;
        break;
      case 'reheated':
        at = ms;
        hot = true;
        place = (body.place ? placeOf(house.keeping, body.place) : null) ?? place;
        break;
    }
  }
  until(now);
  return { ...kept, pot };
}
