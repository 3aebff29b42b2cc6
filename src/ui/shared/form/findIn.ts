const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();

/** Whether every word of `asked` is somewhere in one of `texts`, accents and capitals aside. */
export function findIn(texts: readonly string[], asked: string): boolean {
  const hay = plain(texts.join(' '));
  return plain(asked)
    .split(/\s+/)
    .every((word) => hay.includes(word));
}
