import type { BandLimits } from '../../core/flow/bands';
import type { BurnerKind } from '../../core/heat/burner';
import type { Material } from '../../core/heat/vessel';
import type { House } from '../../core/plan/house';
import { type Kitchen, PRIOR } from '../../core/pot/kitchen';
import type { Queryable } from '../database';

type KitchenRow = {
  id: string;
  name: string;
  altitude_m: number;
  air_celsius: number;
  humidity: number;
  salt_percent: number;
  band_limits: number[];
};
type PotRow = {
  id: string;
  name: string;
  diameter_mm: number;
  height_mm: number;
  material: Material;
  mass_g: number;
};
type BurnerRow = { id: string; name: string; kind: BurnerKind; power_w: number };

const limitsOf = ([a = 0, b = 0, c = 0, d = 0]: readonly number[]): BandLimits => [a, b, c, d];

/** The house; null when none has been loaded yet. There is one kitchen to a database so far. */
export async function readHouse(db: Queryable): Promise<House | null> {
  const kitchens = await db.query<KitchenRow>('SELECT * FROM kitchen ORDER BY id LIMIT 1');
  const row = kitchens.rows[0];
  if (!row) return null;
  const [pots, burners] = await Promise.all([
    db.query<PotRow>('SELECT * FROM pot WHERE kitchen_id = $1 ORDER BY place, id', [row.id]),
    db.query<BurnerRow>('SELECT * FROM burner WHERE kitchen_id = $1 ORDER BY place, id', [row.id]),
  ]);
  return {
    id: row.id,
    name: row.name,
    kitchen: {
      altitudeM: row.altitude_m,
      airCelsius: row.air_celsius,
      humidity: row.humidity,
      saltPercent: row.salt_percent,
      bandLimits: limitsOf(row.band_limits),
      factors: PRIOR,
    },
    vessels: pots.rows.map((p) => ({
      id: p.id,
      name: p.name,
      diameterMm: p.diameter_mm,
      heightMm: p.height_mm,
      material: p.material,
      massG: p.mass_g,
    })),
    burners: burners.rows.map((b) => ({ id: b.id, name: b.name, kind: b.kind, powerW: b.power_w })),
  };
}

export async function writeHouse(
  db: Queryable,
  house: Omit<House, 'kitchen'> & { kitchen: Omit<Kitchen, 'factors'> },
): Promise<void> {
  const k = house.kitchen;
  await db.query(
    `INSERT INTO kitchen (id, name, altitude_m, air_celsius, humidity, salt_percent, band_limits)
     VALUES ($1, $2, $3, $4, $5, $6, $7)`,
    [house.id, house.name, k.altitudeM, k.airCelsius, k.humidity, k.saltPercent, k.bandLimits],
  );
  for (const [place, v] of house.vessels.entries()) {
    await db.query(
      `INSERT INTO pot (kitchen_id, id, name, diameter_mm, height_mm, material, mass_g, place)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8)`,
      [house.id, v.id, v.name, v.diameterMm, v.heightMm, v.material, v.massG, place],
    );
  }
  for (const [place, b] of house.burners.entries()) {
    await db.query(
      `INSERT INTO burner (kitchen_id, id, name, kind, power_w, place) VALUES ($1, $2, $3, $4, $5, $6)`,
      [house.id, b.id, b.name, b.kind, b.powerW, place],
    );
  }
}
