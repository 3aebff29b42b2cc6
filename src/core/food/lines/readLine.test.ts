import fc from 'fast-check';
import { AmountText } from '../../recipe/amount';
import { spoken } from '../../text/spoken';
import { matches, wordsOf } from './match';
import { readLine } from './readLine';

test.each([
  ['2 1/2 cups whole milk, warmed', '2½ cup', 'whole-milk', 'warmed'],
  ['1kg floury potatoes, peeled and diced', '1 kg', 'floury-potato', 'peeled and diced'],
  ['6 tablespoons all-purpose flour, sifted', '6 tbsp, sifted', 'plain-flour', ''],
  ['1.5 dl double cream', '150 mL', 'thick-cream', ''],
  ['15 cl double cream', '150 mL', 'thick-cream', ''],
  ['5 centilitres double cream', '50 mL', 'thick-cream', ''],
  ['½ cup dry sherry', '½ cup', 'dry-sherry', ''],
  ['500g/1lb carrots, peeled', '500 g', 'carrot', 'peeled'],
  ['1 tbsp plus 1 tsp butter', '4 tsp', 'butter', ''],
  ['1 1/4 lb cauliflower florets', '1.25 lb', 'cauliflower', ''],
  ['• 250 ml <b>water</b>', '250 mL', 'water', ''],
])('%s is read with certainty', (text, amount, id, prep) => {
  expect(readLine(text)).toMatchObject({ amount, ingredient: id, prep, doubts: [] });
});

test.each([
  ['1 (14 oz) can coconut milk', '14 fl oz', 'coconut-milk', /fluid ounces; if they are of weight/],
  ['1 (12 oz) can evaporated milk', '12 fl oz', 'evaporated-milk', /fluid ounces/],
  ['1 (8 oz) pack cream cheese', '8 oz', 'cream-cheese', /packs/],
  ['1 (14 oz) can chopped tomatoes', '14 oz', 'tomato', /packs/],
  ['2 x 400 g tins chopped tomatoes', '800 g', 'tomato', /packs/],
  ['3 medium leeks (about 450 g), sliced', '450 g', 'leek', /brackets/],
  ['2-3 tbsp olive oil', '2–3 tbsp', 'olive-oil', /range/],
  ['¼–⅓ cup plain flour', '¼–⅓ cup', 'plain-flour', /range/],
  ['2 to 3 onions', '2–3 medium', 'onion', /range.*2.5 taken as/],
  ['1 stick butter', '1 stick', 'butter', /1 stick taken as 113 g/],
  ['half a stick of butter', '½ stick', 'butter', /½ stick taken as 57 g/],
  ['a knob of butter', '1 knob', 'butter', /taken as 15 g/],
  ['a couple of celery sticks', '2 stick', 'celery', /weigh yours/],
  ['a pinch of nutmeg', '1 pinch', 'nutmeg', /weigh yours/],
  ['10 ears of sweetcorn', '10 ear', 'sweetcorn', /weigh yours/],
  ['3 large potatoes', '3 large', 'floury-potato', /weigh yours/],
  ['4 cloves garlic', '4 clove', 'garlic', /weigh yours/],
  ['two handfuls of spinach', '2 handful', 'spinach', /weigh yours/],
  ['1 large onion, finely chopped', '1 large', 'onion', /trimmed: weigh yours/],
  ['salt and pepper, to taste', 'to taste', 'salt', /read as Fine salt: check/],
])('%s is read, and said to be looked at', (text, amount, id, why) => {
  const line = readLine(text);
  expect(line).toMatchObject({ amount, ingredient: id });
  expect(spoken(line.doubts).join()).toMatch(why);
});

test('what cannot be read says what to do', () => {
  expect(readLine('1 dragon fruit')).toMatchObject({ amount: null, ingredient: null });
  expect(spoken(readLine('1 dragon fruit').doubts).join()).toMatch(
    /write the weight.*pick one or leave it out/,
  );
  expect(spoken(readLine('grated cheddar').doubts).join()).toMatch(/no amount: write one/);
});

test('any text gives a line, and an amount it gives can be read back', () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc
          .tuple(
            fc.constantFrom('2', '1/2', '1 1/2', '0.3', '¾', '2-3', 'a', '1/0'),
            fc.constantFrom('cups', 'g', 'oz', 'fl oz', 'pinch', 'cans', '', 'dl'),
            fc.constantFrom('milk', 'leeks, sliced', 'nothing known'),
          )
          .map((words) => words.join(' ')),
      ),
      (text) => {
        const { amount } = readLine(text);
        if (amount && amount !== 'to taste') expect(AmountText.safeParse(amount).error).toBeUndefined();
      },
    ),
    { seed: 3, numRuns: 500 },
  );
});

test('words are compared in singular and without accents; a name beats a likeness', () => {
  expect(wordsOf('Crème fraîche, leaves & tomatoes')).toEqual(['creme', 'fraiche', 'leaf', 'tomato']);
  expect(matches('crème fraîche')[0]).toEqual({ id: 'creme-fraiche', score: 1 });
  const [near] = matches('smoked haddock fillet from the bay');
  expect(near?.id).toBe('smoked-haddock');
  expect(near?.score).toBeLessThan(1);
  expect(matches('xyzzy')).toEqual([]);
});

test('a dessertspoon is 10 mL, a centilitre too; ounces and pounds add, a weight and a volume do not', () => {
  expect(readLine('2 dessertspoons plain flour').amount).toBe('20 mL');
  expect(readLine('5 cl brandy').amount).toBe('50 mL');
  expect(readLine('1 lb 2 oz leeks').amount).toBe('18 oz');
  expect(readLine('1 cup plus 2 tbsp milk').amount).toBe('18 tbsp');
  const mixed = readLine('100 g plus 1 cup milk');
  expect([mixed.amount, mixed.doubts.length > 0]).toEqual([null, true]);
});
