import { diffArrays } from 'diff';

/** A line of something in words, and whether it came in, went out or stayed. */
export type ChangedLine = { readonly kind: 'in' | 'out' | 'same'; readonly text: string };

/** Unchanged lines kept around a change, so that it can be placed. */
const AROUND = 2;

/** What changed from one version to the next, a line a thing, with a little of what is around it; of the first, all of it. */
export function changedLines(
  before: readonly string[] | null,
  after: readonly string[],
): readonly ChangedLine[] {
  if (!before) return after.map((text) => ({ kind: 'same', text }));
  const lines = diffArrays([...before], [...after]).flatMap((part) =>
    part.value.map(
      (text): ChangedLine => ({ kind: part.added ? 'in' : part.removed ? 'out' : 'same', text }),
    ),
  );
  return lines.filter(
    (l, n) =>
      l.kind !== 'same' ||
      lines.slice(Math.max(0, n - AROUND), n + AROUND + 1).some((x) => x.kind !== 'same'),
  );
}

/** Versions, newest first, each with what it changed against the one before; `wordsOf` says one in lines. */
export function withChanges<V extends { readonly body: unknown }>(
  versions: readonly V[],
  wordsOf: (body: V['body']) => readonly string[],
): readonly (Omit<V, 'body'> & { readonly changes: readonly ChangedLine[] })[] {
  const words = versions.map((v) => wordsOf(v.body));
  return versions.map(({ body: _said, ...v }, n) => ({
    ...v,
    changes: changedLines(words[n + 1] ?? null, words[n] ?? []),
  }));
}
