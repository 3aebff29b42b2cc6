/** Moves labels apart so that none is nearer than `gap` to the next, staying as near their marks as they can. */
export function spread<T extends { readonly at: number }>(
  items: readonly T[],
  gap: number,
  top: number,
  bottom: number,
): readonly (T & { readonly shown: number })[] {
  const sorted = [...items].sort((a, b) => a.at - b.at);
  const shown = sorted.map((i) => Math.min(bottom, Math.max(top, i.at)));
  for (let i = 1; i < shown.length; i++) shown[i] = Math.max(shown[i] ?? 0, (shown[i - 1] ?? 0) + gap);
  const over = (shown.at(-1) ?? 0) - bottom;
  if (over > 0) {
    let limit = bottom;
    for (let i = shown.length - 1; i >= 0; i--) {
      shown[i] = Math.min(shown[i] ?? 0, limit);
      limit = (shown[i] ?? 0) - gap;
    }
  }
  return sorted.map((item, i) => ({ ...item, shown: shown[i] ?? item.at }));
}
