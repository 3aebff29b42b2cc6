import type { BandLimits } from '../../core/flow/bands';
import type { House } from '../../core/house/house';
import { houseOf, KitchenFile, kitchenFileOf } from '../../core/house/kitchenFile';
import type { Queryable } from '../data/database';
import { stale } from '../refusal';

type KitchenRow = {
  id: string;
  name: string;
  altitude_m: number;
  air_celsius: number;
  humidity: number;
  salt_percent: number;
  band_limits: number[];
  measures: string;
  show_volume: string;
  show_temperature: string;
  currency: string;
  flagged: string[];
  roles: string[];
  revision: number;
};
type PotRow = {
  id: string;
  name: string;
  diameter_mm: number;
  height_mm: number;
  material: string;
  mass_g: number;
  loss_factor: number | null;
};
type BurnerRow = { id: string; name: string; kind: string; power_w: number; into_pot_w: number | null };
type FunnelRow = {
  id: string;
  name: string;
  orifice_mm: number;
  ml: number;
  thin_nu: number;
  thin_s: number;
  thick_nu: number;
  thick_s: number;
};
type ProductRow = {
  ingredient: string;
  name: string | null;
  sodium: number | null;
  fat_percent: number | null;
  ph: number | null;
  edible_yield: number | null;
  price_per_kg: number | null;
  allergens: string[] | null;
};

const limitsOf = ([a = 0, b = 0, c = 0, d = 0]: readonly number[]): BandLimits => [a, b, c, d];

/** A row without what it leaves open. */
const known = <T extends object>(row: T) =>
  Object.fromEntries(Object.entries(row).filter(([, v]) => v !== null));

/** The house; null when none has been loaded yet. There is one kitchen to a database so far. */
export async function readHouse(db: Queryable): Promise<House | null> {
  const kitchens = await db.query<KitchenRow>('SELECT * FROM kitchen ORDER BY id LIMIT 1');
  const row = kitchens.rows[0];
  if (!row) return null;
  const of = (table: string, order: string) =>
    `SELECT * FROM ${table} WHERE kitchen_id = $1 ORDER BY ${order}`;
  // One after another: inside a transaction there is but one connection.
  const pots = await db.query<PotRow>(of('pot', 'place, id'), [row.id]);
  const burners = await db.query<BurnerRow>(of('burner', 'place, id'), [row.id]);
  const products = await db.query<ProductRow>(of('product', 'ingredient'), [row.id]);
  const funnels = await db.query<FunnelRow>(of('funnel', 'place, id'), [row.id]);
  const file = KitchenFile.parse({
    format: 'panache.kitchen/1',
    id: row.id,
    name: row.name,
    altitudeM: row.altitude_m,
    airCelsius: row.air_celsius,
    humidity: row.humidity,
    saltPercent: row.salt_percent,
    bandLimits: limitsOf(row.band_limits),
    measures: row.measures,
    show: { volume: row.show_volume, temperature: row.show_temperature },
    currency: row.currency,
    flagged: row.flagged,
    roles: row.roles,
    vessels: pots.rows.map((p) => ({
      id: p.id,
      name: p.name,
      diameterMm: p.diameter_mm,
      heightMm: p.height_mm,
      material: p.material,
      massG: p.mass_g,
      ...known({ lossFactor: p.loss_factor }),
    })),
    burners: burners.rows.map((b) => ({
      id: b.id,
      name: b.name,
      kind: b.kind,
      powerW: b.power_w,
      ...known({ intoPotW: b.into_pot_w }),
    })),
    products: products.rows.map((p) => ({
      ingredient: p.ingredient,
      ...known({
        name: p.name,
        sodium: p.sodium,
        fatPercent: p.fat_percent,
        pH: p.ph,
        edibleYield: p.edible_yield,
        pricePerKg: p.price_per_kg,
        allergens: p.allergens,
      }),
    })),
    funnels: funnels.rows.map((f) => ({
      id: f.id,
      name: f.name,
      orificeMm: f.orifice_mm,
      ml: f.ml,
      thin: { nu: f.thin_nu, seconds: f.thin_s },
      thick: { nu: f.thick_nu, seconds: f.thick_s },
    })),
  });
  return houseOf(file, row.revision);
}

async function writeContents(
  db: Queryable,
  { id, vessels, burners, products, funnels }: KitchenFile,
): Promise<void> {
  for (const table of ['pot', 'burner', 'product', 'funnel']) {
    await db.query(`DELETE FROM ${table} WHERE kitchen_id = $1`, [id]);
  }
  for (const [place, v] of vessels.entries()) {
    await db.query(
      `INSERT INTO pot (kitchen_id, id, name, diameter_mm, height_mm, material, mass_g, loss_factor, place)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
      [id, v.id, v.name, v.diameterMm, v.heightMm, v.material, v.massG, v.lossFactor ?? null, place],
    );
  }
  for (const [place, b] of burners.entries()) {
    await db.query(
      `INSERT INTO burner (kitchen_id, id, name, kind, power_w, into_pot_w, place)
       VALUES ($1, $2, $3, $4, $5, $6, $7)`,
      [id, b.id, b.name, b.kind, b.powerW, b.intoPotW ?? null, place],
    );
  }
  for (const [place, f] of funnels.entries()) {
    await db.query(
      `INSERT INTO funnel
         (kitchen_id, id, name, orifice_mm, ml, thin_nu, thin_s, thick_nu, thick_s, place)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
      [id, f.id, f.name, f.orificeMm, f.ml, f.thin.nu, f.thin.seconds, f.thick.nu, f.thick.seconds, place],
    );
  }
  for (const p of products) {
    await db.query(
      `INSERT INTO product
         (kitchen_id, ingredient, name, sodium, fat_percent, ph, edible_yield, price_per_kg, allergens)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
      [
        id,
        p.ingredient,
        p.name ?? null,
        p.sodium ?? null,
        p.fatPercent ?? null,
        p.pH ?? null,
        p.edibleYield ?? null,
        p.pricePerKg ?? null,
        p.allergens ?? null,
      ],
    );
  }
}

const COLUMNS = [
  'name',
  'altitude_m',
  'air_celsius',
  'humidity',
  'salt_percent',
  'band_limits',
  'measures',
  'show_volume',
  'show_temperature',
  'currency',
  'flagged',
  'roles',
];

const valuesOf = (k: KitchenFile): readonly unknown[] => [
  k.name,
  k.altitudeM,
  k.airCelsius,
  k.humidity,
  k.saltPercent,
  k.bandLimits,
  k.measures,
  k.show.volume,
  k.show.temperature,
  k.currency,
  k.flagged,
  k.roles,
];

/** Writes a kitchen into a database that has none. Run it in a transaction. */
export async function writeHouse(db: Queryable, file: KitchenFile): Promise<void> {
  const places = COLUMNS.map((_, n) => `$${n + 2}`).join(', ');
  await db.query(`INSERT INTO kitchen (id, ${COLUMNS.join(', ')}) VALUES ($1, ${places})`, [
    file.id,
    ...valuesOf(file),
  ]);
  await writeContents(db, file);
}

/**
 * Writes a changed kitchen over the one it was read from, and returns the new revision. Refuses when
 * somebody saved in between. Run it in a transaction.
 */
export async function replaceHouse(db: Queryable, file: KitchenFile, revision: number): Promise<number> {
  const sets = COLUMNS.map((c, n) => `${c} = $${n + 3}`).join(', ');
  const { rows } = await db.query<{ revision: number }>(
    `UPDATE kitchen SET ${sets}, revision = revision + 1 WHERE id = $1 AND revision = $2 RETURNING revision`,
    [file.id, revision, ...valuesOf(file)],
  );
  const [row] = rows;
  if (!row) throw stale('kitchen');
  await writeContents(db, file);
  return row.revision;
}

/** The house as its own file says it, or null. */
export async function readKitchenFile(db: Queryable): Promise<KitchenFile | null> {
  const house = await readHouse(db);
  return house && kitchenFileOf(house);
}
