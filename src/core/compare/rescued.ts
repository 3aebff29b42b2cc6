import { MAKINGS, type Making } from '../order/changes/makings';
import type { WeighLine } from '../plan/types';

/** What would be thrown away and makes a stock: how much of it, and how much stock. */
type Rescued = {
  readonly making: Making;
  /** What it is kept as. */
  readonly ingredient: string;
  readonly g: number;
  readonly litres: number;
  /** mL of juice pressed or scraped from it first; 0 where there is none. */
  readonly juiceMl: number;
};

/** What the waste of an ingredient makes. Common practice, no source. */
const WASTE: Readonly<Record<string, string>> = {
  sweetcorn: 'corn-cobs',
  leek: 'vegetable-trimmings',
  onion: 'vegetable-trimmings',
  shallot: 'vegetable-trimmings',
  'spring-onion': 'vegetable-trimmings',
  celery: 'vegetable-trimmings',
  celeriac: 'vegetable-trimmings',
  fennel: 'vegetable-trimmings',
  carrot: 'vegetable-trimmings',
  parsnip: 'vegetable-trimmings',
  'crab-meat': 'crab-shells',
  'lobster-meat': 'crab-shells',
  'small-shrimp': 'shrimp-shells',
  'large-shrimp': 'shrimp-shells',
};

/** Part of what is trimmed off that is clean enough to keep: roots' peel and outer leaves are not. Common practice, no source. */
const CLEAN = {
  'vegetable-trimmings': 0.5,
  'corn-cobs': 0.8,
  'crab-shells': 0.9,
  'shrimp-shells': 1,
} as const;

/** mL scraped from a kilogram of bare cobs with the back of a knife. Common practice, no source. */
const JUICE_PER_KG = 150;

/** g of anything under which it is not worth a pot. Common practice, no source. */
const WORTH = 150;

const makes = (of: string): Making | undefined =>
  MAKINGS.find((m) => m.of[0]?.[0] === (of === 'shrimp-shells' ? 'crab-shells' : of));

/** What a weigh-out leaves that makes a stock: shells, cobs and clean trimmings, with the litres they make. */
export function rescuedFrom(lines: readonly WeighLine[]): readonly Rescued[] {
  const kept = new Map<string, number>();
  for (const l of lines) {
    const of = WASTE[l.ingredient];
    if (!of) continue;
    const g = Math.max(0, l.asPurchased - l.g) * (CLEAN[of as keyof typeof CLEAN] ?? 1);
    kept.set(of, (kept.get(of) ?? 0) + g);
  }
  return [...kept].flatMap(([of, g]): Rescued[] => {
    const making = makes(of);
    const perLitre = making?.of[0]?.[1];
    if (!making || !perLitre || g < WORTH) return [];
    return [
      {
        making,
        ingredient: of,
        g: Math.round(g / 10) * 10,
        litres: Math.round((g / perLitre) * 10) / 10,
        juiceMl: of === 'corn-cobs' ? Math.round(((g / 1000) * JUICE_PER_KG) / 10) * 10 : 0,
      },
    ];
  });
}
