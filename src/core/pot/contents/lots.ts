/** "leek#2" in its parts; `lot` null for all of the leek. */
export function lotOf(name: string): { readonly ingredient: string; readonly lot: number | null } {
  const [, ingredient = name, lot] = /^(.*)#(\d{1,2})$/.exec(name) ?? [];
  return { ingredient, lot: lot === undefined ? null : Number(lot) };
}
