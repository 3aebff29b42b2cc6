import { ingredient } from '../src/core/food/catalogue';
import { linesIn, readLine } from '../src/core/food/lines/readLine';
import { oneOf } from '../src/core/food/pieces';
import { AmountText } from '../src/core/recipe/amount';
import { toGrams } from '../src/core/units/measure';
import { isMass } from '../src/core/units/quantity';

/**
 * Lines as recipes have them, made by hand in the ways people write: what each is, and grams by a kitchen scale's
 * sense. Common practice, no source; measures by their definitions (cup 236.6 mL, ounce 28.35 g, pint 473 mL).
 */
type Wanted = readonly [line: string, id: string | null, grams: number | 'to taste' | 'to cover' | null];

const LINES: readonly Wanted[] = [
  // Metric, plain.
  ['250 g plain flour', 'plain-flour', 250],
  ['1.5 kg celeriac, peeled', 'celeriac', 1500],
  ['500ml whole milk', 'whole-milk', 515],
  ['2 L vegetable stock', 'vegetable-stock', 2000],
  ['2 litres of water', 'water', 2000],
  ['60g butter', 'butter', 60],
  ['0,5 l Single cream', 'single-cream', 500],
  ['1,5 kg leeks, sliced', 'leek', 1500],
  ['1.2kg smoked haddock, skinned', 'smoked-haddock', 1200],
  ['5 dl chicken stock', 'chicken-stock', 500],
  ['2 cl brandy', 'brandy', 19],
  ['30 gr cornflour', 'cornstarch', 30],
  ['1 kilo carrots', 'carrot', 1000],
  ['75 grams of grated cheddar', 'mature-cheddar', 75],
  ['350 mls half and half', 'half-and-half', 355],
  // American.
  ['1 cup all-purpose flour, spooned', 'plain-flour', 120],
  ['1/2 cup butter', 'butter', 114],
  ['4 tablespoons unsalted butter', 'butter', 57],
  ['2 1/2 cups whole milk, warmed', 'whole-milk', 609],
  ['2½ cups chicken broth', 'chicken-stock', 592],
  ['1 quart heavy cream', 'heavy-cream', 950],
  ['1 pint half-and-half', 'half-and-half', 486],
  ['8 oz cream cheese, softened', 'cream-cheese', 227],
  ['1 lb. peeled shrimp', 'large-shrimp', 454],
  ['1 1/4 pounds cauliflower florets', 'cauliflower', 567],
  ['12 fl. oz. clam juice', 'clam-juice', 357],
  ['3 Tbsp. cornstarch', 'cornstarch', 24],
  ['2 tsp. kosher salt', 'salt', 12],
  ['1 gallon water', 'water', 3785],
  ['1/3 cup dry sherry', 'dry-sherry', 79],
  ['¾ cup heavy whipping cream', 'heavy-cream', 176],
  ['6 Tbs butter', 'butter', 85],
  ['1 stick butter', 'butter', 113],
  ['half a stick of butter', 'butter', 57],
  // British.
  ['1¾ pints chicken stock', 'chicken-stock', 828],
  ['4oz plain flour', 'plain-flour', 113],
  ['1lb 2oz floury potatoes', 'floury-potato', 510],
  ['2 lb 4 oz parsnips, peeled', 'parsnip', 1021],
  ['500g/1lb carrots, peeled', 'carrot', 500],
  ['1kg/2lb 4oz pumpkin flesh', 'pumpkin', 1000],
  ['1 litre/1¾ pints vegetable stock', 'vegetable-stock', 1000],
  ['300ml/½ pint double cream', 'thick-cream', 300],
  ['2 dessertspoons cornflour', 'cornstarch', 11],
  ['25g (1oz) butter', 'butter', 25],
  ['600 ml (1 pint) milk', 'whole-milk', 618],
  // Spoons and heaps.
  ['5 tbsp flour', 'plain-flour', 40],
  ['3 tablespoons of cornflour', 'cornstarch', 24],
  ['1 heaped tbsp plain flour', 'plain-flour', 8],
  ['2 level tablespoons flour', 'plain-flour', 16],
  ['1 tbsp plus 1 tsp butter', 'butter', 19],
  ['1 cup + 2 tbsp milk', 'whole-milk', 274],
  ['a scant cup of cream', 'heavy-cream', 236],
  // Ranges and abouts.
  ['2–3 tbsp olive oil', 'olive-oil', 34],
  ['2 to 3 tablespoons flour', 'plain-flour', 20],
  ['400-500g potatoes', 'floury-potato', 450],
  ['3 or 4 tbsp cream', 'heavy-cream', 52],
  ['about 500 g leeks', 'leek', 500],
  ['approx. 200 ml white wine', 'white-wine', 198],
  ['ca. 1 L fish stock', 'fish-stock', 1000],
  ['between 2 and 3 tbsp flour', 'plain-flour', 20],
  ['up to 200 ml milk', 'whole-milk', 206],
  ['roughly 1.5 l stock', 'vegetable-stock', 1500],
  // Counted.
  ['1 onion', 'onion', 150],
  ['1 large onion, finely chopped', 'onion', 210],
  ['2 medium leeks (about 450 g), sliced', 'leek', 450],
  ['3 ears sweetcorn', 'sweetcorn', 300],
  ['3 ears of corn, kernels cut off', 'sweetcorn', 300],
  ['2 heads garlic', 'garlic', 90],
  ['2 heads of cauliflower', 'cauliflower', 960],
  ['1 head broccoli', 'broccoli', 215],
  ['4 cloves garlic', 'garlic', 20],
  ['4 garlic cloves, crushed', 'garlic', 20],
  ['3 celery sticks, chopped', 'celery', 130],
  ['2 sticks of celery', 'celery', 90],
  ['a couple of celery stalks', 'celery', 90],
  ['4 large potatoes', 'floury-potato', 900],
  ['2-3 carrots', 'carrot', 180],
  ['two shallots', 'shallot', 55],
  ['half a cauliflower', 'cauliflower', 240],
  ['3 egg yolks', 'egg-yolk', 54],
  ['2 eggs', 'whole-egg', 100],
  ['6 rashers smoked bacon', 'streaky-bacon', 150],
  ['4 slices bacon, diced', 'streaky-bacon', 100],
  ['2 bay leaves', 'bay-leaf', 0.4],
  ['1 bay leaf', 'bay-leaf', 0.2],
  ['12 chestnut mushrooms', 'chestnut-mushroom', 230],
  ['a dozen oysters', 'oyster', 144],
  ['1 small celeriac', 'celeriac', 400],
  ['an onion', 'onion', 150],
  ['1 swede', 'swede', 420],
  ['5 jerusalem artichokes', 'jerusalem-artichoke', 600],
  // Loose.
  ['a good pinch of nutmeg', 'nutmeg', 0.4],
  ['pinch cayenne', 'cayenne', 0.4],
  ['a pinch of salt', 'salt', 0.4],
  ['a knob of butter', 'butter', 15],
  ['large knob of butter', 'butter', 15],
  ['a handful of spinach', 'spinach', 25],
  ['two handfuls of spinach', 'spinach', 50],
  ['a small bunch of chives', 'chives', 30],
  ['3 sprigs thyme', 'thyme', 3],
  ['a few sprigs of thyme', 'thyme', 3],
  ['a splash of milk', 'whole-milk', 10],
  ['a glug of olive oil', 'olive-oil', 15],
  ['squeeze of lemon', 'lemon-juice', 5],
  ['2 stock cubes', 'bouillon-powder', 20],
  ['4 grinds black pepper', 'black-pepper', 0.4],
  // Packs.
  ['2 x 400 g tins chopped tomatoes', 'tomato', 800],
  ['1 (14 oz) can coconut milk', 'coconut-milk', 414],
  ['400g tin chopped tomatoes', 'tomato', 400],
  ['2 cans (400 g each) white beans', 'white-beans', 800],
  ['1 can tomatoes', 'tomato', 400],
  ['1 x 200ml carton crème fraîche', 'creme-fraiche', 200],
  ['1 (8 oz) pack cream cheese', 'cream-cheese', 227],
  ['one 400 g tin cannellini beans, drained', 'white-beans', 400],
  // The amount last, as a kitchen sheet has it.
  ['Plain flour, 60 g', 'plain-flour', 60],
  ['Stock 1 litre', 'vegetable-stock', 1000],
  ['Butter 100g', 'butter', 100],
  ['Whole milk: 2 l', 'whole-milk', 2060],
  ['Onions - 500 g', 'onion', 500],
  ['Cornstarch .... 45 g', 'cornstarch', 45],
  ['Leeks, 3 kg', 'leek', 3000],
  // No amount.
  ['salt, to taste', 'salt', 'to taste'],
  ['Salt', 'salt', 'to taste'],
  ['water to cover', 'water', 'to cover'],
  ['freshly ground black pepper', 'black-pepper', 0.4],
  ['a little oil, for frying', 'rapeseed-oil', 14],
  ['croutons, to serve', 'croutons', null],
  ['chopped parsley', 'parsley', 0.4],
  // Marked up.
  ['• 250 ml <b>water</b>', 'water', 250],
  ['▢ 2 cups milk', 'whole-milk', 487],
  ['- [ ] 300 g celery', 'celery', 300],
  ['&frac12; cup cream', 'heavy-cream', 119],
  ['2&nbsp;tbsp butter', 'butter', 28],
  ['1&#189; cups water', 'water', 355],
  ['* 1 kg mussels', 'mussel-meat', 1000],
  // One or another.
  ['50 g butter or margarine', 'butter', 50],
  ['1 L chicken or vegetable stock', 'chicken-stock', 1000],
  ['500 ml stock/water', 'vegetable-stock', 500],
  ['2 onions or 3 leeks', 'onion', 300],
  ['60 g flour or cornflour', 'plain-flour', 60],
  // Not in the catalogue: said so.
  ['1 dragon fruit', null, null],
  ['2 tbsp gochujang', null, null],
  ['1 kohlrabi', null, null],
  ['500 g frozen peas', 'green-peas', 500],
  ['1.2 L semi-skimmed milk', 'semi-skimmed-milk', 1236],
  ['200 g smoked salmon trimmings', 'smoked-salmon', 200],
  ['Crème fraîche 150 ml', 'creme-fraiche', 150],
  ['150 g streaky bacon, cut into lardons', 'streaky-bacon', 150],
  ['3/4 cup grated sharp cheddar', 'mature-cheddar', 85],
  ['juice of 1 lemon', 'lemon-juice', 40],
  ['1 garlic bulb', 'garlic', 45],
  ['a cup of cream', 'heavy-cream', 237],
  ['400 g floury potatoes (about 2 large)', 'floury-potato', 400],
];

const close = (a: number, b: number, within: number) => Math.abs(Math.log(a / b)) <= within;

type Fate = 'right' | 'marked' | 'wrong and sure';
function fateOf([text, id, grams]: Wanted): Fate {
  const line = readLine(text);
  const marked = line.doubts.length > 0;
  const read = line.amount === null ? null : AmountText.safeParse(line.amount);
  const amount = read?.data;
  const food = line.ingredient === null ? null : ingredient(line.ingredient);
  const found =
    !amount || !food
      ? null
      : amount.kind === 'fixed'
        ? toGrams(amount.quantity, food.density)
        : amount.kind === 'counted'
          ? amount.n * (oneOf(food, amount.of, amount.size)?.g ?? Number.NaN)
          : line.amount;
  const unit = amount?.kind === 'fixed' ? amount.quantity.unit : 'g';
  const right =
    line.ingredient === id &&
    (typeof grams === 'number' && typeof found === 'number'
      ? close(found, grams, amount?.kind === 'counted' ? 0.35 : isMass(unit) ? 0.01 : 0.1)
      : found === grams);
  return right ? 'right' : marked ? 'marked' : 'wrong and sure';
}

const fates = LINES.map((l) => [l[0], fateOf(l)] as const);
const those = (fate: Fate) => fates.filter(([, f]) => f === fate).map(([text]) => text);

test('a hundred and fifty lines in the ways people write are there', () => {
  expect(LINES.length).toBeGreaterThanOrEqual(150);
});

test('none of them is read wrong and called certain', () => {
  expect(those('wrong and sure')).toEqual([]);
});

test('nineteen in twenty are read right, the rest say what is to be looked at', () => {
  expect(those('marked').length).toBeLessThanOrEqual(LINES.length / 20);
});

test('whatever is read of any of them is taken by a recipe', () => {
  for (const [text] of LINES) {
    const { amount } = readLine(text);
    if (amount !== null) expect([text, AmountText.safeParse(amount).success]).toEqual([text, true]);
  }
});

test('one line that holds several is taken apart, and nothing of it is lost', () => {
  expect(linesIn('2 tbsp each butter and flour')).toEqual(['2 tbsp butter', '2 tbsp flour']);
  expect(linesIn('1 onion, 2 carrots and 3 celery sticks')).toEqual([
    '1 onion',
    '2 carrots',
    '3 celery sticks',
  ]);
  expect(linesIn('Salt and freshly ground black pepper')).toEqual([
    'Salt, to taste',
    'freshly ground black pepper',
  ]);
  expect(linesIn('2 leeks, washed and sliced')).toEqual(['2 leeks, washed and sliced']);
  expect(linesIn('1 kg potatoes, 2 of them diced')).toHaveLength(1);
});
