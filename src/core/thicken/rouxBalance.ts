import { within } from '../units/range';
import { FAT_BOUND, FAT_NEEDED } from './equalParts';

/** Fat for a roux when the pot already holds some. */
type RouxBalance = {
  /** g of pure fat for each g of flour as things stand. */
  readonly perGram: number;
  /** g of pure fat to add before the flour is wetted; 0 when there is enough. */
  readonly short: number;
  /** g of pure fat beyond what the flour can bind; 0 when none. */
  readonly over: number;
};

/**
 * Balances `flour` g against `freeFat` g already rendered, melted or left by a sweat. Common practice, no source.
 *
 * @example
 * rouxBalance(100, 30) // { perGram: 0.3, short: 35, over: 0 }
 */
export function rouxBalance(flour: number, freeFat: number): RouxBalance {
  within('flour', flour, 0.1, 1e6, 'g');
  within('fat in the pot', freeFat, 0, 1e6, 'g');
  return {
    perGram: freeFat / flour,
    short: Math.max(0, flour * FAT_NEEDED - freeFat),
    over: Math.max(0, freeFat - flour * FAT_BOUND),
  };
}
