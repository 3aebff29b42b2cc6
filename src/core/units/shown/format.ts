import { significant } from './round';

/** A number with a hard space between thousands, so it is read and not miscounted: 1300 → "1 300". */
export function spaced(value: number, decimals = 0): string {
  const [whole = '', rest] = Math.abs(value).toFixed(decimals).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, '\u00a0');
  const sign = value < 0 && Number(`${whole}.${rest ?? 0}`) > 0 ? '−' : '';
  return `${sign}${grouped}${rest ? `.${rest}` : ''}`;
}

/**
 * Litres from millilitres, one decimal from a litre up, two below.
 *
 * @example
 * litres(12_040) // '12.0'
 */
export const litres = (ml: number): string => spaced(ml / 1000, Math.abs(ml) >= 995 ? 1 : 2);

/** Litres as asked for: whole when they are, else to a tenth. */
export const wholeLitres = (value: number): string => spaced(value, Number.isInteger(value) ? 0 : 1);

/** "blond roux" → "Blond roux", and back, for the beginning and the middle of a sentence. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
/** A small letter first, for the middle of a sentence. */
export const uncapital = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/**
 * Viscosity to two figures: nobody reads a third.
 *
 * @example
 * mPas(153) // '150'
 */
export const mPas = (value: number): string => spaced(significant(value, 2));

/**
 * Minutes and hours as spoken: 72 → "1 h 12 min".
 *
 * @example
 * duration(4320) // '1 h 12 min'
 */
export function duration(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) return `${minutes} min`;
  return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
}
