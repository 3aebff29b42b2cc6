import { type Message, message } from '../../message/message';
import { term } from '../../message/term';
import { ingredient } from '../catalogue';
import { POURED } from '../ingredient';
import { amountIn, cleaned } from './amountIn';
import { type Match, matches } from './match';

/** An ingredient line of someone else's recipe, as far as it could be read. */
export type ReadLine = {
  /** As it stood. */
  readonly text: string;
  /** As our recipes write it: "2 cups", "340 g"; null when no amount was found. */
  readonly amount: string | null;
  /** The likeliest ingredient; null when nothing is near. */
  readonly ingredient: string | null;
  readonly candidates: readonly Match[];
  /** How it is cut or kept, in the line's own words. */
  readonly prep: string;
  /** Why somebody has to look at it; empty when it was read with certainty. */
  readonly doubts: readonly Message[];
};

/** Under this a match is a guess to be looked at. */
const CERTAIN = 0.9;

/** Salts whose spoonful depends on the grain. */
const COARSE = new Set(['coarse-salt', 'flaky-salt']);

/** Meat that was cooked before. */
const COOKED = /cooked|left ?over|roast|rotisserie|poached|shredded|smoked|corned/i;

/** Vegetables that were cooked before, and the catalogue’s that are not. */
const BEFORE =
  /\b(?:par[- ]?(?:cooked|boiled)|pre[- ]?cooked|left ?over|roasted|baked|boiled|steamed|grilled)\b/i;
const isRawVegetable = (id: string): boolean => {
  const { group, name, softening, pulped } = ingredient(id);
  return (
    group === 'vegetable' &&
    softening !== undefined &&
    !pulped &&
    !/roast|baked|cooked|smoked|sun-dried/i.test(name)
  );
};

/** Shellfish bought with its shell on. */
const IN_SHELL = /\b(?:live|in (?:the |their )?shells?|unshelled|littleneck|cherrystone|manila|quahogs?)\b/i;
const SHELLFISH = new Set(['mussel-meat', 'clam-meat', 'cockle-meat']);

/** Under this it is only offered: what is meant is asked. */
const TAKEN = 0.46;

/** The ingredient's words and what follows them: a name of the catalogue may itself hold a comma. */
function named(text: string): { readonly what: string; readonly after: readonly string[] } {
  const parts = text.split(/,|;| - /).map((t) => t.trim());
  for (let n = Math.min(3, parts.length); n > 1; n--) {
    const what = parts.slice(0, n).join(', ');
    if (matches(what, 1)[0]?.score === 1) return { what, after: parts.slice(n) };
  }
  return { what: parts[0] ?? '', after: parts.slice(1) };
}

/** "…, scooped" says how a dry measure was filled; it belongs to the amount. */
const FILLED = /,?\s*\b(scooped|spooned|sifted)\b/i;

/** A bracket that says the amount once more, in other units. */
const AGAIN =
  /^(?:about |approx\.? |around |roughly |ca\.? )?[\d¼½¾⅓⅔⅛⅜⅝⅞][\d\s.,/¼½¾⅓⅔⅛⅜⅝⅞-]*(?:[a-z]{1,11}\.?)(?:\s*[\d¼½¾]+\s*[a-z]{1,6})?(?: each)?$/i;

const best = (words: string): number => matches(words, 1)[0]?.score ?? 0;

/** The first of two that may stand for each other: "butter or oil", "stock/water"; null where there is one. */
function firstOf(what: string): string | null {
  if (best(what) >= CERTAIN) return null;
  const [first, ...others] = what.split(/\s+or\s+|\s*\/\s*/i).filter(Boolean);
  if (first === undefined || others.length === 0) return null;
  if (best(first) >= 0.5) return first;
  // "chicken or vegetable stock": what they are is said once, at the end.
  const noun = others.at(-1)?.split(' ').at(-1) ?? '';
  return best(`${first} ${noun}`) >= 0.5 ? `${first} ${noun}` : null;
}

/** What is usual of something nobody gives an amount of, and why it is to be looked at; null where nothing is usual. */
function usual(id: string, line: string): { readonly amount: string; readonly doubt: Message } | null {
  const { group } = ingredient(id);
  if (/\bto cover\b/i.test(line) && POURED.has(group))
    return { amount: 'to cover', doubt: message('poured until it covers what lies in the pot') };
  if (ingredient(id).sodium > 30_000)
    return { amount: 'to taste', doubt: message('no amount: the plan salts to the house’s level') };
  if (group === 'seasoning') return { amount: '1 pinch', doubt: message('no amount: a pinch is taken') };
  if (group === 'fat') return { amount: '1 tbsp', doubt: message('no amount: a tablespoon is taken') };
  return null;
}

/**
 * Reads one ingredient line, e.g. "2 1/2 cups whole milk, warmed". Total: any text gives a line, with what
 * could not be read with certainty said in `doubts`.
 */
export function readLine(text: string): ReadLine {
  const line = cleaned(text);
  const found = amountIn(line);
  const brackets = [...found.rest.matchAll(/\(([^)]*)\)/g)]
    .map((m) => m[1]?.trim() ?? '')
    .filter((b) => !AGAIN.test(b));
  const whole = named(
    found.rest
      .replace(/\([^)]*\)/g, ' ')
      .replace(
        /\b(?:to taste|to cover|to serve|to garnish|to finish|for (?:frying|sweating|serving|garnish))\b.*$/i,
        ' ',
      )
      .replace(/^\s*(?:a little|a bit of|some|enough|plenty of|extra|of|the)\s+/i, '')
      .replace(/^\s*(?:cans?|tins?|jars?|cartons?|packets?|packs?|tubs?|bottles?)\s+(?:of\s+)?/i, ''),
  );
  const first = firstOf(whole.what);
  const what = first ?? whole.what;
  const filled = FILLED.exec(found.rest)?.[1]?.toLowerCase();
  const candidates = matches(what);
  const [nearest] = candidates;
  const isRaw = nearest !== undefined && ingredient(nearest.id).group === 'meat' && !COOKED.test(found.rest);
  const likeliest = nearest && nearest.score >= TAKEN && !isRaw ? nearest : undefined;
  const doubts = [...found.doubts];
  const written =
    found.amount && filled && /cup|tbsp|tsp|pint|quart/.test(found.amount)
      ? `${found.amount}, ${filled}`
      : found.amount;
  const otherwise = written || !likeliest ? null : usual(likeliest.id, line);
  const isSalt = likeliest !== undefined && otherwise?.amount === 'to taste';
  if (isRaw)
    doubts.push(
      message(
        'raw meat and poultry are not in the catalogue, with the heat they need: cooked, pick one; or leave it out',
      ),
    );
  else if (!likeliest && nearest)
    doubts.push(
      message('not in the catalogue: the nearest is {name}; pick one or leave it out', {
        name: term(ingredient(nearest.id).name),
      }),
    );
  else if (!likeliest)
    doubts.push(message('no ingredient of the catalogue is near: pick one or leave it out'));
  else if (likeliest.score < CERTAIN)
    doubts.push(message('read as {name}: check', { name: term(ingredient(likeliest.id).name) }));
  if (likeliest && BEFORE.test(found.rest) && isRawVegetable(likeliest.id))
    doubts.push(message('cooked before: the plan takes it as raw, and as long to soften'));
  if (likeliest && IN_SHELL.test(found.rest) && SHELLFISH.has(likeliest.id))
    doubts.push(message('weighed in the shell: a fifth to a quarter of that is meat'));
  if (likeliest && COARSE.has(likeliest.id) && /tsp|tbsp|cup/.test(found.amount ?? ''))
    doubts.push(message('a teaspoon of coarse or flaky salt weighs 2.8 to 4.8 g: weigh yours'));
  if (first !== null && likeliest)
    doubts.push(message('one of two: {name} is taken', { name: term(ingredient(likeliest.id).name) }));
  if (otherwise && !(isSalt && /\bto taste\b/i.test(line))) doubts.push(otherwise.doubt);
  if (!written && !otherwise && found.doubts.length === 0) doubts.push(message('no amount: write one'));
  return {
    text: line,
    amount: written ?? otherwise?.amount ?? null,
    ingredient: likeliest?.id ?? null,
    candidates,
    prep: [...whole.after, ...brackets]
      .join(', ')
      .replace(FILLED, '')
      .replace(/\s+/g, ' ')
      .trim()
      .slice(0, 80),
    doubts,
  };
}

const STARTS = /^(?:[\d¼½¾⅓⅔⅛⅜⅝⅞]|an?\b|half\b)/i;

/**
 * What stands in one line as the lines it is: "2 tbsp each butter and flour" and "1 onion, 2 carrots and 3 celery
 * sticks" are several. A line of one ingredient comes back alone.
 */
export function linesIn(text: string): readonly string[] {
  const line = cleaned(text);
  const each = /^(.*?)\s+each\s+(?:of\s+)?(.+)$/i.exec(line) ?? /^(.*?)\s+of each[,:]?\s+(.+)$/i.exec(line);
  if (each) {
    const all = (each[2] ?? '').split(/,\s*(?:and\s+)?|\s+and\s+|\s*&\s*/).filter(Boolean);
    if (all.length > 1 && all.every((w) => best(w) >= 0.5)) return all.map((w) => `${each[1]} ${w}`);
  }
  const parts = line.split(/[,;]\s*(?:and\s+)?|\s+and\s+(?=[\d¼½¾])|\s*\+\s*(?=[\d¼½¾])/).filter(Boolean);
  if (parts.length > 1 && parts.every((p) => STARTS.test(p) && best(amountIn(p).rest) >= 0.5)) return parts;
  const both = /^(salt|sea salt|fine salt)\s*(?:and|&|,)\s*((?:\w+\s+){0,3}pepper)\b/i.exec(line);
  if (both) return [`${both[1]}, to taste`, both[2] ?? ''];
  return [text];
}
