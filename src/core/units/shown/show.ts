import { MASS_UNITS, VOLUME_UNITS } from '../quantity';
import { toFahrenheit } from '../temperature';
import { litres, spaced, wholeLitres } from './format';

/**
 * How a kitchen likes to read volumes (weights go with them: grams, or ounces and pounds) and temperatures; inside
 * everything is metric.
 */
export type Show = { readonly volume: 'L' | 'gal'; readonly temperature: 'C' | 'F' };

export const METRIC: Show = { volume: 'L', temperature: 'C' };

/** "85 °C" or "185 °F". */
export const degrees = (celsius: number, { temperature }: Show): string =>
  temperature === 'C' ? `${spaced(celsius)} °C` : `${spaced(toFahrenheit(celsius))} °F`;

/** "56.8 °C" or "134.2 °F": to a tenth, for a record. */
export const exactDegrees = (celsius: number, { temperature }: Show): string =>
  temperature === 'C' ? `${spaced(celsius, 1)} °C` : `${spaced(toFahrenheit(celsius), 1)} °F`;

/** "0.3 °C" or "0.5 °F": so much warmer or colder. */
export const degreesApart = (kelvin: number, { temperature }: Show): string =>
  temperature === 'C' ? `${spaced(kelvin, 1)} °C` : `${spaced(kelvin * 1.8, 1)} °F`;

/** "57 to 21 °C" or "135 to 70 °F". */
export const degreesFrom = (from: number, to: number, show: Show): string =>
  `${degrees(from, show).replace(/ .*/, '')} to ${degrees(to, show)}`;

/** A volume to read at a glance: litres; or US gallons, quarts, and below one, fluid ounces. */
export function volumeIn(ml: number, { volume }: Show): { readonly figure: string; readonly unit: string } {
  if (volume === 'L') return { figure: litres(ml), unit: 'L' };
  if (Math.abs(ml) >= VOLUME_UNITS.gal) return { figure: spaced(ml / VOLUME_UNITS.gal, 1), unit: 'gal' };
  if (Math.abs(ml) >= VOLUME_UNITS.quart) return { figure: spaced(ml / VOLUME_UNITS.quart, 1), unit: 'qt' };
  const oz = ml / VOLUME_UNITS['fl oz'];
  return { figure: spaced(oz, Math.abs(oz) < 9.95 ? 1 : 0), unit: 'fl oz' };
}

/** A small volume as on a jug or spoon: "60 mL", or "2.0 fl oz"; `marked` with what stands on the measure beside it. */
export const jugWords = (ml: number, show: Show, marked = false): string => {
  const metric = `${spaced(ml, Number.isInteger(ml) || ml >= 10 ? 0 : 1)} mL`;
  if (show.volume === 'L') return metric;
  return marked ? `${volumeWords(ml, show)} (${metric})` : volumeWords(ml, show);
};

/** Ounces in a pound, and pounds from which they are said without ounces. */
const OUNCES = 16;
const PLAIN_POUNDS = 10;

/** A weight as a scale shows it: "640 g"; or US ounces, and pounds with them: "2 lb 3.4 oz". Of fractions of a gram, tenths. */
export function massWords(g: number, { volume }: Show): string {
  if (volume === 'L') return `${spaced(g, Math.abs(g) < 10 ? 1 : 0)} g`;
  const oz = g / MASS_UNITS.oz;
  if (Math.abs(oz) < OUNCES - 0.05) return `${spaced(oz, Math.abs(oz) < 1 ? 2 : 1)} oz`;
  if (Math.abs(oz) >= PLAIN_POUNDS * OUNCES) return `${spaced(oz / OUNCES, 1)} lb`;
  const tenths = Math.round(oz * 10);
  const pounds = Math.trunc(tenths / (OUNCES * 10));
  return `${pounds} lb ${spaced(Math.abs(tenths - pounds * OUNCES * 10) / 10, 1)} oz`;
}

/** The weight of a pot and what is in it: "12.4 kg", or "27.3 lb". */
export const heavyWords = (kg: number, { volume }: Show): string =>
  volume === 'L' ? `${spaced(kg, 1)} kg` : `${spaced((kg * 1000) / MASS_UNITS.lb, 1)} lb`;

/** A weight to be fetched: kilograms from ten up. */
export const fetchedWords = (g: number, show: Show): string =>
  show.volume === 'L' && g >= 10_000 ? `${spaced(g / 1000, 1)} kg` : massWords(g, show);

/** A volume with its unit: "12.0 L", "3.2 gal". */
export const volumeWords = (ml: number, show: Show): string => {
  const { figure, unit } = volumeIn(ml, show);
  return `${figure} ${unit}`;
};

/** Litres as asked for, whole when they are; or gallons. */
export const askedVolume = (litresAsked: number, show: Show): string =>
  show.volume === 'L' ? `${wholeLitres(litresAsked)} L` : volumeWords(litresAsked * 1000, show);

/** A temperature as a figure of a message: to a tenth only where it has one. */
export const inDegrees = (celsius: number): { readonly celsius: number; readonly exact?: true } =>
  Number.isInteger(celsius) ? { celsius } : { celsius, exact: true };
