import { ingredient } from './catalogue';
import { volumeOf } from './thermal';

/** Share of the room that pieces lying loose in a pot fill. Random packing of cubes and balls, 0.55 to 0.64, from memory. */
const PACKED = 0.6;

/** g/mL of what lies in a heap far looser than that: hollow, or all edges. Common practice, no source. */
const HEAPED: Readonly<Record<string, number>> = {
  'crab-shells': 0.35,
  'shrimp-shells': 0.35,
  'fish-bones': 0.55,
  'chicken-bones': 0.5,
  'corn-cobs': 0.45,
  'vegetable-trimmings': 0.35,
  lettuce: 0.1,
  spinach: 0.1,
};

/** mL of room that `g` grams (0 and up) of an ingredient take up lying loose in a pot, the gaps counted. */
export function heapMl(id: string, g: number): number {
  const heaped = HEAPED[id];
  return heaped === undefined ? (g * volumeOf(ingredient(id).composition, 20)) / PACKED : g / heaped;
}
