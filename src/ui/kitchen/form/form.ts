import type { KitchenFile } from '../../../core/kitchen/kitchenFile';
import { SALT_PER_SODIUM } from '../../../core/salt/salt';
import { type ReadUnit, retyped, unitsFor } from '../../../core/units/shown/here';
import { type AsTyped, idFor, numberIn, numberOrText, text, textIn } from './formNumbers';
import { type KeepingForm, keepingForm, keepingOf } from './keepingForm';

export type { AsTyped } from './formNumbers';

/** A pot, burner or product as typed. */
type PotForm = {
  id: string;
  name: string;
  diameterCm: string;
  heightCm: string;
  material: string;
  massKg: string;
  lossFactor: string;
};
type BurnerForm = { id: string; name: string; kind: string; powerKw: string; intoPotKw: string };
type ProductForm = {
  ingredient: string;
  name: string;
  saltPercent: string;
  fatPercent: string;
  pH: string;
  yieldPercent: string;
  lot: string;
  pricePerKg: string;
  packG: string;
  kept: boolean;
  allergens: string[];
};

export type KitchenForm = {
  name: string;
  altitudeM: string;
  air: string;
  humidityPercent: string;
  saltPercent: string;
  bandLimits: string[];
  measures: string;
  volume: string;
  temperature: string;
  currency: string;
  flagged: string[];
  roles: string;
  /** Trays its oven takes at once. */
  trays: string;
  vessels: PotForm[];
  burners: BurnerForm[];
  products: ProductForm[];
  keeping: KeepingForm;
};

/** Sodium to salt, mg per 100 g to %. */
const SALT = SALT_PER_SODIUM / 1000;

/** The kitchen as its form shows it: cm, kg, kW and per cent, in the house's own degrees. */
export function kitchenForm(k: KitchenFile): KitchenForm {
  const { of } = unitsFor(k.show);
  return {
    name: k.name,
    altitudeM: text(k.altitudeM),
    air: textIn(k.airCelsius, of('celsius')),
    humidityPercent: text(k.humidity, 0.01),
    saltPercent: text(k.saltPercent),
    bandLimits: k.bandLimits.map((l) => text(l)),
    measures: k.measures,
    volume: k.show.volume,
    temperature: k.show.temperature,
    currency: k.currency,
    flagged: [...k.flagged],
    roles: k.roles.join(', '),
    trays: text(k.trays),
    vessels: k.vessels.map((v) => ({
      id: v.id,
      name: v.name,
      diameterCm: text(v.diameterMm, 10),
      heightCm: text(v.heightMm, 10),
      material: v.material,
      massKg: textIn(v.massG, of('kg')),
      lossFactor: text(v.lossFactor, 1, 4),
    })),
    burners: k.burners.map((b) => ({
      id: b.id,
      name: b.name,
      kind: b.kind,
      powerKw: text(b.powerW, 1000),
      intoPotKw: text(b.intoPotW, 1000, 4),
    })),
    products: k.products.map((p) => ({
      ingredient: p.ingredient,
      name: p.name ?? '',
      saltPercent: text(p.sodium, 1 / SALT, 4),
      fatPercent: text(p.fatPercent),
      pH: text(p.pH),
      yieldPercent: text(p.edibleYield, 0.01),
      lot: p.lot ?? '',
      pricePerKg: textIn(p.pricePerKg, of('perKg')),
      packG: textIn(p.packG, of('g')),
      kept: p.kept !== false,
      allergens: [...(p.allergens ?? [])],
    })),
    keeping: keepingForm(k.keeping, of('celsius')),
  };
}

const maybe = <K extends string>(key: K, typed: string, per = 1): Partial<Record<K, number | string>> =>
  typed.trim() === '' ? {} : ({ [key]: numberOrText(typed, per) } as Record<K, number | string>);

const showOf = (f: Pick<KitchenForm, 'volume' | 'temperature'>): KitchenFile['show'] => ({
  volume: f.volume as KitchenFile['show']['volume'],
  temperature: f.temperature as KitchenFile['show']['temperature'],
});

/** The form with every figure in the units of `to`: what is kept stays what it is. */
export function inUnits(
  f: KitchenForm,
  to: Partial<Pick<KitchenForm, 'volume' | 'temperature'>>,
): KitchenForm {
  const units = { ...f, ...to };
  const [before, after] = [unitsFor(showOf(f)), unitsFor(showOf(units))];
  const as = (typed: string, what: ReadUnit) => retyped(typed, before.of(what), after.of(what));
  return {
    ...units,
    air: as(f.air, 'celsius'),
    vessels: f.vessels.map((v) => ({ ...v, massKg: as(v.massKg, 'kg') })),
    products: f.products.map((p) => ({
      ...p,
      pricePerKg: as(p.pricePerKg, 'perKg'),
      packG: as(p.packG, 'g'),
    })),
    keeping: {
      ...f.keeping,
      hot: as(f.keeping.hot, 'celsius'),
      cold: as(f.keeping.cold, 'celsius'),
      reheat: as(f.keeping.reheat, 'celsius'),
      places: f.keeping.places.map((p) => ({ ...p, celsius: as(p.celsius, 'celsius') })),
    },
  };
}

/** The file the form says, over `base` for its id. What cannot be read stays as typed. */
export function kitchenOf(f: KitchenForm, base: KitchenFile): AsTyped<KitchenFile> {
  const pots = new Set(f.vessels.map((v) => v.id).filter(Boolean));
  const burners = new Set(f.burners.map((b) => b.id).filter(Boolean));
  const show = showOf(f);
  const { of } = unitsFor(show);
  return {
    format: 'panache.kitchen/1',
    id: base.id,
    name: f.name.trim(),
    altitudeM: numberOrText(f.altitudeM),
    airCelsius: numberIn(f.air, of('celsius')),
    humidity: numberOrText(f.humidityPercent, 0.01),
    saltPercent: numberOrText(f.saltPercent),
    bandLimits: f.bandLimits.map((l) => numberOrText(l)),
    measures: f.measures as KitchenFile['measures'],
    show,
    currency: f.currency.trim(),
    flagged: f.flagged as KitchenFile['flagged'],
    roles: f.roles
      .split(',')
      .map((r) => r.trim())
      .filter(Boolean),
    trays: numberOrText(f.trays),
    vessels: f.vessels.map((v) => ({
      id: v.id || idFor(v.name, pots, 'pot'),
      name: v.name.trim(),
      diameterMm: numberOrText(v.diameterCm, 10),
      heightMm: numberOrText(v.heightCm, 10),
      material: v.material as KitchenFile['vessels'][number]['material'],
      massG: numberIn(v.massKg, of('kg')),
      ...maybe('lossFactor', v.lossFactor),
    })),
    burners: f.burners.map((b) => ({
      id: b.id || idFor(b.name, burners, 'burner'),
      name: b.name.trim(),
      kind: b.kind as KitchenFile['burners'][number]['kind'],
      powerW: numberOrText(b.powerKw, 1000),
      ...maybe('intoPotW', b.intoPotKw, 1000),
    })),
    products: f.products.map((p) => ({
      ingredient: p.ingredient,
      ...(p.name.trim() && { name: p.name.trim() }),
      ...maybe('sodium', p.saltPercent, 1 / SALT),
      ...maybe('fatPercent', p.fatPercent),
      ...maybe('pH', p.pH),
      ...maybe('edibleYield', p.yieldPercent, 0.01),
      ...(p.lot.trim() && { lot: p.lot.trim() }),
      ...(p.pricePerKg.trim() && { pricePerKg: numberIn(p.pricePerKg, of('perKg')) }),
      ...(p.packG.trim() && { packG: numberIn(p.packG, of('g')) }),
      ...(!p.kept && { kept: false }),
      ...(p.allergens.length > 0 && { allergens: p.allergens as KitchenFile['flagged'] }),
    })),
    // Calibrated under Check; here they are only kept.
    funnels: base.funnels,
    keeping: keepingOf(f.keeping, of('celsius')),
  };
}

const FIELDS: Readonly<Record<string, string>> = {
  airCelsius: 'air',
  humidity: 'humidityPercent',
  diameterMm: 'diameterCm',
  heightMm: 'heightCm',
  massG: 'massKg',
  powerW: 'powerKw',
  intoPotW: 'intoPotKw',
  sodium: 'saltPercent',
  edibleYield: 'yieldPercent',
};

/** Where in the form a problem of the file stands: "vessels.0.diameterMm" → "vessels.0.diameterCm". */
export const kitchenFieldOf = (path: string): string =>
  path
    .replace(/^kitchen\./, '')
    .replace(/^roles\..*/, 'roles')
    .replace(/^keeping\.tightened\.cooling/, 'keeping.coolingPercent')
    .replace(/^keeping\.tightened\./, 'keeping.')
    .split('.')
    .map((key) => FIELDS[key] ?? key)
    .join('.');
