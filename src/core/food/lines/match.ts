import { ALIASES } from '../aliases';
import { catalogue } from '../catalogue';

/** A guess at which ingredient words mean: 1 is the very name, 0 nothing in common. */
export type Match = { readonly id: string; readonly score: number };

/** Words that say how something is cut, kept or bought, and not what it is. */
const MANNER = new Set(
  `a an the of or and fresh freshly frozen dried canned tinned large small medium big young baby ripe good quality
  organic plain whole raw cooked peeled unpeeled chopped finely roughly coarsely diced sliced thinly thickly minced
  grated shredded crushed melted softened soft cold warm hot room temperature trimmed rinsed drained cubed cut into
  pieces chunks rings halved quartered deseeded seeded picked washed cleaned divided optional extra more about
  approximately plus for to taste garnish serving if needed as see note homemade floret fillet kernel bulb slowly gradually gently well together skinless boneless skin on off free range unsmoked par boiled best store bought ground unsalted`.split(
    /\s+/,
  ),
);

const singular = (word: string): string =>
  word.length > 3
    ? word
        .replace(/(tomato|potato)es$/, '$1')
        .replace(/leaves$/, 'leaf')
        .replace(/ies$/, 'y')
        .replace(/([^su])s$/, '$1')
    : word;

const plainLetters = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();

/** Words worth comparing, in singular. */
export const wordsOf = (text: string): readonly string[] =>
  plainLetters(text)
    .split(/[^a-z0-9%]+/)
    .filter(Boolean)
    .map(singular);

/**
 * Words that make another thing of what they stand before: milk of almonds is no milk, butter of peanuts no butter. Where
 * a name does not have them, it is far off.
 */
const ANOTHER = new Set(
  wordsOf(`almond cashew peanut soy soya oat coconut hemp goat sheep buffalo condensed powder powdered dry chickpea rye
  gluten free vegan plant sea base bouillon paste cube shell bone sauce juice zest peel seed leaf oil vinegar spray
  vanilla chocolate sweet ice sour star green black brown wild leftover smoked salt pickled`),
);

type Known = {
  readonly id: string;
  readonly words: readonly string[];
  readonly text: string;
  /** Not the same, and does instead. */
  readonly instead: boolean;
};

let known: readonly Known[] | null = null;

/** Every name of every ingredient, worked out when first asked for. */
const names = (): readonly Known[] => {
  known ??= catalogue().flatMap((i) =>
    [i.name, i.id.replaceAll('-', ' '), ...(ALIASES[i.id] ?? [])].map((text) => {
      const words = wordsOf(text);
      return { id: i.id, words, text: words.join(' '), instead: text.startsWith('~') };
    }),
  );
  return known;
};

/** What is left of a likeness where another thing is meant: near enough to be offered, not to be taken. */
const FAR_OFF = 0.5;
/** Of what does instead: taken, and looked at. */
const INSTEAD = 0.85;

function score(words: readonly string[], core: readonly string[], known: Known): number {
  if (known.text === words.join(' ')) return known.instead ? INSTEAD : 1;
  if (known.text === core.join(' ')) return known.instead ? INSTEAD : 0.98;
  const theirs = known.words.filter((w) => !MANNER.has(w));
  const wanted = theirs.length > 0 ? theirs : known.words;
  const shared = wanted.filter((w) => core.includes(w)).length;
  if (shared === 0) return 0;
  // What a thing is stands last: "fish stock" is no fish. And some words make another thing of it.
  const head = core.at(-1) ?? '';
  const other =
    core.some((w) => ANOTHER.has(w) && !known.words.includes(w)) ||
    !wanted.includes(head) ||
    !core.includes(wanted.at(-1) ?? '');
  // All of the known name in it, and little else, is nearly it; half of either is a guess.
  return 0.9 * (other ? FAR_OFF : 1) * ((2 * shared) / (wanted.length + core.length));
}

/** The catalogue's ingredients `text` may mean, best first, at most `most`. */
export function matches(text: string, most = 5): readonly Match[] {
  const words = wordsOf(text);
  const bare = words.filter((w) => !MANNER.has(w));
  const core = bare.length > 0 ? bare : words;
  const best = new Map<string, number>();
  for (const name of names()) {
    const s = score(words, core, name);
    if (s > (best.get(name.id) ?? 0.25)) best.set(name.id, s);
  }
  return [...best]
    .map(([id, s]) => ({ id, score: s }))
    .sort((a, b) => b.score - a.score)
    .slice(0, most);
}
