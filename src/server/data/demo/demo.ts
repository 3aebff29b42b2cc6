import { randomUUID } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type pg from 'pg';
import type { EventBody } from '../../../core/batch/events';
import { DEFAULT_LIMITS, middleOf } from '../../../core/flow/bands';
import { idFrom } from '../../../core/formats/draft/ids';
import { USUAL_KEEPING } from '../../../core/kitchen/keeping';
import { KitchenFile } from '../../../core/kitchen/kitchenFile';
import { Recipe, type RecipeText } from '../../../core/recipe/recipe';
import { Service } from '../../../core/service/schema';
import { dayAfter, weekdayOf } from '../../../core/service/service';
import { dayOf } from '../../../core/units/clock';
import { plannedBatch } from '../../actions/batches';
import { appendEvent, UNBOUND, writeBatch } from '../../queries/batches';
import { readHouse, writeHouse } from '../../queries/kitchen';
import { claimRecipe, writeVersion } from '../../queries/recipes';
import { writeService } from '../../queries/services';
import { transaction } from '../database';
import { loadKept } from './demoKept';
import { loadHistory } from './demoLog';

const readJsonFile = async (path: string): Promise<unknown> => JSON.parse(await readFile(path, 'utf8'));

/** What a kitchen that begins without the demo begins with: one pot, one burner, its own numbers to come. */
const BLANK = KitchenFile.parse({
  format: 'panache.kitchen/1',
  id: 'kitchen',
  name: 'Our kitchen',
  altitudeM: 0,
  airCelsius: 24,
  humidity: 0.5,
  saltPercent: 0.9,
  bandLimits: DEFAULT_LIMITS,
  vessels: [
    {
      id: 'stockpot',
      name: 'Stockpot 36',
      diameterMm: 360,
      heightMm: 340,
      material: 'stainless steel',
      massG: 5600,
    },
  ],
  burners: [{ id: 'burner', name: 'Burner', kind: 'gas', powerW: 7000 }],
});

/** Whether there is a kitchen already; nobody else brings one until the transaction ends. */
async function hasKitchens(db: pg.PoolClient): Promise<boolean> {
  await db.query('LOCK TABLE kitchen IN EXCLUSIVE MODE');
  return (await db.query('SELECT 1 FROM kitchen LIMIT 1')).rowCount === 1;
}

/** Puts another kitchen without soups beside those there are. Its id is made of its name; returned. */
export const addKitchen = (pool: pg.Pool, name: string): Promise<string> =>
  transaction(async (client) => {
    await hasKitchens(client);
    const { rows } = await client.query<{ id: string }>('SELECT id FROM kitchen');
    const taken = new Set(rows.map((r) => r.id));
    const first = idFrom(name, 'kitchen').slice(0, 50);
    let id = first;
    for (let n = 2; taken.has(id); n++) id = `${first}-${n}`;
    await writeHouse(client, { ...BLANK, id, name });
    return id;
  }, pool);

/** Puts a kitchen without soups into a database that has none. True when it did. */
export const loadBlank = (pool: pg.Pool): Promise<boolean> =>
  transaction(async (client) => {
    if (await hasKitchens(client)) return false;
    await writeHouse(client, BLANK);
    return true;
  }, pool);

/** Order in which the canteen lists its soups; any other follows by name. */
const FIRST = ['cockle-and-leek-chowder', 'smoked-parsnip-veloute', 'haddock-and-sweetcorn-chowder'];

const MINUTE = 60_000;

/** What the opener has tapped so far, minutes after lighting the flame. */
const UNDER_WAY: readonly (readonly [number, EventBody])[] = [
  [0.5, { kind: 'paired', what: 'thermometer', device: 'probe-1', name: 'Probe 1' }],
  [0.6, { kind: 'paired', what: 'scale', device: 'scale-1', name: 'Bench scale' }],
  [8.6, { kind: 'step-done', step: 0 }],
  [12.8, { kind: 'step-done', step: 1 }],
  [15.4, { kind: 'step-done', step: 2 }],
  [18.5, { kind: 'temperature', celsius: 78.5, from: 'Probe 1' }],
  [21.2, { kind: 'step-done', step: 3 }],
  [22.1, { kind: 'step-done', step: 4 }],
  [22.6, { kind: 'depth', mm: 118 }],
];

/** The days a canteen's services stand on: the next of the same day of the week, after today. */
async function loadServices(
  client: pg.PoolClient,
  kitchenId: string,
  folder: string,
  /** Where the batches of a service stand instead, by its file. */
  places: Readonly<Record<string, unknown>>,
): Promise<void> {
  const today = dayOf(new Date(), USUAL_KEEPING.dayEnds);
  for (const file of (await readdir(folder)).filter((f) => f.endsWith('.json')).sort()) {
    const body = (await readJsonFile(join(folder, file))) as object;
    const placed = places[file];
    const service = Service.parse({ ...body, ...(placed !== undefined && { placed }) });
    const ahead = (weekdayOf(service.day) - weekdayOf(today) + 6) % 7;
    await writeService(client, kitchenId, { ...service, day: dayAfter(today, ahead + 1) });
  }
}

/**
 * Loads Quay House Canteen into an empty database, with one batch under way as of now.
 * A database that already holds a kitchen is left alone. True when it loaded.
 */
export async function loadDemo(pool: pg.Pool, folder: string): Promise<boolean> {
  return transaction(async (client) => {
    if (await hasKitchens(client)) return false;
    const kitchen = KitchenFile.parse(await readJsonFile(join(folder, 'kitchen.json')));
    await writeHouse(client, kitchen);
    const files = (await readdir(join(folder, 'recipes'))).filter((f) => f.endsWith('.json')).sort();
    for (const file of files) {
      const body = await readJsonFile(join(folder, 'recipes', file));
      const recipe = Recipe.parse(body);
      const place = FIRST.indexOf(recipe.id);
      await claimRecipe(client, kitchen.id, recipe.id, place === -1 ? FIRST.length : place);
      await writeVersion(client, kitchen.id, { ...(body as RecipeText), id: recipe.id });
    }
    const hasHistory = process.env.PANACHE_HISTORY !== 'off';
    // What was learned makes a day another: its board is the one arranged for that.
    const places = hasHistory ? await readJsonFile(join(folder, 'places-learned.json')) : {};
    await loadServices(client, kitchen.id, join(folder, 'services'), places as Record<string, unknown>);
    if (hasHistory) await loadHistory(client, kitchen.id, folder);
    const house = await readHouse(client);
    if (house) await loadKept(client, house, Date.now());
    const batchId = randomUUID();
    const startedAt = new Date(Date.now() - 26 * MINUTE);
    const request = {
      id: batchId,
      recipeId: 'smoked-parsnip-veloute',
      litres: 8,
      target: Math.round(middleOf('Coating', kitchen.bandLimits)),
      vesselId: 'middle-28',
      burnerId: 'front-right',
      startedAt: startedAt.toISOString(),
      serveAt: new Date(startedAt.getTime() + 70 * MINUTE).toISOString(),
    };
    await writeBatch(client, await plannedBatch(client, request));
    for (const [minutes, body] of UNDER_WAY) {
      const at = new Date(startedAt.getTime() + minutes * MINUTE).toISOString();
      // As if it had been tapped then.
      await appendEvent(
        client,
        batchId,
        { id: randomUUID(), at, receivedAt: at, station: 'Opener', body },
        { ...UNBOUND, archived: true },
      );
    }
    return true;
  }, pool);
}
