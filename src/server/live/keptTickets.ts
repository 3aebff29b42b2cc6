import type { Batch } from '../../core/batch/record';
import type { Ticket } from '../../core/batch/ticket';
import { type CoolingSoup, thickSoup } from '../../core/heat/cool/body';
import { warmestAt } from '../../core/heat/cool/course';
import type { Lot } from '../../core/keep/lot';
import { lotState } from '../../core/keep/safe/fold';
import { limitsNow } from '../../core/keep/safe/judged';
import { keptOf, soupOf } from '../../core/keep/soup/keptPot';
import { alarmOf, coolingForecast, filmsKnown, rulesIn } from '../../core/keep/standing';
import { type CoolsBy, lotTicket } from '../../core/keep/ticket';
import type { House } from '../../core/kitchen/house';
import type { Queryable } from '../data/database';
import { log } from '../log';
import { readBatch } from '../queries/batches';
import { readFilmLines, readLots } from '../queries/keep';

/** What was worked out of something that cools, by its last line; it can be lost at any time. */
const known = new Map<string, { readonly key: string; readonly found: ReturnType<typeof coolingForecast> }>();
const soups = new Map<string, CoolingSoup>();
const MOST = 200;

const kept = <V>(map: Map<string, V>, id: string, value: V): V => {
  map.delete(id);
  map.set(id, value);
  for (const oldest of map.keys()) {
    if (map.size <= MOST) break;
    map.delete(oldest);
  }
  return value;
};

/** What cools as a body; thick where its batch is not known, or the model fails it. */
async function soupFor(db: Queryable, batchId: string | undefined, ml: number): Promise<CoolingSoup> {
  if (!batchId) return thickSoup(ml);
  const had = soups.get(batchId);
  if (had) return { ...had, ml };
  const batch: Batch | null = await readBatch(db, batchId);
  try {
    return kept(soups, batchId, soupOf(batch ? keptOf(batch) : null, ml));
  } catch (error) {
    log().error({ batch: batchId, err: error }, 'the model lost what is kept');
    return kept(soups, batchId, thickSoup(ml));
  }
}

async function coolsBy(db: Queryable, house: House, lot: Lot, now: number): Promise<CoolsBy | null> {
  const state = lotState(lot, house.keeping);
  if (state?.stage !== 'cooling') return null;
  const key = `${lot.events.at(-1)?.id} ${house.revision}`;
  let entry = known.get(lot.id);
  if (entry?.key !== key) {
    const means = {
      keeping: house.keeping,
      vessels: house.vessels,
      films: filmsKnown(await readFilmLines(db, house.id)),
    };
    try {
      const soup = await soupFor(db, state.put.batch, state.ml);
      entry = kept(known, lot.id, {
        key,
        found: coolingForecast(state, soup, means, rulesIn(house).cooling, now),
      });
    } catch {
      // A pan or place that is gone: it is shown by its readings alone.
      entry = kept(known, lot.id, { key, found: null });
    }
  }
  const { found } = entry;
  if (!found) return null;
  const seconds = (now - found.at) / 1000;
  return {
    celsius: warmestAt(found.forecast.points, seconds),
    alarm: alarmOf(found.forecast, limitsNow(state, now), found.phase.readings),
  };
}

/** What is kept and wants to be seen to. */
export const readKept = async (db: Queryable, kitchenId: string): Promise<readonly Lot[]> =>
  (await readLots(db, kitchenId, ['hot', 'cooling', 'reheating', 'thawing'])).lots;

/** Its tickets; with the model’s forecast of what cools, where `model` says so. */
export async function keptTickets(
  db: Queryable,
  {
    house,
    lots,
    now,
    model,
  }: { readonly house: House; readonly lots: readonly Lot[]; readonly now: number; readonly model: boolean },
): Promise<readonly Ticket[]> {
  const rule = rulesIn(house);
  const tickets: Ticket[] = [];
  for (const lot of lots) {
    const state = lotState(lot, house.keeping);
    if (!state) continue;
    const by = model ? await coolsBy(db, house, lot, now) : null;
    const ticket = lotTicket(state, rule, house.keeping.probeEvery, now, by);
    if (ticket) tickets.push(ticket);
  }
  return tickets;
}
