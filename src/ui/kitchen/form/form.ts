import type { KitchenFile } from '../../../core/house/kitchenFile';
import { SALT_PER_SODIUM } from '../../../core/season/salt';
import { toCelsius, toFahrenheit } from '../../../core/units/temperature';
import { type AsTyped, idFor, numberOrText, text } from './formNumbers';
import { type KeepingForm, keepingForm, keepingOf } from './keepingForm';

export type { AsTyped } from './formNumbers';

/** A pot, burner or product as typed. */
export type PotForm = {
  id: string;
  name: string;
  diameterCm: string;
  heightCm: string;
  material: string;
  massKg: string;
  lossFactor: string;
};
export type BurnerForm = { id: string; name: string; kind: string; powerKw: string; intoPotKw: string };
export type ProductForm = {
  ingredient: string;
  name: string;
  saltPercent: string;
  fatPercent: string;
  pH: string;
  yieldPercent: string;
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
  vessels: PotForm[];
  burners: BurnerForm[];
  products: ProductForm[];
  keeping: KeepingForm;
};

/** Sodium to salt, mg per 100 g to %. */
const SALT = SALT_PER_SODIUM / 1000;

/** The kitchen as its form shows it: cm, kg, kW and per cent, in the house's own degrees. */
export function kitchenForm(k: KitchenFile): KitchenForm {
  const fahrenheit = k.show.temperature === 'F';
  return {
    name: k.name,
    altitudeM: text(k.altitudeM),
    air: text(fahrenheit ? toFahrenheit(k.airCelsius) : k.airCelsius),
    humidityPercent: text(k.humidity, 0.01),
    saltPercent: text(k.saltPercent),
    bandLimits: k.bandLimits.map((l) => text(l)),
    measures: k.measures,
    volume: k.show.volume,
    temperature: k.show.temperature,
    currency: k.currency,
    flagged: [...k.flagged],
    roles: k.roles.join(', '),
    vessels: k.vessels.map((v) => ({
      id: v.id,
      name: v.name,
      diameterCm: text(v.diameterMm, 10),
      heightCm: text(v.heightMm, 10),
      material: v.material,
      massKg: text(v.massG, 1000),
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
      pricePerKg: text(p.pricePerKg),
      packG: text(p.packG),
      kept: p.kept !== false,
      allergens: [...(p.allergens ?? [])],
    })),
    keeping: keepingForm(k.keeping),
  };
}

const maybe = <K extends string>(key: K, typed: string, per = 1): Partial<Record<K, number | string>> =>
  typed.trim() === '' ? {} : ({ [key]: numberOrText(typed, per) } as Record<K, number | string>);

/** The file the form says, over `base` for its id. What cannot be read stays as typed. */
export function kitchenOf(f: KitchenForm, base: KitchenFile): AsTyped<KitchenFile> {
  const pots = new Set(f.vessels.map((v) => v.id).filter(Boolean));
  const burners = new Set(f.burners.map((b) => b.id).filter(Boolean));
  const air = numberOrText(f.air);
  return {
    format: 'panache.kitchen/1',
    id: base.id,
    name: f.name.trim(),
    altitudeM: numberOrText(f.altitudeM),
    airCelsius: f.temperature === 'F' && typeof air === 'number' ? toCelsius(air) : air,
    humidity: numberOrText(f.humidityPercent, 0.01),
    saltPercent: numberOrText(f.saltPercent),
    bandLimits: f.bandLimits.map((l) => numberOrText(l)),
    measures: f.measures as KitchenFile['measures'],
    show: {
      volume: f.volume as KitchenFile['show']['volume'],
      temperature: f.temperature as KitchenFile['show']['temperature'],
    },
    currency: f.currency.trim(),
    flagged: f.flagged as KitchenFile['flagged'],
    roles: f.roles
      .split(',')
      .map((r) => r.trim())
      .filter(Boolean),
    vessels: f.vessels.map((v) => ({
      id: v.id || idFor(v.name, pots, 'pot'),
      name: v.name.trim(),
      diameterMm: numberOrText(v.diameterCm, 10),
      heightMm: numberOrText(v.heightCm, 10),
      material: v.material as KitchenFile['vessels'][number]['material'],
      massG: numberOrText(v.massKg, 1000),
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
      ...maybe('pricePerKg', p.pricePerKg),
      ...maybe('packG', p.packG),
      ...(!p.kept && { kept: false }),
      ...(p.allergens.length > 0 && { allergens: p.allergens as KitchenFile['flagged'] }),
    })),
    // Calibrated under Check; here they are only kept.
    funnels: base.funnels,
    keeping: keepingOf(f.keeping),
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
