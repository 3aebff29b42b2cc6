import { type Density, densityOf } from '../units/measure';

/** What a cook may mean by a roux of equal parts; practitioners differ, so each plan says which. */
export const EQUAL_PARTS = ['weight', 'volume', 'three-to-two'] as const;
type EqualParts = (typeof EQUAL_PARTS)[number];

export const EQUAL_PARTS_WORDS: { readonly [E in EqualParts]: string } = {
  weight: 'equal parts by weight',
  volume: 'equal parts by volume',
  'three-to-two': 'three flour to two fat by weight',
};

/**
 * Grams of fat for a gram of flour. By volume it follows from what a spoonful of each weighs
 * (spooned flour 0.51 g/mL, butter 0.96 g/mL), so the roux is only about a third flour.
 */
export function fatPerFlour(rule: EqualParts, flour: Density, fat: Density): number {
  if (rule === 'weight') return 1;
  if (rule === 'three-to-two') return 2 / 3;
  return densityOf(fat) / densityOf(flour, 'spooned');
}

/**
 * Below this the flour is not wetted and lumps; above, the roux cannot bind it and the soup is greasy. g fat per g
 * flour, common practice.
 */
export const FAT_NEEDED = 0.65;
export const FAT_BOUND = 1.2;
