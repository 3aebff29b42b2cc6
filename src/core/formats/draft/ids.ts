/** An id from a name: "Grandad’s Leek Soup" → "grandads-leek-soup". Small letters, digits, hyphens; at most 60. */
export const idFrom = (name: string, otherwise = 'soup'): string =>
  name
    .normalize('NFD')
    .replace(/[\u0300-\u036f’']/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60)
    .replace(/-$/, '') || otherwise;
