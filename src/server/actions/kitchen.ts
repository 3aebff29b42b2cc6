import type pg from 'pg';
import { FunnelAsked, RestoredKitchen, SavedKitchen, WaterTestAsked } from '../../contract/kitchen';
import { idFrom } from '../../core/formats/draft/ids';
import type { House } from '../../core/kitchen/house';
import { type FunnelFile, FunnelSchema, KitchenFile, kitchenFileOf } from '../../core/kitchen/kitchenFile';
import { fitWaterTest, ImplausibleReading, type WaterTested } from '../../core/learn/waterTest';
import { same } from '../../core/maths/same';
import { message } from '../../core/message/message';
import { saidBy } from '../../core/message/told';
import { type Queryable, transaction } from '../data/database';
import { readInUse } from '../queries/batches';
import { readHouse, readKitchenVersions, replaceHouse } from '../queries/kitchen';
import { writeWaterTest } from '../queries/waterTests';
import { accept, cannot, Refusal, taken, unknown } from '../refusal';
import { acceptSaid } from '../saying';

/** The stored house. Refuses when there is none. */
export async function theHouse(db: Queryable): Promise<House> {
  const house = await readHouse(db);
  if (!house) throw unknown('kitchen', 'none', []);
  return house;
}

/** Refuses a kitchen without a pot or burner that something stands on now. */
export async function refuseInUse(db: Queryable, file: KitchenFile): Promise<void> {
  for (const use of await readInUse(db, file.id)) {
    const gone = (field: string, name: string) =>
      taken(
        field,
        message('{name} is gone, and {recipe} stands on it', { name, recipe: use.recipeName }),
        message('end that batch first'),
      );
    if (!file.vessels.some((v) => v.id === use.vesselId)) throw gone('vessels', use.vesselName);
    if (use.burnerId !== null && !file.burners.some((b) => b.id === use.burnerId))
      throw gone('burners', use.burnerName);
  }
}

/** Writes the whole kitchen, as changed from `revision`. Its id stays what it is. */
export async function saveKitchen(pool: pg.Pool, input: unknown): Promise<{ revision: number }> {
  const { kitchen, revision, note, by } = acceptSaid(SavedKitchen, input);
  const file = accept(KitchenFile, kitchen);
  return transaction(async (db) => {
    await db.query('SELECT 1 FROM kitchen FOR UPDATE');
    const house = await theHouse(db);
    const saved = { ...file, id: house.id };
    if (house.revision === revision && same(kitchenFileOf(house), saved)) return { revision };
    await refuseInUse(db, saved);
    return { revision: await replaceHouse(db, saved, revision, { by, note }) };
  }, pool);
}

/** Makes an old revision of the kitchen the newest again. The ones between stay; a pot something stands on does not go. */
export async function restoreKitchen(pool: pg.Pool, input: unknown): Promise<{ revision: number }> {
  const { revision, by } = acceptSaid(RestoredKitchen, input);
  return transaction(async (db) => {
    await db.query('SELECT 1 FROM kitchen FOR UPDATE');
    const house = await theHouse(db);
    const versions = await readKitchenVersions(db, house.id);
    const wanted = versions.find((v) => v.revision === revision);
    if (!wanted) {
      const there = versions.map((v) => String(v.revision));
      throw unknown('revision', String(revision), there);
    }
    if (same(kitchenFileOf(house), wanted.body)) return { revision: house.revision };
    await refuseInUse(db, wanted.body);
    const note = `as revision ${revision} was`;
    return { revision: await replaceHouse(db, wanted.body, house.revision, { by, note }) };
  }, pool);
}

/** Fits a water test, writes it down, and gives its figures to the pot and the burner. The same id twice does it once. */
export async function recordWaterTest(pool: pg.Pool, input: unknown): Promise<WaterTested> {
  const { id, vesselId, burnerId, readings, by } = acceptSaid(WaterTestAsked, input);
  return transaction(async (db) => {
    const house = await theHouse(db);
    const vessel = house.vessels.find((v) => v.id === vesselId);
    const burner = house.burners.find((b) => b.id === burnerId);
    const idsOf = (all: readonly { id: string }[]) => all.map((x) => x.id);
    if (!vessel) throw unknown('vesselId', vesselId, idsOf(house.vessels));
    if (!burner) throw unknown('burnerId', burnerId, idsOf(house.burners));
    let tested: WaterTested;
    try {
      tested = fitWaterTest(readings, vessel, burner, house.kitchen);
    } catch (error) {
      if (error instanceof ImplausibleReading)
        throw cannot(`readings.${error.field}`, String(error.given), error.says);
      if (error instanceof RangeError)
        throw new Refusal(422, [{ field: 'readings', given: saidBy(error), allowed: '' }]);
      throw error;
    }
    const { lossFactor, intoPotW } = tested;
    if (await writeWaterTest(db, house.id, { id, vesselId, burnerId, readings, lossFactor, intoPotW })) {
      const file = kitchenFileOf(house);
      await replaceHouse(
        db,
        {
          ...file,
          vessels: file.vessels.map((v) => (v.id === vesselId ? { ...v, lossFactor } : v)),
          burners: file.burners.map((b) => (b.id === burnerId ? { ...b, intoPotW } : b)),
        },
        house.revision,
        { by, note: `water test of ${vessel.name} on ${burner.name}` },
      );
    }
    return tested;
  }, pool);
}

/** Keeps a funnel as it was calibrated; one of the same name is calibrated anew. */
export async function saveFunnel(pool: pg.Pool, input: unknown): Promise<FunnelFile> {
  const { by, ...request } = acceptSaid(FunnelAsked, input);
  const funnel = accept(FunnelSchema, { ...request, id: idFrom(request.name, 'funnel') });
  return transaction(async (db) => {
    const house = await theHouse(db);
    const file = kitchenFileOf(house);
    const others = file.funnels.filter((f) => f.id !== funnel.id);
    const next = accept(KitchenFile, { ...file, funnels: [...others, funnel] });
    await replaceHouse(db, next, house.revision, { by, note: `${funnel.name} calibrated` });
    return funnel;
  }, pool);
}
