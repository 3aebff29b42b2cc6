/**
 * What one of something weighs as bought, g, when a recipe counts it. Common practice, no source, from
 * memory; sizes differ by half either way, so a line read with one is to be looked at.
 */
const PIECE_G: Readonly<Record<string, number>> = {
  onion: 170,
  shallot: 30,
  leek: 220,
  'spring-onion': 15,
  garlic: 5,
  celery: 45,
  celeriac: 700,
  fennel: 250,
  parsnip: 140,
  carrot: 80,
  beetroot: 120,
  swede: 500,
  turnip: 150,
  'sweet-potato': 250,
  'floury-potato': 200,
  'waxy-potato': 120,
  'jacket-potato': 180,
  squash: 1100,
  pumpkin: 2500,
  cauliflower: 800,
  broccoli: 350,
  courgette: 200,
  lettuce: 350,
  tomato: 120,
  'red-pepper': 160,
  'button-mushroom': 18,
  'chestnut-mushroom': 20,
  pear: 180,
  apple: 170,
  sweetcorn: 270,
  'egg-yolk': 18,
  'egg-yolk-pasteurised': 18,
  'whole-egg': 50,
  'bay-leaf': 0.2,
  'streaky-bacon': 25,
  'back-bacon': 35,
  scallop: 25,
  'large-shrimp': 15,
  'small-shrimp': 3,
  oyster: 100,
  'lobster-meat': 550,
  'crab-meat': 700,
  'mussel-meat': 15,
  'clam-meat': 30,
  squid: 120,
  cod: 300,
  haddock: 300,
  salmon: 250,
  'white-fish': 160,
  trout: 160,
  'smoked-trout': 65,
  'smoked-mackerel': 90,
  kipper: 180,
  anchovies: 4,
  'green-pepper': 160,
  'roasted-pepper': 60,
  'fresh-chilli': 10,
  avocado: 200,
  cucumber: 350,
  aubergine: 300,
  'white-cabbage': 900,
  'savoy-cabbage': 700,
  portobello: 80,
  shiitake: 15,
  olives: 4,
  'lime-juice': 30,
  'orange-juice': 80,
  bread: 35,
  'lemon-juice': 45,
};

/** What a loose measure holds, g, by its word and, where it matters, by what is in it. Common practice, no source. */
const LOOSE_G: Readonly<Record<string, number>> = {
  pinch: 0.4,
  dash: 0.6,
  knob: 15,
  handful: 25,
  sprig: 1,
  bunch: 30,
  clove: 5,
  stick: 45,
  stalk: 45,
  rib: 45,
  rasher: 25,
  slice: 25,
  ear: 100,
  head: 350,
  leaf: 0.2,
  glug: 15,
  splash: 10,
  drizzle: 5,
  squeeze: 5,
  grind: 0.1,
  cube: 10,
  fillet: 150,
  can: 400,
  jar: 300,
  carton: 1000,
  packet: 250,
};

/** What a pack holds of those that come in sizes of their own, g drained. Common practice, no source. */
const PACK_G: Readonly<Record<string, Partial<Record<CountWord, number>>>> = {
  anchovies: { can: 30, jar: 60 },
  'tinned-tuna': { can: 110 },
  'tinned-salmon': { can: 170 },
  'smoked-oysters': { can: 65 },
  'crab-meat': { can: 120 },
  'clam-meat': { can: 110 },
  chickpeas: { can: 240, jar: 400 },
  'butter-beans': { can: 235, jar: 400 },
  'kidney-beans': { can: 240 },
  'black-beans': { can: 240 },
  'white-beans': { can: 240, jar: 400 },
  'tomato-paste': { can: 140 },
  'heavy-cream': { carton: 300 },
  'thick-cream': { carton: 300 },
  'single-cream': { carton: 300 },
  'sour-cream': { carton: 300 },
};

/** What one of a kind weighs that is not listed by itself, g: enough to begin with, and always to be looked at. Our assumption. */
const PIECE_OF_GROUP_G: Readonly<Record<string, number>> = {
  vegetable: 150,
  seafood: 20,
  meat: 150,
  'cured meat': 30,
  egg: 50,
};

/** A bulb of garlic, some ten cloves, g as bought. Common practice, no source. */
const BULB_OF_GARLIC = 50;

/** What a count speaks of: one of the thing itself, or a loose measure of it. */
export const COUNT_WORDS = [
  'piece',
  'pinch',
  'dash',
  'knob',
  'handful',
  'sprig',
  'bunch',
  'clove',
  'stick',
  'stalk',
  'rib',
  'rasher',
  'slice',
  'ear',
  'head',
  'leaf',
  'glug',
  'splash',
  'drizzle',
  'squeeze',
  'grind',
  'cube',
  'fillet',
  'can',
  'jar',
  'carton',
  'packet',
] as const;
export type CountWord = (typeof COUNT_WORDS)[number];

/** Share of the ordinary weight. Common practice, no source. */
export const SIZES = { small: 0.7, medium: 1, large: 1.4 } as const;
export type Size = keyof typeof SIZES;

/** A US stick of butter: a quarter of a pound (a fact of its packing). */
const STICK_OF_BUTTER = 113.398;

/** Standard deviation of the logarithm of what one weighs: of a thing by its size, and of a loose measure. Our assumptions. */
const COUNT_SPREAD = { piece: 0.25, loose: 0.35, unlisted: 0.5 } as const;

/**
 * Grams, trimmed, of one `word` of the ingredient `food`, and how far that may be off (standard deviation of the
 * logarithm); null when nobody can say what one of it weighs.
 */
export function oneOf(
  food: { readonly id: string; readonly group: string; readonly edibleYield: number },
  word: CountWord,
  size: Size = 'medium',
): { readonly g: number; readonly spread: number } | null {
  const whole = PIECE_G[food.id];
  if (word === 'stick' && food.group === 'fat') return { g: STICK_OF_BUTTER, spread: 0 };
  const asThing = word === 'piece' || word === 'head' || word === 'ear';
  if (word === 'head' && food.id === 'garlic') return { g: BULB_OF_GARLIC, spread: COUNT_SPREAD.piece };
  if (asThing && whole !== undefined)
    return { g: whole * SIZES[size] * food.edibleYield, spread: COUNT_SPREAD.piece };
  const likely = PIECE_OF_GROUP_G[food.group];
  if (word === 'piece' && likely !== undefined)
    return { g: likely * SIZES[size] * food.edibleYield, spread: COUNT_SPREAD.unlisted };
  const loose = word === 'piece' ? undefined : (PACK_G[food.id]?.[word] ?? LOOSE_G[word]);
  return loose === undefined ? null : { g: loose * SIZES[size], spread: COUNT_SPREAD.loose };
}
