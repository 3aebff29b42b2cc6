import { litres, spaced, wholeLitres } from './format';
import { VOLUME_UNITS } from './quantity';
import { toFahrenheit } from './temperature';

/** How a kitchen likes to read volumes and temperatures; inside everything is metric. */
export type Show = { readonly volume: 'L' | 'gal'; readonly temperature: 'C' | 'F' };

export const METRIC: Show = { volume: 'L', temperature: 'C' };

/** "85 °C" or "185 °F". */
export const degrees = (celsius: number, { temperature }: Show): string =>
  temperature === 'C' ? `${Math.round(celsius)} °C` : `${Math.round(toFahrenheit(celsius))} °F`;

/** "56.8 °C" or "134.2 °F": to a tenth, for a record. */
export const exactDegrees = (celsius: number, { temperature }: Show): string =>
  temperature === 'C' ? `${celsius.toFixed(1)} °C` : `${toFahrenheit(celsius).toFixed(1)} °F`;

/** "57 to 21 °C" or "135 to 70 °F". */
export const degreesFrom = (from: number, to: number, show: Show): string =>
  `${degrees(from, show).replace(/ .*/, '')} to ${degrees(to, show)}`;

/** A volume to read at a glance: litres, or US gallons and below one, quarts. */
export function volumeIn(ml: number, { volume }: Show): { readonly figure: string; readonly unit: string } {
  if (volume === 'L') return { figure: litres(ml), unit: 'L' };
  const gal = ml / VOLUME_UNITS.gal;
  if (gal >= 1) return { figure: spaced(gal, 1), unit: 'gal' };
  return { figure: spaced(ml / VOLUME_UNITS.quart, 1), unit: 'qt' };
}

/** A volume with its unit: "12.0 L", "3.2 gal". */
export const volumeWords = (ml: number, show: Show): string => {
  const { figure, unit } = volumeIn(ml, show);
  return `${figure} ${unit}`;
};

/** Litres as asked for, whole when they are; or gallons. */
export const askedVolume = (litresAsked: number, show: Show): string =>
  show.volume === 'L' ? `${wholeLitres(litresAsked)} L` : volumeWords(litresAsked * 1000, show);
