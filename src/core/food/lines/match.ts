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
  approximately plus for to taste garnish serving if needed as see note homemade floret fillet kernel best store bought ground unsalted`.split(
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

type Known = { readonly id: string; readonly words: readonly string[]; readonly text: string };

let known: readonly Known[] | null = null;

/** Every name of every ingredient, worked out when first asked for. */
const names = (): readonly Known[] => {
  known ??= catalogue().flatMap((i) =>
    [i.name, i.id.replaceAll('-', ' '), ...(ALIASES[i.id] ?? [])].map((text) => {
      const words = wordsOf(text);
      return { id: i.id, words, text: words.join(' ') };
    }),
  );
  return known;
};

function score(words: readonly string[], core: readonly string[], known: Known): number {
  if (known.text === words.join(' ')) return 1;
  if (known.text === core.join(' ')) return 0.98;
  const theirs = known.words.filter((w) => !MANNER.has(w));
  const wanted = theirs.length > 0 ? theirs : known.words;
  const shared = wanted.filter((w) => core.includes(w)).length;
  if (shared === 0) return 0;
  // All of the known name in it, and little else, is nearly it; half of either is a guess.
  return 0.9 * ((2 * shared) / (wanted.length + core.length));
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
