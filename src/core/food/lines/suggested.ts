import { catalogue } from '../catalogue';
import { matches, wordsOf } from './match';

/** Above this a word is the very name of something, or as good as. */
const NAMED = 0.95;

/**
 * Ids of the catalogue a cook may mean by what is typed so far, the likeliest first, at most `most`: what is called so;
 * what is one of it (“mushroom”: chestnut mushroom, before mushroom stock); what begins with it; what holds it; what is
 * near. `nameOf` is how the house calls each.
 */
export function suggested(text: string, nameOf: (id: string) => string, most: number): readonly string[] {
  const t = text.trim().toLowerCase();
  const all = catalogue().map((i) => i.id);
  if (t === '') return all.slice(0, most);
  const near = matches(text, most);
  const typed = wordsOf(t).at(-1) ?? t;
  const heads = (id: string) => wordsOf(nameOf(id).split(',')[0] ?? '').at(-1) === typed;
  const name = (id: string) => nameOf(id).toLowerCase();
  return [
    ...new Set([
      ...near.filter((m) => m.score >= NAMED).map((m) => m.id),
      ...all.filter(heads),
      ...all.filter((id) => name(id).startsWith(t)),
      ...all.filter((id) => name(id).includes(t)),
      ...near.map((m) => m.id),
    ]),
  ].slice(0, most);
}
