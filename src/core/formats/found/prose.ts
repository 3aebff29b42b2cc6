import { amountIn, cleaned } from '../../food/lines/amountIn';
import { matches } from '../../food/lines/match';
import { linesIn } from '../../food/lines/readLine';
import type { FoundRecipe, SourceLine, TakenAs } from './found';

const INGREDIENTS =
  /^(?:#+\s*)?(?:\*\*)?(?:the\s+)?(?:ingredients?|you(?:[’']ll| will)? need|what you(?:[’']ll| will)? need|what goes in|shopping list|mise(?: en place)?)\b[^.]{0,40}?:?(?:\*\*)?$/i;
const METHOD =
  /^(?:#+\s*)?(?:\*\*)?(?:the\s+)?(?:methods?|directions?|instructions?|preparation|how to(?: make| cook)?(?: it)?|steps?|to make(?: it| the soup)?|procedure|process|what to do|making it|cooking)\s*:?(?:\*\*)?$/i;
const NOTES =
  /^(?:#+\s*)?(?:\*\*)?(?:notes?|tips?|cook[’']s notes?|nutrition(?:al)?(?: information| facts)?|equipment|storage|to store|source|allergens?|variations?|comments?|reviews?|you may also like)\b[^.]{0,40}:?(?:\*\*)?/i;
const YIELD =
  /^(?:#+\s*)?(?:\*\*)?(?:serves|makes|yields?|yield|servings?|portions?|quantity|covers|for)\b\s*:?(?:\*\*)?\s*(?:about\s+|approx\.?\s+)?\d/i;
const YIELD_AFTER = /^\d+(?:\s*(?:-|–|to)\s*\d+)?\s*(?:servings?|portions?|people|covers|bowls)\b/i;
const TIMES =
  /^(?:#+\s*)?(?:prep(?:aration)?|cook(?:ing)?|total|active|ready)\b[^.]{0,12}?:?\s*\d+\s*(?:h|hours?|m|mins?|minutes?)\b/i;
/** A part of a list of ingredients: "For the roux:". */
const PART =
  /^(?:#+\s*)?(?:\*\*)?(?:for (?:the\s+)?[\w\s’'-]{2,30}|(?:to|the) (?:finish|serve|garnish|base|roux|liaison|topping)|[A-Z][\w\s’'-]{1,25}):\s*(?:\*\*)?$/i;
const RULED = /^\s*(?:-{3,}|={3,}|\*{3,}|_{3,})\s*$/;
const NUMBERED = /^\s*(?:step\s*)?\d{1,2}\s*[.):]\s+/i;

/** What a cook is told to do: a line that begins with one of these, or holds one and is long, is of the method. */
const VERB =
  /\b(?:add|bake|beat|blanch|blend|blitz|boil|bring|brown|chill|chop|combine|cook|cool|cover|cut|deglaze|dice|discard|drain|dust|fold|fry|garnish|heat|keep|ladle|leave|let|liquidi[sz]e|make|mash|melt|mix|peel|place|poach|pour|purée|puree|put|reduce|reheat|remove|render|return|rinse|roast|sauté|saute|season|serve|set|sieve|simmer|skim|slice|soak|soften|sprinkle|stir|strain|sweat|take|taste|temper|thicken|tip|toast|toss|transfer|turn|warm|wash|whisk)\b/i;

const bare = (line: string): string =>
  line
    .replace(/^#+\s*/, '')
    .replace(/\*\*|__/g, '')
    .trim();

/** Whether a line reads like something that is bought. */
function isBought(text: string): boolean {
  // "chives, to serve": what it is for says nothing of what it is.
  const line = cleaned(text.replace(NUMBERED, '')).replace(
    /,?\s+(?:to|for) (?:serve|serving|garnish|finish|taste|cover)\.?$/i,
    '',
  );
  if (line.length === 0 || line.length > 140) return false;
  const several = linesIn(line);
  if (several.length > 1) return true;
  const { amount, rest } = amountIn(line);
  const near = matches(rest.split(/[,(;]/)[0] ?? rest, 1)[0]?.score ?? 0;
  const told = VERB.test(line.split(/[,(]/)[0] ?? '') && /[.!]$/.test(line);
  if (amount !== null) return !told && (near > 0 || line.length < 60);
  return near >= 0.85 && line.split(/\s+/).length <= 7 && !/[.!]$/.test(line);
}

const isTold = (text: string): boolean => {
  const line = bare(text).replace(NUMBERED, '');
  const first = line.split(/\s+/)[0] ?? '';
  const begins =
    VERB.test(first) || /ly$|^(?:in|meanwhile|once|when|while|using|then|off|after|now)$/i.test(first);
  if (begins && VERB.test(line) && line.length > 12) return true;
  return line.length > 50 && VERB.test(line);
};

const MEASURE = String.raw`(?:\d+\s+\d\/\d|\d\/\d|\d+(?:[.,]\d+)?\s*[¼½¾⅓⅔]?|[¼½¾⅓⅔])\s*(?:kg|kilos?|g|grams?|oz|ounces?|lbs?|pounds?|mls?|cl|dl|l|lit(?:re|er)s?|tsps?|teaspoons?|tbsps?|tablespoons?|cups?|pints?|quarts?)?`;
const IN_A_SENTENCE = new RegExp(
  String.raw`(?<![\w.])((?:${MEASURE}|an?|half an?)\s+(?:of\s+)?(?:small |medium |large |chopped |diced |sliced |grated |cold |hot |warm )*[a-zé][a-zé-]*(?:\s+(?!in\b|into\b|and\b|with\b|until\b|then\b|over\b|for\b|to\b|on\b|at\b|till\b|is\b|are\b|or\b)[a-zé][a-zé-]*){0,3})`,
  'gi',
);
/** What a number in a sentence may also be of. */
const NOT_BOUGHT =
  /^(?:\S+\s+)?(?:minutes?|mins?|hours?|hrs?|seconds?|degrees?|times?|cm|mm|inch|pot|pan|bowl|ladle|bit|few minutes|simmer|boil|lid|while|time|third|half|quarter)\b/i;

/** As a list would have it. */
const SALT = ['salt', 'to taste'].join(', ');

/** What goes in, from a method that says it as it goes: "sweat 2 onions in 60 g butter, stir in 50 g flour". */
export function boughtIn(method: readonly string[]): readonly string[] {
  const found = new Map<string, string>();
  const taste = (name: string, line: string) => {
    if (method.some((t) => new RegExp(`\\b${name}\\b`, 'i').test(t)) && !found.has(name))
      found.set(name, line);
  };
  for (const text of method)
    for (const [, said = ''] of text.matchAll(IN_A_SENTENCE)) {
      const line = cleaned(said);
      const { amount, rest } = amountIn(line);
      if (amount === null || NOT_BOUGHT.test(rest)) continue;
      const [near] = matches(rest, 1);
      if (near && near.score >= 0.6 && !found.has(near.id)) found.set(near.id, said.trim());
    }
  taste('salt', SALT);
  return [...found.values()];
}

type Building = {
  name: string;
  yieldText: string;
  ingredients: string[];
  instructions: string[];
  source: SourceLine[];
};
const begin = (): Building => ({ name: '', yieldText: '', ingredients: [], instructions: [], source: [] });

/** A line that may be the name of what follows: short, and neither bought nor told. */
const mayName = (text: string): boolean => {
  const line = bare(text);
  return (
    line.length > 2 &&
    line.length <= 80 &&
    !/[.:;,]$/.test(line) &&
    !isBought(line) &&
    !isTold(line) &&
    ![INGREDIENTS, METHOD, NOTES, YIELD, YIELD_AFTER, TIMES].some((r) => r.test(line))
  );
};

/** Whether what follows line `at` is a recipe of its own: what is bought stands within the next few lines. */
const beginsAnother = (lines: readonly string[], at: number): boolean => {
  const next = lines
    .slice(at + 1)
    .filter((l) => l.trim() !== '')
    .slice(0, 6);
  return next.some((l) => INGREDIENTS.test(l.trim()) || isBought(l));
};

/**
 * Recipes written as people write them, in text or in Markdown: a name, what goes in, what is done. Several stand
 * one after the other. Total: what is none of these is kept as a note; a text without anything bought gives none.
 */
export function recipesInText(text: string): readonly FoundRecipe[] {
  const lines = text.split(/\r\n?|\n|\u2028/);
  const all: Building[] = [];
  let one = begin();
  let section: 'ingredients' | 'method' | 'notes' | null = null;
  const take = (line: string, as: TakenAs) => one.source.push({ text: line.trim(), as });
  const next = () => {
    if (one.source.length > 0) all.push(one);
    one = begin();
    section = null;
  };
  for (const [at, raw] of lines.entries()) {
    const line = raw.trim();
    if (line === '' || RULED.test(line)) continue;
    const plain = bare(line);
    const over = one.ingredients.length > 0 && (one.instructions.length > 0 || /^#{1,2}\s/.test(line));
    if (over && mayName(line) && beginsAnother(lines, at)) next();
    if (INGREDIENTS.test(line)) {
      section = 'ingredients';
      take(line, 'heading');
    } else if (METHOD.test(line)) {
      section = 'method';
      take(line, 'heading');
    } else if (NOTES.test(line) && !isBought(line)) {
      section = 'notes';
      take(line, 'note');
    } else if (
      one.yieldText === '' &&
      section !== 'method' &&
      (YIELD.test(plain) || YIELD_AFTER.test(plain))
    ) {
      one.yieldText = plain;
      take(line, 'yield');
    } else if (TIMES.test(plain)) take(line, 'note');
    else if (section === 'notes' && !isBought(line)) take(line, 'note');
    else if (PART.test(line) && section !== 'method') take(line, 'heading');
    else if (section === 'method' || (section === null && one.ingredients.length > 0 && isTold(line))) {
      if (section === null) section = 'method';
      one.instructions.push(plain.replace(NUMBERED, ''));
      take(line, 'method');
    } else if (one.name === '' && mayName(line)) {
      one.name = plain.slice(0, 80);
      take(line, 'name');
    } else if (
      section === 'ingredients' ? !(isTold(line) && NUMBERED.test(line) && !isBought(line)) : isBought(line)
    ) {
      const several = linesIn(cleaned(line.replace(NUMBERED, '').replace(/^#+\s*/, '')));
      one.ingredients.push(...several);
      take(line, 'ingredient');
    } else if (isTold(line)) {
      one.instructions.push(plain.replace(NUMBERED, ''));
      section = one.ingredients.length > 0 ? 'method' : section;
      take(line, 'method');
    } else take(line, 'note');
  }
  next();
  return all
    .map((r) => {
      const ingredients = r.ingredients.length > 0 ? r.ingredients : [...boughtIn(r.instructions)];
      return { ...r, ingredients };
    })
    .filter((r) => r.ingredients.length > 0);
}
