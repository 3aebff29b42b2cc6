import { ingredient, isIngredient } from '../../food/catalogue';
import { POURED } from '../../food/ingredient';
import { wordsOf } from '../../food/lines/match';
import { goesIntoTheSoup, namesTheSoupPot, ovenIn, type PanSaid, panSaid, saysTheSoupPot } from './pansSaid';

/** What a clause of a method does to the pot. */
export type PotDeed =
  | 'roast'
  | 'aside'
  | 'back'
  | 'fry'
  | 'melt'
  | 'add'
  | 'bring'
  | 'simmer'
  | 'blend'
  | 'strain'
  | 'reduce'
  | 'slake'
  | 'rest'
  | 'season'
  | 'warm'
  | 'finish';

/** A clause of a method: what it does, how long, and which lines of the list it speaks of first. */
export type Clause = {
  readonly text: string;
  readonly deed: PotDeed;
  readonly minutes: number | null;
  /** Numbers of lines, from 0. */
  readonly lines: readonly number[];
  /** The pan beside the pot it is done in; null of the pot. */
  readonly pan: PanSaid | null;
};

/** A sentence as it stood, and what of it is done to the pot; nothing of one that only prepares, or serves. */
export type ToldSentence = {
  readonly text: string;
  readonly deeds: readonly PotDeed[];
  /** The pan beside the pot it was taken to speak of, and whether it says so itself. */
  readonly pan?: { readonly name: string; readonly sure: boolean } | undefined;
};

const VERBS: readonly (readonly [deed: PotDeed | null, words: RegExp])[] = [
  [
    'aside',
    /\bset (?:them |it |these |this )?aside\b|\b(?:transfer|remove|lift|scoop)\b(?=[^.;]{0,60}\b(?:plate|bowl|dish)\b)/i,
  ],
  ['back', /\breturn\b(?=[^.;]{0,60}\bto (?:the )?(?:soup )?(?:pot|pan|soup|saucepan)\b)/i],
  ['roast', /\b(?:roast|bake)\b(?!\s+(?:[\w-]+\s+){0,3}(?:soup|bisque|cream|chowder|velout))/i],
  [
    'slake',
    /\b(?:slake|dissolve|(?:mix|whisk|stir|blend|combine)(?=[^.;]{0,50}\b(?:corn ?flour|cornstarch|starch|arrowroot|flour)\b[^.;]{0,30}\b(?:cold|a little|some)\b[^.;]{0,12}\b(?:water|milk|stock|wine)))\b/i,
  ],
  [
    'bring',
    /\b(?:bring|return|come|heat)\b(?=[^.;,]{0,30}\bto (?:a |the )?(?:gentle |rolling |bare |slow )?(?:boil|simmer|bubble))/i,
  ],
  ['reduce', /\b(?:reduce|boil down|evaporate)\b(?!\s+(?:the\s+)?(?:heat|flame|temperature))/i],
  [null, /\breduce\s+(?:the\s+)?(?:heat|flame|temperature)|\b(?:lower|turn down)\s+the\s+(?:heat|flame)/i],
  ['melt', /\bmelt\b/i],
  [
    'fry',
    /\b(?:sweat|saut[ée]|soften|fry|brown|caramelise|caramelize|render|crisp|colou?r|cook out|toast)\b/i,
  ],
  ['blend', /\b(?:blend|blitz|pur[ée]e|liquidi[sz]e|whizz|process|mash)\b/i],
  ['strain', /\b(?:strain|sieve|pass (?:it |the \w+ )?through)\b/i],
  ['simmer', /\b(?:simmer|boil|bubble|poach|cook)\b/i],
  ['rest', /\b(?:rest|stand|infuse|steep|cool)\b/i],
  ['season', /\b(?:season|adjust the seasoning|check the seasoning)\b/i],
  ['warm', /\b(?:reheat|warm(?: it)?(?: through)?|heat(?: it)? (?:through|gently|until))\b/i],
  ['finish', /\b(?:serve|garnish|ladle|top with|scatter|decorate|drizzle)\b/i],
  [
    null,
    /\b(?:peel|chop|dice|slice|wash|trim|soak|preheat|grate|cut|measure|weigh|discard|remove|drain|reserve|meanwhile)\b/i,
  ],
  [
    'add',
    /\b(?:add|pour|stir|whisk|tip|put|mix|fold|return|sprinkle|dust|beat|combine|place|swirl|drop|slide|deglaze|throw|toss|incorporate)\b/i,
  ],
];

type Found = { readonly at: number; readonly deed: PotDeed | null; readonly end: number };

/** Where a sentence says what is done, in order; of words that lie over each other the first rule counts. */
function deedsOf(sentence: string): readonly Found[] {
  const found: Found[] = [];
  for (const [deed, words] of VERBS)
    for (const m of sentence.matchAll(new RegExp(words.source, 'gi'))) {
      const [at, end] = [m.index, m.index + m[0].length];
      // "until soft", "a gentle simmer", "the fried onions": what is, not what is done.
      const before = sentence.slice(0, at);
      if (
        /\b(?:until|till|a|an|the|gentle|medium|low|high|moderate|of|very|your|no|not|don[’']t)\s+(?:\w+\s+)?$/i.test(
          before,
        ) &&
        !/^(?:to|and)$/i.test(before)
      ) {
        if (!/\b(?:and|then|,)\s*(?:\w+ly\s+)?$/i.test(before)) continue;
      }
      if (!found.some((f) => at < f.end && end > f.at)) found.push({ at, deed, end });
    }
  return found.sort((a, b) => a.at - b.at);
}

const NUMBERS: Readonly<Record<string, string>> = {
  ...{ one: '1', two: '2', three: '3', four: '4', five: '5', six: '6', seven: '7', eight: '8', ten: '10' },
  ...{ twelve: '12', fifteen: '15', twenty: '20', 'twenty-five': '25', thirty: '30', forty: '40' },
  ...{ 'forty-five': '45', 'a few': '3', 'a couple of': '2' },
};
const NUMBERED = new RegExp(
  `\\b(?:${Object.keys(NUMBERS)
    .sort((a, b) => b.length - a.length)
    .join('|')})\\b`,
  'gi',
);

/** Minutes a clause says, the middle of a range; null where it says none. */
export function minutesIn(said: string): number | null {
  const text = said.replace(NUMBERED, (word) => NUMBERS[word.toLowerCase()] ?? word);
  const m =
    /(\d+(?:[.,]\d+)?|\d+\s*\/\s*\d+|an?|half an?)(?:\s*(?:-|–|to|or)\s*(\d+))?\s*(?:more\s+|further\s+)?(min(?:ute)?s?|m\b|hours?|hrs?|h\b|seconds?|secs?)/i.exec(
      text,
    );
  if (!m) return null;
  const figure = (m[1] ?? '').toLowerCase();
  const first = /^half/.test(figure) ? 0.5 : /^an?$/.test(figure) ? 1 : Number(figure.replace(',', '.'));
  const value = m[2] ? (first + Number(m[2])) / 2 : first;
  const unit = (m[3] ?? '').toLowerCase();
  const minutes = unit.startsWith('h') ? value * 60 : unit.startsWith('s') ? value / 60 : value;
  return Number.isFinite(minutes) ? Math.round(minutes * 10) / 10 : null;
}

/** What a method calls the herbs. */
const HERBS = new Set([
  'thyme',
  'parsley',
  'chives',
  'dill',
  'bay-leaf',
  'tarragon',
  'basil',
  'coriander-leaf',
  'mint',
  'rosemary',
  'sage',
  'oregano',
  'marjoram',
  'chervil',
  'fennel-fronds',
]);

/** What a method calls things by that a list names in full. */
const ALSO: readonly (readonly [word: string, is: (id: string) => boolean])[] = [
  ['stock', (id) => ingredient(id).group === 'liquid' && id.includes('stock')],
  ['broth', (id) => ingredient(id).group === 'liquid' && id.includes('stock')],
  ['liquid', (id) => ingredient(id).group === 'liquid'],
  ['cream', (id) => id.includes('cream')],
  ['milk', (id) => id.includes('milk')],
  ['flour', (id) => ingredient(id).group === 'flour'],
  ['cornflour', (id) => id === 'cornstarch'],
  ['butter', (id) => id.includes('butter') && ingredient(id).group === 'fat'],
  ['oil', (id) => id.endsWith('-oil')],
  ['fat', (id) => ingredient(id).group === 'fat'],
  ['bacon', (id) => ingredient(id).group === 'cured meat'],
  ['cheese', (id) => ingredient(id).group === 'cheese'],
  ['fish', (id) => ingredient(id).group === 'seafood'],
  ['seafood', (id) => ingredient(id).group === 'seafood'],
  ['prawn', (id) => id.endsWith('shrimp')],
  ['shrimp', (id) => id.endsWith('shrimp')],
  ['mushroom', (id) => id.endsWith('mushroom')],
  ['potato', (id) => id.endsWith('potato')],
  ['yolk', (id) => id.startsWith('egg-yolk')],
  ['egg', (id) => ingredient(id).group === 'egg'],
  ['wine', (id) => ingredient(id).group === 'wine'],
  ['herb', (id) => HERBS.has(id)],
  ['pepper', (id) => id.endsWith('-pepper') && ingredient(id).group === 'seasoning'],
  ['vegetable', (id) => ingredient(id).group === 'vegetable'],
  ['corn', (id) => id === 'sweetcorn'],
  ['bay', (id) => id === 'bay-leaf'],
  ['lemon', (id) => id === 'lemon-juice'],
];

/** A line of the list as a method may speak of it. */
type Named = { readonly ingredient: string | null; readonly text: string };

/** The words a line may be called by: of what it is in the catalogue, and as it stood. */
function namesOf(line: Named): ReadonlySet<string> {
  if (line.ingredient === null || !isIngredient(line.ingredient)) return new Set(wordsOf(line.text));
  const food = ingredient(line.ingredient);
  const own = wordsOf(food.name.split(',')[0] ?? '').concat(wordsOf(food.id.replaceAll('-', ' ')));
  const nouns = [own.at(-1) ?? '', wordsOf(food.id.replaceAll('-', ' ')).at(-1) ?? ''];
  const also = ALSO.filter(([, is]) => is(food.id)).map(([word]) => word);
  return new Set([...own.filter((w) => w.length > 3), ...nouns, ...also]);
}

/** Words that are of many things, and name a line only where no other line has them closer. */
const COMMON = new Set([
  'white',
  'black',
  'sweet',
  'fine',
  'green',
  'whole',
  'plain',
  'dried',
  'smoked',
  'strong',
  'spring',
  'meat',
  'leaf',
  'fresh',
  'ground',
]);

/** The lines a clause speaks of. */
function spokenOf(clause: string, names: readonly ReadonlySet<string>[]): readonly number[] {
  const words = new Set(wordsOf(clause));
  if (
    /\b(?:all|everything|remaining|rest of) (?:the )?(?:other )?ingredients\b|\beverything else\b/i.test(
      clause,
    )
  )
    return names.map((_, n) => n);
  return names.flatMap((own, n) => ([...own].some((w) => words.has(w) && !COMMON.has(w)) ? [n] : []));
}

/** Sentences of a method; what follows a semicolon, or "then", is one of its own. */
export const sentencesIn = (instructions: readonly string[]): readonly string[] =>
  instructions.flatMap((t) =>
    t
      .split(/(?<=[.;!])\s+|\s*;\s*|,?\s+(?:and )?then\s+/i)
      .map((s) => s.trim())
      .filter(Boolean),
  );

/**
 * What a method does, clause by clause in its order, with the lines each speaks of first. What only prepares (peel,
 * chop) is no clause; a line it never speaks of is in none.
 */
export function clausesOf(
  instructions: readonly string[],
  lines: readonly Named[],
): {
  readonly clauses: readonly Clause[];
  readonly sentences: readonly ToldSentence[];
} {
  const names = lines.map(namesOf);
  const soup = namesTheSoupPot(instructions);
  let pan: PanSaid | null = null;
  let oven: number | null = null;
  const clauses: Clause[] = [];
  const sentences: ToldSentence[] = [];
  const spoken = new Set<number>();
  for (const text of sentencesIn(instructions)) {
    const deeds = deedsOf(text);
    oven = ovenIn(text) ?? oven;
    const named: PanSaid | null = panSaid(text, soup);
    const roasts = deeds.some((d) => d.deed === 'roast');
    const tray = roasts && named === null ? { name: 'tray', as: 'tray' as const, celsius: null } : null;
    if (named ?? tray) pan = named ?? tray;
    else if (/^meanwhile\b/i.test(text) || (saysTheSoupPot(text) && !goesIntoTheSoup(text))) pan = null;
    const said: PanSaid | null = pan;
    sentences.push({
      text,
      deeds: deeds.flatMap((d) => d.deed ?? []),
      ...(said && deeds.some((d) => d.deed !== null) && { pan: { name: said.name, sure: named !== null } }),
    });
    const roastAt = deeds.findIndex((d) => d.deed === 'roast');
    const tossed: number[] = [];
    for (const [n, { at, deed }] of deeds.entries()) {
      const clause = text.slice(n === 0 ? 0 : at, deeds[n + 1]?.at ?? text.length);
      if (deed === null) continue;
      const own = spokenOf(clause, names).filter((l) => !spoken.has(l));
      for (const l of own) spoken.add(l);
      // "Toss the squash with the oil and roast it": what is tossed is what is roasted.
      if (n < roastAt && deed === 'add') {
        tossed.push(...own);
        continue;
      }
      const here = n === roastAt ? [...tossed, ...own] : own;
      const at_ = pan && { ...pan, celsius: pan.celsius ?? oven };
      clauses.push({ text: clause.trim(), deed, minutes: minutesIn(clause), lines: here, pan: at_ });
      // Poured into the soup, what comes next is done there.
      if (pan && goesIntoTheSoup(clause)) pan = null;
    }
    // The oven is for what is roasted there: the next sentence is the pot’s again.
    if (pan?.as === 'tray') pan = null;
  }
  return { clauses, sentences };
}

/** Whether it is poured. */
export const isWet = (id: string): boolean => isIngredient(id) && POURED.has(ingredient(id).group);
