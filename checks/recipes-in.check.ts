import { zipSync } from 'fflate';
import { demoHouse } from '../demo/demo';
import { type RecipeDraft, recipeFrom } from '../src/core/formats/draft/draft';
import { openBytes } from '../src/core/formats/openBytes';
import { Recipe, type RecipeText } from '../src/core/recipe/recipe';
import { spoken } from '../src/core/text/spoken';

/**
 * Whole recipes made by hand, as people have them: a note, Markdown, a sheet, a workbook, a page that says what is
 * what (JSON-LD, microdata, RDFa) and one that does not. Of each, what has to be in it and what has to be done.
 * Common practice, no source.
 */
type Whole = {
  readonly file: string;
  readonly bytes: Uint8Array;
  readonly name: string;
  /** Ingredient and grams or a word, in the order of the list; null where the catalogue has none. */
  readonly lines: readonly (string | null)[];
  /** Kinds of steps that must be there, in this order, others between them. */
  readonly steps: readonly RecipeText['steps'][number]['kind'][];
  /** Minutes of simmering in all. */
  readonly simmers: number;
};

const utf8 = (text: string) => new TextEncoder().encode(text);

const cell = (value: string | number, at: string) =>
  typeof value === 'number'
    ? `<c r="${at}"><v>${value}</v></c>`
    : `<c r="${at}" t="inlineStr"><is><t>${value.replaceAll('&', '&amp;')}</t></is></c>`;

/** A workbook as a spreadsheet program saves it, of these sheets. */
function workbook(sheets: Readonly<Record<string, readonly (readonly (string | number)[])[]>>): Uint8Array {
  const names = Object.keys(sheets);
  const xml = (text: string) => utf8(`<?xml version="1.0" encoding="UTF-8"?>${text}`);
  const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
  const rel = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
  const packed = 'http://schemas.openxmlformats.org/package/2006';
  return zipSync({
    '[Content_Types].xml': xml(`<Types xmlns="${packed}/content-types"/>`),
    '_rels/.rels': xml(
      `<Relationships xmlns="${packed}/relationships"><Relationship Id="r" Type="${rel}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    ),
    'xl/workbook.xml': xml(
      `<workbook xmlns="${main}" xmlns:r="${rel}"><sheets>${names.map((n, i) => `<sheet name="${n}" sheetId="${i + 1}" r:id="s${i}"/>`).join('')}</sheets></workbook>`,
    ),
    'xl/_rels/workbook.xml.rels': xml(
      `<Relationships xmlns="${packed}/relationships">${names.map((_, i) => `<Relationship Id="s${i}" Type="${rel}/worksheet" Target="worksheets/sheet${i + 1}.xml"/>`).join('')}</Relationships>`,
    ),
    ...Object.fromEntries(
      names.map((n, i) => [
        `xl/worksheets/sheet${i + 1}.xml`,
        xml(
          `<worksheet xmlns="${main}"><sheetData>${(sheets[n] ?? [])
            .map(
              (row, r) =>
                `<row r="${r + 1}">${row.map((v, c) => cell(v, `${String.fromCharCode(65 + c)}${r + 1}`)).join('')}</row>`,
            )
            .join('')}</sheetData></worksheet>`,
        ),
      ]),
    ),
  });
}

const windows1252 = (text: string) =>
  Uint8Array.from([...text].map((c) => ({ '½': 0xbd, '–': 0x96, é: 0xe9, '’': 0x92 })[c] ?? c.charCodeAt(0)));
const utf16 = (text: string) => {
  const bytes = new Uint8Array(2 + text.length * 2);
  bytes.set([0xff, 0xfe]);
  for (const [n, c] of [...text].entries())
    new DataView(bytes.buffer).setUint16(2 + n * 2, c.charCodeAt(0), true);
  return bytes;
};

const LEEK = `Leek and potato

Serves 6

60g butter
3 leeks, washed and sliced
1 onion, chopped
500 g floury potatoes, diced
1.2 litres chicken stock
150ml double cream
salt and white pepper
chives to serve

Melt the butter in a large pan. Add the leeks and onion and sweat gently for 10 minutes until soft but not coloured.
Add the potatoes and stock, bring to the boil, then simmer for 20 minutes until the potatoes are tender.
Blend until smooth. Stir in the cream, season and reheat gently. Serve scattered with chives.`;

const WHOLE: readonly Whole[] = [
  {
    file: 'leek.txt',
    bytes: utf8(LEEK),
    name: 'Leek and potato',
    lines: [
      'butter',
      'leek',
      'onion',
      'floury-potato',
      'chicken-stock',
      'thick-cream',
      'salt',
      'white-pepper',
      'chives',
    ],
    steps: ['sweat', 'add', 'bring-to', 'simmer', 'puree', 'add', 'season'],
    simmers: 20,
  },
  {
    file: 'as a cook says it.txt',
    bytes: utf8(
      'Sweat 2 onions in 60 g butter for ten minutes, stir in 50 g flour and cook 2 min, pour in 2 L chicken stock slowly and simmer 25 min. Blend, add 200 ml cream, salt.',
    ),
    name: 'Onion soup',
    lines: ['onion', 'butter', 'plain-flour', 'chicken-stock', 'heavy-cream', 'salt'],
    steps: ['sweat', 'dust', 'add', 'bring-to', 'simmer', 'puree', 'add', 'season'],
    simmers: 25,
  },
  {
    file: 'windows.txt',
    bytes: windows1252(
      'Celeriac velouté\r\n\r\nMakes 2½ litres\r\n\r\n1 kg celeriac, diced\r\n70 g butter\r\n60 g plain flour\r\n1½ L chicken stock\r\n2–3 tbsp dry sherry\r\n200 ml double cream\r\n\r\nMethod\r\n1. Melt the butter, stir in the flour and cook for 3 minutes without colour.\r\n2. Gradually whisk in the stock. Add the celeriac and simmer for 25 minutes until tender.\r\n3. Liquidise. Stir in the cook’s sherry and the cream.\r\n',
    ),
    name: 'Celeriac velouté',
    lines: ['celeriac', 'butter', 'plain-flour', 'chicken-stock', 'dry-sherry', 'thick-cream'],
    steps: ['roux', 'add', 'add', 'simmer', 'puree', 'add'],
    simmers: 25,
  },
  {
    file: 'chowder.md',
    bytes: utf8(`# Corn chowder

Makes about 3 quarts

## Ingredients
- 6 slices bacon, diced
- 1 large onion, finely chopped
- 3 celery sticks, chopped
- 1/3 cup all-purpose flour
- 4 cups chicken broth
- 1 1/2 lb potatoes, peeled and diced
- 5 ears of corn
- 2 cups half-and-half
- 1 bay leaf
- 1 tsp kosher salt
- pinch of cayenne

## Directions
1. Cook the bacon in a heavy pot over medium heat until crisp, about 8 minutes.
2. Add the onion and celery and cook, stirring, until soft, 6 to 8 minutes.
3. Sprinkle in the flour and cook for 2 minutes. Gradually whisk in the broth.
4. Add the potatoes, corn and bay leaf. Bring to a boil, reduce heat and simmer until the potatoes are tender, about 15 minutes.
5. Purée about a third of the soup and return it to the pot.
6. Stir in the half-and-half, salt and cayenne and heat through without boiling.

## Notes
Keeps three days.
`),
    name: 'Corn chowder',
    lines: [
      'streaky-bacon',
      'onion',
      'celery',
      'plain-flour',
      'chicken-stock',
      'floury-potato',
      'sweetcorn',
      'half-and-half',
      'bay-leaf',
      'coarse-salt',
      'cayenne',
    ],
    steps: [
      'render',
      'sweat',
      'dust',
      'add',
      'add',
      'bring-to',
      'simmer',
      'puree',
      'add',
      'season',
      'bring-to',
    ],
    simmers: 15,
  },
  {
    file: 'mushroom.md (UTF-16)',
    bytes: utf16(`# Cream of mushroom
Serves 4
**Ingredients:**
* 50 g butter
* 400 g chestnut mushrooms, sliced
* 2 shallots
* 100 ml white wine
* 1 litre vegetable stock
* 1 tbsp cornflour
* 100 ml double cream
**Method:**
Melt the butter and fry the mushrooms and shallots for 10 minutes until golden. Pour in the wine and reduce by half.
Add the stock and simmer for 15 minutes. Mix the cornflour with a little cold water, stir in and simmer for 2 minutes.
Blend until smooth. Stir in the cream and warm through.`),
    name: 'Cream of mushroom',
    lines: [
      'butter',
      'chestnut-mushroom',
      'shallot',
      'white-wine',
      'vegetable-stock',
      'cornstarch',
      'thick-cream',
    ],
    steps: ['sweat', 'add', 'reduce', 'add', 'simmer', 'thicken', 'puree', 'add', 'bring-to'],
    simmers: 17,
  },
  {
    file: 'pea.csv',
    bytes: utf8(
      'Ingredient,Qty,Unit,Prep\nButter,80,g,\nOnions,300,g,diced\n"Peas, frozen",1.5,kg,\nVegetable stock,2,L,\nCornstarch,40,g,\nCrème fraîche,250,mL,\nSalt,,,to taste\nMethod\n"Sweat the onions in the butter 8 minutes. Add the stock, bring to the boil, add the peas and simmer 5 minutes. Blend. Slake the cornstarch in cold water, whisk in and simmer 2 minutes. Finish with the crème fraîche."\n',
    ),
    name: 'Green peas soup',
    lines: ['butter', 'onion', 'green-peas', 'vegetable-stock', 'cornstarch', 'creme-fraiche', 'salt'],
    steps: ['sweat', 'add', 'bring-to', 'add', 'simmer', 'puree', 'thicken', 'add'],
    simmers: 7,
  },
  {
    file: 'scaled.csv',
    bytes: utf8(
      'Carrot cream;;;\nItem;10;50;100\nCarrots;2 kg;10 kg;20 kg\nOnions;400 g;2 kg;4 kg\nButter;100 g;500 g;1 kg\nVegetable stock;2.5 L;12.5 L;25 L\nPotato starch;50 g;250 g;500 g\nSingle cream;400 ml;2 L;4 L\n',
    ),
    name: 'Carrot cream',
    lines: ['carrot', 'onion', 'butter', 'vegetable-stock', 'potato-starch', 'single-cream'],
    steps: ['sweat', 'add', 'simmer', 'thicken', 'add'],
    simmers: 15,
  },
  {
    file: 'kitchen book.xlsx',
    bytes: workbook({
      'Parsnip soup': [
        ['Parsnip soup'],
        ['Portions: 20'],
        ['Ingredient', 'Amount', 'Unit', 'Notes'],
        ['Parsnips', 2.5, 'kg', 'peeled, diced'],
        ['Onion', 0.4, 'kg', 'diced'],
        ['Butter', 120, 'g', ''],
        ['Chicken stock', 4, 'L', ''],
        ['Half and half', 0.6000000001, 'L', ''],
        ['Method'],
        [
          'Sweat the onion in the butter for 8 minutes. Add the parsnips and stock and simmer for 30 minutes until soft. Purée until smooth. Add the half and half and heat through.',
        ],
      ],
    }),
    name: 'Parsnip soup',
    lines: ['parsnip', 'onion', 'butter', 'chicken-stock', 'half-and-half'],
    steps: ['sweat', 'add', 'bring-to', 'simmer', 'puree', 'add', 'bring-to'],
    simmers: 30,
  },
  {
    file: 'loose rows.xlsx',
    bytes: workbook({
      Sheet1: [
        ['Haddock chowder'],
        ['Serves 12'],
        ['900 g', 'smoked haddock, in chunks'],
        ['150 g', 'streaky bacon, diced'],
        ['3', 'leeks, sliced'],
        ['1 kg', 'waxy potatoes, diced'],
        ['2 L', 'whole milk'],
        ['60 g', 'plain flour'],
        ['Render the bacon for 6 minutes. Add the leeks and sweat for 8 minutes.'],
        ['Dust with the flour and cook for 2 minutes. Pour in the milk, stirring.'],
        ['Add the potatoes and simmer for 20 minutes until tender. Add the haddock and poach for 6 minutes.'],
      ],
    }),
    name: 'Haddock chowder',
    lines: ['smoked-haddock', 'streaky-bacon', 'leek', 'waxy-potato', 'whole-milk', 'plain-flour'],
    steps: ['render', 'sweat', 'dust', 'add', 'add', 'simmer', 'poach'],
    simmers: 20,
  },
  {
    file: 'json-ld.html',
    bytes: utf8(
      `<!doctype html><html><head><title>x</title><script type="application/ld+json">{"@context":"https://schema.org","@graph":[{"@type":"WebSite"},{"@type":"Recipe","name":"Tomato &amp; cream","recipeYield":"4","recipeIngredient":["50 g butter","1 onion, chopped","2 x 400 g tins chopped tomatoes","500 ml vegetable stock","2 tbsp cornflour","150 ml cream"],"recipeInstructions":[{"@type":"HowToStep","text":"Sweat the onion in the butter for 6 minutes."},{"@type":"HowToStep","text":"Add the tomatoes and stock and simmer for 18 minutes."},{"@type":"HowToStep","text":"Mix the cornflour with a little water, stir in and boil for 1 minute. Blend, and stir in the cream."}]}]}</script></head><body><h1>Something else</h1></body></html>`,
    ),
    name: 'Tomato & cream',
    lines: ['butter', 'onion', 'tomato', 'vegetable-stock', 'cornstarch', 'heavy-cream'],
    steps: ['sweat', 'add', 'bring-to', 'simmer', 'thicken', 'puree', 'add'],
    simmers: 19,
  },
  {
    file: 'microdata.html',
    bytes: utf8(
      `<html><body><nav>Home Soups</nav><div itemscope itemtype="http://schema.org/Recipe"><h2 itemprop="name">Squash bisque</h2><span itemprop="recipeYield">Serves 8</span><ul><li itemprop="recipeIngredient">1.2 kg squash, diced</li><li itemprop="recipeIngredient">2 onions</li><li itemprop="recipeIngredient">3 tbsp olive oil</li><li itemprop="recipeIngredient">1&frac12; litres vegetable stock</li><li itemprop="recipeIngredient">80 g white rice</li><li itemprop="recipeIngredient">200 ml coconut milk</li></ul><div itemprop="recipeInstructions"><p>Soften the onions in the oil for 10 minutes.</p><p>Add the squash, rice and stock, bring to a simmer and cook for 35 minutes.</p><p>Blend until smooth and stir in the coconut milk.</p></div></div><footer>1 cup of terms</footer></body></html>`,
    ),
    name: 'Squash bisque',
    lines: ['squash', 'onion', 'olive-oil', 'vegetable-stock', 'white-rice', 'coconut-milk'],
    steps: ['sweat', 'add', 'bring-to', 'simmer', 'puree', 'add'],
    simmers: 35,
  },
  {
    file: 'headings.html',
    bytes: utf8(
      `<html><body><header>Menu About</header><main><h1>Mussel velouté</h1><p>My grandmother made it every winter, and so do we.</p><h2>Ingredients</h2><ul><li>1 kg mussel meat</li><li>60 g butter</li><li>50 g plain flour</li><li>2 shallots, finely chopped</li><li>1 L fish stock</li><li>200 ml dry white wine</li><li>3 egg yolks</li><li>150 ml double cream</li><li>2 tbsp sumac</li></ul><h2>Method</h2><ol><li>Melt the butter and sweat the shallots for 5 minutes. Stir in the flour and cook for 2 minutes.</li><li>Whisk in the wine and stock and simmer for 20 minutes.</li><li>Add the mussels for 3 minutes.</li><li>Beat the yolks with the cream and stir in off the heat.</li></ol></main></body></html>`,
    ),
    name: 'Mussel velouté',
    lines: [
      'mussel-meat',
      'butter',
      'plain-flour',
      'shallot',
      'fish-stock',
      'white-wine',
      'egg-yolk',
      'thick-cream',
      null,
    ],
    steps: ['sweat', 'dust', 'add', 'simmer', 'poach', 'rest', 'temper'],
    simmers: 20,
  },
];

const opened = async (bytes: Uint8Array): Promise<readonly RecipeDraft[]> => {
  const file = await openBytes(bytes);
  if (file.kind !== 'drafts') throw new Error(JSON.stringify(spoken(file)));
  return file.drafts;
};

const made = (draft: RecipeDraft): Recipe => {
  const inUse = draft.lines.filter((l) => l.when !== 'left out');
  const to = recipeFrom(
    draft.name,
    inUse.map((l) => ({ ingredient: l.ingredient!, amount: l.amount!, prep: l.prep, when: l.when })),
    draft.instructions,
    { dose: false, liquid: false },
    demoHouse(),
  );
  if (!to.ok) throw new Error(JSON.stringify(spoken(to)));
  return Recipe.parse(to.body);
};

/** Whether `wanted` stands in `all` in its order, with others between. */
const inOrder = (wanted: readonly string[], all: readonly string[]): boolean => {
  let at = 0;
  for (const kind of all) if (kind === wanted[at]) at++;
  return at === wanted.length;
};

test('twelve recipes in six formats are there', () => {
  expect(WHOLE).toHaveLength(12);
});

test.each(WHOLE.map((w) => [w.file, w] as const))(
  '%s: every line is there and read, and its method is done',
  async (_, w) => {
    const drafts = await opened(w.bytes);
    expect(drafts.map((d) => d.name)).toEqual([w.name]);
    const [draft] = drafts as [RecipeDraft];
    expect(draft.lines.map((l) => l.ingredient)).toEqual(w.lines);
    // What nobody can say is left out, and says why.
    for (const l of draft.lines) expect(l.when === 'left out').toBe(l.ingredient === null);
    for (const l of draft.lines) if (l.ingredient === null) expect(l.doubts.length).toBeGreaterThan(0);
    const { steps } = made(draft);
    expect([
      steps.map((s) => s.kind),
      inOrder(
        w.steps,
        steps.map((s) => s.kind),
      ),
    ]).toEqual([steps.map((s) => s.kind), true]);
    const simmered = steps.flatMap((s) => (s.kind === 'simmer' ? [s.minutes] : []));
    expect(simmered.reduce((a, b) => a + b, 0)).toBe(w.simmers);
    // Nothing is in the pot twice, and nothing that goes in is missing.
    const used = steps.flatMap((s) => ('items' in s ? s.items.map((i) => i.ingredient) : []));
    const single = steps.flatMap((s) =>
      s.kind === 'roux'
        ? [s.flour.ingredient, s.fat.ingredient]
        : s.kind === 'dust'
          ? [s.flour.ingredient]
          : s.kind === 'thicken'
            ? [s.thickener.ingredient]
            : [],
    );
    expect([...used, ...single].sort()).toEqual(w.lines.filter((l): l is string => l !== null).sort());
  },
);

test('how long and how far is taken from its own clause', async () => {
  const stepsOf = async (file: string) =>
    made((await opened(WHOLE.find((w) => w.file === file)!.bytes))[0]!).steps;
  const sweat = (steps: Awaited<ReturnType<typeof stepsOf>>) => steps.find((s) => s.kind === 'sweat');
  expect(sweat(await stepsOf('leek.txt'))).toMatchObject({ minutes: 10, to: 'translucent' });
  expect(sweat(await stepsOf('chowder.md'))).toMatchObject({ minutes: 7, to: 'translucent' });
  expect(sweat(await stepsOf('mushroom.md (UTF-16)'))).toMatchObject({ minutes: 10, to: 'gold' });
  const chowder = await stepsOf('chowder.md');
  expect(chowder.find((s) => s.kind === 'render')).toMatchObject({ minutes: 8 });
  expect(chowder.find((s) => s.kind === 'puree')).toMatchObject({ fraction: 1 / 3 });
  expect((await stepsOf('mushroom.md (UTF-16)')).find((s) => s.kind === 'reduce')).toMatchObject({
    to: { ofLast: 0.5 },
  });
  expect((await stepsOf('windows.txt')).find((s) => s.kind === 'roux')).toMatchObject({
    minutes: 3,
    colour: 'white',
  });
});

test('several recipes in one file come one by one, each with its own lines', async () => {
  const two = await opened(
    utf8(
      `${LEEK}\n\n\nPea soup\n\n500 g peas\n1 L vegetable stock\n2 tbsp cornflour\n\nSimmer the peas in the stock for 5 minutes and blend. Stir in the cornflour mixed with cold water.\n`,
    ),
  );
  expect(two.map((d) => [d.name, d.lines.length])).toEqual([
    ['Leek and potato', 9],
    ['Pea soup', 3],
  ]);
});

test('a scaled sheet keeps all its sizes, the first shown', async () => {
  const [draft] = await opened(WHOLE.find((w) => w.file === 'scaled.csv')!.bytes);
  expect(draft!.scales!.map((s) => s.label)).toEqual(['10', '50', '100']);
  expect(draft!.lines[0]!.amount).toBe('2 kg');
  expect(draft!.scales![2]!.ingredients[0]).toBe('20 kg Carrots');
});

test('no line of a text vanishes: each is name, yield, ingredient, method, heading or note', async () => {
  const text = `${LEEK}\n\nNotes\nFreezes well.\nOur guests like it cold.\n`;
  const [draft] = await opened(utf8(text));
  const filled = text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);
  expect(draft!.source.map((s) => s.text)).toEqual(filled);
  expect(draft!.source.filter((s) => s.as === 'note').map((s) => s.text)).toEqual(
    expect.arrayContaining(['Notes', 'Freezes well.', 'Our guests like it cold.']),
  );
});

const refusedBy = async (bytes: Uint8Array) => {
  const file = await openBytes(bytes);
  return file.kind === 'refused' ? JSON.stringify(spoken(file.problems)) : file.kind;
};

test('what cannot be read is refused by its name, and nothing is half read', async () => {
  expect(await refusedBy(utf8('%PDF-1.7 …'))).toMatch(/it is a PDF/);
  expect(await refusedBy(Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 1, 2]))).toMatch(/it is a JPEG/);
  expect(await refusedBy(Uint8Array.from([0xd0, 0xcf, 0x11, 0xe0, 1, 2]))).toMatch(
    /\.xls.*save it as \.xlsx/,
  );
  expect(await refusedBy(utf8('PK\u0003\u0004 nothing more'))).toMatch(/broken/);
  expect(await refusedBy(zipSync({ 'word/document.xml': utf8('<w/>') }))).toMatch(/no workbook/);
  expect(await refusedBy(utf8('The weather is fine today.'))).toMatch(/no recipe is found/);
  expect(await refusedBy(utf8('   '))).toMatch(/empty/);
});

test('a workbook that unpacks to more than any recipe needs is refused before it is unpacked', async () => {
  const bomb = zipSync({
    'xl/workbook.xml': utf8('<workbook/>'),
    'xl/worksheets/sheet1.xml': new Uint8Array(30_000_000),
  });
  expect(bomb.byteLength).toBeLessThan(100_000);
  expect(await refusedBy(bomb)).toMatch(/unpacks to more than 24 MB/);
});

test('a sheet of very many rows is refused with how many are read', async () => {
  const rows = Array.from({ length: 3000 }, (_, n) => [n, 'g', 'Butter']);
  expect(await refusedBy(workbook({ Long: [['Qty', 'Unit', 'Ingredient'], ...rows] }))).toMatch(
    /more than 2,?000 rows/,
  );
});

test('macros and what else lies in a workbook are not looked at', async () => {
  const plain = WHOLE.find((w) => w.file === 'kitchen book.xlsx')!;
  const [draft] = await opened(plain.bytes);
  expect(draft!.lines[4]!.amount).toBe('0.6 L');
});

test('a page of deep and broken elements is read for what it says', async () => {
  const deep = `${'<div>'.repeat(20_000)}<ul><li>500 g leeks<li>1 L vegetable stock<li>50 g plain flour</ul><p>Simmer for 20 minutes.`;
  const [draft] = await opened(utf8(`<html><body>${deep}`));
  expect(draft!.lines.map((l) => l.ingredient)).toEqual(['leek', 'vegetable-stock', 'plain-flour']);
});

/** Recipes as people write them, in more than one pan: the pan of each step, what it is, and how it comes to the pot. Made by hand. */
const IN_PANS: readonly (readonly [
  says: string,
  text: string,
  pans: readonly (readonly [string, string])[],
  steps: readonly string[],
])[] = [
  [
    'meanwhile, in a skillet',
    `Mushroom soup

60 g butter
2 onions, chopped
900 g mushrooms, sliced
60 g flour
1.5 L chicken stock
300 ml double cream

Melt half the butter in a large pot and sweat the onions for 8 minutes. Stir in the flour and cook 2 minutes. Gradually whisk in the stock and bring to the simmer. Meanwhile, in a large skillet, brown the mushrooms over high heat for 10 minutes. Add the mushrooms to the pot and simmer for 15 minutes. Blend until smooth. Stir in the cream.`,
    [['skillet', 'pan']],
    ['sweat', 'dust', 'add', 'bring-to', 'skillet: sweat', 'pour skillet', 'simmer', 'puree', 'add'],
  ],
  [
    'in a 200 °C oven',
    `Squash soup

1 butternut squash, cubed
2 tbsp olive oil
1 onion, chopped
40 g butter
1 L vegetable stock
150 ml cream

Preheat the oven to 200°C. Toss the squash with the oil and roast in the oven for 40 minutes until brown.
Sweat the onion in the butter in a large saucepan for 8 minutes. Add the stock and bring to the boil. Add the roasted squash to the pot and simmer for 10 minutes. Blend. Add the cream.`,
    [['tray', 'tray']],
    ['tray: roast', 'sweat', 'add', 'bring-to', 'pour tray', 'simmer', 'puree', 'add'],
  ],
  [
    'set aside, and return to the pot',
    `Clam chowder

150 g bacon, diced
1 onion, diced
50 g butter
50 g flour
1 L fish stock
500 g potatoes, diced
300 ml cream

In a large pot fry the bacon for 8 minutes until crisp, then remove to a plate and set aside. Melt the butter in the pot and sweat the onion 6 minutes. Stir in the flour, cook 2 minutes. Whisk in the stock, bring to a simmer. Add the potatoes and simmer 15 minutes until tender. Return the bacon to the pot. Add the cream and heat gently.`,
    [['bowl', 'bowl']],
    ['render', 'bowl: pour', 'sweat', 'dust', 'add', 'bring-to', 'add', 'simmer', 'pour bowl', 'add'],
  ],
  [
    'a roux in a small saucepan, whisked into the soup',
    `Leek soup

600 g leeks, sliced
2 tbsp olive oil
60 g flour
60 g butter
1.2 L vegetable stock

Sweat the leeks in the oil in a large pot for 10 minutes. Add the stock and simmer for 15 minutes. In a small saucepan, melt the butter, stir in the flour and cook for 3 minutes. Whisk the roux into the soup and simmer 10 minutes.`,
    [['other saucepan', 'pot']],
    ['sweat', 'add', 'simmer', 'other saucepan: roux', 'pour other saucepan', 'simmer'],
  ],
];

test.each(IN_PANS.map((r) => [r[0], r] as const))(
  '%s: each step is done in its own pan, and meets the pot where it is told to',
  async (_, [, text, pans, wanted]) => {
    const [draft] = await opened(utf8(text));
    const recipe = made(draft!);
    expect(recipe.pans?.map((p) => [p.name, p.as])).toEqual(pans);
    const found = recipe.steps.map((s) =>
      s.kind === 'pour' && s.from ? `pour ${s.from}` : `${s.in ? `${s.in}: ` : ''}${s.kind}`,
    );
    expect([found, inOrder(wanted, found)]).toEqual([found, true]);
    expect(recipe.steps.find((s) => s.kind === 'roast') ?? { minutes: 40, at: 200 }).toMatchObject({
      minutes: 40,
      at: 200,
    });
  },
);

test('what a sentence was taken to be done in is told, and marked where it does not say so itself', async () => {
  const [draft] = await opened(utf8(IN_PANS[0]![1]));
  const told = draft!.told.filter((t) => t.pan).map((t) => [t.text.split(' ')[0], t.pan?.name, t.pan?.sure]);
  expect(told).toEqual([
    ['Meanwhile,', 'skillet', true],
    ['Add', 'skillet', false],
  ]);
});

test('one skillet in which all of the soup is made is its pot, and nothing stands beside it', async () => {
  const text = LEEK.replace('a large pan', 'a large skillet');
  const [draft] = await opened(utf8(text));
  expect(made(draft!).pans).toBeUndefined();
});

test('a skillet nobody says to pour is poured before the pot is next simmered or blended', async () => {
  const text = IN_PANS[0]![1].replace('Add the mushrooms to the pot and simmer', 'Cover the pot and simmer');
  const [draft] = await opened(utf8(text));
  const found = made(draft!).steps.map((s) => (s.kind === 'pour' ? `pour ${s.from}` : s.kind));
  expect(found.indexOf('pour skillet')).toBe(found.indexOf('simmer') - 1);
});
