import type pg from 'pg';
import type { DatedBatch, GivenOpened, WeekOpened } from '../../../contract/log';
import type { LotState } from '../../../core/keep/lot';
import { lotState } from '../../../core/keep/safe/fold';
import type { House } from '../../../core/kitchen/house';
import { type GivenOut, givenOut, type PlannedSoup, proposedFor } from '../../../core/log/given';
import { weekOf } from '../../../core/log/week';
import { Day } from '../../../core/service/schema';
import { batchesOf, dayAfter, weekdayOf } from '../../../core/service/service';
import { dayOf, dayStart } from '../../../core/units/clock';
import { readLot } from '../../queries/keep';
import { readLoggedBetween } from '../../queries/log';
import { readRecipeNames } from '../../queries/recipes';
import { readServicesBetween } from '../../queries/services';
import { theHouse } from '../kitchen';
import { theRecord } from '../record';

/** Batches of the days from one to another, both whole, by the kitchen’s own day. */
async function batchesBetween(
  db: pg.Pool,
  house: House,
  from: string,
  to: string,
): Promise<readonly DatedBatch[]> {
  const { dayEnds } = house.keeping;
  const moment = (day: string): string => new Date(dayStart(day, dayEnds)).toISOString();
  const found = await readLoggedBetween(db, house.id, moment(from), moment(dayAfter(to, 1)));
  return found.map((b) => ({ ...b, day: dayOf(new Date(b.startedAt), dayEnds) }));
}

/** What was kept of these batches, by the batch. */
async function keptOf(
  db: pg.Pool,
  house: House,
  batches: readonly DatedBatch[],
): Promise<ReadonlyMap<string, LotState>> {
  const asked = batches.filter((b) => b.goesTo === 'hold' || b.goesTo === 'cool').map((b) => b.id);
  const states = await Promise.all(
    asked.map(async (id) => {
      const lot = await readLot(db, house.id, id);
      const state = lot && lotState(lot, house.keeping);
      return state ? ([[id, state]] as const) : [];
    }),
  );
  return new Map(states.flat());
}

async function plannedBetween(
  db: pg.Pool,
  house: House,
  from: string,
  to: string,
): Promise<readonly PlannedSoup[]> {
  const [services, recipes] = await Promise.all([
    readServicesBetween(db, house.id, from, to),
    readRecipeNames(db, house.id),
  ]);
  const names = new Map(recipes.map((r) => [r.id, r.name]));
  return services.flatMap(({ service }) =>
    batchesOf(service).map((b) => ({
      day: service.day,
      recipeId: b.soup.order.recipeId,
      name: names.get(b.soup.order.recipeId) ?? b.soup.order.recipeId,
      ml: b.litres * 1000,
    })),
  );
}

async function givenBetween(db: pg.Pool, house: House, from: string, to: string) {
  const batches = await batchesBetween(db, house, from, to);
  const [kept, planned] = await Promise.all([
    keptOf(db, house, batches),
    plannedBetween(db, house, from, to),
  ]);
  return { batches, given: givenOut(batches, kept, planned) };
}

/** Weeks looked back on for what tomorrow may want. */
const WEEKS_BACK = 8;

const asDay = (text: string | null | undefined, otherwise: string): string =>
  Day.safeParse(text).success ? (text as string) : otherwise;

/** What was given out in the week up to `until`, the last day; and what tomorrow may want. */
export async function openGiven(db: pg.Pool, until: string | null): Promise<GivenOpened> {
  const house = await theHouse(db);
  const today = dayOf(new Date(), house.keeping.dayEnds);
  const to = asDay(until, today);
  const from = dayAfter(to, -6);
  const { given } = await givenBetween(db, house, from, to);
  const tomorrow = dayAfter(today, 1);
  const before: readonly GivenOut[] = (
    await Promise.all(
      Array.from({ length: WEEKS_BACK }, (_, n) => {
        const day = dayAfter(tomorrow, -7 * (WEEKS_BACK - n));
        return givenBetween(db, house, day, day);
      }),
    )
  ).flatMap((g) => g.given);
  return { from, to, today, given, tomorrow, proposed: proposedFor(tomorrow, before) };
}

/** The week a day is in, from its Monday. */
export async function openWeek(db: pg.Pool, day: string | null): Promise<WeekOpened> {
  const house = await theHouse(db);
  const today = dayOf(new Date(), house.keeping.dayEnds);
  const of = asDay(day, today);
  const from = dayAfter(of, -weekdayOf(of));
  const to = dayAfter(from, 6);
  const { batches, given } = await givenBetween(db, house, from, to);
  const { loud } = await theRecord(db, { from, to, page: '0' });
  return {
    kitchen: house.name,
    currency: house.currency,
    today,
    week: weekOf({ from, to }, batches, given, loud),
  };
}
